import { swatchesOf } from '../palette';
import type { PaletteFormat } from './palette-format';
import { readText } from './plain-text';

/** One line a color: its name and its code. */
export const hexList: PaletteFormat = {
  label: 'Plain list',
  extension: 'txt',
  type: 'text/plain',
  write: (palette) =>
    swatchesOf(palette)
      .map(({ name, hex }) => `${name}: ${hex}\n`)
      .join(''),
  reads: () => true,
  read: readText,
};
