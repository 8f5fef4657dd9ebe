import type { CatalogueEntry } from '../measure';
import { distance } from './likeness';
import type { Qualities } from './qualities';

/** A face as pairing sees it. */
export interface PairingFace {
  readonly id: string;
  readonly entry: CatalogueEntry;
  readonly qualities: Qualities;
}

/** One named share of how well two faces go together; all shares lie in [0, 1] before weighting. */
export interface PairingReason {
  readonly words: string;
  readonly amount: number;
}

export interface Pairing {
  readonly id: string;
  readonly score: number;
  readonly reasons: readonly PairingReason[];
}

/** What counts, and how much. Common practice: a second line is quieter, either the same skeleton or clearly another, with letters of like height. */
const SHARES = { relation: 0.3, weight: 0.2, heights: 0.2, plainness: 0.3 } as const;

/** The second line's strokes, seen at their own size, look best at about two thirds of the name's. */
const BEST_WEIGHT_RATIO = 0.68;

const bell = (value: number, best: number, spread: number): number => Math.exp(-(((value - best) / spread) ** 2));
const two = (value: number): string => value.toFixed(2);

function relation(name: PairingFace, candidate: PairingFace): PairingReason {
  if (candidate.id === name.id) return { words: 'the same face', amount: 0.85 };
  const apart = distance(name.qualities, candidate.qualities);
  const same = bell(apart, 0.1, 0.12);
  // Clearly another: the one joined or with serifs, the other plain; half-alike faces only look like a mistake.
  const differs =
    name.entry.measures.serif !== candidate.entry.measures.serif ||
    (name.entry.measures.joining >= 0.5 && candidate.entry.measures.joining < 0.5);
  const clear = differs ? bell(apart, 0.5, 0.22) : 0;
  return same >= clear
    ? { words: `same skeleton, ${two(apart)} apart`, amount: same }
    : { words: `clear contrast, ${two(apart)} apart`, amount: clear };
}

/** How well a face would carry the second line under a name set in another; the score is the weighted sum of the reasons, in [0, 1]. */
export function pairing(name: PairingFace, candidate: PairingFace): Pairing {
  const [n, c] = [name.entry.measures, candidate.entry.measures];
  const weightRatio = c.weight / n.weight;
  const heightRatio = c.xHeight / c.capHeight / (n.xHeight / n.capHeight);
  const plain = Math.min(
    1,
    Math.max(
      0,
      (1 - c.joining) *
        (1 - Math.max(0, candidate.qualities.ornament) * 0.6) *
        (1 - Math.max(0, candidate.qualities.roughness - 0.5)) *
        Math.min(1, c.evenness / 0.85),
    ),
  );
  const reasons: PairingReason[] = [
    (({ words, amount }) => ({ words, amount: SHARES.relation * amount }))(relation(name, candidate)),
    { words: `${two(weightRatio)} × weight`, amount: SHARES.weight * bell(weightRatio, BEST_WEIGHT_RATIO, 0.35) },
    { words: `x-height ${two(heightRatio)}`, amount: SHARES.heights * bell(heightRatio, 1, 0.15) },
    { words: `plain ${two(plain)}`, amount: SHARES.plainness * plain },
  ];
  return { id: candidate.id, score: reasons.reduce((sum, { amount }) => sum + amount, 0), reasons };
}

/** Candidates for the second line, best first; ties by id, so that the order never jumps. */
export const rankPairings = (name: PairingFace, candidates: readonly PairingFace[]): readonly Pairing[] =>
  candidates.map((candidate) => pairing(name, candidate)).sort((a, b) => b.score - a.score || a.id.localeCompare(b.id));
