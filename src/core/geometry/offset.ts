import { islandsOf } from './islands';
import { translation } from './affine';
import { mapPath, type Path } from './path';
import type { Join, PathAlgebra, Region } from './region';

/** An area grown outward by a distance all around; as it is where the distance is none. */
export const grown = (region: Region, by: number, join: Join, paths: PathAlgebra): Region =>
  by <= 0 ? region : paths.grow(region, by, join);

/** An area drawn in from its edge by a distance all around. */
export const shrunk = (area: Region, by: number, paths: PathAlgebra, join: Join = 'round'): Region =>
  by <= 0 ? area : paths.combine('subtract', area, paths.band(area, 2 * by, join));

/** An area without its holes. */
export function withoutHoles(region: Region): Region {
  const solid: readonly Path[] = islandsOf(region).map((island) => island.solid);
  return { path: { verbs: solid.map(({ verbs }) => verbs).join(''), coords: solid.flatMap(({ coords }) => coords) }, rule: 'evenodd' };
}

/** Outlines that differ by less than this in any point, in the outline's unit, are grown once; far below what two libraries may differ by. */
const ALIKE = 1e-4;

/**
 * Everything that lies within a distance of any of the areas, as one area. Areas that are alike but for their place, as the same letter twice in a
 * word, are grown once.
 */
export function weldGrown(regions: readonly Region[], by: number, join: Join, paths: PathAlgebra): Region {
  const known = new Map<string, { readonly x: number; readonly y: number; readonly made: Region }>();
  const all = regions.map((region): Region => {
    const { verbs, coords } = region.path;
    const [x = 0, y = 0] = coords;
    const key = `${region.rule} ${verbs} ${coords.map((value, index) => Math.round((value - (index % 2 === 0 ? x : y)) / ALIKE)).join()}`;
    const before = known.get(key);
    if (before) return { path: mapPath(before.made.path, translation(x - before.x, y - before.y)), rule: before.made.rule };
    const made = grown(region, by, join, paths);
    known.set(key, { x, y, made });
    return made;
  });
  return paths.weld(all);
}
