import { compose, mapPath, rotation, scaling, translation, type Path, type Point } from '../geometry';
import { ellipse } from '../shapes/ellipse';
import { bloom, type BloomKind } from './blooms';
import { brush, closedThrough, layered, leaf } from './brush';

/** A piece of what grows; flowers and fruit may have a color of their own. */
export interface GrownPiece {
  readonly path: Path;
  readonly isBloom?: true;
}

/** What grows at one place of a branch: where, which way it points (radians), how long, and its number. */
type Growth = (at: Point, direction: number, length: number, index: number, seed: number) => readonly GrownPiece[];

interface GrowthKind {
  readonly label: string;
  readonly words: readonly string[];
  /** Whether flowers or fruit are among it. */
  readonly blooms: boolean;
  /** How it looks well before anything is said: pairs of leaves on a stem, leaf length and opening in percent of what a stem like that has room for, and the weight of the stem of a wreath. */
  readonly start: { readonly pairs: number; readonly open: number; readonly leaf: number; readonly weight: number };
  readonly grow: Growth;
}

export const turned = (path: Path, at: Point, direction: number, size: number): Path =>
  mapPath(path, compose(translation(at.x, at.y), compose(rotation((direction * 180) / Math.PI), scaling(size))));
const off = (at: Point, direction: number, by: number): Point => ({
  x: at.x + Math.cos(direction) * by,
  y: at.y + Math.sin(direction) * by,
});

/** An oak leaf along the first axis, of length 1: three lobes to either side. */
export const oakBlade = (() => {
  const upper: Point[] = [
    { x: 0.02, y: -0.02 },
    { x: 0.16, y: -0.05 },
    { x: 0.24, y: -0.19 },
    { x: 0.34, y: -0.19 },
    { x: 0.37, y: -0.09 },
    { x: 0.48, y: -0.24 },
    { x: 0.6, y: -0.24 },
    { x: 0.62, y: -0.11 },
    { x: 0.72, y: -0.21 },
    { x: 0.83, y: -0.18 },
    { x: 0.85, y: -0.08 },
    { x: 0.94, y: -0.09 },
  ];
  const lower = [...upper].reverse().map(({ x, y }) => ({ x, y: -y }));
  return closedThrough([...upper, { x: 1, y: 0 }, ...lower]);
})();

/** An acorn along the first axis, of length 1, its cup parted from the nut. */
export const acornPiece = layered([
  closedThrough([
    { x: 0.4, y: -0.24 },
    { x: 0.62, y: -0.25 },
    { x: 0.86, y: -0.14 },
    { x: 1, y: 0 },
    { x: 0.86, y: 0.14 },
    { x: 0.62, y: 0.25 },
    { x: 0.4, y: 0.24 },
  ]),
  closedThrough([
    { x: 0.34, y: -0.3 },
    { x: 0.34, y: 0.3 },
    { x: 0.2, y: 0.27 },
    { x: 0.1, y: 0.1 },
    { x: 0, y: 0.04 },
    { x: 0, y: -0.04 },
    { x: 0.1, y: -0.1 },
    { x: 0.2, y: -0.27 },
  ]),
]);

const roundBlade = closedThrough([
  { x: 0, y: 0 },
  { x: 0.22, y: -0.32 },
  { x: 0.62, y: -0.4 },
  { x: 0.98, y: -0.06 },
  { x: 0.98, y: 0.06 },
  { x: 0.62, y: 0.4 },
  { x: 0.22, y: 0.32 },
]);

/** A bud on its stalk along the first axis, of length 1: a drop that two sepals hold. */
const budPiece = layered([
  closedThrough([
    { x: 0.42, y: 0 },
    { x: 0.56, y: -0.17 },
    { x: 0.78, y: -0.15 },
    { x: 1, y: 0 },
    { x: 0.78, y: 0.15 },
    { x: 0.56, y: 0.17 },
  ]),
]);
const sepals = layered([
  brush(
    (t) => ({ x: 0.4 * t, y: 0 }),
    () => 0.05,
    2,
  ),
  leaf({ x: 0.3, y: 0 }, 0.75, 0.36, 0.34),
  leaf({ x: 0.3, y: 0 }, -0.75, 0.36, 0.34),
]);

/** Leaves, and every fourth of them a flower. */
const flowering = (kind: BloomKind, words: readonly string[]): GrowthKind => ({
  label: kind === 'star-flower' ? 'Star flower' : kind.charAt(0).toUpperCase() + kind.slice(1),
  words: ['flower', 'floral', 'garland', 'bloom', ...words],
  blooms: true,
  start: { pairs: 8, open: 62, leaf: 100, weight: 4 },
  grow: (at, direction, length, index, seed) =>
    index % 4 === 1
      ? [{ path: turned(bloom(kind, seed + index), off(at, direction, length * 0.36), direction, length * 0.46), isBloom: true }]
      : [{ path: leaf(at, direction, length * 0.9, 0.46) }],
});

/** What a branch can bear, drawn in code, one row each. */
export const GROWTHS = {
  laurel: {
    label: 'Laurel',
    words: ['victory', 'award', 'leaf'],
    blooms: false,
    start: { pairs: 9, open: 55, leaf: 100, weight: 5 },
    grow: (at, direction, length) => [{ path: leaf(at, direction, length, 0.42) }],
  },
  olive: {
    label: 'Olive',
    words: ['olive', 'peace', 'mediterranean', 'oil'],
    blooms: true,
    start: { pairs: 10, open: 70, leaf: 104, weight: 4 },
    grow: (at, direction, length, index) => [
      { path: leaf(at, direction, length, 0.26) },
      ...(index % 4 === 1
        ? [{ path: turned(ellipse(0.34, 0.24), off(at, direction - 0.75, length * 0.4), direction, length), isBloom: true as const }]
        : []),
    ],
  },
  oak: {
    label: 'Oak',
    words: ['oak', 'strength', 'forest'],
    blooms: true,
    start: { pairs: 6, open: 62, leaf: 126, weight: 5 },
    grow: (at, direction, length, index) =>
      index % 5 === 3
        ? [{ path: turned(acornPiece, at, direction, length * 0.62), isBloom: true }]
        : [{ path: turned(oakBlade, at, direction, length) }],
  },
  wheat: {
    label: 'Wheat',
    words: ['wheat', 'grain', 'bakery', 'harvest', 'beer'],
    blooms: false,
    start: { pairs: 15, open: 34, leaf: 116, weight: 4 },
    grow: (at, direction, length) => [
      { path: leaf(at, direction, length, 0.46) },
      {
        path: brush(
          (t) => off(at, direction, length * (0.8 + 0.95 * t)),
          (t) => length * 0.055 * (1 - t),
          4,
        ),
      },
    ],
  },
  fern: {
    label: 'Fern',
    words: ['fern', 'forest', 'leaves', 'fine'],
    blooms: false,
    start: { pairs: 22, open: 88, leaf: 150, weight: 3 },
    grow: (at, direction, length) => [{ path: leaf(at, direction, length, 0.24) }],
  },
  eucalyptus: {
    label: 'Eucalyptus',
    words: ['eucalyptus', 'round leaves', 'wedding', 'silver dollar'],
    blooms: false,
    start: { pairs: 9, open: 82, leaf: 92, weight: 3.5 },
    grow: (at, direction, length) => [{ path: turned(roundBlade, at, direction, length * 0.86) }],
  },
  thistle: {
    label: 'Thistle',
    words: ['thistle', 'highland', 'wild'],
    blooms: true,
    start: { pairs: 7, open: 66, leaf: 112, weight: 4 },
    grow: (at, direction, length, index) => {
      if (index % 5 !== 2) return [{ path: turned(oakBlade, at, direction, length * 0.92) }];
      const crown = off(at, direction, length * 0.72);
      return [
        {
          path: brush(
            (t) => off(at, direction, length * 0.5 * t),
            () => length * 0.06,
            3,
          ),
        },
        { path: turned(ellipse(0.4, 0.46), off(at, direction, length * 0.5), direction, length) },
        ...[-0.5, -0.25, 0, 0.25, 0.5].map((lean) => ({ path: leaf(crown, direction + lean, length * 0.5, 0.2), isBloom: true as const })),
      ];
    },
  },
  bud: {
    label: 'Buds',
    words: ['bud', 'spring', 'sprig', 'flower'],
    blooms: true,
    start: { pairs: 9, open: 58, leaf: 110, weight: 3.5 },
    grow: (at, direction, length, index) =>
      index % 3 === 1
        ? [{ path: turned(sepals, at, direction, length) }, { path: turned(budPiece, at, direction, length), isBloom: true }]
        : [{ path: leaf(at, direction, length * 0.9, 0.34) }],
  },
  rose: flowering('rose', ['rose', 'romantic', 'wedding']),
  anemone: flowering('anemone', ['anemone', 'wedding']),
  daisy: flowering('daisy', ['daisy', 'meadow', 'summer']),
  peony: flowering('peony', ['peony', 'romantic', 'wedding']),
  'star-flower': flowering('star-flower', ['star', 'meadow']),
} as const satisfies Readonly<Record<string, GrowthKind>>;
export type GrowthName = keyof typeof GROWTHS;
export const GROWTH_NAMES = Object.keys(GROWTHS) as [GrowthName, ...GrowthName[]];
export const growthRow = (name: GrowthName): GrowthKind => GROWTHS[name];
