import { mapPath, rotation, scaling, compose, translation, type Path, type Point } from '../geometry';
import { ellipse } from '../shapes/ellipse';
import { angle, count, defineForm, percent, seed, side } from '../shapes/form';
import { brush, chance, closedThrough, layered, leaf, mirroredX } from './brush';
import { bloom } from './blooms';

/** What grows at one place of a branch: where, which way it points (radians), how long, and its number. */
type Growth = (at: Point, direction: number, length: number, index: number) => readonly Path[];

const turned = (path: Path, at: Point, direction: number, size: number): Path =>
  mapPath(path, compose(translation(at.x, at.y), compose(rotation((direction * 180) / Math.PI), scaling(size))));

/** Two branches on a circle, the left one the right one's mirror image. */
function wreath(
  label: string,
  words: readonly string[],
  start: { readonly pairs: number; readonly open: number; readonly leaf: number; readonly weight: number },
  grow: (seedNumber: number) => Growth,
  tip?: Growth,
) {
  return defineForm({
    label,
    group: 'ornament',
    words: ['wreath', 'branch', 'garland', 'round', ...words],
    fields: {
      radiusPx: side('Radius', 190),
      sweepDeg: angle('Sweep', 146, 30, 178),
      pairs: count('Leaf pairs', start.pairs, 2, 40),
      leafPercent: percent('Leaf length', start.leaf, 20, 300),
      openPercent: percent('Open', start.open, 5, 150),
      weightPx: side('Weight', start.weight),
      variation: seed(),
      unevenPercent: percent('Uneven', 20, 0, 100),
    },
    outline: (n): Path => {
      const pairs = Math.round(n.pairs);
      const sweep = (n.sweepDeg * Math.PI) / 180;
      const first = Math.PI / 2 - 0.08;
      const at = (t: number) => {
        const turn = first - sweep * t;
        return { x: n.radiusPx * Math.cos(turn), y: n.radiusPx * Math.sin(turn) };
      };
      const pieces: Path[] = [brush(at, (t) => n.weightPx * (1 - 0.7 * t), 32)];
      const size = (((n.radiusPx * sweep) / pairs) * 1.15 * n.leafPercent) / 100;
      const open = (n.openPercent / 100) * (Math.PI / 3);
      const growth = grow(n.variation);
      for (let pair = 0; pair < pairs; pair++) {
        const t = (pair + 0.6) / (pairs + 0.4);
        const along = first - sweep * t - Math.PI / 2;
        const fall = 1 - 0.34 * t;
        for (const way of [-1, 1]) {
          const uneven = (chance(n.variation, pair, way + 3) * n.unevenPercent) / 100;
          pieces.push(
            ...growth(at(t), along + way * open * (1 + 0.35 * uneven), size * fall * (1 + 0.25 * uneven), pair * 2 + (way > 0 ? 1 : 0)),
          );
        }
      }
      pieces.push(...(tip ?? growth)(at(1), first - sweep - Math.PI / 2, size * 0.66, pairs * 2));
      const branch = layered(pieces);
      return layered([branch, mirroredX(branch)]);
    },
  });
}

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

const grain = (at: Point, direction: number, length: number): readonly Path[] => {
  const beard: Path = brush(
    (t) => ({ x: at.x + Math.cos(direction) * length * (0.8 + 0.95 * t), y: at.y + Math.sin(direction) * length * (0.8 + 0.95 * t) }),
    (t) => length * 0.055 * (1 - t),
    4,
  );
  return [leaf(at, direction, length, 0.46), beard];
};

export const wreaths = {
  oakWreath: wreath(
    'Oak wreath',
    ['oak', 'strength', 'forest'],
    { pairs: 6, open: 62, leaf: 126, weight: 5 },
    () => (at, direction, length, index) =>
      index % 5 === 3 ? [turned(acornPiece, at, direction, length * 0.62)] : [turned(oakBlade, at, direction, length)],
  ),
  oliveWreath: wreath(
    'Olive wreath',
    ['olive', 'peace', 'mediterranean', 'oil'],
    { pairs: 10, open: 70, leaf: 104, weight: 4 },
    () => (at, direction, length, index) => [
      leaf(at, direction, length, 0.26),
      ...(index % 4 === 1
        ? [
            turned(
              ellipse(0.34, 0.24),
              { x: at.x + Math.cos(direction - 0.75) * length * 0.4, y: at.y + Math.sin(direction - 0.75) * length * 0.4 },
              direction,
              length,
            ),
          ]
        : []),
    ],
  ),
  wheatWreath: wreath(
    'Wheat wreath',
    ['wheat', 'grain', 'bakery', 'harvest', 'beer'],
    { pairs: 15, open: 34, leaf: 116, weight: 4 },
    () => (at, direction, length) => grain(at, direction, length),
  ),
  fernWreath: wreath(
    'Fern wreath',
    ['fern', 'forest', 'leaves', 'fine'],
    { pairs: 22, open: 88, leaf: 150, weight: 3 },
    () => (at, direction, length) => [leaf(at, direction, length, 0.24)],
  ),
  eucalyptusWreath: wreath(
    'Eucalyptus wreath',
    ['eucalyptus', 'round leaves', 'wedding', 'silver dollar'],
    { pairs: 9, open: 82, leaf: 92, weight: 3.5 },
    () => (at, direction, length) => [
      turned(
        closedThrough([
          { x: 0, y: 0 },
          { x: 0.22, y: -0.32 },
          { x: 0.62, y: -0.4 },
          { x: 0.98, y: -0.06 },
          { x: 0.98, y: 0.06 },
          { x: 0.62, y: 0.4 },
          { x: 0.22, y: 0.32 },
        ]),
        at,
        direction,
        length * 0.86,
      ),
    ],
  ),
  thistleWreath: wreath(
    'Thistle wreath',
    ['thistle', 'highland', 'wild'],
    { pairs: 7, open: 66, leaf: 112, weight: 4 },
    () => (at, direction, length, index) => {
      if (index % 5 !== 2) return [turned(oakBlade, at, direction, length * 0.92)];
      const head = turned(
        ellipse(0.4, 0.46),
        { x: at.x + Math.cos(direction) * length * 0.5, y: at.y + Math.sin(direction) * length * 0.5 },
        direction,
        length,
      );
      const hairs = [-0.5, -0.25, 0, 0.25, 0.5].map((lean) =>
        leaf(
          { x: at.x + Math.cos(direction) * length * 0.72, y: at.y + Math.sin(direction) * length * 0.72 },
          direction + lean,
          length * 0.5,
          0.2,
        ),
      );
      return [
        brush(
          (t) => ({ x: at.x + Math.cos(direction) * length * 0.5 * t, y: at.y + Math.sin(direction) * length * 0.5 * t }),
          () => length * 0.06,
          3,
        ),
        head,
        ...hairs,
      ];
    },
  ),
  roseWreath: wreath(
    'Rose wreath',
    ['rose', 'flowers', 'romantic', 'wedding', 'floral'],
    { pairs: 8, open: 62, leaf: 100, weight: 4 },
    (variation) => (at, direction, length, index) =>
      index % 4 === 1
        ? [
            turned(
              bloom('rose', variation + index),
              { x: at.x + Math.cos(direction) * length * 0.36, y: at.y + Math.sin(direction) * length * 0.36 },
              direction,
              length * 0.46,
            ),
          ]
        : [leaf(at, direction, length * 0.9, 0.46)],
  ),
} as const;
