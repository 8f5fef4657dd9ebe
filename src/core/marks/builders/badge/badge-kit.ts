import { initialsOf, outlinePoints, type FormInput, type Kit } from '../../building/kit';
import type { Paint } from '../../drawing/paint';
import { gapPair } from '../gap-pair';
import { overBothHalves, ringWords } from '../ring-words';
import type { Badge } from './numbers';

/** The outer edge of a round badge, as a shape that others lie upon. */
function edgeOf(edge: Badge['edge'], size: number): FormInput {
  if (edge === 'scallop') return { form: 'scallop', widthPx: size * 1.06, heightPx: size * 1.06, bumps: 28, depthPercent: 55 };
  if (edge === 'teeth') return { form: 'star', widthPx: size * 1.07, heightPx: size * 1.07, points: 60, depthPercent: 6 };
  if (edge === 'seal') return { form: 'star', widthPx: size * 1.1, heightPx: size * 1.1, points: 36, depthPercent: 9, roundPercent: 30 };
  return { form: 'disk', widthPx: size, heightPx: size };
}

/** What all constructions of a badge draw with. */
export class BadgeKit {
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

  /** What a ring says above, and below. */
  halves(upper: string): readonly [upper: string, lower: string] {
    return this.n.bothHalves ? overBothHalves(upper, this.lower) : [upper, this.lower];
  }

  /** Words above and below, and what stands in the two gaps. */
  ring(around: string, radiusPx: number, bandPx: number): void {
    const { kit, n } = this;
    const [upper, lower] = this.halves(this.upper);
    const sizePx = Math.min((n.sizePx * n.textPercent) / 100, bandPx * 0.78);
    const insetPx = bandPx / 2;
    const sweep = ringWords(kit, {
      around,
      radiusPx,
      insetPx,
      roomPx: this.roomIn(bandPx),
      sizePx,
      upper,
      lower,
      font: this.second,
      paint: this.ink,
    });
    if (lower.trim() === '' || sweep > 172) return;
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
    const letters = initialsOf(this.main, 2, n.littleWords);
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
