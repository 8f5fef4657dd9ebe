import type { z } from 'zod';
import { ok, fail, type Result } from '../../result/result';
import { problemsOf } from '../../result/schema-problems';
import { lenderOf, type FontChoice } from '../../type';
import { contrastRatio, type Palette } from '../../color';
import { badge } from '../builders/badge';
import { crest } from '../builders/crest';
import { monogram } from '../builders/monogram';
import { submark } from '../builders/submark';
import { combined, wordmark } from '../builders/wordmark';
import type { Paint } from '../drawing/paint';
import { limitsInSchema, type NumberLimits } from '../recipe/schema-numbers';
import type { BuildContext, Builder, BuilderStart, Made } from './builder';
import type { Built } from './built';

/** Every builder, one row each; a new one is one file in `builders/` and one row here. */
export const builders = { wordmark, 'symbol-and-name': combined, monogram, crest, badge, submark } as const;
export type BuilderName = keyof typeof builders;
export const BUILDER_NAMES = Object.keys(builders) as readonly BuilderName[];

/** The row of a builder as those see it who do not know its numbers. */
export type BuilderRow = Omit<Builder<z.ZodType<Readonly<Record<string, unknown>>>>, 'schema'> & {
  readonly schema: z.ZodObject;
};
export const isBuilder = (name: string): name is BuilderName => name in builders;
export const builderRow = (name: BuilderName): BuilderRow => builders[name] as unknown as BuilderRow;

/** The numbers of a builder, those that are left out as it begins with them. */
export function numbersOf(name: BuilderName, numbers: unknown): Result<Readonly<Record<string, unknown>>> {
  const parsed = builderRow(name).schema.safeParse(numbers);
  return parsed.success ? ok(parsed.data) : fail(...problemsOf(parsed.error, numbers));
}

/** The limits of one of a builder's numbers. */
export const builderLimits = (name: BuilderName, field: string): NumberLimits | undefined =>
  limitsInSchema(builderRow(name).schema.shape[field] as Parameters<typeof limitsInSchema>[0]);

/** What a builder makes of numbers; nothing where it is not known here, or its numbers are not understood. */
export function madeBy(built: Pick<Built, 'builder' | 'numbers'>, context: BuildContext): Made | undefined {
  if (!isBuilder(built.builder)) return undefined;
  const numbers = numbersOf(built.builder, built.numbers);
  if (!numbers.ok) return undefined;
  const name: BuilderName = built.builder;
  // What was made last is asked for again when it is built anew: what was changed by hand is told by it.
  return context.remember(`made ${name} ${JSON.stringify([numbers.value, context.heard])}`, () =>
    builderRow(name).build(numbers.value, context),
  );
}

/** Every face that building may look at. */
export function fontsOfBuilt({ builder, numbers, heard }: Pick<Built, 'builder' | 'numbers' | 'heard'>): readonly FontChoice[] {
  const read = isBuilder(builder) ? numbersOf(builder, numbers) : undefined;
  const families = read?.ok && isBuilder(builder) ? (builderRow(builder).families?.(read.value) ?? []) : [];
  const asked = [heard.font.family, ...families.filter((family) => family !== '')];
  const texts = [heard.text, heard.second ?? '', ...Object.values(numbers).filter((value) => typeof value === 'string')];
  const lent = asked.flatMap((family) => texts.flatMap((text) => lenderOf(family, text) ?? []));
  const others = new Set([...asked.slice(1), ...lent]);
  return [heard.font, ...[...others].map((family): FontChoice => ({ family, style: 'normal', axes: {} }))];
}

/** A lead color that stands out less than this from paper draws no letters on it. @source WCAG 2.2, 1.4.11: 3 : 1 for what must be seen */
const READ_ON_PAPER = 3;

/** Paints that a builder begins with: where the lead is a light color, ink draws what the lead would draw, and the lead is what is light in the composition; else those of its schema. */
export function paintsIn(palette: Palette, name: BuilderName): Readonly<Record<string, Paint>> {
  const begun = numbersOf(name, {});
  if (!begun.ok || contrastRatio(palette.lead, palette.paper) >= READ_ON_PAPER) return {};
  const drawnInLead = Object.entries(begun.value).filter(([, value]) => (value as { readonly role?: unknown } | null)?.role === 'lead');
  return { ...Object.fromEntries(drawnInLead.map(([field]) => [field, { role: 'ink' }])), groundPaint: { role: 'lead' } };
}

/** Compositions to choose from. @param palette whose colors they begin with; without it, those of most palettes */
export function startsOf(name: BuilderName, context: BuildContext, palette?: Palette): readonly BuilderStart[] {
  const paints = palette ? paintsIn(palette, name) : {};
  return builderRow(name)
    .starts(context)
    .map((start) => ({ ...start, numbers: { ...paints, ...start.numbers } }));
}
