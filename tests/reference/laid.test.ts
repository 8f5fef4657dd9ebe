import { Resvg } from '@resvg/resvg-js';
import { PNG } from 'pngjs';
import { describe, expect, it } from 'vitest';
import {
  dress,
  newTreatment,
  RECIPE_VERSION,
  STARTING_PALETTE,
  toSvg,
  treatmentKinds,
  type Bounds,
  type Recipe,
  type TreatmentKindName,
} from '$core/index';
import { oneInEvery } from '../support/deep';
import { letteringInput, partOf } from '../support/drawn-mark';
import { shelfOf } from '../support/fonts';
import { resolverOf } from '../support/resolver';
import { begun } from '../support/treatments';

const shelf = await shelfOf('jost', 'noto-sans-arabic');
const STOPS = [
  { atPercent: 0, opacityPercent: 100, paint: { hex: '#d03020' } },
  { atPercent: 100, opacityPercent: 100, paint: { hex: '#2040e0' } },
];
const gradient = (more: object) => newTreatment('gradient', 'g', { stops: STOPS, over: 'each', ...more });
const recipeOf = (...parts: readonly object[]): Recipe => ({
  version: RECIPE_VERSION,
  parts: parts.map((part) => partOf(part as Parameters<typeof partOf>[0])),
});
const drawn = (recipe: Recipe) => {
  const mark = resolverOf(shelf).resolve({ recipe, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') });
  if (!mark.ink) throw new Error('nothing is drawn');
  return { ...mark, ink: mark.ink };
};
const WIDE = 360;
const pixelsOf = (mark: ReturnType<typeof drawn>, box: Bounds) =>
  PNG.sync.read(new Resvg(toSvg(mark.drawing, { title: 'Laid', box }), { fitTo: { mode: 'width', value: WIDE } }).render().asPng());
const meanOff = (one: Uint8Array, other: Uint8Array, channels: (at: number) => boolean): number => {
  let [sum, count] = [0, 0];
  one.forEach((value, at) => {
    if (!channels(at)) return;
    sum += Math.abs(value - (other[at] as number));
    count++;
  });
  return sum / count;
};
const alpha = (at: number) => at % 4 === 3;
const word = (treatments: readonly object[], more: object = {}) => letteringInput({ text: 'Röb', treatments, ...more });

/** What changes where color is, rather than where ink is. */
const OTHER_COLORS: readonly TreatmentKindName[] = ['gradient', 'brand-look'];
/** What is not seen at all by itself. */
const UNSEEN: readonly TreatmentKindName[] = ['knock-out'];

const KINDS = Object.keys(treatmentKinds) as readonly TreatmentKindName[];

describe('what is laid in pieces', () => {
  it.each(
    oneInEvery(
      6,
      KINDS.filter((kind) => ![...OTHER_COLORS, ...UNSEEN].includes(kind)),
    ),
  )('is one outline to what is done to it after: %s', (kind) => {
    const straight = drawn(recipeOf(word([gradient({ form: 'linear' }), begun(kind)])));
    for (const form of ['around', 'along'] as const) {
      const bent = drawn(recipeOf(word([gradient({ form }), begun(kind)])));
      const [one, other] = [straight, bent].map((mark) => pixelsOf(mark, straight.ink).data) as [Buffer, Buffer];
      // Pieces share borders, which are a hair bolder than what lies on both sides.
      expect(meanOff(one, other, alpha), form).toBeLessThan(treatmentKinds[kind].inOneColor === 'dropped' ? 2.5 : 2);
    }
  });

  it.each(['around', 'along'] as const)('%s keeps its colors at their place when it is cut, and goes on where it grows', (form) => {
    const own = { form, fromX: 20, fromY: 50, toX: 100, toY: 50 };
    const before = drawn(recipeOf(word([gradient(own)])));
    const whole = pixelsOf(before, before.ink).data;
    for (const kind of ['engraved-lines', 'rough-edge'] as const) {
      const cut = pixelsOf(drawn(recipeOf(word([gradient(own), newTreatment(kind, 'c', {})]))), before.ink).data;
      const both = (at: number) => alpha(at | 3) && !alpha(at) && whole[at | 3] === 255 && cut[at | 3] === 255;
      expect(meanOff(whole, cut, both), kind).toBeLessThan(form === 'around' ? 2.5 : 6);
    }
  });

  it.each([
    ['around', {}],
    ['along', {}],
    ['knitted', { edge: 'cut', pitchPx: 5 }],
  ] as const)('%s is turned, scaled and mirrored with its group', (what, more) => {
    const treatment = what === 'knitted' ? newTreatment('knitted', 'k', more) : gradient({ form: what });
    const place = { x: 30, y: -12, scale: 1.7, turnDeg: 180, flip: true };
    const mark = drawn(recipeOf(word([treatment], { id: 'it' }), { kind: 'group', id: 'all', members: ['it'], place }));
    const plain = drawn(recipeOf(word([treatment])));
    const [turned, straight] = [pixelsOf(mark, mark.ink), pixelsOf(plain, plain.ink)];
    expect(turned.height).toBe(straight.height);
    // Mirrored across and turned around by half is upside down.
    const flipped = new Uint8Array(straight.data.length);
    for (let y = 0; y < straight.height; y++)
      flipped.set(straight.data.subarray((straight.height - 1 - y) * WIDE * 4, (straight.height - y) * WIDE * 4), y * WIDE * 4);
    expect(meanOff(turned.data, flipped, () => true)).toBeLessThan(1);
  });

  it('runs through joined letters of another script, and over hundreds of parts', () => {
    const joined = drawn(recipeOf(word([gradient({ form: 'along' })], { text: 'سلام', font: { family: 'noto-sans-arabic' } })));
    const plain = drawn(recipeOf(word([], { text: 'سلام', font: { family: 'noto-sans-arabic' } })));
    expect(meanOff(pixelsOf(joined, plain.ink).data, pixelsOf(plain, plain.ink).data, alpha)).toBeLessThan(1.6);
    const parts = Array.from({ length: 300 }, (_, n) => ({
      kind: 'shape',
      id: `p${n}`,
      form: { form: 'ring', widthPx: 20, heightPx: 20, bandPx: 4 },
      place: { x: (n % 20) * 24, y: Math.floor(n / 20) * 24 },
      treatments: [gradient({ form: 'around' }), newTreatment('outline-band', 'b', { widthPx: 1 })],
    }));
    const many = drawn(recipeOf(...parts));
    expect(many.parts.flatMap(({ notices }) => notices)).toEqual([]);
    expect(many.drawing.groups).toHaveLength(300);
  });

  it('takes the colors of a gradient that runs around into its stitches, each in one', () => {
    const stitched = drawn(recipeOf(word([newTreatment('knitted', 'k', { pitchPx: 4, ground: 'open' }), gradient({ form: 'around' })])));
    const plain = drawn(recipeOf(word([newTreatment('knitted', 'k', { pitchPx: 4, ground: 'open' })])));
    expect(meanOff(pixelsOf(stitched, plain.ink).data, pixelsOf(plain, plain.ink).data, alpha)).toBeLessThan(1);
    const colors = pixelsOf(stitched, plain.ink).data;
    let [red, blue] = [0, 0];
    for (let at = 0; at < colors.length; at += 4)
      if (colors[at + 3] === 255) {
        if ((colors[at] as number) > 150) red++;
        if ((colors[at + 2] as number) > 150) blue++;
      }
    expect(Math.min(red, blue)).toBeGreaterThan(500);
  });
});
