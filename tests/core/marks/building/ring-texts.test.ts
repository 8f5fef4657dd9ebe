import { readFileSync } from 'node:fs';
import { areaPathsD, FillRule, intersectD, unionD, type PathsD } from 'clipper2-ts';
import { describe, expect, it } from 'vitest';
import {
  builderRow,
  builtParts,
  dress,
  EMPTY_RECIPE,
  expect as valueOf,
  flatten,
  mapPath,
  numbersOf,
  STARTING_PALETTE,
  walkNodes,
  type BuildContext,
  type BuilderName,
  type DrawingNode,
  type Heard,
  type KnownPart,
  type Lettering,
  type Recipe,
} from '$core/index';
import { BADGE_PLANS } from '../../../../src/core/marks/builders/badge/numbers';
import { casesOf } from '../../../support/deep';
import { shelfOf } from '../../../support/fonts';
import { random } from '../../../support/random';
import { paths, resolverOf } from '../../../support/resolver';

const FACES = ['playfair-display', 'josefin-sans', 'great-vibes', 'alfa-slab-one', 'noto-sans'] as const;
const shelf = await shelfOf(...FACES);
const { resolve } = resolverOf(shelf);
const tools: Omit<BuildContext, 'heard'> = { fonts: shelf, paths, remember: (_key, make) => make() };
const heard = (text: string, family: string, second?: string): Heard => ({
  ...{ text, font: { family, style: 'normal', axes: {} } },
  ...(second === undefined ? {} : { second }),
});
function built(builder: BuilderName, numbers: object, hears: Heard): Recipe {
  const parts = builtParts(
    EMPTY_RECIPE,
    'group',
    { builder, numbers: { ...numbers }, follows: null, heard: hears },
    { ...tools, heard: hears },
  );
  if (!parts) throw new Error(`${builder} made nothing`);
  return { ...EMPTY_RECIPE, parts };
}
const drawn = (recipe: Recipe) => resolve({ recipe, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') });
const slot = (recipe: Recipe, name: string): KnownPart => {
  const group = recipe.parts.find((part) => part.id === 'group');
  const id = group?.kind === 'group' ? group.built?.slots[name] : undefined;
  return recipe.parts.find((part): part is KnownPart => part.id === id && part.kind !== 'unknown') as KnownPart;
};

/** What every part covers, in the order they are painted, by an independent polygon library (clipper2). */
function coverOf(recipe: Recipe): ReadonlyMap<string, PathsD> {
  const areas = new Map<string, PathsD>();
  walkNodes<DrawingNode>(drawn(recipe).drawing.groups, ({ path, rule }, { map, around }) => {
    const id = around.flatMap(({ group }) => (group.id && group.id !== 'group' ? [group.id] : [])).at(-1) ?? '';
    const own = unionD(flatten(mapPath(path, map), 0.05) as never, rule === 'evenodd' ? FillRule.EvenOdd : FillRule.NonZero);
    const before = areas.get(id);
    areas.set(id, before ? unionD([...before, ...own], FillRule.NonZero) : own);
  });
  return areas;
}
const area = (of: PathsD): number => Math.abs(areaPathsD(of));

/** Which texts another part touches: one above it, or one below that it does not lie on as a whole. What its ground hides does not count. */
function collisions(recipe: Recipe): readonly string[] {
  const cover = coverOf(recipe);
  const order = [...cover.keys()];
  const named = (id: string | undefined) => recipe.parts.flatMap((part) => (part.id === id && 'name' in part ? [part.name] : [])).join();
  return order.flatMap((id, at) => {
    if (recipe.parts.find((part) => part.id === id)?.kind !== 'lettering') return [];
    const own = cover.get(id) as PathsD;
    const shares = order.map((other) =>
      other === id ? 0 : area(intersectD(own, cover.get(other) as PathsD, FillRule.NonZero)) / area(own),
    );
    const ground = shares.findLastIndex((share, n) => n < at && share > 0.999);
    return shares.flatMap((share, n) =>
      n <= ground || n === at || share < 0.0005 ? [] : [`${named(id)} and ${named(order[n])}: ${(100 * share).toFixed(2)} %`],
    );
  });
}

describe('the words of badges and submarks', () => {
  // Published list: Debian wamerican (SCOWL).
  const WORDS = readFileSync('/usr/share/dict/american-english', 'utf8')
    .split('\n')
    .filter((word) => /^[a-z]{2,12}$/.test(word));

  it('touch nothing but the ground they stand on, for names of a published word list, in every construction', () => {
    const next = random(21);
    const pick = <T>(from: readonly T[]): T => from[Math.floor(next() * from.length)] as T;
    const words = (most: number) => Array.from({ length: 1 + Math.floor(next() * most) }, () => pick(WORDS)).join(' ');
    const faults: string[] = [];
    for (let round = 0; round < casesOf({ inFull: 500, sample: 14 }); round++) {
      const hears = heard(words(4), pick(FACES), words(3));
      const isSubmark = round % 11 === 10;
      const numbers = isSubmark
        ? { ringText: true, disk: next() < 0.5 }
        : {
            plan: BADGE_PLANS[round % BADGE_PLANS.length],
            edge: pick(['plain', 'double', 'rope', 'seal']),
            filled: next() < 0.5,
            year: pick(['', '1987', 'Est. 2011']),
            textPercent: 4 + 6 * next(),
            bandPercent: 12 + 10 * next(),
          };
      for (const fault of collisions(built(isSubmark ? 'submark' : 'badge', numbers, hears)))
        faults.push(`${round} ${JSON.stringify(numbers)} ${hears.text} | ${hears.second} in ${hears.font.family}: ${fault}`);
    }
    expect(faults).toEqual([]);
  });

  it('would be told apart from their ground: a text that hangs over a band is found', () => {
    const recipe = built('badge', { plan: 'across' }, heard('Harbor Lantern', 'noto-sans', 'of copper and of tin'));
    const upper = slot(recipe, 'upper');
    const moved = recipe.parts.map((part) =>
      part.id === upper.id ? { ...upper, place: { ...upper.place, y: upper.place.y + 60 } } : part,
    );
    expect(collisions(recipe)).toEqual([]);
    expect(collisions({ ...recipe, parts: moved }).join()).toContain('Break');
  });
});

const GORSEBANK = heard('Gorsebank Rowing Club', 'playfair-display', 'Row as one');

describe('ring texts', () => {
  const WORDS = [
    'harbor',
    'lantern',
    'meadow',
    'copper',
    'willow',
    'granite',
    'thistle',
    'orchard',
    'beacon',
    'saddle',
    'ember',
    'quarry',
    'heron',
    'anvil',
    'sparrow',
    'tide',
    'wick',
    'oar',
  ];
  it('run over equal angles, so that both gaps are alike within 0.5°, and never meet, over seeded names', () => {
    const next = random(11);
    const word = () => WORDS[Math.floor(next() * WORDS.length)] as string;
    for (let round = 0; round < casesOf({ inFull: 500, sample: 10 }); round++) {
      const words = (most: number) => Array.from({ length: 1 + Math.floor(next() * most) }, word).join(' ');
      const recipe = built(
        'badge',
        { plan: 'seal', upper: words(4), lower: words(4), textPercent: 5 + 6 * next() },
        heard('Quarry', round % 2 === 0 ? 'playfair-display' : 'alfa-slab-one'),
      );
      const mark = drawn(recipe);
      const circle = (name: string) => mark.parts.find(({ id }) => id === slot(recipe, name).id)?.lettering;
      const [upper, lower] = [circle('upper'), circle('lower')];
      const [above, below] = [upper?.circle?.sweepDeg ?? 0, lower?.circle?.sweepDeg ?? 0];
      expect(
        Math.abs(above - below),
        `${round} ${JSON.stringify([above, below, slot(recipe, 'upper'), slot(recipe, 'lower')].map((each) => (typeof each === 'number' ? each : (each as Lettering).text + JSON.stringify((each as Lettering).fit))))}`,
      ).toBeLessThan(0.5);
      expect(above + below).toBeLessThan(350);
      // Angles of the letters' middles from the center: those of one half stay on their side.
      for (const [letters, side] of [
        [upper?.letters ?? [], -1],
        [lower?.letters ?? [], 1],
      ] as const) {
        const angles = letters.map(({ at }) => (Math.atan2(at.x, -side * at.y * -1) * 180) / Math.PI);
        expect(Math.max(...angles.map(Math.abs))).toBeLessThan(172);
        // From end to end, both sides of the level line are left alike.
        if (angles.length > 1) expect(Math.abs(Math.max(...angles) + Math.min(...angles))).toBeLessThan(14);
      }
    }
  });

  it('run over equal shares of an oval, inside its band, upright below', () => {
    for (const [text, second, family] of [
      ['Windrow Kites', 'of the north shore', 'playfair-display'],
      ['Io', 'The oldest makers of copper', 'alfa-slab-one'],
      ['The oldest makers of copper and of tin', 'Tide', 'josefin-sans'],
      ['Żółw', 'Ångström', 'noto-sans'],
    ] as const) {
      const recipe = built('badge', { plan: 'ovalRing' }, heard(text, family, second));
      const mark = drawn(recipe);
      const lettersOf = (name: string) => mark.parts.find(({ id }) => id === slot(recipe, name).id)?.lettering?.letters ?? [];
      const edge = slot(recipe, 'edge');
      if (edge.kind !== 'shape') throw new Error('The edge is a shape.');
      const { widthPx = 0, heightPx = 0 } = edge as unknown as { readonly widthPx: number; readonly heightPx: number };
      // How far round from the top or the foot each letter stands, as an angle of the circle that the oval is when it is drawn out.
      const [above, below] = (['upper', 'lower'] as const).map((name) =>
        lettersOf(name).map(({ at }) => (Math.atan2(at.x / widthPx, Math.abs(at.y) / heightPx) * 180) / Math.PI),
      );
      for (const angles of [above ?? [], below ?? []]) {
        expect(angles.length).toBeGreaterThan(1);
        expect(Math.max(...angles.map(Math.abs)), text).toBeLessThan(80);
        expect(Math.abs(Math.max(...angles) + Math.min(...angles)), text).toBeLessThan(16);
      }
      expect(lettersOf('upper').every(({ at }) => at.y < 0) && lettersOf('lower').every(({ at }) => at.y > 0)).toBe(true);
      expect(collisions(recipe), text).toEqual([]);
    }
  });

  it('tells what was changed so that they fit', () => {
    const long = 'The oldest lantern makers of the copper quarry and the heron meadow';
    const made = builderRow('badge').build(
      numbersOf('badge', { upper: long, lower: 'Est.' }).ok
        ? (valueOf(numbersOf('badge', { upper: long, lower: 'Est.' })) as never)
        : ({} as never),
      { ...tools, heard: GORSEBANK },
    );
    expect(made.notices.map(({ code }) => code)).toContain('ring-farther');
    const some = builderRow('badge').build(valueOf(numbersOf('badge', { upper: 'Lantern makers of copper', lower: 'Est.' })) as never, {
      ...tools,
      heard: GORSEBANK,
    });
    expect(some.notices.map(({ code }) => code).some((code) => code === 'ring-smaller' || code === 'ring-tighter')).toBe(true);
  });
});
