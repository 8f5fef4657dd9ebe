import { z } from 'zod';
import type { Affine } from '../../geometry';

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
