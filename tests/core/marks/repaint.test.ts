import { describe, expect, it } from 'vitest';
import {
  createPart,
  dealt,
  STARTING_PALETTE,
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

describe('dressing in a palette', () => {
  const loose = (id: string, hex: string, more: object = {}) =>
    valueOf(
      createPart({ kind: 'shape', id, form: { form: 'disk', widthPx: 10, heightPx: 10 }, paint: { hex: hex as `#${string}` }, ...more }),
    );
  const [dark, light] = ['#101418', '#fbfbf4'];
  const mark: Recipe = { ...EMPTY_RECIPE, parts: [loose('a', dark), loose('b', light), loose('c', dark)] };

  it('deals by lightness, the largest area first; what is dressed already is the same object', () => {
    const areas = new Map([
      [dark, 100],
      [light, 300],
    ]);
    const dressed = dealt(mark, areas, STARTING_PALETTE);
    expect(paintsIn(dressed).map(paintKey).sort()).toEqual(['role ink', 'role paper']);
    const all = new Map([
      [STARTING_PALETTE.ink, 1],
      [STARTING_PALETTE.paper, 1],
    ]);
    expect(dealt(dressed, all, STARTING_PALETTE)).toBe(dressed);
  });

  it('of some parts dresses those and what they draw, and leaves the others as they are', () => {
    const group = valueOf(createPart({ kind: 'group', id: 'g', members: ['a'] }));
    const whole: Recipe = { ...EMPTY_RECIPE, parts: [...mark.parts, group] };
    const dressed = dealt(whole, new Map([[dark, 100]]), STARTING_PALETTE, ['g']);
    expect(dressed.parts.map((part) => ('paint' in part && part.paint ? paintKey(part.paint) : '')).slice(0, 3)).toEqual([
      'role ink',
      `hex ${light}`,
      `hex ${dark}`,
    ]);
    expect(dressed.parts[1]).toBe(whole.parts[1]);
    expect(dealt(whole, new Map(), STARTING_PALETTE, ['gone'])).toBe(whole);
  });
});
