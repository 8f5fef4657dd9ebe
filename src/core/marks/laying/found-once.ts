import type { Path } from '../../geometry';

/** So many finds are kept for one outline: what is dragged leaves many behind, and the newest few are enough. */
const MOST = 4;

/** What is found for an outline, kept as long as that lives: what is painted on it changes far more often than where it runs. */
export function foundOnce<T>(): (outline: Path, key: string, find: () => T) => T {
  const found = new WeakMap<Path, Map<string, T>>();
  return (outline, key, find) => {
    const known = found.get(outline) ?? new Map<string, T>();
    found.set(outline, known);
    const kept = known.has(key) ? (known.get(key) as T) : find();
    known.delete(key);
    known.set(key, kept);
    for (const old of known.keys()) if (known.size > MOST) known.delete(old);
    return kept;
  };
}
