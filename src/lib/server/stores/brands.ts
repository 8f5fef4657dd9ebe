import { randomUUID } from 'node:crypto';
import { LockMode, type EntityManager } from '@mikro-orm/postgresql';
import type { Palette } from '$core/index';
import { Brand, SavedPalette, type BrandRow } from '../database/entities';
import { notFound, ProblemError, refuse } from '../http/problem-error';
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
}

export async function createBrand(em: EntityManager, input: NewBrand): Promise<BrandView> {
  return em.transactional(async (tx) => {
    // Two brands of one name at the same moment must not meet on one address.
    await tx.execute('lock table "brand" in share row exclusive mode');
    const taken = new Set((await tx.findAll(Brand, { fields: ['slug'] })).map((brand) => brand.slug));
    const now = new Date();
    const brand = tx.create(Brand, {
      id: randomUUID(),
      slug: freeSlug(input.name, taken),
      name: input.name,
      about: input.about,
      paletteNumber: 1,
      createdAt: now,
    });
    tx.create(SavedPalette, { id: randomUUID(), brand, number: 1, colors: input.palette, createdAt: now });
    await tx.flush();
    return viewOf(brand, input.palette);
  });
}

/** Appends a palette; refused when somebody else saved one since `base`. */
export async function savePalette(em: EntityManager, slug: string, base: number, colors: Palette): Promise<BrandView> {
  return em.transactional(async (tx) => {
    const brand = await tx.findOne(Brand, { slug }, { lockMode: LockMode.PESSIMISTIC_WRITE });
    if (!brand) throw notFound('brand');
    if (brand.paletteNumber !== base) {
      const { problems } = refuse(
        409,
        'stale-save',
        `This palette was changed elsewhere (now number ${brand.paletteNumber}, yours began from ${base}); nothing was overwritten.`,
        'Look at the newer colors, then save again.',
      );
      throw new ProblemError(409, problems, { current: { number: brand.paletteNumber, colors: await newestPalette(tx, brand) } });
    }
    brand.paletteNumber = base + 1;
    tx.create(SavedPalette, { id: randomUUID(), brand, number: brand.paletteNumber, colors, createdAt: new Date() });
    await tx.flush();
    return viewOf(brand, colors);
  });
}
