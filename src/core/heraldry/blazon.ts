import { fail, ok, type Result } from '../result/result';
import { armsSchema, type Arms, type ArmsItem, type Charges } from './arms';
import { COUNTED, type Ordinary } from './divisions';
import type { LineStyle } from './partition-lines';
import type { Arranged } from './slots';
import { oneOf, OWN_WORD } from './own-charges';
import { mayLieOn, type Tincture } from './tinctures';
import {
  allTerms,
  ARRANGED_TERMS,
  chargeWords,
  DIVISION_TERMS,
  LONGEST_TERM,
  NUMBER_WORDS,
  ORDINARY_TERMS,
  ownTerms,
  termOf,
  type Term,
} from './vocabulary';

/** One word of a blazon, and whether it was understood. */
export interface ReadWord {
  readonly text: string;
  readonly understood: boolean;
  /** What it could have been meant for. */
  readonly nearest?: string;
}
export interface ReadBlazon {
  readonly arms: Arms;
  readonly words: readonly ReadWord[];
  /** What stands where a charge would, and is none that is known: one of each, such as `lion rampant`. */
  readonly missing: readonly string[];
}

interface Token {
  readonly text: string;
  readonly term: Term | undefined;
  readonly comma: boolean;
}

const LONGEST_BLAZON = 600;

/** How many letters must be changed to make one word of another. @source V. Levenshtein, 1965 */
function apart(one: string, other: string): number {
  let row = Array.from({ length: other.length + 1 }, (_, index) => index);
  for (let i = 1; i <= one.length; i++) {
    const next = [i];
    for (let j = 1; j <= other.length; j++)
      next.push(
        Math.min((row[j] as number) + 1, (next[j - 1] as number) + 1, (row[j - 1] as number) + (one[i - 1] === other[j - 1] ? 0 : 1)),
      );
    row = next;
  }
  return row[other.length] as number;
}
function nearestTerm(text: string): string | undefined {
  const [best] = allTerms()
    .map((term) => ({ term, away: apart(text, term) }))
    .sort((one, other) => one.away - other.away);
  return best && best.away <= Math.max(1, Math.floor(text.length / 4)) ? best.term : undefined;
}

function tokens(text: string, own: readonly string[]): readonly Token[] {
  const brought = ownTerms(own);
  const longest = Math.max(LONGEST_TERM, ...own.map((word) => word.split(' ').length));
  const words = text
    .toLowerCase()
    .replace(/[;:.]/g, ',')
    .replace(/,/g, ' , ')
    .split(/\s+/)
    .filter((word) => word !== '');
  const found: Token[] = [];
  for (let at = 0; at < words.length;) {
    if (words[at] === ',') {
      found.push({ text: ',', term: undefined, comma: true });
      at++;
      continue;
    }
    let taken = 1;
    let term: Term | undefined;
    for (let length = Math.min(longest, words.length - at); length >= 1; length--) {
      const phrase = words.slice(at, at + length).join(' ');
      term = brought.get(phrase) ?? termOf(phrase);
      if (term) {
        taken = length;
        break;
      }
    }
    found.push({ text: words.slice(at, at + taken).join(' '), term, comma: false });
    at += taken;
  }
  return found;
}

/** Reads on through tokens, and remembers which of them were made use of. */
class Reader {
  at = 0;
  readonly used: boolean[];
  constructor(readonly tokens: readonly Token[]) {
    this.used = tokens.map(() => false);
  }
  get done(): boolean {
    return this.at >= this.tokens.length;
  }
  peek(): Token | undefined {
    return this.tokens[this.at];
  }
  /** The next term where it is of a kind. */
  take<K extends Term['is']>(is: K): Extract<Term, { is: K }> | undefined {
    const term = this.peek()?.term;
    if (term?.is !== is) return undefined;
    this.used[this.at++] = true;
    return term as Extract<Term, { is: K }>;
  }
  word(...words: readonly Extract<Term, { is: 'word' }>['word'][]): boolean {
    const term = this.peek()?.term;
    if (term?.is !== 'word' || !words.includes(term.word)) return false;
    this.used[this.at++] = true;
    return true;
  }
  comma(): boolean {
    if (!this.peek()?.comma) return false;
    this.used[this.at++] = true;
    return true;
  }
  skip(): void {
    this.at++;
  }
  mark(): number {
    return this.at;
  }
  back(to: number): void {
    for (let index = to; index < this.at; index++) this.used[index] = false;
    this.at = to;
  }
}

class BlazonReader {
  readonly items: ArmsItem[] = [];
  #field: Pick<Arms, 'division' | 'line' | 'pieces' | 'first' | 'second'> = {
    division: 'plain',
    line: 'straight',
    pieces: 6,
    first: 'argent',
    second: 'or',
  };
  constructor(readonly reader: Reader) {}

  read(): Arms | undefined {
    if (!this.field()) return undefined;
    const { reader } = this;
    while (!reader.done) {
      const before = reader.mark();
      while (reader.comma() || reader.word('and')) continue;
      if (!this.clause() && reader.mark() === before) reader.skip();
      else if (reader.mark() === before) reader.skip();
    }
    return { ...this.#field, items: this.items };
  }

  field(): boolean {
    const { reader } = this;
    while (!reader.done && !['division', 'tincture'].includes(reader.peek()?.term?.is ?? '')) reader.skip();
    const division = reader.take('division')?.division;
    if (!division) {
      const first = reader.take('tincture')?.tincture;
      if (!first) return false;
      this.#field = { ...this.#field, first };
      return true;
    }
    let line = reader.take('line')?.line;
    let pieces = COUNTED[division] ?? 6;
    if (reader.word('of')) pieces = reader.take('number')?.number ?? pieces;
    line ??= reader.take('line')?.line;
    const first = this.tincture();
    reader.word('and');
    const second = this.tincture();
    if (!first || !second) return false;
    this.#field = { division, line: line ?? 'straight', pieces: Math.max(2, pieces), first, second };
    return true;
  }

  /** A tincture by its name, or as that of the field, or of the first or second that was named. */
  tincture(): Tincture | undefined {
    const { reader } = this;
    const named = reader.take('tincture');
    if (named) return named.tincture;
    const start = reader.mark();
    if (reader.word('of') && reader.word('the')) {
      const ordinal = reader.take('ordinal')?.ordinal;
      if (ordinal === 1 || ordinal === 2) return ordinal === 1 ? this.#field.first : this.#field.second;
      if (reader.word('field')) return this.#field.first;
    }
    reader.back(start);
    return undefined;
  }

  /** So many of a charge, with their tincture and how they stand. */
  charges(): (Charges & { readonly arranged?: Arranged }) | undefined {
    const { reader } = this;
    const start = reader.mark();
    const number = reader.take('number')?.number;
    const charge = reader.take('charge');
    if (!charge) {
      reader.back(start);
      return undefined;
    }
    let arranged = reader.take('arranged')?.arranged;
    const tincture = this.tincture() ?? charge.tincture;
    arranged ??= this.afterwards();
    if (!tincture) {
      reader.back(start);
      return undefined;
    }
    return { what: charge.charge, count: number ?? 1, tincture, ...(arranged ? { arranged } : {}) };
  }
  /** “… argent, two and one”: an arrangement may come after a comma. */
  afterwards(): Arranged | undefined {
    const { reader } = this;
    const start = reader.mark();
    reader.comma();
    const arranged = reader.take('arranged')?.arranged;
    // “in pale a key”: then it belongs to what follows.
    if (arranged && (reader.done || reader.peek()?.comma || reader.peek()?.term?.is === 'word')) return arranged;
    reader.back(start);
    return undefined;
  }

  ordinary(): { readonly ordinary: Ordinary; readonly line: LineStyle; readonly tincture: Tincture } | undefined {
    const { reader } = this;
    const start = reader.mark();
    const number = reader.take('number')?.number;
    const ordinary = reader.take('ordinary')?.ordinary;
    if (!ordinary || (number ?? 1) !== 1) {
      reader.back(start);
      return undefined;
    }
    const line = reader.take('line')?.line ?? 'straight';
    const tincture = this.tincture();
    if (!tincture) {
      reader.back(start);
      return undefined;
    }
    return { ordinary, line, tincture };
  }

  clause(): boolean {
    const { reader } = this;
    const start = reader.mark();
    if (reader.word('seme')) {
      reader.word('of');
      const charge = reader.take('charge');
      const tincture = this.tincture() ?? charge?.tincture;
      if (charge && tincture) {
        this.items.push({ is: 'charges', what: charge.charge, count: 12, tincture, arranged: 'seme' });
        return true;
      }
      reader.back(start);
      return false;
    }
    if (reader.word('on')) {
      const ordinary = this.ordinary();
      const on = ordinary && this.charges();
      if (ordinary && on) {
        this.items.push({ is: 'ordinary', ...ordinary, on: plain(on) });
        return true;
      }
      reader.back(start);
    }
    if (reader.word('within') || reader.mark() === start) {
      const ordinary = this.ordinary();
      if (ordinary) {
        const between = this.between();
        this.items.push({ is: 'ordinary', ...ordinary, ...(between ? { between } : {}) });
        return true;
      }
      if (reader.mark() !== start) reader.back(start);
    }
    const place = this.place();
    const charges = this.charges();
    if (charges) {
      const { arranged, ...bare } = charges;
      const quarters = place?.quarters;
      this.items.push({
        is: 'charges',
        ...bare,
        arranged: place?.arranged ?? arranged ?? standing(bare.count),
        ...(quarters ? { quarters: [...quarters] } : {}),
      });
      return true;
    }
    reader.back(start);
    return false;
  }

  between(): Charges | undefined {
    const { reader } = this;
    const start = reader.mark();
    if (reader.word('between')) {
      const charges = this.charges();
      if (charges) return plain(charges);
    }
    reader.back(start);
    return undefined;
  }

  /** “in chief”, “in the first and fourth”, “in pale”. */
  place(): { readonly arranged: Arranged; readonly quarters?: readonly number[] } | undefined {
    const { reader } = this;
    const arranged = reader.take('arranged')?.arranged;
    if (arranged) return { arranged };
    const start = reader.mark();
    if (!reader.word('in')) return undefined;
    const where = reader.take('ordinary')?.ordinary;
    if (where === 'chief') return { arranged: 'in-chief' };
    if (where === 'base') return { arranged: 'in-base' };
    reader.word('the');
    const quarters: number[] = [];
    for (let ordinal = reader.take('ordinal'); ordinal; ordinal = reader.take('ordinal')) {
      quarters.push(ordinal.ordinal);
      const before = reader.mark();
      reader.word('and');
      reader.word('the');
      if (reader.peek()?.term?.is !== 'ordinal') reader.back(before);
    }
    reader.word('quarter');
    if (quarters.length > 0) return { arranged: 'quarters', quarters };
    if (reader.word('each')) {
      reader.word('quarter');
      return { arranged: 'quarters', quarters: [1, 2, 3, 4] };
    }
    reader.back(start);
    return undefined;
  }
}

const plain = ({ what, count, tincture }: Charges): Charges => ({ what, count, tincture });
/** How charges stand when nothing is said: three are two and one, others beside one another. */
const standing = (count: number): Arranged =>
  count === 1 ? 'center' : count === 3 ? 'two-and-one' : count === 2 ? 'in-fess' : count === 4 ? 'quarters' : 'in-fess';

/** Names that no term knows, each up to the tincture or arrangement that follows it, where a charge would be named. */
function missingIn(read: readonly Token[]): readonly string[] {
  const found = new Set<string>();
  for (let at = 0; at < read.length; at++) {
    const begin = at;
    while (read[at] && !read[at]?.term && !read[at]?.comma) at++;
    const after = read[at]?.term?.is;
    const name = oneOf(
      read
        .slice(begin, at)
        .map(({ text }) => text)
        .join(' '),
    );
    if (begin < at && (after === 'tincture' || after === 'arranged') && OWN_WORD.test(name)) found.add(name);
  }
  return [...found];
}

/**
 * Reads a blazon in the common English terms. What is understood is built; every word says whether it was.
 * @param own charges that were brought, by what one of each is called
 * @returns a problem only where not even a field could be read
 */
export function readBlazon(text: string, own: readonly string[] = []): Result<ReadBlazon> {
  if (text.length > LONGEST_BLAZON)
    return fail({ code: 'blazon-too-long', message: `A blazon may be ${LONGEST_BLAZON} letters long; this one has ${text.length}.` });
  const read = tokens(text, own);
  const reader = new Reader(read);
  const arms = new BlazonReader(reader).read();
  const words = read.flatMap((token, index): readonly ReadWord[] => {
    if (token.comma) return [];
    const understood = reader.used[index] === true;
    const nearest = understood || token.term ? undefined : nearestTerm(token.text);
    return [{ text: token.text, understood, ...(nearest ? { nearest } : {}) }];
  });
  if (!arms) {
    const odd = words.find(({ understood }) => !understood)?.text;
    return fail({
      code: 'blazon-no-field',
      message: `The field could not be read${odd ? `: “${odd}” is not known` : ''}.`,
      fix: 'Begin with the field, such as “Azure” or “Per pale gules and argent”.',
    });
  }
  const checked = armsSchema.safeParse(arms);
  if (!checked.success)
    return fail({ code: 'blazon-too-much', message: 'There is more on this shield than can be built.', fix: 'Leave out a few charges.' });
  return ok({ arms: checked.data, words, missing: missingIn(read) });
}

const numberWord = (count: number): string => NUMBER_WORDS[count] ?? String(count);
const chargesText = ({ what, count, tincture }: Charges): string => {
  const { one, many } = chargeWords(what);
  const article = count === 1 ? (/^[aeiou]/.test(one) ? 'an' : 'a') : numberWord(count);
  return `${article} ${count === 1 ? one : many} ${tincture}`;
};
const ordinaryText = ({
  ordinary,
  line,
  tincture,
}: {
  readonly ordinary: Ordinary;
  readonly line: LineStyle;
  readonly tincture: Tincture;
}): string => `a ${ORDINARY_TERMS[ordinary]}${line === 'straight' ? '' : ` ${line}`} ${tincture}`;
const ORDINAL = ['', 'first', 'second', 'third', 'fourth'];

/** The blazon of arms, in the order in which they are built. */
export function writeBlazon({ division, line, pieces, first, second, items }: Arms): string {
  const style = line === 'straight' ? '' : ` ${line}`;
  const counted =
    COUNTED[division] !== undefined && division !== 'chequy' && division !== 'lozengy' && pieces !== (division === 'gyronny' ? 8 : -1);
  const field =
    division === 'plain'
      ? first
      : `${DIVISION_TERMS[division]}${style}${counted || (COUNTED[division] !== undefined && pieces !== COUNTED[division]) ? ` of ${numberWord(pieces)}` : ''} ${first} and ${second}`;
  const clauses = items.map((item): string => {
    if (item.is === 'ordinary') {
      const text = ordinaryText(item);
      if (item.on) return `on ${text} ${chargesText(item.on)}`;
      return `${item.ordinary === 'bordure' && items.length > 1 ? 'within ' : ''}${text}${item.between ? ` between ${chargesText(item.between)}` : ''}`;
    }
    const text = chargesText(item);
    if (item.arranged === 'seme') return `semy of ${chargeWords(item.what).many} ${item.tincture}`;
    if (item.quarters && item.quarters.length > 0)
      return `in the ${item.quarters.map((quarter) => ORDINAL[quarter]).join(' and ')} ${text}`;
    if (item.arranged === 'in-chief') return `in chief ${text}`;
    if (item.arranged === 'in-base') return `in base ${text}`;
    const arranged = ARRANGED_TERMS[item.arranged];
    return arranged && item.arranged !== standing(item.count) ? `${arranged} ${text}` : text;
  });
  const all = [field, ...clauses].join(', ');
  return all.charAt(0).toUpperCase() + all.slice(1);
}

/** Where the rule of tincture is not kept, each as a sentence. It is told, never enforced. */
export function tinctureFaults({ division, first, second, items }: Arms): readonly string[] {
  const faults: string[] = [];
  const fields: readonly Tincture[] = division === 'plain' ? [first] : [first, second];
  // Divided fields of a metal and a color may bear either.
  const mixed = fields.length === 2 && mayLieOn(first, second);
  const say = (what: string, over: Tincture, under: Tincture) =>
    faults.push(
      over === under
        ? `${what} ${over} on ${under} cannot be seen.`
        : `${what} ${over} on ${under}: ${over} and ${under} are both ${over === 'or' || over === 'argent' ? 'metals' : 'colors'}.`,
    );
  const upon = (what: string, over: Tincture) => {
    if (!mixed && !mayLieOn(over, first)) say(what, over, first);
  };
  for (const item of items) {
    if (item.is === 'charges') {
      const under =
        division === 'quarterly' && item.quarters?.length
          ? [...new Set(item.quarters.map((quarter) => (quarter === 1 || quarter === 4 ? first : second)))]
          : undefined;
      if (under) {
        for (const each of under) if (!mayLieOn(item.tincture, each)) say(chargeWords(item.what).one, item.tincture, each);
      } else upon(chargeWords(item.what).one, item.tincture);
      continue;
    }
    // A chief or a bordure of a color on a color was borne often enough, but the rule is told all the same.
    upon(ORDINARY_TERMS[item.ordinary], item.tincture);
    if (item.on && !mayLieOn(item.on.tincture, item.tincture)) say(chargeWords(item.on.what).one, item.on.tincture, item.tincture);
    if (item.between) upon(chargeWords(item.between.what).one, item.between.tincture);
  }
  return faults.map((fault) => fault.charAt(0).toUpperCase() + fault.slice(1));
}
