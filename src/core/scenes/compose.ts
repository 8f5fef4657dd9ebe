import { luminance } from '../color/contrast';
import type { Hex } from '../color/hex';
import { artOn, type Printed } from './laid-art';
import { linearChannels, linearOf } from './light';
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
/** Light to 8 bits, by a table of 4096 steps over the square root of light. */
const ENCODED = Uint8Array.from({ length: 4097 }, (_, step) => {
  const light = shoulder((step / 4096) ** 2 * 2 * MOST_LIGHT);
  return Math.round(255 * (light <= 0.0031308 ? light * 12.92 : 1.055 * light ** (1 / 2.4) - 0.055));
});

function shoulder(light: number): number {
  return light <= KNEE ? light : KNEE + (1 - KNEE) * (1 - Math.exp(-(light - KNEE) / (1 - KNEE)));
}
const encoded = (light: number): number =>
  ENCODED[Math.min(4096, Math.max(0, Math.round(4096 * Math.sqrt(light / (2 * MOST_LIGHT)))))] as number;

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
  facts: Pick<SceneFacts, 'areas'>,
  tint: Hex,
  printed: readonly Printed[],
  grain = GRAIN,
): Uint8Array {
  const { widthPx, heightPx, area } = map;
  const out = new Uint8Array(widthPx * heightPx * 3);
  const surface = linearChannels(tint);
  const dark = luminance(tint) < DARK_BELOW;
  const artAt = artOn(map, facts.areas, printed);
  for (let at = 0; at < area.length; at++) {
    const here = artAt(at);
    const seen = here && INK_OF[here.mark.way]({ ...here, surface, dark });
    // A touch of grain, the same in every picture of a scene.
    const speck = 1 + (((Math.imul(at + 1, 0x9e3779b1) >>> 8) & 0xffff) / 65535 - 0.5) * 2 * grain;
    for (let k = 0; k < 3; k++) {
      const light = DECODED[print[at * 3 + k] as number] as number;
      const color = surface[k] as number;
      const albedo = seen ? color * seen.keep + (seen.add[k] as number) : color;
      const shine = seen ? light * light * (seen.shine[k] as number) : 0;
      out[at * 3 + k] = encoded(((DECODED[rest[at * 3 + k] as number] as number) + light * albedo + shine) * speck);
    }
  }
  return out;
}
