import { islandsOf } from './islands';
import type { Path } from './path';
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
