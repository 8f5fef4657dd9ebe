/** Sample photos that a mark is tried on; painted by scripts/photos.mjs, or taken of goods by scripts/photos-of-goods.ts. On a dark one it is light. */
export const PHOTOS = [
  { name: 'haze', label: 'hazy ridges', address: '/photos/haze.jpg', dark: false },
  { name: 'dusk', label: 'water at dusk', address: '/photos/dusk.jpg', dark: true },
  { name: 'lights', label: 'a crowd of lights', address: '/photos/lights.jpg', dark: true },
  { name: 'studio', label: 'a box in the studio', address: '/photos/studio.jpg', dark: false },
  { name: 'boat', label: 'a boat on a slip', address: '/photos/boat.jpg', dark: false },
  { name: 'sign', label: 'a sign on a wall', address: '/photos/sign.jpg', dark: true },
  { name: 'mug', label: 'a mug in the sun', address: '/photos/mug.jpg', dark: true },
  { name: 'enamel-cup', label: 'a cup on boards', address: '/photos/enamel-cup.jpg', dark: false },
  { name: 'box', label: 'a parcel', address: '/photos/box.jpg', dark: false },
  { name: 'cards', label: 'paper on stone', address: '/photos/cards.jpg', dark: false },
  { name: 'book', label: 'a book in the shade', address: '/photos/book.jpg', dark: true },
  { name: 'hang-tag', label: 'a tag on linen', address: '/photos/hang-tag.jpg', dark: false },
] as const;
export type Photo = (typeof PHOTOS)[number];
