import { gaussian } from '../../fields/gaussian';
import { layered } from '../../fields/noise';
import type { Ground } from './grounds';
import type { HeightMap } from './height-map';
import { byteOf, mix, type LinearColor } from './linear-color';
import type { Solid } from './solid';

export interface Lamp {
  /** Unit vector toward the light: x to the right, y down, z out of the picture. */
  readonly toward: readonly [number, number, number];
  readonly seed: number;
}

/** Pixels across that make up one pixel of the picture. */
export const SAMPLES = 2;
/** Light that comes from everywhere. */
const AMBIENT = 0.34;

/** Bands of another color across a solid. */
function bandsOn(solid: Solid, color: LinearColor, x: number, y: number): LinearColor {
  const { bands } = solid;
  if (!bands) return color;
  const turn = (bands.turnDeg * Math.PI) / 180;
  const place = (x * Math.cos(turn) + y * Math.sin(turn)) * bands.perUnit;
  return Math.floor(place) % 2 === 0 ? color : bands.color;
}

/** How much of the light on the ground solids take away: their shape, thrown away from the light and softened. At a quarter of the side. */
function castShadow({ side, heights, seen }: HeightMap, toward: Lamp['toward']): { readonly cells: number; readonly shade: Float32Array } {
  const cells = Math.ceil(side / 4);
  const shade = new Float32Array(cells * cells);
  for (let row = 0; row < cells; row++)
    for (let column = 0; column < cells; column++) {
      const at = Math.min(side - 1, row * 4) * side + Math.min(side - 1, column * 4);
      if ((seen[at] as number) < 0) continue;
      const throwBy = ((heights[at] as number) * cells) / 2 / Math.max(0.35, toward[2]);
      const x = Math.round(column - toward[0] * throwBy);
      const y = Math.round(row - toward[1] * throwBy);
      if (x >= 0 && y >= 0 && x < cells && y < cells) shade[y * cells + x] = 1;
      shade[row * cells + column] = 1;
    }
  return { cells, shade: gaussian(shade, cells, cells, cells / 45) };
}

/** How deep every place lies under its surroundings, softened: creases are darker. At a quarter of the side. */
function creases({ side, heights }: HeightMap, cells: number): Float32Array {
  const small = new Float32Array(cells * cells);
  for (let row = 0; row < cells; row++)
    for (let column = 0; column < cells; column++)
      small[row * cells + column] = heights[Math.min(side - 1, row * 4) * side + Math.min(side - 1, column * 4)] as number;
  return gaussian(small, cells, cells, cells / 40);
}

/**
 * Lights a height map: lambert with light from everywhere beside it, a highlight on what is glazed, darker creases, a soft shadow on the ground.
 * @returns steps, one a row of the picture; then the pixels
 * @source highlight by the half vector: J. F. Blinn, 1977
 */
export function* lightUp(map: HeightMap, solids: readonly Solid[], ground: Ground, { toward, seed }: Lamp): Generator<void, Uint8Array> {
  const { side, heights, seen } = map;
  const out = Math.floor(side / SAMPLES);
  const rgba = new Uint8Array(out * out * 4);
  const { cells, shade } = castShadow(map, toward);
  const around = creases(map, cells);
  const half = Math.hypot(toward[0], toward[1], toward[2] + 1);
  const halfway = [toward[0] / half, toward[1] / half, (toward[2] + 1) / half] as const;
  const heightNear = (at: number, beside: number): number | undefined =>
    seen[beside] === seen[at] ? (heights[beside] as number) : undefined;
  const slope = (at: number, before: number, after: number): number => {
    const own = heights[at] as number;
    const [one, other] = [heightNear(at, before), heightNear(at, after)];
    const perPixel = 2 / side;
    if (one !== undefined && other !== undefined) return (other - one) / (2 * perPixel);
    if (other !== undefined) return (other - own) / perPixel;
    return one === undefined ? 0 : (own - one) / perPixel;
  };
  /** The ground is soft: it is looked at once for each pixel of the picture. */
  let behind: LinearColor | undefined;
  const groundNow = (x: number, y: number): LinearColor => (behind ??= ground.colorAt(x, y));
  const colorAt = (column: number, row: number): LinearColor => {
    const at = row * side + column;
    const [x, y] = [((column + 0.5) * 2) / side - 1, ((row + 0.5) * 2) / side - 1];
    const cell = Math.min(cells - 1, row >> 2) * cells + Math.min(cells - 1, column >> 2);
    const solid = solids[seen[at] as number];
    if (!solid) {
      const taken = ground.takesShadow ? (shade[cell] as number) * 0.5 : 0;
      return mix(groundNow(x, y), [0.012, 0.012, 0.02], taken);
    }
    const dx = slope(at, column > 0 ? at - 1 : at, column + 1 < side ? at + 1 : at);
    const dy = slope(at, row > 0 ? at - side : at, row + 1 < side ? at + side : at);
    const long = Math.hypot(dx, dy, 1);
    const [nx, ny, nz] = [-dx / long, -dy / long, 1 / long];
    const lambert = Math.max(0, nx * toward[0] + ny * toward[1] + nz * toward[2]);
    const crease = Math.min(0.5, Math.max(0, (around[cell] as number) - (heights[at] as number)) * 4);
    const light = (AMBIENT + 0.86 * lambert) * (1 - crease);
    const wander = solid.mottle ? 1 + solid.mottle * (layered(x * 9, y * 9, seed + (seen[at] as number), 3) - 0.5) : 1;
    const glance = Math.max(0, nx * halfway[0] + ny * halfway[1] + nz * halfway[2]) ** 38;
    const shine = (solid.gloss ?? 0.1) * 0.7 * glance;
    const [red, green, blue] = bandsOn(solid, solid.color, x, y);
    return [red * light * wander + shine, green * light * wander + shine, blue * light * wander + shine];
  };
  for (let row = 0; row < out; row++) {
    for (let column = 0; column < out; column++) {
      let [red, green, blue] = [0, 0, 0];
      behind = undefined;
      for (let sub = 0; sub < SAMPLES * SAMPLES; sub++) {
        const color = colorAt(column * SAMPLES + (sub % SAMPLES), row * SAMPLES + Math.floor(sub / SAMPLES));
        red += color[0];
        green += color[1];
        blue += color[2];
      }
      const share = 1 / (SAMPLES * SAMPLES);
      const at = (row * out + column) * 4;
      rgba[at] = byteOf(red * share);
      rgba[at + 1] = byteOf(green * share);
      rgba[at + 2] = byteOf(blue * share);
      rgba[at + 3] = 255;
    }
    yield;
  }
  return rgba;
}
