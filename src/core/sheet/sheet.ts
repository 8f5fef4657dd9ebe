import { z } from 'zod';
import { canvasBox, pieceCanvasSchema } from '../marks/recipe/piece-canvas';
import { EMPTY_RECIPE, type Recipe } from '../marks/recipe/recipe';
import { SHEET_DESIGN_NAMES, SHEET_DESIGNS, type SheetDesign } from './designs';
import { keptApart } from '../type';
import type { SheetFacts } from './facts';
import { SheetKit } from './kit';
import type { SheetPage } from './page';
import { SHEET_PAGE_NAMES, SHEET_PAGES, type SheetPageName } from './pages';

/** Sizes of sheets, lying (ISO 216, ANSI, and 16 : 9 as screens are). */
export const SHEET_SIZES = {
  a4: { label: 'A4', width: 297, height: 210 },
  letter: { label: 'Letter', width: 279.4, height: 215.9 },
  wide: { label: '16 : 9', width: 320, height: 180 },
} as const;
export type SheetSize = keyof typeof SHEET_SIZES;
export const SHEET_SIZE_NAMES = Object.keys(SHEET_SIZES) as readonly SheetSize[];

/** Most pictures on a sheet. */
export const MOST_SHEET_PICTURES = 6;
/** Most goods on a sheet. */
export const MOST_SHEET_GOODS = 6;

const words = z.string().max(1000);
const pageName = z.enum(SHEET_PAGE_NAMES as [SheetPageName, ...SheetPageName[]]);
/** What the designer decided about a brand's sheet. */
export const sheetSchema = z.strictObject({
  design: z.enum(SHEET_DESIGN_NAMES as ['quiet', ...(typeof SHEET_DESIGN_NAMES)[number][]]).default('quiet'),
  size: z.enum(SHEET_SIZE_NAMES as ['a4', ...SheetSize[]]).default('a4'),
  /** Pages in their order; those that are not named follow in ours. */
  order: z.array(pageName).max(SHEET_PAGE_NAMES.length).default([]),
  left: z.array(pageName).max(SHEET_PAGE_NAMES.length).default([]),
  /** Texts that are other than ours, by page; `cover` is under the mark on the cover. */
  texts: z.partialRecord(z.union([pageName, z.literal('cover')]), words).default({}),
  contact: words.default(''),
  /** Pictures that carry the tone, by their digests; without, the first on the board. */
  pictures: z
    .array(z.string().regex(/^[0-9a-f]{64}$/))
    .max(MOST_SHEET_PICTURES)
    .optional(),
  /** Goods that it shows, each with the mark on it; without, the first that were dressed on the proof wall. */
  goods: z
    .array(z.strictObject({ mark: z.string().max(64), scene: z.string().max(60) }))
    .max(MOST_SHEET_GOODS)
    .optional(),
});
export type Sheet = z.infer<typeof sheetSchema>;

/** All pages in the designer's order. */
export const pageOrder = ({ order }: Pick<Sheet, 'order'>): readonly SheetPageName[] => [...new Set([...order, ...SHEET_PAGE_NAMES])];
/** What stands under a page's title. */
export const pageText = (sheet: Sheet, page: SheetPageName, facts: SheetFacts): string =>
  sheet.texts[page] ?? SHEET_PAGES[page].text(facts);

/** One page as a recipe on a canvas. */
export interface DrawnPage {
  readonly id: 'cover' | SheetPageName;
  readonly title: string;
  /** What it says beside what it shows. */
  readonly text: string;
  readonly recipe: Recipe;
}

/** The pages of a brand's sheet: recipes like any other, so that they are drawn, shown and written by the same few writers. */
export function sheetPages(sheet: Sheet, facts: SheetFacts): readonly DrawnPage[] {
  const { width, height } = SHEET_SIZES[sheet.size];
  const design: SheetDesign = SHEET_DESIGNS[sheet.design];
  const canvas = pieceCanvasSchema.parse({ width, height, unit: 'mm', marginPercent: 5, ground: { role: design.ground } });
  const page = canvasBox(canvas);
  const unit = Math.min(page.right - page.left, page.bottom - page.top) / 100;
  const shown = pageOrder(sheet).filter((name) => !sheet.left.includes(name) && (SHEET_PAGES[name] as SheetPage).there(facts));
  const finished = (kit: SheetKit): Recipe => ({ ...EMPTY_RECIPE, parts: kit.parts, whole: { treatments: [], canvas } });
  const cover = new SheetKit(facts, design.ground, 'ink');
  const opening = sheet.texts.cover ?? [facts.promise, sheet.contact].filter((each) => each !== '').join(' · ');
  design.cover(cover, page, unit, { title: `${keptApart(facts.name)}: how the brand is used`, text: opening, nth: '' });
  return [
    { id: 'cover', title: 'Cover', text: opening, recipe: finished(cover) },
    ...shown.map((name, at): DrawnPage => {
      const kit = new SheetKit(facts, design.ground, 'ink');
      const row: SheetPage = SHEET_PAGES[name];
      const text = pageText(sheet, name, facts);
      const body = design.head(kit, page, unit, { title: row.title, text, nth: String(at + 2) });
      row.draw(kit, { body, page, unit });
      return { id: name, title: row.title, text, recipe: finished(kit) };
    }),
  ];
}
