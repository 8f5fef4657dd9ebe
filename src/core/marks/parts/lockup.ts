import { z } from 'zod';
import {
  mapPath,
  boundsOf,
  compose,
  flatten,
  heightOf,
  inkGap,
  scaling,
  translation,
  unite,
  inkBalance,
  type Affine,
  type Bounds,
  type PathAlgebra,
  type Point,
  type Region,
} from '../../geometry';
import { areaOfMember, memberGroup, membersSchema, referMembers, outlinesOfMember } from '../gathering/members';
import { partBase, partIdSchema } from '../part-base';
import { GONE, type Member, type PartKind } from '../part-kind';

export const ARRANGEMENTS = ['left', 'right', 'above', 'below'] as const;
export type Arrangement = (typeof ARRANGEMENTS)[number];

export const lockupSchema = z.strictObject({
  ...partBase,
  kind: z.literal('lockup'),
  members: membersSchema,
  /** The member that is the symbol; the others are the words. */
  symbol: partIdSchema,
  arrangement: z.enum(ARRANGEMENTS).default('left'),
  /** Height of the symbol, in percent of the capitals' height of the first words. */
  heightPercent: z.number().min(10).max(2000).default(180),
  /** White between the ink of the symbol and of the words, in percent of the capitals' height. */
  gapPercent: z.number().min(0).max(500).default(55),
});
export type Lockup = z.infer<typeof lockupSchema>;

/** Outlines are flattened this finely where white is measured, in mark pixels. */
const FINE_PX = 0.05;

const centerOfBox = (box: Bounds): Point => ({ x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 });
/** As every part's optical center is told: outline by outline. */
const balanceOf = (regions: readonly Region[], box: Bounds): Point => inkBalance(regions) ?? centerOfBox(box);

/** Where the symbol goes: sized by the capitals, balanced by weight, spaced by ink. */
function standingOf(part: Lockup, symbol: Member, words: readonly Member[], paths: PathAlgebra): Affine | undefined {
  const inks = words.reduce<Bounds | undefined>((sum, { ink }) => unite(sum, ink), undefined);
  const first = words.find(({ lettering }) => lettering);
  if (!inks || !symbol.ink || heightOf(symbol.ink) <= 0) return undefined;
  const capHeight = first?.lettering ? first.lettering.capHeightPx * Math.hypot(first.transform.a, first.transform.b) : heightOf(inks);
  const text = paths.weld(words.map((word) => areaOfMember(word, paths)));
  const own = areaOfMember(symbol, paths);
  const scale = (capHeight * part.heightPercent) / 100 / heightOf(symbol.ink);
  const gap = (capHeight * part.gapPercent) / 100;
  const middle = balanceOf(
    words.flatMap((word) => outlinesOfMember(word, paths)),
    inks,
  );
  const weight = balanceOf(outlinesOfMember(symbol, paths), symbol.ink);
  const beside = part.arrangement === 'left' || part.arrangement === 'right';
  // Beside the words its weight lies at the middle of all of them; above and below on their optical center.
  const sized = compose(scaling(scale), translation(-weight.x, -weight.y));
  const at = compose(translation(middle.x, beside ? (words.length > 1 ? middle.y : centerOfBox(inks).y) : middle.y), sized);
  const placed: Region = { path: mapPath(own.path, at), rule: own.rule };
  const box = boundsOf(placed.path);
  if (!box) return undefined;
  const axis = beside ? 'x' : 'y';
  const polygons = [flatten(placed.path, FINE_PX), flatten(text.path, FINE_PX)] as const;
  const before = part.arrangement === 'left' || part.arrangement === 'above';
  // Brought clear of the words by its box first; then as near as its ink allows, but never nearer in the box than half of the gap.
  const clear = before ? (beside ? inks.left - box.right : inks.top - box.bottom) : beside ? inks.right - box.left : inks.bottom - box.top;
  const moved = polygons[0].map((polygon) => polygon.map(({ x, y }) => (beside ? { x: x + clear, y } : { x, y: y + clear })));
  const white = (before ? inkGap(moved, polygons[1], axis) : inkGap(polygons[1], moved, axis)) ?? 0;
  const nearer = Math.min(white, gap / 2);
  const by = clear + (before ? -(gap - nearer) : gap - nearer);
  return compose(beside ? translation(by, 0) : translation(0, by), at);
}

const WORDS: { readonly [A in Arrangement]: string } = {
  left: 'symbol to the left',
  right: 'symbol to the right',
  above: 'symbol above',
  below: 'symbol below',
};
export const arrangementLabel = (arrangement: Arrangement): string => WORDS[arrangement];

/** A symbol with a name, live: the words stand where they stand, the symbol follows them. */
export const lockup: PartKind<typeof lockupSchema> = {
  schema: lockupSchema,
  label: 'Symbol and name',
  describe: (part) => WORDS[part.arrangement],
  refer: (part, to) => ({ ...referMembers(part, to), symbol: to(part.symbol, 'takes') ?? GONE }),
  moves: true,
  draw: (part, { members, paths }) => {
    const symbol = members.find(({ id }) => id === part.symbol);
    const words = members.filter(({ id }) => id !== part.symbol);
    const standing = symbol && standingOf(part, symbol, words, paths);
    if (!symbol || !standing)
      return {
        nodes: members.map((member) => memberGroup(member)),
        notices: [
          { code: 'lockup-incomplete', message: 'A symbol or its words are missing here.', fix: 'Open it, and put both together anew.' },
        ],
      };
    const group = memberGroup(symbol);
    return {
      nodes: [...words.map((word) => memberGroup(word)), { ...group, transform: compose(standing, group.transform) }],
      notices: [],
      standing: new Map([[symbol.id, standing]]),
    };
  },
};
