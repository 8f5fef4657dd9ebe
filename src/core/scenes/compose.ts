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

/** A touch of grain, the same in every picture of a scene. @returns what the light at a place is multiplied by */
const speckAt = (at: number, grain: number): number => 1 + (((Math.imul(at + 1, 0x9e3779b1) >>> 8) & 0xffff) / 65535 - 0.5) * 2 * grain;

/** Light to its step in a table of `encoded`. */
const stepOf = (light: number): number => (light >= STEPS ? STEPS : light > 0 ? (light + 0.5) | 0 : 0);
const PER_STEP = STEPS / (2 * MOST_LIGHT);

/** Goods without anything on them. */
function bareScene({ rest, print, map }: SceneLayers, shown: Uint8Array, tint: Hex, grain: number): Uint8Array {
  const out = new Uint8Array(map.widthPx * map.heightPx * 3);
  const [red, green, blue] = linearChannels(tint).map((color) => Float64Array.from(DECODED, (light) => light * color)) as [
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  for (let at = 0, from = 0; from < out.length; at++, from += 3) {
    const speck = speckAt(at, grain);
    const next = from + 1;
    const last = from + 2;
    out[from] = shown[
      stepOf(((DECODED[rest[from] as number] as number) + (red[print[from] as number] as number)) * speck * PER_STEP)
    ] as number;
    out[next] = shown[
      stepOf(((DECODED[rest[next] as number] as number) + (green[print[next] as number] as number)) * speck * PER_STEP)
    ] as number;
    out[last] = shown[
      stepOf(((DECODED[rest[last] as number] as number) + (blue[print[last] as number] as number)) * speck * PER_STEP)
    ] as number;
  }
  return out;
}

/** Bare goods as they were shown last, by their layers: while a mark is moved about on them they stay what they are. */
const bare = new WeakMap<Uint8Array, { readonly rest: Uint8Array; readonly how: string; readonly picture: Uint8Array }>();
function bareOnce(layers: SceneLayers, shown: Uint8Array, tint: Hex, grain: number): Uint8Array {
  const how = `${tint} ${grain} ${shown === AS_IT_IS}`;
  const known = bare.get(layers.print);
  if (known?.rest === layers.rest && known.how === how) return known.picture;
  const picture = bareScene(layers, shown, tint, grain);
  bare.set(layers.print, { rest: layers.rest, how, picture });
  return picture;
}

/**
 * Shows goods with marks on them: `light = rest + print × albedo`, a channel, in linear light; no mask is needed, edges come with the layers.
 * @param tint color of the goods
 * @param grain how much pixels differ that would be alike, as a share of their light
 * @returns gamma-encoded sRGB, three numbers a pixel
 */
export function composeScene(
  layers: SceneLayers,
  facts: Pick<SceneFacts, 'areas' | 'flat'>,
  tint: Hex,
  printed: readonly Printed[],
  grain = facts.flat ? 0 : GRAIN,
): Uint8Array {
  const { rest, print, map } = layers;
  const shown = facts.flat ? AS_IT_IS : AS_PHOTOGRAPHED;
  const out = bareOnce(layers, shown, tint, grain).slice();
  const surface = linearChannels(tint);
  const dark = luminance(tint) < DARK_BELOW;
  const artAt = artOn(map, facts.areas, printed);
  for (let at = 0; at < map.area.length; at++) {
    if (map.area[at] === 0) continue;
    const here = artAt(at);
    if (!here) continue;
    const seen = INK_OF[here.mark.way]({ ink: here.ink, surface, cover: here.cover, edge: here.edge, dark });
    const speck = speckAt(at, grain);
    for (let k = 0, from = at * 3; k < 3; k++, from++) {
      const light = DECODED[print[from] as number] as number;
      const given = light * ((surface[k] as number) * seen.keep + (seen.add[k] as number)) + light * light * (seen.shine[k] as number);
      out[from] = shown[stepOf(((DECODED[rest[from] as number] as number) + given) * speck * PER_STEP)] as number;
    }
  }
  return out;
}
