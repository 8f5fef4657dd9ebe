import {
  CUT_FORMS,
  ENVELOPES,
  FLIPS,
  forgetWaiting,
  retext,
  withGap,
  withLook,
  withNewBelt,
  withNewCut,
  type Lettering,
  type Line,
} from '$core/index';
import fc from './properties';

/** One thing that a designer does to a lettering. */
export interface Edit {
  readonly name: string;
  readonly apply: (part: Lettering) => Lettering;
}

const index = fc.nat(12);
const permille = fc.integer({ min: -200, max: 300 });
const degrees = fc.integer({ min: -180, max: 180 });

const line: fc.Arbitrary<Line> = fc.oneof(
  fc.constant<Line>({ shape: 'straight' }),
  fc.record({
    shape: fc.constant('arc' as const),
    form: fc.constantFrom('arch' as const, 'ring' as const),
    side: fc.constantFrom('over' as const, 'under' as const),
    radiusPx: fc.integer({ min: 40, max: 900 }),
    startDeg: degrees,
    letters: fc.constantFrom('turned' as const, 'bent' as const),
    spacingAtPercent: fc.constantFrom(0, 50, 100),
    around: fc.constant(null),
  }),
  fc.record({
    shape: fc.constant('envelope' as const),
    form: fc.constantFrom(...ENVELOPES),
    amountPercent: fc.integer({ min: -90, max: 200 }),
    from: fc.constantFrom('baseline' as const, 'middle' as const, 'top' as const),
  }),
  fc.record({
    shape: fc.constant('curve' as const),
    along: fc.constant(null),
    points: fc.array(
      fc.record({
        x: fc.integer({ min: -400, max: 400 }),
        y: fc.integer({ min: -200, max: 200 }),
        inX: permille,
        inY: permille,
        outX: permille,
        outY: permille,
      }),
      { maxLength: 4 },
    ),
    startPercent: fc.integer({ min: 0, max: 100 }),
    letters: fc.constantFrom('turned' as const, 'bent' as const),
    spacingAtPercent: fc.constantFrom(0, 50),
  }),
);

/** Every operation on letters and lines, with random numbers. */
export const edit: fc.Arbitrary<Edit> = fc.oneof(
  fc
    .string({ unit: fc.constantFrom('W', 'i', 'n', 'd', 'fi', ' ', '\n', 'é'), maxLength: 10 })
    .map((text) => ({ name: `text ${text}`, apply: (part: Lettering) => retext(part, text) })),
  fc
    .record({
      index,
      turnDeg: fc.option(degrees, { nil: undefined }),
      risePermille: fc.option(permille, { nil: undefined }),
      shiftPermille: fc.option(permille, { nil: undefined }),
    })
    .map(({ index: at, ...look }) => ({ name: 'move letter', apply: (part: Lettering) => withLook(part, { index: at }, look) })),
  fc
    .record({ flip: fc.constantFrom(...FLIPS), sizePercent: fc.integer({ min: 20, max: 300 }), opacity: fc.constantFrom(0, 0.5, 1) })
    .map((look) => ({
      name: 'every n',
      apply: (part: Lettering) => withLook(part, { every: 'n' }, look),
    })),
  fc
    .record({
      index,
      hidden: fc.boolean(),
      underlined: fc.boolean(),
      outlinePermille: fc.option(fc.integer({ min: 5, max: 60 }), { nil: undefined }),
    })
    .map(({ index: at, ...look }) => ({
      name: 'dress letter',
      apply: (part: Lettering) => withLook(part, { index: at }, look),
    })),
  fc.record({ index, family: fc.constantFrom('jost', 'eb-garamond') }).map(({ index: at, family }) => ({
    name: 'letter font',
    apply: (part: Lettering) => withLook(part, { index: at }, { font: { family, style: 'normal', axes: {} }, paint: { role: 'lead' } }),
  })),
  fc.record({ index, permille }).map(({ index: at, permille: by }) => ({ name: 'gap', apply: (part: Lettering) => withGap(part, at, by) })),
  fc.record({ form: fc.constantFrom(...CUT_FORMS), index: fc.option(index, { nil: undefined }) }).map(({ form, index: at }) => ({
    name: `cut ${form}`,
    apply: (part: Lettering) => (part.cuts.length > 3 ? { ...part, cuts: [] } : withNewCut(part, form, at)),
  })),
  fc.record({ form: fc.constantFrom('ring' as const, 'line' as const), index }).map(({ form, index: at }) => ({
    name: `belt ${form}`,
    apply: (part: Lettering) => (part.belts.length > 1 ? { ...part, belts: [] } : withNewBelt(part, form, at)),
  })),
  line.map((next) => ({ name: `line ${next.shape}`, apply: (part: Lettering) => ({ ...part, line: next }) })),
  fc
    .record({
      kerning: fc.constantFrom('font' as const, 'optical' as const, 'none' as const),
      opticalPercent: fc.integer({ min: 0, max: 100 }),
      trackingPermille: permille,
    })
    .map((change) => ({
      name: 'spacing',
      apply: (part: Lettering) => ({ ...part, ...change }),
    })),
  fc
    .constantFrom('typed' as const, 'upper' as const, 'lower' as const, 'title' as const, 'small-caps' as const)
    .map((next) => ({ name: 'case', apply: (part: Lettering) => ({ ...part, case: next }) })),
  fc
    .record({ widthPx: fc.integer({ min: 50, max: 900 }), means: fc.constantFrom('size' as const, 'tracking' as const) })
    .map(({ widthPx, means }) => ({
      name: 'fit',
      apply: (part: Lettering) => ({
        ...part,
        fit: part.fit
          ? null
          : {
              to: { kind: 'width' as const, widthPx },
              by: [{ means, axis: 'wdth', min: means === 'size' ? 4 : -50, max: means === 'size' ? 900 : 800 }],
            },
      }),
    })),
  fc.nat(99).map((seed) => ({
    name: 'roughness',
    apply: (part: Lettering) => ({ ...part, roughness: part.roughness ? null : { seed, turnDeg: 3, shiftPermille: 10, sizePercent: 4 } }),
  })),
  fc.nat(300).map((mostPermille) => ({
    name: 'touch',
    apply: (part: Lettering) => ({ ...part, touch: part.touch ? null : { mostPermille, mostDeg: 0, overlapPermille: 4 } }),
  })),
  fc
    .record({ features: fc.constantFrom({}, { liga: 0 }, { onum: 1 }, { zzzz: 1 }) })
    .map(({ features }) => ({ name: 'features', apply: (part: Lettering) => ({ ...part, features: features as Record<string, number> }) })),
  fc.constant({ name: 'forget', apply: forgetWaiting }),
);
