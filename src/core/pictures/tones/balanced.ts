import { smoothed, surroundings } from './guided';

/** How light and shade of a picture are balanced before it is looked at. */
export interface Balance {
  /** How much of slow changes of light across the picture is taken away, in [0, 1]. */
  readonly even: number;
  /** Dark places opened (above 0) or closed, in [-1, 1]. */
  readonly shadows: number;
  /** Light places brightened (above 0) or calmed, in [-1, 1]. */
  readonly lights: number;
}

/** What lies within this share of the longer side tells how much light falls on a place; worked out on squares of so many pixels. */
const [LIGHT_REACH, LIGHT_CELLS] = [0.22, 100];
/** Light is never taken as less than this. */
const LEAST_LIGHT = 0.08;
/** Reach within which a place counts as dark or light, as a share of the longer side, and the variance that is still one place. */
const [PLACE_REACH, PLACE_EPSILON] = [0.03, 0.01];

/** Dark and light places by curves that meet in the middle and leave both ends where they are. */
const curve = (tone: number, shadows: number, lights: number): number => {
  const held = Math.min(1, Math.max(0, tone));
  return held < 0.5 ? 0.5 * (2 * held) ** (2 ** -shadows) : 1 - 0.5 * (2 - 2 * held) ** (2 ** lights);
};

/**
 * A plane of lightness with its light balanced: first evened out by what falls on each place (flat-field correction), then dark and light
 * places moved as a whole, with all that is fine on them kept.
 * @param plane lightness in [0, 1]; the same plane comes back where nothing is asked
 * @source flat-field correction as microscopy uses it; base and detail: F. Durand, J. Dorsey, "Fast Bilateral Filtering for the Display of
 * High-Dynamic-Range Images", SIGGRAPH 2002, with a guided filter in place of the bilateral one
 */
export function balanced(plane: Float32Array, columns: number, rows: number, { even, shadows, lights }: Balance): Float32Array {
  const longer = Math.max(columns, rows);
  let tones = plane;
  if (even > 0) {
    const [light] = surroundings(tones, columns, rows, LIGHT_REACH * longer, Math.max(1, Math.floor(longer / LIGHT_CELLS)));
    const mean = light.reduce((sum, value) => sum + value, 0) / Math.max(1, light.length);
    tones = tones.map((tone, at) => Math.min(1, tone * (mean / Math.max(LEAST_LIGHT, light[at] as number)) ** even));
  }
  if (shadows !== 0 || lights !== 0) {
    const base = smoothed(tones, columns, rows, Math.max(1, Math.round(PLACE_REACH * longer)), PLACE_EPSILON);
    tones = tones.map((tone, at) => {
      const place = base[at] as number;
      return Math.min(1, Math.max(0, curve(place, shadows, lights) + tone - place));
    });
  }
  return tones;
}
