import { formKind } from '../../shapes';
import type { Part } from '../registry';

/** Whether a part is drawn in strokes whose weight can be compared: grounds are masses, a shield is not too heavy for its letters. */
export function hasStrokes(part: Part | undefined): boolean {
  if (part?.kind === 'shape') return /^(line|ornament)$/.test(formKind(part.form.form).group);
  return part?.kind === 'lettering' || part?.kind === 'art' || part?.kind === 'curve';
}
