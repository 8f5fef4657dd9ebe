import { createHash } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/postgresql';
import { expect, marksFollowedBy, paletteForm, recovered, writeRecipe, type Palette, type Recipe, type ShippedFamily } from '$core/index';
import { Mark, Revision, SavedPalette, type FileBasis, type HandoverBasis } from '../database/entities';
import { ownPictures } from '../stores/brand-pictures';
import { documentNumbers } from '../stores/documents';
import { ownFonts } from '../stores/own-fonts';
import { storedRecipe } from '../stores/stored-recipe';

/** A brand's marks as they stood at one moment: everything that files of them are made from. */
export interface Standing {
  readonly basis: HandoverBasis;
  readonly palette: Palette;
  /** By mark. */
  readonly recipes: ReadonlyMap<string, Recipe>;
  readonly names: ReadonlyMap<string, string>;
  readonly ownFamilies: readonly ShippedFamily[];
}

/** What a brand is at this moment. */
export async function basisNow(em: EntityManager, brand: { readonly id: string; readonly paletteNumber: number }): Promise<HandoverBasis> {
  const marks = await em.find(Mark, { brand: brand.id });
  return {
    palette: brand.paletteNumber,
    marks: Object.fromEntries(marks.map(({ id, revisionNumber }) => [id, revisionNumber])),
    documents: await documentNumbers(em, brand.id),
  };
}

/** A brand as it stood at a basis. Revisions are never changed, so it is the same whenever it is asked for. */
export async function standingAt(
  em: EntityManager,
  brand: { readonly id: string; readonly slug: string },
  basis: HandoverBasis,
): Promise<Standing> {
  const marks = Object.entries(basis.marks);
  const [palette, revisions, rows, fonts] = [
    await em.findOneOrFail(SavedPalette, { brand: brand.id, number: basis.palette }),
    marks.length === 0 ? [] : await em.find(Revision, { $or: marks.map(([mark, number]) => ({ mark, number })) }),
    await em.find(Mark, { brand: brand.id }),
    await ownFonts(em, brand),
  ];
  return {
    basis,
    palette: expect(recovered(paletteForm, palette.colors)).value,
    recipes: new Map(revisions.map((revision) => [revision.mark.id, storedRecipe(revision.recipe)])),
    names: new Map(rows.map(({ id, name }) => [id, name])),
    ownFamilies: fonts.families,
  };
}

/** A mark and all that it follows, directly or through others. */
function closure(standing: Standing, mark: string): readonly string[] {
  const found = new Set<string>();
  const look = (id: string) => {
    const recipe = standing.recipes.get(id);
    if (!recipe || found.has(id)) return;
    found.add(id);
    for (const next of marksFollowedBy(recipe)) look(next);
  };
  look(mark);
  return [...found];
}

/** What a file of marks depends on; two files of one digest and one order are the same picture. */
export function fileBasis(standing: Standing, shown: readonly string[]): FileBasis {
  const marks = [...new Set(shown.flatMap((mark) => closure(standing, mark)))];
  const { palette } = standing;
  const hash = createHash('sha256').update(JSON.stringify(palette));
  for (const id of [...marks].sort()) hash.update(id).update(JSON.stringify(writeRecipe(standing.recipes.get(id) as Recipe)));
  return {
    palette: standing.basis.palette,
    marks: Object.fromEntries(marks.map((id) => [id, standing.basis.marks[id] ?? 0])),
    digest: hash.digest('hex'),
  };
}

/** The pictures that a mark and those it follows may show. */
export function picturesOf(em: EntityManager, brandId: string, standing: Standing, mark: string): Promise<ReadonlySet<string>> {
  const recipes = closure(standing, mark).flatMap((id) => standing.recipes.get(id) ?? []);
  return ownPictures(
    em,
    brandId,
    recipes.flatMap(({ parts }) => parts.flatMap((part) => (part.kind === 'picture' ? [part.sha256] : []))),
  );
}
