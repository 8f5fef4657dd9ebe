import { describe, expect, it } from 'vitest';
import {
  createPart,
  EMPTY_RECIPE,
  expect as valueOf,
  fittedColors,
  newTreatment,
  paintKey,
  paintsIn,
  repainted,
  type Paint,
  type Recipe,
} from '$core/index';
import { randomMark } from '../../support/random-marks';

const recipe: Recipe = {
  ...EMPTY_RECIPE,
  parts: [
    valueOf(createPart({ kind: 'shape', id: 'disk', form: { form: 'disk', widthPx: 100, heightPx: 100 }, paint: { role: 'lead' } })),
    {
      ...valueOf(
        createPart({
          kind: 'lettering',
          id: 'name',
          text: 'Oar',
          font: { family: 'jost' },
          paint: { hex: '#123456' },
          letters: [{ at: { every: 'a' }, paint: { role: 'lead' } }],
        }),
      ),
      treatments: [newTreatment('block-shadow', 'block', { paint: { role: 'lead' } })],
    },
    { kind: 'unknown', id: 'later', original: { kind: 'later', paint: { role: 'lead' } } },
  ],
};

describe('repainting a mark', () => {
  it('finds every paint once: of parts, letters and treatments', () => {
    expect(paintsIn(recipe).map(paintKey).sort()).toEqual(['hex #123456', 'role lead']);
  });

  it('exchanges a paint everywhere, leaves all else and what is not understood, and back again without loss', () => {
    const to = (from: string, paint: Paint) => new Map([[from, paint]]);
    const painted = repainted(recipe, to('role lead', { role: 'accent' }));
    expect(paintsIn(painted).map(paintKey).sort()).toEqual(['hex #123456', 'role accent']);
    expect(painted.parts[2]).toBe(recipe.parts[2]);
    expect(repainted(painted, to('role accent', { role: 'lead' }))).toEqual(recipe);
  });

  it('is the same recipe where nothing is exchanged', () => {
    for (let seed = 0; seed < 40; seed++) {
      const mark = randomMark(seed);
      expect(repainted(mark, new Map([['hex #abcdef', { role: 'ink' }]]))).toBe(mark);
    }
  });
});

describe('a palette dealt to the colors of a mark', () => {
  it('goes by lightness, the largest area first, each color once while there are any', () => {
    const used = [
      { hex: '#101010', area: 5 },
      { hex: '#f0f0f0', area: 50 },
      { hex: '#808080', area: 1 },
    ] as const;
    expect(fittedColors(used, ['#ffffff', '#000000', '#777777'])).toEqual([1, 0, 2]);
    expect(fittedColors(used, ['#222222'])).toEqual([0, 0, 0]);
  });
});
