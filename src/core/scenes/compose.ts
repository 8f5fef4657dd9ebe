import { luminance } from '../color/contrast';
import type { Hex } from '../color/hex';
import { addSample, type ArtPyramid } from './art-pyramid';
import { MOST_LIGHT, MOST_UV, type PrintWay, type SceneFacts, type UvMap } from './scene';

/** The layers of a scene, both gamma-encoded sRGB of light divided by `MOST_LIGHT`, three numbers a pixel. */
export interface SceneLayers {
  readonly rest: Uint8Array;
  readonly print: Uint8Array;
  readonly map: UvMap;
}

/** A mark on a print area. */
export interface Printed {
  /** Print area, from 1. */
  readonly area: number;
  readonly art: ArtPyramid;
  /** Middle of the art, as shares of the area; width as a share of the area's width. */
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly turnDeg: number;
  readonly way: PrintWay;
}

const linearOf = (part: number): number => (part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4);
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

/** Taps along each side of a pixel, and how far apart they may lie on the level that is read. */
const TAPS = 4;
const TAP_REACH = 3.9;
/** Ink that soaks into cloth; what lies on it stays a little matt. */
const SOAKS = 0.92;

const whiteAt = [1, 1, 1] as const;
const channelsOf = (hex: Hex): readonly [number, number, number] =>
  [1, 3, 5].map((at) => linearOf(parseInt(hex.slice(at, at + 2), 16) / 255)) as [number, number, number];

/**
 * Shows goods with marks on them: `light = rest + print × albedo`, a channel, in linear light; no mask is needed, edges come with the layers.
 * Where a mark lies, each pixel reads 4 × 4 taps, each on a level of the art that is as fine as they lie apart.
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
  const { widthPx, heightPx, area, uv } = map;
  const out = new Uint8Array(widthPx * heightPx * 3);
  const [tr, tg, tb] = channelsOf(tint);
  const dark = luminance(tint) < 0.2;
  const byArea = new Map(printed.map((each) => [each.area, each]));
  const ink = new Float32Array(4);
  const shifted = new Float32Array(4);
  for (let at = 0; at < area.length; at++) {
    const n = at * 3;
    let [ar, ag, ab] = [tr, tg, tb];
    let [gr, gg, gb] = [0, 0, 0];
    const here = area[at] as number;
    const mark = here === 0 ? undefined : byArea.get(here);
    const size = mark && facts.areas[here - 1];
    if (mark && size) {
      const x = at % widthPx;
      const column = (q: number): boolean => area[q] === here;
      // How the place moves from this pixel to the next, across and down.
      const right = x + 1 < widthPx && column(at + 1) ? at + 1 : at;
      const left = x > 0 && column(at - 1) ? at - 1 : at;
      const below = at + widthPx < area.length && column(at + widthPx) ? at + widthPx : at;
      const above = at >= widthPx && column(at - widthPx) ? at - widthPx : at;
      const finest = mark.art.levels[0];
      if (!finest) continue;
      // From the area to the art's pixels.
      const scale = finest.widthPx / (mark.width * size.widthMm);
      const turn = (-mark.turnDeg * Math.PI) / 180;
      const [cos, sin] = [Math.cos(turn) * scale, Math.sin(turn) * scale];
      const [mx, my] = [size.widthMm / MOST_UV, size.heightMm / MOST_UV];
      const dx = ((uv[at * 2] as number) - mark.x * MOST_UV) * mx;
      const dy = ((uv[at * 2 + 1] as number) - mark.y * MOST_UV) * my;
      const ax = dx * cos - dy * sin + finest.widthPx / 2;
      const ay = dx * sin + dy * cos + finest.heightPx / 2;
      const step = (from: number, to: number, apart: number) => {
        const over = from === to ? 0 : 1 / apart;
        const [sx, sy] = [
          ((uv[to * 2] as number) - (uv[from * 2] as number)) * mx * over,
          ((uv[to * 2 + 1] as number) - (uv[from * 2 + 1] as number)) * my * over,
        ];
        return [sx * cos - sy * sin, sx * sin + sy * cos] as const;
      };
      const [hx, hy] = step(left, right, (right !== at ? 1 : 0) + (left !== at ? 1 : 0));
      const [vx, vy] = step(above, below, (below === at ? 0 : 1) + (above === at ? 0 : 1));
      const reach = Math.max(Math.hypot(hx, hy), Math.hypot(vx, vy), 1e-6);
      if (ax < -2 * reach || ay < -2 * reach || ax > finest.widthPx + 2 * reach || ay > finest.heightPx + 2 * reach) {
        // Nothing of the mark lies here.
      } else {
        const level = Math.max(0, Math.floor(Math.log2(reach / TAP_REACH)));
        ink.fill(0);
        const relief = mark.way === 'engraved' || mark.way === 'pressed' || mark.way === 'foil';
        if (relief) shifted.fill(0);
        for (let j = 0; j < TAPS; j++)
          for (let i = 0; i < TAPS; i++) {
            const [s, t] = [(i + 0.5) / TAPS - 0.5, (j + 0.5) / TAPS - 0.5];
            const [px, py] = [ax + hx * s + vx * t, ay + hy * s + vy * t];
            addSample(mark.art, level, px, py, 1 / (TAPS * TAPS), ink);
            // The same mark a little up and to the left: where one ends and the other goes on is an edge in the light.
            if (relief) addSample(mark.art, level, px - (hx + vx) * 1.2, py - (hy + vy) * 1.2, 1 / (TAPS * TAPS), shifted);
          }
        const cover = ink[3] as number;
        const [ir, ig, ib] = cover > 0 ? [(ink[0] as number) / cover, (ink[1] as number) / cover, (ink[2] as number) / cover] : whiteAt;
        const edge = relief ? cover - (shifted[3] as number) : 0;
        switch (mark.way) {
          case 'cloth': {
            // Ink soaks in and takes the cloth's color with it; on dark cloth a white ground lies under it.
            const [r, g, b] = dark
              ? [ir * SOAKS, ig * SOAKS, ib * SOAKS]
              : [ir * (0.32 + 0.68 * tr), ig * (0.32 + 0.68 * tg), ib * (0.32 + 0.68 * tb)];
            const soak = dark ? 0.96 : SOAKS;
            ar += (r - ar) * cover * soak;
            ag += (g - ag) * cover * soak;
            ab += (b - ab) * cover * soak;
            break;
          }
          case 'engraved':
          case 'pressed': {
            const deep = mark.way === 'engraved' ? 0.5 : 0.14;
            const lit = mark.way === 'engraved' ? 0.5 : 0.42;
            const factor = (1 - deep * cover) * (1 - edge * lit);
            ar *= factor;
            ag *= factor;
            ab *= factor;
            break;
          }
          case 'foil': {
            ar += (ir * 0.72 - ar) * cover;
            ag += (ig * 0.72 - ag) * cover;
            ab += (ib * 0.72 - ab) * cover;
            // Metal gives back the light that falls on it in its own color, most where it is brightest.
            const strength = cover * 0.55 + Math.max(0, -edge) * 0.3;
            [gr, gg, gb] = [ir * strength, ig * strength, ib * strength];
            break;
          }
          default: {
            ar += (ir - ar) * cover;
            ag += (ig - ag) * cover;
            ab += (ib - ab) * cover;
          }
        }
      }
    }
    // A touch of grain, the same in every picture of a scene.
    const speck = 1 + (((Math.imul(at + 1, 0x9e3779b1) >>> 8) & 0xffff) / 65535 - 0.5) * 2 * grain;
    const [pr, pg, pb] = [
      DECODED[print[n] as number] as number,
      DECODED[print[n + 1] as number] as number,
      DECODED[print[n + 2] as number] as number,
    ];
    out[n] = encoded(((DECODED[rest[n] as number] as number) + pr * ar + pr * pr * gr) * speck);
    out[n + 1] = encoded(((DECODED[rest[n + 1] as number] as number) + pg * ag + pg * pg * gg) * speck);
    out[n + 2] = encoded(((DECODED[rest[n + 2] as number] as number) + pb * ab + pb * pb * gb) * speck);
  }
  return out;
}
