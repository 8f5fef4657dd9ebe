import { randomUUID } from 'node:crypto';
import { LockMode, type EntityManager } from '@mikro-orm/postgresql';
import type { Palette } from '$core/index';
import { Brand, SavedPalette, type BrandRow } from '../database/entities';
import { notFound } from '../http/problem-error';
import { appendGestures, type Chain, type Gesture, type Saved } from './chain';
import { freeSlug } from './slug';

/** A brand with its newest palette, as routes and pages show it. */
export interface BrandView {
  readonly id: string;
  readonly slug: string;
  readonly name: string;
  readonly about: string;
  readonly palette: Palette;
  readonly paletteNumber: number;
}

const viewOf = (brand: BrandRow, palette: Palette): BrandView => ({
  id: brand.id,
  slug: brand.slug,
  name: brand.name,
  about: brand.about,
  palette,
  paletteNumber: brand.paletteNumber,
});

const newestPalette = async (em: EntityManager, brand: BrandRow): Promise<Palette> =>
  (await em.findOneOrFail(SavedPalette, { brand: brand.id, number: brand.paletteNumber })).colors;

export async function listBrands(em: EntityManager): Promise<readonly BrandView[]> {
  const brands = await em.findAll(Brand, { orderBy: { createdAt: 'asc', slug: 'asc' } });
  return Promise.all(brands.map(async (brand) => viewOf(brand, await newestPalette(em, brand))));
}

export async function findBrand(em: EntityManager, slug: string): Promise<BrandView> {
  const brand = await em.findOne(Brand, { slug });
  if (!brand) throw notFound('brand');
  return viewOf(brand, await newestPalette(em, brand));
}

export interface NewBrand {
  readonly name: string;
  readonly about: string;
  readonly palette: Palette;
  /** Chosen by whoever asks: the same request sent again finds the brand that is there already. */
  readonly key?: string | undefined;
}

/** Makes a brand. @returns it, and whether it was there already, made by the same request */
export async function createBrand(em: EntityManager, input: NewBrand): Promise<BrandView & { readonly again: boolean }> {
  return em.transactional(async (tx) => {
    // Two brands of one name at the same moment must not meet on one address.
    await tx.execute('lock table "brand" in share row exclusive mode');
    const made = input.key ? await tx.findOne(Brand, { requestKey: input.key }) : undefined;
    if (made) return { ...viewOf(made, await newestPalette(tx, made)), again: true };
    const taken = new Set((await tx.findAll(Brand, { fields: ['slug'] })).map((brand) => brand.slug));
    const now = new Date();
    const brand = tx.create(Brand, {
      id: randomUUID(),
      slug: freeSlug(input.name, taken),
      name: input.name,
      about: input.about,
      paletteNumber: 1,
      createdAt: now,
      requestKey: input.key ?? null,
    });
    tx.create(SavedPalette, { id: randomUUID(), brand, number: 1, kind: 'edit', gesture: 'Made', colors: input.palette, createdAt: now });
    await tx.flush();
    return { ...viewOf(brand, input.palette), again: false };
  });
}

const LINK_FIELDS = ['id', 'number', 'kind', 'gesture', 'createdAt'] as const;

/** A brand's chain of palettes. */
const chainOf = (brand: BrandRow): Chain<Palette> => ({
  label: 'This palette',
  subject: `palette:${brand.id}`,
  number: brand.paletteNumber,
  links: (em) => em.find(SavedPalette, { brand: brand.id }, { fields: LINK_FIELDS, orderBy: { number: 'asc' } }),
  find: async (em, ids) =>
    (await em.find(SavedPalette, { id: { $in: [...ids] } }, { fields: [...LINK_FIELDS, 'brand'] })).map((row) => ({
      id: row.id,
      number: row.number,
      kind: row.kind,
      gesture: row.gesture,
      createdAt: row.createdAt,
      own: row.brand.id === brand.id,
    })),
  contents: async (em, numbers) => {
    const rows = await em.fork().find(SavedPalette, { brand: brand.id, number: { $in: [...numbers] } });
    return new Map(rows.map((row) => [row.number, row.colors]));
  },
  append: (tx, { id, kind, gesture, content }, number) => {
    brand.paletteNumber = number;
    tx.create(SavedPalette, { id, brand, number, kind, gesture, colors: content, createdAt: new Date() });
    return Promise.resolve();
  },
  current: async (em) => {
    const colors = await newestPalette(em, brand);
    return { revision: brand.paletteNumber, content: colors, number: brand.paletteNumber, colors };
  },
});

/** Appends gestures to a palette's chain. @see appendGestures */
export async function savePaletteGestures(
  em: EntityManager,
  slug: string,
  base: number,
  gestures: readonly Gesture<Palette>[],
): Promise<Saved> {
  return em.transactional(async (tx) => {
    const brand = await tx.findOne(Brand, { slug }, { lockMode: LockMode.PESSIMISTIC_WRITE });
    if (!brand) throw notFound('brand');
    return appendGestures(tx, chainOf(brand), base, gestures);
  });
}

/** A brand's chain of palettes, to be read. */
export async function paletteChain(em: EntityManager, slug: string): Promise<Chain<Palette>> {
  const brand = await em.findOne(Brand, { slug });
  if (!brand) throw notFound('brand');
  return chainOf(brand);
}

/** Appends one palette; refused when somebody else saved one since `base`. */
export async function savePalette(em: EntityManager, slug: string, base: number, colors: Palette): Promise<BrandView> {
  const gesture = { id: randomUUID(), kind: 'edit' as const, gesture: 'Colors', content: colors };
  await savePaletteGestures(em, slug, base, [gesture]);
  return findBrand(em.fork(), slug);
}
