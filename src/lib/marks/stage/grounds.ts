import { ROLES, type Dressing, type Palette, type Role } from '$core/index';

/** Sample photos that a mark is tried on; painted by scripts/photos.mjs. */
export const PHOTOS = [
  { name: 'haze', label: 'hazy ridges', address: '/photos/haze.jpg' },
  { name: 'dusk', label: 'water at dusk', address: '/photos/dusk.jpg' },
  { name: 'lights', label: 'a crowd of lights', address: '/photos/lights.jpg' },
  { name: 'studio', label: 'a box in the studio', address: '/photos/studio.jpg' },
] as const;
export type Photo = (typeof PHOTOS)[number];

/** What the mark stands on while it is worked on. */
export type Ground =
  | { readonly kind: 'clear' }
  | { readonly kind: 'color'; readonly color: string; readonly role?: Role }
  | { readonly kind: 'photo'; readonly photo: Photo };

export const CLEAR: Ground = { kind: 'clear' };

/** How a mark is dressed for a ground, as its proofs are; on grounds that have no dressing of their own it stays in full color. */
export function dressingFor(ground: Ground): Dressing {
  if (ground.kind !== 'color') return 'full';
  return ground.role === 'ink' ? 'reversed' : ground.role === 'lead' ? 'on-lead' : 'full';
}

/** Every ground that a mark can be looked at on, as they are called. */
export const grounds = (palette: Palette): readonly { readonly label: string; readonly ground: Ground }[] => [
  { label: 'transparent', ground: CLEAR },
  ...ROLES.map((role) => ({ label: role, ground: { kind: 'color', color: palette[role], role } as const })),
  ...PHOTOS.map((photo) => ({ label: photo.label, ground: { kind: 'photo', photo } as const })),
];
