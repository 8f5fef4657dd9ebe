import { describe, expect, it } from 'vitest';
import {
  canvasBox,
  contrastRatio,
  createPart,
  dress,
  EMPTY_RECIPE,
  expect as must,
  isKnown,
  paintsFollowed,
  PIECE_LAYOUTS,
  PIECE_SIZES,
  pieceCanvasSchema,
  pieceChecks,
  pieceLayout,
  pouredPiece,
  repaintOn,
  repoured,
  roomOf,
  ROLES,
  safeBox,
  smallestWordsPx,
  type Bounds,
  type Palette,
  type PieceCanvas,
  type PieceContent,
  type Recipe,
  type Role,
} from '$core/index';
import { casesOf } from '../../support/deep';
import { shelfOf } from '../../support/fonts';
import { random } from '../../support/random';
import { resolverOf } from '../../support/resolver';

const resolver = resolverOf(await shelfOf('jost', 'fraunces'));
const MARK = '00000000-0000-4000-8000-000000000001';
const SMALL = '00000000-0000-4000-8000-000000000002';
const recipeOf = (...parts: object[]): Recipe => ({
  ...EMPTY_RECIPE,
  parts: parts.map((part) => must(createPart(part as Parameters<typeof createPart>[0]))),
});
const font = (family: string) => ({ family, style: 'normal' as const, axes: {} });
const brandOf = (name: string) =>
  new Map([
    [MARK, recipeOf({ kind: 'lettering', id: 'name', text: name, font: font('jost'), sizePx: 120 })],
    [
      SMALL,
      recipeOf(
        { kind: 'shape', id: 'disk', form: { form: 'disk' }, paint: { role: 'lead' } },
        { kind: 'lettering', id: 'i', text: name.slice(0, 1), font: font('jost'), paint: { role: 'paper' }, place: { x: 0, y: 40 } },
      ),
    ],
  ]);
const palette: Palette = { ink: '#22302a', paper: '#fffdf8', lead: '#b5482d', second: '#dce5e1', accent: '#e8b84b' };
const content = (change: Partial<PieceContent> = {}): PieceContent => ({
  ...{ mark: MARK, submark: SMALL, faces: { heading: font('fraunces'), text: font('jost') } },
  words: {
    heading: 'Made by hand, flown for years',
    text: 'Kites sewn to order, and old ones mended. Come for wind and a slow afternoon.',
    small: 'Harbor Lane 4',
  },
  ...change,
});
const sizeOf = (canvas: object): PieceCanvas => pieceCanvasSchema.parse(canvas);
const drawn = (recipe: Recipe, sources = brandOf('Windrow'), colors = palette) =>
  resolver.resolve({ recipe, sources, dress: dress(colors, 'full') });
const within = (ink: Bounds, room: Bounds, by = 0.6) =>
  ink.left >= room.left - by && ink.top >= room.top - by && ink.right <= room.right + by && ink.bottom <= room.bottom + by;
const overlap = (one: Bounds, other: Bounds) =>
  Math.min(one.right, other.right) - Math.max(one.left, other.left) > 0.6 &&
  Math.min(one.bottom, other.bottom) - Math.max(one.top, other.top) > 0.6;

/** Marks and words of a piece, as they are drawn. */
const standing = (recipe: Recipe, mark: ReturnType<typeof drawn>) =>
  recipe.parts.filter(isKnown).flatMap((part) => {
    const ink = mark.parts.find(({ id }) => id === part.id)?.ink;
    return ink && (part.kind === 'lettering' || (part.kind === 'frame' && part.fit === 'inside')) ? [{ id: part.id, ink }] : [];
  });

/** All of it in the deep run. */
const BRANDS = casesOf({ inFull: 200, sample: 1 });
const SCRIPTS = ['ABCDEFGHIJKLMNOPRSTUVWZ', 'abcdefghiklmnoprstuvwy', 'ÅÄÖØÉÜßçñ', 'ΑΒΓΔΘΛΞΠΣΦΨΩ', 'абвгдежзиклмнопрстуфя'];
/** A name of 1 to 40 letters, of one script, in words of 1 to 12. */
function randomName(next: () => number): string {
  const script = [...(SCRIPTS[Math.floor(next() * SCRIPTS.length)] ?? 'abc')];
  const length = 1 + Math.floor(next() * 40);
  let name = '';
  for (let word = 1 + Math.floor(next() * 12); name.length < length; word--) {
    if (word === 0 && name.length < length - 1) {
      name += ' ';
      word = 1 + Math.floor(next() * 12);
    }
    name += script[Math.floor(next() * script.length)];
  }
  return name;
}

describe('layouts of pieces', () => {
  it('there are at least 24, each of its own name, and no two divide a square alike', () => {
    expect(PIECE_LAYOUTS.length).toBeGreaterThanOrEqual(24);
    expect(new Set(PIECE_LAYOUTS.map(({ label }) => label)).size).toBe(PIECE_LAYOUTS.length);
    const size = sizeOf({ width: 1000, height: 1000 });
    expect(new Set(PIECE_LAYOUTS.map((layout) => JSON.stringify([layout.ground, layout.slots(roomOf(size))]))).size).toBe(
      PIECE_LAYOUTS.length,
    );
    expect(new Set(PIECE_SIZES.map(({ id }) => id)).size).toBe(PIECE_SIZES.length);
  });

  it.each(PIECE_LAYOUTS)(
    '$id: in every size nothing overlaps, nothing is cut, margins are as stated, and words that do not fit are told',
    (layout) => {
      for (const { id, canvas } of PIECE_SIZES) {
        const size = sizeOf(canvas);
        const recipe = pouredPiece(size, layout, content(), palette);
        const mark = drawn(recipe);
        const all = standing(recipe, mark);
        expect(all.length, id).toBeGreaterThan(0);
        const told = new Set(
          mark.parts
            .filter(({ notices }) => notices.some(({ code }) => code === 'text-too-long' || code === 'word-broken'))
            .map((part) => part.id),
        );
        for (const [at, one] of all.entries()) {
          if (told.has(one.id)) continue;
          // Descenders and overshoots may hang a little below the last line's foot.
          expect(
            within(one.ink, safeBox(size), 0.02 * (one.ink.bottom - one.ink.top) + 1),
            `${id} ${one.id} ${JSON.stringify([one.ink, safeBox(size)])}`,
          ).toBe(true);
          for (const other of all.slice(at + 1))
            if (!told.has(other.id)) expect(overlap(one.ink, other.ink), `${id} ${one.id} over ${other.id}`).toBe(false);
        }
        expect(mark.ink).toEqual(canvasBox(size));
      }
    },
  );

  it('hold for names of 1 to 40 letters, several scripts, and sizes of every shape', () => {
    const names = ['I', 'Åse', 'Windrow Kites', 'ΑΛΦΑ', 'Пекарня', 'Donaudampfschifffahrtsgesellschaft Wörth'];
    for (let seed = 1; seed <= 60; seed++) {
      const next = random(seed);
      const name = names[Math.floor(next() * names.length)] ?? 'I';
      const layout = PIECE_LAYOUTS[Math.floor(next() * PIECE_LAYOUTS.length)] ?? PIECE_LAYOUTS[0];
      if (!layout) continue;
      const size = sizeOf({ width: Math.round(200 + next() * 2000), height: Math.round(200 + next() * 2000) });
      const recipe = pouredPiece(
        size,
        layout,
        content({ words: { heading: name, text: `${name} `.repeat(1 + Math.floor(next() * 6)).trim(), small: name } }),
        palette,
      );
      const mark = drawn(recipe, brandOf(name));
      const told = new Set(mark.parts.filter(({ notices }) => notices.length > 0).map(({ id }) => id));
      const all = standing(recipe, mark);
      for (const [at, one] of all.entries())
        if (!told.has(one.id)) {
          expect(within(one.ink, safeBox(size), 0.02 * (one.ink.bottom - one.ink.top) + 1), `${seed} ${layout.id} ${one.id}`).toBe(true);
          for (const other of all.slice(at + 1))
            if (!told.has(other.id)) expect(overlap(one.ink, other.ink), `${seed} ${layout.id} ${one.id} ${other.id}`).toBe(false);
        }
    }
  });

  it(`every layout in 30 sizes for ${BRANDS} random brands: nothing overlaps, nothing is cut, words are large enough or it is said`, () => {
    const off: string[] = [];
    let drawnOnes = 0;
    for (let seed = 1; seed <= BRANDS; seed++) {
      const next = random(7000 + seed);
      const name = randomName(next);
      const sources = new Map(brandOf(name));
      // Tall marks and wide ones: the name in a column, or with a line far below it.
      if (next() < 0.5)
        sources.set(
          MARK,
          recipeOf(
            { kind: 'lettering', id: 'name', text: name, font: font('jost'), sizePx: 40 + Math.floor(next() * 100) },
            { kind: 'shape', id: 'disk', form: { form: 'disk' }, place: { x: 0, y: 60 + Math.floor(next() * 500) } },
          ),
        );
      const words = {
        heading: name,
        text: Array.from({ length: 1 + Math.floor(next() * 8) }, () => randomName(next)).join(' '),
        small: randomName(next),
      };
      const own = Array.from({ length: 12 }, () => ({ width: Math.round(120 + next() * 3000), height: Math.round(120 + next() * 3000) }));
      for (const canvas of [...PIECE_SIZES.map((preset) => preset.canvas), ...own]) {
        const size = sizeOf(canvas);
        for (const layout of PIECE_LAYOUTS) {
          const recipe = pouredPiece(size, layout, content({ words }), palette);
          const mark = drawn(recipe, sources);
          drawnOnes++;
          const told = new Set(mark.parts.filter(({ notices }) => notices.length > 0).map(({ id }) => id));
          const where = `${seed} ${size.width} × ${size.height} ${layout.id}`;
          for (const part of recipe.parts.filter(isKnown))
            if (part.kind === 'lettering' && part.sizePx < smallestWordsPx(size) - 0.01)
              off.push(`${where} ${part.id} is set at ${part.sizePx} px`);
          const all = standing(recipe, mark);
          for (const [at, one] of all.entries()) {
            if (told.has(one.id)) continue;
            // The tail of a j at a line's beginning hangs out of its own width, as type does: 0.12 em at most.
            const part = recipe.parts.find(({ id }) => id === one.id);
            const hang = part && isKnown(part) && part.kind === 'lettering' ? 0.12 * part.sizePx : 0;
            if (!within(one.ink, safeBox(size), Math.max(hang, 0.02 * (one.ink.bottom - one.ink.top) + 1)))
              off.push(`${where} ${one.id} is cut`);
            for (const other of all.slice(at + 1))
              if (!told.has(other.id) && overlap(one.ink, other.ink)) off.push(`${where} ${one.id} over ${other.id}`);
          }
        }
      }
    }
    expect(off.slice(0, 12)).toEqual([]);
    expect(drawnOnes).toBe(BRANDS * 30 * PIECE_LAYOUTS.length);
  });

  it('words stand at 4.5 : 1 or more on every ground of 200 random palettes wherever ink or paper can, and marks are seen', () => {
    for (let seed = 1; seed <= 200; seed++) {
      const next = random(seed);
      const hex = (from: number, to: number) =>
        `#${Array.from({ length: 3 }, () =>
          Math.floor(from + next() * (to - from))
            .toString(16)
            .padStart(2, '0'),
        ).join('')}` as const;
      const colors: Palette = { ink: hex(0, 60), paper: hex(215, 255), lead: hex(0, 255), second: hex(0, 255), accent: hex(0, 255) };
      for (const ground of ROLES) {
        const best = Math.max(contrastRatio(colors.ink, colors[ground]), contrastRatio(colors.paper, colors[ground]));
        const size = sizeOf({ width: 900, height: 900 });
        const layout = {
          id: 'one',
          label: '',
          ground,
          wantsPicture: false,
          slots: () => [{ is: 'words' as const, what: 'text' as const, box: safeBox(size) }],
        };
        const [text] = pouredPiece(size, layout, content(), colors).parts.filter(isKnown);
        const paint = text?.kind === 'lettering' && 'role' in text.paint ? colors[text.paint.role as 'ink'] : '#000000';
        expect(contrastRatio(paint, colors[ground])).toBeCloseTo(best, 5);
        // Painted anew for a ground, no ink of a mark takes its color, and every one is seen there as well as the palette can.
        const to = new Map(repaintOn(ground, colors).map((each) => [each.from.role, each.to.role]));
        for (const role of ['ink', 'lead', 'second', 'accent'] as const) {
          const [from, now] = [colors[role], colors[(to.get(role) ?? role) as 'ink']];
          const isDark = contrastRatio(from, colors.paper) >= contrastRatio(from, colors.ink);
          const least = isDark ? Math.min(best, role === 'lead' ? 1.6 : 3) : 1.2;
          const isBehind = role === 'lead' && !isDark;
          if (contrastRatio(from, colors.paper) >= 1.6 && !isBehind)
            expect(contrastRatio(now, colors[ground]), `${role} on ${ground} of ${JSON.stringify(colors)}`).toBeGreaterThanOrEqual(least);
        }
      }
    }
  });

  it('keeps a mark’s colors on a ground where they are seen, and draws in ink what would be lost there', () => {
    const colors: Palette = { ink: '#1b2f52', paper: '#fffdf8', lead: '#1f355a', second: '#9c2b3c', accent: '#d2a531' };
    const lost = { ...colors, second: '#a8552f' } as const;
    expect(contrastRatio(lost.second, lost.accent)).toBeLessThan(3);
    expect(repaintOn('accent', colors)).toEqual([{ from: { role: 'accent' }, to: { role: 'paper' } }]);
    expect(repaintOn('accent', lost)).toContainEqual({ from: { role: 'second' }, to: { role: 'ink' } });
    expect(repaintOn('paper', lost)).toEqual([]);
    // Gold stays gold on a dark ground, but for a lead, on which ink stands; on a ground of gold the ink stays ink.
    expect(repaintOn('ink', { ...colors, second: '#d2a531', accent: '#9c2b3c' })).not.toContainEqual(
      expect.objectContaining({ from: { role: 'second' } }),
    );
    const golden: Palette = { ink: '#222222', paper: '#fffdf8', lead: '#d2a531', second: '#e8e0d0', accent: '#8a3f2b' };
    expect(repaintOn('lead', golden)).toEqual([{ from: { role: 'lead' }, to: { role: 'paper' } }]);
    expect(repaintOn('ink', golden).map(({ from, to }) => [from.role, to.role])).toEqual([
      ['ink', 'paper'],
      ['paper', 'ink'],
      ['lead', 'ink'],
      ['second', 'ink'],
      ['accent', 'paper'],
    ]);
  });

  it('a mark in a light color alone stays on a dark ground where it is seen, also when what it follows is what is drawn', () => {
    const BOTH = '00000000-0000-4000-8000-000000000003';
    const golden: Palette = { ink: '#222222', paper: '#fffdf8', lead: '#d2a531', second: '#e8e0d0', accent: '#8a3f2b' };
    const word = (role: Role) => ({ kind: 'lettering', id: role, text: 'Heron', font: font('jost'), paint: { role } });
    const link = (mark: string) => ({ kind: 'linked', id: 'l', from: { mark, part: null }, take: 'whole' });
    const recipes = new Map([
      [MARK, recipeOf(word('lead'))],
      [SMALL, recipeOf(link(MARK))],
      [BOTH, recipeOf(link(MARK), word('ink'))],
    ]);
    const leadOn = (ground: Role, markId: string) => {
      const role = repaintOn(ground, golden, paintsFollowed(markId, recipes)).find(({ from }) => from.role === 'lead')?.to.role ?? 'lead';
      return golden[role as 'ink'];
    };
    for (const markId of [MARK, SMALL])
      for (const ground of ['ink', 'accent'] as const)
        expect(contrastRatio(leadOn(ground, markId), golden[ground]), `${markId} on ${ground}`).toBeGreaterThanOrEqual(3);
    expect(leadOn('ink', MARK)).toBe(golden.lead);
    // With something dark it is what is light in the mark, as before; on paper it stays as it was drawn.
    expect(leadOn('ink', BOTH)).toBe(golden.ink);
    expect(leadOn('paper', MARK)).toBe(golden.lead);
    // Marks that follow each other in a circle are walked once.
    const round = new Map(recipes).set(MARK, recipeOf(link(SMALL), word('accent')));
    expect(paintsFollowed(SMALL, round)).toContainEqual({ role: 'accent' });
  });

  it('poured into another layout, the words, the marks and what the designer added stay', () => {
    const size = sizeOf({ width: 1080, height: 1080 });
    const [first, second] = [pieceLayout('mark-over-words-paper'), pieceLayout('halves-lead')];
    if (!first || !second) throw new Error('A layout is gone.');
    const before = pouredPiece(size, first, content(), palette);
    const own = must(createPart({ kind: 'shape', id: 'star-own', form: { form: 'disk' } } as never));
    const changed: Recipe = {
      ...before,
      parts: [
        ...before.parts.map((part) =>
          part.id === 'heading' && part.kind === 'lettering' ? { ...part, text: 'Another heading', font: font('jost') } : part,
        ),
        own,
      ],
    };
    const after = repoured(changed, sizeOf({ width: 85, height: 55, unit: 'mm', bleed: 3 }), second, content(), palette);
    const heading = after.parts.find(({ id }) => id === 'heading');
    expect(heading).toMatchObject({ text: 'Another heading', font: { family: 'jost' } });
    expect(after.parts.at(-1)).toEqual(own);
    expect(after.whole?.canvas).toMatchObject({ width: 85, unit: 'mm', layout: 'halves-lead', ground: { role: 'lead' } });
  });

  it('a late change of the name is seen, and stays in its frame', () => {
    const size = sizeOf({ width: 1080, height: 1080 });
    const layout = pieceLayout('alone-paper');
    if (!layout) throw new Error('A layout is gone.');
    const recipe = pouredPiece(size, layout, content(), palette);
    const [short, long] = [drawn(recipe, brandOf('Win')), drawn(recipe, brandOf('Windrow Kite Workshop'))].map(
      (mark) => mark.parts.find(({ id }) => id === 'mark-frame')?.ink,
    );
    expect(short).not.toEqual(long);
    for (const ink of [short, long]) expect(ink && within(ink, safeBox(size))).toBe(true);
  });
});

describe('what is measured of a piece', () => {
  const size = sizeOf({ width: 1000, height: 1000 });
  const layout = pieceLayout('mark-over-words-paper');
  if (!layout) throw new Error('A layout is gone.');
  const fresh = pouredPiece(size, layout, content(), palette);
  const faults = (recipe: Recipe, colors = palette) =>
    pieceChecks(recipe, drawn(recipe, brandOf('Windrow'), colors))
      .filter(({ finding }) => finding.verdict !== 'passes')
      .map(({ id, part, finding }) => [id, part, finding.verdict]);
  const changed = (id: string, change: object): Recipe => ({
    ...fresh,
    parts: fresh.parts.map((part) => (part.id === id ? ({ ...part, ...change } as typeof part) : part)),
  });

  it('nothing of a piece as it is poured', () => {
    expect(faults(fresh)).toEqual([]);
    expect(pieceChecks({ ...fresh, whole: { treatments: [] } }, drawn(fresh))).toEqual([]);
  });
  it('what reaches into the margin, and what is cut off, by how much', () => {
    expect(faults(changed('text', { place: { x: 0, y: 400, turnDeg: 0 } }))).toEqual([['margin', 'text', 'look']]);
    expect(faults(changed('text', { place: { x: 600, y: 100, turnDeg: 0 } })).map(([id, , verdict]) => [id, verdict])).toContainEqual([
      'margin',
      'fails',
    ]);
  });
  it('words that are too small, too faint or too long', () => {
    expect(faults(changed('text', { sizePx: 8, wrap: null }))).toEqual([['words', 'text', 'fails']]);
    expect(faults(changed('text', { paint: { hex: '#e8e6e0' } }))).toEqual([['contrast', 'text', 'fails']]);
    expect(faults(changed('text', { text: 'Come for wind and a slow afternoon. '.repeat(60) })).map(([id]) => id)).toContain('fit');
  });
  it('contrast is that from what really lies behind the letters', () => {
    const panel = must(
      createPart({
        kind: 'shape',
        id: 'dark',
        form: { form: 'panel', widthPx: 1000, heightPx: 500, cornerPx: 0 },
        paint: { role: 'ink' },
        place: { x: 0, y: 250, turnDeg: 0 },
      } as never),
    );
    const recipe: Recipe = { ...fresh, parts: [panel, ...fresh.parts] };
    expect(
      faults(recipe)
        .filter(([id]) => id === 'contrast')
        .map(([, part]) => part),
    ).toContain('text');
  });
  it('a picture that is too small for its size in print, in pixels an inch', () => {
    const card = sizeOf({ width: 105, height: 148, unit: 'mm', bleed: 3 });
    const whole = pieceLayout('picture-above-paper');
    if (!whole) throw new Error('A layout is gone.');
    const of = (fileWidthPx: number) => {
      const recipe = pouredPiece(
        card,
        whole,
        content({ picture: { sha256: 'a'.repeat(64), fileWidthPx, fileHeightPx: fileWidthPx } }),
        palette,
      );
      return pieceChecks(recipe, drawn(recipe)).find(({ id }) => id === 'picture')?.finding;
    };
    // 111 mm with its bleed: 300 px are 69 px an inch, 1,500 px 343.
    expect(of(300)).toMatchObject({ verdict: 'fails', figure: '69 dpi' });
    expect(of(1500)).toMatchObject({ verdict: 'passes', figure: '343 dpi' });
  });
});

describe('canvases', () => {
  it.each([
    { width: 1, height: 20_000 },
    { width: 20_001, height: 20_001 },
    { width: 0, height: 100 },
    { width: -5, height: 100 },
    { width: Number.NaN, height: 100 },
    { width: 6000, height: 6000, unit: 'mm' },
    { width: 100, height: 100, bleed: -1 },
    { width: 100, height: 100, unit: 'furlong' },
  ])('%j is none', (canvas) => {
    expect(pieceCanvasSchema.safeParse(canvas).success).toBe(false);
  });
  it('mm and inch are what they are: 25.4 mm is 96 px (CSS)', () => {
    expect(canvasBox({ width: 25.4, height: 50.8, unit: 'mm' })).toEqual({ left: -48, right: 48, top: -96, bottom: 96 });
    expect(canvasBox({ width: 1, height: 2, unit: 'in' })).toEqual({ left: -48, right: 48, top: -96, bottom: 96 });
  });
});
