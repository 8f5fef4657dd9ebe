import { compose, IDENTITY, mapPath, type Affine, type PathAlgebra, type Region } from '../../geometry';
import { z } from 'zod';
import { walkNodes } from '../drawing/drawing';
import type { Paint } from '../drawing/paint';
import { partIdSchema } from '../part-base';
import type { Member, Referring } from '../part-kind';
import { movedPaint, type PaintedGroup, type PaintedNode } from '../drawing/painted';

/** Most parts that one part draws in their place. */
const MOST_MEMBERS = 200;

/** The parts that a part draws in their place, by id; their order is the recipe's. */
export const membersSchema = z.array(partIdSchema).max(MOST_MEMBERS);

/** A taker with its members put through `to`; those that are let go are left out. */
export const referMembers = <P extends { readonly members: readonly string[] }>(part: P, to: Referring): P => ({
  ...part,
  members: part.members.flatMap((id) => to(id, 'takes') ?? []),
});

/** A member as a group in its taker's picture. @param suffix tells the copies of one member apart */
export const memberGroup = ({ id, nodes, transform, opacity, blend }: Member, suffix = ''): PaintedGroup => ({
  kind: 'group',
  id: id + suffix,
  transform,
  opacity,
  blend,
  children: nodes,
});

function collect(nodes: readonly PaintedNode[], map: Affine, paths: PathAlgebra): readonly Region[] {
  return nodes.flatMap((node): readonly Region[] => {
    if (node.kind !== 'group') return [{ path: mapPath(node.path, map), rule: node.rule }];
    const inner = compose(map, node.transform);
    const found = collect(node.body ?? node.children, inner, paths);
    if (!node.clip || found.length === 0) return found;
    const clip: Region = { path: mapPath(node.clip.path, inner), rule: node.clip.rule };
    return [paths.combine('intersect', paths.weld(found), clip)];
  });
}

/** The outlines of a member one by one, in the mark's pixels. */
export const outlinesOfMember = ({ nodes, transform }: Pick<Member, 'nodes' | 'transform'>, paths: PathAlgebra): readonly Region[] =>
  collect(nodes, transform, paths);

const welded = new WeakMap<readonly PaintedNode[], Region>();

/** All that a member inks, as one area in the mark's pixels; welded once for each picture, wherever it stands. */
export function areaOfMember({ nodes, transform }: Pick<Member, 'nodes' | 'transform'>, paths: PathAlgebra): Region {
  const kept = welded.get(nodes) ?? paths.weld(collect(nodes, IDENTITY, paths));
  welded.set(nodes, kept);
  return { path: mapPath(kept.path, transform), rule: kept.rule };
}

/** Nodes with everything outside of an area cut off, as plain outlines in the area's plane rather than as masks. @param map from the nodes' plane to the area's */
export function cutTo(nodes: readonly PaintedNode[], map: Affine, area: Region, paths: PathAlgebra): readonly PaintedNode[] {
  return nodes.flatMap((node): readonly PaintedNode[] => {
    if (node.kind === 'group') {
      const own = compose(map, node.transform);
      const inside = (children: readonly PaintedNode[]) => cutTo(children, own, area, paths);
      const { carves: _carves, shades: _shades, body, clip, ...group } = node;
      const children = inside(node.children);
      // What says nothing of itself is left behind.
      if (!body && !clip && !group.oneColor && group.opacity === 1 && group.blend === 'normal') return children;
      return [
        {
          ...group,
          transform: IDENTITY,
          ...(clip ? { clip: { ...clip, path: mapPath(clip.path, own) } } : {}),
          ...(body ? { body: inside(body) } : {}),
          children,
        },
      ];
    }
    const { path, rule } = paths.combine('intersect', areaOfMember({ nodes: [node], transform: map }, paths), area);
    if (path.verbs === '') return [];
    if (node.kind === 'picture') return [{ ...node, map: compose(map, node.map), path, rule }];
    return [{ ...movedPaint(node, map), path, rule }];
  });
}

/** What a member is painted with: the paint of its backmost fill. */
export function paintOfMember({ nodes }: Pick<Member, 'nodes'>): Paint | undefined {
  let found: Paint | undefined;
  walkNodes(nodes, (node) => {
    if (node.kind === 'fill') found ??= node.paint;
  });
  return found;
}
