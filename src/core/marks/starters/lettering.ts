import { expect } from '../../result/result';
import type { Lettering } from '../lettering/schema';
import { freePartId } from '../recipe/edit';
import { createPart } from '../recipe/recipe';
import type { Starters } from './starter';

export const nameLettering = (id: string, text: string): Lettering =>
  expect(
    createPart({ kind: 'lettering', id, text, font: { family: 'marcellus' }, sizePx: 120, place: { x: 0, y: 0, turnDeg: 0 } }),
  ) as Lettering;

export const letteringStarters: Starters = ({ recipe, brandName }) => [
  {
    id: 'lettering',
    label: 'Lettering',
    hint: 'a line of live text',
    words: ['text', 'name', 'word', 'letters', 'type'],
    make: () => {
      const part = nameLettering(freePartId(recipe, 'lettering'), brandName);
      return { parts: [part], chosen: part.id };
    },
  },
];
