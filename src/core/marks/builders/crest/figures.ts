import { boundsOf, type Point, type Region } from '../../../geometry';
import { ownWordOf } from '../../../heraldry';
import { formKind, outlineOf, type Form, type FormName } from '../../../shapes';
import { formOf, larger, placedArea, type FormInput, type Kit } from '../../building/kit';
import type { Paint } from '../../drawing/paint';
import { ownOutline, type OwnPiece } from '../own-piece';
import { titleCase } from './bearings';
import type { Crest } from './numbers';

/** A form brought to a width or a height, its proportion kept. */
export function sizedForm(
  form: FormName,
  wanted: { readonly widthPx?: number; readonly heightPx?: number },
  more: Readonly<Record<string, number>> = {},
): FormInput {
  const start = formOf({ form, ...more });
  const own = start as Form & { readonly widthPx?: number; readonly heightPx?: number };
  const { widthPx: w = 100, heightPx: h = 100 } = own;
  return larger(start, wanted.widthPx !== undefined ? wanted.widthPx / w : (wanted.heightPx ?? h) / h);
}

/** What stands in a crest as one: a form of ours, or a piece that was brought, on its own center. */
export type Figure = { readonly name: string; readonly wide: number; readonly tall: number } & (
  { readonly form: FormInput } | { readonly area: Region; readonly source: OwnPiece['source'] }
);
export function formFigure(name: FormName, wanted: Parameters<typeof sizedForm>[1]): Figure {
  const form = sizedForm(name, wanted);
  const own = form as FormInput & { readonly widthPx?: number; readonly heightPx?: number };
  return {
    name: formKind(name).label,
    wide: own.widthPx ?? wanted.widthPx ?? wanted.heightPx ?? 0,
    tall: own.heightPx ?? wanted.heightPx ?? wanted.widthPx ?? 0,
    form,
  };
}
export const outlineOfFigure = (figure: Figure): Region =>
  'form' in figure ? { path: outlineOf(formOf(figure.form)), rule: 'nonzero' } : figure.area;

/** A form, or a piece that was brought, that stands around the shield: as tall as is asked, or less where it would be too wide. */
export function figure(kit: Kit, n: Crest, what: string, heightPx: number, widestPx: number): Figure | undefined {
  const word = ownWordOf(what);
  if (word === undefined) return formFigure(what as FormName, { heightPx });
  const piece = n.own.find((each) => each.word === word);
  const outline = piece && ownOutline(kit, piece);
  const box = outline && boundsOf(outline.path);
  if (!piece || !outline || !box) {
    kit.note('charge-without-picture', `There is no picture for “${word}”.`, 'Take one from the art, or choose something else.');
    return undefined;
  }
  const by = Math.min(heightPx / (box.bottom - box.top), widestPx / (box.right - box.left));
  const area = placedArea(outline, by, 0, 0);
  return { name: titleCase(word), wide: (box.right - box.left) * by, tall: (box.bottom - box.top) * by, area, source: piece.source };
}
/** Puts a figure with its middle at a place; parts of it that were brought keep whose they are. */
export function putFigure(kit: Kit, slot: string, figure: Figure, ink: Paint, at: Point, more: object = {}): void {
  const { name } = figure;
  if ('form' in figure) {
    kit.add({ ...{ kind: 'shape', id: slot, name, form: formOf(figure.form), paint: ink }, place: { ...at, turnDeg: 0 }, ...more });
    return;
  }
  const { path, rule } = placedArea(figure.area, 1, at.x, at.y);
  kit.drawn(slot, name, [{ path, rule, paint: 0 }], [ink], { source: figure.source, ...more });
}
