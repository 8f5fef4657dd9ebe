/** What somebody calls themselves on this device: it stands beside every version they save. */
const KEY = 'lucky-thistle/name';
export const LONGEST_NAME = 80;

export function ownName(): string {
  try {
    return localStorage.getItem(KEY) ?? '';
  } catch {
    return '';
  }
}
export function callMyself(name: string): void {
  try {
    localStorage.setItem(KEY, name.trim().slice(0, LONGEST_NAME));
  } catch {
    // Without storage, nobody is named.
  }
}

/** The header that carries it; half of a pair cannot be encoded and is left out. */
export const nameHeader = (): Readonly<Record<string, string>> => {
  const name = ownName().replace(/\p{Cs}/gu, '');
  return name === '' ? {} : { 'lucky-name': encodeURIComponent(name) };
};
