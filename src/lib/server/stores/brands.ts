import { randomUUID } from 'node:crypto';
import { LockMode, type EntityManager } from '@mikro-orm/postgresql';
import { expect, paletteForm, recovered, writtenForm, type Palette } from '$core/index';
import { Brand, SavedPalette, type BrandRow } from '../database/entities';
import { studio } from '../http/author';
import { notFound } from '../http/problem-error';
import { appendGestures, LINK_FIELDS, linkOf, type Chain, type Gesture, type Saved } from './chain';
import { movedTo, shelfOf, shelve, type Shelf } from './shelves';
import { freeSlug } from './slug';

/** A brand with its newest palette, as routes and pages show it. */
export interface BrandView {
  readonly id: string;
  readonly slug: string;
  readonly name: string;
  readonly about: string;
  readonly palette: Palette;
  readonly paletteNumber: number;
  readonly shelf: Shelf;
}

const viewOf = (brand: BrandRow, palette: Palette): BrandView => ({
  id: brand.id,
  slug: brand.slug,
  name: brand.name,
  about: brand.about,
  palette,
  paletteNumber: brand.paletteNumber,
  shelf: shelfOf(brand),
});

/** A palette as it lies in the database, of whichever version. */
const readPalette = (stored: unknown): Palette => expect(recovered(paletteForm, stored)).value;

const newestPalette = async (em: EntityManager, brand: BrandRow): Promise<Palette> =>
  readPalette((await em.findOneOrFail(SavedPalette, { brand: brand.id, number: brand.paletteNumber })).colors);

/** Every brand that is at hand, in the studio's own order. */
export async function listBrands(em: EntityManager): Promise<readonly BrandView[]> {
  return (await findBrands(em, {})).brands;
}

/** Orders of the studio; the first is the one it opens in. */
export const BRAND_ORDERS = ['arranged', 'worked-on', 'name', 'newest'] as const;
export type BrandOrder = (typeof BRAND_ORDERS)[number];
const ORDERED: Readonly<Record<BrandOrder, string>> = {
  arranged: 'b."position", b."created_at", b."slug"',
  'worked-on': 'w."worked_at" desc nulls last, b."created_at" desc',
  name: 'lower(b."name"), b."slug"',
  newest: 'b."created_at" desc, b."slug"',
};

export interface BrandSearch {
  /** Words of the name or of what they do; all must be there. */
  readonly text?: string | undefined;
  readonly order?: BrandOrder | undefined;
  readonly shelf?: Shelf | undefined;
  /** How many at most; without, all. */
  readonly most?: number | undefined;
}
interface FoundRow {
  readonly id: string;
  readonly slug: string;
  readonly name: string;
  readonly about: string;
  readonly colors: unknown;
  readonly palette_number: number;
  readonly worked_at: Date | string | null;
  readonly total: string;
}

/** Brands of one shelf with their newest palettes and when a mark of theirs was last saved, in one query however many there are. */
export async function findBrands(
  em: EntityManager,
  { text = '', order = 'arranged', shelf = 'kept', most }: BrandSearch,
): Promise<{ readonly brands: readonly (BrandView & { readonly workedAt: string | undefined })[]; readonly total: number }> {
  const on = {
    kept: 'b."archived_at" is null and b."removed_at" is null',
    archived: 'b."archived_at" is not null and b."removed_at" is null',
    removed: 'b."removed_at" is not null',
  }[shelf];
  const words = text.split(/\s+/).filter(Boolean);
  const rows: readonly FoundRow[] = await em.execute(
    `select b."id", b."slug", b."name", b."about", b."palette_number", p."colors", w."worked_at", count(*) over () as "total"
      from "brand" b
      join "palette" p on p."brand_id" = b."id" and p."number" = b."palette_number"
      left join (select m."brand_id", max(r."created_at") as "worked_at" from "mark" m
        join "revision" r on r."mark_id" = m."id" and r."number" = m."revision_number" group by m."brand_id") w on w."brand_id" = b."id"
      where ${[on, 'b."studio_id" = ?', ...words.map(() => `(b."name" || ' ' || b."about") ilike ?`)].join(' and ')}
      order by ${ORDERED[order]} ${most === undefined ? '' : 'limit ?'}`,
    [studio(), ...words.map((word) => `%${word.replace(/[\\%_]/g, '\\$&')}%`), ...(most === undefined ? [] : [most])],
  );
  const brands = rows.map(({ id, slug, name, about, colors, palette_number: paletteNumber, worked_at: workedAt }) => ({
    ...{ id, slug, name, about, palette: readPalette(colors), paletteNumber, shelf },
    workedAt: workedAt === null ? undefined : new Date(workedAt).toISOString(),
  }));
  return { brands, total: Number(rows[0]?.total ?? 0) };
}

/** How many brands stand on each shelf. */
export async function countBrands(em: EntityManager): Promise<Readonly<Record<Shelf, number>>> {
  const [kept, archived, removed] = await Promise.all([
    em.fork().count(Brand, { studio: studio(), archivedAt: null, removedAt: null }),
    em.fork().count(Brand, { studio: studio(), archivedAt: { $ne: null }, removedAt: null }),
    em.fork().count(Brand, { studio: studio(), removedAt: { $ne: null } }),
  ]);
  return { kept, archived, removed };
}

export interface BrandChange {
  readonly name?: string | undefined;
  readonly about?: string | undefined;
  readonly shelf?: Shelf | undefined;
  /** Its place among the brands of its shelf. */
  readonly position?: number | undefined;
}

/** Renames a brand, moves it in the studio's order, puts it on a shelf. Its address stays what it is. */
export async function changeBrand(em: EntityManager, slug: string, change: BrandChange): Promise<BrandView> {
  return em.transactional(async (tx) => {
    await tx.execute('lock table "brand" in share row exclusive mode');
    const brand = await tx.findOne(Brand, { slug, studio: studio() });
    if (!brand) throw notFound('brand');
    if (change.name !== undefined) brand.name = change.name;
    if (change.about !== undefined) brand.about = change.about;
    shelve(brand, change.shelf);
    if (change.position !== undefined) {
      const all = await tx.find(Brand, { studio: studio() }, { orderBy: { position: 'asc', createdAt: 'asc', slug: 'asc' } });
      const mates = all.filter((each) => shelfOf(each) === shelfOf(brand));
      movedTo(mates, brand, change.position).forEach((each, at) => (each.position = at));
    }
    await tx.flush();
    return viewOf(brand, await newestPalette(tx, brand));
  });
}

export async function findBrand(em: EntityManager, slug: string): Promise<BrandView> {
  const brand = await em.findOne(Brand, { slug, studio: studio() });
  if (!brand) throw notFound('brand');
  return viewOf(brand, await newestPalette(em, brand));
}

/** A brand by its id, whichever studio it belongs to: for what a client's link shows, and nothing else. */
export async function brandOfId(em: EntityManager, id: string): Promise<BrandView> {
  const brand = await em.findOneOrFail(Brand, { id });
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
    const made = input.key ? await tx.findOne(Brand, { requestKey: input.key, studio: studio() }) : undefined;
    if (made) return { ...viewOf(made, await newestPalette(tx, made)), again: true };
    const taken = new Set((await tx.find(Brand, { studio: studio() }, { fields: ['slug'] })).map((brand) => brand.slug));
    const now = new Date();
    const brand = tx.create(Brand, {
      id: randomUUID(),
      slug: freeSlug(input.name, taken),
      studio: studio(),
      name: input.name,
      about: input.about,
      paletteNumber: 1,
      createdAt: now,
      requestKey: input.key ?? null,
      position: taken.size,
      archivedAt: null,
      removedAt: null,
    });
    tx.create(SavedPalette, {
      id: randomUUID(),
      brand,
      number: 1,
      kind: 'edit',
      gesture: 'Made',
      colors: writtenForm(paletteForm, input.palette),
      createdAt: now,
    });
    await tx.flush();
    return { ...viewOf(brand, input.palette), again: false };
  });
}

/** A brand's chain of palettes. */
const chainOf = (brand: BrandRow): Chain<Palette> => ({
  label: 'This palette',
  subject: `palette:${brand.id}`,
  number: brand.paletteNumber,
  links: (em) => em.find(SavedPalette, { brand: brand.id }, { fields: LINK_FIELDS, orderBy: { number: 'asc' } }),
  find: async (em, ids) =>
    (await em.find(SavedPalette, { id: { $in: [...ids] } }, { fields: [...LINK_FIELDS, 'brand'] })).map((row) => ({
      ...linkOf(row),
      own: row.brand.id === brand.id,
    })),
  contents: async (em, numbers) => {
    const rows = await em.fork().find(SavedPalette, { brand: brand.id, number: { $in: [...numbers] } });
    return new Map(rows.map((row) => [row.number, readPalette(row.colors)]));
  },
  append: (tx, { id, kind, gesture, content }, number) => {
    brand.paletteNumber = number;
    tx.create(SavedPalette, { id, brand, number, kind, gesture, colors: writtenForm(paletteForm, content), createdAt: new Date() });
    return Promise.resolve();
  },
  current: async (em) => {
    const colors = await newestPalette(em, brand);
    return { revision: brand.paletteNumber, content: writtenForm(paletteForm, colors), number: brand.paletteNumber, colors };
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
    const brand = await tx.findOne(Brand, { slug, studio: studio() }, { lockMode: LockMode.PESSIMISTIC_WRITE });
    if (!brand) throw notFound('brand');
    return appendGestures(tx, chainOf(brand), base, gestures);
  });
}

/** A brand's chain of palettes, to be read. */
export async function paletteChain(em: EntityManager, slug: string): Promise<Chain<Palette>> {
  const brand = await em.findOne(Brand, { slug, studio: studio() });
  if (!brand) throw notFound('brand');
  return chainOf(brand);
}

/** Appends one palette; refused when somebody else saved one since `base`. */
export async function savePalette(em: EntityManager, slug: string, base: number, colors: Palette): Promise<BrandView> {
  const gesture = { id: randomUUID(), kind: 'edit' as const, gesture: 'Colors', content: colors };
  await savePaletteGestures(em, slug, base, [gesture]);
  return findBrand(em.fork(), slug);
}
