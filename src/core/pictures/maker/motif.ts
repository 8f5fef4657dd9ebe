import type { Ground } from './grounds';
import type { Solid } from './solid';
import type { Vary } from './vary';

/** Something that the picture maker can draw. */
export interface Motif {
  /** What it is called on the screen. */
  readonly label: string;
  /** Other words that mean it, in lower case and in the singular. */
  readonly words: readonly string[];
  /** Its colors, one chosen where the words name none. */
  readonly colors: readonly string[];
  readonly solids: (vary: Vary, color: string) => readonly Solid[];
  /** A motif that brings its own surroundings stands on no other ground. */
  readonly ground?: (vary: Vary, seed: number) => Ground;
}
