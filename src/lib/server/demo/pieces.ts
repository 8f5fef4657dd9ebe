import sharp from 'sharp';
import type { EntityManager } from '@mikro-orm/postgresql';
import {
  asTracedArt,
  createPart,
  EMPTY_RECIPE,
  expect,
  newTreatment,
  PIECE_SIZES,
  pieceCanvasSchema,
  pieceLayout,
  pouredPiece,
  STARTING_PALETTE,
  type Palette,
  type PieceContent,
  type Recipe,
} from '$core/index';
import { makePicture, START_TRACING, tracePicture, type MotifName, type Pixels } from '$core/pictures';
import { cutPicture } from '../cut-picture';
import { storeFile } from '../files';
import { addPicture } from '../stores/brand-pictures';

/** A piece of a demo brand: one of our layouts in one of our sizes, with words of its own. */
export interface DemoPiece {
  readonly name: string;
  readonly size: string;
  readonly layout: string;
  readonly words: PieceContent['words'];
  /** Marks by their names; the first of the brand where none is said. */
  readonly mark?: string;
  readonly submark?: string;
  readonly faces: { readonly heading: string; readonly text: string };
}

const plain = (family: string) => ({ family, style: 'normal' as const, axes: {} });

/** Pours a demo piece. @param idOf a mark's id by its name */
export function demoPiece(piece: DemoPiece, idOf: (name: string | undefined) => string, palette: Palette): Recipe {
  const size = PIECE_SIZES.find(({ id }) => id === piece.size);
  const layout = pieceLayout(piece.layout);
  if (!size || !layout) throw new Error(`There is no size ${piece.size} or no layout ${piece.layout}.`);
  return pouredPiece(
    pieceCanvasSchema.parse(size.canvas),
    layout,
    {
      ...{ mark: idOf(piece.mark), submark: idOf(piece.submark ?? piece.mark), words: piece.words },
      faces: { heading: plain(piece.faces.heading), text: plain(piece.faces.text) },
    },
    palette,
  );
}

/** Side of the picture that the shirt's kite is traced from. */
const SIDE_PX = 300;

async function pictureOf(motif: MotifName, seed: number, color: string): Promise<Buffer> {
  const making = makePicture({ motif, color, ground: 'plain', seed, sidePx: SIDE_PX });
  let step = making.next();
  while (!step.done) step = making.next();
  const { columns, rows, rgba } = step.value;
  return sharp(rgba, { raw: { width: columns, height: rows, channels: 4 } })
    .png()
    .toBuffer();
}
async function pixelsOf(file: Uint8Array): Promise<Pixels> {
  const { data, info } = await sharp(file).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return { columns: info.width, rows: info.height, rgba: data };
}

/** The front of the workshop's shirt: three faces welded into one shape, a traced picture, stars, a caption, all worn. @param em of the brand */
export async function shirtFront(em: EntityManager, brandId: string): Promise<Recipe> {
  const made = await pictureOf('kite', 5, '#b5482d');
  const whole = await addPicture(em.fork(), brandId, made, 'Kite', 'mark');
  const cut = await cutPicture(made, 'Kite', []);
  const cutRow = await addPicture(em.fork(), brandId, cut.bytes, 'Kite', 'mark');
  await storeFile(cut.bytes);
  const tracing = { ...START_TRACING, way: 'colors' as const, count: 3, smooth: 0.8, specksPermille: 1 };
  const picture = expect(
    createPart({
      ...{
        kind: 'picture',
        id: 'kite',
        name: 'Kite',
        sha256: cutRow.sha256,
        fileWidthPx: cutRow.widthPx,
        fileHeightPx: cutRow.heightPx,
        sizePx: 3500,
      },
      ...(cut.outline ? { outline: cut.outline } : {}),
      cut: { from: whole.sha256, strokes: [] },
      source: { title: 'Kite', author: 'The stand-in', license: 'CC0-1.0' },
      place: { x: 0, y: -1000, turnDeg: -8 },
    }),
  );
  const kite =
    picture.kind === 'picture'
      ? asTracedArt(picture, tracePicture(await pixelsOf(cut.bytes), tracing), tracing, {
          ...STARTING_PALETTE,
          lead: '#b5482d',
          accent: '#e8b84b',
          ink: '#22302a',
        })
      : undefined;
  const words = (id: string, text: string, family: string, sizePx: number, y: number, more: object = {}) =>
    expect(
      createPart({ kind: 'lettering', id, text, font: plain(family), sizePx, place: { x: 0, y, turnDeg: 0 }, ...more } as Parameters<
        typeof createPart
      >[0]),
    );
  const star = (id: string, x: number) =>
    expect(
      createPart({
        kind: 'shape',
        id,
        name: 'Star',
        form: { form: 'star', widthPx: 240, heightPx: 240 },
        paint: { role: 'lead' },
        place: { x, y: 1490, turnDeg: 0 },
      } as Parameters<typeof createPart>[0]),
    );
  return {
    ...EMPTY_RECIPE,
    parts: [
      ...(kite ? [kite] : []),
      words('name', 'Windrow', 'alfa-slab-one', 640, 640, { case: 'upper', line: { shape: 'envelope', form: 'swell', amountPercent: 30 } }),
      words('script', 'kite workshop', 'pacifico', 560, 1130, { paint: { role: 'lead' } }),
      star('star-left', -1420),
      star('star-right', 1420),
      words('caption', 'sewn on the shore', 'bebas-neue', 250, 1580, { case: 'upper', trackingPermille: 160 }),
      expect(
        createPart({
          kind: 'group',
          id: 'words',
          name: 'Words',
          members: ['name', 'script'],
          treatments: [newTreatment('welding-band', 't-1', { widthPx: 46, counters: 'all', paint: { role: 'paper' } })],
        }),
      ),
    ],
    whole: {
      treatments: [newTreatment('wear', 't-1', { texture: 'worn', amountPercent: 8, grainPx: 14, seed: 9 })],
      canvas: pieceCanvasSchema.parse({ width: 4500, height: 5400, marginPercent: 3, ground: null }),
    },
  };
}
