import { randomUUID } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/postgresql';
import { writeRecipe, type Part } from '$core/index';
import { Mark, OwnFont, Photo, Picture, Revision, SavedDocument } from '../database/entities';
import { createBrand, findBrand, type BrandView } from './brands';
import { isDocumentKind, newestDocuments } from './documents';
import { listMarks } from './marks';
import { withOtherIds } from './other-ids';
import { freeSlug } from './slug';

/** The same part in the copied family: what it follows is the copy of what it followed. */
const inCopy = (part: Part, copies: ReadonlyMap<string, string>): Part =>
  part.kind === 'linked' && part.from.mark !== null
    ? { ...part, from: { ...part.from, mark: copies.get(part.from.mark) ?? part.from.mark } }
    : part;

/**
 * Copies a brand as it stands, all or nothing: palette, documents, fonts, pictures, photos and every mark that is not removed, each with its newest
 * version only. Marks that follow each other do so in the copy.
 * @param key chosen by whoever asks: the same request sent again finds the copy that is there already
 */
export async function copyBrand(em: EntityManager, slug: string, input: { readonly name: string; readonly key?: string | undefined }) {
  return em.transactional(async (tx): Promise<BrandView> => {
    const brand = await findBrand(tx, slug);
    const { again, ...copy } = await createBrand(tx, { name: input.name, about: brand.about, palette: brand.palette, key: input.key });
    if (again) return copy;
    const now = new Date();
    const marks = (await listMarks(tx, brand.id)).filter(({ shelf }) => shelf !== 'removed');
    const copies = new Map(marks.map(({ id }) => [id, randomUUID() as string]));
    const slugs = new Set<string>();
    for (const [position, { id, name, role, recipe, shelf }] of marks.entries()) {
      const own = freeSlug(name, slugs);
      slugs.add(own);
      const mark = tx.create(Mark, {
        ...{ id: copies.get(id) ?? randomUUID(), brand: copy.id, slug: own, name, role, position, revisionNumber: 1, createdAt: now },
        ...{ archivedAt: shelf === 'archived' ? now : null, removedAt: null },
      });
      const written = writeRecipe({ ...recipe, parts: recipe.parts.map((part) => inCopy(part, copies)) });
      tx.create(Revision, { id: randomUUID(), mark, number: 1, kind: 'edit', gesture: 'Copied', recipe: written, createdAt: now });
    }
    const photos = await tx.find(Photo, { brand: brand.id, removedAt: null });
    const photoCopies = new Map(photos.map(({ id }) => [id, randomUUID() as string]));
    for (const { document, content: stands } of await newestDocuments(tx, brand.id))
      if (isDocumentKind(document)) {
        // What names a mark or a photo names its copy.
        const content = withOtherIds(stands, new Map([...copies, ...photoCopies]));
        tx.create(SavedDocument, {
          ...{ id: randomUUID(), brand: copy.id, document, number: 1, kind: 'edit' as const, gesture: 'Copied', content, createdAt: now },
        });
      }
    for (const { id, sha256, page, preview, name, facts, sizeBytes, toneColumns, toneRows, tones, position } of photos)
      tx.create(Photo, {
        ...{
          id: photoCopies.get(id) ?? randomUUID(),
          brand: copy.id,
          sha256,
          page,
          preview,
          name,
          facts,
          sizeBytes,
          toneColumns,
          toneRows,
        },
        ...{ tones, position, createdAt: now, removedAt: null },
      });
    for (const { sha256, name, widthPx, heightPx, colors } of await tx.find(Picture, { brand: brand.id }))
      tx.create(Picture, {
        ...{ id: randomUUID(), brand: copy.id, sha256, name, widthPx, heightPx, colors, createdAt: now, lentBy: brand.id },
      });
    for (const { sha256, family, name, sizeBytes, entry, embedding, rights, removedAt } of await tx.find(OwnFont, { brand: brand.id }))
      tx.create(OwnFont, {
        ...{ id: randomUUID(), brand: copy.id, sha256, family, name, sizeBytes, entry, embedding, rights, createdAt: now },
        removedAt: removedAt ?? null,
      });
    await tx.flush();
    return copy;
  });
}
