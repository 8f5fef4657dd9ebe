import { ROLES, type Palette } from '$core/index';

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
  { readonly kind: 'clear' } | { readonly kind: 'color'; readonly color: string } | { readonly kind: 'photo'; readonly photo: Photo };

export const CLEAR: Ground = { kind: 'clear' };

/** Every ground that a mark can be looked at on, as they are called. */
export const grounds = (palette: Palette): readonly { readonly label: string; readonly ground: Ground }[] => [
  { label: 'transparent', ground: CLEAR },
  ...ROLES.map((role) => ({ label: role, ground: { kind: 'color', color: palette[role] } as const })),
  ...PHOTOS.map((photo) => ({ label: photo.label, ground: { kind: 'photo', photo } as const })),
];
