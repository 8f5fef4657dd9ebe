import { halfOval, halfOvalLength } from '../../geometry';
import type { Paint } from '../drawing/paint';
import type { Kit } from '../building/kit';
import { inRows, type FontChoice } from '../../type';

/** Limits within which ring texts are made to agree: tracking, size against what was asked for, and degrees. */
const TRACKING = { natural: 130, least: 10, most: 1500 } as const;
const SMALLEST = 0.6;
const DEGREES = { natural: 150, most: 168, least: 60 } as const;

export interface RingWords {
  /** The slot of the disk or ring whose circle both follow. */
  readonly around: string;
  readonly radiusPx: number;
  /** Where it is an oval: half its height; it is as wide as the circle. */
  readonly uprightRadiusPx?: number;
  /** How far inside its edge the middle of the capitals stands. */
  readonly insetPx: number;
  /** How far ink may reach from there, to the middle and to the edge. */
  readonly roomPx: number;
  readonly sizePx: number;
  readonly upper: string;
  readonly lower: string;
  readonly font: FontChoice;
  readonly paint: Paint;
  /** How far each of them runs at most, in degrees of the half circle that it stands on. */
  readonly mostDeg?: number;
  /** Half the height of what lies across the circle, by how far from the middle; the words end before it. */
  readonly across?: (x: number) => number;
}

/** Words of one text over both halves of a ring, where nothing else stands below; a single word stays above. */
export function overBothHalves(upper: string, lower: string): readonly [upper: string, lower: string] {
  if (lower.trim() !== '') return [upper, lower];
  const [above = upper, below = ''] = inRows(upper, 2).split('\n');
  return [above, below];
}

/** Air between the ends of words and what lies across, as a share of the circle. */
const ACROSS_AIR = 0.03;

/** The largest angle, in whole degrees, whose ends lie clear of what lies across. @param radius of the ink that comes nearest to the middle */
function clearDegrees(radius: number, air: number, across: RingWords['across']): number {
  for (let degrees: number = DEGREES.most; across && degrees > 1; degrees--) {
    const half = (degrees / 2) * (Math.PI / 180);
    if (radius * Math.cos(half) >= across(radius * Math.sin(half)) + air) return degrees;
  }
  return across ? 1 : DEGREES.most;
}

/**
 * Words above and below on one circle or oval, over equal angles, so that the two gaps between them are alike: what is too long is tracked tighter first, then
 * set smaller, then runs farther round, and the designer is told which.
 * @returns how far each of them runs, in degrees; of an oval, in 180ths of half of it
 */
export function ringWords(
  kit: Kit,
  { around, radiusPx, uprightRadiusPx, insetPx, roomPx, sizePx: wanted, upper, lower, font, paint, mostDeg, across }: RingWords,
): number {
  const middle = Math.max(1, radiusPx - insetPx);
  const upright = uprightRadiusPx === undefined ? middle : Math.max(1, uprightRadiusPx - insetPx);
  /** Half of the line that feet stand on, whose capitals' middle is so far outside of it. */
  const half = (out: number): number => halfOvalLength(Math.max(1, middle + out), Math.max(1, upright + out));
  const cap = kit.outline('H', font)?.capHeight ?? 0.7;
  const texts = [
    ['upper', upper, -1],
    ['lower', lower, 1],
  ] as const;
  const said = texts.filter(([, text]) => text.trim() !== '');
  if (said.length === 0) return 0;
  // Ink above and below the capitals' middle, at 1 px.
  const inks = said.map(([, text]) => kit.extent(text, font, 'upper') ?? { left: 0, right: 0, top: -cap, bottom: 0 });
  const reach = Math.max(...inks.flatMap(({ top, bottom }) => [-top - cap / 2, bottom + cap / 2]));
  const sizePx = Math.min(wanted, roomPx / Math.max(0.01, reach));
  const clear = Math.min(mostDeg ?? DEGREES.most, clearDegrees(middle - reach * sizePx, ACROSS_AIR * middle, across));
  // Swashes reach beyond the ends of their words.
  const beyond = Math.max(
    ...said.map(([, text], n) => Math.max(0, -(inks[n]?.left ?? 0), (inks[n]?.right ?? 0) - kit.lineWidth(text, font, 0, 'upper'))),
  );
  const swash = ((2 * beyond * sizePx) / half((-cap * sizePx) / 2)) * 180;
  const room = Math.max(1, clear - swash);
  const limits = { natural: Math.min(DEGREES.natural, room), most: room, least: Math.min(DEGREES.least, room) };
  // White after the last letter is no part of it.
  const degrees = (text: string, side: number, size: number, tracking: number): number =>
    (((kit.lineWidth(text, font, tracking, 'upper') - tracking / 1000) * size) / half((side * cap * size) / 2)) * 180;
  const least = (size: number) => Math.max(...said.map(([, text, side]) => degrees(text, side, size, TRACKING.least)));
  const natural = Math.max(...said.map(([, text, side]) => degrees(text, side, sizePx, TRACKING.natural)));
  const most = Math.min(...said.map(([, text, side]) => degrees(text, side, sizePx, TRACKING.most)));
  let size = sizePx;
  let sweep = Math.min(limits.natural, Math.max(natural, limits.least));
  if (least(size) > sweep) {
    const fits = (sweep / least(size)) * size;
    size = Math.max(SMALLEST * sizePx, fits);
    if (fits >= SMALLEST * sizePx)
      kit.note(
        'ring-smaller',
        `The ring text is set at ${Math.round(size)} px instead of ${Math.round(wanted)} px, so that both halves fit.`,
        'Shorten the longer text, or give the ring more room.',
      );
    else {
      sweep = Math.min(limits.most, least(size));
      const still = least(size) > limits.most;
      if (still) size *= limits.most / least(size);
      kit.note(
        'ring-farther',
        still
          ? 'A ring text is so long that it is set very small.'
          : `The ring texts run over ${Math.round(sweep)}° each, and are set at ${Math.round(size)} px.`,
        'Shorten the longer text.',
      );
    }
  } else if (natural > limits.natural)
    kit.note('ring-tighter', 'The ring text is tracked tighter, so that it stays in its half.', 'Shorten it, or set it smaller.');
  sweep = Math.min(sweep, Math.max(most, least(size)));
  for (const [slot, text, side] of said) {
    const foot = (side * cap * size) / 2;
    const isOval = uprightRadiusPx !== undefined;
    const to = isOval
      ? { kind: 'width' as const, widthPx: Math.max(1, (sweep / 180) * half(foot)) }
      : { kind: 'angle' as const, sweepDeg: Math.min(360, Math.max(1, sweep)) };
    kit.add({
      kind: 'lettering',
      id: slot,
      name: side < 0 ? 'Upper ring text' : 'Lower ring text',
      text,
      ...{ case: 'upper', font, sizePx: Math.max(1, size), trackingPermille: TRACKING.natural, paint },
      line: isOval
        ? { shape: 'curve', points: [...halfOval(Math.max(1, middle + foot), Math.max(1, upright + foot), side)] }
        : {
            ...{ shape: 'arc', form: 'ring', side: side < 0 ? 'over' : 'under', radiusPx: Math.max(1, middle) },
            around: { part: around, insetPx },
          },
      fit: {
        to,
        by: [
          { means: 'tracking', min: -60, max: 5000 },
          // A very short text beside a very long one is set larger where tracking alone cannot open it so far.
          { means: 'size', min: 1, max: Math.max(1, size * 2) },
        ],
      },
    });
  }
  return sweep;
}
