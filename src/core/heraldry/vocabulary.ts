import type { FormName } from '../shapes';
import type { Division, Ordinary } from './divisions';
import type { LineStyle } from './partition-lines';
import { ownCharge, ownWordOf, severalOf, type OwnCharge } from './own-charges';
import type { Arranged } from './slots';
import type { Tincture } from './tinctures';

/**
 * The common English terms of blazon and what they stand for here.
 * @source glossary of terms: A. C. Fox-Davies, "A Complete Guide to Heraldry", 1909, and H. Gough, J. Parker, "A Glossary of Terms Used in Heraldry", 1894
 * (both in the public domain); from memory
 */
interface ChargeRow {
  readonly form: FormName;
  readonly one: string;
  readonly many: string;
  readonly also?: readonly string[];
}
const CHARGES = {
  mullet: { form: 'mullet', one: 'mullet', many: 'mullets', also: ['star', 'stars', 'molet'] },
  estoile: { form: 'compassStar', one: 'estoile', many: 'estoiles' },
  crescent: { form: 'crescent', one: 'crescent', many: 'crescents' },
  'fleur-de-lis': {
    form: 'fleurDeLis',
    one: 'fleur-de-lis',
    many: 'fleurs-de-lis',
    also: ['fleur-de-lys', 'fleurs-de-lys', 'lily', 'lilies'],
  },
  rose: { form: 'heraldicRose', one: 'rose', many: 'roses' },
  roundel: { form: 'roundel', one: 'roundel', many: 'roundels', also: ['roundle', 'roundles'] },
  lozenge: { form: 'lozenge', one: 'lozenge', many: 'lozenges' },
  annulet: { form: 'annulet', one: 'annulet', many: 'annulets' },
  billet: { form: 'billet', one: 'billet', many: 'billets' },
  escallop: { form: 'escallop', one: 'escallop', many: 'escallops', also: ['shell', 'shells'] },
  key: { form: 'key', one: 'key', many: 'keys' },
  anchor: { form: 'anchor', one: 'anchor', many: 'anchors' },
  'oak-leaf': { form: 'oakLeaf', one: 'oak leaf', many: 'oak leaves' },
  acorn: { form: 'acorn', one: 'acorn', many: 'acorns' },
  tower: { form: 'tower', one: 'tower', many: 'towers' },
  castle: { form: 'castle', one: 'castle', many: 'castles' },
  ship: { form: 'ship', one: 'ship', many: 'ships', also: ['lymphad', 'lymphads'] },
  arrow: { form: 'arrow', one: 'arrow', many: 'arrows' },
  sword: { form: 'sword', one: 'sword', many: 'swords' },
  axe: { form: 'axe', one: 'axe', many: 'axes' },
  hammer: { form: 'hammer', one: 'hammer', many: 'hammers' },
  oar: { form: 'oar', one: 'oar', many: 'oars' },
  sun: { form: 'sun', one: 'sun', many: 'suns', also: ['sun in splendour', 'sun in splendor'] },
  flame: { form: 'flame', one: 'flame', many: 'flames' },
  bell: { form: 'bell', one: 'bell', many: 'bells' },
  book: { form: 'book', one: 'book', many: 'books' },
  cup: { form: 'cup', one: 'cup', many: 'cups', also: ['chalice', 'chalices'] },
  wheel: { form: 'wheel', one: 'wheel', many: 'wheels' },
  horseshoe: { form: 'horseshoe', one: 'horseshoe', many: 'horseshoes' },
  bee: { form: 'bee', one: 'bee', many: 'bees' },
  fish: { form: 'fish', one: 'fish', many: 'fishes' },
  tree: { form: 'tree', one: 'tree', many: 'trees', also: ['oak tree', 'oak trees'] },
  feather: { form: 'quill', one: 'feather', many: 'feathers', also: ['quill', 'quills'] },
  wing: { form: 'wing', one: 'wing', many: 'wings' },
  crown: { form: 'crown', one: 'crown', many: 'crowns' },
  coronet: { form: 'coronet', one: 'coronet', many: 'coronets' },
  'cross-patty': { form: 'crossPatty', one: 'cross patty', many: 'crosses patty', also: ['cross paty', 'crosses paty', 'cross formy'] },
} as const satisfies Readonly<Record<string, ChargeRow>>;
export type ChargeName = keyof typeof CHARGES;
export const CHARGE_NAMES = Object.keys(CHARGES) as [ChargeName, ...ChargeName[]];
export const chargeRow = (name: ChargeName): ChargeRow => CHARGES[name];
/** What one and several of a charge are called, whether we draw it or it was brought. */
export function chargeWords(what: ChargeName | OwnCharge): { readonly one: string; readonly many: string } {
  const own = ownWordOf(what);
  return own === undefined ? CHARGES[what as ChargeName] : { one: own, many: severalOf(own) };
}

/** Roundels that bear their tincture in their name. */
const ROUNDELS: Readonly<Record<string, Tincture>> = {
  bezant: 'or',
  bezants: 'or',
  plate: 'argent',
  plates: 'argent',
  hurt: 'azure',
  hurts: 'azure',
  torteau: 'gules',
  torteaux: 'gules',
  pomme: 'vert',
  pommes: 'vert',
  pellet: 'sable',
  pellets: 'sable',
  ogress: 'sable',
  golpe: 'purpure',
  golpes: 'purpure',
};

export const DIVISION_TERMS: Readonly<Record<Exclude<Division, 'plain'>, string>> = {
  'per-pale': 'per pale',
  'per-fess': 'per fess',
  'per-bend': 'per bend',
  'per-bend-sinister': 'per bend sinister',
  'per-chevron': 'per chevron',
  'per-saltire': 'per saltire',
  quarterly: 'quarterly',
  gyronny: 'gyronny',
  paly: 'paly',
  barry: 'barry',
  bendy: 'bendy',
  chequy: 'chequy',
  lozengy: 'lozengy',
};
export const ORDINARY_TERMS: Readonly<Record<Ordinary, string>> = {
  pale: 'pale',
  fess: 'fess',
  bend: 'bend',
  'bend-sinister': 'bend sinister',
  chevron: 'chevron',
  saltire: 'saltire',
  cross: 'cross',
  chief: 'chief',
  base: 'base',
  pile: 'pile',
  bordure: 'bordure',
};
export const ARRANGED_TERMS: Readonly<Partial<Record<Arranged, string>>> = {
  'in-pale': 'in pale',
  'in-fess': 'in fess',
  'in-bend': 'in bend',
  'in-bend-sinister': 'in bend sinister',
  'two-and-one': 'two and one',
};
export const NUMBER_WORDS = ['', 'a', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'] as const;
const ORDINALS = ['first', 'second', 'third', 'fourth'] as const;

/** What a term of one or several words stands for. */
export type Term =
  | { readonly is: 'tincture'; readonly tincture: Tincture }
  | { readonly is: 'division'; readonly division: Division }
  | { readonly is: 'ordinary'; readonly ordinary: Ordinary }
  | { readonly is: 'line'; readonly line: LineStyle }
  | { readonly is: 'charge'; readonly charge: ChargeName | OwnCharge; readonly tincture?: Tincture }
  | { readonly is: 'number'; readonly number: number }
  | { readonly is: 'arranged'; readonly arranged: Arranged }
  | { readonly is: 'ordinal'; readonly ordinal: number }
  | {
      readonly is: 'word';
      readonly word:
        'and' | 'between' | 'on' | 'in' | 'the' | 'of' | 'within' | 'seme' | 'field' | 'quarter' | 'chief' | 'base' | 'each' | 'many';
    };

const TERMS = new Map<string, Term>();
const put = (text: string, term: Term) => TERMS.set(text, term);
for (const [division, text] of Object.entries(DIVISION_TERMS)) put(text, { is: 'division', division: division as Division });
for (const [text, division] of [
  ['party per pale', 'per-pale'],
  ['party per fess', 'per-fess'],
  ['party per bend', 'per-bend'],
  ['checky', 'chequy'],
  ['checquy', 'chequy'],
  ['lozengee', 'lozengy'],
  ['gyronny of eight', 'gyronny'],
] as const)
  put(text, { is: 'division', division });
for (const [ordinary, text] of Object.entries(ORDINARY_TERMS)) put(text, { is: 'ordinary', ordinary: ordinary as Ordinary });
put('fesse', { is: 'ordinary', ordinary: 'fess' });
put('bar', { is: 'ordinary', ordinary: 'fess' });
put('border', { is: 'ordinary', ordinary: 'bordure' });
for (const tincture of ['or', 'argent', 'azure', 'gules', 'vert', 'purpure', 'sable'] as const) put(tincture, { is: 'tincture', tincture });
for (const [text, tincture] of [
  ['gold', 'or'],
  ['silver', 'argent'],
  ['blue', 'azure'],
  ['red', 'gules'],
  ['green', 'vert'],
  ['purple', 'purpure'],
  ['black', 'sable'],
  ['white', 'argent'],
] as const)
  put(text, { is: 'tincture', tincture });
for (const line of ['wavy', 'engrailed', 'invected', 'embattled', 'indented', 'nebuly'] as const) put(line, { is: 'line', line });
put('undy', { is: 'line', line: 'wavy' });
put('nebulé', { is: 'line', line: 'nebuly' });
put('dancetty', { is: 'line', line: 'indented' });
for (const name of CHARGE_NAMES) {
  const { one, many, also = [] } = CHARGES[name] as ChargeRow;
  for (const text of [one, many, ...also]) put(text, { is: 'charge', charge: name });
}
for (const [text, tincture] of Object.entries(ROUNDELS)) put(text, { is: 'charge', charge: 'roundel', tincture });
NUMBER_WORDS.forEach((text, number) => text !== '' && put(text, { is: 'number', number }));
put('an', { is: 'number', number: 1 });
put('one', { is: 'number', number: 1 });
for (const [arranged, text] of Object.entries(ARRANGED_TERMS)) put(text, { is: 'arranged', arranged: arranged as Arranged });
ORDINALS.forEach((text, index) => put(text, { is: 'ordinal', ordinal: index + 1 }));
for (const [text, ordinal] of [
  ['1st', 1],
  ['2nd', 2],
  ['3rd', 3],
  ['4th', 4],
] as const)
  put(text, { is: 'ordinal', ordinal });
for (const word of ['and', 'between', 'on', 'in', 'the', 'of', 'within', 'field', 'each'] as const) put(word, { is: 'word', word });
for (const text of ['semy', 'semé', 'seme', 'semee', 'powdered']) put(text, { is: 'word', word: 'seme' });
for (const text of ['quarter', 'quarters']) put(text, { is: 'word', word: 'quarter' });

/** Most words of one term. */
export const LONGEST_TERM = 3;
export const termOf = (text: string): Term | undefined => TERMS.get(text);
/** The terms that charges of one's own bring along; what we draw ourselves goes by our names. @param own one of each, such as `lion rampant` */
export const ownTerms = (own: readonly string[]): ReadonlyMap<string, Term> =>
  new Map(own.flatMap((word) => [word, severalOf(word)].map((text) => [text, { is: 'charge', charge: ownCharge(word) }] as const)));
/** Every term, for whoever proposes one that is spelled nearly so. */
export const allTerms = (): readonly string[] => [...TERMS.keys()];
