import { areApart, boundsOf, compose, IDENTITY, invert, mapPath, type Affine, type PathAlgebra, type Region } from '../../geometry';
import type { DrawingNode, Fill, Group } from './drawing';
import { numberOf } from './number-of';

const carvesAnything = (nodes: readonly DrawingNode[]): boolean =>
  nodes.some((node) => node.kind === 'group' && (node.carves !== undefined || node.shades !== undefined || carvesAnything(node.children)));

/** An area taken away, or a tone that falls there, and how many leaves were painted before it. */
interface Carving {
  readonly area: Region;
  readonly shade?: Fill;
  readonly map: Affine;
  readonly before: number;
}

/**
 * A drawing in which every area that a group carves is taken away from all that was painted before it, wherever that is, and every tone that it
 * throws lies on that and on nothing else: true holes and plain outlines, which every renderer shows alike. What is not reached stays the same object.
 * @param remember by a key that names outlines and how they lie to one another
 */
export function carved(groups: readonly Group[], paths: PathAlgebra, remember: <T>(key: string, make: () => T) => T): readonly Group[] {
  if (!carvesAnything(groups)) return groups;
  const carvings: Carving[] = [];
  let leaves = 0;
  const collect = (nodes: readonly DrawingNode[], map: Affine): void => {
    for (const node of nodes) {
      if (node.kind !== 'group') {
        leaves++;
        continue;
      }
      const own = compose(map, node.transform);
      if (node.carves && node.carves.path.verbs !== '') carvings.push({ area: node.carves, map: own, before: leaves });
      for (const shade of node.shades ?? []) carvings.push({ area: shade, shade, map: own, before: leaves });
      collect(node.children, own);
    }
  };
  collect(groups, IDENTITY);
  let leaf = 0;
  const cut = (nodes: readonly DrawingNode[], map: Affine): readonly DrawingNode[] => {
    let changed = false;
    const made = nodes.flatMap((node): readonly DrawingNode[] => {
      if (node.kind === 'group') {
        const children = cut(node.children, compose(map, node.transform));
        if (children === node.children && !node.carves && !node.shades) return [node];
        changed = true;
        const { carves: _carves, shades: _shades, ...group } = node;
        return [{ ...group, children }];
      }
      const index = leaf++;
      const mine = carvings.filter(({ before }) => before > index);
      const back = invert(map);
      if (mine.length === 0 || !back) return [node];
      let region: Region = node;
      let fallen: readonly Fill[] = [];
      for (const { area, shade, map: there } of mine) {
        const lies = compose(back, there);
        // What it does not reach stays as it is.
        if (areApart(boundsOf(region.path), boundsOf(area.path, lies))) continue;
        const met = (of: Region, how: 'intersect' | 'subtract'): Region =>
          remember(
            `${how} ${numberOf(of.path)} ${of.rule} ${numberOf(area.path)} ${Object.values(lies)
              .map((value: number) => value.toFixed(6))
              .join()}`,
            () => paths.combine(how, { path: of.path, rule: of.rule }, { path: mapPath(area.path, lies), rule: area.rule }),
          );
        if (shade) {
          const tone = met(region, 'intersect');
          if (tone.path.verbs !== '') fallen = [...fallen, { ...shade, ...tone, opacity: shade.opacity * node.opacity }];
        } else {
          region = met(region, 'subtract');
          // A hole goes through the tones that fell before it was cut.
          fallen = fallen.map((tone) => ({ ...tone, ...met(tone, 'subtract') })).filter(({ path }) => path.verbs !== '');
        }
      }
      if (region === node && fallen.length === 0) return [node];
      changed = true;
      return region.path.verbs === '' ? [] : [region === node ? node : { ...node, path: region.path, rule: region.rule }, ...fallen];
    });
    return changed ? made : nodes;
  };
  return cut(groups, IDENTITY) as readonly Group[];
}
