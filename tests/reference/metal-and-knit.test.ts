import { Resvg } from '@resvg/resvg-js';
import { areaPathsD, FillRule, unionD } from 'clipper2-ts';
import { PNG } from 'pngjs';
import { describe, expect, it } from 'vitest';
import { flattenedAlgebra } from '$core/pathops';
import { createDresser, dress, flatten, newTreatment, outlinesIn, RECIPE_VERSION, STARTING_PALETTE, toSvg, type Recipe } from '$core/index';
import { letteringInput, partOf } from '../support/drawn-mark';
import { shelfOf } from '../support/fonts';
import { paths, resolverOf } from '../support/resolver';
import { byLibrsvg } from '../support/second-renderer';

const { resolve } = resolverOf(await shelfOf('jost'));
const dresser = createDresser(paths, flattenedAlgebra);
const draw = (input: object, dressing: 'full' | 'one-color' = 'full') => {
  const recipe: Recipe = { version: RECIPE_VERSION, parts: [partOf(input as Parameters<typeof partOf>[0])] };
  const mark = dresser(resolve({ recipe, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') }), recipe, STARTING_PALETTE, dressing);
  if (!mark.ink) throw new Error('nothing is drawn');
  return { ...mark, ink: mark.ink };
};
const panel = (treatment: object, widthPx: number, heightPx: number) => ({
  kind: 'shape',
  id: 'it',
  form: { form: 'panel', widthPx, heightPx, cornerPx: 0 },
  paint: { hex: '#7a2430' },
  treatments: [treatment],
});
const SIDE = 400;

describe('metal', () => {
  const [BODY, LIGHT, SHADE] = [0x80, 0xf0, 0x10] as const;
  const grays = { paint: { hex: '#808080' }, light: { hex: '#f0f0f0' }, shade: { hex: '#101010' } };
  /** The grays across a square, left to right, by two renderers. */
  const across = (change: object): readonly (readonly number[])[] => {
    const { drawing, ink } = draw(panel(newTreatment('metal', 'm', { ...grays, angleDeg: 0, ...change }), 200, 200));
    const svg = toSvg(drawing, { title: 'Metal', box: ink });
    return [PNG.sync.read(new Resvg(svg, { fitTo: { mode: 'width', value: SIDE } }).render().asPng()), byLibrsvg(svg, SIDE, SIDE)].map(
      ({ data }) => Array.from({ length: SIDE }, (_, x) => data[(200 * SIDE + x) * 4] as number),
    );
  };
  /** How often values turn from rising to falling, by more than renderers smooth. */
  const peaks = (values: readonly number[]): number => {
    let [count, top, low] = [0, -Infinity, Infinity];
    for (const value of values) {
      top = Math.max(top, value);
      low = Math.min(low, value);
      if (value > low + 6 && top < value + 6) top = value;
      if (top - value > 6 && top - low > 6) {
        count++;
        [top, low] = [value, value];
      }
    }
    return count;
  };

  it.each([1, 3, 6])('satin comes to the light %i times, as far as its strength says, and to the shade between', (bands) => {
    for (const values of across({ bands, strengthPercent: 50 })) {
      expect(peaks(values)).toBe(bands);
      // Light by nine tenths of half, shade by fifty-five hundredths of half: the published formula of painting over.
      expect(Math.abs(Math.max(...values) - (BODY + (LIGHT - BODY) * 0.45))).toBeLessThanOrEqual(2);
      expect(Math.abs(Math.min(...values) - (BODY + (SHADE - BODY) * 0.275))).toBeLessThanOrEqual(2);
    }
  });

  it('polished has a sharp horizon in every band; foil creases lie where its seed says', () => {
    for (const values of across({ sheen: 'polished', bands: 2, strengthPercent: 100 })) {
      const drops = values.filter((value, x) => x >= 8 && (values[x - 8] as number) - value > 150).length;
      expect(drops).toBeGreaterThan(0);
      for (const at of [0.24, 0.74]) expect(values[Math.round(at * SIDE) - 12] as number).toBeGreaterThan(200);
      for (const at of [0.26, 0.76]) expect(values[Math.round(at * SIDE) + 2] as number).toBeLessThan(90);
    }
    const foil = (seed: number) => across({ sheen: 'foil', bands: 4, seed });
    expect(foil(3)).toEqual(foil(3));
    expect(foil(3)).not.toEqual(foil(4));
  });

  it('leaves in one color what is there without it', () => {
    const svgOf = (treatments: readonly object[]) => {
      const { drawing, ink } = draw(letteringInput({ text: 'Öre', treatments }), 'one-color');
      return toSvg(drawing, { title: 'Black', box: ink });
    };
    const alpha = (svg: string) => byLibrsvg(svg, 300, 150).data.filter((_, at) => at % 4 === 3);
    const [plain, treated] = [alpha(svgOf([])), alpha(svgOf([newTreatment('metal', 'm', {})]))];
    expect(plain.reduce((sum, value, at) => sum + Math.abs(value - (treated[at] ?? 0)), 0) / plain.length).toBeLessThan(0.5);
  });
});

describe('knitted', () => {
  const knit = (change: object, widthPx = 200, heightPx = 156) =>
    draw(panel(newTreatment('knitted', 'k', { pitchPx: 10, rowPercent: 78, edge: 'whole', ground: 'open', ...change }), widthPx, heightPx));
  const rings = (mark: ReturnType<typeof draw>) => outlinesIn(mark.drawing.groups).flatMap(({ path }) => flatten(path, 0.01));
  const areaOf = (mark: ReturnType<typeof draw>) => Math.abs(areaPathsD(unionD(rings(mark) as never, FillRule.NonZero)));

  it('has two legs in every stitch, and as many stitches as fit', () => {
    // 20 columns and 20 rows, all of them in the panel; thin yarn, so that no two legs meet.
    expect(rings(knit({ yarnPercent: 60 }))).toHaveLength(2 * 20 * 20);
    expect(rings(knit({ yarnPercent: 60 }, 104, 156))).toHaveLength(2 * 11 * 20);
  });

  it('takes more yarn as it is said to be thicker, keeps to the rows it stands in, and to the outline where that cuts', () => {
    const areas = [40, 60, 80, 100].map((yarnPercent) => areaOf(knit({ yarnPercent })));
    for (const [at, area] of areas.entries()) if (at > 0) expect(area).toBeGreaterThan(areas[at - 1] as number);
    // Thickness goes with the share while legs are apart.
    expect((areas[1] as number) / (areas[0] as number)).toBeCloseTo(1.5, 1);
    const { ink } = knit({});
    expect(ink.right - ink.left).toBeLessThanOrEqual(200);
    expect(ink.bottom - ink.top).toBeLessThan(156 * 1.02);
    const cut = knit({ edge: 'cut' });
    expect([cut.ink.left, cut.ink.right, cut.ink.top, cut.ink.bottom].map(Math.abs)).toEqual(
      [100, 100, 78, 78].map((side) => expect.toSatisfy((value: number) => value <= side + 0.01) as number),
    );
  });

  it('becomes coarser rather than endless', () => {
    expect(rings(knit({ pitchPx: 0.5, yarnPercent: 50 }, 400, 400)).length).toBeLessThanOrEqual(2 * 6000 * 1.1);
  });

  it('says what is too thin for whole stitches; by its own color it is not shaded', () => {
    const dotted = letteringInput({
      text: 'I.',
      paint: { role: 'ink' },
      treatments: [newTreatment('knitted', 'k', { pitchPx: 24, edge: 'whole' })],
    });
    const recipe: Recipe = { version: RECIPE_VERSION, parts: [partOf({ ...dotted, sizePx: 200 } as Parameters<typeof partOf>[0])] };
    const { parts } = resolve({ recipe, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') });
    expect(parts[0]?.notices.map(({ code }) => code)).toEqual(['some-not-knitted']);
    const colors = (paint: object) => {
      const { drawing, ink } = draw({ ...panel(newTreatment('knitted', 'k', { paint }), 60, 60), paint: { role: 'ink' } });
      return new Set(toSvg(drawing, { title: 'Yarn', box: ink }).match(/fill="#[0-9a-f]{6}"/g));
    };
    expect(colors({ role: 'ink' }).size).toBe(2);
    expect(colors({ role: 'lead' }).size).toBe(2);
  });

  it('says when no stitch fits', () => {
    const codes = (edge: 'whole' | 'cut', bandPx = 0.5) => {
      const form = { form: 'ring', widthPx: 200, heightPx: 200, bandPx };
      const part = { kind: 'shape', id: 'it', form, treatments: [newTreatment('knitted', 'k', { pitchPx: 60, edge })] };
      const recipe: Recipe = { version: RECIPE_VERSION, parts: [partOf(part as Parameters<typeof partOf>[0])] };
      const { parts } = resolve({ recipe, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') });
      return parts.flatMap(({ notices }) => notices.map(({ code }) => code));
    };
    expect(codes('cut')).toEqual([]);
    expect(codes('whole')).toEqual(['nothing-knitted']);
    expect(codes('whole', 90)).toEqual([]);
  });
});
