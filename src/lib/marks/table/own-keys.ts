/**
 * Keys of one letter or sign that were changed on this device: the sign of the table, and the one that is pressed for it instead.
 * @source WCAG 2.2, 2.1.4 "Character Key Shortcuts": they can be switched off, or changed
 */
const KEY = 'lucky-thistle/own-keys';

export type OwnKeys = Readonly<Record<string, string>>;
/** Letters are the same large and small. */
const sign = (key: string): string => (/^\p{L}$/u.test(key) ? key.toLowerCase() : key);

export function ownKeys(): OwnKeys {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '{}');
    if (kept === null || typeof kept !== 'object' || Array.isArray(kept)) return {};
    return Object.fromEntries(
      Object.entries(kept).filter((pair): pair is [string, string] => typeof pair[1] === 'string' && pair[1].length === 1),
    );
  } catch {
    return {};
  }
}

/** What the table takes a pressed sign for; nothing where it has been given another one. */
export function meantBy(pressed: string, own: OwnKeys): string | undefined {
  const key = sign(pressed);
  const instead = Object.entries(own).find(([, other]) => sign(other) === key);
  if (instead) return instead[0];
  return key in own ? undefined : pressed;
}

/**
 * Gives a sign of the table another key; its own one, or none, gives it back.
 * @param signs all signs that the table answers to
 * @returns what stands in the way, or nothing when it was done
 */
export function giveKey(of: string, key: string, signs: readonly string[]): string | undefined {
  const own = ownKeys();
  const wanted = sign(key);
  if (wanted === ' ') return 'The space bar moves the view.';
  const taken = signs.find((each) => each !== of && sign(own[each] ?? each) === wanted);
  if (taken !== undefined && wanted !== of) return `“${key}” does something else already.`;
  const { [of]: _before, ...others } = own;
  const next = wanted === '' || wanted === of ? others : { ...others, [of]: wanted };
  try {
    localStorage.setItem(KEY, JSON.stringify(next));
    return undefined;
  } catch {
    return 'This browser keeps nothing, so keys stay as they are.';
  }
}
