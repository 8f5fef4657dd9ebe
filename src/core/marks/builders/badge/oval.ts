import { ringWords } from '../ring-words';
import type { BadgeKit } from './badge-kit';

/** Its height against its width: flatter, and the words' ends would stand in the tight turns. */
const FLAT = 0.74;
/** How far words run along their half: the gaps at both ends are for what stands between them. */
const RUN_DEG = { between: 146, alone: 160 } as const;

/** Words along an oval, above and below, with a middle and a year inside. */
export function alongOval(b: BadgeKit): void {
  const { kit, n } = b;
  const [w, h] = [n.sizePx, n.sizePx * FLAT];
  const oval = (by: number) => ({ widthPx: w - 2 * by, heightPx: h - 2 * by });
  const band = (w * n.bandPercent * 0.88) / 100;
  kit.shape('edge', 'Edge', { form: 'disk', ...oval(0) }, n.leadPaint);
  if (!n.filled) kit.shape('ground', 'Ground', { form: 'disk', ...oval(w * 0.014) }, n.groundPaint);
  const line = w * 0.026;
  kit.shape('line', 'Outer line', { form: 'ring', ...oval(line), bandPx: w * 0.008 }, b.ink);
  const within = line + band;
  const inner = oval(within);
  if (n.filled) kit.shape('inner', 'Inner oval', { form: 'disk', ...inner }, n.groundPaint);
  else kit.shape('inner', 'Inner line', { form: 'ring', ...inner, bandPx: w * 0.008 }, b.ink);
  const sizePx = Math.min((w * n.textPercent) / 100, band * 0.78);
  const [upper, lower] = b.halves(b.upper);
  const hasLower = lower.trim() !== '';
  const sweep = ringWords(kit, {
    around: 'line',
    radiusPx: w / 2 - line,
    uprightRadiusPx: h / 2 - line,
    insetPx: band / 2,
    roomPx: b.roomIn(band),
    sizePx,
    upper,
    lower,
    font: b.second,
    paint: b.ink,
    mostDeg: hasLower && n.between !== 'none' ? RUN_DEG.between : RUN_DEG.alone,
  });
  if (hasLower && sweep <= RUN_DEG.between + 1) b.pair('gap', w / 2 - line - band / 2, sizePx * 0.4);
  const ink = n.leadPaint;
  const room = inner.heightPx / 2;
  const years = { x: inner.widthPx * 0.34, y: 0, size: room * 0.24, room: inner.widthPx * 0.2 };
  b.middle(room * 0.84, ink, 0, b.besideYear(years.x, years.room));
  b.years(years.x, years.y, years.size, ink, years.room);
}
