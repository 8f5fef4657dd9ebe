import { FillRule, inflatePathsD, JoinType, EndType, areaPathsD, unionD } from 'clipper2-ts';
import { describe, expect, it } from 'vitest';
import {
  boundsOf,
  createPart,
  dress,
  EMPTY_RECIPE,
  expect as valueOf,
  flatten,
  IDENTITY,
  inkOf,
  newTreatment,
  outlinesIn,
  parseRecipe,
  recoverRecipe,
  STARTING_PALETTE,
  toSvg,
  OWN_TREATMENTS,
  treatmentLimits,
  treatmentRow,
  writeRecipe,
  type KnownPart,
  type Recipe,
  type ResolvedMark,
  type Treatment,
  type TreatmentKindName,
} from '$core/index';
import { areaOf, codesOf, letteringInput, partNamed } from '../../../support/drawn-mark';
import { shelfOf } from '../../../support/fonts';
import { begun } from '../../../support/treatments';
import { random } from '../../../support/random';
import { resolverOf } from '../../../support/resolver';

type Input = Parameters<typeof createPart>[0];
const shelf = await shelfOf('jost', 'playfair-display');
const { resolve } = resolverOf(shelf);
const recipeOf = (...inputs: readonly object[]): Recipe => ({
  ...EMPTY_RECIPE,
  parts: inputs.map((input) => valueOf(createPart(input as Input))),
});
const drawn = (recipe: Recipe): ResolvedMark => resolve({ recipe, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') });
const KINDS = OWN_TREATMENTS;

const panel = (id: string, change: object = {}) => ({
  kind: 'shape',
  id,
  form: { form: 'panel', widthPx: 200, heightPx: 100, cornerPx: 0 },
  ...change,
});
const disk = (id: string, change: object = {}) => ({ kind: 'shape', id, form: { form: 'disk', widthPx: 100, heightPx: 100 }, ...change });

/** Every kind of part that draws something by itself or through its members, with what it needs; the one under test is called `it`. */
const PARTS: Readonly<Record<string, (own: object) => readonly object[]>> = {
  lettering: (own) => [letteringInput({ id: 'it', text: 'Rob', ...own })],
  ring: (own) => [
    letteringInput({
      id: 'it',
      text: 'Robin',
      line: { shape: 'arc', form: 'ring', side: 'over', radiusPx: 120, letters: 'turned' },
      ...own,
    }),
  ],
  shape: (own) => [panel('it', own)],
  curve: (own) => [
    {
      kind: 'curve',
      id: 'it',
      points: [
        { x: 0, y: 0 },
        { x: 80, y: 40 },
        { x: 160, y: 0 },
      ],
      weightPx: 8,
      ...own,
    },
  ],
  art: (own) => [
    {
      kind: 'art',
      id: 'it',
      sizePx: 150,
      pieces: [{ data: 'M-500-300L500-300L0 400Z', rule: 'nonzero', slot: 0, opacity: 1 }],
      slots: [{ original: '#000000', paint: { role: 'ink' } }],
      source: { title: 'A triangle' },
      ...own,
    },
  ],
  group: (own) => [
    panel('a'),
    disk('b', { place: { x: 90, y: 40, turnDeg: 20, scale: 1.5 } }),
    { kind: 'group', id: 'it', members: ['a', 'b'], place: { x: 10, y: 5, turnDeg: 30, scale: 0.7, flip: true }, ...own },
  ],
  combination: (own) => [panel('a'), disk('b'), { kind: 'combination', id: 'it', how: 'subtract', members: ['a', 'b'], ...own }],
  symmetry: (own) => [
    disk('a', { place: { x: 60, y: 0, turnDeg: 0 } }),
    { kind: 'symmetry', id: 'it', members: ['a'], rule: 'mirror', centerX: 0, centerY: 0, axisDeg: 90, ...own },
  ],
  inlay: (own) => [
    panel('a'),
    disk('b', { place: { x: 90, y: 40, turnDeg: 0 } }),
    { kind: 'inlay', id: 'it', members: ['a', 'b'], ...own },
  ],
  lockup: (own) => [
    disk('a'),
    letteringInput({ id: 'b', text: 'Ro' }),
    { kind: 'lockup', id: 'it', members: ['a', 'b'], symbol: 'a', ...own },
  ],
  linked: (own) => [
    panel('a', { place: { x: 300, y: 0, turnDeg: 0 } }),
    { kind: 'linked', id: 'it', from: { mark: null, part: 'a' }, take: 'whole', ...own },
  ],
};
/** What stands by, fits and follows the part under test. */
const followers = [
  letteringInput({ id: 'second', text: 'Second', sizePx: 30, companion: { part: 'it' } }),
  letteringInput({
    id: 'fitted',
    text: 'Fitted',
    fit: { to: { kind: 'part', part: 'it' }, by: [{ means: 'size', min: 1, max: 10_000 }] },
    place: { x: 0, y: 400, turnDeg: 0 },
  }),
];
const factsOf = (mark: ResolvedMark, id: string) => {
  const { ink, transform, lettering, balance, outer } = partNamed(mark, id);
  return { ink, transform, lettering, balance, outer };
};

describe.each(KINDS)('%s', (kind) => {
  it.each(Object.keys(PARTS))('on a part of the kind %s changes what is shown and nothing that others see', (name) => {
    const make = PARTS[name] as (own: object) => readonly object[];
    const plain = drawn(recipeOf(...make({}), ...followers));
    const treated = drawn(recipeOf(...make({ treatments: [begun(kind)] }), ...followers));
    for (const id of plain.parts.map((part) => part.id)) expect(factsOf(treated, id)).toEqual(factsOf(plain, id));
    const written = (mark: ResolvedMark) => toSvg(mark.drawing, { title: '', box: { left: -500, top: -500, right: 900, bottom: 900 } });
    expect(written(treated)).not.toContain('NaN');
    // What only cuts shows something where there is something behind.
    if (kind !== 'halo') expect(written(treated)).not.toBe(written(plain));
    expect(treated.ink === undefined || Object.values(treated.ink).every(Number.isFinite)).toBe(true);
  });

  it('has words, a sentence, and controls with limits', () => {
    const row = treatmentRow(kind);
    expect(row.hint.length).toBeGreaterThan(20);
    expect(row.describe(newTreatment(kind, 't')).length).toBeGreaterThan(2);
    for (const control of row.controls) {
      expect(control.hint.length).toBeGreaterThan(4);
      if (control.type === 'number') expect(treatmentLimits(kind, control.field)?.max).toBeLessThan(Infinity);
    }
  });

  it('on an empty part, and at both ends of every number, draws finite outlines or says why not', () => {
    expect(
      drawn(recipeOf(letteringInput({ text: '', treatments: [begun(kind)] })))
        .drawing.groups.flatMap(({ children }) => outlinesIn(children, IDENTITY, true))
        .every(({ path }) => path.verbs === ''),
    ).toBe(true);
    for (const control of treatmentRow(kind).controls) {
      if (control.type !== 'number') continue;
      const limits = treatmentLimits(kind, control.field);
      for (const value of [limits?.min, limits?.max]) {
        const mark = drawn(recipeOf(disk('it', { treatments: [{ ...begun(kind), [control.field]: value }] })));
        expect(
          mark.drawing.groups.flatMap(({ children }) => outlinesIn(children)).every(({ path }) => path.coords.every(Number.isFinite)),
        ).toBe(true);
      }
    }
  });
});

describe('areas', () => {
  const shown = (part: object): ReturnType<typeof outlinesIn> =>
    drawn(recipeOf(part)).drawing.groups.flatMap(({ children }) => outlinesIn(children, IDENTITY, true));
  const treated = (kind: TreatmentKindName, own: object, part: (id: string, change: object) => object = panel) =>
    shown(part('it', { treatments: [newTreatment(kind, 't', own as Record<string, unknown>)] }));
  const sum = (regions: ReturnType<typeof outlinesIn>) => areaOf(regions);

  it('of bands, insets, shadows, slices and lines on a rectangle of 200 by 100 are what the closed forms say', () => {
    const cases: readonly (readonly [string, TreatmentKindName, object, number])[] = [
      ['a solid round band of 10', 'outline-band', { widthPx: 10 }, 20_000 + 20_000 + 600 * 10 + Math.PI * 100],
      ['a mitered band of 10', 'outline-band', { widthPx: 10, join: 'miter' }, 20_000 + 220 * 120],
      ['a band inside', 'outline-band', { widthPx: 10, side: 'inward' }, 20_000 + 20_000 - 180 * 80],
      ['an inset line', 'inset-line', { insetPx: 10, widthPx: 5 }, 20_000 + 180 * 80 - 170 * 70],
      ['a cut inset line', 'inset-line', { insetPx: 10, widthPx: 5, cut: true }, 20_000 - 180 * 80 + 170 * 70],
      ['an outline only', 'outline-only', { widthPx: 10 }, 20_000 - 180 * 80],
      ['a block of 30 at 0', 'block-shadow', { angleDeg: 0, depthPx: 30 }, 20_000 + 20_000 + 30 * 100],
      ['an offset shadow', 'offset-shadow', { angleDeg: 0, distancePx: 30, gapPx: 0 }, 40_000],
      ['slices', 'slices', { count: 4, gapPx: 5, shiftPx: 9 }, 20_000 - 4 * 5 * 200],
      ['level lines cut out', 'engraved-lines', { pitchPx: 10, thicknessPx: 3 }, 20_000 * 0.7],
      ['lines inside of a quiet edge', 'engraved-lines', { pitchPx: 10, thicknessPx: 3, marginPx: 10 }, 20_000 - 180 * 80 * 0.3],
      ['crossed lines', 'engraved-lines', { pitchPx: 10, thicknessPx: 3, form: 'crossed' }, 20_000 * 0.49],
      [
        'lines along the outline',
        'engraved-lines',
        { pitchPx: 10, thicknessPx: 4, form: 'following' },
        20_000 - [3, 13, 23, 33, 43].reduce((all, at) => all + (200 - 2 * at) * (100 - 2 * at) - (192 - 2 * at) * (92 - 2 * at), 0),
      ],
    ];
    for (const [name, kind, own, area] of cases) expect(sum(treated(kind, own)) / area, name).toBeCloseTo(1, 3);
  });

  it('of a halo and a knock-out are cut out of what lies behind, as true holes', () => {
    const behind = panel('behind', { form: { form: 'panel', widthPx: 400, heightPx: 300, cornerPx: 0 } });
    const rest = (kind: TreatmentKindName, own: object) => {
      const mark = drawn(recipeOf(behind, disk('it', { treatments: [newTreatment(kind, 't', own as Record<string, unknown>)] })));
      return areaOf(mark.drawing.groups.filter(({ id }) => id === 'behind').flatMap(({ children }) => outlinesIn(children)));
    };
    expect(rest('halo', { widthPx: 10 }) / (120_000 - Math.PI * 60 ** 2)).toBeCloseTo(1, 3);
    expect(rest('knock-out', { gapPx: -10 }) / (120_000 - Math.PI * 40 ** 2)).toBeCloseTo(1, 3);
    // Through groups, turned and mirrored, the hole is where the part is.
    const nested = drawn(
      recipeOf(behind, disk('it', { treatments: [newTreatment('halo', 't', { widthPx: 10 })] }), {
        kind: 'group',
        id: 'inner',
        members: ['it'],
        place: { x: 30, y: 10, turnDeg: 40, scale: 0.5, flip: true },
      }),
    );
    expect(
      areaOf(nested.drawing.groups.filter(({ id }) => id === 'behind').flatMap(({ children }) => outlinesIn(children))) /
        (120_000 - Math.PI * 30 ** 2),
    ).toBeCloseTo(1, 3);
  });

  it('of a soft separation fall on what lies behind and on nothing else, through turned and mirrored groups, and not on bare paper', () => {
    const behind = panel('behind');
    const own = { treatments: [newTreatment('separation', 't', { softPx: 20, opacityPercent: 60 })] };
    for (const place of [undefined, { x: 12, y: -30, turnDeg: 40, scale: 0.8, flip: true }]) {
      const mark = drawn(
        recipeOf(
          behind,
          disk('it', { ...own, place: { x: 60, y: 40 } }),
          ...(place ? [{ kind: 'group', id: 'inner', members: ['it'], place }] : []),
        ),
      );
      const nodes = mark.drawing.groups.find(({ id }) => id === 'behind')?.children ?? [];
      const [plain, ...tones] = outlinesIn(nodes);
      expect(tones.length).toBeGreaterThan(5);
      // Nothing beyond the panel, which is a rectangle.
      const edge = boundsOf(plain?.path ?? { verbs: '', coords: [] });
      for (const tone of tones) {
        const own = boundsOf(tone.path);
        expect(
          own && edge && Math.min(own.left - edge.left, own.top - edge.top, edge.right - own.right, edge.bottom - own.bottom),
        ).toBeGreaterThan(-1e-6);
      }
      const top = mark.drawing.groups.filter(({ id }) => id !== 'behind').flatMap(({ children }) => outlinesIn(children));
      expect(areaOf(top) / (Math.PI * 50 ** 2)).toBeCloseTo(1, 3);
    }
    // Alone on the sheet it changes nothing.
    const alone = drawn(recipeOf(disk('it', own)));
    expect(alone.drawing.groups.flatMap(({ children }) => outlinesIn(children))).toHaveLength(1);
    // A halo laid later cuts the tones as well as what they lie on.
    const cut = drawn(
      recipeOf(
        behind,
        disk('it', { ...own, place: { x: 60, y: 40 } }),
        disk('hole', { place: { x: 60, y: 40 }, treatments: [newTreatment('knock-out', 't', { gapPx: 0 })] }),
      ),
    );
    const left = outlinesIn(cut.drawing.groups.find(({ id }) => id === 'behind')?.children ?? []);
    expect(areaOf(left.slice(0, 1))).toBeLessThan(20_000 - 1000);
    for (const tone of left.slice(1)) expect(areaOf([tone])).toBeLessThanOrEqual(areaOf(left.slice(0, 1)) + 1e-6);
  });

  it('that are soft fall away where there is one color, and wear stays', () => {
    const one = (kind: TreatmentKindName) =>
      resolve({
        recipe: recipeOf(disk('it', { treatments: [newTreatment(kind, 't')] })),
        sources: new Map(),
        dress: dress(STARTING_PALETTE, 'one-color'),
      });
    for (const kind of ['soft-shadow', 'inner-shadow', 'relief', 'separation', 'fading-copies'] as const)
      expect(treatmentRow(kind).inOneColor, kind).toBe('dropped');
    expect(areaOf(one('wear').drawing.groups.flatMap(({ children }) => outlinesIn(children)))).toBeLessThan(Math.PI * 50 ** 2 * 0.95);
  });

  it('of bands around letters are what a polygon library finds, within 0.1 %, in seeded cases', () => {
    const next = random(17);
    for (const letter of 'RaGeg8') {
      const widthPx = 1 + next() * 12;
      const [outline] = shown(letteringInput({ text: letter, font: { family: 'playfair-display' } }));
      const clean = unionD(
        flatten(outline?.path ?? { verbs: '', coords: [] }, 0.004).map((polygon) => polygon.map(({ x, y }) => ({ x, y }))),
        [],
        FillRule.NonZero,
        6,
      );
      const theirs = Math.abs(areaPathsD(inflatePathsD(clean, widthPx, JoinType.Round, EndType.Polygon, 2, 6, 0.002)));
      const mark = drawn(
        recipeOf(
          letteringInput({
            text: letter,
            font: { family: 'playfair-display' },
            treatments: [newTreatment('outline-band', 't', { widthPx })],
          }),
        ),
      );
      const [band] = mark.drawing.groups.flatMap(({ children }) => outlinesIn(children, IDENTITY, true));
      expect(Math.abs(areaOf(band ? [band] : []) / theirs - 1), `${letter} ${widthPx}`).toBeLessThan(0.001);
    }
  });
});

describe('treatments in their order', () => {
  it('work each on what the one before it leaves: a band around a shadow holds the shadow', () => {
    const shadow = newTreatment('block-shadow', 's', { angleDeg: 0, depthPx: 50 });
    const band = newTreatment('outline-band', 'b', { widthPx: 10, join: 'miter' });
    const ink = (treatments: readonly Treatment[]) => drawn(recipeOf(panel('it', { treatments }))).ink;
    expect(ink([shadow, band])?.right).toBeCloseTo(160, 3);
    expect(ink([band, shadow])?.right).toBeCloseTo(160, 3);
    expect(ink([shadow, { ...band, hidden: true }])?.right).toBeCloseTo(150, 3);
    expect(ink([{ ...shadow, hidden: true }, band])?.left).toBeCloseTo(-110, 3);
  });

  it('of the whole mark lie around all of its parts', () => {
    const recipe = {
      ...recipeOf(panel('a'), disk('b', { place: { x: 150, y: 0, turnDeg: 0 } })),
      whole: { treatments: [newTreatment('outline-band', 'w', { widthPx: 10, join: 'miter' }), newTreatment('gradient', 'g')] },
    };
    const mark = drawn(recipe);
    expect(mark.ink).toMatchObject({ left: -110, right: 210 });
    expect(mark.drawing.groups.map(({ id }) => id)).toEqual(['whole-0', 'a', 'b']);
    expect(partNamed(mark, 'a').ink).toMatchObject({ left: -100, right: 100 });
    const maps = mark.drawing.groups
      .slice(1)
      .flatMap(({ children, transform }) =>
        children.flatMap((node) => (node.kind === 'fill' && node.gradient ? [node.gradient.map.f + transform.f] : [])),
      );
    expect(maps).toHaveLength(2);
    expect(maps[0]).toBeCloseTo(maps[1] as number, 6);
    expect(valueOf(parseRecipe(JSON.parse(JSON.stringify(writeRecipe(recipe)))))).toEqual(recipe);
  });

  it('of one letter stay on that letter', () => {
    const at = { index: 1, letter: 'o' };
    const one = drawn(
      recipeOf(
        letteringInput({
          text: 'Rob',
          letters: [{ at, treatments: [newTreatment('outline-band', 't', { widthPx: 8, side: 'outward' })] }],
        }),
      ),
    );
    const plain = drawn(recipeOf(letteringInput({ text: 'Rob' })));
    expect(one.drawing.groups.flatMap(({ children }) => outlinesIn(children, IDENTITY, true))).toHaveLength(4);
    expect(partNamed(one, 'name').ink).toEqual(partNamed(plain, 'name').ink);
  });

  it('turn the light with the part, so that all parts are lit from one side', () => {
    const lit = (turnDeg: number) => {
      const mark = drawn(
        recipeOf(
          disk('it', {
            place: { x: 0, y: 0, turnDeg },
            treatments: [newTreatment('etched', 't', { bendPercent: 0, angleDeg: -turnDeg, pitchPx: 3 })],
          }),
        ),
      );
      const half = (side: number) =>
        mark.drawing.groups.reduce(
          (sum, { children, transform }) =>
            sum +
            areaOf(
              outlinesIn(children, transform).map(({ path, rule }) => ({
                path: {
                  verbs: path.verbs,
                  coords: path.coords.map((value, index) => (index % 2 === 0 ? Math.max(0, value * side) : value)),
                },
                rule,
              })),
              0.02,
            ),
          0,
        );
      return half(1) / half(-1);
    };
    const straight = lit(0);
    expect(straight).toBeGreaterThan(1.3);
    for (const turn of [90, 180, 215]) expect(lit(turn) / straight).toBeCloseTo(1, 1);
  });
});

describe('stored treatments', () => {
  const stored = (treatments: readonly object[]) => ({
    version: 3,
    parts: [{ ...JSON.parse(JSON.stringify(valueOf(createPart(disk('it') as Input)))), treatments }],
  });
  const partIn = (recipe: Recipe): KnownPart => recipe.parts[0] as KnownPart;

  it.each([
    ['of a kind that is not known', { kind: 'hologram', id: 't', glow: 3 }],
    ['with a field that is not known', { ...newTreatment('halo', 't'), softness: 4 }],
  ])('%s are kept whole, not shown, and said', (_, newer) => {
    const recipe = valueOf(parseRecipe(stored([newer, newTreatment('outline-band', 'b')])));
    expect(partIn(recipe).treatments?.[0]).toMatchObject({ kind: 'newer', original: newer });
    expect(codesOf(partNamed(drawn(recipe), 'it'))).toEqual(['treatment-newer']);
    const again = valueOf(parseRecipe(JSON.parse(JSON.stringify(writeRecipe(recipe)))));
    expect(again).toEqual(recipe);
  });

  it('beyond limits are refused when they are saved, and brought back within them when they are read', () => {
    const pitch = stored([{ ...newTreatment('engraved-lines', 't'), pitchPx: 0.01 }]);
    const refused = parseRecipe(pitch);
    expect(refused.ok).toBe(false);
    if (!refused.ok) expect(refused.problems[0]?.message).toMatch(/pitchPx/);
    expect(valueOf(recoverRecipe(pitch)).parts).toHaveLength(1);
    expect(parseRecipe(stored(Array.from({ length: 21 }, (_, n) => newTreatment('halo', `t-${n}`)))).ok).toBe(false);
    expect(parseRecipe(stored(Array.from({ length: 20 }, (_, n) => newTreatment('halo', `t-${n}`)))).ok).toBe(true);
  });

  it('that can show nothing say so: lines too many, ends in one place, an inset too deep', () => {
    const said = (kind: TreatmentKindName, own: object, part: object = {}) =>
      codesOf(
        partNamed(drawn(recipeOf(panel('it', { ...part, treatments: [newTreatment(kind, 't', own as Record<string, unknown>)] }))), 'it'),
      );
    expect(
      said('engraved-lines', { pitchPx: 0.2, thicknessPx: 0.1 }, { form: { form: 'panel', widthPx: 2000, heightPx: 1000, cornerPx: 0 } }),
    ).toEqual(['lines-too-many']);
    expect(said('gradient', { fromX: 50, toX: 50, fromY: 20, toY: 20 })).toEqual(['gradient-one-end']);
    expect(said('gradient', { stops: [{ atPercent: 50, paint: { role: 'lead' } }] })).toEqual([]);
    expect(said('inset-line', { insetPx: 80 })).toEqual(['line-too-deep']);
    expect(said('inline', { widthPx: 300 })).toEqual(['line-too-wide']);
    expect(said('outline-band', { widthPx: 2000 })).toEqual([]);
    expect(said('block-shadow', { depthPx: 10_000 })).toEqual([]);
  });

  it('of a welding band name the width that closes the last counter', () => {
    const ring = { kind: 'shape', id: 'it', form: { form: 'ring', widthPx: 100, heightPx: 100, bandPx: 20 } };
    const mark = drawn(recipeOf({ ...ring, treatments: [newTreatment('welding-band', 't', { widthPx: 10 })] }));
    const [notice] = partNamed(mark, 'it').notices;
    expect(notice?.code).toBe('counters-open');
    const needed = Number(/band of ([\d.]+) px/.exec(notice?.fix ?? '')?.[1]);
    expect(needed).toBeGreaterThanOrEqual(30);
    expect(needed).toBeLessThan(30.3);
    expect(
      codesOf(partNamed(drawn(recipeOf({ ...ring, treatments: [newTreatment('welding-band', 't', { widthPx: needed })] })), 'it')),
    ).toEqual([]);
  });
});

it('what is seen of a mark with treatments is larger than its parts, and both are said', () => {
  const mark = drawn(recipeOf(panel('it', { treatments: [newTreatment('offset-shadow', 't', { angleDeg: 90, distancePx: 40 })] })));
  expect(partNamed(mark, 'it').ink).toMatchObject({ bottom: 50 });
  expect(mark.ink?.bottom).toBeCloseTo(90, 6);
  expect(inkOf(mark.drawing.groups, IDENTITY)?.bottom).toBeCloseTo(90, 6);
});
