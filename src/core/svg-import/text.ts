import { compose, mapPath, scaling, translation, type Affine, type Path } from '../geometry';
import { lengthOf } from './outlines';
import type { SvgElement } from './read-tree';
import { styleOf, type Style, type StyleRules } from './style';

/** A face as a drawing names it. */
export interface NamedFace {
  readonly family: string;
  readonly weight: number;
  readonly italic: boolean;
}
/** Words set in a face: their outline at a size of 1, standing on a baseline from 0 0, and how far they run; nothing where the face is not known. */
export type SetWords = (words: string, face: NamedFace) => { readonly path: Path; readonly advance: number } | undefined;

/** Words of a text as one outline, in the text's own coordinates. */
export interface TextOutline {
  readonly path: Path;
  readonly style: Style;
}
export interface ReadText {
  readonly outlines: readonly TextOutline[];
  /** Faces that are not known, with the words that were left out. */
  readonly unknown: readonly { readonly words: string; readonly family: string }[];
}

const firstNumber = (list: string | undefined): number | undefined => {
  const [first] = (list ?? '').trim().split(/[\s,]+/);
  return first ? lengthOf(first) : undefined;
};
const sizeOf = (style: Style): number => lengthOf(style['font-size'], 16) || 16;
const weightOf = (style: Style): number =>
  style['font-weight'] === 'bold' ? 700 : Math.min(1000, Math.max(1, Number(style['font-weight'] ?? 400) || 400));
const familiesOf = (style: Style): readonly string[] =>
  (style['font-family'] ?? '')
    .split(',')
    .map((name) => name.trim().replace(/^['"]|['"]$/g, ''))
    .filter(Boolean);

/**
 * The outlines of a text and its spans, each set in the first of its faces that is known. Read: place, shifts, size, weight, slant, anchor.
 * Not read: text along a path, letters placed one by one (only the first place counts), letter spacing.
 * @source W3C SVG 2, 11 "Text": text chunks begin at absolute places and are anchored as a whole
 */
export function readText(element: SvgElement, style: Style, rules: StyleRules, set: SetWords): ReadText {
  const outlines: TextOutline[] = [];
  const unknown: { readonly words: string; readonly family: string }[] = [];
  let chunk: { path: Path; style: Style }[] = [];
  let [startX, penX, penY] = [0, 0, 0];
  let anchor = style['text-anchor'] ?? 'start';
  const finish = (): void => {
    const shift = anchor === 'middle' ? -(penX - startX) / 2 : anchor === 'end' ? -(penX - startX) : 0;
    for (const { path, style: own } of chunk)
      outlines.push({ path: shift === 0 ? path : mapPath(path, translation(shift, 0)), style: own });
    chunk = [];
  };
  const visit = (node: SvgElement, own: Style): void => {
    const [x, y] = [firstNumber(node.attributes['x']), firstNumber(node.attributes['y'])];
    if (x !== undefined || y !== undefined) {
      finish();
      [penX, penY] = [x ?? penX, y ?? penY];
      startX = penX;
      anchor = own['text-anchor'] ?? 'start';
    }
    penX += firstNumber(node.attributes['dx']) ?? 0;
    penY += firstNumber(node.attributes['dy']) ?? 0;
    for (const child of node.children) {
      if (child.name === 'tspan') visit(child, styleOf(child, own, rules));
      else if (child.name === '#text') {
        const words = child.text.replace(/\s+/g, ' ');
        if (words.trim() === '') continue;
        const families = familiesOf(own);
        const face = { weight: weightOf(own), italic: /italic|oblique/.test(own['font-style'] ?? '') };
        let found: ReturnType<SetWords>;
        for (const family of families) if (!found) found = set(words, { family, ...face });
        if (!found) {
          unknown.push({ words: words.trim(), family: families[0] ?? 'no named face' });
          continue;
        }
        const size = sizeOf(own);
        const place: Affine = compose(translation(penX, penY), scaling(size));
        chunk.push({ path: mapPath(found.path, place), style: own });
        penX += found.advance * size;
      }
    }
  };
  visit(element, style);
  finish();
  return { outlines, unknown };
}
