import { describe, expect, it } from 'vitest';
import { IDENTITY, STARTING_PALETTE, RECIPE_VERSION } from '$core/index';
import type { ResolvedPart } from '$core/index';
import { copied, pasted } from '../../src/lib/marks/table/clipboard';
import { snap, snapLines } from '../../src/lib/marks/stage/snap';
import { letteringInput, partOf } from '../support/drawn-mark';

const part = (left: number, top: number, right: number, bottom: number): ResolvedPart => ({
  id: 'part',
  transform: { a: 1, b: 0, c: 0, d: 1, e: left, f: bottom },
  ink: { left, top, right, bottom },
  notices: [],
  lettering: undefined,
  within: undefined,
  outer: IDENTITY,
  balance: { x: (left + right) / 2 + 3, y: (top + bottom) / 2 },
});
const lines = (...box: readonly [number, number, number, number]) => {
  const found = snapLines(part(...box));
  if (!found) throw new Error('no ink');
  return found;
};

describe('snapping', () => {
  const still = [lines(0, 0, 100, 40)];
  const moving = lines(200, 100, 260, 120);

  it('draws edges to edges and middles to middles, and says what holds and how far apart the two are', () => {
    const held = snap(moving, still, -198, 0, 5);
    expect(held.dx).toBe(-200);
    expect(held.guides).toEqual([{ axis: 'upright', at: 0, from: 0, to: 120, label: 'left edge · 60.0 px apart' }]);
    // The middles meet at 50: the moving middle is at 230.
    expect(snap(moving, still, -181, 0, 2).dx).toBe(-180);
  });
  it('draws an optical center to an optical center', () => {
    // Balances stand 3 right of the middles: at 53 and 233.
    const off = { ...moving, upright: moving.upright.filter(({ what }) => what === 'optical center') };
    expect(snap(off, still, -179.2, 0, 1).dx).toBe(-180);
  });
  it('draws to the gap that its neighbors have, on either side and between two; a line that is nearer goes before', () => {
    const row = [lines(0, 0, 100, 40), lines(150, 0, 250, 40)];
    const after = snap(lines(307, 3, 367, 32), row, 0, 0, 10);
    expect(after.dx).toBe(-7);
    expect(after.guides.filter(({ label }) => label.startsWith('equal gaps'))).toEqual([
      { axis: 'level', at: 20, from: 100, to: 150, label: 'equal gaps · 50.0 px' },
      { axis: 'level', at: 20, from: 250, to: 300, label: 'equal gaps · 50.0 px' },
    ]);
    expect(snap(lines(-113, 3, -53, 32), row, 0, 0, 10).dx).toBe(3);
    // Between two that stand 100 apart, a box of 20 has 40 on both sides.
    const apart = [lines(0, 0, 100, 40), lines(200, 0, 300, 40)];
    expect(snap(lines(143, 3, 163, 32), apart, 0, 0, 6).dx).toBe(-3);
    // Above them nothing lies beside it.
    expect(snap(lines(307, -300, 367, -271), row, 0, 0, 10).guides).toEqual([]);
    // Down as well as across.
    const column = [lines(0, 0, 40, 100), lines(0, 150, 40, 250)];
    expect(snap(lines(3, 307, 32, 367), column, 0, 0, 10).dy).toBe(-7);
    // Edges that meet exactly hold it where it is.
    expect(snap(lines(250, 3, 310, 32), row, 0, 0, 60).dx).toBe(0);
  });
  it('leaves alone what is farther than its reach', () => {
    expect(snap(moving, still, -150, -3, 2)).toEqual({ dx: -150, dy: -3, guides: [] });
  });
  it('offers the font’s own lines of level lettering only', () => {
    const lettering = { sizePx: 100, advancePx: 60, capHeightPx: 70, xHeightPx: 50, letters: [{ at: { y: 0 } }] } as unknown as NonNullable<
      ResolvedPart['lettering']
    >;
    const level = snapLines({ ...part(0, 30, 60, 100), lettering });
    expect(level?.level.filter(({ what }) => /line|height/.test(what)).map(({ at }) => at)).toEqual([100, 50, 30]);
    const turned = snapLines({ ...part(0, 30, 60, 100), lettering, transform: { a: 0, b: 1, c: -1, d: 0, e: 0, f: 0 } });
    expect(turned?.level.some(({ what }) => what === 'baseline')).toBe(false);
  });
});

describe('the clipboard', () => {
  const from = { brand: 'here', mark: 'here', palette: STARTING_PALETTE, sources: new Map() };
  const there = { mark: 'there', brand: 'here', palette: STARTING_PALETTE };
  const lettering = partOf(letteringInput({ companion: { part: 'gone' }, gaps: [{ index: 0, left: 'W', right: 'i', permille: 9 }] }));
  it('carries a part whole, under a free id, and lets go of what is not in the other mark', () => {
    const into = { version: RECIPE_VERSION, parts: [{ ...lettering, id: 'lettering-1' }] };
    const made = pasted(into, copied({ version: RECIPE_VERSION, parts: [lettering] }, [lettering.id], from), there);
    if (!made.ok || !made.value) throw new Error('nothing was pasted');
    expect(made.value.ids).toEqual(['lettering-2']);
    expect(made.value.recipe.parts[1]).toMatchObject({ id: 'lettering-2', companion: null, gaps: [{ permille: 9 }] });
  });
  it('leaves foreign text alone and refuses broken parts with a sentence', () => {
    const empty = { version: RECIPE_VERSION, parts: [] };
    for (const text of ['', 'hello', '{"a":1}', '[1]', 'null']) expect(pasted(empty, text, there)).toEqual({ ok: true, value: undefined });
    const broken = copied({ version: RECIPE_VERSION, parts: [lettering] }, [lettering.id], from).replace('"sizePx":100', '"sizePx":-4');
    const refused = pasted(empty, broken, there);
    expect(refused.ok ? '' : refused.problems[0]?.message).toContain('sizePx');
  });
});
