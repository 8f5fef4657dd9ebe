import { describe, expect, it } from 'vitest';
import {
  contrastRatio,
  dress,
  dressingOn,
  dressingSchema,
  dressingsOf,
  hasDressing,
  paintOf,
  paintsOf,
  ROLES,
  swatchesOf,
  type Palette,
} from '$core/index';

const palette: Palette = { ink: '#22302a', paper: '#fffdf8', lead: '#b5482d', second: '#dce5e1', accent: '#e8b84b' };
const kelp = { key: 's-kelp0001', name: 'Kelp', hex: '#335544' } as const;
const wide: Palette = { ...palette, more: [kelp] };
const DRESSINGS = dressingsOf(palette);
/** The pale second color is no ink: 1.3 to 1 on its paper. */
const TWO = ['two-lead', 'two-accent'] as const;

describe('dress', () => {
  it('has one colorway for every color that is no ground of another', () => {
    expect(DRESSINGS).toEqual(['full', 'one-color', 'reversed', 'black', 'white', ...TWO, 'on-lead', 'on-second', 'on-accent']);
    expect(dressingsOf(wide).at(-1)).toBe('on-s-kelp0001');
    expect(swatchesOf(wide).map(({ key }) => dressingOn(key))).toEqual(
      ['full', 'reversed', ...DRESSINGS.filter((name) => name.startsWith('on-')), 'on-s-kelp0001'].sort(
        (one, other) => Number(other === 'reversed') - Number(one === 'reversed'),
      ),
    );
  });

  it('stands out as much as ink or paper can, on any color of the palette', () => {
    for (const { key, hex } of swatchesOf(wide)) {
      const paint = paintOf(wide, `on-${key}`) ?? wide.ink;
      expect(contrastRatio(paint, hex)).toBe(Math.max(contrastRatio(wide.ink, hex), contrastRatio(wide.paper, hex)));
    }
    expect(dress(wide, 'on-s-kelp0001')).toMatchObject({ label: 'on Kelp', ground: '#335544' });
  });

  it('says when a color is gone, and leaves full color then', () => {
    expect([hasDressing(wide, 'on-s-kelp0001'), hasDressing(palette, 'on-s-kelp0001')]).toEqual([true, false]);
    expect(dress(palette, 'on-s-kelp0001').colors).toEqual(palette);
    for (const odd of ['on-', 'two-', 'three-lead', 'on-paper ', 'off-ink', 'on-s-', '', 7, null])
      expect(dressingSchema.safeParse(odd).success, String(odd)).toBe(false);
  });

  it('leaves full color as it is', () => expect(dress(palette, 'full').colors).toEqual(palette));

  it('uses exactly one color besides the ground in every other dressing', () => {
    for (const dressing of DRESSINGS.filter((name) => name !== 'full')) {
      const { colors, ground } = dress(palette, dressing);
      const used = new Set(ROLES.map((role) => colors[role]).filter((color) => color !== ground));
      expect(used.size, dressing).toBe(dressing.startsWith('two-') ? 2 : 1);
    }
  });

  it('in two colors has ink and the swatch, each color of the palette in the one that is nearer, and the lightest on the paper', () => {
    expect(paintsOf(palette, 'two-lead')).toEqual([palette.ink, palette.lead]);
    expect(dress(palette, 'two-lead')).toMatchObject({ label: 'ink and lead', ground: palette.paper });
    expect(dress(palette, 'two-lead').colors).toMatchObject({
      ink: palette.ink,
      lead: palette.lead,
      paper: palette.paper,
      second: palette.paper,
    });
    expect(paintsOf(palette, 'two-s-gone0001')).toBeUndefined();
    // A swatch that is ink itself is no second one.
    expect(dressingsOf({ ...palette, lead: palette.ink })).not.toContain('two-lead');
  });

  it('keeps a dark letter on a pale backing apart from it', () => {
    for (const dressing of DRESSINGS) {
      const { colors } = dress(palette, dressing);
      expect(contrastRatio(colors.ink, colors.second), dressing).toBeGreaterThan(3);
    }
  });
});
