import type { CatalogueEntry } from '../measure';

/** The qualities by which faces are compared; each lies in [−1, 1]. `more` and `less` say what moving along it looks like. */
export const QUALITIES = {
  weight: { more: 'heavier stems', less: 'lighter stems' },
  hairline: { more: 'sturdier thin strokes', less: 'finer thin strokes' },
  contrast: { more: 'more contrast', less: 'less contrast' },
  width: { more: 'wider', less: 'narrower' },
  xHeight: { more: 'larger lower case', less: 'smaller lower case' },
  serif: { more: 'serifs', less: 'no serifs' },
  stress: { more: 'slanted stress', less: 'upright stress' },
  slant: { more: 'leaning', less: 'upright' },
  roundness: { more: 'rounder ends', less: 'squarer ends' },
  evenness: { more: 'more even rhythm', less: 'livelier rhythm' },
  joining: { more: 'joined letters', less: 'separate letters' },
  ornament: { more: 'more in each letter', less: 'plainer letters' },
  roughness: { more: 'rougher outlines', less: 'cleaner outlines' },
} as const;

export type Quality = keyof typeof QUALITIES;
export const QUALITY_NAMES = Object.keys(QUALITIES) as readonly Quality[];

/** Where a face stands on every quality. */
export type Qualities = Readonly<Record<Quality, number>>;

type Reading = (entry: CatalogueEntry) => number;

/** What is read for the qualities that are ranked within the library: their units differ, their order is what matters. */
const RANKED: Readonly<Partial<Record<Quality, Reading>>> = {
  weight: ({ measures }) => measures.weight,
  hairline: ({ measures }) => measures.hairline / Math.max(measures.xHeight, 1),
  contrast: ({ measures }) => measures.contrast,
  width: ({ measures }) => measures.proportion,
  xHeight: ({ measures }) => measures.xHeight / Math.max(measures.capHeight, 1),
  evenness: ({ measures }) => measures.evenness,
  ornament: ({ measures }) => measures.outlineLength / measures.proportion ** 0.5,
  roughness: ({ measures }) => measures.segments,
};

/** What is read for the qualities that have a natural scale of their own. */
const SCALED: Readonly<Partial<Record<Quality, Reading>>> = {
  serif: ({ measures }) => (measures.serif ? 1 : measures.joining >= 0.5 ? 0 : Math.min(measures.serifReach / 0.35, 1) - 1),
  stress: ({ measures }) => Math.min(Math.abs(measures.stressDeg) / 15, 1) * 2 - 1,
  slant: ({ measures }) => Math.min(Math.abs(measures.slantDeg) / 15, 1) * 2 - 1,
  roundness: ({ measures }) => measures.roundness * 2 - 1,
  joining: ({ measures }) => measures.joining * 2 - 1,
};

/** Turns catalogue entries into qualities; ranks are those of the library it was made from. */
export type QualityReader = (entry: CatalogueEntry) => Qualities;

/** The rank of a value among sorted values, in [−1, 1]; interpolated, so that a face the library has never seen finds its place. */
export function rankAmong(sorted: readonly number[], value: number): number {
  const below = sorted.filter((other) => other < value).length;
  const level = sorted.filter((other) => other === value).length;
  const last = sorted.length - 1;
  if (last < 1) return 0;
  if (level > 0) return ((below + (level - 1) / 2) / last) * 2 - 1;
  if (below === 0) return -1;
  if (below > last) return 1;
  const [before, after] = [sorted[below - 1] as number, sorted[below] as number];
  return ((below - 1 + (value - before) / (after - before)) / last) * 2 - 1;
}

/** @param library the shipped faces; ranks mean "among these" */
export function createQualityReader(library: readonly CatalogueEntry[]): QualityReader {
  const sorted = new Map(
    QUALITY_NAMES.flatMap((quality) => {
      const reading = RANKED[quality];
      return reading ? [[quality, library.map(reading).sort((a, b) => a - b)] as const] : [];
    }),
  );
  const kept = new WeakMap<CatalogueEntry, Qualities>();
  return (entry) => {
    const known = kept.get(entry);
    if (known) return known;
    const qualities = Object.fromEntries(
      QUALITY_NAMES.map((quality) => [
        quality,
        SCALED[quality]?.(entry) ?? rankAmong(sorted.get(quality) ?? [], RANKED[quality]?.(entry) ?? 0),
      ]),
    ) as Record<Quality, number>;
    kept.set(entry, qualities);
    return qualities;
  };
}
