import type { Path, Point } from '../geometry';
import { angle, count, defineForm, percent, seed, side } from '../shapes/form';
import { brush, chance, layered, mirroredX } from './brush';
import { growthRow, type GrowthName } from './growths';

/** Two branches on a circle, the left one the right one's mirror image. */
function wreath(name: GrowthName) {
  const { grow, label, start, words } = growthRow(name);
  return defineForm({
    label: `${label} wreath`,
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
      const growth = (...place: [Point, number, number, number]) => grow(...place, n.variation).map(({ path }) => path);
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
      pieces.push(...growth(at(1), first - sweep - Math.PI / 2, size * 0.66, pairs * 2));
      const branch = layered(pieces);
      return layered([branch, mirroredX(branch)]);
    },
  });
}

export const wreaths = {
  oakWreath: wreath('oak'),
  oliveWreath: wreath('olive'),
  wheatWreath: wreath('wheat'),
  fernWreath: wreath('fern'),
  eucalyptusWreath: wreath('eucalyptus'),
  thistleWreath: wreath('thistle'),
  roseWreath: wreath('rose'),
} as const;
