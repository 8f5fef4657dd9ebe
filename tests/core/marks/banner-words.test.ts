import { describe, expect, it } from 'vitest';
import {
  bannerWords,
  createPart,
  expect as valueOf,
  FORM_NAMES,
  formKind,
  outlineOf,
  startOf,
  textLineOf,
  type FormName,
  type KnownInput,
  type Shape,
} from '$core/index';
import { boundsOf } from '$core/geometry';
import { curveBaseline } from '$core/type';
import { drawnOn, partNamed } from '../../support/drawn-mark';
import { shelfOf } from '../../support/fonts';

const draw = drawnOn(await shelfOf('jost'));
const HOLDERS = FORM_NAMES.filter((form) => formKind(form).textLine);
const shapeOf = (form: FormName, numbers: object = {}, more: object = {}): Shape =>
  valueOf(createPart({ kind: 'shape', id: 'banner', form: { ...startOf(form), ...numbers }, ...more } as KnownInput)) as Shape;
const codes = (part: { readonly notices: readonly { readonly code: string }[] }) => part.notices.map(({ code }) => code);

describe('a form that holds words', () => {
  it('is every banner with a front, every panel and the arch', () => {
    expect(HOLDERS).toEqual(
      expect.arrayContaining(['panel', 'chamfered', 'ticket', 'arch', 'ribbon', 'foldedRibbon', 'scroll', 'archedRibbon', 'wavingRibbon']),
    );
    expect(formKind('disk').textLine).toBeUndefined();
  });

  it.each(HOLDERS)('%s keeps its words’ line and their room inside of its box', (form) => {
    const start = startOf(form);
    const line = textLineOf(start);
    const box = boundsOf(outlineOf(start));
    if (!line || !box) throw new Error('no line');
    expect(line.heightPx).toBeGreaterThan(0);
    for (const { x, y } of line.points) {
      expect(x).toBeGreaterThanOrEqual(box.left - 1e-6);
      expect(x).toBeLessThanOrEqual(box.right + 1e-6);
      expect(y).toBeGreaterThanOrEqual(box.top - 1e-6);
      expect(y).toBeLessThanOrEqual(box.bottom + 1e-6);
    }
  });

  it('is bent along a circle that keeps its length (closed form: radius = width / angle)', () => {
    for (const bendDeg of [-170, -50, 10, 45, 120, 180]) {
      const line = textLineOf({ ...startOf('archedBand'), bendDeg } as never);
      const along = line && curveBaseline(line.points);
      if (!along?.ok) throw new Error('no line');
      expect(along.value.length / 560).toBeCloseTo(1, 4);
      const radius = 560 / ((bendDeg * Math.PI) / 180);
      for (const at of [0, 0.13, 0.5, 0.77, 1]) {
        const point = along.value.at(at * along.value.length);
        expect(Math.abs(Math.hypot(point.x, point.y - radius) - Math.abs(radius)) / 560).toBeLessThan(1e-4);
      }
    }
  });
});

describe('words on a banner', () => {
  it.each(HOLDERS)('on a %s of any size they are inside of it with air around, centered, and fitted again when it changes', (form) => {
    let before = 0;
    for (const scale of [1, 1.6]) {
      const shape = shapeOf(form, {}, { place: { x: 40, y: -20, turnDeg: 0, scale } });
      const words = bannerWords('words', 'MOTTO', shape, 'jost');
      const mark = draw(shape, words);
      const [banner, text] = [partNamed(mark, 'banner'), partNamed(mark, 'words')];
      expect(codes(text).filter((code) => code !== 'fit-not-reached')).toEqual([]);
      const [around, ink] = [banner.ink, text.ink];
      if (!around || !ink) throw new Error('no ink');
      expect(ink.left).toBeGreaterThan(around.left);
      expect(ink.right).toBeLessThan(around.right);
      expect(ink.top).toBeGreaterThan(around.top - 1e-6);
      expect(ink.bottom).toBeLessThan(around.bottom + 1e-6);
      // Side bearings of M and O differ by a few hundredths of the size; nothing else moves the middle.
      if (form !== 'pennant' && form !== 'wavingRibbon')
        expect(Math.abs((ink.left + ink.right) / 2 - (around.left + around.right) / 2)).toBeLessThan((text.lettering?.sizePx ?? 0) * 0.1);
      const size = ink.right - ink.left;
      if (before) expect(size).toBeGreaterThan(before);
      before = size;
    }
  });

  it('have their capitals’ middle on the line of a straight banner', () => {
    const shape = shapeOf('ribbon');
    const text = partNamed(draw(shape, bannerWords('words', 'HHH', shape, 'jost')), 'words');
    // The face says 700 for capitals that are drawn 730 high.
    const { top = 0, bottom = 0 } = text.ink ?? {};
    expect(Math.abs(top + bottom) / 2 / (bottom - top)).toBeLessThan(0.025);
  });

  it('say so when the banner is gone', () => {
    const shape = shapeOf('ribbon');
    expect(codes(partNamed(draw(bannerWords('words', 'HHH', shape, 'jost')), 'words'))).toEqual(
      expect.arrayContaining(['curve-gone', 'fit-gone']),
    );
  });
});
