import { randomUUID } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { CatalogueEntry, ShippedFamily } from '$core/index';
import { LARGEST_FONT_BYTES, type EmbeddingRight } from '$core/shaping';
import { OwnFont } from '../database/entities';
import { storedFile } from '../files';
import { heavy } from '../heavy/pool';
import { notFound } from '../http/problem-error';

export { LARGEST_FONT_BYTES };

/** A client's own fonts as families, with what was measured in them. */
export interface OwnFonts {
  readonly families: readonly ShippedFamily[];
  readonly catalogue: Readonly<Record<string, CatalogueEntry>>;
}

const fileOf = (brandSlug: string, sha256: string): string => `brands/${brandSlug}/${sha256}`;

/** The fonts of one brand; no other brand ever sees them. */
export async function ownFonts(em: EntityManager, brand: { readonly id: string; readonly slug: string }): Promise<OwnFonts> {
  const rows = await em.find(OwnFont, { brand: brand.id }, { orderBy: { createdAt: 'asc' } });
  return {
    families: rows.map((row) => ({
      id: row.family,
      name: row.name,
      class: 'client’s own',
      license: row.rights || 'rights not known',
      source: 'brought by the client',
      ...(row.removedAt ? { removed: true } : {}),
      faces: [{ file: fileOf(brand.slug, row.sha256), style: 'normal' as const, sha256: row.sha256, sizeBytes: row.sizeBytes }],
    })),
    catalogue: Object.fromEntries(rows.map((row) => [fileOf(brand.slug, row.sha256), row.entry])),
  };
}

export interface TakenIn {
  readonly family: string;
  readonly name: string;
  readonly glyphCount: number;
  readonly embedding: EmbeddingRight;
  readonly notes: readonly string[];
}

/**
 * Takes in a client's font: checked, stored under its digest, measured. The same file twice is the same font, however many requests bring it.
 * @param face which face of a collection
 */
export async function addOwnFont(em: EntityManager, brandId: string, file: Uint8Array, rights: string, face?: number): Promise<TakenIn> {
  const checked = await heavy('font', { bytes: file, face });
  const { sha256, sizeBytes, glyphCount, hasColor, entry } = checked;
  const family = `own-${sha256.slice(0, 16)}`;
  const name =
    checked.name
      .replace(/[\p{Cc}\p{Cs}]/gu, '')
      .trim()
      .slice(0, 200) || 'Unnamed font';
  const embedding = { name: checked.embedding, means: checked.embeddingMeans } as EmbeddingRight;
  await em
    .qb(OwnFont)
    .insert({
      id: randomUUID(),
      brand: brandId,
      sha256,
      family,
      name,
      sizeBytes,
      entry,
      embedding: embedding.name,
      rights,
      createdAt: new Date(),
      removedAt: null,
    })
    .onConflict(['brand', 'sha256'])
    .merge({ removedAt: null })
    .execute();
  return { family, name, glyphCount, embedding, notes: hasColor ? ['Its colored glyphs are not used; marks take the outlines.'] : [] };
}

/** Takes a font out of what the brand can choose from, or puts it back. The file stays, because marks may be drawn with it. */
export async function removeOwnFont(em: EntityManager, brandId: string, family: string, removed: boolean): Promise<void> {
  const changed = await em.nativeUpdate(OwnFont, { brand: brandId, family }, { removedAt: removed ? new Date() : null });
  if (changed === 0) throw notFound('font of this brand');
}

/** The data of a brand's own font. */
export async function ownFontData(em: EntityManager, brandId: string, sha256: string): Promise<Uint8Array> {
  if (!/^[0-9a-f]{64}$/.test(sha256) || (await em.count(OwnFont, { brand: brandId, sha256 })) === 0) throw notFound('font of this brand');
  return storedFile(sha256);
}
