import { readFile } from 'node:fs/promises';
import { resolve } from 'node:path';
import type { EntityManager } from '@mikro-orm/postgresql';
import { freePlace, photoDeskSchema, startStamp, type Board, type Palette, type Recipe } from '$core/index';
import { artPiece, type ArtInput } from '../art';
import { Brand, Mark } from '../database/entities';
import { addPicture } from '../stores/brand-pictures';
import { createBrand } from '../stores/brands';
import { saveDocument } from '../stores/documents';
import { createMark } from '../stores/marks';
import { addPhotos } from '../stores/photos';
import { keepTry } from '../stores/tries';
import { drawn, type DemoPicture } from './board';
import { demoBrands, type DemoMark, type DemoPhotos } from './brands';
import { builtRecipe } from './built';
import { demoPiece, shirtFront } from './pieces';
import { derivedRecipe } from './derived';
import { demoLink } from './link';

const CARD_PX = 246;
const COLUMNS = 3;

/** Loads the demo brands when the database holds no brand at all. */
export async function loadDemoBrands(em: EntityManager): Promise<void> {
  if ((await em.count(Brand)) > 0) return;
  for (const demo of demoBrands) {
    const brand = await createBrand(em, demo);
    let primaryId = '';
    const ids = new Map<string, string>();
    let primary: Recipe | undefined;
    for (const mark of demo.marks) {
      const pieces = new Map<string, ArtInput>();
      for (const id of mark.art ?? []) {
        const piece = await artPiece(id, demo.palette);
        if (piece) pieces.set(id, piece);
      }
      const created = await createMark(em, brand.id, {
        name: mark.name,
        role: mark.role,
        recipe: await recipeOf(mark, pieces, primary && { id: primaryId, recipe: primary }, demo.palette),
        gesture: 'Made for the demo',
      });
      for (const { name, of } of mark.tries ?? []) await keepTry(em, brand.id, created.slug, { name, recipe: of(created.recipe) });
      for (const { name, numbers } of mark.builtTries ?? [])
        if (mark.built && primary)
          await keepTry(em, brand.id, created.slug, {
            name,
            recipe: await builtRecipe(
              { ...mark.built, numbers: { ...mark.built.numbers, ...numbers } },
              { id: primaryId, recipe: primary },
            ),
          });
      ids.set(mark.name, created.id);
      primaryId ||= created.id;
      primary ??= created.recipe;
    }
    for (const piece of demo.pieces ?? [])
      await createMark(em, brand.id, {
        ...{ name: piece.name, role: 'piece', gesture: 'Made for the demo' },
        recipe: demoPiece(piece, (name) => ids.get(name ?? '') ?? primaryId, demo.palette),
      });
    if (demo.shirt)
      await createMark(em, brand.id, {
        ...{ name: 'Shirt, front', role: 'piece', gesture: 'Made for the demo' },
        recipe: await shirtFront(em, brand.id),
      });
    await saveDocument(em, brand.slug, 'brief', 0, demo.brief);
    await saveDocument(em, brand.slug, 'type', 0, { kept: demo.kept.map((family) => ({ family })) });
    if (demo.link) await demoLink(em, brand.id, demo.link);
    if (demo.goods)
      await saveDocument(em, brand.slug, 'goods', 0, {
        shown: Object.fromEntries(demo.goods.map(({ mark, scene, ...shown }) => [`${ids.get(mark) ?? primaryId}/${scene}`, shown])),
      });
    if (demo.photos) await layPhotos(em, brand, demo.photos);
    if (demo.board) await saveDocument(em, brand.slug, 'board', 0, await boardOf(em, brand.id, demo.board));
  }
}

/** A demo mark's recipe: by a builder, laid out from the primary, or as it is written. */
export async function recipeOf(
  mark: DemoMark,
  pieces: ReadonlyMap<string, ArtInput>,
  primary: { readonly id: string; readonly recipe: Recipe } | undefined,
  palette: Palette,
): Promise<Recipe> {
  if (mark.built && primary) return builtRecipe(mark.built, primary);
  if (mark.derived && primary) return derivedRecipe(mark.derived, primary, palette);
  return mark.recipe(primary?.id ?? '', pieces);
}

/** Brings in sample photos and lays a stamp and a veil over them. */
async function layPhotos(
  em: EntityManager,
  brand: { readonly id: string; readonly slug: string },
  { files, stamp, veil }: DemoPhotos,
): Promise<void> {
  for (const file of files) await addPhotos(em.fork(), brand.id, await readFile(resolve('static/photos', file)), file);
  const mark = await em.fork().findOne(Mark, { brand: brand.id, name: stamp });
  if (!mark) return;
  const start = photoDeskSchema.parse({});
  const desk = { ...start, stamps: [startStamp('corner', mark.id)], veil: { ...start.veil, on: true, text: veil } };
  await saveDocument(em.fork(), brand.slug, 'photos', 0, desk);
}

async function boardOf(em: EntityManager, brandId: string, pictures: readonly DemoPicture[]): Promise<Board> {
  let board: Board = { items: [] };
  for (const [index, picture] of pictures.entries()) {
    const { sha256, widthPx, heightPx, colors } = await addPicture(em.fork(), brandId, await drawn(picture), picture.name);
    const place = { ...freePlace(board, CARD_PX, COLUMNS), width: CARD_PX };
    board = {
      items: [
        ...board.items,
        {
          kind: 'picture',
          id: `picture-${index}`,
          ...place,
          picture: sha256,
          ratio: heightPx / widthPx,
          colors: [...colors],
          source: 'Drawn for the demo',
          takes: picture.takes,
        },
      ],
    };
  }
  const note = {
    kind: 'note',
    id: 'note',
    ...freePlace(board, CARD_PX, COLUMNS),
    width: CARD_PX,
    text: 'Thread, knots, seams. Nothing printed, everything sewn.',
  } as const;
  return { items: [...board.items, note] };
}
