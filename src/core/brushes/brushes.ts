import { hash, layered, noise } from '../fields/noise';
import type { Brush } from './brush';

/** An edge like that of a marker. */
export const even: Brush = {
  label: 'even',
  hint: 'A clean edge and round ends',
  inked: ({ off }) => 1 - off,
};

/** Bumps along the edge, of a share of half the width. */
const BUMPS = 0.42;
/** An edge as a full brush leaves it on rough paper. */
export const rough: Brush = {
  label: 'rough',
  hint: 'An uneven edge, as a full brush leaves it on rough paper',
  inked: ({ off, across, along }, seed) => 1 - off - BUMPS * layered(along * 2.2, 40 + across * 1.1, seed, 3),
};

/** Hairs across the width. */
const HAIRS = 11;
/** A brush that runs out of ink on its way. */
export const dry: Brush = {
  label: 'dry',
  hint: 'A brush that runs dry: its hairs leave streaks, the more the farther it went',
  inked: ({ off, across, along, length }, seed) => {
    const hair = (across + 1) * (HAIRS / 2);
    // Every hair has ink for a way of its own; streaks waver a little along the way.
    const ink =
      0.35 * hash(Math.floor(hair), 7, seed) + 0.65 * noise(hair * 1.3 + 0.3 * noise(along * 0.8, 5, seed), along * 0.16, seed + 3);
    const spent = length > 0 ? Math.min(1, Math.max(0, along / length)) : 0;
    const wet = 0.16 + 0.52 * spent;
    return Math.min(1 - off - 0.3 * noise(along * 2.5, 9 + across, seed), 2.4 * (ink - wet) + (spent < 0.12 ? 0.6 : 0));
  },
};

/** A stick that leaves grains. */
export const chalk: Brush = {
  label: 'chalk',
  hint: 'Grains of a dry stick, denser toward the middle',
  inked: ({ off, across, along }, seed) => {
    const grains = layered(along * 6, across * 3.8, seed, 2);
    const inside = Math.max(0, 1 - off);
    return Math.min(1 - off, 1.15 * inside ** 0.6 - 1.35 * grains + 0.02);
  },
};
