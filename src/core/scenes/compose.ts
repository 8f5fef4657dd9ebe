import { luminance } from '../color/contrast';
import type { Hex } from '../color/hex';
import { artOn, type Printed } from './laid-art';
import { byteOf, linearChannels, linearOf } from './light';
import { INK_OF } from './print-ways';
import { MOST_LIGHT, type SceneFacts, type UvMap } from './scene';

/** The layers of a scene, both gamma-encoded sRGB of light divided by `MOST_LIGHT`, three numbers a pixel. */
export interface SceneLayers {
  readonly rest: Uint8Array;
  readonly print: Uint8Array;
  readonly map: UvMap;
}

const DECODED = Float32Array.from({ length: 256 }, (_, value) => linearOf(value / 255) * MOST_LIGHT);
/** Above this light is pressed together, so that highlights do not break off. */
const KNEE = 0.62;
/** Steps of light in the table to 8 bits: five or more for the darkest of these, hundreds for the others. */
const STEPS = 65536;
/** Light to 8 bits, up to twice what the layers hold. */
const encoded = (seen: (light: number) => number): Uint8Array =>
  Uint8Array.from({ length: STEPS + 1 }, (_, step) => byteOf(seen((step / STEPS) * 2 * MOST_LIGHT)));
const [AS_PHOTOGRAPHED, AS_IT_IS] = [encoded(shoulder), encoded((light) => light)];

function shoulder(light: number): number {
  return light <= KNEE ? light : KNEE + (1 - KNEE) * (1 - Math.exp(-(light - KNEE) / (1 - KNEE)));
}
/** How much pixels differ that would be alike, as a share of their light: cameras are never even. */
const GRAIN = 0.007;
/** Goods darker than this, in relative luminance, get a white ground under ink. */
export const DARK_BELOW = 0.2;

/**
 * Shows goods with marks on them: `light = rest + print × albedo`, a channel, in linear light; no mask is needed, edges come with the layers.
 * @param tint color of the goods
 * @param grain how much pixels differ that would be alike, as a share of their light
 * @returns gamma-encoded sRGB, three numbers a pixel
 */
export function composeScene(
  { rest, print, map }: SceneLayers,
  facts: Pick<SceneFacts, 'areas' | 'flat'>,
  tint: Hex,
  printed: readonly Printed[],
  grain = facts.flat ? 0 : GRAIN,
): Uint8Array {
  const { widthPx, heightPx, area } = map;
  const out = new Uint8Array(widthPx * heightPx * 3);
  const surface = linearChannels(tint);
  const dark = luminance(tint) < DARK_BELOW;
  const artAt = artOn(map, facts.areas, printed);
  const shown = facts.flat ? AS_IT_IS : AS_PHOTOGRAPHED;
  const most = STEPS / (2 * MOST_LIGHT);
  for (let at = 0, from = 0; at < area.length; at++, from += 3) {
    const here = area[at] === 0 ? undefined : artAt(at);
    const seen = here && INK_OF[here.mark.way]({ ink: here.ink, surface, cover: here.cover, edge: here.edge, dark });
    // A touch of grain, the same in every picture of a scene.
    const speck = 1 + (((Math.imul(at + 1, 0x9e3779b1) >>> 8) & 0xffff) / 65535 - 0.5) * 2 * grain;
    for (let k = 0; k < 3; k++) {
      const light = DECODED[print[from + k] as number] as number;
      const color = surface[k] as number;
      let given = light * (seen ? color * seen.keep + (seen.add[k] as number) : color);
      if (seen) given += light * light * (seen.shine[k] as number);
      const all = ((DECODED[rest[from + k] as number] as number) + given) * speck * most;
      out[from + k] = shown[all >= STEPS ? STEPS : all > 0 ? (all + 0.5) | 0 : 0] as number;
    }
  }
  return out;
}
