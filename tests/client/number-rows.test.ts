import { describe, expect, it } from 'vitest';
import {
  BELT_FORMS,
  createPart,
  CUT_FORMS,
  expect as valueOf,
  numberAt,
  numberLimits,
  parseRecipe,
  SYMMETRIES,
  symmetryRow,
  withNewBelt,
  withNewCut,
  withNumberAt,
  writeRecipe,
  type KnownPart,
  type Lettering,
  type NumberRow,
  RECIPE_VERSION,
} from '$core/index';
import { beltRows, cutRows, fitLimitRows, NUMBERS, pointRows } from '../../src/lib/marks/fields/numbers';
import { letteringInput } from '../support/drawn-mark';

const made = (input: object): KnownPart => valueOf(createPart(input as Parameters<typeof createPart>[0]));
const around = { shape: 'arc', form: 'ring', side: 'over', radiusPx: 90 };
const lettering = (more: object) => made(letteringInput(more));
const curve = {
  shape: 'curve',
  points: [
    { x: 0, y: 0 },
    { x: 9, y: 0 },
  ],
};
const panel = { kind: 'shape', id: 'p', form: { form: 'panel', widthPx: 9, heightPx: 9, cornerPx: 0 } };
const art = {
  kind: 'art',
  id: 'a',
  source: { title: 'Sail' },
  slots: [{ original: '#112233', paint: { role: 'lead' } }],
  pieces: [{ data: 'M0 0L5 0L0 5Z' }],
};

/** A part that has the numbers of each list of rows. */
const SAMPLES: { readonly [K in keyof typeof NUMBERS]: KnownPart } = {
  place: made(panel),
  opacity: made(panel),
  band: made({ kind: 'band', id: 'b', of: 'p' }),
  longerSide: made(art),
  artWeight: made({ ...art, weightPx: 4 }),
  curve: made({ kind: 'curve', id: 'c', points: curve.points }),
  growth: made({ kind: 'curve', id: 'c', points: curve.points, growth: { kind: 'olive' } }),
  growthGap: made({ kind: 'curve', id: 'c', points: curve.points, growth: { kind: 'olive', runs: 'inward' } }),
  inlay: made({ kind: 'inlay', id: 'i', members: ['p', 'a'] }),
  weave: made({ kind: 'combination', id: 'w', members: ['p', 'a'], how: 'weave' }),
  contact: made({ kind: 'contact', id: 'k', members: ['name'], lines: [{ text: 'name' }] }),
  lockup: made({ kind: 'lockup', id: 'l', members: ['p', 'name'], symbol: 'p' }),
  frame: made({ kind: 'frame', id: 'f', members: ['p'] }),
  column: lettering({ wrap: { widthPx: 300 } }),
  size: lettering({}),
  tracking: lettering({}),
  leading: lettering({}),
  opticalKerning: lettering({}),
  companion: lettering({ companion: { part: 'first', sizePercent: 30 } }),
  touch: lettering({ touch: {} }),
  roughness: lettering({ roughness: { seed: 1 } }),
  ringInset: lettering({ line: { ...around, around: { part: 'p', insetPx: 4 } } }),
  ringRadius: lettering({ line: around }),
  ringStart: lettering({ line: around }),
  curveStart: lettering({ line: curve }),
  curveOff: lettering({ line: { ...curve, points: [], along: { part: 'c' } } }),
  envelope: lettering({ line: { shape: 'envelope', form: 'rise' } }),
  spacingHeight: lettering({ line: around }),
  fitWidth: lettering({ fit: { to: { kind: 'width', widthPx: 90 }, by: [{ means: 'size', min: 4, max: 90 }] } }),
  fitAngle: lettering({ fit: { to: { kind: 'angle', sweepDeg: 90 }, by: [{ means: 'size', min: 4, max: 90 }] } }),
  fitAir: lettering({ fit: { to: { kind: 'panel', part: 'p', airPx: 9 }, by: [{ means: 'size', min: 4, max: 90 }] } }),
  linkRun: made({ kind: 'linked', id: 'k', from: { mark: null, part: 'name' } }),
};

const cases: readonly (readonly [string, KnownPart, NumberRow])[] = [
  ...Object.entries(NUMBERS).flatMap(([list, rows]) =>
    (rows as readonly NumberRow[]).map((row) => [`${list}: ${row.label}`, SAMPLES[list as keyof typeof NUMBERS], row] as const),
  ),
  ...SYMMETRIES.flatMap((rule) =>
    symmetryRow(rule).numbers.map(
      (row) => [`${rule}: ${row.label}`, made({ kind: 'symmetry', id: 's', members: ['p'], rule }), row] as const,
    ),
  ),
  ...pointRows('line.points', 1, 'Point', 'px', 'Curve point').map((row) => [row.label, lettering({ line: curve }), row] as const),
  ...CUT_FORMS.flatMap((form) =>
    cutRows(0, form).map((row) => [`${form} cut: ${row.label}`, withNewCut(lettering({}) as Lettering, form, 0), row] as const),
  ),
  ...BELT_FORMS.flatMap((form) =>
    beltRows(0, form).map((row) => [`${form}: ${row.label}`, withNewBelt(lettering({}) as Lettering, form, 0), row] as const),
  ),
  ...fitLimitRows(0, 'px').map((row) => [row.label, SAMPLES.fitWidth, row] as const),
];

describe('number fields', () => {
  it.each(cases)('%s stands in the part, with the limits of its schema and a sentence', (_name, part, row) => {
    const [limits, value] = [numberLimits(part, row.at), numberAt(part, row.at)];
    if (!limits || value === undefined) throw new Error(`no number stands at ${row.at}`);
    expect(row.hint.length).toBeGreaterThan(12);
    expect(Number.isFinite(limits.min) && Number.isFinite(limits.max)).toBe(true);
    expect(value).toBeGreaterThanOrEqual(limits.min);
    expect(value).toBeLessThanOrEqual(limits.max);
    const read = (number: number) => {
      const changed = { ...part, ...withNumberAt(part, row.at, number) } as KnownPart;
      return parseRecipe(JSON.parse(JSON.stringify(writeRecipe({ version: RECIPE_VERSION, parts: [changed] }))));
    };
    for (const number of [limits.min, limits.max]) {
      const kept = read(number);
      expect(kept.ok, String(number)).toBe(true);
      if (kept.ok) expect(numberAt(kept.value.parts[0] as KnownPart, row.at)).toBe(number);
    }
    // One step beyond, the part is refused: the limits are those that really hold.
    expect(read(limits.max + 1).ok).toBe(false);
    expect(read(limits.min - 1).ok).toBe(false);
    if (limits.whole) expect(read(limits.min + 0.5).ok).toBe(false);
  });

  it('change nothing but the number, however deep it stands', () => {
    const part = SAMPLES.ringInset;
    const changed = { ...part, ...withNumberAt(part, 'line.around.insetPx', 7) } as KnownPart;
    expect(changed).toEqual({ ...part, line: { ...(part as { line: object }).line, around: { part: 'p', insetPx: 7 } } });
  });

  it('are none where nothing, or no number, stands', () => {
    for (const path of ['', 'text', 'line', 'line.radiusPx', 'nobody', 'place', 'fit.to.widthPx', 'place.x.y'])
      expect([numberLimits(lettering({}), path), numberAt(lettering({}), path)], path).toEqual([undefined, undefined]);
  });
});
