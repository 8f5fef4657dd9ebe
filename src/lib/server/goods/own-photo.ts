import sharp from 'sharp';
import { composeOnPhoto, ownScene, type Hex, type OwnGoods, type Printed, type SceneFacts } from '$core/index';
import { storedFile } from '../files';
import { refuse } from '../http/problem-error';

/** Goods on a photo that a designer took. */
export interface OwnOrder {
  readonly goods: OwnGoods;
  /** The color that its cloth takes, where one was chosen. */
  readonly cloth?: Hex;
  readonly photo: {
    readonly widthPx: number;
    readonly heightPx: number;
    /** The file as it came, and the smaller copy of it. */
    readonly sha256: string;
    readonly preview: string;
  };
}
/** The smaller copy of a photo serves pictures up to this width. */
const COPY_SIDE_PX = 1600;

/** What a scene says of itself, of one's own goods. Their color is not asked for here. */
export const ownFacts = ({ goods, photo }: OwnOrder): SceneFacts =>
  ownScene('', goods, { ...photo, tones: { columns: 0, rows: 0, light: [], busy: [] } });

/** Shows marks on one's own photo, not larger than the photo is. @throws a refusal where the corners cross */
export async function onOwnPhoto({ goods, cloth, photo }: OwnOrder, widthPx: number, printed: readonly Printed[]) {
  const wide = Math.min(widthPx, photo.widthPx);
  const high = Math.max(1, Math.round((photo.heightPx * wide) / photo.widthPx));
  const bytes = await storedFile(Math.max(wide, high) <= COPY_SIDE_PX ? photo.preview : photo.sha256);
  const { data, info } = await sharp(bytes)
    .rotate()
    .resize(wide, high, { fit: 'fill' })
    .flatten({ background: '#ffffff' })
    .toColourspace('srgb')
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const shown = composeOnPhoto(new Uint8Array(data), info.width, info.height, goods, ownFacts({ goods, photo }).areas, printed, cloth);
  const problem = shown.ok ? undefined : shown.problems[0];
  if (!shown.ok)
    throw refuse(422, problem?.code ?? 'crossed-corners', problem?.message ?? 'The corners cross.', problem?.fix ?? 'Pull them apart.');
  return { pixels: shown.value, width: info.width, height: info.height };
}
