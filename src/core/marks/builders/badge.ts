import { z } from 'zod';
import { arcOn, PathPen, type Region } from '../../geometry';
import type { Builder, BuilderStart } from '../building/builder';
import { initialsOf, Kit, outlinePoints, type FormInput } from '../building/kit';
import { paintSchema, type Paint } from '../drawing/paint';
import { GAP_PIECES, gapPair } from './gap-pair';
import { ringWords } from './ring-words';

export const BADGE_PLANS = ['seal', 'rings', 'band', 'arcs', 'across', 'arched', 'oval', 'shield', 'diamond', 'panel'] as const;
export const BADGE_EDGES = ['plain', 'double', 'scallop', 'teeth', 'seal', 'rope', 'chain', 'thorn', 'stitched', 'beads'] as const;
export const CENTERS = ['initials', 'star', 'none'] as const;

const words = z.string().max(200).default('');

const schema = z.strictObject({
  plan: z.enum(BADGE_PLANS).default('seal'),
  edge: z.enum(BADGE_EDGES).default('plain'),
  sizePx: z.number().min(40).max(4000).default(400),
  /** Empty: the name that is followed. */
  main: words,
  upper: words,
  lower: words,
  year: z.string().max(40).default(''),
  between: z.enum(GAP_PIECES).default('dot'),
  center: z.enum(CENTERS).default('initials'),
  /** Size of the ring texts, in percent of the badge. */
  textPercent: z.number().min(2).max(20).default(8),
  bandPercent: z.number().min(8).max(40).default(17),
  /** Whether the badge is a filled ground with light words upon it. */
  filled: z.boolean().default(true),
  family: z.string().max(64).default(''),
  secondFamily: z.string().max(64).default(''),
  leadPaint: paintSchema.default({ role: 'lead' }),
  groundPaint: paintSchema.default({ role: 'paper' }),
  secondPaint: paintSchema.default({ role: 'paper' }),
});
type Badge = z.infer<typeof schema>;

const PLAN_LABELS: { readonly [P in (typeof BADGE_PLANS)[number]]: string } = {
  seal: 'words around a middle',
  rings: 'words between two rings',
  band: 'word on a band across',
  arcs: 'word on a band between two arcs',
  across: 'word that breaks the ring',
  arched: 'arched word over a middle',
  oval: 'oval with lines of words',
  shield: 'shield with a name panel',
  diamond: 'diamond with a band',
  panel: 'panel with lines of words',
};

const EDGE_LABELS: { readonly [E in (typeof BADGE_EDGES)[number]]: string } = {
  plain: 'plain edge',
  double: 'double line',
  scallop: 'scalloped',
  teeth: 'toothed',
  seal: 'as a seal',
  rope: 'roped',
  chain: 'chained',
  thorn: 'with thorns',
  stitched: 'stitched',
  beads: 'beaded',
};

/** The outer edge of a round badge, as a shape that others lie upon. */
function edgeOf(edge: Badge['edge'], size: number): FormInput {
  if (edge === 'scallop') return { form: 'scallop', widthPx: size * 1.06, heightPx: size * 1.06, bumps: 28, depthPercent: 55 };
  if (edge === 'teeth') return { form: 'star', widthPx: size * 1.07, heightPx: size * 1.07, points: 60, depthPercent: 6 };
  if (edge === 'seal') return { form: 'star', widthPx: size * 1.1, heightPx: size * 1.1, points: 36, depthPercent: 9, roundPercent: 30 };
  return { form: 'disk', widthPx: size, heightPx: size };
}

class BadgeKit {
  readonly font;
  readonly second;
  readonly main: string;
  readonly upper: string;
  readonly lower: string;
  readonly ink: Paint;
  constructor(
    readonly kit: Kit,
    readonly n: Badge,
  ) {
    const { heard } = kit.context;
    this.font = kit.face(n.family);
    this.second = kit.face(n.secondFamily === '' ? n.family : n.secondFamily);
    this.main = n.main || heard.text.replace(/\s*\n\s*/g, ' ');
    this.upper = n.upper || this.main;
    this.lower = n.lower || heard.second || '';
    this.ink = n.filled ? n.groundPaint : n.leadPaint;
  }

  /** The outer edge, its line or trim inside, and the slot whose circle the words follow. */
  edge(): string {
    const { kit, n } = this;
    const R = n.sizePx / 2;
    if (n.filled) kit.shape('edge', 'Edge', edgeOf(n.edge, n.sizePx), n.leadPaint);
    else if (['scallop', 'teeth', 'seal'].includes(n.edge)) {
      kit.shape('edge', 'Edge', edgeOf(n.edge, n.sizePx), n.leadPaint);
      kit.shape('ground', 'Ground', { form: 'disk', widthPx: n.sizePx * 0.94, heightPx: n.sizePx * 0.94 }, n.groundPaint);
    }
    kit.shape(
      'line',
      'Outer line',
      { form: 'ring', widthPx: n.sizePx * 0.94, heightPx: n.sizePx * 0.94, bandPx: n.sizePx * 0.008 },
      this.ink,
    );
    if (!n.filled && ['plain', 'double'].includes(n.edge))
      kit.shape(
        'rim',
        'Rim',
        { form: 'ring', widthPx: n.sizePx, heightPx: n.sizePx, bandPx: n.sizePx * (n.edge === 'double' ? 0.012 : 0.02) },
        n.leadPaint,
      );
    if (n.edge === 'double' && n.filled)
      kit.shape(
        'rim',
        'Second line',
        { form: 'ring', widthPx: n.sizePx * 0.905, heightPx: n.sizePx * 0.905, bandPx: n.sizePx * 0.004 },
        this.ink,
      );
    const trim = (form: FormInput) => kit.shape('trim', 'Trim', form, n.filled ? n.leadPaint : n.leadPaint);
    if (n.edge === 'rope') trim({ form: 'rope', radiusPx: R * 1.03, weightPx: R * 0.09, strands: 44 });
    if (n.edge === 'chain') trim({ form: 'chain', radiusPx: R * 1.05, links: 26, weightPx: R * 0.022 });
    if (n.edge === 'thorn') trim({ form: 'thornRing', radiusPx: R * 1.04, thorns: 26, weightPx: R * 0.022 });
    if (n.edge === 'stitched') trim({ form: 'stitchedRing', radiusPx: R * 1.06, stitches: 64, weightPx: R * 0.018 });
    if (n.edge === 'beads') trim({ form: 'beading', radiusPx: R * 1.07, beads: 64, weightPx: R * 0.05 });
    return 'line';
  }

  /** Words above and below, and what stands in the two gaps. */
  ring(around: string, radiusPx: number, bandPx: number): void {
    const { kit, n } = this;
    const sizePx = Math.min((n.sizePx * n.textPercent) / 100, bandPx * 0.78);
    const insetPx = bandPx / 2;
    const sweep = ringWords(kit, {
      around,
      radiusPx,
      insetPx,
      roomPx: this.roomIn(bandPx),
      sizePx,
      upper: this.upper,
      lower: this.lower,
      font: this.second,
      paint: this.ink,
    });
    if (this.lower.trim() === '' || sweep > 172) return;
    this.pair('gap', radiusPx - insetPx, sizePx * 0.42);
  }
  /** What the ink of words may take up of half their band: lines run along it. */
  roomIn(bandPx: number): number {
    const { edge, filled, sizePx } = this.n;
    return Math.max(1, 0.94 * (bandPx / 2 - sizePx * (edge === 'double' && filled ? 0.02 : 0.008)));
  }
  pair(slot: string, x: number, size: number): void {
    gapPair(this.kit, this.n.between, slot, x, size, this.ink);
  }

  /**
   * A word fitted into a width and a height, its capitals centered on a point.
   * @param heightPx of its capitals at most
   * @param roomPx within which whatever reaches higher or lower stays
   */
  line(
    slot: string,
    name: string,
    text: string,
    second: boolean,
    y: number,
    widthPx: number,
    heightPx: number,
    paint: Paint,
    tracking = 60,
    x = 0,
    roomPx = heightPx * 1.5,
  ): number {
    const { kit } = this;
    const font = second ? this.second : this.font;
    if (text.trim() === '') return 0;
    const cap = kit.outline('H', font)?.capHeight ?? 0.7;
    const wide = kit.lineWidth(text, font, tracking, 'upper');
    const ink = kit.extent(text, font, 'upper') ?? { left: 0, right: 0, top: -cap, bottom: 0 };
    const beyond = Math.max(0, -ink.left, ink.right - kit.lineWidth(text, font, 0, 'upper'));
    const tall = 2 * Math.max(-ink.top - cap / 2, ink.bottom + cap / 2);
    const sizePx = Math.max(1, Math.min(heightPx / cap, widthPx / Math.max(0.01, wide + 2 * beyond), roomPx / tall));
    kit.add({
      ...{ kind: 'lettering', id: slot, name, text, case: 'upper', font, sizePx, trackingPermille: tracking, paint },
      place: { x, y: y + (cap * sizePx) / 2, turnDeg: 0 },
    });
    return cap * sizePx;
  }

  /** How far the middle piece may reach to its sides where a year stands there. */
  besideYear(x: number, room: number): number {
    return this.n.year.trim() === '' ? Infinity : (x - room / 2) * 0.94;
  }
  /** The middle piece, within a circle, and no wider to each side than is said. */
  middle(radius: number, paint: Paint, y = 0, side = Infinity): void {
    const { kit, n } = this;
    if (n.center === 'star') {
      const size = Math.min(radius * 1.3, 2 * side);
      kit.shape('center', 'Middle', { form: 'star', widthPx: size, heightPx: size, points: 5, depthPercent: 58 }, paint, {
        x: 0,
        y,
      });
      return;
    }
    if (n.center === 'none') return;
    const letters = initialsOf(this.main, 2);
    const outline = kit.outline(letters, this.font);
    if (!outline) return;
    // As large as the circle allows, its ink balanced on the middle.
    const points = outlinePoints([outline.area], 0.01).map((point) => ({ x: point.x - outline.balance.x, y: point.y - outline.balance.y }));
    const reach = Math.max(...points.map((point) => Math.hypot(point.x, point.y)));
    const wide = Math.max(...points.map((point) => Math.abs(point.x)));
    const sizePx = Math.min((radius * 0.82) / reach, side / wide);
    kit.add({
      ...{ kind: 'lettering', id: 'center', name: 'Middle', text: letters, font: this.font, sizePx, align: 'start', paint },
      place: { x: -outline.balance.x * sizePx, y: y - outline.balance.y * sizePx, turnDeg: 0 },
    });
  }
  years(x: number, y: number, heightPx: number, paint: Paint, room: number): void {
    const year = this.n.year.trim();
    if (year === '') return;
    const half = Math.ceil(year.length / 2);
    const split = /^\d{4}$/.test(year)
      ? [year.slice(0, 2), year.slice(2)]
      : /\s/.test(year)
        ? year.split(/\s+(.*)/s).filter(Boolean)
        : [year.slice(0, half), year.slice(half)];
    this.line('year-left', 'Year, left', split[0] ?? '', true, y, room, heightPx, paint, 60, -x);
    this.line('year-right', 'Year, right', split[1] ?? '', true, y, room, heightPx, paint, 60, x);
  }
}

/** How far the arcs of a band bulge beyond its ends, against half of its height there: a barrel rather than a belt (common practice). */
const BULGE = 0.55;

/**
 * The band across a circle that two arcs cut off: level at its ends, which lie on the circle, and higher in the middle.
 * @param radius of the circle
 * @param end half of the band's height where it meets the circle
 * @param middle half of its height in the middle
 */
export function bandOfArcs(radius: number, end: number, middle: number): Region {
  const { x, wide } = arcOver(radius, end, middle);
  const pen = new PathPen().move(-x, -end);
  const half = Math.asin(Math.min(1, x / wide));
  const [lowest, side] = [wide - middle, Math.asin(Math.min(1, end / radius))];
  arcOn(pen, 0, lowest, wide, wide, -Math.PI / 2 - half, 2 * half);
  arcOn(pen, 0, 0, radius, radius, -side, 2 * side);
  arcOn(pen, 0, -lowest, wide, wide, Math.PI / 2 - half, 2 * half);
  arcOn(pen, 0, 0, radius, radius, Math.PI - side, 2 * side);
  return { path: pen.close().path(), rule: 'nonzero' };
}

/** The circle through both ends of such a band and the top of its middle: how far out it ends, and its radius. */
function arcOver(radius: number, end: number, middle: number): { readonly x: number; readonly wide: number } {
  const x = Math.sqrt(Math.max(0, radius * radius - end * end));
  const rise = middle - end;
  return { x, wide: (x * x + rise * rise) / (2 * rise) };
}
/** Half the height of such a band, by how far from its middle. */
function heightOfArcs(radius: number, end: number): (x: number) => number {
  const middle = end * (1 + BULGE);
  const { wide } = arcOver(radius, end, middle);
  return (x) => Math.sqrt(Math.max(0, wide * wide - x * x)) - wide + middle;
}

/** A word on a band that bulges: as tall as the band in the middle, lower to its sides. */
function acrossArcs(b: BadgeKit, radius: number, end: number): void {
  const { kit, n } = b;
  const middle = end * (1 + BULGE);
  const edge = n.sizePx * 0.012;
  for (const [slot, name, by, paint] of [
    ['band-back', 'Band edge', 0, b.ink],
    ['band', 'Band', edge, n.leadPaint],
    ['band-line', 'Band ground', edge * 2, n.filled ? n.secondPaint : n.groundPaint],
  ] as const) {
    const { path, rule } = bandOfArcs(radius - (slot === 'band-back' ? 0 : by), Math.max(1, end - by), Math.max(2, middle - by));
    kit.drawn(slot, name, [{ path, rule, paint: 0 }], [paint]);
  }
  const wide = radius * 1.62;
  const sized = b.line('word', 'Main word', b.main, false, 0, wide, end * 1.16, n.leadPaint);
  const word = kit.parts.at(-1);
  if (sized === 0 || word?.kind !== 'lettering') return;
  kit.parts[kit.parts.length - 1] = { ...word, line: { shape: 'envelope', form: 'swell', amountPercent: BULGE * 100, from: 'middle' } };
}

function round(b: BadgeKit): void {
  const { kit, n } = b;
  const R = n.sizePx / 2;
  const band = (n.sizePx * n.bandPercent) / 100;
  const around = b.edge();
  const inner = R * 0.94 - band;
  if (n.plan === 'seal') {
    kit.shape('inner', 'Inner disk', { form: 'disk', widthPx: inner * 2, heightPx: inner * 2 }, n.filled ? n.groundPaint : n.leadPaint);
    b.ring(around, R * 0.94, band);
    b.middle(inner * 0.86, n.filled ? n.leadPaint : n.groundPaint, 0, b.besideYear(inner * 0.62, inner * 0.3));
    b.years(inner * 0.62, 0, inner * 0.13, n.filled ? n.leadPaint : n.groundPaint, inner * 0.3);
    return;
  }
  if (n.plan === 'rings' || n.plan === 'arched') {
    kit.shape('inner', 'Inner line', { form: 'ring', widthPx: inner * 2, heightPx: inner * 2, bandPx: n.sizePx * 0.008 }, b.ink);
    if (n.plan === 'rings') {
      b.ring(around, R * 0.94, band);
      // Around the ring runs the whole name already: within stands its first word.
      const word = n.main !== '' || n.upper !== '' ? b.main : (b.main.split(/\s+/)[0] ?? '');
      const y = b.line('word', 'Main word', word, false, n.center === 'none' ? 0 : inner * 0.42, inner * 1.5, inner * 0.26, b.ink);
      b.middle(inner * (y > 0 ? 0.52 : 0.8), b.ink, n.center === 'none' ? 0 : -inner * 0.22, b.besideYear(inner * 0.66, inner * 0.3));
      b.years(inner * 0.66, -inner * 0.2, inner * 0.13, b.ink, inner * 0.3);
      return;
    }
    const sizePx = band * 0.72;
    ringWords(kit, {
      around,
      radiusPx: R * 0.94,
      insetPx: band / 2,
      roomPx: b.roomIn(band),
      sizePx,
      upper: b.main,
      lower: b.lower,
      font: b.font,
      paint: b.ink,
    });
    if (b.lower.trim() !== '') b.pair('gap', R * 0.94 - band / 2, sizePx * 0.4);
    b.middle(inner * 0.84, b.ink, 0, b.besideYear(inner * 0.64, inner * 0.3));
    b.years(inner * 0.64, inner * 0.05, inner * 0.13, b.ink, inner * 0.3);
    return;
  }
  // A word across: the ring text runs above and below it, and ends before it.
  const height = R * 0.42;
  const half = n.plan === 'arcs' ? heightOfArcs(R * 0.94, height * 0.42) : () => height * 0.52;
  const side = n.secondPaint;
  const small = Math.min((n.sizePx * n.textPercent) / 100, band * 0.78);
  ringWords(kit, {
    around,
    radiusPx: R * 0.94,
    insetPx: band / 2,
    roomPx: b.roomIn(band),
    sizePx: small,
    upper: n.upper || b.lower || b.main,
    lower: n.lower,
    font: b.second,
    paint: b.ink,
    across: half,
  });
  if (n.lower === '' && n.year === '')
    kit.shape('sprig', 'Ornament', { form: 'leafDivider', widthPx: R * 0.86, heightPx: R * 0.17, pairs: 4, weightPx: R * 0.016 }, b.ink, {
      x: 0,
      y: R * 0.5,
    });
  if (n.plan === 'across') {
    kit.shape('break', 'Break', { form: 'panel', widthPx: n.sizePx * 1.16, heightPx: height, cornerPx: 0 }, n.groundPaint);
    for (const [slot, y] of [
      ['rule-above', -1],
      ['rule-below', 1],
    ] as const)
      kit.shape(
        slot,
        y < 0 ? 'Rule above' : 'Rule below',
        { form: 'line', widthPx: n.sizePx * 1.04, heightPx: n.sizePx * 0.012 },
        n.leadPaint,
        { x: 0, y: (y * height) / 2 },
      );
    b.line('word', 'Main word', b.main, false, 0, n.sizePx * 1.04, height * 0.66, n.leadPaint, 60, 0, height * 0.9);
  } else if (n.plan === 'arcs') acrossArcs(b, R * 0.94, height * 0.42);
  else {
    kit.shape('band-back', 'Band edge', { form: 'foldedRibbon', widthPx: n.sizePx * 1.22, heightPx: height * 1.02 }, n.leadPaint);
    kit.shape('band', 'Band', { form: 'panel', widthPx: n.sizePx * 0.98, heightPx: height, cornerPx: 0 }, side);
    kit.shape(
      'band-line',
      'Band line',
      { form: 'panel', widthPx: n.sizePx * 0.98 - height * 0.16, heightPx: height * 0.84, cornerPx: 0 },
      side,
    );
    b.line('word', 'Main word', b.main, false, 0, n.sizePx * 0.84, height * 0.54, n.filled ? n.leadPaint : n.leadPaint);
  }
  // A band that bulges leaves less above it.
  if (n.plan === 'arcs') b.middle(R * 0.19, b.ink, -R * 0.47);
  else b.middle(R * 0.24, b.ink, -R * 0.46);
  b.years(R * 0.28, R * 0.42, R * 0.13, b.ink, R * 0.4);
}

function lines(b: BadgeKit): void {
  const { kit, n } = b;
  const w = n.sizePx;
  const oval = n.plan === 'oval';
  const h = oval ? w * 0.68 : w * 0.5;
  const outline = (slot: string, name: string, by: number, paint: Paint, solid: boolean) => {
    const [width, height] = [w - 2 * by, h - 2 * by];
    const stroke = w * 0.009;
    if (solid)
      kit.shape(
        slot,
        name,
        oval
          ? { form: 'disk', widthPx: width, heightPx: height }
          : { form: n.edge === 'plain' ? 'panel' : 'ticket', widthPx: width, heightPx: height, cornerPx: h * 0.12 },
        paint,
      );
    else if (oval) kit.shape(slot, name, { form: 'ring', widthPx: width, heightPx: height, bandPx: stroke }, paint);
  };
  outline('edge', 'Edge', 0, n.leadPaint, true);
  if (!n.filled) outline('ground', 'Ground', w * 0.016, n.groundPaint, true);
  if (oval) outline('line', 'Inner line', w * 0.03, b.ink, false);
  else {
    outline('line-out', 'Inner line', w * 0.028, b.ink, true);
    outline('line-in', 'Inner ground', w * 0.036, n.filled ? n.leadPaint : n.groundPaint, true);
  }
  const room = oval ? w * 0.72 : w * 0.84;
  const word = b.line('word', 'Main word', b.main, false, 0, room, h * 0.3, b.ink);
  const small = h * 0.085;
  const up = word / 2 + h * 0.13;
  if (b.lower) {
    b.line('lower', 'Second line', b.lower, true, up, room * 0.8, small, b.ink, 180);
    kit.shape('rule', 'Divider', { form: 'divider', widthPx: w * 0.4, weightPx: h * 0.012 }, b.ink, { x: 0, y: -up });
  }
  if (n.upper) b.line('upper', 'Upper line', n.upper, true, -up - (b.lower ? h * 0.12 : 0), room * 0.7, small, b.ink, 180);
  b.years(w * (oval ? 0.3 : 0.36), -up, small, b.ink, w * 0.14);
}

function pointed(b: BadgeKit): void {
  const { kit, n } = b;
  const diamond = n.plan === 'diamond';
  const w = n.sizePx;
  const form: FormInput = diamond
    ? { form: 'polygon', widthPx: w, heightPx: w, corners: 4 }
    : { form: 'heaterShield', widthPx: w * 0.82, heightPx: w };
  const at = (by: number): FormInput => ({ ...form, widthPx: Number(form['widthPx']) * by, heightPx: Number(form['heightPx']) * by });
  kit.shape('edge', 'Edge', form, n.leadPaint);
  kit.shape('line-out', 'Inner line', at(0.93), n.groundPaint);
  kit.shape('line-in', 'Field', at(0.905), n.filled ? n.leadPaint : n.groundPaint);
  const bandY = diamond ? 0 : -w * 0.04;
  const height = w * 0.17;
  kit.shape('band', 'Name panel', { form: 'panel', widthPx: w * (diamond ? 1.12 : 0.94), heightPx: height, cornerPx: 0 }, n.leadPaint, {
    x: 0,
    y: bandY,
  });
  kit.shape(
    'band-ground',
    'Name panel ground',
    { form: 'panel', widthPx: w * (diamond ? 1.12 : 0.94) - w * 0.024, heightPx: height - w * 0.024, cornerPx: 0 },
    n.groundPaint,
    { x: 0, y: bandY },
  );
  b.line('word', 'Main word', b.main, false, bandY, w * (diamond ? 1.0 : 0.84), height * 0.5, n.leadPaint);
  b.middle(w * (diamond ? 0.15 : 0.14), b.ink, diamond ? -w * 0.22 : -w * 0.27);
  if (b.lower) b.line('lower', 'Second line', b.lower, true, bandY + height * 0.95, w * (diamond ? 0.42 : 0.5), w * 0.045, b.ink, 120);
  const year = n.year.trim();
  if (year) b.line('year', 'Year', year, true, bandY + height * (b.lower ? 1.5 : 1.15), w * 0.24, w * 0.06, b.ink, 80);
}

const starts = (more: Partial<z.input<typeof schema>>[]): readonly BuilderStart[] =>
  more.map((numbers) => {
    const plan = numbers.plan ?? 'seal';
    const { edge = 'plain', filled = true } = numbers;
    const label = `${PLAN_LABELS[plan]}${edge === 'plain' ? '' : `, ${EDGE_LABELS[edge]}`}${filled ? '' : ', open'}`;
    return {
      id: `${plan}-${numbers.edge ?? 'plain'}-${numbers.filled === false ? 'open' : 'filled'}`,
      label: `${label.charAt(0).toUpperCase()}${label.slice(1)}`,
      numbers,
    };
  });

const option = <T extends string>(values: readonly T[], labels: Partial<Record<T, string>> = {}) =>
  values.map((value) => ({ value, label: labels[value] ?? value }));
const isRound = (n: Readonly<Record<string, unknown>>) => !['oval', 'panel', 'shield', 'diamond'].includes(String(n['plan']));

/** Rings, words above and below, a main word: a badge. */
export const badge: Builder<typeof schema> = {
  schema,
  label: 'Badge',
  words: ['emblem', 'seal', 'stamp', 'patch', 'round', 'vintage', 'roundel', 'ring text', 'year'],
  hint: 'The name around or across, a middle, a year',
  describe: ({ plan }) => PLAN_LABELS[plan],
  controls: [
    {
      type: 'choice',
      field: 'plan',
      label: 'Construction',
      hint: 'How the words and the middle stand',
      options: option(BADGE_PLANS, PLAN_LABELS),
    },
    { type: 'choice', field: 'edge', label: 'Edge', hint: 'What runs around the outside', options: option(BADGE_EDGES), when: isRound },
    { type: 'words', field: 'main', label: 'Main word', hint: 'The largest words; empty is the name', placeholder: 'the name' },
    { type: 'words', field: 'upper', label: 'Upper words', hint: 'Above, or around the top', placeholder: 'the name' },
    { type: 'words', field: 'lower', label: 'Lower words', hint: 'Below, or around the foot', placeholder: 'the second line' },
    { type: 'words', field: 'year', label: 'Year', hint: 'Stands left and right of the middle', placeholder: 'none' },
    { type: 'choice', field: 'center', label: 'Middle', hint: 'What stands in the middle', options: option(CENTERS) },
    {
      type: 'choice',
      field: 'between',
      label: 'Between the words',
      hint: 'What stands in the two gaps of the ring',
      options: option(GAP_PIECES),
      when: isRound,
    },
    { type: 'tick', field: 'filled', label: 'Filled ground', hint: 'Light words on a filled ground, or words on an open one' },
    { type: 'number', field: 'sizePx', label: 'Size', unit: 'px', hint: 'How wide it is' },
    {
      type: 'number',
      field: 'bandPercent',
      label: 'Ring',
      unit: '%',
      hint: 'How wide the ring of words is, against the whole',
      when: isRound,
    },
    {
      type: 'number',
      field: 'textPercent',
      label: 'Ring text',
      unit: '%',
      hint: 'How large the ring text is, against the whole',
      when: isRound,
    },
    { type: 'face', field: 'family', label: 'Face', hint: 'The face of the main word' },
    { type: 'face', field: 'secondFamily', label: 'Second face', hint: 'The face of all other words' },
    { type: 'paint', field: 'leadPaint', label: 'Color', hint: 'The ground, or the words' },
    { type: 'paint', field: 'groundPaint', label: 'Light color', hint: 'What is light in it' },
    {
      type: 'paint',
      field: 'secondPaint',
      label: 'Band color',
      hint: 'The band across',
      when: (n) => n['plan'] === 'band' || n['plan'] === 'arcs',
    },
  ],
  starts: () =>
    starts([
      { plan: 'seal', edge: 'plain' },
      { plan: 'rings', edge: 'double', filled: false, center: 'initials' },
      { plan: 'band', edge: 'scallop' },
      { plan: 'across', edge: 'plain', filled: true },
      { plan: 'arcs', edge: 'double' },
      { plan: 'arched', edge: 'rope', filled: false },
      { plan: 'seal', edge: 'teeth', between: 'star' },
      { plan: 'oval' },
      { plan: 'shield' },
      { plan: 'diamond' },
      { plan: 'panel', edge: 'double' },
      { plan: 'arched', edge: 'stitched', center: 'star' },
      { plan: 'panel', edge: 'plain', filled: false },
    ]),
  families: ({ family, secondFamily }) => [family, secondFamily],
  build: (n, context) => {
    const kit = new Kit(context);
    const b = new BadgeKit(kit, n);
    if (n.plan === 'oval' || n.plan === 'panel') lines(b);
    else if (n.plan === 'shield' || n.plan === 'diamond') pointed(b);
    else round(b);
    return kit.made();
  },
};
