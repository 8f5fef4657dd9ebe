import { z } from 'zod';
import type { StoredForm } from '../stored';
import { parseHex, type Hex } from './hex';
import { cmykSchema, type Cmyk } from './print';

/** What a color is for. Parts name a role, never a loose color unless the designer insists. */
export const ROLES = ['ink', 'paper', 'lead', 'second', 'accent'] as const;
export type Role = (typeof ROLES)[number];

/** What a swatch beyond the roles is called inside; chosen at random, so that two brands never mean different colors by one key. */
export type SwatchKey = `s-${string}`;
const SWATCH_KEY = /^s-[a-z0-9]{4,16}$/;
/** What a part is painted with: a role or another swatch. */
export type ColorKey = Role | SwatchKey;
export const isSwatchKey = (key: string): key is SwatchKey => SWATCH_KEY.test(key);
export const isRole = (key: string): key is Role => (ROLES as readonly string[]).includes(key);

/** A color that a brand uses beyond the five roles. */
export interface Swatch {
  readonly key: SwatchKey;
  readonly name: string;
  readonly hex: Hex;
}

/** What is known of a swatch besides its color. */
export interface SwatchNotes {
  /** What the brand calls it; a role is called by its role while it has no name. */
  readonly name?: string;
  /** What it is for, in the designer's words: the role of a swatch beyond the five. */
  readonly use?: string;
  /** The printer's own values; without them they are computed. */
  readonly cmyk?: Cmyk;
  /** The name of a spot color, as the printer knows it. */
  readonly spot?: string;
}

/**
 * Treatments that the brand keeps under a name ("our print look"), for all parts that wear them. They stand with the colors, because both are
 * what a whole family is dressed in, and change together. What a treatment is, `marks/treating/` knows; here it is kept as it was written.
 */
export interface KeptLook {
  readonly id: string;
  readonly name: string;
  /** Height, in px, of what its lengths were made for. */
  readonly madeForPx: number;
  readonly treatments: readonly { readonly kind: string; readonly id: string }[];
}
/** Most looks that a brand keeps. */
export const MOST_LOOKS = 24;
/** Most treatments on one part, or in one look. */
export const MOST_TREATMENTS = 20;

/** Most swatches of one palette, the five roles among them. */
export const MOST_SWATCHES = 24;

/** One color for each role, always; and the swatches beyond them, in the brand's own order. */
export type Palette = { readonly [R in Role]: Hex } & {
  readonly more?: readonly Swatch[];
  readonly notes?: { readonly [K in ColorKey]?: SwatchNotes };
  readonly looks?: readonly KeptLook[];
};

/** What each role is for, in a designer's words. */
export const ROLE_USE: { readonly [R in Role]: string } = {
  ink: 'text and line work',
  paper: 'the lightest ground',
  lead: 'the color people remember',
  second: 'stands beside the lead',
  accent: 'used sparingly',
};

/** A color code, normalized to `#rrggbb`. */
export const hexSchema = z.string().transform((typed, context): Hex => {
  const parsed = parseHex(typed);
  if (parsed.ok) return parsed.value;
  context.addIssue({ code: 'custom', message: 'Expected a color code such as #22302a' });
  return z.NEVER;
});

const swatchKeySchema = z.string().regex(SWATCH_KEY) as unknown as z.ZodType<SwatchKey>;
export const colorKeySchema = z.union([z.enum(ROLES), swatchKeySchema]);

const words = (most: number) => z.string().trim().min(1).max(most);
const notesSchema = z.strictObject({
  name: words(40).exactOptional(),
  use: words(80).exactOptional(),
  cmyk: cmykSchema.exactOptional(),
  spot: words(80).exactOptional(),
});

const swatchSchema = z.strictObject({ key: swatchKeySchema, name: z.string().trim().min(1).max(40), hex: hexSchema });

/** Names a look among those of its brand. */
export const lookIdSchema = z.string().regex(/^[A-Za-z0-9_-]{1,64}$/, 'Expected 1 to 64 letters, digits, - or _');
const lookSchema = z.strictObject({
  id: lookIdSchema,
  name: words(60),
  madeForPx: z.number().min(0.01).max(100_000),
  treatments: z
    .array(z.looseObject({ kind: z.string().min(1).max(64), id: z.string().min(1).max(64) }))
    .min(1)
    .max(MOST_TREATMENTS),
});

export const paletteSchema: z.ZodType<Palette> = z.strictObject({
  ink: hexSchema,
  paper: hexSchema,
  lead: hexSchema,
  second: hexSchema,
  accent: hexSchema,
  more: z
    .array(swatchSchema)
    .max(MOST_SWATCHES - ROLES.length)
    .refine((list) => new Set(list.map(({ key }) => key)).size === list.length, 'Expected every swatch to have a key of its own')
    .exactOptional(),
  notes: z.partialRecord(colorKeySchema, notesSchema).exactOptional(),
  looks: z
    .array(lookSchema)
    .max(MOST_LOOKS)
    .refine((list) => new Set(list.map(({ id }) => id)).size === list.length, 'Expected every look to have an id of its own')
    .exactOptional(),
}) as z.ZodType<Palette>;

/** Palettes as they are stored. 1 → 2: swatches beyond the roles; 2 → 3: names, uses and print values; 3 → 4: looks; older palettes have none. */
export const paletteForm: StoredForm<Palette> = {
  label: 'This palette',
  steps: [(old) => old, (old) => old, (old) => old],
  schema: paletteSchema,
};

/** Every swatch of a palette in its order, the roles first. */
export const swatchesOf = (palette: Palette): readonly { readonly key: ColorKey; readonly name: string; readonly hex: Hex }[] => [
  ...ROLES.map((role) => ({ key: role, name: palette.notes?.[role]?.name ?? role, hex: palette[role] })),
  ...(palette.more ?? []),
];

/** The color of a swatch; nothing where the palette has it no more. */
export const swatchColor = (palette: Palette, key: ColorKey): Hex | undefined =>
  isRole(key) ? palette[key] : palette.more?.find((swatch) => swatch.key === key)?.hex;

/** The palette with every color exchanged. */
export const mapColors = (palette: Palette, change: (hex: Hex) => Hex): Palette => ({
  ink: change(palette.ink),
  paper: change(palette.paper),
  lead: change(palette.lead),
  second: change(palette.second),
  accent: change(palette.accent),
  ...(palette.more ? { more: palette.more.map((swatch) => ({ ...swatch, hex: change(swatch.hex) })) } : {}),
});

/** Where a new brand starts: black first, color last (common practice), on a paper that is not pure white. */
export const STARTING_PALETTE: Palette = { ink: '#1f2421', paper: '#fffdf8', lead: '#4a4f4c', second: '#c9cdc8', accent: '#8a8f8b' };
