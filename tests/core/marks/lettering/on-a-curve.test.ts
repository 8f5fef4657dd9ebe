import { describe, expect, it } from 'vitest';
import { apply, compose, rotation, scaling, translation, type createPart } from '$core/index';
import { codesOf, drawnOn, letteringInput, partNamed } from '../../../support/drawn-mark';
import { shelfOf } from '../../../support/fonts';

type Input = Parameters<typeof createPart>[0];
const draw = drawnOn(await shelfOf('jost'));

/** Handle of a quarter circle: 4/3·(√2 − 1) of the radius; off the circle by at most 0.0273 % of it (Riškus 2006). */
const K = (4 / 3) * (Math.SQRT2 - 1);
const RADIUS = 300;
/** The upper half of a circle around the part's origin, from its left end over the top to its right end. */
const half = (more: object = {}): Input =>
  ({
    kind: 'curve',
    id: 'bow',
    points: [
      { x: -RADIUS, y: 0, outY: -K * RADIUS },
      { x: 0, y: -RADIUS, inX: -K * RADIUS, outX: K * RADIUS },
      { x: RADIUS, y: 0, inY: -K * RADIUS },
    ],
    ...more,
  }) as Input;
const onBow = (line: object = {}, more: object = {}): Input =>
  letteringInput({ sizePx: 60, line: { shape: 'curve', points: [], along: { part: 'bow', ...line } }, ...more });

describe('a text on a free curve', () => {
  it('stands on it wherever it is placed, every letter upright on the circle (closed form)', () => {
    const place = { x: 40, y: -25, turnDeg: 33, scale: 0.8, flip: false };
    const mark = draw(half({ place }), onBow());
    const { lettering, transform } = partNamed(mark, 'name');
    expect(codesOf(partNamed(mark, 'name'))).toEqual([]);
    for (const letter of lettering?.letters ?? []) {
      const at = apply(transform, letter.at);
      expect(Math.hypot(at.x - place.x, at.y - place.y) / (RADIUS * place.scale)).toBeCloseTo(1, 3);
      const outward = (Math.atan2(at.y - place.y, at.x - place.x) * 180) / Math.PI + 90;
      expect(Math.cos(((outward - letter.angleDeg) * Math.PI) / 180)).toBeCloseTo(1, 5);
    }
  });

  it('stands above it by as much as it is told, in turned and in bent letters', () => {
    for (const letters of ['turned', 'bent']) {
      const line = { shape: 'curve', points: [], letters, along: { part: 'bow', offPx: 24 } };
      const mark = draw(half(), letteringInput({ sizePx: 60, text: 'HHH', line }));
      const { lettering, transform } = partNamed(mark, 'name');
      for (const letter of lettering?.letters ?? []) {
        const at = apply(transform, letter.at);
        expect(Math.hypot(at.x, at.y), letters).toBeCloseTo(RADIUS + 24, 0);
      }
    }
  });

  it('is what the same points of its own would give', () => {
    const points = (half() as { points: object[] }).points;
    const own = draw(letteringInput({ sizePx: 60, line: { shape: 'curve', points }, place: { x: 0, y: 0, turnDeg: 0 } }));
    const following = draw(half(), onBow());
    const [one, other] = [own, following].map((mark) => partNamed(mark, 'name').ink);
    for (const side of ['left', 'top', 'right', 'bottom'] as const) expect(other?.[side]).toBeCloseTo(one?.[side] ?? NaN, 6);
  });

  it('follows when the curve is edited, and goes round a closed one', () => {
    const before = partNamed(draw(half(), onBow()), 'name').ink;
    const moved = partNamed(draw(half({ place: { x: 500, y: 0, turnDeg: 0 } }), onBow()), 'name').ink;
    expect((moved?.left ?? 0) - (before?.left ?? 0)).toBeCloseTo(500, 6);
    // A square has the length of its four sides only when it is closed.
    const corners = [0, 1, 2, 3].map((n) => ({ x: n % 3 === 0 ? 0 : 100, y: n < 2 ? 0 : 100 }));
    const square = (closed: boolean) =>
      draw({ kind: 'curve', id: 'bow', points: corners, closed } as Input, onBow({}, { sizePx: 40, text: 'ROUND AND ROUND' }));
    expect(codesOf(partNamed(square(false), 'name'))).toEqual(['curve-too-short']);
    expect(codesOf(partNamed(square(true), 'name'))).toEqual([]);
  });

  it('says so when its curve is gone or is no curve, and stands on points of its own', () => {
    const points = [
      { x: -200, y: 0 },
      { x: 200, y: 0 },
    ];
    const line = { shape: 'curve', points, along: { part: 'bow' } };
    expect(codesOf(partNamed(draw(letteringInput({ sizePx: 40, line })), 'name'))).toEqual(['curve-gone']);
    const disk = { kind: 'shape', id: 'bow', form: { form: 'disk', widthPx: 9, heightPx: 9 } } as Input;
    const mark = draw(disk, letteringInput({ sizePx: 40, line }));
    expect(codesOf(partNamed(mark, 'name'))).toEqual(['curve-gone']);
    expect(partNamed(mark, 'name').lettering?.letters.every(({ angleDeg }) => angleDeg === 0)).toBe(true);
  });

  it('keeps to the curve’s own handles under every map (by hand: rotation, scale and move of each handle)', () => {
    const place = { x: 7, y: 9, turnDeg: 50, scale: 1.7 };
    const map = compose(translation(place.x, place.y), compose(rotation(place.turnDeg), scaling(place.scale, place.scale)));
    const { lettering, transform } = partNamed(draw(half({ place }), onBow()), 'name');
    const [first] = lettering?.curve ?? [];
    const tip = apply(transform, { x: (first?.x ?? 0) + (first?.outX ?? 0), y: (first?.y ?? 0) + (first?.outY ?? 0) });
    const wanted = apply(map, { x: -RADIUS, y: -K * RADIUS });
    expect(tip.x).toBeCloseTo(wanted.x, 9);
    expect(tip.y).toBeCloseTo(wanted.y, 9);
  });
});
