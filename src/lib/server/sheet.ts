import type { EntityManager } from '@mikro-orm/postgresql';
import {
  canvasSchema,
  freeAlternatives,
  goodsOfSheet,
  goodsPicture,
  keptPictures,
  SHEET_SIZES,
  sheetFactsOf,
  sheetPages,
  sheetWebPage,
  shownOnGoods,
  dressingOnGoods,
  EMPTY_RECIPE,
  ownGoodsId,
  type Canvas,
  type GoodsAtHand,
  type DrawnPage,
  type MarkOnGoods,
  type MeasuredMark,
  type Recipe,
  type TonePicture,
} from '$core/index';
import { catalogue, shippedFamilies } from './fonts';
import { storeFile } from './files';
import type { PictureSubject } from './formats';
import { goodsAtHand } from './goods/at-hand';
import { goodsOrder } from './goods/pack-order';
import { heavy } from './heavy/pool';
import { refuse } from './http/problem-error';
import { listPictures, ownPictures } from './stores/brand-pictures';
import type { BrandView } from './stores/brands';
import { findDocument } from './stores/documents';
import { listMarks } from './stores/marks';
import { ownFonts } from './stores/own-fonts';

interface SheetFiles {
  readonly pages: readonly (DrawnPage & { readonly subject: PictureSubject })[];
  readonly canvas: Canvas;
}

/** A brand as it was at another moment. */
export interface AsItWas {
  /** Recipes of marks, by their ids; those that are missing are as they are now. */
  readonly recipes: ReadonlyMap<string, Recipe>;
  /** Numbers of its documents; as they are now without. */
  readonly documents?: Readonly<Record<string, number>> | undefined;
}
const AS_IT_IS: AsItWas = { recipes: new Map() };

/**
 * The pages of a brand's sheet, each as something to be drawn.
 * @throws a refusal where there is no mark or no page to show
 */
async function sheetFiles(em: EntityManager, brand: BrandView, { recipes, documents }: AsItWas = AS_IT_IS): Promise<SheetFiles> {
  const marks = (await listMarks(em.fork(), brand.id)).map((mark) => ({ ...mark, recipe: recipes.get(mark.id) ?? mark.recipe }));
  const { families: ownFamilies, catalogue: ownCatalogue } = await ownFonts(em.fork(), brand);
  const families = [...shippedFamilies(), ...ownFamilies];
  const sources = new Map(marks.map(({ id, recipe }) => [id, recipe]));
  const sheet = (await findDocument(em.fork(), brand.id, 'sheet', documents)).content;
  const measured = new Map<string, MeasuredMark>();
  for (const mark of marks.filter(({ shelf, role }) => shelf === 'kept' && role !== 'piece')) {
    const found = await heavy('measured', { recipe: mark.recipe, sources, palette: brand.palette, ownFamilies });
    if (found) measured.set(mark.id, found);
  }
  const shown = (recipe: Recipe): readonly string[] => recipe.parts.flatMap(keptPictures);
  const inMarks = await ownPictures(em.fork(), brand.id, [...sources.values()].flatMap(shown));
  const atHand = await goodsAtHand(em.fork(), brand.id, documents);
  const wanted = sheet.left.includes('on-goods') ? [] : goodsOfSheet(sheet, atHand, new Set(measured.keys()));
  const goods: TonePicture[] = [];
  // One after the other: their layers are large.
  for (const on of wanted) goods.push(await pictureOnGoods(em, brand, on, atHand, marks, { sources, ownFamilies, ownPictures: inMarks }));
  const facts = sheetFactsOf(brand, marks, {
    brief: (await findDocument(em.fork(), brand.id, 'brief', documents)).content,
    type: (await findDocument(em.fork(), brand.id, 'type', documents)).content,
    families,
    alternatives: freeAlternatives(families, { ...catalogue(), ...ownCatalogue }),
    board: (await findDocument(em.fork(), brand.id, 'board', documents)).content,
    pictures: await listPictures(em, brand.id),
    ...{ measured, sheet, goods },
  });
  if (facts.marks.length === 0)
    throw refuse(422, 'nothing-drawn', 'This brand has no mark yet, so there is nothing to show.', 'Build a mark first.');
  const own = new Set([
    ...inMarks,
    ...(await ownPictures(
      em.fork(),
      brand.id,
      facts.pictures.map(({ sha256 }) => sha256),
    )),
    ...goods.map(({ sha256 }) => sha256),
  ]);
  const pages = sheetPages(sheet, facts).map((page) => ({
    ...page,
    subject: {
      ...{ title: `${brand.name}, ${page.title.toLowerCase()}`, recipe: page.recipe, sources, palette: brand.palette },
      ...{ dressing: 'full' as const, ownFamilies, ownPictures: own },
    },
  }));
  if (pages.length === 0) throw refuse(422, 'nothing-drawn', 'Every page of this sheet is left out.', 'Take one in again.');
  const { width, height } = SHEET_SIZES[sheet.size];
  return { pages, canvas: canvasSchema.parse({ width, height, unit: 'mm' }) };
}

/** Goods are so wide on a sheet: a third of a page at 300 dots an inch. */
const GOODS_PX = 1400;
/** A mark on goods as a picture for the sheet; no brand holds it, and it is cleared away in time. */
async function pictureOnGoods(
  em: EntityManager,
  brand: BrandView,
  { mark, scene }: MarkOnGoods,
  { desk }: GoodsAtHand,
  marks: readonly { readonly id: string; readonly name: string; readonly recipe: Recipe }[],
  more: Pick<PictureSubject, 'sources' | 'ownFamilies' | 'ownPictures'>,
): Promise<TonePicture> {
  const { recipe, name } = marks.find(({ id }) => id === mark) ?? { recipe: EMPTY_RECIPE, name: '' };
  const shown = shownOnGoods(desk, mark, scene.name);
  const own = desk.own[ownGoodsId(scene.name) ?? ''];
  const order = await goodsOrder(
    ...([em, brand.slug, { canvas: canvasSchema.parse({ width: Math.min(GOODS_PX, scene.widthPx) }) }] as const),
    { scene: scene.name, shown, ...(own ? { own } : {}) },
    brand.palette,
  );
  const dressing = shown.dressing ?? dressingOnGoods(brand.palette, scene);
  const picture = await heavy('goodsLarge', { subject: { title: name, recipe, palette: brand.palette, dressing, ...more }, order });
  return goodsPicture(await storeFile(picture), name, scene, GOODS_PX);
}

const asPdf = (brand: BrandView, { pages, canvas }: SheetFiles): Promise<Uint8Array> => {
  const [first, ...rest] = pages.map(({ subject }) => subject);
  if (!first) throw new Error('A sheet has a page.');
  return heavy('file', { format: 'pdf', subject: { ...first, title: `${brand.name}, brand sheet` }, order: { canvas, pages: rest } });
};

/** The brand sheet as it stands, as one PDF. @throws a refusal where there is no mark to show */
export const sheetPdf = async (em: EntityManager, brand: BrandView): Promise<Uint8Array> => asPdf(brand, await sheetFiles(em, brand));

/** The brand sheet as a folder for browsers: a page, its pictures as vectors, and the PDF. */
export async function sheetFolder(
  em: EntityManager,
  brand: BrandView,
  as?: AsItWas,
): Promise<readonly { readonly name: string; readonly input: string | Uint8Array }[]> {
  const files = await sheetFiles(em, brand, as);
  const named = files.pages.map((page, at) => ({ ...page, file: `${String(at + 1).padStart(2, '0')}-${page.id}.svg` }));
  const pictures = await Promise.all(
    named.map(async ({ file, subject }) => ({
      name: `brand-sheet/${file}`,
      input: await heavy('file', { format: 'svg', subject, order: { canvas: files.canvas } }),
    })),
  );
  return [
    { name: 'brand-sheet/index.html', input: sheetWebPage(brand.name, brand.palette, named) },
    ...pictures,
    { name: 'brand-sheet/brand-sheet.pdf', input: await asPdf(brand, files) },
  ];
}
