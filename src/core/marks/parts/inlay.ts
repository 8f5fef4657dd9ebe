import { z } from 'zod';
import { compose as composed } from '../../geometry';
import { areaOfMember, memberGroup, membersSchema } from '../gathering';
import { partBase } from '../part-base';
import type { PartKind } from '../part-kind';

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

/** Parts that show only inside of another one: florals inside a letter. */
export const inlay: PartKind<typeof inlaySchema> = {
  schema: inlaySchema,
  label: 'Inlay',
  describe: (part) => `inlay · ${Math.max(0, part.members.length - 1)} inside`,
  takes: (part) => part.members,
  draw: (part, { members, paths }) => {
    const [container, ...inside] = members;
    if (!container) return { nodes: [], notices: [] };
    const area = areaOfMember(container, paths);
    const edge = part.insetPx > 0 ? paths.combine('subtract', area, paths.band(area, 2 * part.insetPx, 'round')) : area;
    // Cut as outlines rather than masked, so that every file carries plain shapes.
    const cut = inside.map((member) => {
      const group = memberGroup(member);
      return { ...group, transform: { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 }, children: clipped(member) };
    });
    function clipped({ nodes, transform }: (typeof members)[number]) {
      const fills = (
        list: typeof nodes,
        map: typeof transform,
      ): readonly { readonly path: typeof area; readonly node: Extract<(typeof nodes)[number], { kind: 'fill' }> }[] =>
        list.flatMap((node) =>
          node.kind === 'fill'
            ? [{ path: areaOfMember({ nodes: [node], transform: map }, paths), node }]
            : fills(node.children, composed(map, node.transform)),
        );
      return fills(nodes, transform).flatMap(({ path, node }) => {
        const kept = paths.combine('intersect', path, edge);
        return kept.path.verbs === '' ? [] : [{ ...node, path: kept.path, rule: kept.rule }];
      });
    }
    return { nodes: [...(part.showsContainer ? [memberGroup(container)] : []), ...cut], notices: [] };
  },
};
