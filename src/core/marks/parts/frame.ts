import { z } from 'zod';
import { compose, heightOf, IDENTITY, scaling, translation, unite, widthOf, type Affine, type Bounds } from '../../geometry';
import { ANCHORS, type Anchor } from '../../output/canvas';
import { rectangle } from '../../shapes/rectangle';
import { cutTo, memberGroup, membersSchema, referMembers } from '../gathering/members';
import { partBase } from '../part-base';
import type { PartKind } from '../part-kind';

export const FRAME_FITS = ['inside', 'cover', 'crop'] as const;
export type FrameFit = (typeof FRAME_FITS)[number];

export const frameSchema = z.strictObject({
  ...partBase,
  kind: z.literal('frame'),
  members: membersSchema,
  /** Its box, about its own origin. */
  widthPx: z.number().min(0.1).max(100_000).default(400),
  heightPx: z.number().min(0.1).max(100_000).default(300),
  /** Wholly inside; so large that the whole box is covered, and cut off there; or as it is, and cut off. */
  fit: z.enum(FRAME_FITS).default('inside'),
  /** Where they stand in the room that is left, or which part of them is seen. */
  anchor: z.enum(ANCHORS).default('center'),
});
export type Frame = z.infer<typeof frameSchema>;

const FIT_WORDS: Readonly<Record<FrameFit, string>> = { inside: 'fits', cover: 'fills', crop: 'cuts off at' };

const shareOf = (anchor: Anchor): { readonly x: number; readonly y: number } => ({
  x: anchor.endsWith('left') ? 0 : anchor.endsWith('right') ? 1 : 0.5,
  y: anchor.startsWith('top') ? 0 : anchor.startsWith('bottom') ? 1 : 0.5,
});

/** How ink is brought into a box: scaled evenly, and moved to the anchor. */
function broughtInto(ink: Bounds, { widthPx, heightPx, fit, anchor }: Frame): Affine | undefined {
  if (fit === 'crop') return IDENTITY;
  const [wide, high] = [widthOf(ink), heightOf(ink)];
  if (wide <= 0 && high <= 0) return undefined;
  const scales = [wide > 0 ? widthPx / wide : Infinity, heightPx > 0 && high > 0 ? heightPx / high : Infinity];
  const scale = fit === 'inside' ? Math.min(...scales) : Math.max(...scales.filter(Number.isFinite));
  const share = shareOf(anchor);
  const left = -widthPx / 2 + (widthPx - wide * scale) * share.x;
  const top = -heightPx / 2 + (heightPx - high * scale) * share.y;
  return compose(translation(left, top), compose(scaling(scale), translation(-ink.left, -ink.top)));
}

/** A box that fits whatever is in it: a mark or a picture that changes goes on standing right. */
export const frame: PartKind<typeof frameSchema> = {
  schema: frameSchema,
  label: 'Frame',
  describe: ({ fit, widthPx, heightPx }) => `frame · ${FIT_WORDS[fit]} ${Math.round(widthPx)} × ${Math.round(heightPx)} px`,
  refer: referMembers,
  moves: true,
  draw: (part, { members, paths }) => {
    const ink = members.reduce<Bounds | undefined>((sum, member) => unite(sum, member.ink), undefined);
    const brought = ink && broughtInto(ink, part);
    if (!brought)
      return {
        nodes: [],
        notices: [
          { code: 'frame-empty', message: 'Nothing in this frame draws anything.', fix: 'Put a mark, a picture or words into it.' },
        ],
      };
    const standing = new Map(members.map(({ id }) => [id, brought]));
    const groups = members.map((member) => {
      const group = memberGroup(member);
      return { ...group, transform: compose(brought, group.transform) };
    });
    if (part.fit === 'inside') return { nodes: groups, notices: [], standing };
    const box = { path: rectangle(part.widthPx, part.heightPx, 0), rule: 'nonzero' as const };
    const [x, y] = [part.widthPx / 2, part.heightPx / 2];
    // What lies wholly inside is left as it is: cutting it would change nothing.
    const liesInside = (ink: Bounds | undefined) => ink && ink.left >= -x && ink.right <= x && ink.top >= -y && ink.bottom <= y;
    const cut = groups.map((group, at) =>
      part.fit === 'crop' && liesInside(members[at]?.ink)
        ? group
        : { ...group, transform: IDENTITY, children: cutTo(group.children, group.transform, box, paths) },
    );
    return { nodes: cut, notices: [], standing };
  },
};
