import { areApart, boundsOf, unite, type Bounds } from './bounds';
import { EMPTY_PATH, joinPaths } from './path';
import type { PathAlgebra, Region } from './region';

interface Boxed {
  readonly region: Region;
  readonly box: Bounds;
}

/**
 * Everything that any of many areas covers, filled by even and odd. Areas are united two at a time, which holds where contours run both ways, and by
 * halves of the plane, so that every outline takes part in few unions (log n of them, not n); halves whose boxes stay apart are laid beside each other.
 */
export function united(regions: readonly Region[], paths: PathAlgebra): Region {
  const boxed = regions.flatMap((region): Boxed[] => {
    const box = boundsOf(region.path);
    return box ? [{ region: region.rule === 'evenodd' ? region : paths.weld([region]), box }] : [];
  });
  return boxed.length === 0 ? { path: EMPTY_PATH, rule: 'evenodd' } : halved(boxed, paths).region;
}

function halved(all: readonly Boxed[], paths: PathAlgebra): Boxed {
  const [only] = all;
  if (only && all.length === 1) return only;
  const around = all.reduce<Bounds | undefined>((sum, { box }) => unite(sum, box), undefined) as Bounds;
  const middleOf =
    around.right - around.left > around.bottom - around.top
      ? ({ box }: Boxed) => box.left + box.right
      : ({ box }: Boxed) => box.top + box.bottom;
  const sorted = [...all].sort((a, b) => middleOf(a) - middleOf(b));
  const half = Math.ceil(sorted.length / 2);
  const [one, other] = [halved(sorted.slice(0, half), paths), halved(sorted.slice(half), paths)];
  const region: Region = areApart(one.box, other.box)
    ? { path: joinPaths([one.region.path, other.region.path]), rule: 'evenodd' }
    : paths.combine('unite', one.region, other.region);
  return { region, box: around };
}
