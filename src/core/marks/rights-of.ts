import { licenseNameOf, termsOf, type LicenseTerms } from '../rights';
import type { FontShelf } from '../type';
import { derive, type Sources } from './derive';
import type { Recipe } from './recipe';

/** One thing a mark is made of that belongs to somebody, and what may be done with it. */
export interface PartRights {
  readonly what: string;
  readonly kind: 'font' | 'art' | 'picture' | 'drawn';
  readonly source: string;
  readonly author: string;
  readonly license: string;
  readonly terms: LicenseTerms;
}

/** What a mark as a whole allows: the strictest of its parts. */
export interface MarkRights {
  readonly parts: readonly PartRights[];
  readonly sell: LicenseTerms['sell'];
  readonly register: LicenseTerms['register'];
  /** Who must be named wherever the mark is sold with. */
  readonly credits: readonly string[];
}

const strictest = <T extends string>(values: readonly T[], order: readonly T[]): T =>
  order.find((value) => values.includes(value)) ?? (order.at(-1) as T);

/**
 * The rights of a mark, computed from everything it draws: fonts, art, and what is drawn from numbers. Each source is named once.
 * @param sources recipes of the marks it follows
 */
export function rightsOf(recipe: Recipe, sources: Sources, fonts: Pick<FontShelf, 'family'>): MarkRights {
  const found = new Map<string, PartRights>();
  const add = (rights: PartRights) => found.set(`${rights.kind} ${rights.what} ${rights.source}`, rights);
  for (const part of derive(recipe, sources).recipe.parts) {
    if (part.kind === 'lettering')
      for (const choice of [part.font, ...part.letters.flatMap(({ font }) => font ?? [])]) {
        const family = fonts.family(choice.family);
        const license = family ? licenseNameOf(family) : 'unknown';
        add({
          what: family?.name ?? choice.family,
          kind: 'font',
          source: family?.source ?? 'missing',
          author: '',
          license: family?.license ?? 'not known',
          terms: termsOf(license),
        });
      }
    else if (part.kind === 'art' || (part.kind === 'picture' && !part.reference))
      add({
        what: part.source.title,
        kind: part.kind,
        source: part.source.set ?? 'brought in',
        author: part.source.author,
        license: termsOf(part.source.license).label,
        terms: termsOf(part.source.license),
      });
    else if (part.kind === 'shape' || part.kind === 'band')
      add({
        what: 'Shapes and ornaments',
        kind: 'drawn',
        source: 'Lucky Thistle',
        author: '',
        license: termsOf('ours').label,
        terms: termsOf('ours'),
      });
  }
  const parts = [...found.values()];
  const credits = parts
    .filter(({ terms }) => terms.sell === 'with credit')
    .map(({ what, author, license }) => `“${what}” by ${author || 'its author'}, ${license}`);
  return {
    parts,
    sell: strictest(
      parts.map(({ terms }) => terms.sell),
      ['ask', 'with credit', 'yes'],
    ),
    register: strictest(
      parts.map(({ terms }) => terms.register),
      ['no', 'ask', 'yes'],
    ),
    credits: [...new Set(credits)],
  };
}

/** The rights of a mark as lines of text, as they travel inside of files. */
/** Which package something came in is for whoever builds the app, not for whoever gets its files. */
const isPackage = (source: string): boolean => /^@?[\w.-]+(\/[\w.-]+)?@\d/.test(source);

export const rightsLines = ({ parts, sell, register, credits }: MarkRights): readonly string[] => [
  ...parts.map(
    ({ what, kind, author, source, license }) =>
      `${what} (${kind}): ${[author, isPackage(source) ? '' : source, license].filter((text) => text !== '').join(', ')}`,
  ),
  `Selling with it: ${sell === 'yes' ? 'yes' : sell === 'ask' ? 'ask first' : 'with credit'}. Registering it as a trademark: ${register === 'ask' ? 'ask first' : register}.`,
  ...(credits.length > 0 ? [`Credit: ${credits.join('; ')}`] : []),
];
