import { z } from 'zod';
import { boundsOf, heightOf, IDENTITY, mapPath, shrunk, widthOf, type PathAlgebra, type Region } from '../../geometry';
import { walkNodes } from '../drawing/drawing';
import { areaOfMember, cutTo, memberGroup, membersSchema, referMembers } from '../gathering/members';
import { partBase } from '../part-base';
import type { Member, PartKind } from '../part-kind';
import type { PaintedNode } from '../drawing/painted';

export const inlaySchema = z.strictObject({
  ...partBase,
  kind: z.literal('inlay'),
  /** The backmost is the container; the others show only inside of it. */
  members: membersSchema,
  showsContainer: z.boolean().default(true),
  /** How far inside of the container's edge the others end. */
  insetPx: z.number().min(0).max(1000).default(0),
});
export type Inlay = z.infer<typeof inlaySchema>;

/**
 * How far a container draws back under what covers its edge, as a share of its longer side: a pixel of a picture of 48. Two edges in one place
 * would let a hairline of the container's color through, since pixels at an edge are only partly covered by either.
 */
const DRAWN_BACK = 1 / 48;

/** What nodes cover wholly: nothing shows through. */
function covering(nodes: readonly PaintedNode[]): readonly Region[] {
  const found: Region[] = [];
  walkNodes(
    nodes,
    (leaf, { map }) => {
      if (leaf.opacity === 1 && !(leaf.kind === 'picture' && leaf.clear)) found.push({ path: mapPath(leaf.path, map), rule: leaf.rule });
    },
    { enters: ({ opacity, blend }) => opacity === 1 && blend === 'normal' },
  );
  return found;
}

/** The container without the edge of it that lies under what covers it. */
function drawnBack(container: Member, area: Region, cut: readonly PaintedNode[], paths: PathAlgebra): readonly PaintedNode[] {
  const box = boundsOf(area.path);
  const covers = covering(cut);
  if (!box || covers.length === 0 || container.opacity < 1 || container.blend !== 'normal') return container.nodes;
  const by = Math.max(widthOf(box), heightOf(box)) * DRAWN_BACK;
  // What covers it, without its own inner edges: there the container goes on under it.
  const inside = shrunk(paths.weld([paths.weld(covers), paths.combine('subtract', paths.grow(area, 4 * by, 'round'), area)]), by, paths);
  const hidden = paths.combine('intersect', paths.band(area, 2 * by, 'round'), inside);
  const rest = paths.combine('subtract', area, hidden);
  return cutTo(container.nodes, container.transform, rest, paths);
}

/** Parts that show only inside of another one: florals inside a letter. */
export const inlay: PartKind<typeof inlaySchema> = {
  schema: inlaySchema,
  label: 'Inlay',
  describe: (part) => `inlay · ${Math.max(0, part.members.length - 1)} inside`,
  refer: referMembers,
  draw: (part, { members, paths }) => {
    const [container, ...inside] = members;
    if (!container) return { nodes: [], notices: [] };
    const area = areaOfMember(container, paths);
    const edge = part.insetPx > 0 ? paths.combine('subtract', area, paths.band(area, 2 * part.insetPx, 'round')) : area;
    // Cut as outlines rather than masked, so that every file carries plain shapes.
    const cut = inside.map((member) => ({
      ...memberGroup(member),
      transform: IDENTITY,
      children: cutTo(member.nodes, member.transform, edge, paths),
    }));
    if (!part.showsContainer) return { nodes: cut, notices: [] };
    const back = part.insetPx > 0 ? container.nodes : drawnBack(container, area, cut, paths);
    const behind = back === container.nodes ? memberGroup(container) : { ...memberGroup(container), transform: IDENTITY, children: back };
    return { nodes: [behind, ...cut], notices: [] };
  },
};
