import { notNought } from '../../numeric/tolerances';
import type { Warp } from '../../geometry';

export type EnvelopeForm = 'rise' | 'swell' | 'pinch';

/** The frame an envelope works in, in the path's unit, y down. */
export interface EnvelopeFrame {
  readonly left: number;
  readonly right: number;
  /** Height of the capitals; the baseline is at y = 0. */
  readonly capHeight: number;
}

/** The edge that moves with the amount: the baseline where the tops hold still, the tops otherwise. */
const movingEdge = (from: number, frame: EnvelopeFrame): number => (from === 1 ? 0 : -frame.capHeight);

/** The place of an envelope that shows its amount: the end of the baseline of a rise, the middle of the moving edge of a swell or pinch. */
export function envelopeGrip(
  form: EnvelopeForm,
  amount: number,
  from: number,
  frame: EnvelopeFrame,
): { readonly x: number; readonly y: number } {
  const place = envelope(
    form,
    amount,
    from,
    frame,
  )(form === 'rise' ? frame.right : (frame.left + frame.right) / 2, form === 'rise' ? 0 : movingEdge(from, frame));
  return { x: place.x, y: place.y };
}

/** The amount that brings that place to a height: the inverse of `envelopeGrip`. */
export function envelopeAmount(form: EnvelopeForm, from: number, frame: EnvelopeFrame, y: number): number {
  if (form === 'rise') return (-2 * y) / notNought(frame.capHeight);
  const fixed = -from * frame.capHeight;
  const factor = (y - fixed) / (movingEdge(from, frame) - fixed);
  return form === 'swell' ? factor - 1 : 1 - factor;
}

/**
 * Gives a line another outline: rising in a straight slope, swelling in the middle, or drawn in there.
 * @param amount share of the capitals' height: how far it rises over the line's width, or how much taller (swell) or lower (pinch) the middle is
 * @param from the height that stays where it is, as a share of the capitals' height above the baseline
 */
export function envelope(form: EnvelopeForm, amount: number, from: number, frame: EnvelopeFrame): Warp {
  const width = notNought(frame.right - frame.left);
  const fixed = -from * frame.capHeight;
  if (form === 'rise') {
    const slope = (-amount * frame.capHeight) / width;
    const middle = (frame.left + frame.right) / 2;
    return (x, y) => ({ x, y: y + slope * (x - middle), acrossX: 1, acrossY: slope, downX: 0, downY: 1 });
  }
  return (x, y) => {
    const phase = (Math.PI * (x - frame.left)) / width;
    // A line never turns inside out: the lowest it goes is a twentieth of its height.
    const raw = 1 + (form === 'swell' ? amount : -amount) * Math.sin(Math.min(Math.PI, Math.max(0, phase)));
    const factor = Math.max(0.05, raw);
    const inside = phase > 0 && phase < Math.PI && raw > 0.05;
    const slope = inside ? ((form === 'swell' ? amount : -amount) * Math.cos(phase) * Math.PI) / width : 0;
    return { x, y: fixed + (y - fixed) * factor, acrossX: 1, acrossY: (y - fixed) * slope, downX: 0, downY: factor };
  };
}
