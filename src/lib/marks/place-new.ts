import { createPart, expect, freePartId, type Bounds, type KnownInput, type KnownPart, type Recipe } from '$core/index';

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
