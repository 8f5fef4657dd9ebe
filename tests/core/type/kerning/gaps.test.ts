import { describe, expect, it } from 'vitest';
import { clearance, classOf, LOWEST_ROW_PERMILLE, opticalGap, ROW_PERMILLE, sideProfile, sidesOf, type Polygon } from '$core/index';

/** A bar from a left to a right edge, from the baseline up; y down, as outlines have it. */
const bar = (left: number, right: number, bottom = 0, top = 700): Polygon => [
  { x: left, y: -bottom },
  { x: right, y: -bottom },
  { x: right, y: -top },
  { x: left, y: -top },
];
const row = (height: number) => Math.floor((height - LOWEST_ROW_PERMILLE) / ROW_PERMILLE);

describe('the sides of a letter', () => {
  it('are its outermost ink row by row, and nothing where it has none', () => {
    const profile = sideProfile([bar(50, 120), bar(40, 200, 300, 340)], 260);
    expect([profile.left[row(105)], profile.right[row(105)]]).toEqual([50, 120]);
    expect([profile.left[row(315)], profile.right[row(315)]]).toEqual([40, 200]);
    expect([profile.left[row(805)], profile.right[row(805)]]).toEqual([Infinity, -Infinity]);
  });
  it('follow a slanted edge to the row: the exact x at the nearer end of each', () => {
    const slanted: Polygon = [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 240, y: -700 },
      { x: 140, y: -700 },
    ];
    const profile = sideProfile([slanted], 300);
    // The edge leans by 140 over 700: a fifth.
    expect(profile.left[row(355)]).toBeCloseTo(350 / 5, 9);
    expect(profile.right[row(355)]).toBeCloseTo(100 + 360 / 5, 9);
  });
  it('of a leaning letter are sheared upright, so that its stems count as parallel', () => {
    const lean = (-Math.atan(1 / 5) * 180) / Math.PI;
    const slanted: Polygon = [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 240, y: -700 },
      { x: 140, y: -700 },
    ];
    const profile = sideProfile([slanted], 300, lean);
    for (const height of [15, 305, 685]) expect(profile.left[row(height)]).toBeCloseTo(0, 6);
  });
});

describe('the optical gap', () => {
  const left = sidesOf(sideProfile([bar(60, 140)], 200));
  const at = (bearing: number) => sidesOf(sideProfile([bar(bearing, bearing + 80)], 260));
  it('grows by exactly as much as the right letter moves', () => {
    for (const by of [1, 17, 140]) expect(opticalGap(left, at(60 + by)) - opticalGap(left, at(60))).toBeCloseTo(by, 9);
  });
  it('is wider where the letters face each other over less of their height', () => {
    const low = sidesOf(sideProfile([bar(60, 140, 0, 200)], 260));
    expect(opticalGap(left, low)).toBeGreaterThan(opticalGap(left, at(60)));
  });
  it('is infinite without any ink', () => {
    expect(opticalGap(left, sidesOf(sideProfile([], 260)))).toBe(Infinity);
  });
});

describe('clearance', () => {
  it('is the white less the floor for bars side by side (closed form)', () => {
    const one = sideProfile([bar(60, 140)], 200);
    expect(clearance(one, sideProfile([bar(60, 140)], 200), 25)).toBeCloseTo(60 + 60 - 25, 9);
  });
  it('sees a foot under an overhang in two dimensions, to within a row', () => {
    const roof = sideProfile([bar(60, 140, 0, 700), bar(140, 260, 660, 700)], 200);
    const foot = sideProfile([bar(0, 80, 0, 645)], 100);
    // The roof hangs 15 above the foot: less than the floor, so that the two may not pass under each other freely.
    const free = clearance(roof, sideProfile([bar(0, 80, 0, 500)], 100), 25);
    expect(clearance(roof, foot, 25)).toBeLessThan(free);
    expect(free).toBeCloseTo(200 - 140 - 25, 9);
  });
  it('is infinite where nothing meets', () => {
    expect(clearance(sideProfile([bar(0, 80, 600, 700)], 100), sideProfile([bar(0, 80, 0, 100)], 100), 25)).toBe(Infinity);
  });
});

describe('classOf', () => {
  it.each([
    ['A', 'upper'],
    ['É', 'upper'],
    ['a', 'lower'],
    ['ß', 'lower'],
    ['Ж', 'upper'],
    ['7', 'digit'],
    ['&', undefined],
    ['ش', undefined],
  ] as const)('%s is %s', (letter, wanted) => expect(classOf(letter)).toBe(wanted));
});
