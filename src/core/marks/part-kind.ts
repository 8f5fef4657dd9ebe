import type { z } from 'zod';
import type { Affine, Bounds, FreePoint, PathAlgebra, Point } from '../geometry';
import type { Problem } from '../result/result';
import type { LicenseTerms } from '../rights';
import type { EnvelopeFrame, FontChoice, FontShelf } from '../type';
import type { Group } from './drawing/drawing';
import type { PaintedNode } from './drawing/painted';
import type { TreatedPicture } from './treating/treat';
import type { Treatment } from './treating/registry';

/** Another part of the same mark, as a part that follows it sees it: in the plane that the follower's own place is counted in, in the follower's own scale, whatever draws either of them. */
export interface Sibling {
  /** Its ink, as the box around it where the follower stands. */
  readonly ink: Bounds | undefined;
  /** Of letterings: size and circle; whoever follows is drawn anew when these or the ink change, and not for anything else. */
  readonly lettering: Pick<LetteringFacts, 'sizePx' | 'circle'> | undefined;
  /** Of free curves, and of shapes that hold words: what a text can stand on; its points from its beginning, in the follower's own pixels; `roomPx`, of shapes, is the height that there is for words, half of it to either side of the line. */
  readonly baseline: { readonly origin: Point; readonly points: readonly FreePoint[]; readonly roomPx?: number } | undefined;
  /** Its typical stroke; measured when it is asked for. */
  readonly strokePx: number | undefined;
}

/** Another part of the mark as a part sees it that draws it in its place, or traces its outline. */
export interface Member {
  readonly id: string;
  /** Its picture, on its own origin. */
  readonly nodes: readonly PaintedNode[];
  /** From its own pixels to those of whoever draws it; of what is traced, to the plane of the tracer's place. */
  readonly transform: Affine;
  readonly ink: Bounds | undefined;
  readonly opacity: number;
  readonly blend: Group['blend'];
  readonly lettering: LetteringFacts | undefined;
}

/** What a part may look at while it is drawn. */
export interface DrawContext {
  readonly fonts: FontShelf;
  readonly paths: PathAlgebra;
  /** A part that this one follows; nothing when it is gone, not understood, or would follow in a circle. Only parts named by `follows` may be asked for. */
  readonly sibling: (id: string) => Sibling | undefined;
  /** The visible parts that it draws itself, back to front. */
  readonly members: readonly Member[];
  /** The same as they are lit in a copy that stands elsewhere: one light falls on all copies. @param copy from their plane to the same plane */
  readonly membersAt: (copy: Affine) => readonly Member[];
  /** A part whose outline it looks at. */
  readonly traced: (id: string) => Member | undefined;
  /** A picture with treatments on it. @param key names the picture, as `remember` wants it */
  readonly treated: (nodes: readonly PaintedNode[], treatments: readonly Treatment[], key: string) => TreatedPicture;
  /** Remembers results that are costly to make, by a key that says everything they depend on. */
  readonly remember: <T>(key: string, make: () => T) => T;
}

/** One letter as it stands, in the part's own pixels. */
export interface LetterPlace {
  /** The first typed letter it stands for, and how many. */
  readonly index: number;
  readonly count: number;
  readonly text: string;
  /** Where the middle of its advance stands on the baseline, and how it is turned there. */
  readonly at: Point;
  readonly angleDeg: number;
  /** Its cell: half of its advance to either side, from the baseline to the height of capitals. */
  readonly halfWidthPx: number;
  readonly heightPx: number;
  readonly ink: Bounds | undefined;
}

/** The box that a cut or belt stands in, and where its plane lies. */
export interface CutFrame {
  /** Of the cut or belt. */
  readonly id: string;
  /** In 1/1000 em, in the plane of what is cut. */
  readonly box: Bounds;
  /** From that plane to the part's pixels; where the line bends, as it lies in the box's middle. */
  readonly map: Affine;
}

/** What is known about a lettering besides its picture, in the part's own pixels. */
export interface LetteringFacts {
  readonly sizePx: number;
  readonly advancePx: number;
  readonly capHeightPx: number;
  readonly xHeightPx: number;
  readonly letters: readonly LetterPlace[];
  readonly frames: readonly CutFrame[];
  /** Ids of the font families that its letters really come from. */
  readonly families: readonly string[];
  /** On a curve: the points that it runs through. */
  readonly curve?: readonly FreePoint[];
  /** In an envelope: the frame it works in, in the part's own pixels. */
  readonly envelope?: EnvelopeFrame;
  /** On a circle: its center and the baseline's radius, and how far round the text runs. */
  readonly circle?: { readonly center: Point; readonly radiusPx: number; readonly sweepDeg: number };
}

/** A part drawn on its own origin, before it is dressed and placed. */
export interface PartPicture {
  readonly nodes: readonly PaintedNode[];
  /** What the designer should know about it. */
  readonly notices: readonly Problem[];
  /** Where its origin stands in the mark when it follows another part; its own place is then counted from there. */
  readonly origin?: Point;
  readonly lettering?: LetteringFacts;
  /** What a text can stand on, in its own pixels. */
  readonly baseline?: readonly FreePoint[];
  /** The height that there is for words along it. */
  readonly roomPx?: number;
  /** Where its members pass over and under one another, in its own pixels, from left to right. */
  readonly crossings?: readonly Point[];
  /** Where it stands each member that it moves, in its own pixels. */
  readonly standing?: ReadonlyMap<string, Affine>;
}

/**
 * What a part names another one for: it draws it in its place, stands where it stands (its own place is then counted from there), looks at its
 * size or at its stroke, goes along its outline, is a live copy of it, or made it.
 */
export type ReferenceAs = 'takes' | 'stands' | 'follows' | 'stroke' | 'traces' | 'copies' | 'made';
export interface Reference {
  readonly id: string;
  readonly as: ReferenceAs;
}
/** What becomes of a reference: the id of another part, or nothing where it is let go. */
export type Referring = (id: string, as: ReferenceAs) => string | undefined;
/** Stands for a part that is gone where a part cannot be without it; no part is called so. */
export const GONE = 'gone';

/** One thing a mark is made of that belongs to somebody, and what may be done with it. */
export interface PartRights {
  readonly what: string;
  readonly kind: 'font' | 'art' | 'picture' | 'drawn';
  readonly source: string;
  readonly author: string;
  readonly license: string;
  readonly terms: LicenseTerms;
}
/** What rights are read with: the fonts there are, and the families that a part was drawn from, where it was drawn. */
export interface RightsLook {
  readonly family: FontShelf['family'];
  readonly drawnFrom?: ((partId: string) => readonly string[] | undefined) | undefined;
}

/** Everything one kind of part is: its numbers, its words, its geometry. */
export interface PartKind<S extends z.ZodType> {
  readonly schema: S;
  readonly label: string;
  /** What a part without a name of its own is called, where that says more than the kind's label. */
  readonly called?: (part: z.infer<S>) => string;
  /** One line under the part's name in the recipe column. */
  readonly describe: (part: z.infer<S>, fonts: Pick<FontShelf, 'family'>) => string;
  /** The part with every reference to another part of its mark put through `to`: the one place that knows where they are. */
  readonly refer?: (part: z.infer<S>, to: Referring) => z.infer<S>;
  /** Whether its picture says where it stands members that it moves. */
  readonly moves?: true;
  /** Whether it draws its members more than once. */
  readonly copies?: true;
  /** Every font that drawing it may look at, so that all can be opened beforehand. */
  readonly fonts?: (part: z.infer<S>) => readonly FontChoice[];
  /** What it is made of that belongs to somebody. */
  readonly rights?: (part: z.infer<S>, look: RightsLook) => readonly PartRights[];
  /** Whether it is only looked at on the table: in no proof, no file and no other part. */
  readonly onlySeen?: (part: z.infer<S>) => boolean;
  readonly draw: (part: z.infer<S>, context: DrawContext) => PartPicture;
}
