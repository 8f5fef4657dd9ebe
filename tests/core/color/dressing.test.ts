import { describe, expect, it } from 'vitest';
import { contrastRatio, dress, DRESSINGS, ROLES, type Palette } from '$core/index';

const palette: Palette = { ink: '#22302a', paper: '#fffdf8', lead: '#b5482d', second: '#dce5e1', accent: '#e8b84b' };

describe('dress', () => {
  it('leaves full color as it is', () => expect(dress(palette, 'full').colors).toEqual(palette));

  it('uses exactly one color besides the ground in every other dressing', () => {
    for (const dressing of DRESSINGS.filter((name) => name !== 'full')) {
      const { colors, ground } = dress(palette, dressing);
      const used = new Set(ROLES.map((role) => colors[role]).filter((color) => color !== ground));
      expect(used.size, dressing).toBe(1);
    }
  });

  it('keeps a dark letter on a pale backing apart from it', () => {
    for (const dressing of DRESSINGS) {
      const { colors } = dress(palette, dressing);
      expect(contrastRatio(colors.ink, colors.second), dressing).toBeGreaterThan(3);
    }
  });
});
