import { describe, expect, it } from 'vitest';
import { apply, createPart, dress, expect as valueOf, STARTING_PALETTE, toSvg, type Art, type Fill, RECIPE_VERSION } from '$core/index';
import { asArt, importSvg } from '$core/svg-import';
import { drawnOn } from '../../support/drawn-mark';
import { shelfOf } from '../../support/fonts';
import { paths, resolverOf } from '../../support/resolver';

const shelf = await shelfOf();
const draw = drawnOn(shelf);
const STOPS = '<stop stop-color="#ff0000"/><stop offset="1" stop-color="#0000ff"/>';
const read = (defs: string, body: string) =>
  valueOf(importSvg(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><defs>${defs}</defs>${body}</svg>`, paths));
const only = (defs: string, body = '<rect x="10" y="20" width="40" height="30" fill="url(#g)"/>') => read(defs, body).pieces[0];
/** Where a gradient begins and ends, in the drawing's unit. */
const ends = (piece: ReturnType<typeof only>) => {
  if (!piece?.gradient) throw new Error('no gradient');
  const { map } = piece.gradient;
  return [apply(map, { x: 0, y: 0 }), apply(map, { x: 1, y: 0 })].map(({ x, y }) => [Math.round(x * 1e6) / 1e6, Math.round(y * 1e6) / 1e6]);
};

// Source of every expectation: W3C SVG 2, 14.2 (units, transforms, references, order of stops, degenerate gradients).
describe('gradients of drawings made elsewhere', () => {
  it('run across the box of what they paint, or where the drawing says', () => {
    expect(ends(only(`<linearGradient id="g">${STOPS}</linearGradient>`))).toEqual([
      [10, 20],
      [50, 20],
    ]);
    const down = `<linearGradient id="g" x2="0" y2="100%">${STOPS}</linearGradient>`;
    expect(ends(only(down))).toEqual([
      [10, 20],
      [10, 50],
    ]);
    const placed = `<linearGradient id="g" gradientUnits="userSpaceOnUse" x1="5" y1="6" x2="25" y2="6">${STOPS}</linearGradient>`;
    expect(ends(only(placed))).toEqual([
      [5, 6],
      [25, 6],
    ]);
  });

  it('go along with transforms of their own and of what they paint', () => {
    const moved = `<linearGradient id="g" gradientUnits="userSpaceOnUse" x2="10" gradientTransform="translate(3 4)">${STOPS}</linearGradient>`;
    const piece = only(moved, '<rect width="10" height="10" transform="scale(2)" fill="url(#g)"/>');
    expect(ends(piece)).toEqual([
      [6, 8],
      [26, 8],
    ]);
    const circle = only(`<radialGradient id="g">${STOPS}</radialGradient>`);
    expect(circle?.gradient?.kind).toBe('radial');
    expect(ends(circle)).toEqual([
      [30, 35],
      [50, 35],
    ]);
  });

  it('take stops and numbers from others by reference, in any length of chain but never in a circle', () => {
    const lent = `<linearGradient id="a" x1="50%">${STOPS}</linearGradient><linearGradient id="b" href="#a"/><linearGradient id="g" href="#b"/>`;
    expect(ends(only(lent))[0]).toEqual([30, 20]);
    const circle = '<linearGradient id="g" href="#h"/><linearGradient id="h" href="#g"/>';
    const left = read(circle, '<rect width="9" height="9" fill="url(#g)"/><rect width="9" height="9"/>');
    expect([left.pieces.length, left.left]).toEqual([1, ['a paint that is a pattern or comes from elsewhere']]);
  });

  it('have stops that never go back, with their strength', () => {
    const stops =
      '<stop offset="60%" style="stop-color:#0f0;stop-opacity:.5"/><stop offset=".2" stop-color="#00f"/><stop offset="7" stop-color="rgba(255,0,0,.5)"/>';
    expect(only(`<linearGradient id="g">${stops}</linearGradient>`)?.gradient?.stops).toEqual([
      { at: 0.6, color: '#00ff00', opacity: 0.5 },
      { at: 0.6, color: '#0000ff', opacity: 1 },
      { at: 1, color: '#ff0000', opacity: 0.5 },
    ]);
    const many = Array.from(
      { length: 3000 },
      (_, n) => `<stop offset="${n / 3000}" stop-color="#${(n % 4096).toString(16).padStart(3, '0')}"/>`,
    );
    expect(only(`<linearGradient id="g">${many.join('')}</linearGradient>`)?.gradient?.stops).toHaveLength(64);
  });

  it.each([
    ['one stop', '<linearGradient id="g"><stop stop-color="#00ff00"/></linearGradient>', '#00ff00'],
    ['no length', `<linearGradient id="g" x2="0">${STOPS}</linearGradient>`, '#0000ff'],
    ['no radius', `<radialGradient id="g" r="0">${STOPS}</radialGradient>`, '#0000ff'],
  ])('with %s are one color', (_, defs, color) => {
    expect(only(defs)).toMatchObject({ color });
    expect(only(defs)?.gradient).toBeUndefined();
  });

  it('become slots of art, stop by stop, and are recolored with them', () => {
    const drawing = read(`<linearGradient id="g">${STOPS}</linearGradient>`, '<rect width="40" height="30" fill="url(#g)"/>');
    const part = valueOf(createPart({ ...asArt(drawing, { title: 'Shade' }, STARTING_PALETTE), id: 'art' })) as Art;
    expect(part.slots.map(({ original }) => original).sort()).toEqual(['#0000ff', '#ff0000']);
    const slots = part.slots.map((slot, index) => ({ ...slot, paint: { role: index === 0 ? 'lead' : 'accent' } as const }));
    const [fill] = draw({ ...part, slots }).drawing.groups[0]?.children as readonly Fill[];
    expect(new Set(fill?.gradient?.stops.map(({ color }) => color))).toEqual(new Set([STARTING_PALETTE.lead, STARTING_PALETTE.accent]));
    // One color has no other to pass into: a plain fill.
    const mark = resolverOf(shelf).resolve({
      recipe: { version: RECIPE_VERSION, parts: [{ ...part, slots }] },
      sources: new Map(),
      dress: dress(STARTING_PALETTE, 'one-color'),
    });
    const [plain] = mark.drawing.groups[0]?.children as readonly Fill[];
    expect(plain?.gradient).toBeUndefined();
    expect(toSvg(mark.drawing, { title: 'Shade', box: { left: 0, top: 0, right: 1, bottom: 1 } })).not.toContain('Gradient');
  });
});
