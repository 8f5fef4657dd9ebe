import type { WantedFile } from './plan';

/** What a pattern may name. */
export const NAME_WORDS = ['brand', 'mark', 'role', 'colorway', 'use', 'size', 'width', 'height'] as const;
export type NameWord = (typeof NAME_WORDS)[number];

/** Names that some systems keep for devices. @source Microsoft, "Naming Files, Paths, and Namespaces", from memory */
const DEVICES = /^(con|prn|aux|nul|com[0-9]|lpt[0-9])$/;
/** Longest name without its ending: whole paths stay far below what old systems take. */
const LONGEST = 96;
const LONGEST_FOLDER = 48;

/** Words that stand for what a file shows, already in plain Latin letters. */
export type NameWords = (file: WantedFile) => { readonly [W in NameWord]: string };

/** A text as part of a file name: lower-case Latin letters, digits and hyphens. */
export const plainName = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');

/** What a canvas is called in a name: `1080x1080`, `640w`, `85-6x53-98mm`. */
export function sizeName({ canvas: { width, height, unit }, goods, label }: WantedFile): string {
  if (goods) return [plainName(label) || plainName(goods.scene), `${width}w`].join('-');
  const said = (length: number) => String(Math.round(length * 100) / 100).replace('.', '-');
  const end = unit === 'px' ? '' : unit;
  if (width !== undefined && height !== undefined) return `${said(width)}x${said(height)}${end}`;
  if (width !== undefined) return `${said(width)}${end || 'w'}`;
  if (height !== undefined) return `${said(height)}${end || 'h'}`;
  return '';
}

/** Words of a pattern that are no words of ours. */
export const strangeWords = (pattern: string): readonly string[] =>
  [...pattern.matchAll(/\{([^}]*)\}/g)].flatMap(([, word]) => ((NAME_WORDS as readonly string[]).includes(word ?? '') ? [] : [word ?? '']));

/**
 * The names of all files of a hand-over, as paths with a folder for each pack: safe on every system, and no two alike whatever the pattern says,
 * even where upper and lower case are one.
 */
export function fileNames(
  files: readonly WantedFile[],
  pattern: string,
  words: NameWords,
  folderOf: (pack: string) => string,
): readonly string[] {
  const taken = new Set<string>();
  return files.map((file) => {
    const known = words(file);
    const filled = pattern.replace(/\{([^}]*)\}/g, (_, word: string) => (known as Readonly<Record<string, string>>)[word] ?? '');
    const cut = plainName(filled).slice(0, LONGEST);
    const base = cut.replace(/^-+|-+$/g, '') || 'file';
    const safe = DEVICES.test(base) ? `${base}-file` : base;
    const folder = plainName(plainName(folderOf(file.pack)).slice(0, LONGEST_FOLDER)) || 'files';
    const ending = `.${file.format}`;
    let name = `${folder}/${safe}${ending}`;
    for (let count = 2; taken.has(name); count++) name = `${folder}/${safe}-${count}${ending}`;
    taken.add(name);
    return name;
  });
}
