import { coverageOf } from '../../fields';
import {
  boundsOf,
  compose,
  contoursNear,
  gridOver,
  IDENTITY,
  invert,
  mapPath,
  type Affine,
  type PathAlgebra,
  type Region,
} from '../../geometry';
import type { Bent } from '../drawing/laid';
import { runsAlong, runsAround, type ColorRun } from './color-runs';
import { foundOnce } from './found-once';

const runsOf = foundOnce<readonly ColorRun[]>();
const waysOf = foundOnce<readonly ColorRun[]>();

/** An outline that lies in another one, but for this share of its area, is a part of it. */
const BEYOND = 0.005;
/** Cells along its longer side by which that is seen. */
const CELLS = 120;

function isWithin(inner: Region, outer: Region): boolean {
  const box = boundsOf(inner.path);
  if (!box) return true;
  const grid = gridOver(box, CELLS);
  const [own, around] = [coverageOf(inner, grid), coverageOf(outer, grid)];
  let [all, beyond] = [0, 0];
  own.forEach((cover, cell) => {
    all += cover;
    beyond += Math.max(0, cover - (around[cell] as number));
  });
  return beyond <= BEYOND * all;
}

/**
 * The pieces of colors that bend, over an outline that may have been cut, moved or roughened since it was painted.
 * @param area the fill's outline as it is by now
 * @param lies the map of its gradient as it is by now
 * @returns pieces in the fill's plane, back to front
 */
export function bentRuns(area: Region, lies: Affine, bent: Bent, paths: PathAlgebra): readonly ColorRun[] {
  const { form, over, opaque, from, to, map, drawn, outline } = bent;
  const before = invert(drawn);
  const moved = before ? compose(lies, before) : IDENTITY;
  const unmoved = invert(moved);
  const back = invert(map);
  if (!unmoved || !back) return [];
  const [there, home] = [compose(map, unmoved), compose(moved, back)];
  return runsOf(area.path, JSON.stringify([area.rule, form, over, opaque, from, to, there]), () => {
    const here: Region = { path: mapPath(area.path, there), rule: area.rule };
    const runs =
      form === 'around'
        ? runsAround(here, { middle: from, toward: to, over, opaque }, paths)
        : waysThrough(here, area.path === outline.path, bent, paths);
    return runs.map((run) => ({
      ...run,
      region: { path: mapPath(run.region.path, home), rule: run.region.rule },
      map: compose(home, run.map),
    }));
  });
}

/** Colors along strokes: of those that were painted, as far as what is there by now is a part of them. */
function waysThrough(here: Region, same: boolean, { outline, map, from, to, opaque }: Bent, paths: PathAlgebra): readonly ColorRun[] {
  const painted: Region = { path: mapPath(outline.path, map), rule: outline.rule };
  const ways = () => waysOf(outline.path, JSON.stringify([map, from, to, opaque]), () => runsAlong(painted, { from, to, opaque }, paths));
  if (same) return ways();
  if (!isWithin(here, painted)) return runsAlong(here, { from, to, opaque }, paths);
  const near = contoursNear(here);
  return ways().flatMap((run): readonly ColorRun[] => {
    const box = boundsOf(run.region.path);
    if (!box) return [];
    const region = paths.combine('intersect', run.region, near(box));
    return region.path.verbs === '' ? [] : [{ ...run, region }];
  });
}
