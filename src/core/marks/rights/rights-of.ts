import type { LicenseTerms } from '../../rights';
import { derive, type Sources } from '../following/derive';
import type { PartRights, RightsLook } from '../part-kind';
import type { Recipe } from '../recipe/recipe';
import { isKnown, rightsOfPart } from '../registry';

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
export function rightsOf(recipe: Recipe, sources: Sources, look: RightsLook): MarkRights {
  const found = new Map<string, PartRights>();
  for (const part of derive(recipe, sources).recipe.parts)
    if (isKnown(part)) for (const rights of rightsOfPart(part, look)) found.set(`${rights.kind} ${rights.what} ${rights.source}`, rights);
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

/** Which package something came in is for whoever builds the app, not for whoever gets its files. */
const isPackage = (source: string): boolean => /^@?[\w.-]+(\/[\w.-]+)?@\d/.test(source);

/** The rights of a mark as lines of text, as they travel inside of files. */
export const rightsLines = ({ parts, sell, register, credits }: MarkRights): readonly string[] => [
  ...parts.map(
    ({ what, kind, author, source, license }) =>
      `${what} (${kind}): ${[author, isPackage(source) ? '' : source, license].filter((text) => text !== '').join(', ')}`,
  ),
  `Selling with it: ${sell === 'yes' ? 'yes' : sell === 'ask' ? 'ask first' : 'with credit'}. Registering it as a trademark: ${register === 'ask' ? 'ask first' : register}.`,
  ...(credits.length > 0 ? [`Credit: ${credits.join('; ')}`] : []),
];
