import { boundsOf, contoursOf, type Bounds, type PathAlgebra, type Region } from '../geometry';
import { areaOfRegion, bandFlattened, combineFlattened, growFlattened, weldFlattened } from './flattened';

/** What two libraries may differ by, as a share of the areas that went in. */
const ALIKE = 0.0005;
/** Joins that are cut off far out differ a little between libraries; a lost piece or a filled counter differs by much more. */
const ALIKE_JOINS = 0.004;
/** Outlines of more verbs than this are looked at in their areas only by what costs little. */
const MOST_VERBS = 12_000;

const verbsOf = (regions: readonly Region[]): number => regions.reduce((sum, { path }) => sum + path.verbs.length, 0);
const apart = (a: Bounds | undefined, b: Bounds | undefined): boolean =>
  !a || !b || a.right < b.left || b.right < a.left || a.bottom < b.top || b.bottom < a.top;
const isClosed = ({ path }: Region): boolean => contoursOf(path).every(({ verbs }) => verbs.endsWith('Z'));

/**
 * Path algebra whose results are held against a second library: near-equal outlines, edges that coincide and very tight turns are combined
 * or offset wrongly now and then without a word. Where the areas differ, the second library's fine polygons are taken instead of the curves.
 * @source the bound: areas agree within 0.05 % of what went in (combining, welding), 0.4 % (bands with cut joins)
 */
export function checkedAlgebra(fast: PathAlgebra): PathAlgebra {
  return {
    combine: (how, one, other) => {
      const made = fast.combine(how, one, other);
      if (verbsOf([one, other]) > MOST_VERBS || apart(boundsOf(one.path), boundsOf(other.path))) return made;
      const checked = combineFlattened(how, one, other);
      const whole = areaOfRegion(one) + areaOfRegion(other);
      return Math.abs(areaOfRegion(made) - areaOfRegion(checked)) <= ALIKE * whole ? made : checked;
    },
    weld: (regions) => {
      const made = fast.weld(regions);
      if (verbsOf(regions) > MOST_VERBS) return made;
      // What is welded covers at least the largest and at most all of what went in; the exact area is only looked for where it could be less.
      const parts = regions.map((region) => areaOfRegion(region));
      const [most, all, is] = [Math.max(0, ...parts), parts.reduce((sum, area) => sum + area, 0), areaOfRegion(made)];
      if (regions.length < 2 && Math.abs(is - all) <= ALIKE * all) return made;
      if (is < most * (1 - ALIKE) || is > all * (1 + ALIKE) || regions.length < 2) return weldFlattened(regions);
      const checked = weldFlattened(regions);
      return Math.abs(is - areaOfRegion(checked)) <= ALIKE * all ? made : checked;
    },
    grow: (region, by, join) => {
      const made = fast.grow(region, by, join);
      if (join === 'round' || verbsOf([region]) > MOST_VERBS || !isClosed(region)) return made;
      const checked = growFlattened(region, by, join);
      return Math.abs(areaOfRegion(made) - areaOfRegion(checked)) <= ALIKE_JOINS * areaOfRegion(checked) ? made : checked;
    },
    band: (region, width, join, cap) => {
      const made = fast.band(region, width, join, cap);
      if (join === 'round' || verbsOf([region]) > MOST_VERBS || !isClosed(region)) return made;
      const checked = bandFlattened(region, width, join);
      return Math.abs(areaOfRegion(made) - areaOfRegion(checked)) <= ALIKE_JOINS * areaOfRegion(checked) ? made : checked;
    },
  };
}
