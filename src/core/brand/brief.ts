import { z } from 'zod';
import type { ProofName } from './proofs';
import { VOICE_SCALE_NAMES } from '../type/choosing/voice';

/** Where marks will be met; each use picks the proofs and file sizes that matter. */
export const USES = {
  profile: { label: 'round profile', proofs: ['round', 'small'], widthsPx: [400, 800] },
  web: { label: 'web page', proofs: ['small', 'reversed'], widthsPx: [320, 640, 1280] },
  goods: { label: 'goods', proofs: ['one-color', 'on-lead', 'photo'], widthsPx: [4500] },
  label: { label: 'sewn label', proofs: ['one-color', 'small'], widthsPx: [1200] },
  print: { label: 'print', proofs: ['one-color', 'reversed'], widthsPx: [2400] },
  photos: { label: 'photos', proofs: ['photo', 'reversed'], widthsPx: [2000] },
  sign: { label: 'shop sign', proofs: ['reversed', 'on-lead'], widthsPx: [4000] },
  vehicle: { label: 'vehicle', proofs: ['on-lead', 'one-color'], widthsPx: [6000] },
  card: { label: 'price card', proofs: ['small', 'one-color'], widthsPx: [900] },
} as const satisfies Readonly<
  Record<string, { readonly label: string; readonly proofs: readonly ProofName[]; readonly widthsPx: readonly number[] }>
>;
export type Use = keyof typeof USES;
export const USE_NAMES = Object.keys(USES) as readonly Use[];

const words = z.string().max(2000).default('');
const scale = z.number().min(0).max(100).optional();

/** Who the business is. Everything is optional. */
export const briefSchema = z.strictObject({
  audience: words,
  promise: words,
  avoid: words,
  keywords: z.array(z.string().trim().min(1).max(60)).max(60).default([]),
  uses: z.array(z.enum(USE_NAMES)).max(USE_NAMES.length).default([]),
  voice: z
    .strictObject(
      Object.fromEntries(VOICE_SCALE_NAMES.map((name) => [name, scale])) as Record<(typeof VOICE_SCALE_NAMES)[number], typeof scale>,
    )
    .default({}),
});
export type Brief = z.infer<typeof briefSchema>;

/** Proofs that matter for the uses of a brief; all of them while no use is chosen. */
export function proofsThatMatter(brief: Brief): ReadonlySet<ProofName> {
  const chosen = brief.uses.length > 0 ? brief.uses : USE_NAMES;
  return new Set<ProofName>(chosen.flatMap((use) => [...USES[use].proofs]));
}

/** A file as somebody will ask for it. Room is in percent of the longer side. */
export interface ProposedFile {
  readonly label: string;
  readonly widthPx: number;
  readonly heightPx?: number;
  readonly roomPercent: number;
  readonly crop: 'box' | 'round';
}
/** What a use asks of its files besides their width (common practice): a profile is square and cropped round, a web page wants a little air. */
const ASKS: Readonly<Partial<Record<Use, Pick<ProposedFile, 'roomPercent' | 'crop'> & { readonly square?: boolean }>>> = {
  profile: { square: true, roomPercent: 0, crop: 'round' },
  web: { roomPercent: 2, crop: 'box' },
  sign: { roomPercent: 4, crop: 'box' },
  card: { roomPercent: 4, crop: 'box' },
};
/** The files that the uses of a brief ask for. */
export const proposedFiles = (brief: Brief): readonly ProposedFile[] =>
  brief.uses.flatMap((use) =>
    USES[use].widthsPx.map((widthPx): ProposedFile => {
      const { square = false, roomPercent = 0, crop = 'box' } = ASKS[use] ?? {};
      return { label: USES[use].label, widthPx, ...(square ? { heightPx: widthPx } : {}), roomPercent, crop };
    }),
  );

/** File widths that the uses of a brief ask for, smallest first. */
export const proposedWidthsPx = (brief: Brief): readonly number[] =>
  [...new Set<number>(brief.uses.flatMap((use) => [...USES[use].widthsPx]))].sort((a, b) => a - b);
