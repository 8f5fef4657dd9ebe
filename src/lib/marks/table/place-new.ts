import {
  createPart,
  expect,
  freePartId,
  liesBehind,
  type Bounds,
  type KnownInput,
  type KnownPart,
  type Picture,
  type Recipe,
} from '$core/index';

/** Largest side of what is new against the mark's own, as a share. */
const NEW_SIZE = 0.5;

type WithoutId<P> = P extends unknown ? Omit<P, 'id'> : never;

/** White between a mark and a new piece above it, as a share of the piece. */
const AIR = 0.12;

/** A new piece of art or picture, half as large as the mark: inside of a shield, disk or other backing that waits for it, else above what is there. */
export function placedNew(
  recipe: Recipe,
  piece: WithoutId<Extract<KnownInput, { kind: 'art' | 'picture' }>>,
  ink: Bounds | undefined,
): KnownPart {
  const id = freePartId(recipe, piece.kind);
  if (!ink || ink.right <= ink.left) return expect(createPart({ ...piece, id }));
  const sizePx = Math.round(Math.max(40, Math.max(ink.right - ink.left, ink.bottom - ink.top) * NEW_SIZE));
  const backed = recipe.parts.some((part) => liesBehind(part, ink));
  const x = Math.round((ink.left + ink.right) / 2);
  const y = Math.round(backed ? (ink.top + ink.bottom) / 2 : ink.top - sizePx * (0.5 + AIR));
  return expect(createPart({ ...piece, id, place: { x, y, turnDeg: 0 }, sizePx }));
}

/** How a picture lies that is only looked at: to the right of the work as it is, or under its middle and half faded. */
export function laid(part: Picture, where: 'beside' | 'under', ink: Bounds | undefined): Pick<Picture, 'place' | 'opacity'> {
  const box = ink ?? { left: 0, top: 0, right: 0, bottom: 0 };
  const width = (part.sizePx * part.fileWidthPx) / Math.max(part.fileWidthPx, part.fileHeightPx);
  const middle = { x: Math.round((box.left + box.right) / 2), y: Math.round((box.top + box.bottom) / 2) };
  const x = where === 'under' ? middle.x : Math.round(box.right + (box.right - box.left) / 12 + width / 2);
  return { place: { ...part.place, x, y: middle.y }, opacity: where === 'under' ? 0.5 : 1 };
}
