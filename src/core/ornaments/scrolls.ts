import {
  joinPaths,
  mapPath,
  PathPen,
  polygonPath,
  reversePath,
  rotation,
  toSize,
  translation,
  compose,
  scaling,
  windingOf,
  type Path,
  type Point,
} from '../geometry';
import { ellipse } from '../shapes/ellipse';
import { rectangle } from '../shapes/rectangle';
import { count, defineForm, percent, side, sized } from '../shapes/form';
import { brush, layered, leaf, mirroredX, mirroredY } from './brush';

/** A spiral that unrolls from its eye. @source r = a·e^(b·θ), the logarithmic spiral */
const spiral =
  (turns: number, tight: number) =>
  (t: number): Point => {
    const turn = 2 * Math.PI * turns * (1 - t);
    const r = Math.exp(-tight * turn);
    return { x: r * Math.cos(turn), y: r * Math.sin(turn) };
  };
const at = (path: Path, x: number, y: number, turn = 0, size = 1): Path =>
  mapPath(path, compose(translation(x, y), compose(rotation(turn), scaling(size))));
const hole = (path: Path): Path => (windingOf(path) > 0 ? reversePath(path) : path);
const withHoles = (solid: Path, holes: readonly Path[]): Path => joinPaths([solid, ...holes.map(hole)]);

/** One scroll: a stroke that swells and ends in a knob, with leaves along it. */
function scrollStroke(weight: number, leaves: number, turns: number): Path {
  const line = spiral(turns, 0.16);
  const pieces: Path[] = [
    brush(
      (t) => line(1 - t),
      (t) => weight * (0.25 + 0.9 * Math.sin(Math.PI * (0.12 + 0.88 * t))),
      40,
    ),
    at(ellipse(weight * 1.7, weight * 1.7), line(0).x, line(0).y),
  ];
  for (let index = 0; index < leaves; index++) {
    const t = 0.98 - (0.42 * index) / Math.max(1, leaves);
    const [a, b] = [line(t), line(t - 0.01)];
    const along = Math.atan2(b.y - a.y, b.x - a.x);
    pieces.push(leaf(a, along - 0.7 + 1.9, 0.5 - 0.05 * index, 0.42));
  }
  return layered(pieces);
}

/** A scalloped blade: the half of an acanthus leaf that curls. */
const blade = (lobes: number): Path => {
  const pen = new PathPen().move(0, 0);
  for (let lobe = 0; lobe < lobes; lobe++) {
    const [x0, x1] = [lobe / lobes, (lobe + 1) / lobes];
    const rise = -0.42 * Math.sin(Math.PI * (0.18 + 0.74 * x1)) - 0.06;
    pen.cubic(x0 + 0.02, rise * 0.9, x0 + (x1 - x0) * 0.5, rise * 1.25, x1, rise * 0.86);
    if (lobe < lobes - 1) pen.cubic(x1 - 0.02, rise * 0.7, x1 - 0.03, rise * 0.5, x1 + 0.01, rise * 0.46);
  }
  return pen.cubic(1.02, -0.1, 0.7, 0.12, 0, 0).close().path();
};

export const scrolls = {
  acanthus: defineForm({
    label: 'Acanthus scroll',
    group: 'ornament',
    words: ['scroll', 'leaf', 'baroque', 'classical', 'flourish', 'filigree'],
    fields: { ...sized(300, 180), lobes: count('Lobes', 5, 3, 9), mirrored: count('Mirrored', 0, 0, 1), weightPx: side('Weight', 9) },
    outline: ({ widthPx, heightPx, lobes, mirrored, weightPx }) => {
      const n = Math.round(lobes);
      const w = weightPx / (heightPx / 2);
      const line = spiral(1.3, 0.15);
      const blades = Array.from({ length: 4 }, (_, index) => {
        const t = 0.99 - 0.1 * index;
        const [from, to] = [line(t), line(t - 0.01)];
        const along = (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI;
        return at(mirroredY(blade(n)), from.x, from.y, along + 18, 0.95 - 0.14 * index);
      });
      const half = layered([
        brush(
          (t) => line(1 - t),
          (t) => w * (0.6 + 0.7 * Math.sin(Math.PI * t)),
          40,
        ),
        at(ellipse(w * 2.2, w * 2.2), line(0).x, line(0).y),
        ...blades,
        at(blade(n), 1, 0, -64, 0.9),
        at(mirroredY(blade(n)), 1, 0, -104, 0.7),
      ]);
      const whole = Math.round(mirrored) === 1 ? layered([at(half, 1.5, 0), mirroredX(at(half, 1.5, 0))]) : half;
      return toSize(whole, widthPx, heightPx);
    },
  }),
  scrollPair: defineForm({
    label: 'Pair of scrolls',
    group: 'ornament',
    words: ['flourish', 'scroll', 'swirl', 'iron', 'swash', 'bold', 'thin'],
    fields: { ...sized(360, 110), weightPx: side('Weight', 7), leaves: count('Leaves', 2, 0, 6), turns: count('Turns', 1, 1, 3) },
    outline: ({ widthPx, heightPx, weightPx, leaves, turns }) => {
      const w = weightPx / (heightPx / 2);
      const half = at(scrollStroke(w, Math.round(leaves), Math.round(turns) + 0.35), 1.55, 0);
      const arm = brush(
        (t) => ({ x: 0.02 + 2.5 * t, y: 0.86 - 0.86 * t * t - 0.1 * t }),
        (t) => w * (0.2 + 0.8 * t),
        14,
      );
      const right = layered([half, arm]);
      return toSize(layered([right, mirroredX(right), at(ellipse(w * 2.2, w * 2.2), 0, 0.86)]), widthPx, heightPx);
    },
  }),
  cartouche: defineForm({
    label: 'Cartouche',
    group: 'ornament',
    words: ['frame', 'label', 'baroque', 'plate', 'apothecary', 'vintage'],
    fields: { ...sized(420, 260), weightPx: side('Weight', 8) },
    outline: ({ widthPx, heightPx, weightPx }) => {
      const edge = (w: number, h: number): Path => {
        const [x, y] = [w / 2, h / 2];
        const c = Math.min(x, y) * 0.3;
        return new PathPen()
          .move(0, -y)
          .cubic(x * 0.2, -y * 1.06, x * 0.34, -y * 0.94, x - 2 * c, -y + c * 0.5)
          .cubic(x - c * 1.4, -y + c * 0.7, x - c * 1.5, -y + c * 1.5, x - c * 0.6, -y + c * 1.4)
          .cubic(x * 0.94, -y * 0.3, x * 1.06, -y * 0.16, x, 0)
          .cubic(x * 1.06, y * 0.16, x * 0.94, y * 0.3, x - c * 0.6, y - c * 1.4)
          .cubic(x - c * 1.5, y - c * 1.5, x - c * 1.4, y - c * 0.7, x - 2 * c, y - c * 0.5)
          .cubic(x * 0.34, y * 0.94, x * 0.2, y * 1.06, 0, y)
          .cubic(-x * 0.2, y * 1.06, -x * 0.34, y * 0.94, -x + 2 * c, y - c * 0.5)
          .cubic(-x + c * 1.4, y - c * 0.7, -x + c * 1.5, y - c * 1.5, -x + c * 0.6, y - c * 1.4)
          .cubic(-x * 0.94, y * 0.3, -x * 1.06, y * 0.16, -x, 0)
          .cubic(-x * 1.06, -y * 0.16, -x * 0.94, -y * 0.3, -x + c * 0.6, -y + c * 1.4)
          .cubic(-x + c * 1.5, -y + c * 1.5, -x + c * 1.4, -y + c * 0.7, -x + 2 * c, -y + c * 0.5)
          .cubic(-x * 0.34, -y * 0.94, -x * 0.2, -y * 1.06, 0, -y)
          .close()
          .path();
      };
      const inner = Math.max(0, Math.min(widthPx, heightPx) - 2 * weightPx);
      const holes = inner > 0 ? [edge(widthPx - 2 * weightPx, heightPx - 2 * weightPx)] : [];
      return toSize(withHoles(layered([edge(widthPx, heightPx)]), holes), widthPx, heightPx);
    },
  }),
  vintageFrame: defineForm({
    label: 'Vintage frame',
    group: 'ornament',
    words: ['frame', 'border', 'label', 'concave corners', 'ticket', 'old'],
    fields: { ...sized(440, 280), weightPx: side('Weight', 5), cornerPercent: percent('Corner', 16, 4, 40), gapPx: side('Gap', 8) },
    outline: ({ widthPx, heightPx, weightPx, cornerPercent, gapPx }) => {
      const edge = (by: number): Path => {
        const [x, y] = [widthPx / 2 - by, heightPx / 2 - by];
        const c = (Math.min(widthPx, heightPx) * cornerPercent) / 100;
        const k = c * 0.5523;
        const pen = new PathPen().move(-x + c, -y).line(x - c, -y);
        pen.cubic(x - c, -y + k, x - k, -y + c, x, -y + c).line(x, y - c);
        pen.cubic(x - k, y - c, x - c, y - k, x - c, y).line(-x + c, y);
        pen.cubic(-x + c, y - k, -x + k, y - c, -x, y - c).line(-x, -y + c);
        return pen
          .cubic(-x + k, -y + c, -x + c, -y + k, -x + c, -y)
          .close()
          .path();
      };
      const line = (from: number, width: number) => withHoles(layered([edge(from)]), [edge(from + width)]);
      return joinPaths([line(0, weightPx), line(weightPx + gapPx, Math.max(0.5, weightPx * 0.4))]);
    },
  }),
  frameCorners: defineForm({
    label: 'Frame with scroll corners',
    group: 'ornament',
    words: ['frame', 'border', 'corners', 'certificate', 'scroll'],
    fields: { ...sized(440, 280), weightPx: side('Weight', 4), cornerPercent: percent('Corner', 26, 10, 45) },
    outline: ({ widthPx, heightPx, weightPx, cornerPercent }) => {
      const c = (Math.min(widthPx, heightPx) * cornerPercent) / 100;
      const [x, y] = [widthPx / 2, heightPx / 2];
      const corner = layered([at(scrollStroke(weightPx / (c * 0.42), 1, 1.2), x - c * 0.46, -y + c * 0.46, -45, c * 0.42)]);
      const half = layered([corner, mirroredY(corner)]);
      const bar = (px: number, py: number, w: number, h: number) => at(rectangle(w, h, 0), px, py);
      return toSize(
        layered([
          half,
          mirroredX(half),
          bar(0, -y, widthPx - 2 * c, weightPx),
          bar(0, y, widthPx - 2 * c, weightPx),
          bar(-x, 0, weightPx, heightPx - 2 * c),
          bar(x, 0, weightPx, heightPx - 2 * c),
        ]),
        widthPx,
        heightPx,
      );
    },
  }),
  mantling: defineForm({
    label: 'Mantling',
    group: 'ornament',
    words: ['cloth', 'helm', 'heraldry', 'lambrequin', 'crest', 'leaves'],
    fields: { ...sized(420, 300), folds: count('Folds', 4, 2, 7), weightPx: side('Weight', 16) },
    outline: ({ widthPx, heightPx, folds, weightPx }) => {
      const n = Math.round(folds);
      const w = weightPx / (heightPx / 2);
      const pieces: Path[] = [];
      // Every fold is a long curled leaf, cut into lobes on either side; the upper ones reach out, the lower ones hang.
      for (let fold = 0; fold < n; fold++) {
        const t = fold / Math.max(1, n - 1);
        const turn = -30 + 112 * t;
        const from = { x: 0.16 + 0.1 * Math.sin(Math.PI * t), y: -0.72 + 0.5 * t };
        const size = 1.05 + 0.32 * t;
        pieces.push(at(blade(5), from.x, from.y, turn, size), at(mirroredY(blade(4)), from.x, from.y, turn + 7, size * 0.86));
        const tip = { x: from.x + Math.cos((turn * Math.PI) / 180) * size, y: from.y + Math.sin((turn * Math.PI) / 180) * size };
        pieces.push(at(scrollStroke(0.3 * w + 0.16, 0, 0.8), tip.x, tip.y, turn + 170, 0.2));
      }
      pieces.push(
        brush(
          (t) => ({ x: 0.12 + 0.06 * Math.sin(Math.PI * t), y: -0.95 + 0.9 * t }),
          (t) => w * 1.6 * (1 - 0.5 * t),
          10,
        ),
      );
      const half = layered(pieces);
      return toSize(layered([half, mirroredX(half)]), widthPx, heightPx);
    },
  }),
  leafDivider: defineForm({
    label: 'Leaf divider',
    group: 'ornament',
    words: ['divider', 'rule', 'leaves', 'botanical', 'line'],
    fields: { ...sized(380, 46), pairs: count('Leaf pairs', 5, 1, 12), weightPx: side('Weight', 3) },
    outline: ({ widthPx, heightPx, pairs, weightPx }) => {
      const n = Math.round(pairs);
      const half: Path[] = [
        brush(
          (t) => ({ x: widthPx * 0.03 + (widthPx / 2) * 0.94 * t, y: 0 }),
          (t) => weightPx * (1 - 0.6 * t),
          6,
        ),
      ];
      for (let pair = 0; pair < n; pair++) {
        const x = widthPx * 0.05 + ((widthPx / 2) * 0.8 * (pair + 0.5)) / n;
        const size = heightPx * 0.8 * (1 - 0.5 * (pair / n));
        for (const way of [-1, 1]) half.push(leaf({ x, y: 0 }, way * 0.75, size * 0.72, 0.42));
      }
      const right = layered(half);
      return toSize(layered([right, mirroredX(right), ellipse(heightPx * 0.18, heightPx * 0.18)]), widthPx, heightPx);
    },
  }),
  pointedDivider: defineForm({
    label: 'Pointed divider',
    group: 'ornament',
    words: ['divider', 'rule', 'deco', 'line', 'diamond'],
    fields: { ...sized(380, 26), lines: count('Lines', 2, 1, 4), weightPx: side('Weight', 2.5) },
    outline: ({ widthPx, heightPx, lines, weightPx }) => {
      const n = Math.round(lines);
      const diamond = polygonPath([
        { x: 0, y: -heightPx / 2 },
        { x: heightPx * 0.32, y: 0 },
        { x: 0, y: heightPx / 2 },
        { x: -heightPx * 0.32, y: 0 },
      ]);
      const half = Array.from({ length: n }, (_, index) => {
        const y = (index - (n - 1) / 2) * weightPx * 2.2;
        return polygonPath([
          { x: heightPx * 0.5 + Math.abs(y), y: y - weightPx / 2 },
          { x: widthPx / 2, y },
          { x: heightPx * 0.5 + Math.abs(y), y: y + weightPx / 2 },
        ]);
      });
      const right = layered(half);
      return layered([right, mirroredX(right), diamond]);
    },
  }),
} as const;
