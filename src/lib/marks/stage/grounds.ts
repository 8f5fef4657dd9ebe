import { dressingOn, swatchColor, swatchesOf, type ColorKey, type Dressing, type Palette } from '$core/index';
import { PHOTOS, type Photo } from '$lib/ui/photos';

/** What the mark stands on while it is worked on. */
export type Ground =
  | { readonly kind: 'clear' }
  | { readonly kind: 'color'; readonly color: string; readonly role?: ColorKey }
  | { readonly kind: 'photo'; readonly photo: Photo };

export const CLEAR: Ground = { kind: 'clear' };

/** A ground in the palette's colors of now: a swatch may have been given another color since it was chosen. */
export function groundNow(ground: Ground, palette: Palette): Ground {
  if (ground.kind !== 'color' || ground.role === undefined) return ground;
  const color = swatchColor(palette, ground.role);
  return color === undefined ? CLEAR : color === ground.color ? ground : { ...ground, color };
}

/** How a mark is dressed for a ground, as its proofs are: in one color on a swatch or a photo; where there is no ground, in full color. */
export function dressingFor(ground: Ground): Dressing {
  if (ground.kind === 'photo') return ground.photo.dark ? 'reversed' : 'one-color';
  return ground.kind === 'color' && ground.role !== undefined ? dressingOn(ground.role) : 'full';
}

/** Every ground that a mark can be looked at on, as they are called. */
export const grounds = (palette: Palette): readonly { readonly label: string; readonly ground: Ground }[] => [
  { label: 'transparent', ground: CLEAR },
  ...swatchesOf(palette).map(({ key, name, hex }) => ({ label: name, ground: { kind: 'color', color: hex, role: key } as const })),
  ...PHOTOS.map((photo) => ({ label: photo.label, ground: { kind: 'photo', photo } as const })),
];
