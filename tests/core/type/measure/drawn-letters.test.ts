import { describe, expect, it } from 'vitest';
import { ellipse } from '../../../../src/core/shapes';
import { measureFace, mapPath, joinPaths, rotation, scaling, translation, type Path, type Typeface } from '$core/index';
import { drawnFace } from '../../../support/drawn-face';

const bar = (left: number, right: number, top = 500): readonly [number, number, number, number] => [left, 0, right, top];
const base = {
  H: [bar(50, 140, 700), bar(400, 490, 700)],
  I: [bar(50, 140, 700)],
  x: [bar(50, 350)],
  d: [bar(50, 140, 740)],
  l: [bar(50, 140, 740)],
  p: [[50, -220, 140, 500] as const],
};
const letters = (change: Readonly<Record<string, readonly (readonly [number, number, number, number])[]>>) =>
  measureFace(drawnFace({ ...base, ...change })).measures;

/** A face whose o is any path; y down, centered 250 above the baseline. */
const withRound = (round: Path): Typeface => {
  const face = drawnFace({ ...base, o: [bar(0, 500)] });
  return {
    ...face,
    at: (axes) => {
      const instance = face.at(axes);
      const glyphOfO = instance.shape({ text: 'o', direction: 'ltr', script: 'Latn', features: {} })[0]?.glyph;
      return { ...instance, outline: (glyph) => (glyph === glyphOfO ? mapPath(round, translation(250, -250)) : instance.outline(glyph)) };
    },
  };
};
/** A ring whose thin places lie on an axis turned by degrees (clockwise on screen): an even circle around a narrower ellipse. */
const stressed = (turnDeg: number) =>
  joinPaths([ellipse(500, 500), mapPath(mapPath(ellipse(260, 460), scaling(-1, 1)), rotation(turnDeg))]);

describe('spacing', () => {
  const row = (width: number) => Object.fromEntries([...'nonasheriduoltme'].map((letter) => [letter, [bar(40, 40 + width)]]));

  it('is fully even when all letters are one bar', () => expect(letters(row(90)).evenness).toBeCloseTo(1, 2));

  it('grows less even when one letter stands apart', () => {
    const lonely = { ...row(90), e: [bar(240, 330)] };
    expect(letters(lonely).evenness).toBeLessThan(0.9);
  });

  it('reads side bearings and the mean advance', () => {
    const { sideBearing, width } = letters(
      Object.fromEntries([...'abcdefghijklmnopqrstuvwxyzHO'].map((letter) => [letter, [bar(60, 160)]])),
    );
    expect(sideBearing).toBeCloseTo(55, 6); // 60 before, 50 after
    expect(width).toBeCloseTo(210, 6);
  });

  it('sees letters that meet on the line as joined', () => {
    const meeting = Object.fromEntries([...'noeaiu'].map((letter) => [letter, [bar(-60, 300)]]));
    expect(letters(meeting).joining).toBe(1);
    expect(letters(row(90)).joining).toBe(0);
  });

  it('tells condensed from wide by the ink of n, o, H and O', () => {
    const shape = (width: number) =>
      letters({ n: [bar(0, width)], o: [bar(0, width)], H: [bar(0, width, 700)], O: [bar(0, width, 700)] }).proportion;
    expect(shape(250)).toBeLessThan(0.5);
    expect(shape(700)).toBeGreaterThan(1.1);
  });
});

describe('stress', () => {
  it.each([0, 12, 25, -15])('reads an axis turned by %i° within 1°', (turn) => {
    expect(Math.abs(measureFace(withRound(stressed(turn))).measures.stressDeg - turn)).toBeLessThan(1);
  });

  it('has no direction in a monoline o', () => {
    const even = joinPaths([ellipse(500, 500), mapPath(ellipse(400, 400), scaling(-1, 1))]);
    expect(measureFace(withRound(even)).measures.stressDeg).toBe(0);
  });
});

describe('stroke ends', () => {
  const withFeet = (foot: Path) => {
    const face = drawnFace({ ...base, n: [bar(0, 90)], h: [bar(0, 90, 740)], r: [bar(0, 90)], T: [bar(0, 90, 700)] });
    return measureFace({
      ...face,
      at: (axes) => {
        const instance = face.at(axes);
        return { ...instance, outline: (glyph) => (instance.outline(glyph).verbs === '' ? instance.outline(glyph) : foot) };
      },
    }).measures;
  };
  const stadium = joinPaths([
    { verbs: 'MLLLZ', coords: [0, -45, 0, -700, 90, -700, 90, -45] },
    mapPath(ellipse(90, 90), translation(45, -45)),
  ]);
  const pointed: Path = { verbs: 'MLLLLZ', coords: [45, 0, 0, -90, 0, -700, 90, -700, 90, -90] };
  const square: Path = { verbs: 'MLLLZ', coords: [0, 0, 0, -700, 90, -700, 90, 0] };

  it('are round, pointed or square', () => {
    expect(withFeet(stadium).roundness).toBeGreaterThan(0.85);
    expect(withFeet(pointed).roundness).toBeLessThan(0.35);
    expect(withFeet(square).roundness).toBe(0);
  });
});

describe('complexity', () => {
  it('counts outline and segments: twice the bars, twice the outline', () => {
    const alphabet = (bars: readonly (readonly [number, number, number, number])[]) =>
      letters(Object.fromEntries([...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'].map((letter) => [letter, bars])));
    const one = alphabet([bar(0, 100, 700)]);
    const two = alphabet([bar(0, 100, 700), bar(200, 300, 700)]);
    expect(one.outlineLength).toBeCloseTo(1600 / 700, 3);
    expect(two.outlineLength).toBeCloseTo(2 * one.outlineLength, 3);
  });
});
