import bidiFactory from 'bidi-js';

const bidi = bidiFactory();

/** A stretch of text with one direction and one script. */
export interface TextStretch {
  readonly start: number;
  readonly end: number;
  readonly direction: 'ltr' | 'rtl';
  /** ISO 15924 tag. */
  readonly script: string;
}

/** Scripts told apart for shaping; everything else is shaped as common text. @source Unicode UAX 24, property values */
const SCRIPTS: readonly (readonly [tag: string, letters: RegExp])[] = [
  ['Latn', /\p{Script=Latin}/u],
  ['Grek', /\p{Script=Greek}/u],
  ['Cyrl', /\p{Script=Cyrillic}/u],
  ['Arab', /\p{Script=Arabic}/u],
  ['Hebr', /\p{Script=Hebrew}/u],
  ['Armn', /\p{Script=Armenian}/u],
  ['Geor', /\p{Script=Georgian}/u],
  ['Deva', /\p{Script=Devanagari}/u],
  ['Beng', /\p{Script=Bengali}/u],
  ['Taml', /\p{Script=Tamil}/u],
  ['Thai', /\p{Script=Thai}/u],
  ['Hang', /\p{Script=Hangul}/u],
  ['Hira', /\p{Script=Hiragana}/u],
  ['Kana', /\p{Script=Katakana}/u],
  ['Hani', /\p{Script=Han}/u],
];

const scriptOf = (character: string): string | undefined => SCRIPTS.find(([, letters]) => letters.test(character))?.[0];

interface Levelled {
  start: number;
  end: number;
  level: number;
  script: string | undefined;
}

/**
 * Splits a line into stretches of one direction and one script, in the order in which they are drawn from left to right.
 * Marks and punctuation take the script of what stands before them.
 * @source Unicode UAX 9 (bidirectional algorithm, through bidi-js), UAX 24 (scripts)
 */
export function itemize(text: string): readonly TextStretch[] {
  if (text === '') return [];
  const { levels } = bidi.getEmbeddingLevels(text);
  const stretches: Levelled[] = [];
  let index = 0;
  for (const character of text) {
    const script = scriptOf(character);
    const level = levels[index] ?? 0;
    const last = stretches.at(-1);
    if (last && last.level === level && (script === undefined || last.script === undefined || last.script === script)) {
      last.end = index + character.length;
      last.script ??= script;
    } else stretches.push({ start: index, end: index + character.length, level, script: script ?? undefined });
    index += character.length;
  }
  return inDrawingOrder(stretches).map(({ start, end, level, script }) => ({
    start,
    end,
    direction: level % 2 === 1 ? 'rtl' : 'ltr',
    script: script ?? 'Zyyy',
  }));
}

/** Rule L2: from the highest level down to the lowest odd one, reverse every sequence at that level or higher. */
function inDrawingOrder(stretches: Levelled[]): Levelled[] {
  const order = stretches.slice();
  const highest = Math.max(...order.map((stretch) => stretch.level));
  for (let level = highest; level >= 1; level--) {
    for (let from = 0; from < order.length; from++) {
      if ((order[from] as Levelled).level < level) continue;
      let to = from;
      while (to + 1 < order.length && (order[to + 1] as Levelled).level >= level) to++;
      order.splice(from, to - from + 1, ...order.slice(from, to + 1).reverse());
      from = to;
    }
  }
  return order;
}
