import type { PieceCanvas } from '../marks/recipe/piece-canvas';

/** A size that pieces are made in. */
export interface PieceSize {
  readonly id: string;
  readonly label: string;
  /** Sizes of one set are made together. */
  readonly set: 'screen' | 'print' | 'goods';
  readonly canvas: Pick<PieceCanvas, 'width' | 'height' | 'unit' | 'bleed' | 'marginPercent'>;
}

const size = (
  set: PieceSize['set'],
  id: string,
  label: string,
  width: number,
  height: number,
  unit: PieceCanvas['unit'],
  bleed = 0,
  marginPercent = 6,
): PieceSize => ({ id, label, set, canvas: { width, height, unit, bleed, marginPercent } });

/** Sizes to start from (common practice; bleed 3 mm as printers ask for it). Any other size can be typed. */
export const PIECE_SIZES: readonly PieceSize[] = [
  size('screen', 'square-post', 'Square post', 1080, 1080, 'px'),
  size('screen', 'tall-post', 'Tall post', 1080, 1350, 'px'),
  size('screen', 'story', 'Story', 1080, 1920, 'px', 0, 9),
  size('screen', 'wide-cover', 'Wide cover', 1584, 396, 'px', 0, 10),
  size('screen', 'tall-cover', 'Tall cover', 1600, 2400, 'px'),
  size('screen', 'share-card', 'Share card', 1200, 630, 'px'),
  size('screen', 'profile', 'Profile picture', 800, 800, 'px', 0, 14),
  size('print', 'business-card', 'Business card', 85, 55, 'mm', 3, 9),
  size('print', 'letterhead', 'Letterhead', 210, 297, 'mm', 3, 9),
  size('print', 'catalog-page', 'Catalog page', 210, 280, 'mm', 3, 7),
  size('print', 'price-card', 'Price card', 105, 148, 'mm', 3, 8),
  size('print', 'fixture-card', 'Fixture card', 148, 210, 'mm', 3, 8),
  size('goods', 'shirt-front', 'Shirt, front', 4500, 5400, 'px', 0, 3),
  size('goods', 'shirt-back', 'Shirt, back', 4500, 5400, 'px', 0, 3),
  size('goods', 'label', 'Label', 90, 60, 'mm', 2, 7),
  size('goods', 'hang-tag', 'Hang tag', 50, 90, 'mm', 2, 9),
  size('goods', 'sticker', 'Sticker', 76, 76, 'mm', 2, 9),
  size('goods', 'packaging-band', 'Packaging band', 280, 60, 'mm', 3, 12),
];
