import type { z } from 'zod';
import type { Dress } from '../color/dressing';
import type { Problem } from '../result/result';
import type { FontShelf } from '../type';
import type { DrawingNode } from './drawing';

/** What a part may look at while it is drawn. */
export interface DrawContext {
  readonly fonts: FontShelf;
  readonly dress: Dress;
}

/** A part drawn on its own origin, before it is placed. */
export interface PartPicture {
  readonly nodes: readonly DrawingNode[];
  /** What the designer should know about it. */
  readonly notices: readonly Problem[];
  /** The sum of advances in mark pixels, for lettering. */
  readonly advancePx?: number;
}

/** Everything one kind of part is: its numbers, its words, its geometry. */
export interface PartKind<S extends z.ZodType> {
  readonly schema: S;
  readonly label: string;
  /** One line under the part's name in the recipe column. */
  readonly describe: (part: z.infer<S>, fonts: Pick<FontShelf, 'family'>) => string;
  readonly draw: (part: z.infer<S>, context: DrawContext) => PartPicture;
}
