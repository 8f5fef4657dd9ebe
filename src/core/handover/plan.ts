import { z } from 'zod';
import type { Brief } from '../brand/brief';
import type { MarkRole } from '../brand/mark-roles';
import { dress, dressingSchema, hasDressing, type Dressing } from '../color/dressings';
import { colorKeySchema, swatchColor, type ColorKey, type Palette } from '../color/palette';
import { canvasSchema, type Canvas } from '../output/canvas';
import { FORMAT_NAMES, formatOf, type FormatName } from '../output/file-formats';
import { fileCanvas } from '../pieces/file-canvas';
import { MOST_PAGES, pieceSizeText, type PieceCanvas } from '../marks';
import { PDF_COLORS, type PdfColors } from '../output/pdf';
import { dressingOnGoods, shownOnGoods, shownOnGoodsSchema, type GoodsAtHand } from '../scenes/goods-desk';
import { ownGoodsId, ownGoodsSchema } from '../scenes/own-photo/own-goods';
import { sideBySide } from '../scenes/side-by-side';
import { PACK_NAMES, packKind, type PackName, type PackSize } from './packs';

/** What names are made of, unless the designer says otherwise. */
export const START_PATTERN = '{brand}-{mark}-{colorway}-{size}';
/** Most packs, sizes of one pack, and files of one hand-over. */
const MOST_PACKS = 24;
const MOST_SIZES = 24;
export const MOST_FILES = 500;

const sizeSchema = z.strictObject({ label: z.string().trim().min(1).max(60), canvas: canvasSchema });
export type PlannedSize = z.infer<typeof sizeSchema>;

const packSchema = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{1,40}$/),
  kind: z.enum(PACK_NAMES as readonly [PackName, ...PackName[]]),
  /** Marks by their ids; those that are gone are passed over. */
  marks: z.array(z.string().max(64)).max(100),
  dressings: z.array(dressingSchema).max(40),
  formats: z.array(z.enum(FORMAT_NAMES as readonly [FormatName, ...FormatName[]])).max(FORMAT_NAMES.length),
  sizes: z.array(sizeSchema).max(MOST_SIZES),
  /** Formats that have pages hold all marks of the pack in one file; goods also stand side by side in one picture. */
  together: z.boolean().exactOptional(),
  /** Formats that know both keep every pixel as it is. */
  exact: z.boolean().exactOptional(),
  /** Names of the goods that the marks are shown on. */
  goods: z.array(z.string().max(60)).max(100).exactOptional(),
  /** In which colors PDFs are written; without it, as such packs usually are. */
  colors: z.enum(PDF_COLORS as readonly [PdfColors, ...PdfColors[]]).exactOptional(),
  /** What files that cannot be transparent stand on; without it, what their colorway is made for. */
  ground: colorKeySchema.exactOptional(),
});
export type PlannedPack = z.infer<typeof packSchema>;

/** What a designer hands over: packs, each a grid of marks, colorways, formats and sizes, and how their files are named. */
export const handoverPlanSchema = z.strictObject({
  pattern: z.string().trim().min(1).max(120).default(START_PATTERN),
  packs: z.array(packSchema).max(MOST_PACKS).default([]),
  /** Whether the brand sheet goes along, as a folder for browsers. */
  sheet: z.boolean().exactOptional(),
});
export type HandoverPlan = z.infer<typeof handoverPlanSchema>;

/** A mark as packs choose it. */
export interface PlannedMark {
  readonly id: string;
  readonly name: string;
  readonly role: MarkRole;
  /** What it stands on, where it is a piece. */
  readonly canvas?: PieceCanvas | undefined;
}

/** The marks that packs of a kind choose among: pieces go into a pack of their own. */
export const marksFor = (kind: PackName, marks: readonly PlannedMark[]): readonly PlannedMark[] =>
  marks.filter(({ role, canvas }) => (packKind(kind).pieces ? canvas !== undefined : role !== 'piece'));

/** A size of a pack as it is planned. */
export const plannedSize = ({ label, first: _, ...canvas }: PackSize): PlannedSize => ({ label, canvas: canvasSchema.parse(canvas) });

/** A pack as it is begun: the marks of the family that suit it best, in the colorways, formats and sizes that such files usually have. */
export function startPack(kind: PackName, all: readonly PlannedMark[], palette: Palette, id: string = kind): PlannedPack {
  const row = packKind(kind);
  const marks = marksFor(kind, all);
  const suited = row.roles.flatMap((role) => marks.filter((mark) => mark.role === role));
  return {
    ...{ id, kind },
    marks: (suited.length > 0 ? suited : marks).slice(0, row.marks).map((mark) => mark.id),
    dressings: row.dressings.filter((dressing) => hasDressing(palette, dressing)),
    formats: [...row.formats],
    sizes: row.sizes.filter(({ first }) => first).map(plannedSize),
    ...(row.goods ? { goods: [...row.goods] } : {}),
  };
}

/** The packs that a brief asks for; those that every brand needs while it says nothing. */
export function startPlan(brief: Brief, marks: readonly PlannedMark[], palette: Palette): HandoverPlan {
  const asked = PACK_NAMES.filter((name) => packKind(name).uses.some((use) => brief.uses.includes(use)));
  const names: readonly PackName[] = asked.length > 0 ? asked : ['profiles', 'products', 'photos', 'web', 'print'];
  return { pattern: START_PATTERN, packs: names.map((name) => startPack(name, marks, palette)) };
}

/** Goods that a mark is shown on, and how. */
const goodsSchema = z.strictObject({ scene: z.string().max(60), shown: shownOnGoodsSchema, own: ownGoodsSchema.exactOptional() });
/** Most goods that stand beside others in one picture. */
const MOST_BESIDE = 23;

/** One file to be made. Everything that it is made from is in here, or named by its id. */
export const wantedFileSchema = z.strictObject({
  pack: z.string(),
  kind: z.enum(PACK_NAMES as readonly [PackName, ...PackName[]]),
  mark: z.string(),
  dressing: dressingSchema,
  format: z.enum(FORMAT_NAMES as readonly [FormatName, ...FormatName[]]),
  canvas: canvasSchema,
  /** What the size is called. */
  label: z.string(),
  ground: colorKeySchema.nullable(),
  colors: z.enum(PDF_COLORS as readonly [PdfColors, ...PdfColors[]]).exactOptional(),
  welded: z.boolean().default(false),
  exact: z.boolean().default(false),
  /** The goods that it is shown on, and how; and those that stand beside them in the same picture. */
  goods: goodsSchema
    .extend({
      beside: z
        .array(goodsSchema.extend({ dressing: dressingSchema }))
        .max(MOST_BESIDE)
        .exactOptional(),
    })
    .exactOptional(),
  /** Further marks, each on a page of its own. */
  pages: z.array(z.string()).exactOptional(),
});
export type WantedFile = z.infer<typeof wantedFileSchema>;

/** Whether a canvas follows the mark: then outlines are the same whatever its size. */
const follows = ({ width, height }: Canvas) => width === undefined || height === undefined;

/** The sizes that one format is made in: outlines that follow the mark are made once. */
function sizesFor(format: FormatName, sizes: readonly PlannedSize[]): readonly PlannedSize[] {
  const { pixels, ownSizes } = formatOf(format);
  if (pixels) return sizes;
  if (ownSizes) {
    const [first] = sizes;
    return [
      {
        label: 'icon',
        canvas: canvasSchema.parse({ width: 256, height: 256, crisp: true, airPercent: first ? Math.min(4, first.canvas.airPercent) : 0 }),
      },
    ];
  }
  const seen = new Set<string>();
  return sizes.filter(({ canvas }) => {
    const { unit, width, height, bleedMm } = canvas;
    // In px the shape is what counts; on paper the size does too.
    const shape = unit === 'px' ? (follows(canvas) ? 'as the mark' : (width ?? 0) / (height ?? 1)) : `${width} ${height}`;
    const key = `${unit} ${shape} ${bleedMm}`;
    return seen.has(key) ? false : seen.add(key);
  });
}

/** The color that a colorway is made to stand on, by its key. */
function groundOf(palette: Palette, dressing: Dressing): ColorKey {
  if (dressing.startsWith('on-')) return dressing.slice(3) as ColorKey;
  return dress(palette, dressing).ground === palette.ink ? 'ink' : 'paper';
}

const NO_GOODS: GoodsAtHand = { scenes: [], desk: { shown: {}, own: {} } };

/** The files of a pack that shows marks on goods. */
function filesOnGoods(pack: PlannedPack, marks: readonly string[], palette: Palette, { scenes, desk }: GoodsAtHand): readonly WantedFile[] {
  const goods = scenes.filter(({ name }) => pack.goods?.includes(name));
  const widthOf = ({ canvas }: PlannedSize) => (canvas.unit === 'px' && canvas.width !== undefined ? canvas.width : GOODS_PX);
  return marks.flatMap((mark) => {
    const all = goods.map((scene) => {
      const shown = shownOnGoods(desk, mark, scene.name);
      const own = desk.own[ownGoodsId(scene.name) ?? ''];
      const { dressing = dressingOnGoods(palette, scene) } = shown;
      return { scene, dressing, goods: { scene: scene.name, shown, ...(own ? { own } : {}) } };
    });
    const file = (dressing: Dressing, label: string, width: number, height: number, on: WantedFile['goods'] & object): WantedFile => ({
      ...{ pack: pack.id, kind: pack.kind, mark, dressing, format: 'jpg', label },
      canvas: canvasSchema.parse({ width, height: Math.max(1, height) }),
      ...{ ground: groundOf(palette, dressing), welded: false, exact: false, goods: on },
    });
    const each = all.flatMap(({ scene, dressing, goods: on }) =>
      pack.sizes.map((size) => {
        const width = Math.min(scene.widthPx, widthOf(size));
        return file(dressing, scene.label, width, Math.round((scene.heightPx * width) / scene.widthPx), on);
      }),
    );
    const [first, ...others] = all.slice(0, MOST_BESIDE + 1);
    if (!pack.together || !first || others.length === 0) return each;
    const beside = others.map(({ dressing, goods: on }) => ({ ...on, dressing }));
    const ratios = [first, ...others].map(({ scene }) => scene.widthPx / scene.heightPx);
    const sheets = pack.sizes.map((size) => {
      const width = widthOf(size);
      return file(first.dressing, 'Goods side by side', width, sideBySide(ratios, width).heightPx, { ...first.goods, beside });
    });
    return [...each, ...sheets];
  });
}
/** Goods are so wide where a pack says it in no pixels. */
const GOODS_PX = 2000;

/** The colors that a file is written in, where its format has a choice. */
function colorsFor(format: FormatName, { kind, colors = packKind(kind).colors }: PlannedPack): { readonly colors?: PdfColors } {
  return format === 'pdf' && colors ? { colors } : {};
}

/** Pages of a booklet that can share a file: those of one size and bleed, in their order; a piece by itself where it is no page. */
function sheafOf(piece: PlannedMark, pieces: readonly PlannedMark[]): readonly PlannedMark[] {
  const kind = ({ canvas }: PlannedMark) => canvas?.booklet && `${canvas.booklet.id} ${pieceSizeText(canvas)} ${canvas.bleed}`;
  if (kind(piece) === undefined) return [piece];
  const pages = pieces.filter((each) => kind(each) === kind(piece));
  const page = ({ canvas }: PlannedMark) => canvas?.booklet?.page ?? 0;
  return pages.length > MOST_PAGES ? [piece] : pages.sort((one, other) => page(one) - page(other));
}
/** The files of a pack of pieces: each as it was laid out; pages of one booklet share a file where the format has pages. */
const filesOfPieces = (pack: PlannedPack, pieces: readonly PlannedMark[]): readonly WantedFile[] =>
  pieces.flatMap((piece) => {
    const { id, canvas } = piece;
    if (canvas === undefined) return [];
    const [first, ...rest] = sheafOf(piece, pieces);
    return pack.formats
      .filter((format) => !formatOf(format).ownSizes && (first === piece || !formatOf(format).pages))
      .map((format) => ({
        ...{ pack: pack.id, kind: pack.kind, mark: id, dressing: 'full' as const, format, label: pieceSizeText(canvas) },
        canvas: fileCanvas(canvas, formatOf(format).pages === true),
        ...{ ground: formatOf(format).clear ? null : ('paper' as const), welded: false, exact: pack.exact === true },
        ...colorsFor(format, pack),
        ...(formatOf(format).pages && rest.length > 0 ? { pages: rest.map((page) => page.id) } : {}),
      }));
  });

/** Every file of a plan, in its order: pack by pack, mark by mark, colorway by colorway. Marks, goods and colors that are gone are passed over. */
export function wantedFiles(
  plan: HandoverPlan,
  marks: readonly PlannedMark[],
  palette: Palette,
  goods: GoodsAtHand = NO_GOODS,
): readonly WantedFile[] {
  return plan.packs.flatMap((pack) => {
    const row = packKind(pack.kind);
    const suited = marksFor(pack.kind, marks);
    const chosen = pack.marks.filter((mark) => suited.some(({ id }) => id === mark));
    if (row.pieces)
      return filesOfPieces(
        pack,
        suited.filter(({ id }) => chosen.includes(id)),
      );
    if (row.goods) return filesOnGoods(pack, chosen, palette, goods);
    const dressings = pack.dressings.filter((dressing) => hasDressing(palette, dressing));
    const one = (mark: string, dressing: Dressing, format: FormatName, { label, canvas }: PlannedSize): WantedFile => {
      const { pixels, clear, pages } = formatOf(format);
      const asked = pack.ground !== undefined && swatchColor(palette, pack.ground) ? pack.ground : groundOf(palette, dressing);
      return {
        ...{ pack: pack.id, kind: pack.kind, mark, dressing, format, label },
        canvas: pixels || canvas.unit !== 'px' || !follows(canvas) ? canvas : canvasSchema.parse({ airPercent: canvas.airPercent }),
        ground: clear ? null : asked,
        ...colorsFor(format, pack),
        welded: row.welded === true,
        exact: pack.exact === true,
        ...(pages && pack.together && chosen.length > 1 ? { pages: chosen.slice(1) } : {}),
      };
    };
    return chosen.flatMap((mark, at) =>
      dressings.flatMap((dressing) =>
        pack.formats
          // Of marks that share a file only the first makes one.
          .filter((format) => at === 0 || !(pack.together && formatOf(format).pages))
          .flatMap((format) => sizesFor(format, pack.sizes).map((size) => one(mark, dressing, format, size))),
      ),
    );
  });
}

/** Whether a file is named after no mark: it holds several, none of which comes first. */
export const holdsMany = ({ kind, pages }: Pick<WantedFile, 'kind' | 'pages'>): boolean => pages !== undefined && !packKind(kind).pieces;

/** The marks that a file shows, page by page. */
export const marksOf = ({ mark, pages = [] }: WantedFile): readonly string[] => [mark, ...pages];

/** Bytes that files of a format take for each pixel, roughly: flat colors pack well. Measured on the demo brands; within a factor of three. */
const BYTES_PER_PIXEL: { readonly [F in FormatName]?: number } = { png: 0.035, webp: 0.02, jpg: 0.045, avif: 0.012, tif: 0.05 };
/** Files of outlines are about so large. */
const OUTLINE_BYTES = 20_000;

/** Photographs take more: nothing in them is flat. */
const PHOTO_BYTES_PER_PIXEL = 0.16;

/** About how many bytes a file will have, before it is made. */
export function roughBytes({ format, canvas, goods }: WantedFile): number {
  const rate = goods ? PHOTO_BYTES_PER_PIXEL : BYTES_PER_PIXEL[format];
  if (rate === undefined) return format === 'ico' ? 40_000 : OUTLINE_BYTES;
  const perUnit = canvas.unit === 'px' ? 1 : (canvas.dpi ?? 300) / (canvas.unit === 'mm' ? 25.4 : 1);
  const width = (canvas.width ?? canvas.height ?? 0) * perUnit;
  const height = (canvas.height ?? (canvas.width ?? 0) / 2) * perUnit;
  return 1500 + width * height * rate;
}
