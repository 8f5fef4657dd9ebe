import { boundsOf, mapPath, scaling, weightOf, type Region } from '../../../geometry';
import { chargeRow, chargeWords, ownWordOf, type Charges } from '../../../heraldry';
import { outlineOf } from '../../../shapes';
import { formOf, larger, type FormInput, type Kit } from '../../building/kit';
import type { ArtSource } from '../../parts/art-source';
import { ownOutline, type OwnPiece } from '../own-piece';

export const MOST_OWN_CHARGES = 6;

/** Ink area of a charge against the square it may fill: all bear the same weight to the eye. */
const WEIGHT = 0.34;
/** How far beyond that square its longer side may reach. */
const REACH = 1.04;

/** What is borne: its names, and how it is drawn at a size, on its own center. */
export interface Bearing {
  readonly one: string;
  readonly many: string;
  /** Whose it is, where we have not drawn it. */
  readonly source?: ArtSource;
  /** As large as its weight asks for in a square, never far beyond it. @returns its form where it is one of ours */
  readonly at: (squarePx: number) => { readonly area: Region; readonly form?: FormInput };
}

/** How much larger an outline must be to bear the weight of a charge in a square; its ink is measured once for all of them. */
function scaleFor(outline: Region): (squarePx: number) => number {
  const box = boundsOf(outline.path) ?? { left: 0, top: 0, right: 1, bottom: 1 };
  const [w, h] = [box.right - box.left, box.bottom - box.top];
  const ink = weightOf([outline], Math.max(w, h) / 400)?.area ?? w * h;
  return (squarePx) => Math.min(Math.sqrt((WEIGHT * squarePx * squarePx) / ink), (squarePx * REACH) / Math.max(w, h));
}

export const titleCase = (words: string): string => words.replace(/^./u, (letter) => letter.toUpperCase());

/** What a charge looks like; nothing, and a notice, where its picture was taken away. */
export function bearingOf(kit: Kit, what: Charges['what'], own: readonly OwnPiece[]): Bearing | undefined {
  const words = chargeWords(what);
  const word = ownWordOf(what);
  if (word === undefined) {
    const start = formOf({ form: chargeRow(what as Parameters<typeof chargeRow>[0]).form });
    const scale = scaleFor({ path: outlineOf(start), rule: 'nonzero' });
    return {
      ...words,
      at: (squarePx) => {
        const sized = larger(start, scale(squarePx));
        return { area: { path: outlineOf(formOf(sized)), rule: 'nonzero' }, form: sized };
      },
    };
  }
  const piece = own.find((each) => each.word === word);
  const outline = piece && ownOutline(kit, piece);
  if (!piece || !outline) {
    kit.note('charge-without-picture', `There is no picture for “${word}”.`, 'Take one from the art, or name another charge.');
    return undefined;
  }
  const scale = scaleFor(outline);
  return {
    ...words,
    source: piece.source,
    at: (squarePx) => ({ area: { path: mapPath(outline.path, scaling(scale(squarePx))), rule: outline.rule } }),
  };
}
