import { z } from 'zod';
import { MARK_ROLES, REVISION_KINDS } from '$core/index';
import { clientLinkSchema } from './client-links';
import { date, made, number, sha256, stored, text } from './fields';
import { packSchema } from './packs';

/** What the first entry of a brand file says it is. */
export const BRAND_FILE_FORMAT = 'lucky-thistle-brand';
/** Raised when an older app could not read what is written now. 2: photos go along; 3: pages of PDFs among them; 4: packs, and what clients said. */
export const BRAND_FILE_VERSION = 4;
/** Photos go along from the first one on, up to so many and so many bytes: what is larger no browser brings in again in one go. */
export const PHOTOS_ALONG = { most: 200, bytes: 128 * 1024 * 1024 } as const;

const link = { number, kind: z.enum(REVISION_KINDS), gesture: text(120), ...made };

/** Most packs and clients' links of a brand. */
const MOST_PACKS = 10_000;
const MOST_LINKS = 10_000;

const mark = z.strictObject({
  id: z.uuid(),
  slug: z.string().regex(/^[a-z0-9-]{1,80}$/),
  name: z.string().trim().min(1).max(120),
  role: z.enum(MARK_ROLES),
  position: z.number().int().min(0).max(1_000_000),
  createdAt: date,
  archivedAt: date.nullable(),
  removedAt: date.nullable(),
  revisions: z.array(z.strictObject({ ...link, recipe: stored })).min(1),
  tries: z
    .array(
      z.strictObject({
        id: z.uuid().optional(),
        name: z.string().trim().min(1).max(80),
        removedAt: date.nullable(),
        ...made,
        recipe: stored,
      }),
    )
    .max(1000),
});

/** Everything of a brand but the bytes of its pictures, photos, fonts and packed files, which lie beside it under their digests. */
export const brandFileSchema = z.strictObject({
  brand: z.strictObject({ name: z.string().trim().min(1).max(120), about: text(4000), createdAt: date }),
  palettes: z.array(z.strictObject({ ...link, colors: stored })).min(1),
  documents: z.array(z.strictObject({ document: z.string().regex(/^[a-z-]{1,40}$/), ...link, content: stored })),
  marks: z.array(mark).max(1000),
  pictures: z
    .array(
      z.strictObject({
        sha256,
        name: text(200),
        widthPx: z.number().int().min(1),
        heightPx: z.number().int().min(1),
        colors: z.array(z.unknown()).max(100),
        createdAt: date,
      }),
    )
    .max(5000),
  /** As they came; what pages show of them is read from them again. */
  photos: z
    .array(
      z.strictObject({
        id: z.uuid(),
        sha256,
        page: z.number().int().min(0).max(10_000).default(0),
        name: text(200),
        position: z.number().int().min(0).max(1_000_000),
        createdAt: date,
      }),
    )
    .max(PHOTOS_ALONG.most)
    .default([]),
  /** Photos that the brand had when it was written, and that do not go along. */
  photosLeftOut: z.number().int().min(0).max(1_000_000).default(0),
  fonts: z.array(z.strictObject({ sha256, name: text(200), rights: text(600), createdAt: date, removedAt: date.nullable() })).max(500),
  packs: z.array(packSchema).max(MOST_PACKS).default([]),
  /** What clients were shown, and what they said of it. */
  clientLinks: z.array(clientLinkSchema).max(MOST_LINKS).default([]),
});
export type BrandFile = z.infer<typeof brandFileSchema>;

/** The first entry of the ZIP: what this is, and what the second must be. */
export const coverSchema = z.object({
  format: z.literal(BRAND_FILE_FORMAT),
  version: z.number().int().min(1),
  app: text(80),
  brandSha256: sha256,
});
export type Cover = z.infer<typeof coverSchema>;

export const COVER_NAME = 'cover.json';
export const BRAND_NAME = 'brand.json';
/** Where the file of a digest lies. */
export const fileName = (of: string): string => `files/${of}`;
