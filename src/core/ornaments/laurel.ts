import { type Path } from '../geometry';
import { ellipse } from '../shapes/ellipse';
import { angle, count, defineForm, percent, seed, side } from '../shapes/form';
import { mapPath, translation } from '../geometry';
import { brush, chance, leaf, mirroredX, layered } from './brush';

/**
 * Two branches that rise on a circle from the foot: stalks of the given weight, leaves in pairs that grow smaller toward the tip,
 * a berry in every fork where asked. The circle's center is the origin; the left branch mirrors the right one exactly.
 */
export const laurel = defineForm({
  label: 'Laurel',
  group: 'ornament',
  words: ['wreath', 'victory', 'leaf', 'branch', 'award', 'olive', 'honor'],
  fields: {
    radiusPx: side('Radius', 190),
    sweepDeg: angle('Sweep', 140, 30, 178),
    leaves: count('Leaf pairs', 9, 2, 40),
    leafPercent: percent('Leaf length', 100, 20, 250),
    fullnessPercent: percent('Fullness', 42, 10, 120),
    openPercent: percent('Open', 55, 5, 120),
    weightPx: side('Weight', 5),
    berriesPercent: percent('Berries', 0, 0, 100),
    variation: seed(),
    unevenPercent: percent('Uneven', 0, 0, 100),
  },
  outline: (n): Path => {
    const pairs = Math.round(n.leaves);
    const sweep = (n.sweepDeg * Math.PI) / 180;
    // From a little beside the foot, so that the two stalks cross or meet under the middle.
    const first = Math.PI / 2 - 0.08;
    const at = (t: number) => {
      const turn = first - sweep * t;
      return { x: n.radiusPx * Math.cos(turn), y: n.radiusPx * Math.sin(turn) };
    };
    const pieces: Path[] = [brush(at, (t) => n.weightPx * (1 - 0.75 * t), 32)];
    const size = (((n.radiusPx * sweep) / pairs) * 1.15 * n.leafPercent) / 100;
    for (let pair = 0; pair <= pairs; pair++) {
      const t = (pair + 0.6) / (pairs + 0.6);
      const point = at(Math.min(1, t));
      const along = first - sweep * Math.min(1, t) - Math.PI / 2;
      const fall = 1 - 0.38 * t;
      const uneven = (salt: number) => (chance(n.variation, pair, salt) * n.unevenPercent) / 100;
      if (pair === pairs) {
        pieces.push(leaf(point, along, size * fall, n.fullnessPercent / 100));
        continue;
      }
      const open = (n.openPercent / 100) * (Math.PI / 3);
      for (const way of [-1, 1])
        pieces.push(
          leaf(
            point,
            along + way * open * (1 + 0.4 * uneven(way + 2)),
            size * fall * (1 + 0.35 * uneven(way + 5)),
            (n.fullnessPercent / 100) * (1 + 0.3 * uneven(way + 8)),
          ),
        );
      if (n.berriesPercent > 0) {
        const d = size * 0.3 * (n.berriesPercent / 100);
        const away = { x: Math.cos(along) * size * 0.5, y: Math.sin(along) * size * 0.5 };
        pieces.push(
          mapPath(
            ellipse(d, d),
            translation(
              point.x + away.x * 0.55 + Math.cos(along - 1.2) * size * 0.32,
              point.y + away.y * 0.55 + Math.sin(along - 1.2) * size * 0.32,
            ),
          ),
        );
      }
    }
    const branch = layered(pieces);
    return layered([branch, mirroredX(branch)]);
  },
});
