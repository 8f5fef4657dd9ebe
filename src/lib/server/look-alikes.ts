import type { EntityManager } from '@mikro-orm/postgresql';
import { ALIKE, likeness, type ArtSource, type Fingerprint, type LookAlike, type Recipe } from '$core/index';
import { heavy } from './heavy/pool';
import { listBrands, type BrandView } from './stores/brands';
import { listMarks, type MarkView } from './stores/marks';
import { ownFonts } from './stores/own-fonts';

/** Fingerprints by mark and revision: a mark that has not changed is not drawn again. */
const kept = new Map<string, Fingerprint | undefined>();
/** Most fingerprints remembered; a few thousand bytes each. */
const MOST_KEPT = 4000;
/** Most marks of other brands that are looked at. */
const MOST_OTHERS = 600;

async function fingerprint(
  em: EntityManager,
  brand: BrandView,
  mark: MarkView,
  marks: readonly MarkView[],
): Promise<Fingerprint | undefined> {
  const key = `${mark.id}/${marks.map(({ revision }) => revision).join()}`;
  if (kept.has(key)) return kept.get(key);
  const found = await heavy('fingerprint', {
    recipe: mark.recipe,
    sources: new Map(marks.map(({ id, recipe }) => [id, recipe])),
    palette: brand.palette,
    ownFamilies: (await ownFonts(em.fork(), brand)).families,
  });
  const oldest = kept.keys().next();
  if (kept.size >= MOST_KEPT && !oldest.done) kept.delete(oldest.value);
  kept.set(key, found);
  return found;
}

const piecesOf = (recipe: Recipe): readonly { readonly part: string; readonly source: ArtSource }[] =>
  recipe.parts.flatMap((part) => (part.kind === 'art' && part.source.set !== undefined ? [{ part: part.id, source: part.source }] : []));
const nameOf = ({ set, name, title }: ArtSource): string => `${set ?? ''}/${name ?? title}`;

/** Marks of other brands of this studio that a brand's marks look like, and pieces of art that both show. */
export async function lookAlikes(em: EntityManager, brand: BrandView): Promise<readonly LookAlike[]> {
  const own = (await listMarks(em.fork(), brand.id)).filter(({ shelf, role }) => shelf === 'kept' && role !== 'piece');
  const found: LookAlike[] = [];
  const prints = new Map<string, Fingerprint | undefined>();
  for (const mark of own) prints.set(mark.id, await fingerprint(em, brand, mark, own));
  let looked = 0;
  for (const other of await listBrands(em.fork())) {
    if (other.id === brand.id) continue;
    const marks = (await listMarks(em.fork(), other.id)).filter(({ shelf, role }) => shelf === 'kept' && role !== 'piece');
    for (const theirs of marks) {
      if (++looked > MOST_OTHERS) return found;
      const print = await fingerprint(em, other, theirs, marks);
      const pieces = new Set(piecesOf(theirs.recipe).map(({ source }) => nameOf(source)));
      const where = { brand: other.name, brandSlug: other.slug, mark: theirs.name, markSlug: theirs.slug };
      for (const mark of own) {
        const mine = prints.get(mark.id);
        const alike = mine && print ? likeness(mine, print) : 0;
        const shared = piecesOf(mark.recipe).find(({ source }) => pieces.has(nameOf(source)));
        if (alike < ALIKE && !shared) continue;
        found.push({
          ...{ mark: mark.id, other: where },
          ...(alike >= ALIKE ? { likeness: alike } : {}),
          ...(shared ? { piece: { title: shared.source.title, part: shared.part } } : {}),
        });
      }
    }
  }
  return found;
}
