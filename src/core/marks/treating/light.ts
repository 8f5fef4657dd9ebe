import { z } from 'zod';
import { compose, invert, type Affine } from '../../geometry';

/** Where the light of a mark comes from: one for all its parts. */
export const lightSchema = z.strictObject({
  /** Clockwise on screen from the right: −135 comes from the upper left. */
  fromDeg: z.number().min(-360).max(360).default(-135),
  /** Above the sheet: 90 falls straight on it. */
  heightDeg: z.number().min(5).max(90).default(35),
});
export type Light = z.infer<typeof lightSchema>;
export const DAYLIGHT: Light = { fromDeg: -135, heightDeg: 35 };

/** The light as a plane sees it that lies turned and mirrored in the mark. @param plane from the plane's pixels to the mark's; its turn and mirroring alone count */
export function lightIn(light: Light, { a, b, c, d }: Affine): Light {
  if (a === 1 && b === 0 && c === 0 && d === 1) return light;
  const toward = (light.fromDeg * Math.PI) / 180;
  const [x, y] = [Math.cos(toward), Math.sin(toward)];
  const determinant = a * d - b * c;
  if (determinant === 0) return light;
  const own = Math.atan2((a * y - b * x) / determinant, (d * x - c * y) / determinant);
  return { ...light, fromDeg: (own * 180) / Math.PI };
}

/** Copies that turn the light by less than half of this are lit as what they are copies of: the eye does not tell, and what is lit need not be drawn again. */
const TOLD_DEG = 15;

/**
 * The light that a copy must be drawn in, before it is moved to its place, so that it falls on it there as on all others.
 * @param copy from a plane to the same plane; @param plane from that plane to the mark's
 */
export function lightForCopy(light: Light, copy: Affine, plane: Affine): Light {
  const back = invert(plane);
  if (!back) return light;
  const { fromDeg } = lightIn(light, compose(plane, compose(copy, back)));
  const turn = ((((fromDeg - light.fromDeg) % 360) + 540) % 360) - 180;
  const steps = Math.round(turn / TOLD_DEG);
  return steps === 0 ? light : { ...light, fromDeg: light.fromDeg + steps * TOLD_DEG };
}
