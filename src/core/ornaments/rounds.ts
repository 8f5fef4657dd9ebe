import { notNought } from '../numeric/tolerances';
import { mapPath, rotation, type Path } from '../geometry';
import { ring } from '../shapes/ring';
import { ellipse } from '../shapes/ellipse';
import { count, defineForm, length, percent, side } from '../shapes/form';
import { closedBrush, leaf, layered } from './brush';

/** Petals around a middle, in one or two rows; every petal is the first one, turned. */
export const rosette = defineForm({
  label: 'Rosette',
  group: 'ornament',
  words: ['flower', 'petals', 'star', 'rose', 'round', 'heraldic'],
  fields: {
    radiusPx: side('Radius', 120),
    petals: count('Petals', 8, 3, 40),
    fullnessPercent: percent('Fullness', 60, 10, 140),
    innerPercent: percent('Inner row', 55, 0, 95),
    centerPercent: percent('Center', 26, 0, 80),
  },
  outline: (n) => {
    const petals = Math.round(n.petals);
    const center = (n.radiusPx * n.centerPercent) / 100;
    const row = (radius: number, offset: number): readonly Path[] => {
      const from = center * 1.12;
      const wide = ((2 * Math.PI * radius * 0.7) / petals / notNought(radius - from)) * (n.fullnessPercent / 100);
      const first = leaf({ x: 0, y: -from }, -Math.PI / 2, radius - from, wide);
      return Array.from({ length: petals }, (_, petal) => mapPath(first, rotation(((petal + offset) * 360) / petals)));
    };
    return layered([
      ...row(n.radiusPx, 0),
      ...(n.innerPercent > 0 && (n.radiusPx * n.innerPercent) / 100 > center * 1.2 ? row((n.radiusPx * n.innerPercent) / 100, 0.5) : []),
      ...(center > 0 ? [ellipse(2 * center, 2 * center)] : []),
    ]);
  },
});

/** Interlaced waves on a ring: each line is the first one, shifted; a border that cannot be drawn by hand. */
export const guilloche = defineForm({
  label: 'Guilloche border',
  group: 'ornament',
  words: ['border', 'ring', 'rope', 'braid', 'banknote', 'interlaced', 'frame'],
  fields: {
    radiusPx: side('Radius', 190),
    bandPx: length('Band', 36),
    waves: count('Waves', 24, 3, 120),
    lines: count('Lines', 3, 1, 12),
    weightPx: side('Weight', 2.5),
    edges: count('Edge rings', 1, 0, 1),
  },
  outline: (n) => {
    const lines = Math.round(n.lines);
    const waves = Math.round(n.waves);
    const amplitude = Math.max(0, n.bandPx / 2 - n.weightPx / 2);
    const pieces = Array.from({ length: lines }, (_, index) => {
      const phase = (2 * Math.PI * index) / lines;
      return closedBrush(
        (t) => {
          const turn = 2 * Math.PI * t;
          const r = n.radiusPx + amplitude * Math.sin(waves * turn + phase);
          return { x: r * Math.cos(turn), y: r * Math.sin(turn) };
        },
        n.weightPx,
        waves * 10,
      );
    });
    if (Math.round(n.edges) === 1)
      for (const off of [n.bandPx / 2 + 2 * n.weightPx, -n.bandPx / 2 - 2 * n.weightPx]) {
        const size = 2 * (n.radiusPx + off) + n.weightPx;
        if (size > 2 * n.weightPx) pieces.push(ring(size, size, n.weightPx));
      }
    return layered(pieces);
  },
});

/** Beads on a ring. */
export const beading = defineForm({
  label: 'Beaded ring',
  group: 'ornament',
  words: ['dots', 'border', 'pearls', 'ring', 'coin', 'round'],
  fields: { radiusPx: side('Radius', 190), beads: count('Beads', 48, 3, 240), weightPx: side('Weight', 8) },
  outline: (n) => {
    const beads = Math.round(n.beads);
    const first = mapPath(ellipse(n.weightPx, n.weightPx), { a: 1, b: 0, c: 0, d: 1, e: 0, f: -n.radiusPx });
    return layered(Array.from({ length: beads }, (_, index) => mapPath(first, rotation((index * 360) / beads))));
  },
});
