import type { Hex } from './hex';
import { oklchOf, shownColor, type Oklch } from './oklch';

/** A way to find colors that go with one: turns of the hue in degrees, and shifts of lightness that tell them apart. */
interface HarmonyRow {
  readonly label: string;
  readonly turns: readonly { readonly hueDeg: number; readonly lightness?: number; readonly chroma?: number }[];
}

/** The color wheel's own terms; hues are turned in OKLCH, so that a turned color keeps its lightness. */
export const HARMONIES = {
  neighbors: { label: 'neighbors', turns: [{ hueDeg: -30 }, { hueDeg: 30 }, { hueDeg: 60, lightness: 0.12 }] },
  opposite: {
    label: 'opposite',
    turns: [{ hueDeg: 180 }, { hueDeg: 180, lightness: 0.2, chroma: 0.6 }, { hueDeg: 0, lightness: 0.25, chroma: 0.5 }],
  },
  'split opposite': {
    label: 'beside the opposite',
    turns: [{ hueDeg: 150 }, { hueDeg: 210 }, { hueDeg: 0, lightness: 0.25, chroma: 0.5 }],
  },
  thirds: { label: 'thirds', turns: [{ hueDeg: 120 }, { hueDeg: 240 }, { hueDeg: 0, lightness: -0.2 }] },
  quarters: { label: 'quarters', turns: [{ hueDeg: 90 }, { hueDeg: 180 }, { hueDeg: 270 }] },
  'one hue': {
    label: 'one hue',
    turns: [
      { hueDeg: 0, lightness: -0.22 },
      { hueDeg: 0, lightness: 0.2, chroma: 0.7 },
      { hueDeg: 0, lightness: 0.4, chroma: 0.3 },
    ],
  },
} as const satisfies Readonly<Record<string, HarmonyRow>>;
export type Harmony = keyof typeof HARMONIES;
export const HARMONY_NAMES = Object.keys(HARMONIES) as readonly Harmony[];

/** Lightness that a harmony stays within: beyond it colors look black or white. */
const RANGE = { least: 0.18, most: 0.96 } as const;
/** A gray lead has no hue to turn: its harmonies are grays. */
const turned = (from: Oklch, { hueDeg, lightness = 0, chroma = 1 }: HarmonyRow['turns'][number]): Hex => {
  const wanted = from.l + lightness;
  // What would leave the range goes as far the other way.
  const l = wanted > RANGE.most || wanted < RANGE.least ? from.l - lightness : wanted;
  return shownColor({
    space: 'oklch',
    l: Math.min(RANGE.most, Math.max(RANGE.least, l)),
    c: from.c * chroma,
    h: (from.h + hueDeg + 360) % 360,
  }).hex;
};

/** The colors that go with a lead, in one way. */
export function harmonyOf(lead: Hex, harmony: Harmony): readonly Hex[] {
  const from = oklchOf(lead);
  return HARMONIES[harmony].turns.map((turn) => turned(from, turn));
}
