import { randomUUID } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/postgresql';
import { Brand, Mark, Photo } from '../database/entities';
import { storedFile } from '../files';
import { heavy } from '../heavy/pool';
import { studio } from '../http/author';
import { findBrand, type BrandView } from '../stores/brands';
import { withOtherIds } from '../stores/other-ids';
import { freeSlug } from '../stores/slug';
import type { BrandFile } from './form';

/** Marks and photos keep their ids in another installation; where they are there already, this is a second copy and gets ids of its own. */
async function freed(em: EntityManager, file: BrandFile): Promise<BrandFile> {
  const [marks, photos] = [file.marks.map(({ id }) => id), file.photos.map(({ id }) => id)];
  const taken = (await em.count(Mark, { id: { $in: marks } })) + (await em.count(Photo, { id: { $in: photos } }));
  return taken === 0 ? file : withOtherIds(file, new Map([...marks, ...photos].map((id) => [id, randomUUID()])));
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
 * Takes in a brand from its file, all or nothing: every revision, palette and document as it was, tries, pictures, photos and fonts.
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
    const run = (sql: string, values: readonly unknown[]) => tx.execute(sql, [...values]);
    await run(
      'insert into "brand" ("id", "slug", "name", "about", "palette_number", "created_at", "position", "studio_id") values (?, ?, ?, ?, ?, ?, ?, ?)',
      [id, own, file.brand.name, file.brand.about, file.palettes.length, file.brand.createdAt, brands.length, studio()],
    );
    for (const { number, kind, gesture, madeBy, madeFrom, createdAt, colors } of file.palettes)
      await run(
        'insert into "palette" ("id", "brand_id", "number", "kind", "gesture", "made_by", "made_from", "created_at", "colors") values (?, ?, ?, ?, ?, ?, ?, ?, ?::jsonb)',
        [randomUUID(), id, number, kind, gesture, madeBy, madeFrom, createdAt, JSON.stringify(colors)],
      );
    for (const { document, number, kind, gesture, madeBy, madeFrom, createdAt, content } of file.documents)
      await run(
        'insert into "document" ("id", "brand_id", "document_kind", "number", "kind", "gesture", "made_by", "made_from", "created_at", "content") values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?::jsonb)',
        [randomUUID(), id, document, number, kind, gesture, madeBy, madeFrom, createdAt, JSON.stringify(content)],
      );
    for (const mark of file.marks) {
      await run(
        'insert into "mark" ("id", "brand_id", "slug", "name", "role", "position", "revision_number", "created_at", "archived_at", "removed_at") values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
        [
          mark.id,
          id,
          mark.slug,
          mark.name,
          mark.role,
          mark.position,
          mark.revisions.length,
          mark.createdAt,
          mark.archivedAt,
          mark.removedAt,
        ],
      );
      for (const { number, kind, gesture, madeBy, madeFrom, createdAt, recipe } of mark.revisions)
        await run(
          'insert into "revision" ("id", "mark_id", "number", "kind", "gesture", "made_by", "made_from", "created_at", "recipe") values (?, ?, ?, ?, ?, ?, ?, ?, ?::jsonb)',
          [randomUUID(), mark.id, number, kind, gesture, madeBy, madeFrom, createdAt, JSON.stringify(recipe)],
        );
      for (const { name, madeBy, madeFrom, createdAt, removedAt, recipe } of mark.tries)
        await run(
          'insert into "try" ("id", "mark_id", "name", "made_by", "made_from", "created_at", "removed_at", "recipe") values (?, ?, ?, ?, ?, ?, ?, ?::jsonb)',
          [randomUUID(), mark.id, name, madeBy, madeFrom, createdAt, removedAt, JSON.stringify(recipe)],
        );
    }
    for (const { sha256, name, widthPx, heightPx, colors, createdAt } of file.pictures)
      await run(
        'insert into "picture" ("id", "brand_id", "sha256", "name", "width_px", "height_px", "colors", "created_at") values (?, ?, ?, ?, ?, ?, ?::jsonb, ?)',
        [randomUUID(), id, sha256, name, widthPx, heightPx, JSON.stringify(colors), createdAt],
      );
    for (const [at, { id: photo, sha256, page, name, position, createdAt }] of file.photos.entries()) {
      // The same photos in the same order, whatever their ids became.
      const { preview, facts, sizeBytes, toneColumns, toneRows, tones } = photos[at] as (typeof photos)[number];
      await run(
        'insert into "photo" ("id", "brand_id", "sha256", "page", "preview", "name", "facts", "size_bytes", "tone_columns", "tone_rows", "tones", "position", "created_at") values (?, ?, ?, ?, ?, ?, ?::jsonb, ?, ?, ?, ?, ?, ?)',
        [
          photo,
          id,
          sha256,
          page,
          preview,
          name,
          JSON.stringify(facts),
          sizeBytes,
          toneColumns,
          toneRows,
          Buffer.from(tones),
          position,
          createdAt,
        ],
      );
    }
    for (const { sha256, name, rights, createdAt, removedAt } of file.fonts) {
      const measured = fonts.find((font) => font.sha256 === sha256);
      if (!measured) continue;
      await run(
        'insert into "own_font" ("id", "brand_id", "sha256", "family", "name", "size_bytes", "entry", "embedding", "rights", "created_at", "removed_at") values (?, ?, ?, ?, ?, ?, ?::jsonb, ?, ?, ?, ?)',
        [
          randomUUID(),
          id,
          sha256,
          `own-${sha256.slice(0, 16)}`,
          name,
          measured.sizeBytes,
          JSON.stringify(measured.entry),
          measured.embedding,
          rights,
          createdAt,
          removedAt,
        ],
      );
    }
    return own;
  });
  return findBrand(em.fork(), slug);
}
