import type { Hex } from '../../color/hex';
import type { FillRule, Path } from '../../geometry';
import type { LabPlanes } from '../pixels';
import type { Tracing } from '../tracing';

/** One outline in one color, in the picture's pixels. */
export interface TracedArea {
  readonly path: Path;
  readonly rule: FillRule;
  readonly color: Hex;
}

/** A picture that is being traced. */
export interface TracedPicture {
  readonly columns: number;
  readonly rows: number;
  readonly planes: LabPlanes;
  /** Lightness with small differences smoothed away and edges kept. */
  readonly gray: Float32Array;
}

/** A way of turning a picture into outlines. */
export interface TracingWay {
  readonly label: string;
  /** What it is good for, in a line. */
  readonly says: string;
  /** Which numbers it looks at. */
  readonly uses: readonly (keyof Tracing)[];
  /** Thresholds it finds by itself, between 0 and 1, rising; those that are set are used instead. */
  readonly thresholds?: (picture: TracedPicture, tracing: Tracing) => readonly number[];
  /** Back to front. */
  readonly trace: (picture: TracedPicture, tracing: Tracing) => readonly TracedArea[];
}
