import { createPart, expect, freePartId, type Bounds, type KnownInput, type KnownPart, type Picture, type Recipe } from '$core/index';

/** Largest side of what is new against the mark's own, as a share. */
const NEW_SIZE = 0.5;

type WithoutId<P> = P extends unknown ? Omit<P, 'id'> : never;

/** A new piece of art or picture on the mark's middle, half as large as the mark. */
export function placedNew(
  recipe: Recipe,
  piece: WithoutId<Extract<KnownInput, { kind: 'art' | 'picture' }>>,
  ink: Bounds | undefined,
): KnownPart {
  const side = ink ? Math.max(ink.right - ink.left, ink.bottom - ink.top) : 0;
  const place = ink
    ? { x: Math.round((ink.left + ink.right) / 2), y: Math.round((ink.top + ink.bottom) / 2), turnDeg: 0 }
    : { x: 0, y: 0, turnDeg: 0 };
  const size = side > 0 ? { sizePx: Math.round(Math.max(40, side * NEW_SIZE)) } : {};
  return expect(createPart({ ...piece, id: freePartId(recipe, piece.kind), place, ...size }));
}

/** How a picture lies that is only looked at: to the right of the work as it is, or under its middle and half faded. */
export function laid(part: Picture, where: 'beside' | 'under', ink: Bounds | undefined): Pick<Picture, 'place' | 'opacity'> {
  const box = ink ?? { left: 0, top: 0, right: 0, bottom: 0 };
  const width = (part.sizePx * part.fileWidthPx) / Math.max(part.fileWidthPx, part.fileHeightPx);
  const middle = { x: Math.round((box.left + box.right) / 2), y: Math.round((box.top + box.bottom) / 2) };
  const x = where === 'under' ? middle.x : Math.round(box.right + (box.right - box.left) / 12 + width / 2);
  return { place: { ...part.place, x, y: middle.y }, opacity: where === 'under' ? 0.5 : 1 };
}
