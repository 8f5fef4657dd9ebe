import { PathPen, toSize, type Path } from '../geometry';
import { defineForm, percent, sized, type NumberField } from './form';

/**
 * Draws the right half of a shield from the middle of its top to the middle of its foot, in a box from (0, 0) to (1, 1);
 * the left half mirrors it. Forms are our own constructions after the kinds that heraldry distinguishes (common practice).
 */
type HalfOutline<K extends string> = (pen: HalfPen, numbers: Readonly<Record<K, number>>) => void;

/** Records lines and curves, so that they can be drawn forth and, mirrored, back. */
class HalfPen {
  readonly steps: (readonly number[])[] = [];
  constructor(readonly topY: number) {}
  line(x: number, y: number): this {
    this.steps.push([x, y]);
    return this;
  }
  curve(c1x: number, c1y: number, c2x: number, c2y: number, x: number, y: number): this {
    this.steps.push([c1x, c1y, c2x, c2y, x, y]);
    return this;
  }
}

function mirrored(half: HalfPen): Path {
  const pen = new PathPen().move(0, half.topY);
  let [x, y] = [0, half.topY];
  const starts: (readonly [number, number])[] = [];
  for (const step of half.steps) {
    starts.push([x, y]);
    const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0] = step;
    if (step.length === 2) {
      pen.line(a, b);
      [x, y] = [a, b];
    } else {
      pen.cubic(a, b, c, d, e, f);
      [x, y] = [e, f];
    }
  }
  for (let index = half.steps.length - 1; index >= 0; index--) {
    const step = half.steps[index] as readonly number[];
    const [sx, sy] = starts[index] as readonly [number, number];
    const [a = 0, b = 0, c = 0, d = 0] = step;
    if (step.length === 2) pen.line(-sx, sy);
    else pen.cubic(-c, d, -a, b, -sx, sy);
  }
  return pen.close().path();
}

function shield<K extends string>(
  label: string,
  words: readonly string[],
  size: readonly [width: number, height: number],
  own: Readonly<Record<K, NumberField>>,
  half: HalfOutline<K>,
  topY: (numbers: Readonly<Record<K, number>>) => number = () => 0,
) {
  return defineForm<K | 'widthPx' | 'heightPx'>({
    label,
    group: 'shield',
    words: ['shield', 'crest', 'arms', 'escutcheon', 'badge', ...words],
    fields: { ...sized(...size), ...own },
    outline: (numbers) => {
      const pen = new HalfPen(topY(numbers));
      half(pen, numbers);
      return toSize(mirrored(pen), numbers.widthPx, numbers.heightPx);
    },
  });
}

const shoulder = (start: number) => percent('Shoulder', start, 0, 90);
const share = (value: number) => value / 100;

export const shields = {
  heaterShield: shield('Heater shield', ['knight', 'medieval'], [320, 380], { shoulderPercent: shoulder(28) }, (pen, n) => {
    const s = share(n.shoulderPercent);
    pen
      .line(1, 0)
      .line(1, s)
      .curve(1, s + (1 - s) * 0.55, 0.45, 0.9, 0, 1);
  }),
  kiteShield: shield('Kite shield', ['norman', 'long', 'almond'], [260, 440], { shoulderPercent: shoulder(26) }, (pen, n) => {
    const s = Math.max(0.12, share(n.shoulderPercent));
    pen.curve(0.55, 0, 1, s * 0.4, 1, s).curve(1, s + (1 - s) * 0.35, 0.3, 0.86, 0, 1);
  }),
  roundFootShield: shield(
    'Round-foot shield',
    ['iberian', 'portuguese', 'u'],
    [320, 380],
    { footPercent: percent('Foot', 42, 5, 95) },
    (pen, n) => {
      const y = 1 - share(n.footPercent);
      pen
        .line(1, 0)
        .line(1, y)
        .curve(1, y + (1 - y) * 0.5523, 0.5523, 1, 0, 1);
    },
  ),
  bracedShield: shield(
    'Braced shield',
    ['french', 'square', 'brace'],
    [320, 380],
    { cornerPercent: percent('Corner', 14, 2, 40), tipPercent: percent('Tip', 10, 0, 30) },
    (pen, n) => {
      const [c, t] = [share(n.cornerPercent), share(n.tipPercent)];
      const y = 1 - t;
      pen
        .line(1, 0)
        .line(1, y - c)
        .curve(1, y - c * 0.45, 1 - c * 0.45, y, 1 - c, y)
        .line(c * 1.2, y)
        .curve(c * 0.5, y, 0, 1 - t * 0.5, 0, 1);
    },
  ),
  threePointShield: shield(
    'Three-point shield',
    ['swiss', 'peaks'],
    [320, 380],
    { dipPercent: percent('Dip', 9, 0, 30), shoulderPercent: shoulder(30) },
    (pen, n) => {
      const [d, s] = [share(n.dipPercent), Math.max(0.05, share(n.shoulderPercent))];
      pen
        .curve(0.3, d, 0.7, d, 1, 0)
        .curve(0.95, s * 0.6, 1.02, s + 0.25, 0.8, 0.72)
        .curve(0.6, 0.9, 0.3, 0.95, 0, 1);
    },
  ),
  earedShield: shield(
    'Eared shield',
    ['tudor', 'english', 'ears'],
    [330, 390],
    { earPercent: percent('Ears', 14, 2, 30), waistPercent: percent('Waist', 10, 0, 35) },
    (pen, n) => {
      const [e, w] = [share(n.earPercent), share(n.waistPercent)];
      pen
        .line(1 - w * 0.4, 0.02)
        .line(1, e)
        .curve(1 - w * 1.4, e + 0.1, 1 - w * 1.3, e + 0.24, 1 - w * 0.6, 0.45)
        .curve(1, 0.78, 0.4, 0.92, 0, 1);
    },
  ),
  scrolledShield: shield(
    'Scrolled shield',
    ['polish', 'baroque', 'ornate'],
    [330, 390],
    { waistPercent: percent('Waist', 20, 5, 40) },
    (pen, n) => {
      const w = share(n.waistPercent);
      pen
        .curve(0.2, 0.07, 0.45, 0.07, 0.6, 0)
        .curve(0.72, 0.09, 0.86, 0.1, 1, 0.06)
        .curve(0.96, 0.2, 1 - w, 0.22, 1 - w, 0.36)
        .curve(1 - w, 0.5, 1, 0.48, 0.98, 0.66)
        .curve(0.95, 0.86, 0.4, 0.88, 0, 1);
    },
  ),
  lanceRestShield: shield(
    'Lance-rest shield',
    ['targe', 'german', 'tournament'],
    [320, 390],
    { notchPercent: percent('Notch', 16, 2, 30) },
    (pen, n) => {
      const d = share(n.notchPercent);
      pen
        .curve(0.35, 0.06, 0.6, 0.04, 1 - d, 0)
        .curve(1 - d, d * 0.6, 1 - d * 0.5, d * 1.1, 1, d * 1.15)
        .curve(0.86, 0.4, 0.94, 0.55, 0.92, 0.7)
        .curve(0.88, 0.9, 0.35, 0.93, 0, 1);
    },
  ),
  ovalShield: shield(
    'Oval shield',
    ['cartouche', 'lady', 'italian', 'round'],
    [300, 390],
    { fullnessPercent: percent('Fullness', 55, 30, 90) },
    (pen, n) => {
      const k = share(n.fullnessPercent);
      pen.curve(k, 0, 1, 0.5 - k / 2, 1, 0.5).curve(1, 0.5 + k / 2, k, 1, 0, 1);
    },
  ),
  lozengeShield: shield('Lozenge shield', ['diamond', 'rhombus'], [320, 380], { bulgePercent: percent('Bulge', 0, -60, 60) }, (pen, n) => {
    const b = share(n.bulgePercent) * 0.5;
    pen.curve(0.33 + b, 0.17 - b * 0.3, 0.66 + b, 0.33 - b * 0.3, 1, 0.5).curve(0.66 + b, 0.67 + b * 0.3, 0.33 + b, 0.83 + b * 0.3, 0, 1);
  }),
  peakedShield: shield(
    'Peaked shield',
    ['modern', 'guard', 'security', 'pointed top'],
    [310, 380],
    { peakPercent: percent('Peak', 12, 0, 35), shoulderPercent: shoulder(42) },
    (pen, n) => {
      const [p, s] = [share(n.peakPercent), share(n.shoulderPercent)];
      pen
        .curve(0.3, p * 0.8, 0.65, p, 1, p)
        .line(1, p + (1 - p) * s)
        .curve(1, 0.78, 0.5, 0.92, 0, 1);
    },
  ),
  cutCornerShield: shield(
    'Cut-corner shield',
    ['modern', 'team', 'club', 'chamfered'],
    [310, 380],
    { cutPercent: percent('Cut', 14, 0, 45), footPercent: percent('Foot', 34, 5, 70) },
    (pen, n) => {
      const [c, f] = [share(n.cutPercent), share(n.footPercent)];
      pen
        .line(1 - c, 0)
        .line(1, c * 0.8)
        .line(1, 1 - f)
        .line(0, 1);
    },
  ),
  hexagonShield: shield(
    'Six-sided shield',
    ['modern', 'hexagon', 'tech'],
    [320, 370],
    { sidePercent: percent('Sides', 50, 5, 95) },
    (pen, n) => {
      const s = share(n.sidePercent) / 2;
      pen
        .line(1, 0.5 - s)
        .line(1, 0.5 + s)
        .line(0, 1);
    },
  ),
} as const;
