import { escaped } from '../../output/escaped';
import { SaxesParser } from 'saxes';
import { swatchesOf } from '../palette';
import { plainName, readCssColor, type ReadColor, type ReadColors } from './read-color';
import type { PaletteFormat } from './palette-format';

const SIDE_PX = 96;
const GAP_PX = 12;
const ACROSS = 6;
/** Most elements that are looked at. */
const MOST_ELEMENTS = 5000;

/** The colors that a drawing is filled and stroked with, each once; a shape's title, label or id is the name. */
function read(text: string): ReadColors {
  const colors: ReadColor[] = [];
  const skipped: string[] = [];
  let elements = 0;
  let inTitle = false;
  /** The color that a title that follows would name. */
  let last = -1;
  const parser = new SaxesParser({ xmlns: false });
  parser.on('error', () => undefined);
  parser.on('opentag', ({ name, attributes }) => {
    if (++elements > MOST_ELEMENTS) return;
    inTitle = name === 'title';
    if (inTitle) return;
    last = -1;
    const style = attributes['style'] ?? '';
    const given = ['fill', 'stroke', 'stop-color'].flatMap((property) => [
      attributes[property],
      new RegExp(`(?:^|;)\\s*${property}\\s*:\\s*([^;]+)`).exec(style)?.[1],
    ]);
    for (const value of given) {
      if (value === undefined || /^(none|currentcolor|inherit|url\()/i.test(value.trim())) continue;
      const found = readCssColor(value, plainName(attributes['aria-label'] ?? attributes['id'] ?? ''));
      if (!found) skipped.push(value);
      else if (!colors.some(({ hex }) => hex === found.hex)) last = colors.push(found) - 1;
    }
  });
  parser.on('text', (title) => {
    const named = colors[last];
    if (inTitle && named && title.trim() !== '') colors[last] = { ...named, name: plainName(title) };
  });
  parser.on('closetag', () => (inTitle = false));
  try {
    parser.write(text).close();
  } catch {
    skipped.push('the drawing is not well-formed to its end');
  }
  return { colors, skipped };
}

/** A sheet of squares, one a swatch, each with its name as its title: any drawing program opens it, and its colors can be picked up there. */
export const svgSwatches: PaletteFormat = {
  label: 'SVG swatches',
  extension: 'svg',
  type: 'image/svg+xml',
  write: (palette, brand) => {
    const swatches = swatchesOf(palette);
    const pitch = SIDE_PX + GAP_PX;
    const rows = Math.ceil(swatches.length / ACROSS);
    const squares = swatches.map(
      ({ name, hex }, at) =>
        `<rect x="${(at % ACROSS) * pitch}" y="${Math.floor(at / ACROSS) * pitch}" width="${SIDE_PX}" height="${SIDE_PX}" fill="${hex}"><title>${escaped(name)}</title></rect>`,
    );
    return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${Math.min(ACROSS, swatches.length) * pitch - GAP_PX} ${rows * pitch - GAP_PX}"><title>${escaped(brand)}</title>\n${squares.join('\n')}\n</svg>\n`;
  },
  reads: (text) => /<svg[\s>]/i.test(text.slice(0, 2000)),
  read,
};
