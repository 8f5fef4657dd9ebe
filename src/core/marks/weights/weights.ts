import { apply, type Affine, type PathAlgebra, type Point, type Thickness } from '../../geometry';
import { walkNodes, type DrawingNode } from '../drawing/drawing';
import { outlineThickness } from './outline-thickness';
import type { ResolvedMark } from '../drawing/resolve';

/** How heavy one part is, in mark pixels. */
export interface PartWeight {
  readonly id: string;
  readonly medianPx: number;
  readonly thinnestPx: number;
  /** Where it is thinnest. */
  readonly at: Point;
}

/** How much a map enlarges, where it enlarges both ways alike. */
const scaleOf = (map: Affine): number => Math.sqrt(Math.abs(map.a * map.d - map.b * map.c));

/** The weights of all visible parts that have any, thinnest part first. */
export function weightsOf(mark: ResolvedMark, paths: PathAlgebra): readonly PartWeight[] {
  return mark.drawing.groups
    .flatMap((group): readonly PartWeight[] => {
      const found: { readonly thickness: Thickness; readonly map: Affine }[] = [];
      walkNodes<DrawingNode>([group], (node, { map }) => {
        const thickness = node.kind === 'fill' ? outlineThickness(node.path, node.rule, paths) : undefined;
        if (thickness) found.push({ thickness, map });
      });
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
