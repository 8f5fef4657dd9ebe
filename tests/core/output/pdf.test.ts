import { describe, expect, it } from 'vitest';
import {
  holdsPixels,
  IDENTITY,
  inksOf,
  pdfPage,
  polygonPath,
  type Drawing,
  type DrawingNode,
  type Gradient,
  type Palette,
} from '$core/index';

const palette: Palette = {
  ...{ ink: '#22302a', paper: '#fffdf8', lead: '#b5482d', second: '#dce5e1', accent: '#e8b84b' },
  notes: { lead: { cmyk: { c: 10, m: 80, y: 90, k: 5 }, spot: 'Brick 12' } },
};
const square = polygonPath([
  { x: 0, y: 0 },
  { x: 10, y: 0 },
  { x: 10, y: 10 },
  { x: 0, y: 10 },
]);
const fill = (more: object = {}): DrawingNode =>
  ({ kind: 'fill', path: square, rule: 'nonzero', color: '#b5482d', opacity: 1, ...more }) as DrawingNode;
const drawing = (children: readonly DrawingNode[], more: object = {}): Drawing => ({
  groups: [{ kind: 'group', id: 'g', transform: IDENTITY, opacity: 1, blend: 'normal', children, ...more }],
});
const page = (of: Drawing, colors: 'rgb' | 'cmyk' | 'spot' = 'rgb') =>
  pdfPage(of, { box: { left: 0, top: 0, right: 10, bottom: 10 }, widthPt: 100, heightPt: 100, inkOf: inksOf(palette, colors) });

describe('a page', () => {
  it('is written in the operators of the standard: upside down, filled by its rule', () => {
    // ISO 32000-1, table 59 (path construction) and table 60 (painting)
    expect(page(drawing([fill()])).content).toBe(
      'q\n10 0 0 -10 0 100 cm\nq\nq\n0.7098 0.28235 0.17647 rg\n0 0 m\n10 0 l\n10 10 l\n0 10 l\nh\nf\nQ\nQ\nQ',
    );
    expect(page(drawing([fill({ rule: 'evenodd' })])).content).toContain('\nf*\n');
    expect(page(drawing([fill({ path: { verbs: 'MQZ', coords: [0, 0, 3, 6, 9, 0] } })])).content).toContain('2 4 5 4 9 0 c');
  });

  it('says colors as they are asked for: of screens, the printer’s own inks, a spot color by its name', () => {
    expect(page(drawing([fill()]), 'cmyk').content).toContain('0.1 0.8 0.9 0.05 k');
    expect(page(drawing([fill({ color: '#000000' })]), 'cmyk').content).toContain('0 0 0 1 k');
    const spot = page(drawing([fill(), fill()]), 'spot');
    expect(spot.content).toContain('/C1 cs 1 scn');
    expect([...spot.spots.values()]).toEqual([{ space: 'cmyk', components: [0.1, 0.8, 0.9, 0.05], spot: 'Brick 12' }]);
  });

  it('keeps opacity, blending and clips as such, and names one state once', () => {
    const form = page(drawing([fill({ opacity: 0.5 }), fill({ opacity: 0.5 })]));
    expect([...form.states.values()]).toEqual([{ opacity: 0.5 }]);
    const group = page(drawing([fill()], { opacity: 0.4 }));
    expect([...group.states.values()]).toEqual([{ opacity: 0.4, blend: 'normal' }]);
    expect(group.groups.size).toBe(1);
    // What blends is painted within a group of the whole drawing, so that the paper is not blended with.
    const blended = page(drawing([fill()], { blend: 'multiply' }));
    expect([...blended.groups.values()][0]?.groups.size).toBe(1);
    expect(page(drawing([fill()], { clip: { path: square, rule: 'evenodd' } })).content).toContain('W* n');
  });

  it('writes gradients as shadings, unrolled where they repeat, with a soft mask where they fade', () => {
    const gradient = (more: Partial<Gradient>): Gradient => ({
      ...{ kind: 'linear', map: { ...IDENTITY, a: 4 }, spread: 'pad' },
      stops: [
        { at: 0, color: '#000000', opacity: 1 },
        { at: 1, color: '#ffffff', opacity: 1 },
      ],
      ...more,
    });
    const plain = page(drawing([fill({ gradient: gradient({}) })]));
    expect([...plain.patterns.values()][0]?.shading).toMatchObject({ kind: 'linear', from: 0, to: 1 });
    // 10 wide at 4 a turn: two and a half turns, so three.
    const turned = [...page(drawing([fill({ gradient: gradient({ spread: 'reflect' }) })])).patterns.values()][0]?.shading;
    expect([turned?.from, turned?.to, turned?.stops.map(({ components }) => components[0])]).toEqual([0, 3, [0, 1, 1, 0, 0, 1]]);
    const stops = [
      { at: 0, color: '#000000' as const, opacity: 1 },
      { at: 1, color: '#000000' as const, opacity: 0 },
    ];
    const fading = page(drawing([fill({ gradient: gradient({ stops }) })]));
    const [mask] = [...fading.states.values()].flatMap((state) => state.mask ?? []);
    expect([...(mask?.patterns.values() ?? [])][0]).toMatchObject({ space: 'gray' });
    expect(holdsPixels(fading)).toBe(false);
  });
});
