import { swatchColor, type Palette, type SwatchKey } from '../../color/palette';
import type { Problem } from '../../result/result';
import type { KnownPart } from '../registry';
import { contentKey } from './content-key';

/** Swatches beyond the roles that a part is painted with. */
const swatchesNamed = (part: KnownPart): readonly SwatchKey[] => {
  const named = contentKey(part) + (part.treatments ? JSON.stringify(part.treatments) : '');
  return [...new Set([...named.matchAll(/"role":"(s-[a-z0-9]+)"/g)].map(([, key]) => key as SwatchKey))];
};
const COLOR_GONE: Problem = {
  code: 'color-gone',
  message: 'A color of this part is in the palette no more; it shows as ink.',
  fix: 'Choose another color.',
};

/** What is to be said of a part that names swatches which the palette has no more. */
export const goneColors = (part: KnownPart, colors: Palette): readonly Problem[] =>
  swatchesNamed(part).some((swatch) => swatchColor(colors, swatch) === undefined) ? [COLOR_GONE] : [];
