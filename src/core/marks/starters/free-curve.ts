import { GROWTH_NAMES, growthRow } from '../../ornaments';
import { expect } from '../../result/result';
import { freePartId } from '../recipe/edit';
import { withGrowth } from '../parts/curve';
import { createPart } from '../recipe/recipe';
import type { Starters } from './starter';

export const freeCurveStarters: Starters = ({ recipe, ink }) => [
  {
    id: 'curve',
    label: 'Free curve',
    hint: 'points and handles; a stroke, an area, a cut',
    words: ['draw', 'pen', 'path', 'line', 'swoosh', 'blob', 'bezier', 'shape'],
    make: () => {
      const middle = ink ? { x: Math.round((ink.left + ink.right) / 2), y: Math.round(ink.bottom + 40) } : { x: 0, y: 0 };
      // As wide as the mark, so that its name can stand on it.
      const half = ink ? Math.round(Math.max(60, (ink.right - ink.left) / 2)) : 150;
      const bend = Math.round(half / 3);
      const points = [
        { x: -half, y: 0, inX: 0, inY: 0, outX: bend, outY: -bend },
        { x: 0, y: 0, inX: -bend, inY: -bend, outX: bend, outY: bend },
        { x: half, y: 0, inX: -bend, inY: bend, outX: 0, outY: 0 },
      ];
      const part = expect(createPart({ kind: 'curve', id: freePartId(recipe, 'curve'), points, place: { ...middle, turnDeg: 0 } }));
      return { parts: [part], chosen: part.id };
    },
  },
  {
    id: 'garland',
    label: 'Branch along a curve',
    hint: 'laurel, oak, flowers; grows along any bend',
    words: ['garland', 'wreath', 'vine', 'twig', 'sprig', 'floral', ...GROWTH_NAMES.flatMap((name) => [name, ...growthRow(name).words])],
    make: () => {
      const half = ink ? Math.round(Math.max(60, (ink.right - ink.left) / 2)) : 150;
      const middle = ink ? { x: Math.round((ink.left + ink.right) / 2), y: Math.round(ink.bottom + half * 0.45) } : { x: 0, y: 0 };
      const bend = Math.round(half / 2.2);
      const sag = Math.round(half / 4);
      // A hanging bow that rises to both sides of the middle, as under a name.
      const points = [
        { x: -half, y: -sag, inX: 0, inY: 0, outX: bend / 2, outY: sag * 0.8 },
        { x: 0, y: 0, inX: -bend, inY: 0, outX: bend, outY: 0 },
        { x: half, y: -sag, inX: -bend / 2, inY: sag * 0.8, outX: 0, outY: 0 },
      ];
      const bare = expect(
        createPart({ kind: 'curve', id: freePartId(recipe, 'garland'), name: 'Garland', points, place: { ...middle, turnDeg: 0 } }),
      );
      const part = bare.kind === 'curve' ? { ...bare, ...withGrowth(bare, 'laurel', 'outward') } : bare;
      return { parts: [part], chosen: part.id };
    },
  },
];
