import { z } from 'zod';
import { apply, compose, heightOf, scaling, translation, unite, widthOf, type Affine, type Bounds } from '../../geometry';
import { memberGroup, membersSchema, referMembers } from '../gathering/members';
import { partBase, partIdSchema } from '../part-base';
import type { Member, PartKind } from '../part-kind';

export const CONTACT_RUNS = ['column', 'row'] as const;
export const CONTACT_ALIGNS = ['start', 'center'] as const;

export const contactSchema = z.strictObject({
  ...partBase,
  kind: z.literal('contact'),
  members: membersSchema,
  /** The lines, in reading order: which member is the symbol, which the words. */
  lines: z
    .array(z.strictObject({ symbol: partIdSchema.nullable().default(null), text: partIdSchema }))
    .min(1)
    .max(24),
  /** Height of all symbols, in percent of the first words' capitals. */
  heightPercent: z.number().min(10).max(1000).default(140),
  /** White between the room of the symbols and the words, in percent of the capitals. */
  gapPercent: z.number().min(0).max(1000).default(90),
  /** From baseline to baseline in a column, and from line to line in a row, in percent of the capitals. */
  leadingPercent: z.number().min(50).max(2000).default(260),
  run: z.enum(CONTACT_RUNS).default('column'),
  align: z.enum(CONTACT_ALIGNS).default('start'),
});
export type Contact = z.infer<typeof contactSchema>;

/** One line as it is laid: where its symbol and its words go before the whole is aligned, and how wide it is. */
interface LaidLine {
  readonly symbol?: { readonly member: Member; readonly map: Affine };
  readonly text: { readonly member: Member; readonly map: Affine };
  readonly width: number;
}

/** How large a member's own pixels are drawn. */
const scaleOf = ({ transform }: Member): number => Math.sqrt(Math.abs(transform.a * transform.d - transform.b * transform.c));

/** Where a lettering's baseline begins; of anything else the foot of its ink. */
const footOf = (member: Member, ink: Bounds): number => (member.lettering ? apply(member.transform, { x: 0, y: 0 }).y : ink.bottom);

/**
 * Symbol and words on one baseline that begins at 0, 0. Words are brought to one height of capitals, symbols to one height of ink; each symbol
 * stands in the middle of one room, so that all words begin at one line.
 */
function laidLine(
  part: Contact,
  line: Contact['lines'][number],
  members: readonly Member[],
  capPx: number,
  roomPx: number,
): LaidLine | undefined {
  const text = members.find(({ id }) => id === line.text);
  if (!text?.ink) return undefined;
  const own = text.lettering ? text.lettering.capHeightPx * scaleOf(text) : heightOf(text.ink);
  const by = own > 0 ? capPx / own : 1;
  const from = roomPx > 0 ? roomPx + (capPx * part.gapPercent) / 100 : 0;
  const words = compose(translation(from, 0), compose(scaling(by), translation(-text.ink.left, -footOf(text, text.ink))));
  const width = from + widthOf(text.ink) * by;
  const symbol = members.find(({ id }) => id === line.symbol);
  if (!symbol?.ink || heightOf(symbol.ink) <= 0) return { text: { member: text, map: words }, width };
  const middle = { x: (symbol.ink.left + symbol.ink.right) / 2, y: (symbol.ink.top + symbol.ink.bottom) / 2 };
  const sized = (capPx * part.heightPercent) / 100 / heightOf(symbol.ink);
  const map = compose(translation(roomPx / 2, -capPx / 2), compose(scaling(sized), translation(-middle.x, -middle.y)));
  return { symbol: { member: symbol, map }, text: { member: text, map: words }, width };
}

/** Lines of symbol and words that share one size, one baseline each, and one gap. */
export const contact: PartKind<typeof contactSchema> = {
  schema: contactSchema,
  label: 'Contact lines',
  describe: ({ lines, run }) => `${lines.length} ${lines.length === 1 ? 'line' : 'lines'} · in a ${run}`,
  refer: (part, to) => ({
    ...referMembers(part, to),
    lines: part.lines.flatMap(({ symbol, text }) => {
      const words = to(text, 'takes');
      return words === undefined ? [] : [{ symbol: symbol === null ? null : (to(symbol, 'takes') ?? null), text: words }];
    }),
  }),
  moves: true,
  draw: (part, { members }) => {
    const texts = part.lines.flatMap(({ text }) => members.find(({ id }) => id === text) ?? []);
    const [first] = texts.filter(({ lettering }) => lettering);
    const tallest = Math.max(0, ...texts.map(({ ink }) => (ink ? heightOf(ink) : 0)));
    const capPx = first?.lettering ? first.lettering.capHeightPx * scaleOf(first) : tallest;
    const symbols = part.lines.flatMap(({ symbol }) => members.find(({ id }) => id === symbol)?.ink ?? []);
    const roomPx = Math.max(
      0,
      ...symbols.map((ink) => (heightOf(ink) > 0 ? (widthOf(ink) * ((capPx * part.heightPercent) / 100)) / heightOf(ink) : 0)),
    );
    const laid = part.lines.flatMap((line) => laidLine(part, line, members, capPx, roomPx) ?? []);
    const step = (capPx * part.leadingPercent) / 100;
    const wide =
      part.run === 'column'
        ? Math.max(0, ...laid.map(({ width }) => width))
        : laid.reduce((sum, { width }) => sum + width, 0) + step * Math.max(0, laid.length - 1);
    const standing = new Map<string, Affine>();
    let along = part.align === 'center' ? -wide / 2 : 0;
    for (const [index, { symbol, text, width }] of laid.entries()) {
      const aside = part.run === 'row' ? along : part.align === 'center' ? -width / 2 : 0;
      const at = translation(aside, part.run === 'row' ? 0 : index * step);
      for (const each of [symbol, text]) if (each) standing.set(each.member.id, compose(at, each.map));
      along += width + step;
    }
    const nodes = members.map((member) => {
      const group = memberGroup(member);
      const own = standing.get(member.id);
      return own ? { ...group, transform: compose(own, group.transform) } : group;
    });
    const inked = members.reduce<Bounds | undefined>((sum, { ink }) => unite(sum, ink), undefined);
    return {
      nodes,
      standing,
      notices:
        laid.length < part.lines.length && inked
          ? [
              {
                code: 'contact-incomplete',
                message: 'A line has no words, so that it is left out.',
                fix: 'Type its words, or remove the line.',
              },
            ]
          : [],
    };
  },
};
