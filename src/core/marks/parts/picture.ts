import { z } from 'zod';
import { framePath, IDENTITY, mapPath, readPath } from '../../geometry';
import type { PictureFill } from '../drawing/drawing';
import { partBase } from '../part-base';
import type { PartKind } from '../part-kind';
import { rightsOfPiece } from '../rights/part-rights';
import { strokesSchema } from '../../pictures';
import { artSourceSchema } from './art-source';

/** Longest side of a picture file, in its own pixels. */
const LONGEST_SIDE = 60_000;

/** How far pictures are blurred: the blur's deviation in percent of the longer side. */
export const MOST_SOFT = { least: 0.1, most: 5 } as const;

const digestSchema = z.string().regex(/^[0-9a-f]{64}$/, 'Expected a SHA-256 digest');
const outlineSchema = z
  .string()
  .max(80_000)
  .refine((data) => readPath(data) !== undefined, 'Expected an outline of absolute M, L, Q, C and Z')
  .optional();

/** A stored picture, and what was done to it before it is shown. */
export const pictureFileSchema = {
  /** The digest of the stored file. */
  sha256: digestSchema,
  /** Of the file, upright, in its own pixels. */
  fileWidthPx: z.number().int().min(1).max(LONGEST_SIDE),
  fileHeightPx: z.number().int().min(1).max(LONGEST_SIDE),
  /** Where it is not clear, as an outline in a square of 1 × 1 that the picture fills; of opaque pictures there is none. */
  outline: outlineSchema,
  /** Its ground was taken out: of which picture, and what was brushed. The picture it was is kept, so that the ground can be brought back. */
  cut: z.strictObject({ from: digestSchema, outline: outlineSchema, strokes: strokesSchema }).optional(),
  /** It was blurred: of which picture, and by how much of its longer side. That picture is kept, so that it can be sharp again. */
  softened: z.strictObject({ from: digestSchema, percent: z.number().min(MOST_SOFT.least).max(MOST_SOFT.most) }).optional(),
};
/** The file of a picture, in a part of any kind. */
export type PictureFile = z.infer<z.ZodObject<typeof pictureFileSchema>>;
export const PICTURE_FILE_FIELDS = Object.keys(pictureFileSchema) as readonly (keyof PictureFile)[];

export const pictureSchema = z.strictObject({
  ...partBase,
  kind: z.literal('picture'),
  /** Whose picture it is, and what may be done with it. */
  source: artSourceSchema,
  ...pictureFileSchema,
  /** Its longer side in the mark. */
  sizePx: z.number().min(0.1).max(20_000).default(240),
  /** Only to look at on the table, beside or under the work: in no proof, no file and no other part. */
  reference: z.boolean().default(false),
});
export type Picture = z.infer<typeof pictureSchema>;

/** A picture of pixels on its own center. It keeps its colors in full color; as an outline it is what is not clear of it, else its frame. */
export const picture: PartKind<typeof pictureSchema> = {
  schema: pictureSchema,
  label: 'Picture',
  called: (part) => part.source.title,
  onlySeen: (part) => part.reference,
  rights: (part) => (part.reference ? [] : [rightsOfPiece('picture', part.source)]),
  describe: (part) =>
    `${part.reference ? 'reference' : part.cut ? 'picture, ground out' : 'picture'} · ${part.fileWidthPx} × ${part.fileHeightPx}`,
  draw: (part) => {
    const scale = part.sizePx / Math.max(part.fileWidthPx, part.fileHeightPx);
    const [width, height] = [part.fileWidthPx * scale, part.fileHeightPx * scale];
    const map = { ...IDENTITY, a: width, d: height, e: -width / 2, f: -height / 2 };
    const seen = part.outline === undefined ? undefined : readPath(part.outline);
    const node: PictureFill = {
      kind: 'picture',
      sha256: part.sha256,
      map,
      path: seen && seen.verbs !== '' ? mapPath(seen, map) : framePath(map),
      rule: seen ? 'evenodd' : 'nonzero',
      opacity: 1,
      ...(seen ? { clear: true } : {}),
    };
    return { nodes: [node], notices: [] };
  },
};

/** Pixels of the file on one pixel of the mark; a print at 300 to the inch wants at least 3.125. */
export const pictureDensity = (part: Picture): number =>
  Math.max(part.fileWidthPx, part.fileHeightPx) / (part.sizePx * (part.place.scale ?? 1));
