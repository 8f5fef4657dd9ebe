import type { FormInput } from '../../building/kit';
import { inRows } from '../../../type';
import type { Paint } from '../../drawing/paint';
import type { BadgeKit } from './badge-kit';

/** White between rows, in heights of their capitals; what is left of it, at least, where accents stand between. */
const BETWEEN = 0.42;
const CLEAR = 0.15;
/** Tracking of the rows, in 1/1000 em. */
const TRACKED = 60;

/**
 * The main word over several rows around the middle, all of one size.
 * @param heightPx of all of them together, at most
 * @param roomAt how wide a row may be whose capitals reach so far from the middle
 * @returns how high they are together
 */
function rows(b: BadgeKit, heightPx: number, roomAt: (y: number) => number): number {
  const { kit, font, n } = b;
  const cap = kit.outline('H', font)?.capHeight ?? 0.7;
  const wide = (text: string) => kit.lineWidth(text, font, TRACKED, 'upper');
  const texts = inRows(b.main, n.rows, wide).split('\n');
  const inks = texts.map((text) => kit.extent(text, font, 'upper'));
  // Accents above and hooks below need more than the white between plain capitals.
  const accents =
    Math.max(0, ...inks.slice(1).map((ink) => -(ink?.top ?? 0) - cap)) + Math.max(0, ...inks.slice(0, -1).map((ink) => ink?.bottom ?? 0));
  const step = cap + Math.max(BETWEEN * cap, accents + CLEAR * cap);
  const tall = cap + (texts.length - 1) * step;
  const middleOf = (at: number) => (at - (texts.length - 1) / 2) * step;
  const fits = (sizePx: number) => texts.every((text, at) => sizePx * wide(text) <= roomAt(sizePx * (Math.abs(middleOf(at)) + cap / 2)));
  // The largest size at which every row has room: larger rows stand farther out, where an oval is narrower.
  let [least, most] = [0, heightPx / tall];
  if (!fits(most))
    for (let turn = 0; turn < 40; turn++) {
      const middle = (least + most) / 2;
      if (fits(middle)) least = middle;
      else most = middle;
    }
  else least = most;
  const sizePx = Math.max(1, least);
  texts.forEach((text, at) =>
    kit.add({
      ...{
        kind: 'lettering',
        id: at === 0 ? 'word' : `word-${at + 1}`,
        name: at === 0 ? 'Main word' : `Main word, row ${at + 1}`,
        text,
        case: 'upper',
        font,
        sizePx,
      },
      ...{ trackingPermille: TRACKED, paint: b.ink },
      place: { x: 0, y: sizePx * (middleOf(at) + cap / 2), turnDeg: 0 },
    }),
  );
  return sizePx * tall;
}

/** Lines of words in an oval or a panel. */
export function lines(b: BadgeKit): void {
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
  const inner = oval && { x: w * 0.45, y: h * 0.45 };
  const word =
    n.rows > 1
      ? rows(b, h * (b.lower || n.upper ? 0.46 : 0.62), (y) =>
          inner ? 1.72 * inner.x * Math.sqrt(Math.max(0, 1 - (y / inner.y) ** 2)) : room,
        )
      : b.line('word', 'Main word', b.main, false, 0, room, h * 0.3, b.ink);
  const small = h * 0.085;
  const up = word / 2 + h * 0.13;
  if (b.lower) {
    b.line('lower', 'Second line', b.lower, true, up, room * 0.8, small, b.ink, 180);
    kit.shape('rule', 'Divider', { form: 'divider', widthPx: w * 0.4, weightPx: h * 0.012 }, b.ink, { x: 0, y: -up });
  }
  if (n.upper) b.line('upper', 'Upper line', n.upper, true, -up - (b.lower ? h * 0.12 : 0), room * 0.7, small, b.ink, 180);
  b.years(w * (oval ? 0.3 : 0.36), -up, small, b.ink, w * 0.14);
}

/** A name panel over a shield or a diamond. */
export function pointed(b: BadgeKit): void {
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
