import { z } from 'zod';
import { boundsOf, mapPath, compose, scaling, translation, type Point } from '../../../geometry';
import type { Kit } from '../../building/kit';
import type { Paint } from '../../drawing/paint';
import { artSourceSchema } from '../../parts/art-source';
import { pictureFileSchema } from '../../parts/picture';
import { ownOutline, ownPieceSchema } from '../own-piece';

/** What may stand behind letters: a drawing in one color, or a picture of pixels. */
export const backdropSchema = z.union([ownPieceSchema, z.strictObject({ ...pictureFileSchema, source: artSourceSchema })]);
export type Backdrop = z.infer<typeof backdropSchema>;

/** Up to this opacity a picture behind is left out where there is one color; the designer can bring it back. */
const FAINT = 0.5;

/** What its row is called: titles of pictures may be longer than names of parts. */
const NAME = 'Picture behind';

interface BackdropNumbers {
  readonly backdrop: Backdrop | null;
  readonly backdropPercent: number;
  readonly behindPercent: number;
  /** Of a drawing; pictures keep their colors. */
  readonly floralPaint: Paint;
}

/** A picture of the designer’s own behind the letters, on their middle, as strong as is asked for. @param capPx height of the capitals; @param at the middle of the letters */
export function drawBackdrop(
  kit: Kit,
  { backdrop, backdropPercent, behindPercent, floralPaint }: BackdropNumbers,
  capPx: number,
  at: Point,
) {
  if (!backdrop) {
    kit.note('no-backdrop', 'Nothing stands behind the letters yet.', 'Choose a piece of art, or something that stands in this mark.');
    return;
  }
  const sizePx = Math.min(20_000, Math.max(0.1, (capPx * backdropPercent) / 100));
  const opacity = behindPercent / 100;
  // In one color nothing is faint: what was, would stand over the letters.
  const faint = opacity <= FAINT ? { oneColor: 'left-out' as const } : {};
  if ('sha256' in backdrop) {
    kit.add({
      kind: 'picture',
      id: 'backdrop',
      name: NAME,
      ...backdrop,
      sizePx,
      opacity,
      ...faint,
      place: { ...at, turnDeg: 0 },
    });
    return;
  }
  const outline = ownOutline(kit, backdrop);
  const box = outline && boundsOf(outline.path);
  if (!outline || !box) return;
  const size = sizePx / Math.max(box.right - box.left, box.bottom - box.top);
  const path = mapPath(outline.path, compose(translation(at.x, at.y), scaling(size)));
  kit.drawn('backdrop', NAME, [{ path, paint: 0, rule: outline.rule }], [floralPaint], {
    ...{ opacity, source: backdrop.source },
    ...faint,
  });
}
