import { faceFor, type ShippedFamily } from '../font-shelf';
import type { CatalogueEntry } from '../measure';
import { distance } from './likeness';
import { createQualityReader } from './qualities';

/**
 * For every face that a client brought, the face of the library that looks most like it: what whoever may not have the first sets instead.
 * @param catalogue what was measured, by file
 * @returns names of families of the library, by the ids of the client's own
 * @source the distance of `likeness.ts`, over all qualities
 */
export function freeAlternatives(
  families: readonly ShippedFamily[],
  catalogue: Readonly<Record<string, CatalogueEntry>>,
): Readonly<Record<string, string>> {
  const rows = families.flatMap((family) => {
    const entry = catalogue[faceFor(family, { family: family.id, style: 'normal', axes: {} }).file];
    return entry ? [{ family, entry, own: family.id.startsWith('own-') }] : [];
  });
  const library = rows.filter(({ family, own }) => !own && !family.removed);
  const read = createQualityReader(library.map(({ entry }) => entry));
  return Object.fromEntries(
    rows
      .filter(({ own }) => own)
      .flatMap(({ family, entry }) => {
        const [nearest] = library
          // A face for the same writing: what it cannot set is no alternative.
          .filter((each) => entry.scripts.every((script) => each.entry.scripts.includes(script)) || entry.scripts.length === 0)
          .map((each) => ({ name: each.family.name, apart: distance(read(entry), read(each.entry)) }))
          .sort((one, other) => one.apart - other.apart);
        return nearest ? [[family.id, nearest.name] as const] : [];
      }),
  );
}
