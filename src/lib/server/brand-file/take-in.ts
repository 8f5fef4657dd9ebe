import { randomUUID } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/postgresql';
import { Brand } from '../database/entities';
import { storedFile } from '../files';
import { heavy } from '../heavy/pool';
import { studio } from '../http/author';
import { findBrand, type BrandView } from '../stores/brands';
import { withOtherIds } from '../stores/other-ids';
import { freeSlug } from '../stores/slug';
import { putClientLinks } from './client-links';
import { withFreshDigests } from './digests';
import type { PutRow } from './fields';
import type { BrandFile } from './form';
import { putPacks } from './packs';

interface Made {
  readonly madeBy: string;
  readonly madeFrom: string;
  readonly createdAt: string;
}
const madeColumns = ({ madeBy, madeFrom, createdAt }: Made) => ({ made_by: madeBy, made_from: madeFrom, created_at: createdAt });
const linkColumns = ({
  number,
  kind,
  gesture,
  ...made
}: Made & { readonly number: number; readonly kind: string; readonly gesture: string }) => ({
  ...{ number, kind, gesture },
  ...madeColumns(made),
});
/** What the database keeps as JSON. */
const isJson = (value: unknown): value is object => typeof value === 'object' && value !== null && !Buffer.isBuffer(value);

/** Marks, tries, photos, packs and links keep their ids in another installation; where one is there already, this is a second copy and gets ids of its own. */
async function freed(em: EntityManager, file: BrandFile): Promise<BrandFile> {
  const named = {
    mark: file.marks,
    try: file.marks.flatMap(({ tries }) => tries),
    photo: file.photos,
    handover: file.packs,
    client_link: file.clientLinks,
  };
  const ids = Object.values(named).flatMap((rows) => rows.flatMap(({ id }) => id ?? []));
  let taken = false;
  for (const table of Object.keys(named))
    taken ||=
      (
        await em.execute<readonly unknown[]>(`select 1 from "${table}" where "id"::text = any(string_to_array(?, ',')) limit 1`, [
          ids.join(),
        ])
      ).length > 0;
  return !taken ? file : withFreshDigests(withOtherIds(file, new Map(ids.map((id) => [id, randomUUID()]))), file);
}

/** The photos of a brand file, read again one by one as those that come in by themselves; the order is the file's. */
async function photosOf({ photos }: BrandFile) {
  const taken = [];
  for (const { sha256, name, page } of photos) {
    if (page === 0) taken.push(await heavy('photo', { bytes: await storedFile(sha256), name }));
    else {
      const { length } = await storedFile(sha256);
      const looks = await heavy('documentPage', { sha256, name, number: page });
      taken.push({ ...looks, sha256, sizeBytes: Math.ceil(length / (looks.facts.page?.of ?? 1)) });
    }
  }
  return taken;
}

/**
 * Takes in a brand from its file, all or nothing: every revision, palette and document as it was, tries, pictures, photos, fonts, packs
 * and what clients said.
 * A brand that is there already stays as it is, and this one stands beside it.
 */
export async function takeInBrand(em: EntityManager, bytes: Uint8Array): Promise<BrandView> {
  const { file: read, fonts } = await heavy('brandFile', { bytes });
  const photos = await photosOf(read);
  const slug = await em.transactional(async (tx) => {
    // Addresses are given one at a time, whoever asks.
    await tx.execute('lock table "brand" in share row exclusive mode');
    const file = await freed(tx, read);
    const brands = await tx.find(Brand, { studio: studio() }, { fields: ['slug'] });
    const id = randomUUID();
    const own = freeSlug(file.brand.name, new Set(brands.map((brand) => brand.slug)));
    const put: PutRow = (table, row) => {
      const columns = Object.keys(row).map((column) => `"${column}"`);
      const values = Object.values(row).map((value) => (isJson(value) ? JSON.stringify(value) : value));
      return tx.execute(`insert into "${table}" (${columns.join(', ')}) values (${columns.map(() => '?').join(', ')})`, values);
    };
    await put('brand', {
      ...{ id, slug: own, name: file.brand.name, about: file.brand.about, palette_number: file.palettes.length },
      ...{ created_at: file.brand.createdAt, position: brands.length, studio_id: studio() },
    });
    for (const { colors, ...link } of file.palettes) await put('palette', { id: randomUUID(), brand_id: id, ...linkColumns(link), colors });
    for (const { document, content, ...link } of file.documents)
      await put('document', { id: randomUUID(), brand_id: id, document_kind: document, ...linkColumns(link), content });
    for (const mark of file.marks) {
      await put('mark', {
        ...{ id: mark.id, brand_id: id, slug: mark.slug, name: mark.name, role: mark.role, position: mark.position },
        ...{ revision_number: mark.revisions.length, created_at: mark.createdAt, archived_at: mark.archivedAt, removed_at: mark.removedAt },
      });
      for (const { recipe, ...link } of mark.revisions)
        await put('revision', { id: randomUUID(), mark_id: mark.id, ...linkColumns(link), recipe });
      for (const { id: same, name, removedAt, recipe, ...made } of mark.tries)
        await put('try', { id: same ?? randomUUID(), mark_id: mark.id, name, ...madeColumns(made), removed_at: removedAt, recipe });
    }
    for (const { sha256, name, widthPx, heightPx, colors, createdAt } of file.pictures)
      await put('picture', {
        ...{ id: randomUUID(), brand_id: id, sha256, name, width_px: widthPx, height_px: heightPx, colors, created_at: createdAt },
      });
    for (const [at, { id: photo, sha256, page, name, position, createdAt }] of file.photos.entries()) {
      // The same photos in the same order, whatever their ids became.
      const { preview, facts, sizeBytes, toneColumns, toneRows, tones } = photos[at] as (typeof photos)[number];
      await put('photo', {
        ...{ id: photo, brand_id: id, sha256, page, preview, name, facts, size_bytes: sizeBytes, tone_columns: toneColumns },
        ...{ tone_rows: toneRows, tones: Buffer.from(tones), position, created_at: createdAt },
      });
    }
    for (const { sha256, name, rights, createdAt, removedAt } of file.fonts) {
      const measured = fonts.find((font) => font.sha256 === sha256);
      if (!measured) continue;
      const { sizeBytes, entry, embedding } = measured;
      await put('own_font', {
        ...{ id: randomUUID(), brand_id: id, sha256, family: `own-${sha256.slice(0, 16)}`, name, size_bytes: sizeBytes, entry, embedding },
        ...{ rights, created_at: createdAt, removed_at: removedAt },
      });
    }
    await putPacks(put, id, file.packs);
    await putClientLinks(put, id, file.clientLinks);
    return own;
  });
  return findBrand(em.fork(), slug);
}
