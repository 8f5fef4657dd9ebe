import { converter } from 'culori';
import type { Hex } from '../../color/hex';
import { mapPath, framePath, type PathAlgebra, type Region } from '../../geometry';
import { pathData } from '../../output/path-data';
import { walkNodes, type Drawing, type DrawingNode, type Fill, type Spot } from '../drawing/drawing';

const oklab = converter('oklab');

/** A color as OKLab sees it. */
export interface Lab {
  readonly l: number;
  readonly a: number;
  readonly b: number;
}
export const labOf = (color: Hex): Lab => {
  const { l, a, b } = oklab(color) ?? { l: 0, a: 0, b: 0 };
  return { l, a, b };
};
export const distanceOf = (one: Lab, other: Lab): number => Math.hypot(one.l - other.l, one.a - other.a, one.b - other.b);

/** One filled outline where it stands in the mark. */
export interface Leaf extends Region {
  /** Which unit it belongs to. */
  readonly unit: number;
  readonly color: Lab;
  /** Of itself and all around it, multiplied. */
  readonly opacity: number;
}

/** What is decided as one: everything of one color in one part, all copies of a symmetry together. */
export interface Unit {
  readonly index: number;
  /** The part as the designer knows it. */
  readonly part: string;
  readonly color: Lab;
  readonly isText: boolean;
  /** What a treatment says becomes of it, whatever is seen. */
  readonly fixed?: 'hatched' | 'open';
}

/** Fainter than this is left out: it would be a guess whether it is there. */
export const FAINTEST = 0.12;

const meanOf = (fill: Fill): Lab => {
  if (!fill.gradient || fill.gradient.stops.length === 0) return labOf(fill.color);
  const labs = fill.gradient.stops.map((stop) => labOf(stop.color));
  const mean = (key: keyof Lab) => labs.reduce((sum, lab) => sum + lab[key], 0) / labs.length;
  return { l: mean('l'), a: mean('a'), b: mean('b') };
};

export interface Leaves {
  /** Back to front. */
  readonly leaves: readonly Leaf[];
  readonly units: readonly Unit[];
  /** Parts whose pictures are no outline: they cannot be in one color. */
  readonly pictures: readonly string[];
}

/** What of one part is decided as one: what has one color; of a gradient every outline by itself, but for pieces of one that bends. */
function keyOf({ gradient, path, color }: Fill, around: Spot['around']): string {
  if (!gradient) return color;
  if (!around.some(({ group }) => group.pieces)) return pathData(path).slice(0, 80);
  return gradient.stops.map((stop) => `${stop.color}${stop.opacity}`).sort().join(); // prettier-ignore
}

/** Copies of a symmetry carry names of their own around the members’, and members of further copies a number behind theirs. */
const partNamed = (group: string, outer: string): string =>
  group === '' || /^copy-\d+-of-/.test(group) ? outer : group.replace(/~\d+$/, '');
/** The part that something drawn is of, by the groups around it. */
export const partAround = (around: Spot['around']): string => around.reduce((name, { group }) => partNamed(group.id, name), '');

/**
 * The outlines of a drawing where they stand, and what is decided as one.
 * @param isText whether a part is set in letters
 * @param isOut whether a part is to be left out
 */
export function leavesOf(
  drawing: Drawing,
  paths: PathAlgebra,
  isText: (part: string) => boolean,
  isOut: (part: string) => boolean,
): Leaves {
  const leaves: Leaf[] = [];
  const units: Unit[] = [];
  const byKey = new Map<string, number>();
  const pictures = new Set<string>();
  const unitOf = (part: string, color: Lab, key: string, fixed: Unit['fixed']): number => {
    const full = `${part} ${key} ${fixed ?? ''}`;
    const known = byKey.get(full);
    if (known !== undefined) return known;
    byKey.set(full, units.length);
    units.push({ index: units.length, part, color, isText: isText(part), ...(fixed ? { fixed } : {}) });
    return units.length - 1;
  };
  const clipped = (region: Region, clips: readonly Region[]): Region =>
    clips.reduce((kept, clip) => paths.combine('intersect', kept, clip), region);
  walkNodes<DrawingNode>(
    drawing.groups,
    (node, { map, around }) => {
      const seen = around.reduce((sum, { group }) => sum * group.opacity, node.opacity);
      if (seen < FAINTEST || node.path.verbs === '') return;
      const part = partAround(around);
      const said = around.flatMap(({ group: { oneColor } }) => oneColor ?? []).at(-1);
      const fixed = said === 'dropped' ? undefined : said;
      const clips = around.flatMap(({ group: { clip }, map: there }) =>
        clip ? [{ path: mapPath(clip.path, there), rule: clip.rule }] : [],
      );
      const region = clipped({ path: mapPath(node.path, map), rule: node.rule }, clips);
      if (region.path.verbs === '') return;
      if (node.kind === 'picture') {
        // A picture that was cut to a shape stands for it as a silhouette; a whole frame would be a box.
        if (pathData(node.path) === pathData(framePath(node.map))) {
          pictures.add(part);
          return;
        }
        const color = { l: 0.4, a: 0, b: 0 };
        leaves.push({ ...region, unit: unitOf(part, color, 'picture', fixed), color, opacity: seen });
      } else {
        const color = meanOf(node);
        leaves.push({
          ...region,
          unit: unitOf(part, color, keyOf(node, around), fixed),
          color,
          opacity: seen,
        });
      }
    },
    { enters: ({ id, oneColor }) => oneColor !== 'dropped' && !isOut(partNamed(id, '')) },
  );
  return { leaves, units, pictures: [...pictures] };
}
