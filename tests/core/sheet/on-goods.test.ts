import { describe, expect, it } from 'vitest';
import { goodsDeskSchema, goodsOfSheet, type SceneFacts } from '$core/index';
import { inRows } from '../../../src/core/sheet/pages/on-goods';
import { casesOf } from '../../support/deep';
import { random } from '../../support/random';

const scene = (name: string): SceneFacts => ({
  ...{ name, label: name, widthPx: 2000, heightPx: 1600 },
  areas: [{ name: 'all', widthMm: 10, heightMm: 10 }],
  start: { color: '#ffffff', way: 'paper' },
});
const scenes = ['mug', 'sign', 'tote', 'cap', 'tin', 'jar', 'box'].map(scene);
const marks = new Set(['a', 'b']);
const names = (found: ReturnType<typeof goodsOfSheet>) => found.map((each) => `${each.mark}/${each.scene.name}`);

describe('goods on a sheet', () => {
  it('are those that were dressed on the wall, at most six, until others are chosen', () => {
    const shown = Object.fromEntries(
      ['a/sign', 'b/mug', 'gone/tote', 'a/nothing', 'a/cap', 'a/tin', 'a/jar', 'a/box', 'b/box'].map((key) => [key, { size: 0.5 }]),
    );
    const desk = goodsDeskSchema.parse({ shown });
    expect(names(goodsOfSheet({}, { scenes, desk }, marks))).toEqual(['a/sign', 'b/mug', 'a/cap', 'a/tin', 'a/jar', 'a/box']);
    const goods = [
      { mark: 'b', scene: 'tin' },
      { mark: 'gone', scene: 'tin' },
      { mark: 'b', scene: 'nothing' },
    ];
    expect(names(goodsOfSheet({ goods }, { scenes, desk }, marks))).toEqual(['b/tin']);
    expect(goodsOfSheet({ goods: [] }, { scenes, desk }, marks)).toEqual([]);
  });

  it('lie in rows of one height within their page, none cut, none over another or over its words', () => {
    const next = random(31);
    for (let n = 0; n < casesOf({ inFull: 2000, sample: 300 }); n++) {
      const ratios = Array.from({ length: 1 + Math.floor(next() * 6) }, () => 0.3 + next() * 2.5);
      const box = { left: 10, top: 20, right: 10 + 200 + next() * 800, bottom: 20 + 150 + next() * 500 };
      const [gap, under] = [5 + next() * 10, 5 + next() * 20];
      const found = inRows(ratios, box, gap, under);
      expect(found).toHaveLength(ratios.length);
      const [first] = found;
      if (!first) throw new Error('Nothing was laid.');
      const high = first.bottom - first.top;
      found.forEach((cell, at) => {
        expect(cell.bottom - cell.top).toBeCloseTo(high, 6);
        expect((cell.right - cell.left) / high).toBeCloseTo(ratios[at] as number, 6);
        expect(cell.left).toBeGreaterThanOrEqual(box.left - 1e-6);
        expect(cell.right).toBeLessThanOrEqual(box.right + 1e-6);
        expect(cell.bottom + under).toBeLessThanOrEqual(box.bottom + 1e-6);
        for (const other of found.slice(at + 1)) {
          const apart =
            other.left >= cell.right - 1e-6 ||
            cell.left >= other.right - 1e-6 ||
            other.top >= cell.bottom + under - 1e-6 ||
            cell.top >= other.bottom + under - 1e-6;
          expect(apart).toBe(true);
        }
      });
      // As large as it can be in any number of rows: no other split gives larger pictures.
      for (let rows = 1; rows <= ratios.length; rows++) {
        const each = Math.ceil(ratios.length / rows);
        const used = Math.ceil(ratios.length / each);
        const most = (box.bottom - box.top - gap * (used - 1)) / used - under;
        const widths = Array.from({ length: used }, (_, row) => ratios.slice(row * each, (row + 1) * each)).map(
          (line) => (box.right - box.left - gap * (line.length - 1)) / line.reduce((sum, ratio) => sum + ratio, 0),
        );
        expect(high).toBeGreaterThanOrEqual(Math.min(most, ...widths) - 1e-6);
      }
    }
  });
});
