import { z } from 'zod';
import { parseHex, type Hex } from './hex';

/** What a color is for. Parts name a role, never a loose color unless the designer insists. */
export const ROLES = ['ink', 'paper', 'lead', 'second', 'accent'] as const;
export type Role = (typeof ROLES)[number];

/** One color for each role. */
export type Palette = { readonly [R in Role]: Hex };

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

export const paletteSchema = z.strictObject({ ink: hexSchema, paper: hexSchema, lead: hexSchema, second: hexSchema, accent: hexSchema });

/** Where a new brand starts: black first, color last (common practice), on a paper that is not pure white. */
export const STARTING_PALETTE: Palette = { ink: '#1f2421', paper: '#fffdf8', lead: '#4a4f4c', second: '#c9cdc8', accent: '#8a8f8b' };
