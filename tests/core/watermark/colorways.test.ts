import { describe, expect, it } from 'vitest';
import {
  boundsOf,
  inkCells,
  inkCellsByColor,
  ownDressing,
  photoDeskSchema,
  startStamp,
  watermarkDrawing,
  watermarkSources,
  type Drawing,
  type DrawingNode,
  type Dressing,
  type Hex,
  type Recipe,
} from '$core/index';
import { paths } from '../../support/resolver';

const square = (left: number, top: number, side: number, color: Hex): DrawingNode => ({
  kind: 'fill',
  path: { verbs: 'MLLLZ', coords: [left, top, left + side, top, left + side, top + side, left, top + side] },
  rule: 'nonzero',
  color,
  opacity: 1,
});
const drawingOf = (children: readonly DrawingNode[]): Drawing => ({
  groups: [{ kind: 'group', id: 'all', transform: { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 }, opacity: 1, blend: 'normal', children }],
});
const sum = (values: Float32Array) => values.reduce((total, value) => total + value, 0);

describe('ink by its color', () => {
  it('is what is seen of each: closed form of squares on one another', () => {
    const photo = { widthPx: 320, heightPx: 240 };
    const [columns, rows] = [32, 24];
    const drawing = drawingOf([square(40, 40, 160, '#102030'), square(80, 80, 40, '#ffffff'), square(220, 40, 80, '#102030')]);
    const found = inkCellsByColor(photo, columns, rows, drawing);
    const cell = (320 / 32) ** 2;
    expect(sum(found.get('#102030')?.cover ?? new Float32Array()) * cell).toBeCloseTo(160 ** 2 - 40 ** 2 + 80 ** 2, -2);
    expect(sum(found.get('#ffffff')?.cover ?? new Float32Array()) * cell).toBeCloseTo(40 ** 2, -2);
    const all = inkCells(photo, columns, rows, drawing).cover;
    const together = all.map((_, at) => [...found.values()].reduce((total, { cover }) => total + (cover[at] as number), 0));
    expect(Math.max(...together.map((value, at) => Math.abs(value - (all[at] as number))))).toBeLessThan(1e-5);
  });
});

describe('a stamp in a colorway', () => {
  const recipe = { version: 5, parts: [] } as unknown as Recipe;
  it('is drawn in each colorway that a stamp asks for, once, and in one color', async () => {
    const drawn: Dressing[] = [];
    const stamps = [
      { ...startStamp('one', 'a'), tone: 'full', dressing: 'reversed' },
      { ...startStamp('two', 'a'), tone: 'full', dressing: 'full' },
      { ...startStamp('three', 'a'), tone: 'full', dressing: 'reversed' },
      { ...startStamp('four', 'a'), dressing: 'on-lead' },
    ] as const;
    const found = await watermarkSources({ stamps }, new Map([['a', recipe]]), (_, dressing) => {
      drawn.push(dressing);
      return Promise.resolve({ drawing: drawingOf([]), ink: { left: 0, top: 0, right: 1, bottom: 1 } } as never);
    });
    expect(drawn).toEqual(['white', 'reversed', 'full']);
    expect([...(found.get('a')?.own.keys() ?? [])]).toEqual(['reversed', 'full']);
    // A toned stamp keeps the colorway that was chosen before for when it is wanted again.
    expect(ownDressing(stamps[3])).toEqual([]);
  });
  it.each([
    ['#ffffff', 'dark'],
    ['#101820', 'light'],
  ] as const)('in %s is set off by a line in the %s tone, behind it and a little larger', (ink, tone) => {
    const drawing = drawingOf([square(0, 0, 100, ink)]);
    const source = {
      oneColor: drawing,
      own: new Map<Dressing, Drawing>([['full', drawing]]),
      ink: { left: 0, top: 0, right: 100, bottom: 100 },
    };
    const [columns, rows] = [40, 30];
    const cells = { columns, rows, light: new Float32Array(columns * rows).fill(50), busy: new Float32Array(columns * rows).fill(1) };
    const colors = { light: '#fafafa', dark: '#050505', swatch: () => undefined } as const;
    const laid = (edge: 'none' | 'line') =>
      watermarkDrawing({ stamps: [{ ...startStamp('one', 'a'), tone: 'full', edge }] }, new Map([['a', source]]), {
        ...{ photo: { widthPx: 400, heightPx: 300 }, tones: cells, colors, paths },
      }).drawing.groups[0]?.children ?? [];
    expect(laid('none')).toHaveLength(1);
    const [rim, mark] = laid('line');
    expect(rim).toMatchObject({ kind: 'fill', color: colors[tone] });
    expect(mark).toMatchObject({ kind: 'group', id: 'all' });
    // The line is 0.6 % of its longer side.
    expect(rim?.kind === 'fill' && boundsOf(rim.path)?.right).toBeCloseTo(100.6, 1);
  });
  it('begins in full color, also where it was stored before there was a choice', () => {
    const { dressing: _, ...before } = startStamp('one', 'a');
    expect(photoDeskSchema.parse({ stamps: [before] }).stamps[0]?.dressing).toBe('full');
  });
});
