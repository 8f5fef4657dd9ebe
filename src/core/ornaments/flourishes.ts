import { mapPath, PathPen, toSize, translation, type Path, type Point } from '../geometry';
import { ellipse } from '../shapes/ellipse';
import { count, defineForm, percent, seed, side, sized } from '../shapes/form';
import { brush, chance, leaf, mirroredX, mirroredY, layered } from './brush';

/** A spiral that winds into a center: an S-shaped stroke begins on it. Radii shrink evenly with the turn (Archimedes). */
const spiral =
  (center: Point, radius: number, from: number, turns: number, way: 1 | -1) =>
  (t: number): Point => {
    const turn = from + way * turns * 2 * Math.PI * t;
    const r = radius * (1 - 0.88 * t);
    return { x: center.x + r * Math.cos(turn), y: center.y + r * Math.sin(turn) };
  };

/** Thick in the middle, thin where it begins and ends. */
const swelling = (weight: number) => (t: number) => weight * (0.25 + 0.95 * Math.sin(Math.PI * Math.min(1, Math.max(0, t))) ** 0.8);

const dot = (at: Point, size: number): Path => mapPath(ellipse(size, size), translation(at.x, at.y));

/** Two curls on either side of the middle, mirrored: under a name, over a crest. */
export const flourish = defineForm({
  label: 'Flourish',
  group: 'ornament',
  words: ['swirl', 'curl', 'scroll', 'swash', 'filigree', 'calligraphy'],
  fields: {
    widthPx: side('Width', 420),
    curlPercent: percent('Curls', 32, 12, 60),
    turns: count('Turns', 1.25, 0.5, 3),
    weightPx: side('Weight', 6),
    endDotPercent: percent('End dots', 160, 0, 400),
  },
  outline: (n) => {
    const half = n.widthPx / 2;
    const r = half * (n.curlPercent / 100);
    const gap = half * 0.05;
    const outer = { x: half - r, y: 0 };
    const stem = (t: number): Point => {
      // A cubic from the middle that arrives tangent to the curl's top.
      const s = 1 - t;
      const [p0, p1, p2, p3] = [
        { x: gap, y: r * 0.55 },
        { x: half * 0.3, y: r * 0.75 },
        { x: half - 2.1 * r, y: -r },
        { x: outer.x, y: -r },
      ];
      const mix = (k: 'x' | 'y') => s * s * s * p0[k] + 3 * s * s * t * p1[k] + 3 * s * t * t * p2[k] + t * t * t * p3[k];
      return { x: mix('x'), y: mix('y') };
    };
    const curl = spiral(outer, r, -Math.PI / 2, n.turns, 1);
    const second = spiral({ x: half * 0.34, y: r * 0.28 }, r * 0.5, Math.PI / 2, n.turns * 0.8, -1);
    const line = (t: number): Point => (t < 0.5 ? stem(t * 2) : curl(t * 2 - 1));
    const right = layered([
      brush(line, (t) => n.weightPx * (t < 0.5 ? 0.3 + 1.4 * t : 1 - 1.4 * (t - 0.5)), 56),
      brush(second, (t) => n.weightPx * (0.8 - 0.6 * t), 32),
      ...(n.endDotPercent > 0
        ? [dot(curl(1), (n.weightPx * n.endDotPercent) / 100), dot(second(1), (n.weightPx * n.endDotPercent) / 130)]
        : []),
    ]);
    return layered([right, mirroredX(right)]);
  },
});

/** A rule with something in its middle; both arms taper. */
export const divider = defineForm({
  label: 'Ornamental divider',
  group: 'ornament',
  words: ['rule', 'line', 'separator', 'diamond', 'dots'],
  fields: {
    widthPx: side('Width', 420),
    weightPx: side('Weight', 4),
    centerPercent: percent('Center', 420, 0, 1500),
    beads: count('Beads', 2, 0, 9),
    roundPercent: percent('Round center', 0, 0, 100),
  },
  outline: (n) => {
    const half = n.widthPx / 2;
    const center = (n.weightPx * n.centerPercent) / 100;
    const bead = n.weightPx * 1.6;
    const beads = Math.round(n.beads);
    const from = center / 2 + n.weightPx * 1.4 + beads * bead * 1.9;
    const pieces: Path[] = [];
    if (half > from) {
      const arm = brush(
        (t) => ({ x: from + (half - from) * t, y: 0 }),
        (t) => n.weightPx * (1 - 0.85 * t),
        8,
      );
      pieces.push(arm, mirroredX(arm));
    }
    for (let index = 0; index < beads; index++) {
      const own = dot({ x: center / 2 + n.weightPx * 1.4 + bead * (0.5 + 1.9 * index), y: 0 }, bead);
      pieces.push(own, mirroredX(own));
    }
    if (center > 0) {
      // From a diamond with hollow sides to a disk: the handles of its four quarters go out from the middle.
      const out = n.roundPercent / 100;
      const r = center / 2;
      const [c, k] = [r * (0.3 + 0.7 * out), r * (0.12 + (0.5523 - 0.12) * out)];
      pieces.push(
        new PathPen()
          .move(r, 0)
          .cubic(c, k, k, c, 0, r)
          .cubic(-k, c, -c, k, -r, 0)
          .cubic(-c, -k, -k, -c, 0, -r)
          .cubic(k, -c, c, -k, r, 0)
          .close()
          .path(),
      );
    }
    return layered(pieces);
  },
});

/** A corner piece: a curl along each of two sides that mirror each other about the diagonal. */
export const corner = defineForm({
  label: 'Corner ornament',
  group: 'ornament',
  words: ['frame', 'filigree', 'border', 'swirl', 'certificate'],
  fields: {
    ...sized(220),
    curlPercent: percent('Curls', 34, 12, 48),
    turns: count('Turns', 1.2, 0.5, 2.5),
    weightPx: side('Weight', 5),
    leaves: count('Leaves', 3, 0, 12),
  },
  outline: (n) => {
    const size = 100;
    const r = (size * n.curlPercent) / 200;
    const weight = (n.weightPx * size) / Math.max(n.widthPx, 1);
    const center = { x: size - r, y: r };
    const line = (t: number): Point => {
      if (t >= 0.55) return spiral(center, r, -Math.PI / 2, n.turns, 1)((t - 0.55) / 0.45);
      const u = t / 0.55;
      return { x: (size - r) * u, y: 0 };
    };
    const pieces = [
      brush(line, (t) => weight * (t < 0.55 ? 1 : 1 - 1.5 * (t - 0.55)), 48),
      dot(line(1), weight * 1.7),
      dot({ x: 0, y: 0 }, weight),
    ];
    for (let index = 0; index < Math.round(n.leaves); index++) {
      const t = 0.12 + (0.4 * (index + 0.5)) / Math.max(1, Math.round(n.leaves));
      pieces.push(leaf(line(t), 0.75, size * 0.15, 0.45));
    }
    const arm = layered(pieces);
    // About the diagonal x = y.
    const other: Path = {
      verbs: arm.verbs,
      coords: arm.coords.map((_, index) => arm.coords[index % 2 === 0 ? index + 1 : index - 1] as number),
    };
    return toSize(layered([arm, other]), n.widthPx, n.heightPx);
  },
});

/** A stem that bends and branches, with leaves and round blossoms; every variation another one. Mirrored where asked. */
export const spray = defineForm({
  label: 'Floral spray',
  group: 'ornament',
  words: ['flower', 'branch', 'botanical', 'leaf', 'bouquet', 'herb', 'plant'],
  fields: {
    heightPx: side('Height', 320),
    stems: count('Stems', 3, 1, 9),
    leaves: count('Leaves', 7, 0, 24),
    leafPercent: percent('Leaf length', 100, 20, 250),
    blossomPercent: percent('Blossoms', 100, 0, 300),
    petals: count('Petals', 6, 3, 14),
    weightPx: side('Weight', 4),
    spreadPercent: percent('Spread', 60, 0, 150),
    variation: seed(),
    mirrored: count('Mirrored', 0, 0, 1),
  },
  outline: (n) => {
    const pieces: Path[] = [];
    const stems = Math.round(n.stems);
    for (let stem = 0; stem < stems; stem++) {
      const side = stems === 1 ? 0.15 : (stem / (stems - 1)) * 2 - 1;
      const tall = n.heightPx * (1 - 0.28 * Math.abs(side) + 0.08 * chance(n.variation, stem, 1));
      const lean = side * (n.spreadPercent / 100) * 0.75 + 0.12 * chance(n.variation, stem, 2);
      const bend = 0.35 * chance(n.variation, stem, 3) + side * 0.3;
      const line = (t: number): Point => ({
        x: tall * (lean * t + bend * t * t * 0.4 - bend * t * 0.25),
        y: n.heightPx / 2 - tall * t * (1 - 0.12 * Math.abs(lean) * t),
      });
      pieces.push(brush(line, (t) => n.weightPx * (1 - 0.6 * t), 20));
      const leaves = Math.round(n.leaves);
      for (let index = 0; index < leaves; index++) {
        const t = 0.22 + (0.66 * (index + 0.5)) / leaves;
        const [a, b] = [line(t - 0.01), line(t + 0.01)];
        const along = Math.atan2(b.y - a.y, b.x - a.x);
        const way = index % 2 === 0 ? 1 : -1;
        const size = tall * 0.17 * (1 - 0.4 * t) * (n.leafPercent / 100) * (1 + 0.25 * chance(n.variation, 40 * stem + index, 4));
        pieces.push(leaf(line(t), along + way * (0.75 + 0.2 * chance(n.variation, 40 * stem + index, 5)), size, 0.42));
      }
      if (n.blossomPercent > 0) {
        const at = line(1);
        const size = n.heightPx * 0.075 * (n.blossomPercent / 100);
        const petals = Math.round(n.petals);
        for (let petal = 0; petal < petals; petal++) {
          const turn = -Math.PI / 2 + (2 * Math.PI * petal) / petals;
          pieces.push(
            leaf({ x: at.x + Math.cos(turn) * size * 0.32, y: at.y + Math.sin(turn) * size * 0.32 }, turn, size, Math.min(0.9, 4 / petals)),
          );
        }
        pieces.push(dot(at, size * 0.42));
      }
    }
    const whole = layered(pieces);
    return Math.round(n.mirrored) === 1 ? layered([whole, mirroredX(whole)]) : whole;
  },
});

/** A swelled line with a point at either end and a knob in its middle; upside down it is itself. */
export const spindle = defineForm({
  label: 'Spindle',
  group: 'ornament',
  words: ['rule', 'divider', 'swelled rule', 'line'],
  fields: { widthPx: side('Width', 360), weightPx: side('Weight', 10) },
  outline: (n) => {
    const upper = brush((t) => ({ x: -n.widthPx / 2 + n.widthPx * t, y: 0 }), swelling(n.weightPx), 24);
    return layered([upper, mirroredY(dot({ x: 0, y: 0 }, n.weightPx * 1.2))]);
  },
});
