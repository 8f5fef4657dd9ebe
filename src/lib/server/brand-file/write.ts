import type { EntityManager } from '@mikro-orm/postgresql';
import { downloadZip } from 'client-zip';
import { Brand, Mark, OwnFont, Photo, Picture, Revision, SavedDocument, SavedPalette, Try } from '../database/entities';
import { digestOf, filePieces } from '../files';
import { clientLinksOf } from './client-links';
import { at, atOrNull } from './fields';
import { BRAND_FILE_FORMAT, BRAND_FILE_VERSION, BRAND_NAME, COVER_NAME, fileName, PHOTOS_ALONG, type BrandFile, type Cover } from './form';
import { packsOf } from './packs';

const linkOf = ({
  number,
  kind,
  gesture,
  madeBy,
  madeFrom,
  createdAt,
}: Pick<BrandFile['palettes'][number], 'number' | 'kind' | 'gesture'> & { madeBy: string; madeFrom: string; createdAt: Date }) => ({
  ...{ number, kind, gesture, madeBy, madeFrom },
  createdAt: at(createdAt),
});
type Stored = Record<string, unknown>;

/** The photos of a brand that go along, in their order, and how many do not. */
async function photosOf(em: EntityManager, brand: string): Promise<Pick<BrandFile, 'photos' | 'photosLeftOut'>> {
  const rows = await em.find(Photo, { brand, removedAt: null }, { orderBy: { position: 'asc', createdAt: 'asc' }, exclude: ['tones'] });
  let bytes = 0;
  const along = rows.filter(({ sizeBytes }, at) => {
    if (at >= PHOTOS_ALONG.most || bytes + sizeBytes > PHOTOS_ALONG.bytes) return false;
    bytes += sizeBytes;
    return true;
  });
  return {
    photos: along.map(({ id, sha256, page, name, position, createdAt }) => ({
      id,
      sha256,
      page,
      name,
      position,
      createdAt: at(createdAt),
    })),
    photosLeftOut: rows.length - along.length,
  };
}

/** Everything of a brand as one piece of data. */
export async function brandFileOf(em: EntityManager, brandId: string): Promise<BrandFile> {
  const brand = await em.findOneOrFail(Brand, { id: brandId });
  const own = { brand: brandId };
  const marks = await em.find(Mark, own, { orderBy: { position: 'asc', createdAt: 'asc' } });
  const file: BrandFile = {
    brand: { name: brand.name, about: brand.about, createdAt: at(brand.createdAt) },
    palettes: (await em.find(SavedPalette, own, { orderBy: { number: 'asc' } })).map((row) => ({
      ...linkOf(row),
      colors: row.colors as Stored,
    })),
    documents: (await em.find(SavedDocument, own, { orderBy: { document: 'asc', number: 'asc' } })).map((row) => ({
      document: row.document,
      ...linkOf(row),
      content: row.content as Stored,
    })),
    marks: [],
    pictures: (await em.find(Picture, own, { orderBy: { createdAt: 'asc' } })).map(
      ({ sha256, name, widthPx, heightPx, colors, createdAt }) => ({
        ...{ sha256, name, widthPx, heightPx },
        colors: [...colors],
        createdAt: at(createdAt),
      }),
    ),
    ...(await photosOf(em, brandId)),
    fonts: (await em.find(OwnFont, own, { orderBy: { createdAt: 'asc' } })).map(({ sha256, name, rights, createdAt, removedAt }) => ({
      ...{ sha256, name, rights },
      createdAt: at(createdAt),
      removedAt: atOrNull(removedAt),
    })),
    packs: await packsOf(em, brandId),
    clientLinks: await clientLinksOf(em, brandId),
  };
  for (const mark of marks) {
    const [revisions, tries] = [
      await em.fork().find(Revision, { mark: mark.id }, { orderBy: { number: 'asc' } }),
      await em.fork().find(Try, { mark: mark.id }, { orderBy: { createdAt: 'asc' } }),
    ];
    const { id, slug, name, role, position } = mark;
    file.marks.push({
      ...{ id, slug, name, role, position },
      createdAt: at(mark.createdAt),
      archivedAt: atOrNull(mark.archivedAt),
      removedAt: atOrNull(mark.removedAt),
      revisions: revisions.map((row) => ({ ...linkOf(row), recipe: row.recipe as Stored })),
      tries: tries.map((row) => ({
        ...{ id: row.id, name: row.name, madeBy: row.madeBy, madeFrom: row.madeFrom },
        createdAt: at(row.createdAt),
        removedAt: atOrNull(row.removedAt),
        recipe: row.recipe as Stored,
      })),
    });
  }
  return file;
}

/** A brand as one open file: a ZIP of JSON and of its pictures, photos, fonts and packed files, written while it is read. */
export async function brandZip(em: EntityManager, brandId: string): Promise<ReadableStream<Uint8Array>> {
  const file = await brandFileOf(em, brandId);
  const json = Buffer.from(`${JSON.stringify(file)}\n`);
  const cover: Cover = { format: BRAND_FILE_FORMAT, version: BRAND_FILE_VERSION, app: 'Lucky Thistle', brandSha256: digestOf(json) };
  const lastModified = new Date();
  const packed = file.packs.flatMap(({ files }) => files.flatMap(({ sha256 }) => sha256 ?? []));
  const digests = [...new Set([...[...file.pictures, ...file.photos, ...file.fonts].map(({ sha256 }) => sha256), ...packed])];
  const { body } = downloadZip([
    { name: COVER_NAME, lastModified, input: `${JSON.stringify(cover)}\n` },
    { name: BRAND_NAME, lastModified, input: json },
    ...digests.map((sha256) => ({ name: fileName(sha256), lastModified, input: filePieces(sha256) })),
  ]);
  if (!body) throw new Error('The ZIP has no body.');
  return body;
}
