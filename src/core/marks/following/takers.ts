import { isKnown, type Part } from '../registry';
import { takenBy } from './references';

/** Who draws which part in its place: whoever says so first; nobody draws itself, not even through others. */
export function takersOf(parts: readonly Part[]): ReadonlyMap<string, string> {
  const takers = new Map<string, string>();
  const ids = new Set(parts.map(({ id }) => id));
  for (const part of parts) {
    if (!isKnown(part)) continue;
    for (const id of takenBy(part)) {
      if (!ids.has(id) || takers.has(id)) continue;
      let up: string | undefined = part.id;
      while (up !== undefined && up !== id) up = takers.get(up);
      if (up === undefined) takers.set(id, part.id);
    }
  }
  return takers;
}
