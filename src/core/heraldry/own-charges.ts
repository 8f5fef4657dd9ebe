/** A charge that was brought to a shield rather than drawn for it, named by what the blazon calls one of it: `own:lion rampant`. */
export type OwnCharge = `own:${string}`;

/** What such a charge may be called: words of letters, in lower case. */
export const OWN_WORD = /^\p{L}[\p{L}'’ -]{0,38}\p{L}$/u;
export const OWN_CHARGE = new RegExp(`^own:${OWN_WORD.source.slice(1)}`, 'u');

export const ownCharge = (word: string): OwnCharge => `own:${word}`;
export const ownWordOf = (what: string): string | undefined => (what.startsWith('own:') ? what.slice(4) : undefined);

/**
 * How a beast stands, said after its name: the name before it is what comes in several.
 * @source A. C. Fox-Davies, "A Complete Guide to Heraldry", 1909 (public domain), the chapters on the lion, on beasts and on birds; from memory
 */
const ATTITUDES: ReadonlySet<string> = new Set([
  ...[
    'rampant',
    'passant',
    'statant',
    'sejant',
    'couchant',
    'dormant',
    'salient',
    'courant',
    'trippant',
    'springing',
    'lodged',
    'segreant',
  ],
  ...['guardant', 'regardant', 'displayed', 'close', 'rising', 'volant', 'naiant', 'hauriant', 'urinant', 'erect', 'erased', 'couped'],
]);

/** A name taken apart: what comes before the noun, the noun, and how it stands. */
function parted(words: string): readonly [before: string, noun: string, after: string] {
  const all = words.split(' ');
  let end = all.length;
  while (end > 1 && ATTITUDES.has(all[end - 1] as string)) end--;
  return [all.slice(0, end - 1).join(' '), all[end - 1] as string, all.slice(end).join(' ')];
}
const joined = (...words: readonly string[]): string => words.filter((word) => word !== '').join(' ');

/** Nouns whose several are not made by a rule. */
const ODD: Readonly<Record<string, string>> = {
  ...{ wolf: 'wolves', calf: 'calves', leaf: 'leaves', sheaf: 'sheaves', knife: 'knives', hoof: 'hooves', half: 'halves' },
  ...{ goose: 'geese', mouse: 'mice', ox: 'oxen', foot: 'feet', man: 'men', woman: 'women', child: 'children' },
  ...{ sheep: 'sheep', deer: 'deer', fish: 'fish', swine: 'swine', salmon: 'salmon', trout: 'trout' },
};
const ODD_BACK: ReadonlyMap<string, string> = new Map(Object.entries(ODD).map(([one, many]) => [many, one]));

/**
 * Several of what one is called: `lion rampant` → `lions rampant`. Names in other letters follow other rules, and stay as they are.
 * @source the common rules of English spelling, from memory
 */
export function severalOf(one: string): string {
  const [before, noun, after] = parted(one);
  if (!/\p{Script=Latin}$/u.test(noun)) return one;
  const many = ODD[noun] ?? (/[^aeiou]y$/.test(noun) ? noun.replace(/y$/, 'ies') : /(s|x|z|ch|sh)$/.test(noun) ? `${noun}es` : `${noun}s`);
  return joined(before, many, after);
}

/** One of what several are called; a name of one stays as it is. */
export function oneOf(several: string): string {
  const [before, noun, after] = parted(several);
  const one =
    ODD_BACK.get(noun) ??
    (/ies$/.test(noun)
      ? noun.replace(/ies$/, 'y')
      : /(ss|x|z|ch|sh)es$/.test(noun)
        ? noun.replace(/es$/, '')
        : noun.replace(/(?<=[^su])s$/, ''));
  return joined(before, one, after);
}
