import { QUALITIES, QUALITY_NAMES, type Qualities, type Quality } from './qualities';
import { NOUGHT } from '../../numeric/tolerances';

/** The scales on which a brief says how a brand speaks; 0 is all the first word, 100 all the second, 50 neither. */
export const VOICE_SCALES = {
  loudness: ['quiet', 'loud'],
  novelty: ['classic', 'new'],
  gravity: ['playful', 'serious'],
  strength: ['delicate', 'sturdy'],
  ornament: ['plain', 'ornate'],
  warmth: ['warm', 'cool'],
} as const;
export type VoiceScale = keyof typeof VOICE_SCALES;
export const VOICE_SCALE_NAMES = Object.keys(VOICE_SCALES) as readonly VoiceScale[];

/** A brief's voice; scales that nobody has set are left out. */
export type Voice = Readonly<Partial<Record<VoiceScale, number>>>;

/**
 * What each scale asks for as it moves to its second word: qualities with weights whose sizes sum to 1.
 * Common practice in how designers speak of type, written down so that it can be argued with; docs/type-measures.md shows the table.
 */
export const VOICE_WEIGHTS: Readonly<Record<VoiceScale, Readonly<Partial<Record<Quality, number>>>>> = {
  loudness: { weight: 0.5, width: 0.2, hairline: 0.1, ornament: 0.2 },
  novelty: { serif: -0.5, contrast: -0.15, stress: -0.15, xHeight: 0.2 },
  gravity: { roundness: -0.25, joining: -0.2, slant: -0.2, evenness: 0.25, ornament: -0.1 },
  strength: { hairline: 0.5, weight: 0.3, contrast: -0.2 },
  ornament: { ornament: 0.45, joining: 0.25, roughness: 0.2, evenness: -0.1 },
  warmth: { roundness: -0.3, stress: -0.25, roughness: -0.2, slant: -0.15, serif: -0.1 },
};

/** What a voice asks of every quality: positive wants more of it. All zero for a voice without opinions. */
export function wishesOf(voice: Voice): Qualities {
  const wishes = Object.fromEntries(QUALITY_NAMES.map((quality) => [quality, 0])) as Record<Quality, number>;
  for (const scale of VOICE_SCALE_NAMES) {
    const deviation = ((voice[scale] ?? 50) - 50) / 50;
    for (const [quality, weight] of Object.entries(VOICE_WEIGHTS[scale]) as [Quality, number][]) wishes[quality] += deviation * weight;
  }
  return wishes;
}

/** One named share of a face's nearness to a brief. */
export interface Contribution {
  readonly quality: Quality;
  readonly amount: number;
}

export interface Nearness {
  /** Higher is nearer; the sum of the contributions. */
  readonly score: number;
  /** The largest in size first. */
  readonly contributions: readonly Contribution[];
}

/** How near a face is to a voice: every quality's wish times where the face stands on it, summed. Linear, so that one scale moves faces only in its documented direction. */
export function nearness(voice: Voice, face: Qualities): Nearness {
  const wishes = wishesOf(voice);
  const contributions = QUALITY_NAMES.map((quality) => ({ quality, amount: wishes[quality] * face[quality] }))
    .filter(({ amount }) => amount !== 0)
    .sort((a, b) => Math.abs(b.amount) - Math.abs(a.amount));
  return { score: contributions.reduce((sum, { amount }) => sum + amount, 0), contributions };
}

/** What a voice moves most, in words, strongest first: `lighter stems 0.31`. */
export function strongestWishes(voice: Voice, count = 3): readonly { readonly words: string; readonly amount: number }[] {
  const wishes = wishesOf(voice);
  return QUALITY_NAMES.filter((quality) => Math.abs(wishes[quality]) > NOUGHT)
    .sort((a, b) => Math.abs(wishes[b]) - Math.abs(wishes[a]))
    .slice(0, count)
    .map((quality) => ({
      words: wishes[quality] > 0 ? QUALITIES[quality].more : QUALITIES[quality].less,
      amount: Math.abs(wishes[quality]),
    }));
}
