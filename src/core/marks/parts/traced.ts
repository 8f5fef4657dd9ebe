import { z } from 'zod';
import type { Hex } from '../../color/hex';
import { nearestColor, nearestSwatchOf } from '../../color/nearest-swatch';
import type { Palette } from '../../color/palette';
import { mapPath } from '../../geometry';
import { pathData } from '../../output/path-data';
import type { TracedOutcome, Tracing } from '../../pictures';
import type { Paint } from '../drawing/paint';
import { ART_SIDE, artSchema, type Art } from './art';
import { PICTURE_FILE_FIELDS, pictureFileSchema, pictureSchema, type Picture, type PictureFile } from './picture';

const fileOf = (from: PictureFile): PictureFile =>
  Object.fromEntries(
    PICTURE_FILE_FIELDS.filter((field) => from[field] !== undefined).map((field) => [field, from[field]]),
  ) as unknown as PictureFile;

/** The picture that a part shows or was traced from. */
export const pictureOf = (part: Picture | Art): PictureFile | undefined =>
  part.kind === 'picture' ? fileOf(part) : part.traced && fileOf(part.traced);

const onBackdrop = z.looseObject({ built: z.looseObject({ numbers: z.looseObject({ backdrop: z.object(pictureFileSchema) }) }) });

/** The picture among the numbers of what is built. */
function builtWith(part: object): PictureFile | undefined {
  if (!('built' in part)) return undefined;
  const found = onBackdrop.safeParse(part);
  return found.success ? found.data.built.numbers.backdrop : undefined;
}

/** The digests of all pictures that a part keeps: shown, traced, those whose ground was taken out or that were blurred, and what it was built with. */
export const keptPictures = (part: { readonly kind: string }): readonly string[] => {
  const file = part.kind === 'picture' || part.kind === 'art' ? pictureOf(part as Picture | Art) : builtWith(part);
  return file ? [file.sha256, ...(file.cut ? [file.cut.from] : []), ...(file.softened ? [file.softened.from] : [])] : [];
};

/**
 * A picture, or what was traced from it before, as art with outlines: in its place and size, under its name and what is done to it. Colors
 * that were chosen for its slots stay where a slot like it is found again.
 */
export function asTracedArt(
  part: Picture | Art,
  traced: Pick<TracedOutcome, 'areas' | 'columns' | 'rows'>,
  tracing: Tracing,
  palette: Palette,
): Art | undefined {
  const file = pictureOf(part);
  if (!file || traced.areas.length === 0) return undefined;
  const scale = ART_SIDE / Math.max(traced.columns, traced.rows);
  const map = { a: scale, b: 0, c: 0, d: scale, e: (-traced.columns * scale) / 2, f: (-traced.rows * scale) / 2 };
  const colors = [...new Set(traced.areas.map(({ color }) => color))];
  const before = part.kind === 'art' ? part.slots : [];
  const paintOf = (color: Hex, index: number): Paint => {
    const kept =
      before.length === colors.length
        ? before[index]
        : before[
            nearestColor(
              color,
              before.map(({ original }) => original as Hex),
            )
          ];
    if (kept) return kept.paint;
    return colors.length === 1 ? { role: 'lead' } : { role: nearestSwatchOf(color, palette) };
  };
  const { id, name, place, opacity, blend, hidden, locked, ghost, oneColor, reversedAs, treatments, source, sizePx } = part;
  const made = artSchema.safeParse({
    ...{ id, place, opacity, blend, hidden, locked, ghost, source, sizePx },
    ...(name === undefined ? {} : { name }),
    ...(oneColor === undefined ? {} : { oneColor }),
    ...(reversedAs === undefined ? {} : { reversedAs }),
    ...(treatments === undefined ? {} : { treatments }),
    kind: 'art',
    slots: colors.map((original, index) => ({ original, paint: paintOf(original, index) })),
    pieces: traced.areas.map(({ path, rule, color }) => ({ data: pathData(mapPath(path, map)), rule, slot: colors.indexOf(color) })),
    traced: { ...file, tracing },
    ...(part.kind === 'art' ? { weightPx: part.weightPx, weightFrom: part.weightFrom } : {}),
  });
  return made.success ? made.data : undefined;
}

/** The picture that was traced, in the place of its outlines. */
export function backToPicture(part: Art): Picture | undefined {
  const file = part.traced && fileOf(part.traced);
  if (!file) return undefined;
  const { id, name, place, opacity, blend, hidden, locked, ghost, oneColor, treatments, source, sizePx } = part;
  const made = pictureSchema.safeParse({
    ...{ id, place, opacity, blend, hidden, locked, ghost, source, sizePx },
    ...(name === undefined ? {} : { name }),
    ...(oneColor === undefined ? {} : { oneColor }),
    ...(treatments === undefined ? {} : { treatments }),
    kind: 'picture',
    ...file,
  });
  return made.success ? made.data : undefined;
}
