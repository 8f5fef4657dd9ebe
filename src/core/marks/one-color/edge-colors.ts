import { formatHex } from 'culori';
import type { Hex } from '../../color/hex';
import type { Palette } from '../../color/palette';
import { boundsOf, gridOver, unite, type Bounds, type PathAlgebra } from '../../geometry';
import type { ResolvedMark } from '../drawing/resolve';
import { BUFFER_CELLS, itemBuffer } from './item-buffer';
import { labsOfPalette } from './palette-labs';
import { leavesOf } from './units';

/** A color that meets what the mark stands on. */
export interface EdgeColor {
  readonly part: string;
  readonly hex: Hex;
  /** Share of the mark's outer edge. */
  readonly share: number;
}

/** The colors along a mark's outer edge, in full color, largest share first: what has to stand out from a ground; what lies on other parts does not. */
export function edgeColors(mark: ResolvedMark, palette: Palette, paths: PathAlgebra): readonly EdgeColor[] {
  const { leaves, units } = leavesOf(
    mark.drawing,
    paths,
    () => false,
    () => false,
  );
  const box = leaves.reduce<Bounds | undefined>((sum, { path }) => unite(sum, boundsOf(path)), undefined);
  if (!box) return [];
  const { paper, ink } = labsOfPalette(palette);
  const { borders, units: seen } = itemBuffer(leaves, units, gridOver(box, BUFFER_CELLS), paper, ink);
  const lengths = new Map<number, number>();
  for (const { one, other, length } of borders) {
    if (one >= 0 && other >= 0) continue;
    const unit = Math.max(one, other);
    lengths.set(unit, (lengths.get(unit) ?? 0) + length);
  }
  const all = [...lengths.values()].reduce((sum, length) => sum + length, 0);
  return [...lengths]
    .flatMap(([index, length]) => {
      const unit = seen[index];
      return unit ? [{ part: unit.part, hex: formatHex({ mode: 'oklab', ...unit.seen }) as Hex, share: length / all }] : [];
    })
    .sort((one, other) => other.share - one.share);
}
