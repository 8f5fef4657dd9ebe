import { itemize } from './itemize';

/** The face of the library that texts begin in. */
const LATIN = 'marcellus';
/** A face of the library for each script that it has. */
const FACES: Readonly<Record<string, string>> = {
  Latn: LATIN,
  Grek: 'eb-garamond',
  Cyrl: 'eb-garamond',
  Arab: 'noto-sans-arabic',
  Hebr: 'noto-sans-hebrew',
  Deva: 'noto-sans',
};
/** Latin letters that the first face has none of: Romanian commas, Vietnamese, African and transcribed Latin. @source Unicode blocks Latin Extended-B and Additional */
const FARTHER_LATIN = /[\u0180-\u024f\u1e00-\u1eff]/;
/** Has them. */
const FOR_FARTHER_LATIN = 'eb-garamond';
/** Has Latin letters for the faces that have none of their own. */
const LENDS_LATIN = 'noto-sans';
const WITHOUT_LATIN: ReadonlySet<string> = new Set(['noto-sans-arabic', 'noto-sans-hebrew']);

/** The scripts of a text's letters that the library has a face for, as they are read. */
const scriptsOf = (text: string): readonly string[] => [
  ...new Set(
    text.split('\n').flatMap((line) =>
      [...itemize(line)]
        .sort((one, other) => one.start - other.start)
        .filter(({ start, end, script }) => script in FACES && /\p{L}/u.test(line.slice(start, end)))
        .map(({ script }) => script),
    ),
  ),
];

/** The family that a text begins in: one that has the script of its first letters, where the library has one. */
export function startingFamily(text: string): string {
  const face = FACES[scriptsOf(text)[0] ?? 'Latn'] ?? LATIN;
  return face === LATIN && FARTHER_LATIN.test(text) ? FOR_FARTHER_LATIN : face;
}

/** The family that lends a text the letters of another script, should its own not have them; nothing where that is not to be expected. */
export function lenderOf(family: string, text: string): string | null {
  for (const script of scriptsOf(text)) {
    if (script === 'Latn' && !WITHOUT_LATIN.has(family) && (family === FOR_FARTHER_LATIN || !FARTHER_LATIN.test(text))) continue;
    const face = script === 'Latn' ? LENDS_LATIN : (FACES[script] as string);
    if (face !== family) return face;
  }
  return null;
}
