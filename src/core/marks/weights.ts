import { apply, compose, flatten, thicknessOf, type Affine, type Path, type PathAlgebra, type Point, type Thickness } from '../geometry';
import type { DrawingNode } from './drawing';
import type { ResolvedMark } from './resolve';

/** How heavy one part is, in mark pixels. */
export interface PartWeight {
  readonly id: string;
  readonly medianPx: number;
  readonly thinnestPx: number;
  /** Where it is thinnest. */
  readonly at: Point;
}

/** Outlines are flattened to this share of their size before strokes are measured. */
const FINE = 1 / 4000;

const known = new WeakMap<Path, { readonly thickness: Thickness | undefined }>();

/** Thickness over one outline, in its own pixels; measured once for each outline. */
export function outlineThickness(path: Path, rule: 'nonzero' | 'evenodd', paths: PathAlgebra): Thickness | undefined {
  const kept = known.get(path);
  if (kept) return kept.thickness;
  const welded = paths.weld([{ path, rule }]).path;
  let size = 0;
  for (const value of welded.coords) size = Math.max(size, Math.abs(value));
  const thickness = thicknessOf(flatten(welded, Math.max(1e-4, size * FINE)));
  known.set(path, { thickness });
  return thickness;
}

/** How much a map enlarges, where it enlarges both ways alike. */
const scaleOf = (map: Affine): number => Math.sqrt(Math.abs(map.a * map.d - map.b * map.c));

/** The weights of all visible parts that have any, thinnest part first. */
export function weightsOf(mark: ResolvedMark, paths: PathAlgebra): readonly PartWeight[] {
  return mark.drawing.groups
    .flatMap((group): readonly PartWeight[] => {
      const found: { readonly thickness: Thickness; readonly map: Affine }[] = [];
      const collect = (nodes: readonly DrawingNode[], map: Affine): void => {
        for (const node of nodes) {
          if (node.kind === 'group') collect(node.children, compose(map, node.transform));
          else {
            const thickness = outlineThickness(node.path, node.rule, paths);
            if (thickness) found.push({ thickness, map });
          }
        }
      };
      collect(group.children, group.transform);
      const thinnest = found.reduce<(typeof found)[number] | undefined>(
        (least, each) =>
          !least || each.thickness.thinnest.thickness * scaleOf(each.map) < least.thickness.thinnest.thickness * scaleOf(least.map)
            ? each
            : least,
        undefined,
      );
      if (!thinnest) return [];
      const medians = found.map(({ thickness, map }) => thickness.median * scaleOf(map)).sort((one, other) => one - other);
      return [
        {
          id: group.id,
          medianPx: medians[Math.floor(medians.length / 2)] as number,
          thinnestPx: thinnest.thickness.thinnest.thickness * scaleOf(thinnest.map),
          at: apply(thinnest.map, thinnest.thickness.thinnest.at),
        },
      ];
    })
    .sort((one, other) => one.thinnestPx - other.thinnestPx);
}
