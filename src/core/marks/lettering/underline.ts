import { boundsOf, mapPath, PathPen, type PathAlgebra, type Region } from '../../geometry';
import type { Typeface } from '../../type';
import type { FlatLetter } from './flat-text';

/** White that an underline keeps from descending letters, in 1/1000 em. */
const KEPT_PERMILLE = 35;

/** Where a font wants its underline, in 1/1000 em: the middle's depth below the baseline, and the thickness. @source ISO/IEC 14496-22, 5.2.9 "post", underlinePosition and underlineThickness */
export function underlineOf(face: Typeface, unitsPerEm: number): { readonly depth: number; readonly thickness: number } {
  const post = face.table('post');
  if (!post || post.length < 12) return { depth: 120, thickness: 50 };
  const view = new DataView(post.buffer, post.byteOffset, post.byteLength);
  const permille = 1000 / unitsPerEm;
  const thickness = Math.max(10, view.getInt16(10) * permille);
  // underlinePosition is the upper edge in the specification; many fonts give the middle, and the difference is half a thickness.
  return { depth: Math.max(thickness, -view.getInt16(8) * permille + thickness / 2), thickness };
}

/** Underlines of one line of flat text: one bar under each stretch of underlined letters, stopping short where a letter descends through it. */
export function underlines(
  letters: readonly FlatLetter[],
  paths: PathAlgebra,
): readonly { readonly region: Region; readonly first: FlatLetter }[] {
  const stretches: FlatLetter[][] = [];
  let open: FlatLetter[] | undefined;
  for (const letter of letters) {
    if (!letter.look?.underlined) open = undefined;
    else if (open) open.push(letter);
    else stretches.push((open = [letter]));
  }
  return stretches.map((stretch) => {
    const first = stretch[0] as FlatLetter;
    const last = stretch.at(-1) as FlatLetter;
    const { depth, thickness } = underlineOf(first.letter.face, first.letter.instance.metrics.unitsPerEm);
    const top = first.baseline + depth - thickness / 2;
    const bottom = top + thickness;
    let bar: Region = {
      path: new PathPen().move(first.left, top).line(last.right, top).line(last.right, bottom).line(first.left, bottom).close().path(),
      rule: 'nonzero',
    };
    for (const letter of letters) {
      const ink = boundsOf(letter.outline.path, letter.map);
      if (!ink || ink.bottom < top - KEPT_PERMILLE || ink.right < first.left || ink.left > last.right) continue;
      const outline: Region = { path: mapPath(letter.outline.path, letter.map), rule: 'nonzero' };
      bar = paths.combine('subtract', bar, paths.weld([outline, paths.band(outline, 2 * KEPT_PERMILLE, 'round')]));
    }
    return { region: bar, first };
  });
}
