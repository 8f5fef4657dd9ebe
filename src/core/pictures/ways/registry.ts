import { halftoneDots, stipple } from './dots';
import { engraved } from './engraved';
import { inColors } from './in-colors';
import { inTones } from './in-tones';
import { inTwo } from './in-two';
import { pen } from './pen';
import type { TracingWay } from './way';
import type { WayName } from '../tracing';

/** Every way of turning a picture into outlines. */
export const TRACING_WAYS: Readonly<Record<WayName, TracingWay>> = {
  two: inTwo,
  pen,
  tones: inTones,
  colors: inColors,
  engraved,
  halftone: halftoneDots,
  stipple,
};
