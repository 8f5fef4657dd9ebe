import { notNought } from '../../numeric/tolerances';
import { z } from 'zod';
import { colorKeySchema, hexSchema } from '../../color/palette';
import type { Hex } from '../../color/hex';
import { byteOf } from '../light';
import { luminanceOf, type PhotoTones } from '../../watermark/tones';
import type { Corner } from '../homography';
import { PRINT_WAYS, type SceneFacts } from '../scene';

/** Handles along each side of the mesh; the outermost four are the corners. */
export const MESH_SIDE = 4;

/** Shares of the photo's width and height; a little outside of it is allowed. */
const share = z.number().min(-0.5).max(1.5);
const cornerSchema = z.strictObject({ x: share, y: share });
const offset = z.number().min(-1).max(1);

/** From which side the light falls on it: that tells folds that rise from those that fall. */
export const LIGHT_SIDES = ['left', 'right', 'above', 'below'] as const;
export type LightSide = (typeof LIGHT_SIDES)[number];

/** A photo of goods that a designer took, and where marks lie on it. */
export const ownGoodsSchema = z.strictObject({
  photo: z.uuid(),
  label: z.string().trim().min(1).max(60),
  /** Upper left, upper right, lower right, lower left of the place. */
  corners: z.tuple([cornerSchema, cornerSchema, cornerSchema, cornerSchema]),
  /** How far each of the 4 × 4 handles is pulled from where the corners alone would put it, row by row; empty: nowhere. */
  mesh: z
    .array(z.strictObject({ x: offset, y: offset }))
    .max(MESH_SIDE * MESH_SIDE)
    .refine((mesh) => mesh.length === 0 || mesh.length === MESH_SIDE * MESH_SIDE, 'Expected 16 handles, or none')
    .default([]),
  /** Height of the place by its width, where it is flat; nothing: as its corners let expect. */
  ratio: z.number().min(0.05).max(20).exactOptional(),
  /** How far folds shift the mark, in thousandths of the photo's width. */
  folds: z.number().min(0).max(20).default(8),
  light: z.enum(LIGHT_SIDES).default('left'),
  /** How much of the light and shade in the photo falls on the mark. */
  shade: z.number().min(0).max(1).default(0.67),
  /** How light white ink is, as a share of the screen's white; nothing: as light as the photo's own lightest places. */
  ink: z.number().min(0.1).max(1).exactOptional(),
  way: z.enum(PRINT_WAYS).default('cloth'),
  /** Places in the cloth that take the color chosen for it, and how far they spread to what is alike. */
  cloth: z
    .strictObject({ at: z.array(cornerSchema).max(24), spread: z.number().min(0.1).max(3), color: z.union([colorKeySchema, hexSchema]) })
    .exactOptional(),
});
export type OwnGoods = z.infer<typeof ownGoodsSchema>;

/** Own goods as a new one begins: a place in the middle of the photo. */
export const startOwnGoods = (photo: string, label: string, widthPx: number, heightPx: number): OwnGoods => {
  // A square, half as wide as the shorter side.
  const [x, y] = [Math.min(widthPx, heightPx) / widthPx / 4, Math.min(widthPx, heightPx) / heightPx / 4];
  return ownGoodsSchema.parse({
    ...{ photo, label },
    corners: [
      { x: 0.5 - x, y: 0.5 - y },
      { x: 0.5 + x, y: 0.5 - y },
      { x: 0.5 + x, y: 0.5 + y },
      { x: 0.5 - x, y: 0.5 + y },
    ],
  });
};

const NAME = /^own-([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})$/;
/** The name that own goods go by among scenes. */
export const ownSceneName = (id: string): string => `own-${id}`;
/** The id of own goods by their name among scenes; nothing where the name is of goods that ship. */
export const ownGoodsId = (scene: string): string | undefined => NAME.exec(scene)?.[1];

/** Lightness under the place, as a gray: what colorway a mark begins with there. */
export function grayUnder({ columns, rows, light }: PhotoTones, corners: OwnGoods['corners']): Hex {
  const found: number[] = [];
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++)
      if (inside(corners, (column + 0.5) / columns, (row + 0.5) / rows)) found.push(light[row * columns + column] as number);
  found.sort((a, b) => a - b);
  const part = byteOf(luminanceOf(found[found.length >> 1] ?? 60))
    .toString(16)
    .padStart(2, '0');
  return `#${part}${part}${part}`;
}
/** Whether a place lies within four corners, by the crossings of a line to the left of it. */
function inside(corners: OwnGoods['corners'], x: number, y: number): boolean {
  let within = false;
  corners.forEach((one, at) => {
    const other = corners[(at + 1) % 4] as (typeof corners)[number];
    if (one.y > y !== other.y > y && x < ((other.x - one.x) * (y - one.y)) / (other.y - one.y) + one.x) within = !within;
  });
  return within;
}

/** Height of a place by its width: what was said, or what its sides let expect. */
export function placeRatio({ ratio, corners }: OwnGoods, photo: { readonly widthPx: number; readonly heightPx: number }): number {
  if (ratio !== undefined) return ratio;
  const [a, b, c, d] = corners.map(({ x, y }) => ({ x: x * photo.widthPx, y: y * photo.heightPx })) as [Corner, Corner, Corner, Corner];
  const apart = (one: Corner, other: Corner) => Math.hypot(one.x - other.x, one.y - other.y);
  return Math.min(20, Math.max(0.05, (apart(a, d) + apart(b, c)) / notNought(apart(a, b) + apart(d, c))));
}

/** Widths of a place are told in this unit where nothing else is known. */
const PLACE_WIDE = 100;
/** Own goods as a scene among the others. */
export const ownScene = (
  id: string,
  goods: OwnGoods,
  photo: { readonly widthPx: number; readonly heightPx: number; readonly tones: PhotoTones },
): SceneFacts => ({
  ...{ name: ownSceneName(id), label: goods.label, widthPx: photo.widthPx, heightPx: photo.heightPx },
  areas: [{ name: 'its place', widthMm: PLACE_WIDE, heightMm: PLACE_WIDE * placeRatio(goods, photo) }],
  start: { color: grayUnder(photo.tones, goods.corners), way: goods.way },
});
