import { z } from 'zod';
import type { PathAlgebra, Region } from '../../geometry';
import type { Problem } from '../../result/result';
import type { OneColorBehavior } from '../drawing/drawing';
import type { PaintedFill, PaintedNode } from '../drawing/painted';
import type { Light } from './light';

/** Names a treatment within its list. */
const treatmentIdSchema = z.string().regex(/^[A-Za-z0-9_-]{1,64}$/, 'Expected 1 to 64 letters, digits, - or _');

/** What every treatment has, whatever its kind. */
export const treatmentBase = {
  id: treatmentIdSchema,
  hidden: z.boolean().default(false),
};

/** Lengths of treatments, in the pixels of the part that is treated. */
export const lengthPx = (min: number, max = 2000) => z.number().min(min).max(max);
/** Clockwise on screen; 0 points right, 90 down. */
export const angleDeg = z.number().min(-3600).max(3600);
export const percent = z.number().min(0).max(100);

/**
 * A picture on its way through its treatments, back to front. A treatment adds behind or in front of all that is there, or makes another face;
 * the next one works on what it leaves.
 */
export interface Layers {
  readonly behind: readonly PaintedNode[];
  readonly face: readonly PaintedNode[];
  readonly front: readonly PaintedNode[];
  /** What is taken away from all that lies behind in the mark. */
  readonly carves?: Region;
  /** Tones that fall on all that lies behind in the mark, and on nothing else. */
  readonly shades?: readonly PaintedFill[];
}

/** What a treatment may look at. */
export interface TreatContext {
  readonly paths: PathAlgebra;
  /** Where the light of the mark comes from, as seen in the part's own plane. */
  readonly light: Light;
  /** Costly pieces, kept by a key that says all that they depend on. */
  readonly remember: <T>(key: string, make: () => T) => T;
  /** Where a quick picture is enough: whether a piece is kept already, so that the whole one costs nothing. */
  readonly isKept?: ((key: string) => boolean) | undefined;
}

/** What a treatment leaves. */
export interface Treated extends Layers {
  readonly notices?: readonly Problem[];
}

/** One control of a treatment: where its value stands, what it is called, and a sentence on what it does. */
interface Control {
  readonly field: string;
  readonly label: string;
  readonly hint: string;
  /** Whether it says anything right now. */
  readonly when?: (treatment: Readonly<Record<string, unknown>>) => boolean;
}
export type TreatmentControl =
  | (Control & { readonly type: 'number'; readonly unit?: 'px' | '°' | '%'; readonly step?: number })
  | (Control & { readonly type: 'choice'; readonly options: readonly { readonly value: string; readonly label: string }[] })
  | (Control & { readonly type: 'tick' })
  | (Control & { readonly type: 'paint' })
  | (Control & { readonly type: 'stops' })
  /** A picture as a texture. */
  | (Control & { readonly type: 'texture' })
  /** Strokes of a hand on the stage. */
  | (Control & { readonly type: 'strokes' })
  /** One of the looks that the brand keeps. */
  | (Control & { readonly type: 'look' });

/** What becomes of what a treatment adds where there is one color. Kept: decided like all else by what is seen. */
export type InOneColor = 'kept' | OneColorBehavior;

/** What is pulled or turned on the stage. */
export type TreatmentHandle =
  /** A point at an angle and a distance from the part's middle. */
  | { readonly type: 'throw'; readonly angle: string; readonly length: string }
  /** A distance outward (or, by −1, inward) from the right edge of the part. */
  | { readonly type: 'edge'; readonly length: string; readonly side: 1 | -1 }
  /** A turn about the part's middle. */
  | { readonly type: 'turn'; readonly angle: string }
  /** Two ends, in percent of the part's box. */
  | { readonly type: 'ends'; readonly from: readonly [string, string]; readonly to: readonly [string, string] };

/** Everything one kind of treatment is: its numbers, its words, its geometry. */
export interface TreatmentKind<S extends z.ZodType> {
  readonly schema: S;
  readonly label: string;
  /** Other words under which it is found. */
  readonly words: readonly string[];
  /** One sentence on what it does. */
  readonly hint: string;
  readonly describe: (treatment: z.infer<S>) => string;
  readonly controls: readonly TreatmentControl[];
  readonly handles?: readonly TreatmentHandle[];
  readonly inOneColor: InOneColor;
  /** Whether it is seen in the part's own color, too: it does not begin in another where that is its own. */
  readonly seenInOwnColor?: true;
  /** Whether it looks at the light of the mark. */
  readonly lit?: true;
  readonly treat: (treatment: z.infer<S>, layers: Layers, context: TreatContext) => Treated;
  /**
   * The same more coarsely, where that takes long, or the same with outlines combined unchecked: what is shown while a hand moves, and as small
   * trials; no file holds it.
   */
  readonly quick?: 'unchecked' | ((treatment: z.infer<S>, layers: Layers, context: TreatContext) => Treated);
}
