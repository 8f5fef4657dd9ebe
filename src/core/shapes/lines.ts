import { arcOn, PathPen, polygonPath, toSize, type Path, type Point } from '../geometry';
import { angle, count, defineForm, length, percent, side, sized } from './form';

/** A bar whose ends are round by a share: 0 is square, 100 a half circle. */
function bar(lengthPx: number, weightPx: number, roundPercent: number): Path {
  const [x, y] = [lengthPx / 2, weightPx / 2];
  const cap = Math.min((y * roundPercent) / 100, x);
  if (cap === 0)
    return polygonPath([
      { x: -x, y: -y },
      { x, y: -y },
      { x, y },
      { x: -x, y },
    ]);
  const pen = new PathPen().move(-x + cap, -y).line(x - cap, -y);
  arcOn(pen, x - cap, 0, cap, y, -Math.PI / 2, Math.PI).line(-x + cap, y);
  return arcOn(pen, -x + cap, 0, cap, y, Math.PI / 2, Math.PI)
    .close()
    .path();
}

export const line = defineForm({
  label: 'Line',
  group: 'line',
  words: ['rule', 'bar', 'stroke', 'divider', 'dash'],
  fields: { widthPx: side('Length', 400), heightPx: side('Weight', 6), roundPercent: percent('Round ends', 0) },
  outline: ({ widthPx, heightPx, roundPercent }) => bar(widthPx, heightPx, roundPercent),
});

/** A bar that grows thinner toward both ends. */
export const taperedLine = defineForm({
  label: 'Tapered line',
  group: 'line',
  words: ['rule', 'divider', 'swelled', 'dash', 'stroke'],
  fields: { widthPx: side('Length', 400), heightPx: side('Weight', 8), endPercent: percent('Ends', 0) },
  outline: ({ widthPx, heightPx, endPercent }) => {
    const [x, y] = [widthPx / 2, heightPx / 2];
    const end = (y * endPercent) / 100;
    return new PathPen()
      .move(-x, -end)
      .cubic(-x / 2, -y, -x / 2, -y, 0, -y)
      .cubic(x / 2, -y, x / 2, -y, x, -end)
      .line(x, end)
      .cubic(x / 2, y, x / 2, y, 0, y)
      .cubic(-x / 2, y, -x / 2, y, -x, end)
      .close()
      .path();
  },
});

/** A stroke along a circle, its middle on top; its center is the part's origin. */
export const arcLine = defineForm({
  label: 'Arc line',
  group: 'line',
  words: ['curve', 'arch', 'rule', 'stroke', 'round', 'swoosh'],
  fields: {
    radiusPx: side('Radius', 180),
    sweepDeg: angle('Sweep', 120, 1, 359),
    weightPx: side('Weight', 6),
    roundPercent: percent('Round ends', 0),
  },
  outline: ({ radiusPx, sweepDeg, weightPx, roundPercent }) => {
    const half = weightPx / 2;
    const sweep = (sweepDeg * Math.PI) / 180;
    const [from, to] = [-Math.PI / 2 - sweep / 2, -Math.PI / 2 + sweep / 2];
    const [outer, inner] = [radiusPx + half, Math.max(0, radiusPx - half)];
    const at = (r: number, turn: number) => [r * Math.cos(turn), r * Math.sin(turn)] as const;
    const cap = (half * roundPercent) / 100;
    const pen = new PathPen().move(...at(outer, from));
    arcOn(pen, 0, 0, outer, outer, from, sweep);
    const end = (turn: number, way: number, last: readonly [number, number]) => {
      if (cap === 0) return pen.line(...last);
      const [mx, my] = at((outer + inner) / 2, turn);
      const [nx, ny] = [Math.cos(turn), Math.sin(turn)];
      const [tx, ty] = [-ny * way, nx * way];
      const r = (outer - inner) / 2;
      const k = 0.5522847498;
      const sign = Math.hypot(last[0], last[1]) < radiusPx ? -1 : 1;
      return pen
        .cubic(
          mx - sign * nx * r + tx * cap * k,
          my - sign * ny * r + ty * cap * k,
          mx - sign * nx * r * k + tx * cap,
          my - sign * ny * r * k + ty * cap,
          mx + tx * cap,
          my + ty * cap,
        )
        .cubic(
          mx + sign * nx * r * k + tx * cap,
          my + sign * ny * r * k + ty * cap,
          last[0] + tx * cap * k,
          last[1] + ty * cap * k,
          last[0],
          last[1],
        );
    };
    end(to, 1, at(inner, to));
    arcOn(pen, 0, 0, inner, inner, to, -sweep);
    end(from, -1, at(outer, from));
    return pen.close().path();
  },
});

/** A wave of half circles' likeness with even weight. */
export const waveLine = defineForm({
  label: 'Wave line',
  group: 'line',
  words: ['water', 'sea', 'river', 'curve', 'rule', 'stroke'],
  fields: { widthPx: side('Length', 400), wavePx: length('Height', 24), waves: count('Waves', 4, 1, 60), weightPx: side('Weight', 6) },
  outline: ({ widthPx, wavePx, waves, weightPx }) => {
    const n = Math.round(waves) * 2;
    const step = widthPx / n;
    const half = weightPx / 2;
    const a = wavePx / 2;
    const pen = new PathPen();
    const edge = (off: number, back: boolean) => {
      for (let i = 0; i < n; i++) {
        const index = back ? n - 1 - i : i;
        const [x0, x1] = [-widthPx / 2 + index * step, -widthPx / 2 + (index + 1) * step];
        const top = (index % 2 === 0 ? -1 : 1) * a * (4 / 3);
        const [from, to] = back ? [x1, x0] : [x0, x1];
        const third = (to - from) * 0.3642;
        pen.cubic(from + third, off + top, to - third, off + top, to, off);
      }
    };
    pen.move(-widthPx / 2, -half);
    edge(-half, false);
    pen.line(widthPx / 2, half);
    edge(half, true);
    return pen.close().path();
  },
});

export const arrow = defineForm({
  label: 'Arrow',
  group: 'line',
  words: ['pointer', 'direction', 'way', 'archery', 'head'],
  fields: {
    ...sized(360, 120),
    shaftPercent: percent('Shaft', 30, 1, 100),
    headPercent: percent('Head', 35, 5, 100),
    barbPercent: percent('Barb', 0, -60, 60),
  },
  outline: ({ widthPx, heightPx, shaftPercent, headPercent, barbPercent }) => {
    const [x, y] = [widthPx / 2, heightPx / 2];
    const shaft = (y * shaftPercent) / 100;
    const neck = x - (widthPx * headPercent) / 100;
    const barb = neck - ((widthPx * headPercent) / 100) * (barbPercent / 100);
    const upper: readonly Point[] = [
      { x: -x, y: -shaft },
      { x: neck, y: -shaft },
      { x: barb, y: -y },
      { x, y: 0 },
    ];
    return toSize(
      polygonPath([
        ...upper,
        ...upper
          .slice(0, -1)
          .reverse()
          .map((point) => ({ x: point.x, y: -point.y })),
      ]),
      widthPx,
      heightPx,
    );
  },
});

/** Rays around a center, each a wedge; an inner circle is left free. */
export const burst = defineForm({
  label: 'Burst',
  group: 'shape',
  words: ['rays', 'sun', 'sunburst', 'glory', 'shine', 'light'],
  fields: {
    ...sized(400),
    rays: count('Rays', 24, 3, 180),
    innerPercent: percent('Free center', 45, 0, 95),
    fillPercent: percent('Ray width', 50, 5, 95),
  },
  outline: ({ widthPx, heightPx, rays, innerPercent, fillPercent }) => {
    const n = Math.round(rays);
    const half = ((Math.PI / n) * fillPercent) / 100;
    const inner = innerPercent / 100;
    const pen = new PathPen();
    for (let index = 0; index < n; index++) {
      const turn = -Math.PI / 2 + (2 * Math.PI * index) / n;
      const at = (r: number, by: number) => [r * Math.cos(turn + by), r * Math.sin(turn + by)] as const;
      pen.move(...at(inner, -half)).line(...at(1, -half));
      arcOn(pen, 0, 0, 1, 1, turn - half, 2 * half);
      pen.line(...at(inner, half));
      if (inner > 0) arcOn(pen, 0, 0, inner, inner, turn + half, -2 * half);
      pen.close();
    }
    // The circle it stands in is what has the size, so that rays keep their even turns.
    return toSize(pen.path(), widthPx, heightPx);
  },
});
