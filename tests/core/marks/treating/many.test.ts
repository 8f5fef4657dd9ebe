import { describe, expect, it } from 'vitest';
import {
  createPart,
  dress,
  EMPTY_RECIPE,
  expect as valueOf,
  IDENTITY,
  newTreatment,
  outlinesIn,
  STARTING_PALETTE,
  type ResolvedMark,
  type Treatment,
  type TreatmentKindName,
} from '$core/index';
import { areaOfRegion } from '$core/pathops';
import { letteringInput } from '../../../support/drawn-mark';
import { shelfOf } from '../../../support/fonts';
import { paths, resolverOf } from '../../../support/resolver';

const { resolve } = resolverOf(await shelfOf('josefin-sans'));
const SIXTY = 'Windrow Kite Workshop and Harbor Rowing Club of the North Bay'.slice(0, 60);
const drawn = (text: string, treatments: readonly Treatment[]): ResolvedMark =>
  resolve({
    recipe: {
      ...EMPTY_RECIPE,
      parts: [
        valueOf(createPart(letteringInput({ id: 'it', text, font: { family: 'josefin-sans' }, sizePx: 140, treatments: [...treatments] }))),
      ],
    },
    sources: new Map(),
    dress: dress(STARTING_PALETTE, 'full'),
  });
const many = (kind: TreatmentKindName, count: number, own: object = {}) =>
  Array.from({ length: count }, (_, n) => newTreatment(kind, `t${n}`, own as Readonly<Record<string, unknown>>));
const codes = ({ parts }: ResolvedMark) => parts.flatMap(({ notices }) => notices.map(({ code }) => code));
const shown = ({ drawing }: ResolvedMark) => drawing.groups.flatMap(({ children }) => outlinesIn(children, IDENTITY, true));
const coords = (mark: ResolvedMark) => shown(mark).reduce((sum, { path }) => sum + path.coords.length, 0);

describe('twenty treatments of one kind', () => {
  it('etched: what is etched already stays as it is, and that is said once', () => {
    const [one, twenty] = [drawn(SIXTY, many('etched', 1)), drawn(SIXTY, many('etched', 20))];
    expect(codes(one)).toEqual([]);
    expect(codes(twenty)).toEqual(['etched-already']);
    expect(twenty.drawing).toEqual(one.drawing);
  });
  it('etched on a ground as well: the ground is not etched again', () => {
    expect(coords(drawn('Reed', many('etched', 20, { ground: true })))).toBe(coords(drawn('Reed', many('etched', 1, { ground: true }))));
  });
  it('of a kind that multiplies it, are left out from where it is too much, which is said', () => {
    const mark = drawn('Windrow', many('inner-shadow', 20));
    expect(codes(mark)).toEqual(['treated-too-much']);
    expect(shown(mark).every(({ path }) => path.coords.every(Number.isFinite))).toBe(true);
  });
  it.each(['outline-band', 'welding-band', 'stepping-outlines', 'block-shadow'] as const)(
    '%s: all of them are drawn around sixty letters',
    (kind) => {
      const mark = drawn(SIXTY, many(kind, kind === 'stepping-outlines' ? 4 : 20));
      expect(codes(mark)).not.toContain('treated-too-much');
      expect(shown(mark).length).toBeGreaterThan(20);
    },
  );
});

// The independent route: one band as wide as all of them together, around the plain word.
describe('bands around bands', () => {
  const areaOf = (mark: ResolvedMark) => areaOfRegion(paths.weld(shown(mark)));
  it.each(['round', 'miter'] as const)('cover, with %s corners, what one band of their sum covers', (join) => {
    const widths = [3, 5, 2.5, 7];
    const nested = drawn(
      'Reed',
      widths.map((widthPx, n) => newTreatment('outline-band', `t${n}`, { widthPx, join })),
    );
    const single = drawn('Reed', [newTreatment('outline-band', 't', { widthPx: widths.reduce((sum, width) => sum + width), join })]);
    expect(Math.abs(areaOf(nested) / areaOf(single) - 1)).toBeLessThan(0.001);
  });
  it('of stepping outlines lie where one of their sum does, where the later ones close the gaps, and where they do not', () => {
    for (const [gapPx, widthPx] of [
      [4, 2],
      [2, 3],
    ] as const) {
      const steps = [newTreatment('stepping-outlines', 'a', { gapPx, widthPx, count: 2, thinnerPercent: 0, fadePercent: 0 })];
      const nested = drawn('Reed', [...steps, newTreatment('outline-band', 'b', { widthPx: 6, solid: true })]);
      const single = drawn('Reed', [newTreatment('outline-band', 'b', { widthPx: 2 * (gapPx + widthPx) + 6, solid: true })]);
      expect(Math.abs(areaOf(nested) / areaOf(single) - 1)).toBeLessThan(0.002);
    }
    // A band too narrow to close the gaps leaves them open: piece by piece, as before.
    const open = drawn('Reed', [
      newTreatment('stepping-outlines', 'a', { gapPx: 12, widthPx: 2, count: 2, thinnerPercent: 0, fadePercent: 0 }),
      newTreatment('outline-band', 'b', { widthPx: 1, solid: true }),
    ]);
    const whole = drawn('Reed', [newTreatment('outline-band', 'b', { widthPx: 29, solid: true })]);
    expect(areaOf(open)).toBeLessThan(0.9 * areaOf(whole));
  });
});
