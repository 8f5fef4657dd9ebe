import { swatchesOf } from '../palette';
import { plainName, readCssColor, type ReadColor, type ReadColors } from './read-color';
import { keysFor, type PaletteFormat } from './palette-format';

const PROPERTY = /--([\w-]+)\s*:\s*([^;}]+)/g;
const ALIAS = /^var\(\s*--([\w-]+)\s*\)$/;

/** Custom properties that are colors; one that repeats another by `var()` is that color. */
function read(text: string): ReadColors {
  const values = new Map([...text.matchAll(PROPERTY)].map(([, name = '', value = '']) => [name, value.trim()]));
  const valueOf = (name: string, steps = 8): string => {
    const value = values.get(name) ?? '';
    const alias = ALIAS.exec(value)?.[1];
    return alias !== undefined && steps > 0 ? valueOf(alias, steps - 1) : value;
  };
  const colors: ReadColor[] = [];
  const skipped: string[] = [];
  for (const name of values.keys()) {
    const found = readCssColor(valueOf(name), plainName(name.replace(/^color-/, '')));
    if (found) colors.push(found);
    else skipped.push(`--${name}`);
  }
  return { colors, skipped };
}

/** @source W3C CSS Custom Properties for Cascading Variables Level 1 */
export const cssProperties: PaletteFormat = {
  label: 'CSS custom properties',
  extension: 'css',
  type: 'text/css',
  write: (palette) => {
    const swatches = swatchesOf(palette);
    const keys = keysFor(swatches.map(({ name }) => name));
    return `:root {\n${swatches.map(({ hex }, at) => `  --color-${keys[at] ?? ''}: ${hex};\n`).join('')}}\n`;
  },
  reads: (text) => /--[\w-]+\s*:/.test(text),
  read,
};
