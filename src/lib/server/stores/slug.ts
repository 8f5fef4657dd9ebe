import { randomUUID } from 'node:crypto';
import { transliterate } from 'transliteration';

/** Longest part of an address that is made of a name. */
const LONGEST = 60;

/**
 * A name as it stands in an address and in the names of files: Latin small letters and digits, joined by hyphens, at most 60 characters.
 * Other scripts are written in Latin letters (東京堂 → dong-jing-tang); empty when nothing of the name can be (emoji alone).
 */
export function slugOf(name: string): string {
  return transliterate(name.normalize('NFKC'))
    .normalize('NFKD')
    .toLowerCase()
    .replace(/['’`]/g, '')
    .replace(/[^a-z0-9]+/g, '-')
    .slice(0, LONGEST)
    .replace(/^-+|-+$/g, '');
}

/** The first of `slug`, `slug-2`, `slug-3` … that is not taken; a short name of no meaning where the name gives none. */
export function freeSlug(name: string, taken: ReadonlySet<string>): string {
  const slug = slugOf(name) || `n-${randomUUID().slice(0, 6)}`;
  if (!taken.has(slug)) return slug;
  for (let n = 2; ; n++) if (!taken.has(`${slug}-${n}`)) return `${slug}-${n}`;
}
