import type { Affine, Point, Region } from '../../geometry';
import type { Paint } from './paint';

/** Colors that run around a middle, or along the strokes. The stops are those of the fill's gradient. */
export interface Bent {
  readonly form: 'around' | 'along';
  /** How finely: one box for many pieces, or one for each. */
  readonly over: 'whole' | 'each';
  /** Whether nothing shines through its stops. */
  readonly opaque: boolean;
  /** In a plane of its own: a middle and toward where it begins, or the places that strokes run from and to. */
  readonly from: Point;
  readonly to: Point;
  /** From the fill's plane to that of its ends, as the fill lay when it was painted. */
  readonly map: Affine;
  /** The fill's gradient as it lay then: where that lies elsewhere by now, all of this has been moved along. */
  readonly drawn: Affine;
  /** What the strokes were then: a band that is cut later on still runs as it did. */
  readonly outline: Region;
}

/** Stitches in rows. */
export interface Knit {
  /** Of the first stitch, in a plane of its own. */
  readonly left: number;
  readonly top: number;
  /** Width of a stitch, and height of a row. */
  readonly pitch: number;
  readonly row: number;
  /** How thick the yarn is, as a share of what leaves no gap. */
  readonly yarn: number;
  /** What the yarn's color is shaded with between the stitches; nothing lies there, unless it is given. */
  readonly shade?: { readonly paint: Paint; readonly opacity: number };
  /** From the fill's plane to that of the rows. */
  readonly map: Affine;
  /** The outline of whole stitches, as it was made: what is left of it otherwise cuts them. */
  readonly whole?: Region;
  /** In a quick picture: stitches at the rim are seen through the outline instead of being cut by it. */
  readonly seenThrough?: true;
}

/** What no file can paint by itself: it is laid in pieces when a picture gets its colors; until then all that lies around it sees one outline. */
export interface Laid {
  readonly bent?: Bent;
  readonly knit?: Knit;
}
