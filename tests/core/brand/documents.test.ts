import { describe, expect, it } from 'vitest';
import {
  boardSchema,
  briefSchema,
  freePlace,
  giveRole,
  heightOfItem,
  MOST_BOARD_ITEMS,
  proofsThatMatter,
  proposedWidthsPx,
  toggleDropped,
  toggleKept,
  typeDeskSchema,
  type Board,
} from '$core/index';
import fc from '../../support/properties';

describe('a brief', () => {
  it('may be empty; then every proof matters and no size is proposed', () => {
    const empty = briefSchema.parse({});
    expect([...proofsThatMatter(empty)].sort()).toEqual(['on-lead', 'one-color', 'photo', 'reversed', 'round', 'small']);
    expect(proposedWidthsPx(empty)).toEqual([]);
  });
  it('picks proofs and sizes by its uses', () => {
    const brief = briefSchema.parse({ uses: ['photos', 'goods'] });
    expect([...proofsThatMatter(brief)].sort()).toEqual(['on-lead', 'one-color', 'photo', 'reversed']);
    expect(proposedWidthsPx(brief)).toEqual([2000, 4500]); // 4500 px: garment print file (common practice)
  });
  it.each([{ voice: { loudness: 101 } }, { voice: { volume: 5 } }, { uses: ['moon'] }, { keywords: [''] }, { audience: 'x'.repeat(2001) }])(
    'refuses %j',
    (input) => expect(briefSchema.safeParse(input).success).toBe(false),
  );
});

describe('a mood board', () => {
  it('finds a free place for every next item, so that nothing is covered', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.3, max: 3, noNaN: true }), { maxLength: 30 }),
        fc.integer({ min: 1, max: 5 }),
        (ratios, columns) => {
          let board: Board = { items: [] };
          ratios.forEach((ratio, n) => {
            const item = {
              kind: 'picture' as const,
              id: `p${n}`,
              ...freePlace(board, 200, columns),
              width: 200,
              picture: 'a'.repeat(64),
              ratio,
              colors: [],
              source: '',
              takes: '',
            };
            for (const other of board.items)
              expect(
                item.x + 200 <= other.x ||
                  other.x + 200 <= item.x ||
                  item.y >= other.y + heightOfItem(other) ||
                  other.y >= item.y + heightOfItem(item),
              ).toBe(true);
            board = { items: [...board.items, item] };
          });
        },
      ),
    );
  });
  it('holds 200 pictures, and refuses more than it can', () => {
    const items = (count: number) => Array.from({ length: count }, (_, n) => ({ kind: 'note', id: `n${n}`, x: 0, y: 0, width: 200 }));
    expect(boardSchema.safeParse({ items: items(200) }).success).toBe(true);
    expect(boardSchema.safeParse({ items: items(MOST_BOARD_ITEMS + 1) }).success).toBe(false);
  });
});

describe('a type desk', () => {
  const empty = typeDeskSchema.parse({});
  it('never keeps and drops the same face', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.boolean(), fc.constantFrom('jost', 'cinzel', 'lobster')), { maxLength: 30 }), (acts) => {
        const desk = acts.reduce((state, [keep, id]) => (keep ? toggleKept(state, id) : toggleDropped(state, id)), empty);
        expect(desk.kept.filter(({ family }) => desk.dropped.includes(family))).toEqual([]);
      }),
    );
  });
  it('gives back what it was when toggled twice, and makes the last holder of a role an alternative', () => {
    expect(toggleKept(toggleKept(empty, 'jost'), 'jost')).toEqual(empty);
    expect(giveRole(giveRole(empty, 'second', 'jost'), 'second', 'cinzel').roles.second).toEqual(['cinzel', 'jost']);
  });
});
