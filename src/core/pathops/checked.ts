import { areApart, boundsOf, contoursOf, type Join, type PathAlgebra, type Region } from '../geometry';
import {
  areaByNesting,
  areaOfRegion,
  bandByDefinition,
  bandFlattened,
  combineFlattened,
  growByDefinition,
  growFlattened,
  weldFlattened,
} from './flattened';
import { growthHolds } from './offset-holds';

/** What two libraries may differ by, as a share of the areas that went in. */
const ALIKE = 0.0005;
/** So fine that no chord of a curve turns as much as a corner does, and that small rings keep their area: in the outline's unit. */
const FINE_JOINS = 0.002;
/** So finely areas are looked at a second time that seemed to differ. */
const FINELY = 0.003;
/** Distances at which an offset that went wrong is tried again: the area moves by less than the libraries may differ by. */
const NUDGES = [1, 1 + 2e-4, 1 - 2e-4, 1 + 4e-4];
/** Outlines of more verbs than this are looked at in their areas only by what costs little. */
const MOST_VERBS = 12_000;

const verbsOf = (regions: readonly Region[]): number => regions.reduce((sum, { path }) => sum + path.verbs.length, 0);
/** Whether an area is as large as the checked one: by what costs little, where that is enough to say so. */
const alike = (made: Region, checked: Region, fine?: number): boolean => {
  const wanted = areaOfRegion(checked, fine);
  const isThat = (area: number): boolean => Math.abs(area - wanted) <= ALIKE * wanted;
  const quick = areaByNesting(made, fine);
  return (quick !== undefined && isThat(quick)) || isThat(areaOfRegion(made, fine));
};
/** Of polygons of one area the ones of fewer chords, where those lose no more than libraries may differ by: what is combined again and again would grow. */
const fewest = (coarse: Region, fine: Region): Region =>
  Math.abs(areaOfRegion(coarse) - areaOfRegion(fine, FINELY)) <= ALIKE * areaOfRegion(fine, FINELY) ? coarse : fine;
const isClosed = ({ path }: Region): boolean => contoursOf(path).every(({ verbs }) => verbs.endsWith('Z'));

/**
 * Path algebra whose results are held against a second library: near-equal outlines, edges that coincide and very tight turns are combined
 * or offset wrongly now and then without a word. Where the areas differ, the second library's fine polygons are taken instead of the curves.
 *
 * @source the bound: areas agree within 0.05 % of what went in; of what comes out, where areas are welded
 */
export function checkedAlgebra(fast: PathAlgebra): PathAlgebra {
  return {
    unchecked: fast,
    combine: (how, one, other) => {
      const made = fast.combine(how, one, other);
      if (verbsOf([one, other]) > MOST_VERBS || areApart(boundsOf(one.path), boundsOf(other.path))) return made;
      const checked = combineFlattened(how, one, other);
      if (alike(made, checked)) return made;
      const whole = areaOfRegion(one) + areaOfRegion(other);
      if (Math.abs(areaOfRegion(made) - areaOfRegion(checked)) <= ALIKE * whole) return made;
      // Of many thin pieces, chords lose as much as libraries may differ by: looked at again more finely, before the polygons are taken.
      const finely = combineFlattened(how, one, other, FINELY);
      return Math.abs(areaOfRegion(made, FINELY) - areaOfRegion(finely, FINELY)) <= ALIKE * whole ? made : fewest(checked, finely);
    },
    weld: (regions) => {
      const made = fast.weld(regions);
      if (verbsOf(regions) > MOST_VERBS) return made;
      const [first] = regions;
      if (regions.length < 2) return !first || alike(made, first) ? made : weldFlattened(regions);
      const checked = weldFlattened(regions);
      if (alike(made, checked)) return made;
      // What is welded covers at least the largest and at most all of what went in.
      const parts = regions.map((region) => areaOfRegion(region));
      const [most, all, is] = [Math.max(0, ...parts), parts.reduce((sum, area) => sum + area, 0), areaOfRegion(made)];
      if (is < most * (1 - ALIKE) || is > all * (1 + ALIKE)) return checked;
      const finely = weldFlattened(regions, FINELY);
      return alike(made, finely, FINELY) ? made : fewest(checked, finely);
    },
    grow: (region, by, join) =>
      grownSurely(fast, region, by, join) ??
      held(
        region,
        (nudge) => fast.grow(region, by * nudge, join),
        () => growFlattened(region, by, join),
        () => (join === 'round' ? growFlattened(region, by, join, FINE_JOINS) : growByDefinition(region, by, join, FINE_JOINS)),
      ),
    band: (region, width, join, cap) =>
      held(
        region,
        (nudge) => fast.band(region, width * nudge, join, cap),
        () => bandFlattened(region, width, join),
        () => (join === 'round' ? bandFlattened(region, width, join, FINE_JOINS) : bandByDefinition(region, width, join, FINE_JOINS)),
      ),
  };
}

/** An area grown with round joins, where the definition itself says that it is right. */
function grownSurely(fast: PathAlgebra, region: Region, by: number, join: Join): Region | undefined {
  if (join !== 'round' || by <= 0 || verbsOf([region]) > MOST_VERBS || !isClosed(region)) return undefined;
  const made = fast.grow(region, by, join);
  return growthHolds(region, made, by, ALIKE) ? made : undefined;
}

/**
 * An offset that agrees with a second library, in curves where there is one: what goes wrong at one distance seldom does at a distance a
 * hair away. Libraries cut far miters off differently, so that the definition of a stroke judges where they differ, and stands in the end.
 */
function held(region: Region, make: (nudge: number) => Region, check: () => Region, judge: () => Region): Region {
  const made = make(1);
  if (verbsOf([region]) > MOST_VERBS || !isClosed(region) || alike(made, check())) return made;
  const judged = judge();
  for (const nudge of NUDGES) {
    const tried = nudge === 1 ? made : make(nudge);
    if (alike(tried, judged, FINE_JOINS)) return tried;
  }
  return judged;
}
