/** Sample photos that a mark is tried on; painted by scripts/photos.mjs. On a dark one it is light. */
export const PHOTOS = [
  { name: 'haze', label: 'hazy ridges', address: '/photos/haze.jpg', dark: false },
  { name: 'dusk', label: 'water at dusk', address: '/photos/dusk.jpg', dark: true },
  { name: 'lights', label: 'a crowd of lights', address: '/photos/lights.jpg', dark: true },
  { name: 'studio', label: 'a box in the studio', address: '/photos/studio.jpg', dark: false },
] as const;
export type Photo = (typeof PHOTOS)[number];
