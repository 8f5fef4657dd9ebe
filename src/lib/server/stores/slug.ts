/** A name as it stands in an address: letters and digits of any script, joined by hyphens, at most 60 characters. */
export function slugOf(name: string): string {
  const slug = name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60);
  return slug || 'untitled';
}

/** The first of `slug`, `slug-2`, `slug-3` … that is not taken. */
export function freeSlug(name: string, taken: ReadonlySet<string>): string {
  const slug = slugOf(name);
  if (!taken.has(slug)) return slug;
  for (let n = 2; ; n++) if (!taken.has(`${slug}-${n}`)) return `${slug}-${n}`;
}
