import type { DrawnScene } from '../drawn';

/** Corners of what is laid over a page, in px at 2,000. */
const disk = (x: number, y: number, r: number) => `<circle cx="${x}" cy="${y}" r="${r}"/>`;
const panel = (x: number, y: number, wide: number, high: number, corner = 0) =>
  `<rect x="${x}" y="${y}" width="${wide}" height="${high}" rx="${corner}"/>`;

/** A page that shows who somebody is: a strip across, a round picture over its edge, lines of words. */
const profileRound: DrawnScene = {
  ...{ name: 'profile-round', label: 'Round profile', widthPx: 2000, heightPx: 1600 },
  ground: '#e8e6e0',
  laid: [
    { shape: panel(230, 150, 1540, 1300, 44), paint: '#fdfcfa' },
    // Rounded above as the page is, straight below.
    { shape: `<path d="M230 560V194a44 44 0 0 1 44-44H1726a44 44 0 0 1 44 44V560Z"/>`, paint: '#d6d3ca' },
    { shape: disk(640, 620, 356), paint: '#fdfcfa' },
    { shape: disk(640, 620, 330), paint: 'print' },
    { shape: panel(1330, 640, 330, 96, 48), paint: '#8a877e' },
    { shape: panel(310, 1060, 700, 60, 30), paint: '#5e5c56' },
    { shape: panel(310, 1168, 1180, 32, 16) + panel(310, 1228, 1300, 32, 16) + panel(310, 1288, 860, 32, 16), paint: '#cbc8bf' },
  ],
  areas: [{ name: 'picture', widthMm: 40, heightMm: 40, box: [310, 290, 660, 660] }],
  start: { color: '#fbf8f0', way: 'paper' },
};

/** A list of makers: one with a square picture, more of them below. */
const profileSquare: DrawnScene = {
  ...{ name: 'profile-square', label: 'Square profile', widthPx: 2000, heightPx: 1600 },
  ground: '#dfe3e2',
  laid: [
    { shape: panel(230, 150, 1540, 800, 44), paint: '#fbfcfb' },
    { shape: panel(320, 240, 620, 620, 124), paint: 'print' },
    { shape: panel(1040, 330, 520, 60, 30), paint: '#55605e' },
    { shape: panel(1040, 446, 600, 32, 16) + panel(1040, 508, 640, 32, 16) + panel(1040, 570, 420, 32, 16), paint: '#c3cac8' },
    { shape: panel(1040, 700, 300, 96, 20), paint: '#7f8a88' },
    { shape: [230, 628, 1026, 1424].map((x) => panel(x, 1040, 346, 346, 69)).join(''), paint: '#f1f4f3' },
    { shape: [230, 628, 1026, 1424].map((x) => panel(x, 1424, 220, 28, 14)).join(''), paint: '#b4bcba' },
  ],
  areas: [{ name: 'picture', widthMm: 40, heightMm: 40, box: [320, 240, 620, 620] }],
  start: { color: '#26343a', way: 'paper' },
};

/** A phone that lies on nothing, its screen filled by one color. */
const phone: DrawnScene = {
  ...{ name: 'phone', label: 'Phone screen', widthPx: 2000, heightPx: 2400 },
  ground: '#e4e2dc',
  laid: [
    { shape: panel(448, 660, 20, 240, 10) + panel(1532, 560, 20, 170, 10), paint: '#3a3d40' },
    { shape: panel(460, 130, 1080, 2140, 150), paint: '#202326' },
    { shape: panel(500, 170, 1000, 2060, 112), paint: 'print' },
    { shape: disk(1000, 246, 26), paint: '#202326' },
    { shape: panel(800, 2168, 400, 18, 9), paint: '#8b8f92' },
  ],
  areas: [{ name: 'screen', widthMm: 68, heightMm: 140, box: [500, 170, 1000, 2060] }],
  start: { color: '#23403d', way: 'paper' },
};

/** Goods that are no things in a light: drawn plainly, in the very colors of a screen. */
export const FLAT: { readonly [name: string]: DrawnScene } = {
  'profile-round': profileRound,
  'profile-square': profileSquare,
  phone,
};
