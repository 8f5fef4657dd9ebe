const wordsIn = (text: string): readonly string[] =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);

/**
 * What answers to typed words: every one of them begins a word of its name, its place or its other words; nearest first: those whose name
 * begins so, those whose name holds them, the rest.
 */
export function matching<T extends { readonly label: string; readonly words?: readonly string[] }>(
  all: readonly T[],
  typed: string,
): readonly T[] {
  const asked = wordsIn(typed);
  if (asked.length === 0) return all;
  const whole = asked.join(' ');
  const rank = ({ label, words = [] }: T): number => {
    const name = wordsIn(label);
    const others = words.flatMap(wordsIn);
    const begins = (list: readonly string[]) => asked.every((word) => list.some((each) => each.startsWith(word)));
    if (name.join(' ') === whole) return 0;
    if (name.join(' ').startsWith(whole)) return 1;
    if (words.some((word) => wordsIn(word).join(' ') === whole)) return 2;
    if (begins(name)) return 3;
    // The more of them its name says itself, and the less else it says, the nearer.
    const own = asked.filter((word) => name.some((each) => each.startsWith(word))).length;
    return begins([...name, ...others]) ? 5 - own / asked.length - own / (10 * name.length) : Infinity;
  };
  return all
    .map((each) => ({ each, at: rank(each) }))
    .filter(({ at }) => at < Infinity)
    .sort((a, b) => a.at - b.at)
    .map(({ each }) => each);
}
