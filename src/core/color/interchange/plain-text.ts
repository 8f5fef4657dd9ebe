import { readCssColor, type ReadColor, type ReadColors } from './read-color';

/** Color codes as they stand in running text; a bare one counts where it is no part of a longer word. */
const CODE = /#[0-9a-f]{3,8}\b|\b(?:rgba?|hsla?|hwb|lab|lch|oklab|oklch|color)\([^()]{3,80}\)|(?<![\w#])[0-9a-f]{6}(?!\w)/gi;

/** “decade” is a word, “FFEEDD” a code. */
const isWord = (code: string): boolean => /^[a-f]{6}$/i.test(code) && code !== code.toUpperCase();

/** The words just before a code on its line are its name. */
function nameBefore(line: string): string {
  const words = line.replace(/["'`*_|;,()[\]{}<>=!?]+/g, ' ').replace(/^[\s:–—-]+|[\s:–—-]+$/g, '');
  return /[\p{L}]/u.test(words) ? words.split(/\s+/).slice(-4).join(' ').slice(0, 40) : '';
}

/** Every color code in any text, each once, with the words before it as its name. */
export function readText(text: string): ReadColors {
  const colors: ReadColor[] = [];
  const skipped: string[] = [];
  for (const line of text.split(/\r?\n/)) {
    let from = 0;
    for (const match of line.matchAll(CODE)) {
      const [code] = match;
      if (isWord(code)) continue;
      const written = /^[0-9a-f]{6}$/i.test(code) ? `#${code}` : code;
      const found = readCssColor(written, nameBefore(line.slice(from, match.index)));
      from = match.index + code.length;
      if (!found) skipped.push(code);
      else if (!colors.some(({ hex }) => hex === found.hex)) colors.push(found);
    }
  }
  return { colors, skipped };
}
