import { hash, layered, noise, strewn } from '../noise';
import type { Texture } from './texture';

/** Straight strokes strewn over the plane: how near the nearest is, one or two to each square of `apart`. */
function strokes(x: number, y: number, seed: number, apart: number, lean: number, bow: number): number {
  let most = -9;
  const [cx, cy] = [Math.floor(x / apart), Math.floor(y / apart)];
  for (let j = -1; j <= 1; j++)
    for (let i = -1; i <= 1; i++) {
      const [a, b] = [cx + i, cy + j];
      const [px, py] = [(a + hash(a, b, seed)) * apart, (b + hash(a, b, seed + 1)) * apart];
      const turn = (hash(a, b, seed + 2) - 0.5) * 2 * lean;
      const [c, s] = [Math.cos(turn), Math.sin(turn)];
      const [along, across] = [(x - px) * c + (y - py) * s, -(x - px) * s + (y - py) * c];
      const half = apart * (0.25 + 0.7 * hash(a, b, seed + 3));
      const end = Math.abs(along) / half;
      const bent = across + bow * apart * (hash(a, b, seed + 4) - 0.5) * (1 - end * end);
      // A stroke is widest in its middle and runs out at both ends.
      most = Math.max(most, (0.35 + 0.65 * hash(a, b, seed + 5)) * (1 - end) - Math.abs(bent) * 2.2);
    }
  return most;
}

export const scratches: Texture = {
  label: 'Scratches',
  hint: 'Thin straight strokes, nearly all in one direction',
  cells: 7,
  at: (x, y, seed) => Math.max(strokes(x, y, seed, 9, 0.25, 0.02), strokes(x, y, seed + 40, 5, 1.4, 0.05) - 0.2),
};
export const fiber: Texture = {
  label: 'Fiber',
  hint: 'Short bent hairs in every direction, as in handmade paper',
  cells: 7,
  at: (x, y, seed) => Math.max(strokes(x, y, seed, 4, Math.PI, 0.9), strokes(x, y, seed + 60, 3, Math.PI, 1.3) - 0.1),
};
export const brush: Texture = {
  label: 'Brush',
  hint: 'Sweeps of a dry brush, open where bristles left nothing',
  cells: 5,
  at: (x, y, seed) => {
    const bent = y + 1.5 * (layered(x / 30, y / 30, seed + 7, 2) - 0.5);
    return 0.6 * layered(x / 22, bent * 1.3, seed, 3) + 0.25 * layered(x / 14, y / 14, seed + 2, 2) + 0.15 * noise(x, bent * 3, seed + 4);
  },
};
export const wood: Texture = {
  label: 'Wood',
  hint: 'The grain of a board that was printed from',
  cells: 6,
  at: (x, y, seed) => {
    const rings = y * 0.55 + 2.2 * layered(x / 26, y / 7, seed, 3);
    return 0.6 * (0.5 + 0.5 * Math.sin(rings * 2 * Math.PI)) + 0.4 * layered(x / 9, y * 1.4, seed + 3, 2);
  },
};
export const lines: Texture = {
  label: 'Lines',
  hint: 'Level lines of uneven strength, as a ribbon leaves them',
  cells: 6,
  at: (x, y, seed) =>
    Math.cos(2 * Math.PI * (y + 0.12 * layered(x / 8, y / 8, seed, 2))) + 1.1 * (layered(x / 9, y / 9, seed + 3, 3) - 0.5),
};
export const linen: Texture = {
  label: 'Linen',
  hint: 'Threads across and down, some thicker than others',
  cells: 6,
  at: (x, y, seed) => {
    const thread = (u: number, salt: number, w: number) =>
      Math.cos(2 * Math.PI * u) *
      (0.5 + hash(Math.floor(u + 0.5), salt, seed)) *
      (0.6 + 0.8 * noise(w / 3, Math.floor(u + 0.5), seed + salt));
    return Math.max(thread(x, 1, y), thread(y, 2, x));
  },
};
export const canvas: Texture = {
  label: 'Canvas',
  hint: 'A plain weave, over and under, over and under',
  cells: 8,
  at: (x, y, seed) => {
    const over = (Math.floor(x) + Math.floor(y)) % 2 === 0;
    const [u, v] = [x - Math.floor(x) - 0.5, y - Math.floor(y) - 0.5];
    return 0.5 - Math.max(Math.abs(over ? u : v) * 1.3, Math.abs(over ? v : u)) + 0.5 * (layered(x / 7, y / 7, seed, 3) - 0.5);
  },
};
export const cracks: Texture = {
  label: 'Cracks',
  hint: 'Fine cracks that part old paint into plates',
  cells: 7,
  at: (x, y, seed) => {
    const [dx, dy] = [noise(x, y, seed + 3) * 0.5, noise(x, y, seed + 4) * 0.5];
    const [near, second] = strewn(x / 5 + dx, y / 5 + dy, seed);
    return -(second - near) + 0.35 * (layered(x / 12, y / 12, seed + 6, 2) - 0.5);
  },
};
export const stains: Texture = {
  label: 'Stains',
  hint: 'Rims that dried water leaves',
  cells: 4,
  at: (x, y, seed) => -Math.abs(layered(x / 11, y / 11, seed, 4) - 0.52) * 6 + 0.3 * noise(x * 1.5, y * 1.5, seed + 2),
};
