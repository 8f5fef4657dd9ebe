import { describe, expect, it } from 'vitest';
import {
  DIVISIONS,
  dividedField,
  FORM_NAMES,
  formKind,
  LINE_STYLES,
  outlineOf,
  polygonPath,
  shrunk,
  startOf,
  TINCTURES,
  weightOf,
  boundsOf,
  type Division,
  type Point,
  type Region,
} from '$core/index';
import { areaOfRegion } from '$core/pathops';
import { hatching } from '$core/marks/builders/crest/field';
import { paths } from '../../support/resolver';

const region = (polygons: readonly (readonly Point[])[]): Region => ({
  path: polygons
    .map((polygon) => polygonPath(polygon))
    .reduce((sum, { verbs, coords }) => ({ verbs: sum.verbs + verbs, coords: [...sum.coords, ...coords] }), {
      verbs: '',
      coords: [] as readonly number[],
    }),
  rule: 'nonzero',
});
const box = { left: -150, top: -180, right: 150, bottom: 180 };
const field: Region = {
  path: polygonPath([
    { x: -150, y: -180 },
    { x: 150, y: -180 },
    { x: 150, y: 180 },
    { x: -150, y: 180 },
  ]),
  rule: 'nonzero',
};
const whole = 300 * 360;

/** Share of a rectangle that bears the second tincture, by plane geometry. */
const SHARE: Readonly<Partial<Record<Division, number>>> = {
  plain: 0,
  'per-pale': 1 / 2,
  'per-fess': 1 / 2,
  'per-bend': 1 / 2,
  'per-bend-sinister': 1 / 2,
  'per-saltire': 1 / 2,
  quarterly: 1 / 2,
  paly: 1 / 2,
  barry: 1 / 2,
  chequy: 1 / 2,
  lozengy: 1 / 2,
};

describe('a divided field', () => {
  it.each(Object.entries(SHARE))('%s covers of a rectangle what geometry says, within 0.1 %%', (division, share) => {
    const second = dividedField(box, division as Division, 'straight', 6);
    const area = second.length === 0 ? 0 : areaOfRegion(paths.combine('intersect', paths.weld([region(second)]), field));
    expect(Math.abs(area - share * whole)).toBeLessThan(0.001 * whole);
  });

  it('per chevron covers the area under two level-footed lines, by the shoelace formula', () => {
    const peakY = 0 - 360 * 0.08;
    // Lines fall 0.82 for one across; at the sides they stand 123 below the peak.
    const side = peakY + 150 * 0.82;
    const expected = 2 * (150 * (180 - (peakY + side) / 2));
    const area = areaOfRegion(paths.combine('intersect', paths.weld([region(dividedField(box, 'per-chevron', 'straight', 6))]), field));
    expect(Math.abs(area - expected)).toBeLessThan(0.001 * whole);
  });

  it('gyronny of eight gives every other of eight triangles that meet in the middle', () => {
    const second = dividedField(box, 'gyronny', 'straight', 8);
    expect(second).toHaveLength(4);
    const area = areaOfRegion(paths.combine('intersect', paths.weld([region(second)]), field));
    expect(Math.abs(area - whole / 2)).toBeLessThan(0.001 * whole);
  });

  const even = LINE_STYLES.filter((style) => style !== 'straight');
  it.each(even)('keeps its area with a %s line across a whole number of steps, within 2 %%', (style) => {
    const area = areaOfRegion(paths.combine('intersect', paths.weld([region(dividedField(box, 'per-fess', style, 6))]), field));
    // Hollows and points of engrailed lines take unlike areas; all others are even to both sides.
    expect(Math.abs(area - whole / 2)).toBeLessThan((style === 'engrailed' || style === 'invected' ? 0.03 : 0.02) * whole);
    expect(Math.abs(area - whole / 2)).toBeGreaterThan(style === 'engrailed' || style === 'invected' ? 1 : -1);
  });

  const shields = FORM_NAMES.filter((name) => formKind(name).group === 'shield');
  it.each(shields)('both tinctures together are the field of a %s, for every division, within 0.1 %%', (name) => {
    const shield = paths.weld([{ path: outlineOf(startOf(name)), rule: 'nonzero' }]);
    const inside = shrunk(shield, 8, paths, 'miter');
    const bounds = boundsOf(inside.path);
    if (!bounds) throw new Error('no field');
    const all = areaOfRegion(inside);
    for (const division of DIVISIONS.filter((each) => each !== 'plain')) {
      const second = paths.combine('intersect', paths.weld([region(dividedField(bounds, division, 'wavy', 6))]), inside);
      const first = paths.combine('subtract', inside, second);
      expect(Math.abs(areaOfRegion(first) + areaOfRegion(second) - all), division).toBeLessThan(0.001 * all);
      expect(areaOfRegion(second), division).toBeGreaterThan(0.2 * all);
      expect(areaOfRegion(second), division).toBeLessThan(0.8 * all);
    }
  });
});

describe('hatching', () => {
  /** @source S. Petra Sancta, "Tesserae gentilitiae", 1638, as in A. C. Fox-Davies, "A Complete Guide to Heraldry", 1909 */
  const SCHEME = { or: 'dots', argent: [], azure: [0], gules: [90], vert: [45], purpure: [-45], sable: [0, 90] } as const;
  it.each(TINCTURES)('of %s runs as in the published scheme', (tincture) => {
    const found = hatching(field, tincture, 12, 3, paths);
    const scheme = SCHEME[tincture];
    if (scheme === 'dots') {
      expect(found.length).toBeGreaterThan(100);
      // Whole dots of one size, none of them cut by the edge.
      const areas = found.map((dot) => weightOf([dot], 0.01)?.area ?? 0);
      expect(Math.max(...areas) / Math.min(...areas)).toBeLessThan(1.05);
      return;
    }
    expect(found).toHaveLength(scheme.length);
    found.forEach((lines, index) => {
      const angle = scheme[index] ?? 0;
      // Of what lines cover, a step along them changes nothing, a step across covers another share: their direction is the least.
      const moved = (turn: number) => {
        const [dx, dy] = [Math.cos((turn * Math.PI) / 180) * 3, Math.sin((turn * Math.PI) / 180) * 3];
        const other: Region = {
          path: { verbs: lines.path.verbs, coords: lines.path.coords.map((value, at) => value + (at % 2 === 0 ? dx : dy)) },
          rule: lines.rule,
        };
        return areaOfRegion(paths.combine('intersect', lines, other));
      };
      const tried = [-45, 0, 45, 90].map((turn) => ({ turn, common: moved(turn) }));
      expect(tried.sort((one, other) => other.common - one.common)[0]?.turn).toBe(angle);
      // A quarter of the field is ink: 3 of 12.
      expect(areaOfRegion(lines) / whole).toBeCloseTo(0.25, 1);
    });
  });
});
