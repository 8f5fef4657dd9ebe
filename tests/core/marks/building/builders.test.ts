import { describe, expect, it } from 'vitest';
import {
  BUILDER_NAMES,
  brought,
  builderRow,
  builtParts,
  changePart,
  contrastRatio,
  createPart,
  dress,
  EMPTY_RECIPE,
  expect as valueOf,
  labelOf,
  numbersOf,
  parseRecipe,
  rebuilt,
  regionsOfPart,
  removePart,
  openTaker,
  startsOf,
  STARTING_PALETTE,
  writeRecipe,
  type BuilderName,
  type GroupPart,
  type KnownPart,
  type Lettering,
  type Recipe,
  type ResolvedMark,
} from '$core/index';
import { bandOfArcs } from '../../../../src/core/marks/builders/badge/band-of-arcs';
import { casesOf, oneInEvery } from '../../../support/deep';
import { areaOf } from '../../../support/drawn-mark';
import { builderBench, heard } from '../../../support/builder-bench';
import { random } from '../../../support/random';
import { paths } from '../../../support/resolver';

const FAMILIES = [
  'playfair-display',
  'josefin-sans',
  'great-vibes',
  'alfa-slab-one',
  'noto-sans',
  'noto-sans-arabic',
  'noto-sans-hebrew',
] as const;
const { tools, resolve, context, built: builtFor, drawn } = await builderBench(...FAMILIES);
const GORSEBANK = heard('Gorsebank Rowing Club', 'playfair-display', 'Row as one');
/** The rowing club's, unless another name is heard. */
const built = (builder: BuilderName, numbers: object, hears = GORSEBANK, follows?: Parameters<typeof builtFor>[3]): Recipe =>
  builtFor(builder, numbers, hears, follows);
const groupOf = (recipe: Recipe, id = 'group'): GroupPart =>
  recipe.parts.find((part): part is GroupPart => part.id === id && part.kind === 'group') as GroupPart;
const slotNamed = (recipe: Recipe, name: string): string => recipe.parts.find((part) => 'name' in part && part.name === name)?.id ?? '';
const slot = (recipe: Recipe, name: string): KnownPart => {
  const id = groupOf(recipe).built?.slots[name];
  return recipe.parts.find((part): part is KnownPart => part.id === id && part.kind !== 'unknown') as KnownPart;
};

describe('every builder', () => {
  it.each(BUILDER_NAMES)('%s offers at least six compositions of its own, each of them drawn, stored and read again', (name) => {
    const starts = startsOf(name, context(GORSEBANK));
    expect(starts.length).toBeGreaterThanOrEqual(6);
    expect(new Set(starts.map(({ id }) => id)).size).toBe(starts.length);
    const pictures = starts.map(({ numbers }) => {
      const recipe = built(name, numbers);
      const again = valueOf(parseRecipe(JSON.parse(JSON.stringify(writeRecipe(recipe)))));
      expect(again).toEqual(recipe);
      const mark = drawn(recipe);
      expect(mark.ink).toBeDefined();
      expect(mark.parts.flatMap(({ notices }) => notices.map(({ code }) => code)).filter((code) => code !== 'rule-of-tincture')).toEqual(
        [],
      );
      return JSON.stringify(mark.drawing);
    });
    // No two of them look the same.
    expect(new Set(pictures).size).toBe(pictures.length);
  });

  it('badges come in at least eight constructions, monograms in at least ten', () => {
    const options = (name: BuilderName, field: string) =>
      builderRow(name).controls.find((control) => control.field === field && control.type === 'choice');
    const count = (name: BuilderName, field: string) => {
      const control = options(name, field);
      return control?.type === 'choice' ? control.options.length : 0;
    };
    expect(count('badge', 'plan')).toBeGreaterThanOrEqual(8);
    expect(count('monogram', 'construction')).toBeGreaterThanOrEqual(10);
    expect(count('submark', 'crop')).toBeGreaterThanOrEqual(6);
  });

  it('three letters interlock on one center line, each outer one with the middle one, and none of them is lost', () => {
    for (const [letters, family] of [
      ['SOS', 'josefin-sans'],
      ['OUT', 'playfair-display'],
      ['GRC', 'playfair-display'],
      ['אבג', 'noto-sans-hebrew'],
    ] as const) {
      const recipe = built('monogram', { construction: 'interlocked', letters }, heard('X', family));
      expect(slot(recipe, 'woven')).toMatchObject({ kind: 'combination', how: 'weave', members: { length: 3 } });
      const mark = drawn(recipe);
      expect(mark.ink).toBeDefined();
      expect(mark.parts.flatMap(({ notices }) => notices)).toEqual([]);
      const [one, middle, last] = [1, 2, 3].map(
        (at) => slot(recipe, `letter-${at}`) as KnownPart & { place: { x: number; y: number }; sizePx: number },
      );
      expect(one?.place.y).toBeCloseTo(last?.place.y ?? NaN, 6);
      expect(one?.place.x).toBeLessThan(last?.place.x ?? -Infinity);
      // Half of what they lack in height of capitals; alike in size, they stand on one line.
      if (one?.sizePx === middle?.sizePx) expect(one?.place.y).toBeCloseTo(middle?.place.y ?? NaN, 6);
      else expect(one?.place.y).toBeLessThan(middle?.place.y ?? -Infinity);
    }
  });

  it('three interlocked letters stay what they are in a small mirrored group, in one color and reversed', () => {
    const recipe = built('monogram', { construction: 'interlocked', letters: 'OUT' });
    const widthOf = (mark: ResolvedMark) => (mark.ink?.right ?? 0) - (mark.ink?.left ?? 0);
    const wide = widthOf(drawn(recipe));
    const mirrored: Recipe = {
      ...recipe,
      parts: recipe.parts.map((part) =>
        part.id === 'group' && part.kind === 'group' ? { ...part, place: { ...part.place, scale: 0.25, flip: true } } : part,
      ),
    };
    expect(widthOf(drawn(mirrored))).toBeCloseTo(wide / 4, 1);
    for (const dressing of ['one-color', 'reversed'] as const) {
      const mark = resolve({ recipe, sources: new Map(), dress: dress(STARTING_PALETTE, dressing) });
      expect(widthOf(mark)).toBeCloseTo(wide, 0);
      expect(mark.parts.flatMap(({ notices }) => notices)).toEqual([]);
    }
  });

  it('letters too heavy to be woven are tucked instead, and it is said; a lighter face interlocks again', () => {
    const made = (family: string) =>
      builderRow('monogram').build(
        builderRow('monogram').schema.parse({ construction: 'interlocked', letters: 'GR' }),
        context(heard('X', family)),
      );
    const [heavy, light] = [made('alfa-slab-one'), made('josefin-sans')];
    expect(heavy.notices.map(({ code }) => code)).toEqual(['tucked-instead']);
    expect(heavy.parts.map(({ kind }) => kind)).toEqual(['lettering', 'lettering']);
    expect(heavy.parts.flatMap(({ treatments }) => (treatments ?? []).map(({ kind }) => kind))).toEqual(['halo']);
    expect(light.parts.map(({ kind }) => kind)).toContain('combination');
    expect(light.notices.map(({ code }) => code)).not.toContain('tucked-instead');
  });

  it('a monogram that holds two letters says which one it leaves out', () => {
    const notes = (numbers: object) =>
      builderRow('monogram').build(builderRow('monogram').schema.parse(numbers), context(GORSEBANK)).notices;
    const said = notes({ construction: 'nested', letters: 'ODC' });
    expect(said.find(({ code }) => code === 'letter-left-out')?.message).toBe(
      'A monogram one in the other holds two letters: C is left out.',
    );
    expect(notes({ construction: 'interlocked', letters: 'OUT' }).map(({ code }) => code)).not.toContain('letter-left-out');
  });

  it('a monogram wears a look on what stands as one: its letter, each of its letters, or what they are gathered in', () => {
    const worn = (numbers: object) => {
      const recipe = built('monogram', { letters: 'GR', look: 'painted-sign', ...numbers });
      expect(drawn(recipe).parts.flatMap(({ notices }) => notices)).toEqual([]);
      return recipe.parts.flatMap((part) =>
        'treatments' in part && part.treatments ? [[part.kind, part.treatments.map(({ kind }) => kind)]] : [],
      );
    };
    const sign = ['outline-band', 'block-shadow'];
    expect(worn({ letters: 'G' })).toEqual([['lettering', sign]]);
    expect(worn({ construction: 'beside' })).toEqual([
      ['lettering', sign],
      ['lettering', sign],
    ]);
    expect(worn({ construction: 'interlocked' })).toEqual([['combination', sign]]);
    // The gap of what is tucked comes first and stays.
    expect(worn({ construction: 'tucked' }).at(-1)).toEqual(['lettering', ['halo', ...sign]]);
    expect(worn({ look: 'none' })).toEqual([]);
    // As long as suits the letters: a letter four times as high casts a shadow four times as long.
    const depth = (sizePx: number) => {
      const letter = built('monogram', { letters: 'G', look: 'painted-sign', sizePx }).parts.find((part) => part.kind === 'lettering');
      const shadow = letter?.treatments?.find(({ kind }) => kind === 'block-shadow');
      return shadow && 'depthPx' in shadow ? Number(shadow.depthPx) : NaN;
    };
    expect(depth(880) / depth(220)).toBeCloseTo(4, 0);
  });

  it('a band between two arcs has the area of its pieces, and words of any length stay inside of it', () => {
    // Closed form: the rectangle between its four corners, and four segments of circles, each r² (α − sin α cos α).
    const segment = (r: number, half: number) => r * r * (half - Math.sin(half) * Math.cos(half));
    for (const [radius, end, middle] of [
      [100, 30, 45],
      [100, 12, 40],
      [250, 90, 91],
    ] as const) {
      const x = Math.sqrt(radius * radius - end * end);
      const wide = (x * x + (middle - end) ** 2) / (2 * (middle - end));
      const exact = 4 * x * end + 2 * segment(wide, Math.asin(x / wide)) + 2 * segment(radius, Math.asin(end / radius));
      expect(areaOf([bandOfArcs(radius, end, middle)], 0.001) / exact).toBeCloseTo(1, 4);
    }
    for (const text of ['I', 'Ox', 'Windrow', 'Gorsebank Rowing Club', 'Żółw Ångström', 'Quay'.repeat(8)]) {
      const recipe = built('badge', { plan: 'arcs' }, heard(text));
      const mark = drawn(recipe);
      const band = slotNamed(recipe, 'Band ground');
      const word = slotNamed(recipe, 'Main word');
      const outside = paths.combine('subtract', paths.weld(regionsOfPart(mark, word)), paths.weld(regionsOfPart(mark, band)));
      expect(areaOf([outside], 0.05), text).toBeLessThan(0.5);
      // Nor does the middle above reach into it.
      const middle = slotNamed(recipe, 'Middle');
      const edge = slotNamed(recipe, 'Band edge');
      const over = paths.combine('intersect', paths.weld(regionsOfPart(mark, middle)), paths.weld(regionsOfPart(mark, edge)));
      expect(areaOf([over], 0.05), text).toBeLessThan(0.5);
    }
  });

  const NAMES = [
    'O',
    'OO',
    'II',
    'Ω Ψ',
    'Ж Щ',
    'שלום עולם',
    'قارب صغير',
    'Q·Z',
    '漢字',
    '😀 kites',
    '',
    '   ',
    'W'.repeat(60),
    'two\nlines',
  ];
  it.each(BUILDER_NAMES)(
    '%s builds something or says why not, for names in other scripts, of one letter, of sixty, and of none',
    (name) => {
      for (const text of oneInEvery(4, NAMES))
        for (const family of ['noto-sans', 'great-vibes'] as const) {
          const hears = heard(text, family, text);
          for (const { numbers } of startsOf(name, context(hears)).slice(0, 4)) {
            const parts = builtParts(EMPTY_RECIPE, 'group', { builder: name, numbers, follows: null, heard: hears }, context(hears));
            if (!parts) continue;
            const mark = drawn({ ...EMPTY_RECIPE, parts });
            const { ink } = mark;
            if (ink) for (const edge of Object.values(ink)) expect(Number.isFinite(edge), `${name} ${text}`).toBe(true);
          }
        }
    },
  );

  it.each(BUILDER_NAMES)('%s builds at both ends of every one of its numbers', (name) => {
    const row = builderRow(name);
    for (const control of row.controls) {
      if (control.type !== 'number') continue;
      for (const value of [-1e9, 1e9]) {
        const parsed = row.schema.shape[control.field]?.safeParse(value);
        expect(parsed?.success, control.field).toBe(false);
      }
      for (const share of [0, 1]) {
        const { min, max } = limitsOf(name, control.field);
        const numbers = { ...startsOf(name, context(GORSEBANK))[0]?.numbers, [control.field]: share === 0 ? min : max };
        expect(numbersOf(name, numbers).ok, `${control.field} ${share}`).toBe(true);
        const parts = builtParts(EMPTY_RECIPE, 'group', { builder: name, numbers, follows: null, heard: GORSEBANK }, context(GORSEBANK));
        expect(parts, `${control.field} ${share}`).toBeDefined();
      }
    }
  });
});

/** The limits of a number by bisection over what its schema takes: told without the code that reads them from it. */
function limitsOf(name: BuilderName, field: string): { readonly min: number; readonly max: number } {
  const schema = builderRow(name).schema.shape[field] as { readonly safeParse: (value: unknown) => { readonly success: boolean } };
  const takes = (value: number) => schema.safeParse(value).success;
  const start = [1, 0, 5, 10, 50, 100, 300].find(takes) ?? 1;
  let [low, high] = [start, start];
  for (let step = 4096; step >= 1; step /= 2) {
    while (takes(low - step)) low -= step;
    while (takes(high + step)) high += step;
  }
  return { min: low, max: high };
}

describe('where the lead is a light color', () => {
  const golden = { ...STARTING_PALETTE, ink: '#33302b', paper: '#fffdf6', lead: '#f2b632' } as const;

  it.each(BUILDER_NAMES)('%s begins in ink, with the lead as what is light: everything is read on paper and on one another', (name) => {
    expect(contrastRatio(golden.lead, golden.paper)).toBeLessThan(3);
    for (const { label, numbers } of startsOf(name, context(GORSEBANK), golden)) {
      const all = valueOf(numbersOf(name, numbers));
      expect(all['groundPaint'], label).toEqual({ role: 'lead' });
      for (const [field, value] of Object.entries(all))
        if (field.endsWith('Paint') && field !== 'groundPaint') expect(value, `${label}, ${field}`).not.toEqual({ role: 'lead' });
    }
    expect(startsOf(name, context(GORSEBANK), { ...golden, lead: '#8c2f1f' })).toEqual(startsOf(name, context(GORSEBANK)));
  });
});

describe('what is built', () => {
  it('is ordinary parts under one row that is named after its builder', () => {
    const recipe = built('badge', { plan: 'seal' });
    expect(labelOf(groupOf(recipe))).toBe('Badge');
    expect(
      recipe.parts.every(({ kind }) => ['group', 'shape', 'lettering', 'symmetry', 'art', 'combination', 'inlay'].includes(kind)),
    ).toBe(true);
  });

  it('keeps what was changed by hand, and what was removed stays away, when it is built anew', () => {
    let recipe = built('badge', { plan: 'seal', lower: 'Row as one' });
    const edge = slot(recipe, 'edge');
    recipe = changePart(recipe, edge.id, { paint: { role: 'accent' }, name: 'My edge' });
    const center = slot(recipe, 'center').id;
    recipe = removePart(recipe, center);
    const group = groupOf(recipe);
    const next = rebuilt(
      recipe,
      'group',
      { numbers: { ...group.built?.numbers, sizePx: 600, year: '1987' }, heard: GORSEBANK },
      tools,
    ) as Recipe;
    expect(slot(next, 'edge')).toMatchObject({ paint: { role: 'accent' }, name: 'My edge', form: { widthPx: 600 } });
    expect(next.parts.some(({ id }) => id === center)).toBe(false);
    expect(slot(next, 'year-left')).toMatchObject({ text: '19' });
    expect(drawn(next).ink?.right).toBeGreaterThan(280);
    // Built anew once more, nothing comes back either.
    const third = rebuilt(next, 'group', { numbers: { ...groupOf(next).built?.numbers, sizePx: 300 }, heard: GORSEBANK }, tools) as Recipe;
    expect(third.parts.some((part) => labelOf(part) === 'Middle')).toBe(false);
    expect(slot(third, 'edge')).toMatchObject({ name: 'My edge', form: { widthPx: 300 } });
  });

  it('keeps parts that were put into it by hand', () => {
    let recipe = built('crest', { motto: '' });
    const star = valueOf(createPart({ kind: 'shape', id: 'mine', form: { form: 'star' } }));
    recipe = { ...recipe, parts: [star, ...recipe.parts] };
    recipe = changePart(recipe, 'group', { members: [...groupOf(recipe).members, 'mine'] });
    const next = rebuilt(recipe, 'group', { numbers: { top: 'crown' }, heard: GORSEBANK }, tools) as Recipe;
    expect(groupOf(next).members).toContain('mine');
    expect(next.parts.some(({ id }) => id === 'mine')).toBe(true);
    expect(slot(next, 'top')).toMatchObject({ form: { form: 'crown' } });
  });

  it('can be opened: its members stand by themselves where they stood', () => {
    const recipe = built('submark', { crop: 'left-mirrored' });
    const before = drawn(recipe).ink;
    const opened = openTaker(recipe, 'group');
    expect(opened.parts.some(({ id }) => id === 'group')).toBe(false);
    const after = drawn(opened).ink;
    for (const side of ['left', 'top', 'right', 'bottom'] as const) expect(after?.[side]).toBeCloseTo(before?.[side] as number, 6);
  });

  it('of a newer builder, or with numbers not known here, is kept whole and not built anew', () => {
    const recipe = built('badge', {});
    const newer = changePart(recipe, 'group', { built: { ...(groupOf(recipe).built as object), builder: 'coin-maker' } } as never);
    expect(rebuilt(newer, 'group', { numbers: {}, heard: GORSEBANK }, tools)).toBeUndefined();
    expect(valueOf(parseRecipe(JSON.parse(JSON.stringify(writeRecipe(newer)))))).toEqual(newer);
    const odd = changePart(recipe, 'group', { built: { ...(groupOf(recipe).built as object), numbers: { plan: 'spiral' } } } as never);
    expect(rebuilt(odd, 'group', { numbers: {}, heard: GORSEBANK }, tools)).toBeUndefined();
  });
});

describe('what is built follows the name', () => {
  const NAME: Lettering = valueOf(
    createPart({ kind: 'lettering', id: 'name', text: 'Windrow Kites', font: { family: 'josefin-sans' } }),
  ) as Lettering;
  const source = (change: object): Recipe => ({ ...EMPTY_RECIPE, parts: [{ ...NAME, ...change } as KnownPart] });
  const MARK = '6f6f1df7-7c15-4f8b-9d0e-9b8ad1f37a02';

  it.each(BUILDER_NAMES)('%s: other words, another face, another script; the same again gives the same picture', (name) => {
    const hears = heard('Windrow Kites', 'josefin-sans');
    const recipe = built(name, { ...startsOf(name, context(hears))[0]?.numbers, ...(name === 'crest' ? { name: true } : {}) }, hears, {
      mark: MARK,
      part: 'name',
    });
    const at = (change: object) => drawn(recipe, new Map([[MARK, source(change)]]));
    const before = JSON.stringify(at({}).drawing);
    const words = at({ text: 'Tidewrack Aerial' });
    expect(JSON.stringify(words.drawing)).not.toBe(before);
    expect(words.parts.flatMap(({ lettering }) => lettering?.families ?? [])).toContain('josefin-sans');
    const face = at({ font: { family: 'great-vibes', style: 'normal', axes: {} } });
    expect(face.parts.flatMap(({ lettering }) => lettering?.families ?? [])).toContain('great-vibes');
    expect(at({ text: 'Ωκεανός Κύμα', font: { family: 'noto-sans', style: 'normal', axes: {} } }).ink).toBeDefined();
    expect(JSON.stringify(at({}).drawing)).toBe(before);
  });

  it('in its own mark as well, through what was changed by hand; gone, it keeps what it heard last', () => {
    const hears = heard('Windrow Kites', 'josefin-sans');
    const badge = built('badge', { plan: 'rings' }, hears, { mark: null, part: 'name' });
    const recipe: Recipe = { ...badge, parts: [NAME, ...badge.parts] };
    const renamed = changePart(recipe, 'name', { text: 'Gorsebank' });
    const fresh = brought(renamed, new Map(), tools);
    expect(slot(fresh, 'upper')).toMatchObject({ text: 'Gorsebank' });
    expect(brought(renamed, new Map(), tools)).toBe(fresh);
    expect(brought(recipe, new Map(), tools)).toBe(recipe);
    const gone = removePart(renamed, 'name');
    expect(brought(gone, new Map(), tools)).toBe(gone);
  });
});

describe('a motto', () => {
  const BANNERS = ['hangingFoldedRibbon', 'hangingRibbon', 'foldedRibbon', 'ribbon', 'scroll', 'archedFoldedRibbon', 'archedBand'];
  it('lies inside its banner with air around, every glyph of it, whatever its length', () => {
    const next = random(3);
    const words = ['row', 'as', 'one', 'ever', 'upward', 'steady', 'water', 'bears', 'us', 'onward', 'true'];
    for (let round = 0; round < casesOf({ inFull: 200, sample: 14 }); round++) {
      const motto = Array.from({ length: 1 + Math.floor(next() * 8) }, () => words[Math.floor(next() * words.length)])
        .join(' ')
        .slice(0, 60);
      const recipe = built('crest', { motto, banner: BANNERS[round % BANNERS.length] });
      const mark = drawn(recipe);
      const place = (name: string) => mark.parts.find(({ id }) => id === slot(recipe, name).id);
      const banner = place('banner')?.ink;
      const text = place('motto');
      expect(text?.ink, motto).toBeDefined();
      if (!banner || !text?.ink) continue;
      expect(text.ink.left, motto).toBeGreaterThan(banner.left);
      expect(text.ink.right, motto).toBeLessThan(banner.right);
      expect(text.ink.top, motto).toBeGreaterThan(banner.top);
      expect(text.ink.bottom, motto).toBeLessThan(banner.bottom);
    }
  });
});

describe('random sequences', () => {
  it('of numbers, names, hand changes and removals leave recipes that resolve, with no part lost', () => {
    const next = random(23);
    const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)] as T;
    for (let round = 0; round < casesOf({ inFull: 300, sample: 12 }); round++) {
      const name = BUILDER_NAMES[round % BUILDER_NAMES.length] as BuilderName;
      const starts = startsOf(name, context(GORSEBANK));
      let recipe = built(name, pick(starts).numbers);
      const own = new Set<string>();
      for (let step = 0; step < 5; step++) {
        const group = groupOf(recipe);
        const what = Math.floor(next() * 4);
        if (what === 0)
          recipe =
            rebuilt(
              recipe,
              'group',
              { numbers: { ...group.built?.numbers, ...pick(starts).numbers }, heard: group.built?.heard ?? GORSEBANK },
              tools,
            ) ?? recipe;
        else if (what === 1)
          recipe =
            rebuilt(
              recipe,
              'group',
              {
                numbers: group.built?.numbers ?? {},
                heard: heard(pick(['Ember Forge', 'Tide', 'Heron Hill Dairy']), pick(['josefin-sans', 'great-vibes', 'alfa-slab-one'])),
              },
              tools,
            ) ?? recipe;
        else if (what === 2) {
          const member = pick(recipe.parts.filter(({ id }) => id !== 'group'));
          if (member && member.kind !== 'unknown') recipe = changePart(recipe, member.id, { opacity: 0.5 });
        } else if (recipe.parts.length > 3) {
          const extra = valueOf(createPart({ kind: 'shape', id: `own-${round}-${step}`, form: { form: 'disk' } }));
          own.add(extra.id);
          recipe = { ...recipe, parts: [extra, ...recipe.parts] };
          recipe = changePart(recipe, 'group', { members: [...groupOf(recipe).members, extra.id] });
        }
        expect(valueOf(parseRecipe(JSON.parse(JSON.stringify(writeRecipe(recipe)))))).toEqual(recipe);
        const mark = drawn(recipe);
        expect(mark.ink).toBeDefined();
        for (const id of own)
          expect(
            recipe.parts.some((part) => part.id === id),
            `${name} ${round}`,
          ).toBe(true);
        // Everything that a member draws, and every member, is there.
        const ids = new Set(recipe.parts.map(({ id }) => id));
        for (const part of recipe.parts)
          if ('members' in part) for (const member of part.members) expect(ids.has(member), `${name}: ${member}`).toBe(true);
      }
    }
  });
});
