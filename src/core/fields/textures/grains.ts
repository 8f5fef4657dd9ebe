import { hash, layered, noise, strewn } from '../noise';
import type { Texture } from './texture';

export const grain: Texture = {
  label: 'Grain',
  hint: 'Fine even specks, as film and rough paper have',
  cells: 3,
  at: (x, y, seed) => noise(x * 2, y * 2, seed) * 0.7 + noise(x * 4, y * 4, seed + 5) * 0.3,
};
export const dust: Texture = {
  label: 'Dust',
  hint: 'Single specks far apart, of many sizes',
  cells: 5,
  at: (x, y, seed) => {
    const [near, , id] = strewn(x / 1.6, y / 1.6, seed);
    return id ** 3 * 0.5 - near;
  },
};
export const worn: Texture = {
  label: 'Worn print',
  hint: 'Patches that a press left thin, with grain at their rims',
  cells: 4,
  at: (x, y, seed) => layered(x / 4, y / 4, seed, 5) * 0.75 + noise(x * 2, y * 2, seed + 9) * 0.25,
};
export const dryInk: Texture = {
  label: 'Dry ink',
  hint: 'Pinholes that crowd where the ink ran out',
  cells: 4,
  at: (x, y, seed) => layered(x / 9, y / 9, seed, 3) * 0.45 + noise(x * 1.8, y * 1.8, seed + 3) * 0.55,
};
export const stipple: Texture = {
  label: 'Stipple',
  hint: 'Round dots set by hand, no two alike',
  cells: 6,
  at: (x, y, seed) => {
    const [near, , id] = strewn(x, y, seed);
    return 0.35 + id * 0.25 - near;
  },
};
export const halftone: Texture = {
  label: 'Halftone',
  hint: 'Dots in even rows at 45 degrees, larger where it is more worn',
  cells: 8,
  at: (x, y, seed) => {
    const [u, v] = [(x + y) * Math.SQRT1_2, (x - y) * Math.SQRT1_2];
    return Math.cos(u * 2 * Math.PI) * Math.cos(v * 2 * Math.PI) + 0.9 * (layered(x / 12, y / 12, seed, 2) - 0.5);
  },
};
export const splatter: Texture = {
  label: 'Splatter',
  hint: 'Drops of every size, a few large ones among many small',
  cells: 5,
  at: (x, y, seed) => {
    let most = -9;
    for (const [size, salt] of [
      [7, 1],
      [2.6, 2],
      [1, 3],
    ] as const) {
      const [near, , id] = strewn(x / size, y / size, seed + salt * 71);
      const wobble = 0.06 * (noise(x * 1.3, y * 1.3, seed + salt) - 0.5);
      most = Math.max(most, (id ** 4 * 0.42 - near + wobble) * size ** 0.4);
    }
    return most;
  },
};
export const rust: Texture = {
  label: 'Rust',
  hint: 'Pits that have eaten into one another',
  cells: 5,
  at: (x, y, seed) => {
    const [near] = strewn(x / 2 + noise(x, y, seed) * 0.5, y / 2 + noise(x, y, seed + 8) * 0.5, seed);
    return 0.6 * layered(x / 6, y / 6, seed + 2, 4) - 0.4 * near;
  },
};
export const torn: Texture = {
  label: 'Torn paper',
  hint: 'Broad ragged pieces that have come off',
  cells: 3,
  at: (x, y, seed) =>
    1 - Math.abs(2 * layered(x / 10, y / 10, seed, 6) - 1) + 0.12 * (hash(Math.floor(x * 3), Math.floor(y * 3), seed) - 0.5),
};
