import { Resvg } from '@resvg/resvg-js';
import { describe, expect, it } from 'vitest';
import {
  brushOf,
  createPart,
  dress,
  drawnStroke,
  EMPTY_RECIPE,
  IDENTITY,
  outlinesIn,
  expect as valueOf,
  middleOfStroke,
  newTreatment,
  parseRecipe,
  recoverRecipe,
  STARTING_PALETTE,
  straightStroke,
  strokeMoved,
  strokeRegion,
  strokeTimes,
  strokeTurned,
  strokeWay,
  suitedTo,
  toSvg,
  writeRecipe,
  type HandStroke,
  type Recipe,
  type ResolvedMark,
} from '$core/index';
import { areaOf, letteringInput } from '../../../support/drawn-mark';
import { shelfOf } from '../../../support/fonts';
import { paths, resolverOf } from '../../../support/resolver';

const { resolve } = resolverOf(await shelfOf('jost'));
const drawn = (recipe: Recipe): ResolvedMark => resolve({ recipe, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') });
const stroke = (own: Partial<HandStroke> = {}): HandStroke => ({
  ...{ how: 'away', brush: 'even', widthPx: 20, seed: 1, paint: { role: 'accent' } },
  points: [
    [-150, 0],
    [0, 10],
    [150, 0],
  ],
  ...own,
});
const panelWith = (strokes: readonly HandStroke[], own: object = {}): Recipe => ({
  ...EMPTY_RECIPE,
  parts: [
    valueOf(
      createPart({
        ...{ kind: 'shape', id: 'it', form: { form: 'panel', widthPx: 200, heightPx: 100, cornerPx: 0 } },
        treatments: [newTreatment('by-hand', 't', { strokes })],
        ...own,
      } as Parameters<typeof createPart>[0]),
    ),
  ],
});
/** What is seen of a mark, outline by outline. */
const shown = (mark: ResolvedMark) => mark.drawing.groups.flatMap(({ children }) => outlinesIn(children, IDENTITY, true));
/** How much of the sheet a mark covers. */
const coverOf = (mark: ResolvedMark): number => areaOf([paths.weld(shown(mark))]);
/** A mark as it is stored, with strokes that nobody looked at. */
const storedWith = (strokes: readonly object[]): object => {
  const { parts } = panelWith([]);
  return { ...EMPTY_RECIPE, parts: [{ ...parts[0], treatments: [{ id: 't', kind: 'by-hand', strokes }] }] };
};
const areaWith = (strokes: readonly HandStroke[]): number => coverOf(drawn(panelWith(strokes)));
const covered = ({ points, widthPx, seed, brush }: HandStroke) =>
  strokeRegion({ points: points.map(([x, y]) => ({ x, y })), width: widthPx, seed }, brushOf(brush));
const panel = valueOf(createPart({ kind: 'shape', id: 'p', form: { form: 'panel', widthPx: 200, heightPx: 100, cornerPx: 0 } }));
const panelRegion = (() => {
  const [fill] = shown(drawn({ ...EMPTY_RECIPE, parts: [panel] }));
  if (!fill) throw new Error('The panel draws nothing.');
  return fill;
})();
const inPanel = (region: ReturnType<typeof covered>): number => areaOf([paths.combine('intersect', region, panelRegion)]);

/** Alpha at places of a mark, as a renderer of its own draws its file. */
function alphaAt(mark: ResolvedMark, places: readonly (readonly [number, number])[]): readonly number[] {
  const image = new Resvg(toSvg(mark.drawing, { title: 'it', box: { left: -150, top: -100, right: 150, bottom: 100 } })).render();
  const { pixels, width } = image;
  return places.map(([x, y]) => pixels[((y + 100) * width + x + 150) * 4 + 3] ?? -1);
}

describe('strokes by hand', () => {
  it('rub out what they cover, and nothing else', () => {
    const one = stroke();
    expect(areaWith([one])).toBeCloseTo(20_000 - inPanel(covered(one)), 0);
    const two = [one, stroke({ points: [[0, -80], [5, 80]] })]; // prettier-ignore
    const both = paths.weld(two.map(covered));
    expect(areaWith(two)).toBeCloseTo(20_000 - inPanel(both), 0);
    // Beside the part there is nothing to take.
    expect(areaWith([stroke({ points: [[500, 500], [600, 500]] })])).toBeCloseTo(20_000, 3); // prettier-ignore
  });

  it('paint over it, or only inside of it, each stroke in its own paint', () => {
    const out = stroke({ how: 'on' });
    const inside = stroke({ how: 'inside', points: [[90, 0], [160, 0]] }); // prettier-ignore
    const mark = drawn(panelWith([out, inside]));
    const fills = shown(mark); // prettier-ignore
    expect(fills).toHaveLength(3);
    expect(areaOf(fills.slice(1, 2))).toBeCloseTo(areaOf([covered(out)]), 0);
    expect(coverOf(drawn(panelWith([inside])))).toBeCloseTo(20_000, 0);
    const colors = toSvg(mark.drawing, { title: 'it', box: { left: 0, top: 0, right: 1, bottom: 1 } }).match(/fill="#\w+"/g) ?? [];
    expect(new Set(colors).size).toBe(2);
  });

  it('come one after the other: what is rubbed out can be painted again, and what is painted rubbed out', () => {
    const away = stroke();
    const on = stroke({ how: 'on' });
    const [last, first] = [drawn(panelWith([away, on])), drawn(panelWith([on, away]))];
    expect(coverOf(last)).toBeGreaterThan(19_900);
    expect(coverOf(first)).toBeCloseTo(20_000 - inPanel(covered(away)), 0);
  });

  it('leave alpha 0 where they rubbed out, in a file that another renderer draws, and keep the body that others follow', () => {
    const mark = drawn(panelWith([stroke({ points: [[-150, 0], [150, 0]] })])); // prettier-ignore
    expect(alphaAt(mark, [[-60, 0], [0, 0], [60, 0], [0, 40], [0, -40]])).toEqual([0, 0, 0, 255, 255]); // prettier-ignore
    expect(mark.parts[0]?.ownInk).toEqual({ left: -100, right: 100, top: -50, bottom: 50 });
  });

  it('work on letters, on one letter, in a mirrored group and on the whole mark', () => {
    const treatments = [newTreatment('by-hand', 't', { strokes: [stroke({ points: [[-500, -20], [500, -20]] })] })]; // prettier-ignore
    const plain = drawn({ ...EMPTY_RECIPE, parts: [valueOf(createPart(letteringInput({ id: 'it', text: 'HHH' })))] });
    const all = coverOf(plain);
    const on = (part: object, whole?: Recipe['whole']): number =>
      coverOf(
        drawn({
          ...EMPTY_RECIPE,
          parts: [valueOf(createPart(letteringInput({ id: 'it', text: 'HHH', ...part })))],
          ...(whole ? { whole } : {}),
        }),
      );
    const three = all - on({ treatments });
    expect(three).toBeGreaterThan(all * 0.1);
    expect(all - on({}, { treatments })).toBeCloseTo(three, 0);
    const letters = [{ at: { index: 1, letter: 'H' }, treatments }];
    expect((all - on({ letters })) / three).toBeCloseTo(1 / 3, 1);
    const mirrored = drawn({
      ...EMPTY_RECIPE,
      parts: [
        valueOf(createPart(letteringInput({ id: 'it', text: 'HHH', treatments }))),
        valueOf(createPart({ kind: 'group', id: 'g', members: ['it'], place: { x: 0, y: 0, turnDeg: 30, scale: 2, flip: true } })),
      ],
    });
    expect(coverOf(mirrored)).toBeCloseTo(all - three, 0);
  });

  it('are moved, turned, made larger and drawn straight by numbers', () => {
    const one = stroke();
    expect(middleOfStroke(strokeMoved(one, 7, -3))).toEqual({ x: 7, y: 2 });
    const turned = strokeTurned(one, 90);
    expect(middleOfStroke(turned).x).toBeCloseTo(middleOfStroke(one).x, 1);
    expect(turned.points.map(([x, y]) => [Math.round(x), Math.round(y)])).toEqual([[5, -145], [-5, 5], [5, 155]]); // prettier-ignore
    expect(strokeTimes(one, 2)).toMatchObject({ widthPx: 40, points: [[-300, 0], [0, 20], [300, 0]] }); // prettier-ignore
    const { points: _points, ...manner } = one;
    expect(straightStroke({ left: 0, right: 100, top: 10, bottom: 30 }, manner).points).toEqual([[25, 20], [50, 20], [75, 20]]); // prettier-ignore
    // What a kept look is worn with grows with the part.
    const suited = suitedTo(newTreatment('by-hand', 't', { strokes: [one] }), 900);
    expect(suited).toMatchObject({ strokes: [{ widthPx: 200 }] });
  });

  it('are kept as the hand drew them, with few points; pressure only where a pen tells it', () => {
    const way = Array.from({ length: 400 }, (_, n) => ({ x: n, y: 40 * Math.sin(n / 50) }));
    const { points: _points, ...manner } = stroke();
    const mouse = drawnStroke(way, 0.4, manner, way.map(() => 0.5)); // prettier-ignore
    expect(mouse.pressures).toBeUndefined();
    expect(mouse.points.length).toBeLessThan(60);
    for (const { x, y } of strokeWay(mouse, 2)) expect(Math.abs(y - 40 * Math.sin(x / 50))).toBeLessThan(0.6);
    const pen = drawnStroke(way, 0.4, manner, way.map((_, n) => n / 400)); // prettier-ignore
    expect(pen.pressures).toHaveLength(pen.points.length);
    expect([pen.pressures?.[0], pen.pressures?.at(-1)]).toEqual([1, 100]);
    expect(drawnStroke([{ x: 1.23456, y: 2 }], 1, manner).points).toEqual([[1.23, 2]]);
  });

  it('are read again as they were written; what is no stroke is refused, and the rest of the mark recovered', () => {
    const recipe = panelWith([stroke(), stroke({ brush: 'dry', pressures: [10, 50, 100] })]);
    expect(valueOf(parseRecipe(writeRecipe(recipe)))).toEqual(recipe);
    expect(parseRecipe(storedWith([stroke()])).ok).toBe(true);
    const bad: readonly object[] = [
      { points: [] },
      { points: [[0, Number.NaN]] },
      { points: [[0, 0, 0]] },
      { points: [[1e9, 0]] },
      { points: Array.from({ length: 201 }, () => [0, 0]) },
      { pressures: [50] },
      { widthPx: 0 },
      { brush: 'spray' },
      { how: 'burn' },
    ];
    for (const own of bad) {
      const stored = storedWith([{ ...stroke(), ...own }]);
      expect(parseRecipe(stored).ok, JSON.stringify(own)).toBe(false);
      expect(() => recoverRecipe(stored)).not.toThrow();
    }
  });

  it('many of them, one over the other, are drawn; 151 are refused', () => {
    const many = Array.from({ length: 40 }, (_, n) =>
      stroke({
        ...{ how: n % 3 === 0 ? 'on' : 'away', brush: (['rough', 'dry', 'chalk', 'even'] as const)[n % 4] ?? 'even', widthPx: 8 },
        points: [
          [-95 + 5 * n, -40],
          [-80 + 4 * n, 40],
        ],
      }),
    );
    const mark = drawn(panelWith(many));
    expect(coverOf(mark)).toBeGreaterThan(1000);
    expect(mark.parts[0]?.notices).toEqual([]);
    const stored = (count: number) => storedWith(Array.from({ length: count }, () => stroke()));
    expect([parseRecipe(stored(150)).ok, parseRecipe(stored(151)).ok]).toEqual([true, false]);
  });
});
