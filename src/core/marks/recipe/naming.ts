import { labelOf, type Part } from '../registry';

/**
 * What every part is called where several are named: those of one name are numbered, “Disk”, “Disk 2”, in the order
 * in which they were made, so that none changes its name when it is restacked.
 */
export function labelsOf(parts: readonly Part[]): ReadonlyMap<string, string> {
  const times = new Map<string, number>();
  const taken = new Set(parts.map(labelOf));
  return new Map(
    [...parts]
      .sort((one, other) => one.id.localeCompare(other.id, 'en', { numeric: true }))
      .map((part) => {
        const label = labelOf(part);
        let count = (times.get(label) ?? 0) + 1;
        // A part that is itself called “Disk 2” keeps that name to itself.
        while (count > 1 && taken.has(`${label} ${count}`)) count++;
        times.set(label, count);
        return [part.id, count === 1 ? label : `${label} ${count}`];
      }),
  );
}
