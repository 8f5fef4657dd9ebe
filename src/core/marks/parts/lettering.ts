import { z } from 'zod';
import { mapPath, type Affine } from '../../geometry';
import type { Problem } from '../../result/result';
import {
  FALLBACK_FAMILIES,
  inCase,
  KERNINGS,
  LETTER_CASES,
  setLine,
  type FontChoice,
  type FontShelf,
  type SetLine,
  type Typeface,
} from '../../type';
import type { Fill } from '../drawing';
import { colorOf, paintSchema } from '../paint';
import { partBase } from '../part-base';
import type { DrawContext, PartKind, PartPicture } from '../part-kind';

/** Longest text of one lettering part, in UTF-16 units. */
export const LONGEST_TEXT = 2000;

export const fontChoiceSchema = z.strictObject({
  family: z.string().regex(/^[a-z0-9-]{1,64}$/, 'Expected a font family id'),
  style: z.enum(['normal', 'italic']).default('normal'),
  axes: z
    .record(z.string().regex(/^[ -~]{4}$/, 'Expected an axis tag of four characters'), z.number().min(-10_000).max(10_000))
    .default({}),
});

export const letteringSchema = z.strictObject({
  ...partBase,
  kind: z.literal('lettering'),
  text: z.string().max(LONGEST_TEXT),
  font: fontChoiceSchema,
  sizePx: z.number().min(1).max(10_000).default(120),
  trackingPermille: z.number().min(-500).max(5000).default(0),
  case: z.enum(LETTER_CASES).default('typed'),
  kerning: z.enum(KERNINGS).default('font'),
  align: z.enum(['start', 'center', 'end']).default('center'),
  paint: paintSchema.default({ role: 'ink' }),
  /** The family that lends letters which the chosen font lacks. */
  fallback: z.string().nullable().default(null),
});
export type Lettering = z.infer<typeof letteringSchema>;

const listed = (letters: readonly string[]): string => {
  const shown = letters.slice(0, 12).map((letter) => `“${letter}”`);
  return letters.length > shown.length ? `${shown.join(', ')} and ${letters.length - shown.length} more` : shown.join(', ');
};

const lendable = (fonts: FontShelf, id: string, letters: readonly string[]): boolean => {
  const found = fonts.find({ family: id, style: 'normal', axes: {} });
  return found.ok && letters.every((letter) => [...letter].every((character) => found.value.covers(character.codePointAt(0) as number)));
};

function noticesFor(part: Lettering, set: SetLine, fonts: FontShelf): readonly Problem[] {
  if (part.text.trim() === '') return [{ code: 'empty-text', message: 'This lettering has no text yet.', fix: 'Type the name.' }];
  if (set.missing.length === 0) return [];
  const family = fonts.family(part.font.family)?.name ?? part.font.family;
  const lender = FALLBACK_FAMILIES.find((id) => lendable(fonts, id, set.missing));
  return [
    {
      code: 'letters-missing',
      message: `${family} has no ${listed(set.missing)}; ${set.missing.length === 1 ? 'it is' : 'they are'} left out.`,
      ...(lender
        ? { fix: `Borrow from ${fonts.family(lender)?.name ?? lender}`, path: ['fallback', lender] }
        : { fix: 'Choose another font, or leave these letters out.' }),
    },
  ];
}

const START_OF = { start: 0, center: -0.5, end: -1 } as const;

/** The set line of a lettering part, before it is drawn. */
export function lineOf(part: Lettering, face: Typeface, fallback?: Typeface): SetLine {
  const settings = { axes: part.font.axes, kerning: part.kerning, trackingPermille: part.trackingPermille };
  return setLine(face, inCase(part.text, part.case), settings, fallback);
}

function draw(part: Lettering, { fonts, dress }: DrawContext): PartPicture {
  const face = fonts.find(part.font);
  if (!face.ok) return { nodes: [], notices: face.problems };
  const choice: FontChoice | undefined = part.fallback ? { family: part.fallback, style: 'normal', axes: {} } : undefined;
  const lender = choice ? fonts.find(choice) : undefined;
  const set = lineOf(part, face.value, lender?.ok ? lender.value : undefined);

  const color = colorOf(part.paint, dress);
  const originX = START_OF[part.align] * set.advance;
  const nodes: Fill[] = [];
  for (const { instance, glyph, emPerUnit, x, y } of set.glyphs) {
    const outline = instance.outline(glyph);
    if (outline.verbs === '') continue;
    const scale = emPerUnit * part.sizePx;
    const placed: Affine = { a: scale, b: 0, c: 0, d: scale, e: (originX + x) * part.sizePx, f: y * part.sizePx };
    nodes.push({ kind: 'fill', path: mapPath(outline, placed), rule: 'nonzero', color, opacity: 1 });
  }
  const notices = [...(lender && !lender.ok ? lender.problems : []), ...noticesFor(part, set, fonts)];
  return { nodes, notices, advancePx: set.advance * part.sizePx };
}

/** A line of live text; its origin is on the baseline at the start, center or end of its advance. */
export const lettering: PartKind<typeof letteringSchema> = {
  schema: letteringSchema,
  label: 'Lettering',
  describe: (part, fonts) => {
    const weight = part.font.axes['wght'];
    return `lettering · ${fonts.family(part.font.family)?.name ?? `${part.font.family} (missing)`}${weight === undefined ? '' : ` ${Math.round(weight)}`}`;
  },
  draw,
};
