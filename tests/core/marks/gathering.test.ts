import { describe, expect, it } from 'vitest';
import {
  apply,
  compose,
  copiesOf,
  symmetryRow,
  createPart,
  duplicatePart,
  gather,
  IDENTITY,
  islandsOf,
  mapPath,
  openTaker,
  parseRecipe,
  placeAt,
  placing,
  releaseCopy,
  removePart,
  writeRecipe,
  expect as valueOf,
  type DrawingNode,
  type KnownPart,
  type Path,
  type Recipe,
  type Region,
  type ResolvedMark,
  type Symmetry,
  RECIPE_VERSION,
  newTreatment,
  walkNodes,
} from '$core/index';
import { combineFlattened } from '$core/pathops';
import { areaOf, drawnOn, letteringInput, partNamed } from '../../support/drawn-mark';
import { shelfOf } from '../../support/fonts';
import { paths } from '../../support/resolver';
import fc from '../../support/properties';

const draw = drawnOn(await shelfOf('jost'));
type Input = Parameters<typeof createPart>[0];
const panel = (id: string, x: number, y: number, widthPx = 100, heightPx = 100, more: object = {}): Input =>
  ({ kind: 'shape', id, form: { form: 'panel', widthPx, heightPx, cornerPx: 0 }, place: { x, y, turnDeg: 0 }, ...more }) as Input;
const ring = (id: string, x: number, y: number, size = 200, bandPx = 20): Input =>
  ({ kind: 'shape', id, form: { form: 'ring', widthPx: size, heightPx: size, bandPx }, place: { x, y, turnDeg: 0 } }) as Input;
const combined = (how: string, members: readonly string[], more: object = {}): Input =>
  ({ kind: 'combination', id: 'all', members: [...members], how, ...more }) as Input;

/** All outlines of a mark in mark pixels. */
function regionsOf(mark: ResolvedMark): readonly Region[] {
  const walk = (nodes: readonly DrawingNode[], map = IDENTITY): readonly Region[] =>
    nodes.flatMap((node) =>
      node.kind === 'group' ? walk(node.children, compose(map, node.transform)) : [{ path: mapPath(node.path, map), rule: node.rule }],
    );
  return mark.drawing.groups.flatMap((group) => walk(group.children, group.transform));
}
const area = (mark: ResolvedMark) => areaOf(regionsOf(mark));
const recipeOf = (...inputs: readonly Input[]): Recipe => ({
  version: RECIPE_VERSION,
  parts: inputs.map((input) => valueOf(createPart(input))),
});
const drawRecipe = (recipe: Recipe) => draw(...(recipe.parts as readonly KnownPart[]));

describe('combining live parts', () => {
  it('has the areas of set arithmetic (closed forms)', () => {
    const two = [panel('a', 0, 0), panel('b', 50, 50)] as const;
    expect(area(draw(...two, combined('unite', ['a', 'b'])))).toBeCloseTo(17_500, 2);
    expect(area(draw(...two, combined('subtract', ['a', 'b'])))).toBeCloseTo(7_500, 2);
    expect(area(draw(...two, combined('intersect', ['a', 'b'])))).toBeCloseTo(2_500, 2);
    expect(area(draw(...two, combined('exclude', ['a', 'b'])))).toBeCloseTo(15_000, 2);
    const divided = draw(...two, combined('divide', ['a', 'b']));
    expect(area(divided)).toBeCloseTo(10_000, 2);
    expect(regionsOf(divided)).toHaveLength(2);
  });

  it('divides by a line into pieces that are kept, painted and left out one by one', () => {
    const bar = panel('bar', 0, 0, 300, 4, { place: { x: 0, y: 0, turnDeg: 45 } });
    const whole = draw(panel('a', 0, 0), bar, combined('divide', ['a', 'bar']));
    expect(regionsOf(whole)).toHaveLength(3);
    const fewer = draw(
      panel('a', 0, 0),
      bar,
      combined('divide', ['a', 'bar'], {
        pieces: [
          { index: 2, out: true },
          { index: 0, paint: { role: 'accent' } },
        ],
      }),
    );
    expect(regionsOf(fewer)).toHaveLength(2);
    const colors = fewer.drawing.groups[0]?.children.map((node) => (node.kind === 'fill' ? node.color : ''));
    expect(new Set(colors).size).toBe(2);
  });

  it('keeps curves: a letter less a disk has no more points than it needs', () => {
    const mark = draw(letteringInput({ text: 'O', sizePx: 300 }), panel('bar', 110, -100, 400, 30), combined('subtract', ['name', 'bar']));
    const [group] = mark.drawing.groups;
    const fill = group?.children[0] as { path: Path };
    expect(fill.path.verbs).toMatch(/[QC]/);
    expect(fill.path.verbs.length).toBeLessThan(60);
  });

  it('takes the backmost paint unless told otherwise, and shows nothing of its members by itself', () => {
    const mark = draw(panel('a', 0, 0, 100, 100, { paint: { role: 'accent' } }), panel('b', 50, 0), combined('unite', ['a', 'b']));
    expect(mark.drawing.groups.map(({ id }) => id)).toEqual(['all']);
    expect(partNamed(mark, 'a').within).toBe('all');
    expect(draw(panel('a', 0, 0), panel('b', 500, 0), combined('intersect', ['a', 'b'])).parts[2]?.notices[0]?.code).toBe('nothing-left');
  });

  it('redraws when a member changes, hides or moves, and moves its members with it', () => {
    const before = area(draw(panel('a', 0, 0), panel('b', 50, 50), combined('unite', ['a', 'b'])));
    expect(area(draw(panel('a', 0, 0), panel('b', 60, 50), combined('unite', ['a', 'b'])))).not.toBeCloseTo(before, 0);
    expect(area(draw(panel('a', 0, 0), panel('b', 50, 50, 100, 100, { hidden: true }), combined('unite', ['a', 'b'])))).toBeCloseTo(
      10_000,
      2,
    );
    const moved = draw(panel('a', 0, 0), panel('b', 50, 50), combined('unite', ['a', 'b'], { place: { x: 1000, y: 0, turnDeg: 0 } }));
    expect(partNamed(moved, 'a').ink?.left).toBeCloseTo(950, 6);
    expect(partNamed(moved, 'a').outer.e).toBe(1000);
  });

  it('never draws itself, not even through others', () => {
    const mark = draw(
      { kind: 'group', id: 'one', members: ['other', 'one'] } as Input,
      { kind: 'group', id: 'other', members: ['one', 'a'] } as Input,
      panel('a', 0, 0),
    );
    expect(area(mark)).toBeCloseTo(10_000, 3);
    expect(
      area(
        draw(
          { kind: 'group', id: 'one', members: ['a', 'gone'] } as Input,
          { kind: 'group', id: 'two', members: ['a'] } as Input,
          panel('a', 0, 0),
        ),
      ),
    ).toBeCloseTo(10_000, 3);
  });
});

describe('bands, inlays, weaving', () => {
  it('a band outward, inward and to both sides of a disk has the area of its ring (closed form)', () => {
    const disk = { kind: 'shape', id: 'd', form: { form: 'disk', widthPx: 200, heightPx: 200 }, hidden: true } as Input;
    const band = (more: object) => draw(disk, { kind: 'band', id: 'band', of: 'd', widthPx: 10, ...more } as Input);
    expect(area(band({ side: 'outward', solid: true })) / (Math.PI * 110 ** 2)).toBeCloseTo(1, 3);
    expect(area(band({ side: 'outward', solid: false })) / (Math.PI * (110 ** 2 - 100 ** 2))).toBeCloseTo(1, 2);
    expect(area(band({ side: 'inward' })) / (Math.PI * (100 ** 2 - 90 ** 2))).toBeCloseTo(1, 2);
    expect(area(band({ side: 'both' })) / (Math.PI * (110 ** 2 - 90 ** 2))).toBeCloseTo(1, 2);
    const gone = draw({ kind: 'band', id: 'band', of: 'd' } as Input);
    expect(gone.parts[0]?.notices[0]?.code).toBe('band-gone');
  });

  it('a wide band around a whole word makes one shape, and closes every counter where asked', () => {
    const band = (more: object) => {
      const mark = draw(
        { kind: 'band', id: 'band', of: 'name', widthPx: 14, ...more } as Input,
        letteringInput({ text: 'Bold', sizePx: 120 }),
      );
      const fill = mark.drawing.groups[0]?.children[0] as unknown as Region;
      return islandsOf(fill);
    };
    expect(band({})).toHaveLength(1);
    const holes = (path: Path) => path.verbs.split('M').length - 2;
    expect(
      holes(band({ widthPx: 6 }).reduce((most, one) => (one.path.verbs.length > most.path.verbs.length ? one : most)).path),
    ).toBeGreaterThan(0);
    expect(band({ closed: true }).map(({ path }) => holes(path))).toEqual([0]);
  });

  it('an inlay shows only what lies inside of its container', () => {
    const mark = draw(panel('box', 0, 0), panel('in', 60, 0), {
      kind: 'inlay',
      id: 'i',
      members: ['box', 'in'],
      showsContainer: false,
    } as Input);
    expect(area(mark)).toBeCloseTo(40 * 100, 2);
    const inset = draw(panel('box', 0, 0), panel('in', 60, 0), {
      kind: 'inlay',
      id: 'i',
      members: ['box', 'in'],
      showsContainer: false,
      insetPx: 5,
    } as Input);
    expect(area(inset)).toBeCloseTo(35 * 90, 2);
  });

  it('an inlay keeps how members of its members are blended, and lets shadows be left out of one color', () => {
    const shadowed = { ...panel('faint', 60, 0), opacity: 0.4, blend: 'multiply', treatments: [newTreatment('soft-shadow', 's')] };
    const mark = draw(
      panel('box', 0, 0),
      shadowed as Input,
      { kind: 'group', id: 'both', members: ['faint'] } as Input,
      { kind: 'inlay', id: 'i', members: ['box', 'both'], showsContainer: false } as Input,
    );
    const kept: string[] = [];
    walkNodes<DrawingNode>(mark.drawing.groups, (_, { around }) => {
      const seen = around.reduce((sum, { group }) => sum * group.opacity, 1);
      const blend = around.find(({ group }) => group.blend !== 'normal')?.group.blend;
      kept.push(`${seen} ${blend} ${around.flatMap(({ group }) => group.oneColor ?? []).join()}`);
    });
    expect(new Set(kept)).toEqual(new Set(['0.4 multiply ', '0.4 multiply dropped']));
  });

  it('weaves two rings: over and under take turns, and the gap is even', () => {
    const gapPx = 6;
    const mark = draw(ring('a', 0, 0), ring('b', 110, 0), combined('weave', ['a', 'b'], { gapPx }));
    const [a, b] = regionsOf(mark) as [Region, Region];
    expect(areaOf([combineFlattened('intersect', a, b)])).toBeLessThan(0.01);
    // Each ring is cut at one of the two crossings: two pieces would be one ring opened, still in one piece.
    expect(islandsOf(a)).toHaveLength(1);
    expect(islandsOf(b)).toHaveLength(1);
    const cutAt = (region: Region) => region.path.coords.filter((_, index) => index % 2 === 1);
    expect(cutAt(a)).not.toEqual(cutAt(b));
    // Grown by just less than the gap they still do not touch; by a little more they do.
    const touching = (by: number) => areaOf([combineFlattened('intersect', paths.weld([a, paths.band(a, 2 * by, 'round')]), b)]);
    expect(touching(gapPx * 0.95)).toBeLessThan(0.1);
    expect(touching(gapPx * 1.1)).toBeGreaterThan(1);
    const other = draw(ring('a', 0, 0), ring('b', 110, 0), combined('weave', ['a', 'b'], { gapPx, firstOver: false }));
    expect(area(other)).toBeCloseTo(area(mark), 0);
    expect(regionsOf(other)[0]?.path).not.toEqual(a.path);
  });

  it('weaves a ring with small words, whose dots and points stay however wide the gap is', () => {
    const words = letteringInput({ id: 'words', text: 'Wii:.', sizePx: 50, place: { x: 0, y: 12, turnDeg: 0 } });
    const [plain] = regionsOf(draw(words)) as [Region];
    const all = islandsOf(paths.weld(regionsOf(draw(words)))).length;
    expect(plain.path.verbs.length).toBeGreaterThan(0);
    expect(all).toBeGreaterThanOrEqual(8);
    const mark = draw(ring('a', 0, 0), words, combined('weave', ['a', 'words'], { gapPx: 12 }));
    expect(islandsOf(regionsOf(mark)[1] as Region)).toHaveLength(all);
  });

  it('weaves three rings so that no two ever overlap', () => {
    const mark = draw(ring('a', 0, 0), ring('b', 110, 0), ring('c', 55, 95), combined('weave', ['a', 'b', 'c']));
    const regions = regionsOf(mark);
    expect(regions).toHaveLength(3);
    regions.forEach((one, i) =>
      regions.slice(i + 1).forEach((other) => expect(areaOf([combineFlattened('intersect', one, other)])).toBeLessThan(0.05)),
    );
  });
});

describe('symmetry as a live set', () => {
  const sets = fc.record({
    rule: fc.constantFrom('mirror', 'four-way', 'around', 'along', 'grid'),
    centerX: fc.integer({ min: -300, max: 300 }),
    centerY: fc.integer({ min: -300, max: 300 }),
    axisDeg: fc.integer({ min: -180, max: 180 }),
    count: fc.integer({ min: 2, max: 9 }),
    turning: fc.boolean(),
    stepX: fc.integer({ min: -90, max: 90 }),
    stepY: fc.integer({ min: -90, max: 90 }),
    columns: fc.integer({ min: 1, max: 7 }),
    rows: fc.integer({ min: 1, max: 20 }),
    shiftPercent: fc.integer({ min: -100, max: 100 }),
  });
  const place = fc.record({
    x: fc.integer({ min: -200, max: 200 }),
    y: fc.integer({ min: -200, max: 200 }),
    turnDeg: fc.integer({ min: -180, max: 180 }),
  });

  it('has members that are exact images of the edited one after any edit, within 1e-9 (written out by hand)', () => {
    fc.assert(
      fc.property(sets, place, fc.integer({ min: 20, max: 200 }), (set, at, widthPx) => {
        const mark = draw(panel('wing', 0, 0, widthPx, 40, { place: at }), {
          kind: 'symmetry',
          id: 's',
          members: ['wing'],
          ...set,
        } as Input);
        const copies = (mark.drawing.groups[0]?.children ?? []) as readonly {
          readonly transform: ReturnType<typeof placing>;
          readonly children: readonly { transform: ReturnType<typeof placing> }[];
        }[];
        const turn = (set.axisDeg * Math.PI) / 180;
        const own = { x: at.x + 7, y: at.y - 3 };
        copies.forEach((copy, index) => {
          const seen = apply(copy.transform, own);
          const [dx, dy] = [own.x - set.centerX, own.y - set.centerY];
          const flip = (angle: number, x: number, y: number) => ({
            x: x * Math.cos(2 * angle) + y * Math.sin(2 * angle),
            y: x * Math.sin(2 * angle) - y * Math.cos(2 * angle),
          });
          const wanted = (() => {
            if (index === 0) return own;
            if (set.rule === 'along') return { x: own.x + index * set.stepX, y: own.y + index * set.stepY };
            if (set.rule === 'grid') {
              const row = Math.floor(index / set.columns);
              const along = (index % set.columns) + (row % 2) * (set.shiftPercent / 100);
              return { x: own.x + along * set.stepX, y: own.y + row * set.stepY };
            }
            if (set.rule === 'around') {
              const by = (2 * Math.PI * index) / set.count;
              const about = set.turning ? { x: dx, y: dy } : { x: at.x - set.centerX, y: at.y - set.centerY };
              const turned = { x: about.x * Math.cos(by) - about.y * Math.sin(by), y: about.x * Math.sin(by) + about.y * Math.cos(by) };
              return set.turning
                ? { x: set.centerX + turned.x, y: set.centerY + turned.y }
                : { x: own.x + set.centerX + turned.x - at.x, y: own.y + set.centerY + turned.y - at.y };
            }
            const once = flip(turn, dx, dy);
            const seenTwice = { x: -dx, y: -dy };
            const across = flip(turn + Math.PI / 2, dx, dy);
            const image = index === 1 ? once : index === 2 ? seenTwice : across;
            return { x: set.centerX + image.x, y: set.centerY + image.y };
          })();
          expect(Math.abs(seen.x - wanted.x)).toBeLessThan(1e-9);
          expect(Math.abs(seen.y - wanted.y)).toBeLessThan(1e-9);
          // Every copy holds the same outlines, not a copy of them.
          expect(copy.children[0]).toMatchObject({ transform: copies[0]?.children[0]?.transform });
        });
        const counts = { mirror: 2, 'four-way': 4, around: set.count, along: set.count, grid: Math.min(120, set.columns * set.rows) };
        expect(copies.length).toBe(counts[set.rule]);
      }),
      { numRuns: 300 },
    );
  });

  it('in columns and rows draws 120 at most, and knows how many were asked for', () => {
    const asked = (columns: number, rows: number) => {
      const set = valueOf(createPart({ kind: 'symmetry', id: 's', members: [], rule: 'grid', columns, rows })) as Symmetry;
      const row = symmetryRow('grid');
      return [copiesOf(set, undefined).length, row.count(set), row.wanted?.(set)];
    };
    expect(asked(4, 3)).toEqual([12, 12, 12]);
    expect(asked(60, 60)).toEqual([120, 120, 3600]);
    expect(asked(1, 1)).toEqual([1, 1, 1]);
  });

  it('crops a half and mirrors it in one go: the whole is symmetric and keeps the larger half', () => {
    const mark = draw(panel('a', 20, 0), { kind: 'symmetry', id: 's', members: ['a'], rule: 'mirror', crop: true } as Input);
    expect(area(mark)).toBeCloseTo(2 * 70 * 100, 2);
    expect(mark.ink).toMatchObject({ left: expect.closeTo(-70, 3) as number, right: expect.closeTo(70, 3) as number });
  });

  it('releases one copy: it stands where it stood, is its own part, and the set goes on without it', () => {
    const recipe = recipeOf(panel('wing', 60, 10, 80, 30), {
      kind: 'symmetry',
      id: 's',
      members: ['wing'],
      rule: 'around',
      count: 5,
    } as Input);
    const before = area(drawRecipe(recipe));
    const ink = partNamed(drawRecipe(recipe), 'wing').ink;
    const freed = releaseCopy(recipe, 's', 2, ink);
    if (!freed) throw new Error('not released');
    expect(area(drawRecipe(freed.recipe))).toBeCloseTo(before, 2);
    expect((freed.recipe.parts.find(({ id }) => id === 's') as Symmetry).released).toEqual([2]);
    expect(releaseCopy(freed.recipe, 's', 2, ink)).toBeUndefined();
    const own = freed.recipe.parts.find(({ id }) => id === freed.id);
    expect(own).toMatchObject({ kind: 'shape', place: { turnDeg: expect.closeTo(144, 6) as number } });
    // A mirrored copy of a word stays live text, flipped.
    const word = recipeOf(letteringInput({ place: { x: 200, y: 0, turnDeg: 0 } }), {
      kind: 'symmetry',
      id: 's',
      members: ['name'],
      rule: 'mirror',
    } as Input);
    const flipped = releaseCopy(word, 's', 1, undefined);
    expect(flipped?.recipe.parts.at(-1)).toMatchObject({ kind: 'lettering', text: 'Windrow', place: { flip: true, x: -200 } });
    expect(copiesOf(valueOf(createPart({ kind: 'symmetry', id: 's', members: [], rule: 'mirror' })) as Symmetry, undefined)).toHaveLength(
      2,
    );
  });
});

describe('gathering, opening, copying and removing', () => {
  const scene = () => recipeOf(panel('a', 0, 0), panel('b', 150, 0), panel('c', 300, 0));
  const grouped = () => {
    const made = gather(scene(), ['a', 'c'], 'group', (id, members) => ({
      kind: 'group',
      id,
      members: [...members],
      place: { x: 40, y: -20, turnDeg: 30, scale: 2, flip: true },
    }));
    if (!made) throw new Error('not gathered');
    return made;
  };

  it('a place and its map are each other’s inverse', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -900, max: 900 }),
        fc.integer({ min: -179, max: 180 }),
        fc.double({ min: 0.1, max: 10, noNaN: true }),
        fc.boolean(),
        (x, turnDeg, scale, flip) => {
          const map = placing({ x, y: -x, turnDeg, scale, flip });
          const again = placing(placeAt(map));
          for (const key of ['a', 'b', 'c', 'd', 'e', 'f'] as const) expect(again[key]).toBeCloseTo(map[key], 9);
        },
      ),
    );
  });

  it('opening leaves everything where it stood', () => {
    const { recipe, id } = grouped();
    const before = drawRecipe(recipe);
    const opened = openTaker(recipe, id);
    expect(opened.parts.map((part) => part.id)).toEqual(['a', 'b', 'c']);
    const after = drawRecipe(opened);
    for (const name of ['a', 'c'])
      for (const side of ['left', 'top', 'right', 'bottom'] as const)
        expect(partNamed(after, name).ink?.[side]).toBeCloseTo(partNamed(before, name).ink?.[side] ?? NaN, 9);
  });

  it('groups within groups open one by one', () => {
    const { recipe, id } = grouped();
    const outer = gather(recipe, [id, 'b'], 'group', (name, members) => ({ kind: 'group', id: name, members: [...members] }));
    const inner =
      outer && gather(outer.recipe, ['a', 'c'], 'group', (name, members) => ({ kind: 'group', id: name, members: [...members] }));
    if (!outer || !inner) throw new Error('not gathered');
    expect(area(drawRecipe(inner.recipe))).toBeCloseTo(area(drawRecipe(recipe)), 2);
    const opened = openTaker(openTaker(openTaker(inner.recipe, inner.id), id), outer.id);
    expect(opened.parts.map((part) => part.id).sort()).toEqual(['a', 'b', 'c']);
  });

  it('copies bring along what they draw, under names of their own', () => {
    const { recipe, id } = grouped();
    const twice = duplicatePart(recipe, id);
    if (!twice) throw new Error('not copied');
    expect(twice.recipe.parts).toHaveLength(7);
    expect(new Set(twice.recipe.parts.map((part) => part.id)).size).toBe(7);
    expect(parseRecipe(writeRecipe(twice.recipe)).ok).toBe(true);
    expect(area(drawRecipe(twice.recipe))).toBeCloseTo(2 * area(drawRecipe(recipe)) - area(draw(panel('b', 150, 0))), 1);
  });

  it('removing takes members along and leaves no empty group behind', () => {
    const { recipe, id } = grouped();
    expect(removePart(recipe, id).parts.map((part) => part.id)).toEqual(['b']);
    expect(removePart(removePart(recipe, 'a'), 'c').parts.map((part) => part.id)).toEqual(['b']);
  });
});
