import { describe, expect, it } from 'vitest';
import { startsOf, type BuilderName, type Lettering, type Recipe, type ResolvedMark } from '$core/index';
import { builderBench, heard } from '../../../support/builder-bench';

const { context, built, drawn } = await builderBench('playfair-display', 'noto-sans');

describe('a name with little words', () => {
  // Common practice: an article or a preposition gives no initial; a single capital is one.
  it.each([
    ['Bread and Butter', 'BB', 'B'],
    ['The Little Bindery by the Old Mill', 'LBO', 'L'],
    ['Салон у моря', 'СМ', 'С'],
    ['Casa de la Luna', 'CL', 'C'],
    ['A & W', 'AW', 'A'],
    ['Salt & Rye', 'SR', 'S'],
    ['The', 'T', 'T'],
    ['The Oak', 'TO', 'T'],
    ['La Playa', 'LP', 'L'],
  ])('%j starts with the initials of its others: %s, and %s where one stands alone', (name, several, one) => {
    const hears = heard(name, 'noto-sans');
    const letters = (builder: BuilderName, numbers: object) => {
      const recipe = built(builder, numbers, hears);
      const found = recipe.parts.filter((part): part is Lettering => part.kind === 'lettering');
      return found
        .filter((part) => /^(Letter|Initial|Middle|Symbol)/.test(part.name ?? '') || part.text.length <= 3)
        .map(({ text }) => text);
    };
    const [monogramStart] = startsOf('monogram', context(hears));
    expect(letters('monogram', { ...monogramStart?.numbers, construction: 'beside', initials: 3, frame: 'none' }).join('')).toBe(several);
    const badgeStart = startsOf('badge', context(hears)).find(({ numbers }) => numbers['plan'] === 'seal');
    expect(letters('badge', badgeStart?.numbers ?? {})).toContain(several.slice(0, 2));
    const [symbol] = startsOf('symbol-and-name', context(hears));
    expect(letters('symbol-and-name', symbol?.numbers ?? {})).toContain(one);
  });

  it('says within a ring of all of it the first word that means something', () => {
    const hears = heard('The Little Bindery by the Old Mill', 'noto-sans');
    const start = startsOf('badge', context(hears)).find(({ numbers }) => numbers['plan'] === 'rings');
    const word = built('badge', start?.numbers ?? {}, hears).parts.find((part) => 'name' in part && part.name === 'Main word');
    expect(word?.kind === 'lettering' && word.text).toBe('Little');
  });

  it('that was built before keeps a letter for each', () => {
    const recipe = built('monogram', { construction: 'beside', initials: 3, frame: 'none' }, heard('Bread and Butter', 'noto-sans'));
    expect(recipe.parts.flatMap((part) => (part.kind === 'lettering' ? [part.text] : [])).join('')).toBe('BAB');
  });
});

describe('a long name', () => {
  const LONG = heard('The Little Bindery and Paper Mill by the Old Harbor', 'playfair-display', 'Est. 1987');
  const startNamed = (builder: BuilderName, id: string) => startsOf(builder, context(LONG)).find((start) => start.id === id);
  const wordsIn = (recipe: Recipe) => recipe.parts.filter((part): part is Lettering => part.kind === 'lettering');
  const inkOf = (mark: ResolvedMark, id: string) =>
    mark.parts.find((part) => part.id === id)?.ink ?? { left: 0, right: 0, top: 0, bottom: 0 };

  it.each([
    ['wordmark', 'plain'],
    ['wordmark', 'capitals'],
    ['wordmark', 'ruled'],
    ['symbol-and-name', 'initial-disk-above'],
  ] as const)('%s, %s: stands in rows, none wider than six times the height of all', (builder, id) => {
    const recipe = built(builder, startNamed(builder, id)?.numbers ?? {}, LONG);
    const name = wordsIn(recipe).find(({ text }) => text.includes('\n'));
    expect(name?.text.split('\n')).toHaveLength(3);
    const { left, right, top, bottom } = inkOf(drawn(recipe), name?.id ?? '');
    expect(right - left).toBeLessThan(6 * (bottom - top));
  });

  it.each([LONG, heard('Ö', 'playfair-display'), heard('Ångström', 'playfair-display'), heard('QUÌ', 'playfair-display')])(
    'or one with accents, between two rules: no row touches one ($text)',
    (hears) => {
      const recipe = built('wordmark', { plan: 'ruled', ...(hears === LONG ? { rows: 3 } : {}) }, hears);
      const mark = drawn(recipe);
      const [above, name, below] = ['Rule', 'Name', 'Rule'].map((called, at) => {
        const ids = recipe.parts.filter((part) => 'name' in part && part.name === called).map(({ id }) => id);
        return inkOf(mark, ids[at === 2 ? 1 : 0] ?? '');
      });
      expect((name?.top ?? 0) - (above?.bottom ?? 0)).toBeGreaterThan(10);
      expect((below?.top ?? 0) - (name?.bottom ?? 0)).toBeGreaterThan(10);
    },
  );

  it.each([
    ['badge', 'seal-plain-filled', 1.5],
    ['badge', 'ovalRing-plain-filled', 1.5],
    ['badge', 'arched-rope-open', 1.5],
    ['submark', 'whole-disk-ring', 1.5],
  ] as const)('%s, %s: its ring of words runs over both halves, larger than over one', (builder, id, larger) => {
    const alone = heard(LONG.text, 'playfair-display');
    const { numbers = {} } = startsOf(builder, context(alone)).find((start) => start.id === id) ?? {};
    const ringOf = (more: object) => {
      const recipe = built(builder, { ...numbers, ...more }, alone);
      const mark = drawn(recipe);
      return wordsIn(recipe)
        .filter(({ name }) => /ring text$/.test(name ?? ''))
        .map(({ id: part, text }) => ({ text, px: mark.parts.find((each) => each.id === part)?.lettering?.capHeightPx ?? 0 }));
    };
    const [both, one] = [ringOf({}), ringOf({ bothHalves: false })];
    expect(both.map(({ text }) => text)).toEqual(['The Little Bindery and Paper', 'Mill by the Old Harbor']);
    expect(one).toHaveLength(1);
    for (const { px } of both) expect(px).toBeGreaterThan(larger * (one[0]?.px ?? Infinity));
  });

  it('with a second line leaves the foot of a ring to it', () => {
    const { numbers = {} } = startsOf('badge', context(LONG))[0] ?? {};
    expect(
      wordsIn(built('badge', numbers, LONG))
        .filter(({ name }) => /ring text$/.test(name ?? ''))
        .map(({ text }) => text),
    ).toEqual([LONG.text, 'Est. 1987']);
  });

  it('of one letter is neither opened up nor bent', () => {
    expect(startsOf('wordmark', context(heard('Ö'))).map(({ id }) => id)).toEqual(['plain', 'ruled']);
  });

  it('word over word: a little word stands with the one it leads to', () => {
    const rows = wordsIn(built('wordmark', { plan: 'stacked' }, LONG)).map(({ text }) => text);
    expect(rows).toEqual(['The Little', 'Bindery', 'and Paper', 'Mill', 'by the Old', 'Harbor']);
  });

  it.each(['oval', 'panel'] as const)('in an %s: stands in rows of one size, larger than in one, and inside of the inner line', (plan) => {
    const { numbers = {} } = startsOf('badge', context(LONG)).find((start) => start.numbers['plan'] === plan) ?? {};
    const recipe = built('badge', numbers, LONG);
    const rows = wordsIn(recipe).filter(({ name }) => name?.startsWith('Main word'));
    expect(rows).toHaveLength(3);
    expect(new Set(rows.map(({ sizePx }) => sizePx)).size).toBe(1);
    const [one] = wordsIn(built('badge', { ...numbers, rows: 1 }, LONG)).filter(({ name }) => name?.startsWith('Main word'));
    expect(rows[0]?.sizePx).toBeGreaterThan(2 * (one?.sizePx ?? Infinity));
    const mark = drawn(recipe);
    const inner = { x: 200 * (plan === 'oval' ? 0.93 : 0.92), y: (plan === 'oval' ? 136 : 100) * 0.92 };
    for (const { id } of rows) {
      const { left, right, top, bottom } = inkOf(mark, id);
      for (const x of [left, right])
        for (const y of [top, bottom])
          expect(
            plan === 'oval' ? (x / inner.x) ** 2 + (y / inner.y) ** 2 : Math.max(Math.abs(x / inner.x), Math.abs(y / inner.y)),
          ).toBeLessThan(1);
    }
    const all = wordsIn(recipe).map(({ id }) => inkOf(mark, id));
    all.forEach((one_, at) =>
      all
        .slice(at + 1)
        .forEach((other) =>
          expect(one_.bottom <= other.top || other.bottom <= one_.top || one_.right <= other.left || other.right <= one_.left).toBe(true),
        ),
    );
  });

  it('beside a symbol: that is about as high as the rows are together', () => {
    const recipe = built('symbol-and-name', startNamed('symbol-and-name', 'acorn-left')?.numbers ?? {}, heard(LONG.text));
    const mark = drawn(recipe);
    const highOf = (called: string) => {
      const { top, bottom } = inkOf(mark, recipe.parts.find((part) => 'name' in part && part.name === called)?.id ?? '');
      return bottom - top;
    };
    expect(highOf('Symbol') / highOf('Name')).toBeGreaterThan(0.8);
    expect(highOf('Symbol') / highOf('Name')).toBeLessThan(1.25);
  });

  it('with accents over accents, in an oval: no row touches another', () => {
    const hears = heard('Tiệm Sách Cổ Ở Bến Cảng Của Những Người Thợ Ổn', 'noto-sans');
    const recipe = built('badge', { plan: 'oval', rows: 4 }, hears);
    const mark = drawn(recipe);
    const rows = wordsIn(recipe)
      .filter(({ name }) => name?.startsWith('Main word'))
      .map(({ id }) => inkOf(mark, id));
    expect(rows).toHaveLength(4);
    rows.slice(1).forEach((row, at) => expect(row.top - (rows[at]?.bottom ?? Infinity)).toBeGreaterThan(2));
  });

  it('in a badge: what reads it in one line across comes last', () => {
    const plans = startsOf('badge', context(LONG)).map(({ numbers }) => numbers['plan'] ?? 'seal');
    const across = plans.map((plan) => ['band', 'across', 'arcs', 'shield', 'diamond'].includes(String(plan)));
    expect(across).toEqual([...across].sort());
    expect(across.filter(Boolean)).toHaveLength(5);
  });
});
