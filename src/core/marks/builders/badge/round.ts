import { isLittle } from '../../../type';
import { ringWords } from '../ring-words';
import { BULGE, bandOfArcs, heightOfArcs } from './band-of-arcs';
import type { BadgeKit } from './badge-kit';

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

/** Words around a middle, between rings, or above and below a band across. */
export function round(b: BadgeKit): void {
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
      // Around the ring runs the whole name already: within stands its first word that says something.
      const words = b.main.split(/\s+/);
      const first = (n.littleWords ? undefined : words.find((word) => !isLittle(word))) ?? words[0] ?? '';
      const word = n.main !== '' || n.upper !== '' ? b.main : first;
      const y = b.line('word', 'Main word', word, false, n.center === 'none' ? 0 : inner * 0.42, inner * 1.5, inner * 0.26, b.ink);
      b.middle(inner * (y > 0 ? 0.52 : 0.8), b.ink, n.center === 'none' ? 0 : -inner * 0.22, b.besideYear(inner * 0.66, inner * 0.3));
      b.years(inner * 0.66, -inner * 0.2, inner * 0.13, b.ink, inner * 0.3);
      return;
    }
    const [upper, lower] = b.halves(b.main);
    const sizePx = band * 0.72;
    ringWords(kit, {
      around,
      radiusPx: R * 0.94,
      insetPx: band / 2,
      roomPx: b.roomIn(band),
      sizePx,
      upper,
      lower,
      font: b.font,
      paint: b.ink,
    });
    if (lower.trim() !== '') b.pair('gap', R * 0.94 - band / 2, sizePx * 0.4);
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
