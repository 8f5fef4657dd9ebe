import type { EntityManager } from '@mikro-orm/postgresql';
import { canvasSchema, keptPictures, SHEET_SIZES, sheetFactsOf, sheetPages, type MeasuredMark, type Recipe } from '$core/index';
import { shippedFamilies } from './fonts';
import type { PictureSubject } from './formats';
import { heavy } from './heavy/pool';
import { refuse } from './http/problem-error';
import { ownPictures } from './stores/brand-pictures';
import type { BrandView } from './stores/brands';
import { findDocument } from './stores/documents';
import { listMarks } from './stores/marks';
import { ownFonts } from './stores/own-fonts';

/** The brand sheet as it stands, as one PDF. @throws a refusal where there is no mark to show */
export async function sheetPdf(em: EntityManager, brand: BrandView): Promise<Uint8Array> {
  const marks = await listMarks(em.fork(), brand.id);
  const { families: ownFamilies } = await ownFonts(em.fork(), brand);
  const sources = new Map(marks.map(({ id, recipe }) => [id, recipe]));
  const sheet = (await findDocument(em.fork(), brand.id, 'sheet')).content;
  const measured = new Map<string, MeasuredMark>();
  for (const mark of marks.filter(({ shelf, role }) => shelf === 'kept' && role !== 'piece')) {
    const found = await heavy('measured', { recipe: mark.recipe, sources, palette: brand.palette, ownFamilies });
    if (found) measured.set(mark.id, found);
  }
  const facts = sheetFactsOf(brand, marks, {
    brief: (await findDocument(em.fork(), brand.id, 'brief')).content,
    type: (await findDocument(em.fork(), brand.id, 'type')).content,
    families: [...shippedFamilies(), ...ownFamilies],
    ...{ measured, contact: sheet.contact },
  });
  if (facts.marks.length === 0)
    throw refuse(422, 'nothing-drawn', 'This brand has no mark yet, so there is nothing to show.', 'Build a mark first.');
  const shown = (recipe: Recipe): readonly string[] => recipe.parts.flatMap(keptPictures);
  const own = await ownPictures(em.fork(), brand.id, [...sources.values()].flatMap(shown));
  const subjects = sheetPages(sheet, facts).map(({ title, recipe }): PictureSubject => ({
    ...{ title: `${brand.name}, ${title.toLowerCase()}`, recipe, sources, palette: brand.palette, dressing: 'full' },
    ...{ ownFamilies, ownPictures: own },
  }));
  const [first, ...pages] = subjects;
  if (!first) throw refuse(422, 'nothing-drawn', 'Every page of this sheet is left out.', 'Take one in again.');
  const { width, height } = SHEET_SIZES[sheet.size];
  return heavy('file', {
    format: 'pdf',
    subject: { ...first, title: `${brand.name}, brand sheet` },
    order: { canvas: canvasSchema.parse({ width, height, unit: 'mm' }), pages },
  });
}
