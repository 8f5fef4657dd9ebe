import { judge, type Finding } from './verdict';

/** Strokes thinner than half a pixel are drawn at less than half of their strength and fade; below one pixel they are never drawn in full (arithmetic of area coverage). */
const FADES_PX = 0.5;
const FULL_PX = 1;

/**
 * Whether the thinnest stroke of a mark survives at a size.
 * @param thinnestPx in mark pixels; @param scale screen pixels per mark pixel
 */
export function strokeAtSize(thinnestPx: number, scale: number): Finding {
  const shown = thinnestPx * scale;
  const verdict = judge(shown, FADES_PX, FULL_PX);
  // Never nothing: what is there is named, however thin.
  const figure = `${shown < 0.1 ? Math.max(0.01, shown).toFixed(2) : shown < 10 ? shown.toFixed(1) : Math.round(shown)} px`;
  const end = { passes: 'and is drawn in full', look: 'and turns gray', fails: 'and fades away' }[verdict];
  return { verdict, figure, says: `The thinnest stroke is ${figure} at this size ${end}.` };
}
