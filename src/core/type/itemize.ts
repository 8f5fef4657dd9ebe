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

/** Scripts told apart for shaping, by ISO 15924 tag; everything else is shaped as common text. @source Unicode UAX 24, property values */
const SCRIPTS = {
  Latn: 'Latin',
  Grek: 'Greek',
  Cyrl: 'Cyrillic',
  Arab: 'Arabic',
  Hebr: 'Hebrew',
  Armn: 'Armenian',
  Geor: 'Georgian',
  Hani: 'Han',
  Hira: 'Hiragana',
  Kana: 'Katakana',
  Hang: 'Hangul',
  Bopo: 'Bopomofo',
  Deva: 'Devanagari',
  Beng: 'Bengali',
  Guru: 'Gurmukhi',
  Gujr: 'Gujarati',
  Orya: 'Oriya',
  Taml: 'Tamil',
  Telu: 'Telugu',
  Knda: 'Kannada',
  Mlym: 'Malayalam',
  Sinh: 'Sinhala',
  Thai: 'Thai',
  Laoo: 'Lao',
  Tibt: 'Tibetan',
  Mymr: 'Myanmar',
  Khmr: 'Khmer',
  Ethi: 'Ethiopic',
  Cher: 'Cherokee',
  Cans: 'Canadian_Aboriginal',
  Mong: 'Mongolian',
  Syrc: 'Syriac',
  Thaa: 'Thaana',
  Nkoo: 'Nko',
  Adlm: 'Adlam',
  Rohg: 'Hanifi_Rohingya',
  Mand: 'Mandaic',
  Samr: 'Samaritan',
  Tfng: 'Tifinagh',
  Vaii: 'Vai',
  Yiii: 'Yi',
  Java: 'Javanese',
  Bali: 'Balinese',
  Sund: 'Sundanese',
  Cham: 'Cham',
  Lana: 'Tai_Tham',
  Tale: 'Tai_Le',
  Talu: 'New_Tai_Lue',
  Tavt: 'Tai_Viet',
  Kali: 'Kayah_Li',
  Lepc: 'Lepcha',
  Limb: 'Limbu',
  Mtei: 'Meetei_Mayek',
  Newa: 'Newa',
  Olck: 'Ol_Chiki',
  Saur: 'Saurashtra',
  Sylo: 'Syloti_Nagri',
  Bugi: 'Buginese',
  Batk: 'Batak',
  Rjng: 'Rejang',
  Cakm: 'Chakma',
  Tglg: 'Tagalog',
  Hano: 'Hanunoo',
  Buhd: 'Buhid',
  Tagb: 'Tagbanwa',
  Phag: 'Phags_Pa',
  Osge: 'Osage',
  Bamu: 'Bamum',
  Lisu: 'Lisu',
  Plrd: 'Miao',
  Hmng: 'Pahawh_Hmong',
  Hmnp: 'Nyiakeng_Puachue_Hmong',
  Copt: 'Coptic',
  Glag: 'Glagolitic',
  Goth: 'Gothic',
  Ogam: 'Ogham',
  Runr: 'Runic',
  Ital: 'Old_Italic',
  Dsrt: 'Deseret',
  Shaw: 'Shavian',
  Osma: 'Osmanya',
  Xsux: 'Cuneiform',
  Egyp: 'Egyptian_Hieroglyphs',
  Phnx: 'Phoenician',
  Brai: 'Braille',
} as const;
const LETTERS = Object.entries(SCRIPTS).map(([tag, name]) => [tag, new RegExp(`\\p{Script=${name}}`, 'u')] as const);

/** Scripts whose letters join: tracking and kerning would tear them apart (common practice). @source Unicode 15, ArabicShaping.txt */
const JOINED: ReadonlySet<string> = new Set(['Arab', 'Syrc', 'Nkoo', 'Adlm', 'Rohg', 'Mand', 'Mong', 'Phag']);
export const isJoined = (script: string): boolean => JOINED.has(script);

const known = new Map<string, string | undefined>();
/** Characters remembered; a text has few different ones. */
const MOST_KNOWN = 4096;
function scriptOf(character: string): string | undefined {
  if (known.has(character)) return known.get(character);
  const script = LETTERS.find(([, letters]) => letters.test(character))?.[0];
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(character, script);
  return script;
}

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

/** Words that stand in a sentence of ours: those that are read from right to left are kept apart, or they would turn the sentence around. @source Unicode UAX 9, isolates */
export const keptApart = (words: string): string =>
  itemize(words).some(({ direction }) => direction === 'rtl') ? `\u2068${words}\u2069` : words;
