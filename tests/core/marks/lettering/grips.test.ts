import { describe, expect, it } from 'vitest';
import {
  apply,
  beltGrips,
  createPart,
  cutGrips,
  envelope,
  envelopeAmount,
  envelopeGrip,
  expect as valueOf,
  type Belt,
  type Bounds,
  type Cut,
  type Lettering,
} from '$core/index';
import { drawnOn, fillsOf, letteringInput, partNamed } from '../../../support/drawn-mark';
import { shelfOf } from '../../../support/fonts';
import { flatten } from '$core/index';
import fc from '../../../support/properties';

const BOX: Bounds = { left: 20, top: -700, right: 520, bottom: 0 };
const lettering = (change: object): Lettering =>
  valueOf(createPart(letteringInput({ cuts: [], ...change }) as Parameters<typeof createPart>[0])) as Lettering;
const cut = (change: object): Cut => lettering({ cuts: [{ id: 'c', form: 'bar', ...change }] }).cuts[0] as Cut;
const belt = (change: object): Belt =>
  lettering({ belts: [{ id: 'b', form: 'ring', at: { index: 0, letter: 'W' }, ...change }] }).belts[0] as Belt;

describe('grips of cuts and rings', () => {
  const numbers = fc.record({
    acrossPercent: fc.integer({ min: 0, max: 100 }),
    downPercent: fc.integer({ min: 0, max: 100 }),
    angleDeg: fc.integer({ min: -170, max: 170 }),
    gapPermille: fc.integer({ min: 10, max: 300 }),
    lengthPercent: fc.integer({ min: 20, max: 150 }),
    bendDeg: fc.integer({ min: 10, max: 170 }),
    shiftPermille: fc.integer({ min: -200, max: 200 }),
  });
  const near = (one: unknown, other: unknown, within: number): boolean =>
    typeof one === 'number' && typeof other === 'number'
      ? Math.abs(((((one - other) % 360) + 540) % 360) - 180) <= within || Math.abs(one - other) <= within
      : JSON.stringify(one) === JSON.stringify(other);

  it('a grip pulled to where it is changes nothing, for every form', () => {
    fc.assert(
      fc.property(numbers, fc.constantFrom('bar', 'arc', 'wedge', 'slice', 'free'), (given, form) => {
        const thing = cut({
          ...given,
          form,
          points:
            form === 'free'
              ? [
                  { x: 10, y: 10 },
                  { x: 90, y: 20 },
                  { x: 50, y: 80 },
                ]
              : [],
        });
        for (const grip of cutGrips(thing, BOX))
          for (const [field, value] of Object.entries(grip.pull(grip.at)))
            if (!near(value, thing[field as keyof Cut], 0.6)) throw new Error(`${form} ${grip.key} ${field}: ${JSON.stringify(value)}`);
      }),
    );
  });

  it('a grip follows the pointer: pulled somewhere, it is there afterwards', () => {
    fc.assert(
      fc.property(numbers, fc.constantFrom('bar', 'arc', 'wedge'), fc.double({ min: 0.6, max: 1.4, noNaN: true }), (given, form, by) => {
        const thing = cut({ ...given, form });
        const end = cutGrips(thing, BOX).find(({ key }) => key === 'end');
        const middle = cutGrips(thing, BOX).find(({ key }) => key === 'place');
        if (!end || !middle) throw new Error('no grips');
        const to = { x: middle.at.x + (end.at.x - middle.at.x) * by, y: middle.at.y + (end.at.y - middle.at.y) * by };
        const after = cutGrips({ ...thing, ...end.pull(to) }, BOX).find(({ key }) => key === 'end');
        expect(Math.hypot((after?.at.x ?? 0) - to.x, (after?.at.y ?? 0) - to.y)).toBeLessThan(3);
      }),
    );
  });

  it('rings: width and angle, height, place', () => {
    const ring = belt({ widthPercent: 200, heightPercent: 50, angleDeg: 90 });
    const grips = beltGrips(ring, BOX);
    expect(grips.map(({ key }) => key)).toEqual(['place', 'width', 'height']);
    const [place, width, height] = grips;
    expect(place?.pull({ x: BOX.right, y: BOX.bottom })).toEqual({ acrossPercent: 100, downPercent: 100 });
    expect(width?.pull({ x: 270 + 250, y: -350 })).toEqual({ angleDeg: 0, widthPercent: 100 });
    expect(height?.pull({ x: 270 - 350, y: -350 })).toEqual({ heightPercent: 100 });
    expect(beltGrips(belt({ form: 'line' }), BOX).map(({ key }) => key)).toEqual(['place', 'width']);
  });

  it('the frame of a cut lies where the cut is drawn, straight, turned on a ring, and bent', async () => {
    const draw = drawnOn(await shelfOf('jost'));
    for (const line of [
      { shape: 'straight' },
      { shape: 'arc', form: 'ring', side: 'over', radiusPx: 150 },
      { shape: 'arc', form: 'arch', side: 'over', radiusPx: 260, letters: 'bent' },
    ]) {
      const text = 'IIIII';
      const one = { id: 'c', form: 'bar', at: { index: 1, letter: 'I' }, gapPermille: 100, lengthPercent: 100 };
      const mark = draw(letteringInput({ text, line, cuts: [one] }));
      const frame = partNamed(mark, 'name').lettering?.frames[0];
      if (!frame) throw new Error('no frame');
      const grip = cutGrips(cut(one), frame.box).find(({ key }) => key === 'place');
      const middle = apply(frame.map, grip?.at ?? { x: 0, y: 0 });
      const flat = (fillsOf(mark, 'name')[1] as { path: Parameters<typeof flatten>[0] }).path;
      const points = flatten(flat).flat();
      // The cut letter is two pieces; the white between them lies around the grip.
      const distances = points.map(({ x, y }) => Math.hypot(x - middle.x, y - middle.y));
      expect(Math.min(...distances)).toBeGreaterThan(4.9);
      expect(Math.min(...distances)).toBeLessThan(10);
    }
  });

  it('an envelope’s grip and its amount are each other’s inverse, and the grip lies on the edge it moves', () => {
    const frame = { left: 0, right: 900, capHeight: 700 };
    for (const form of ['rise', 'swell', 'pinch'] as const)
      for (const from of [0, 0.5, 1])
        for (const amount of [-0.5, 0.2, 0.7]) {
          const at = envelopeGrip(form, amount, from, frame);
          expect(envelopeAmount(form, from, frame, at.y)).toBeCloseTo(amount, 9);
          const warp = envelope(form, amount, from, frame);
          const edge = form === 'rise' ? warp(900, 0) : warp(450, from === 1 ? 0 : -700);
          expect(at.y).toBeCloseTo(edge.y, 9);
        }
  });
});
