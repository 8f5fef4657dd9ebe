import { AsyncLocalStorage } from 'node:async_hooks';

/** Who makes a change, and from where, as far as is known: written into every revision. */
export interface Author {
  /** Whoever is signed in; without sign-in, the name they gave themselves on this device, or none. */
  readonly name: string;
  /** The device and the room: “Firefox on Linux, the table”. */
  readonly from: string;
  /** The studio that they belong to: nothing of another one is seen or changed. */
  readonly studio: string;
}

/** The first studio of an installation: the only one where nobody signs in. */
export const HOME_STUDIO = '00000000-0000-4000-8000-000000000001';

const LONGEST = 80;
const NOBODY: Author = { name: '', from: '', studio: HOME_STUDIO };
const authors = new AsyncLocalStorage<Author>();

/** Whoever the request that is being answered comes from; nobody outside of a request. */
export const author = (): Author => authors.getStore() ?? NOBODY;

/** The studio on whose behalf something runs. */
export const studio = (): string => author().studio;

/** Runs something on somebody's behalf. */
export const onBehalfOf = <T>(of: Author, run: () => T): T => authors.run(of, run);

/** Order counts: most browsers also name those they descend from. */
const BROWSERS = [
  ['Edg', 'Edge'],
  ['OPR', 'Opera'],
  ['Firefox', 'Firefox'],
  ['Chrom', 'Chromium'],
  ['Safari', 'Safari'],
] as const;
const SYSTEMS = [
  ['Android', 'Android'],
  ['iPhone', 'a phone'],
  ['iPad', 'a tablet'],
  ['Windows', 'Windows'],
  ['Mac OS', 'a Mac'],
  ['Linux', 'Linux'],
] as const;
const ROOMS = [
  [/\/marks\//, 'the table'],
  [/\/brief$/, 'the brief'],
  [/\/type$/, 'the type room'],
  [/\/family$/, 'the family room'],
  [/\/color$/, 'the color room'],
  [/\/proof$/, 'the proof wall'],
  [/\/handover$/, 'the hand-over'],
  [/\/library/, 'the library'],
  [/\/$/, 'the studio'],
] as const;

const first = (text: string, rows: readonly (readonly [string, string])[]) => rows.find(([token]) => text.includes(token))?.[1];

/** A browser and its system out of what it says of itself. */
export function deviceOf(agent: string): string {
  const [browser, system] = [first(agent, BROWSERS), first(agent, SYSTEMS)];
  return browser && system ? `${browser} on ${system}` : (browser ?? 'a script');
}

/** Reads the author out of a request's headers; whatever they hold, a short line of plain text comes out. */
export function authorOf(headers: Headers): Omit<Author, 'studio'> {
  const page = headers.get('referer') ?? '';
  const path = URL.canParse(page) ? new URL(page).pathname : '';
  const room = ROOMS.find(([pattern]) => pattern.test(path))?.[1];
  const device = deviceOf(headers.get('user-agent') ?? '');
  return { name: plain(headers.get('lucky-name') ?? ''), from: [device, room].filter(Boolean).join(', ') };
}

/** Header values are plain ASCII: a name travels percent-encoded. */
function plain(encoded: string): string {
  let text: string;
  try {
    text = decodeURIComponent(encoded);
  } catch {
    return '';
  }
  return [...text.replace(/[\p{Cc}\p{Cs}]/gu, '').trim()].slice(0, LONGEST).join('');
}
