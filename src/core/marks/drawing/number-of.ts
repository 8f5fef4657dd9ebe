import type { Path } from '../../geometry';

const numbers = new WeakMap<Path, number>();
let given = 0;
/** A number for an outline, the same as long as it lives. */
export const numberOf = (path: Path): number => {
  const kept = numbers.get(path) ?? ++given;
  numbers.set(path, kept);
  return kept;
};
