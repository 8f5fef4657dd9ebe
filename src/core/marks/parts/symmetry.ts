import { z } from 'zod';
import {
  compose,
  IDENTITY,
  mapPath,
  polygonPath,
  rotation,
  translation,
  unite,
  widthOf,
  heightOf,
  type Affine,
  type Bounds,
  type PathAlgebra,
  type Region,
} from '../../geometry';
import { cutTo, memberGroup, membersSchema, referMembers } from '../gathering/members';
import { partBase } from '../part-base';
import type { Member, PartKind } from '../part-kind';
import type { PaintedFill, PaintedGroup, PaintedNode } from '../drawing/painted';
import { SYMMETRIES, symmetryRow, type SymmetryRule } from '../symmetries';

const coordinate = z.number().min(-100_000).max(100_000);

export const symmetrySchema = z.strictObject({
  ...partBase,
  kind: z.literal('symmetry'),
  members: membersSchema,
  rule: z.enum(SYMMETRIES),
  /** Where the mirrors cross, or what the copies stand around. */
  centerX: coordinate.default(0),
  centerY: coordinate.default(0),
  /** Direction of the (first) mirror; 90 is upright. */
  axisDeg: z.number().min(-360).max(360).default(90),
  count: z.number().int().min(2).max(120).default(6),
  /** Around: whether copies turn with their place. */
  turning: z.boolean().default(true),
  /** Along, and in columns and rows: from one to the next. */
  stepX: coordinate.default(60),
  stepY: coordinate.default(0),
  columns: z.number().int().min(1).max(60).default(3),
  rows: z.number().int().min(1).max(60).default(3),
  /** How far every other row is moved along, of a step. */
  shiftPercent: z.number().min(-100).max(100).default(0),
  /** Mirrors: whether everything beyond a mirror is cut off before it is mirrored. */
  crop: z.boolean().default(false),
  /** Copies that were released and go their own way, by number; 0, the one that is edited, always stays. */
  released: z.array(z.number().int().min(1).max(119)).max(119).default([]),
});
export type Symmetry = z.infer<typeof symmetrySchema>;

export const symmetryLabel = (rule: SymmetryRule): string => symmetryRow(rule).label;

/** Where all copies stand, the edited one first; released ones included. @param ink of what is repeated */
export const copiesOf = (part: Symmetry, ink: Bounds | undefined): readonly Affine[] => symmetryRow(part.rule).copies(part, ink);

/** The half or quarter of the plane that mirrors keep: the one in which most of the ink lies. */
function keptPlane(part: Symmetry, ink: Bounds): Region {
  const far =
    4 * (Math.abs(part.centerX) + Math.abs(part.centerY) + widthOf(ink) + heightOf(ink) + Math.abs(ink.left) + Math.abs(ink.top)) + 1000;
  const turn = (part.axisDeg * Math.PI) / 180;
  const [dx, dy] = [(ink.left + ink.right) / 2 - part.centerX, (ink.top + ink.bottom) / 2 - part.centerY];
  const side = dy * Math.cos(turn) - dx * Math.sin(turn) >= 0 ? 1 : -1;
  const along = dx * Math.cos(turn) + dy * Math.sin(turn) >= 0 ? 1 : -1;
  const [from, to] = symmetryRow(part.rule).mirrors === 1 ? [-far, far] : along > 0 ? [0, far] : [-far, 0];
  const box = polygonPath([
    { x: from, y: 0 },
    { x: to, y: 0 },
    { x: to, y: side * far },
    { x: from, y: side * far },
  ]);
  return { path: mapPath(box, compose(translation(part.centerX, part.centerY), rotation(part.axisDeg))), rule: 'nonzero' };
}

const cropped = (member: Member, plane: Region, paths: PathAlgebra): Member => ({
  ...member,
  transform: IDENTITY,
  nodes: cutTo(member.nodes, member.transform, plane, paths),
});

const isPlain = (node: PaintedNode | undefined): node is PaintedFill => node?.kind === 'fill' && !node.gradient;

/** Nodes of every copy and where it stands, plain outlines that all copies have as one outline each. */
function joined(
  copies: readonly { readonly at: Affine; readonly nodes: readonly PaintedNode[] }[],
  paths: PathAlgebra,
): readonly PaintedNode[] {
  const most = Math.max(...copies.map(({ nodes }) => nodes.length));
  return Array.from({ length: most }, (_, index): readonly PaintedNode[] => {
    const own = copies.flatMap(({ at, nodes }) => {
      const node = nodes[index];
      return node ? [{ at, node }] : [];
    });
    const [first] = own;
    if (first && isPlain(first.node) && own.every(({ node }) => isPlain(node)))
      return [
        {
          ...first.node,
          ...paths.weld(own.flatMap(({ at, node }) => (isPlain(node) ? [{ path: mapPath(node.path, at), rule: node.rule }] : []))),
        },
      ];
    return own.map(({ at, node }, copy) => ({
      kind: 'group',
      id: `copy-${copy}-of-${index}`,
      transform: at,
      opacity: 1,
      blend: 'normal',
      children: [node],
    }));
  }).flat();
}

/** A live set: one member is edited, all others are exact images of it. */
export const symmetry: PartKind<typeof symmetrySchema> = {
  schema: symmetrySchema,
  label: 'Symmetry',
  called: ({ rule }) => symmetryLabel(rule).replace(/^./, (letter) => letter.toUpperCase()),
  describe: (part) => `${symmetryLabel(part.rule)}${symmetryRow(part.rule).mirrors ? '' : ` · ${part.count}`}`,
  refer: referMembers,
  copies: true,
  draw: (part, { members, membersAt, paths }) => {
    const ink = members.reduce<Bounds | undefined>((sum, member) => unite(sum, member.ink), undefined);
    const { mirrors } = symmetryRow(part.rule);
    const crops = part.crop && mirrors !== undefined && ink !== undefined;
    const cut = (of: readonly Member[]) => (crops ? of.map((member) => cropped(member, keptPlane(part, ink), paths)) : of);
    const same = cut(members);
    const shownAt = (copy: Affine) => {
      const lit = membersAt(copy);
      return lit === members ? same : cut(lit);
    };
    const copies = copiesOf(part, ink);
    const shown = copies.map(shownAt);
    // Halves that meet at a mirror become one outline: two edges side by side would let the ground shine through.
    if (crops && part.released.length === 0)
      return {
        nodes: (shown[0] ?? []).map((member, which) =>
          memberGroup({
            ...member,
            nodes: joined(
              copies.map((at, copy) => ({ at, nodes: shown[copy]?.[which]?.nodes ?? [] })),
              paths,
            ),
          }),
        ),
        notices: [],
      };
    const nodes = copies.flatMap((transform, index): readonly PaintedGroup[] =>
      part.released.includes(index)
        ? []
        : [
            {
              kind: 'group',
              id: `copy-${index}-of-${members[0]?.id ?? ''}`,
              transform,
              opacity: 1,
              blend: 'normal',
              children: (shown[index] ?? []).map((member) => memberGroup(member, index === 0 ? '' : `~${index}`)),
            },
          ],
    );
    return { nodes, notices: [] };
  },
};
