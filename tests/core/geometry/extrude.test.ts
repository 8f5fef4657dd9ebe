import { FillRule, unionD, type PathsD } from 'clipper2-ts';
import { describe, expect, it } from 'vitest';
import {
  flatten,
  FORM_NAMES,
  mapPath,
  outlineOf,
  PathPen,
  rotation,
  startOf,
  toSize,
  translation,
  type Affine,
  type Point,
  type Region,
} from '$core/index';
import { extrude } from '../../../src/core/geometry';
import { casesOf, oneInEvery } from '../../support/deep';
import { areaOf, drawnOn, fillsOf, letteringInput } from '../../support/drawn-mark';
import { shelfOf } from '../../support/fonts';
import { random } from '../../support/random';
import { paths } from '../../support/resolver';

const rectangle = (width: number, height: number): Region => ({
  path: new PathPen().move(0, 0).line(width, 0).line(width, height).line(0, height).close().path(),
  rule: 'nonzero',
});
const disk = (diameter: number): Region => ({ path: toSize(outlineOf(startOf('disk')), diameter, diameter), rule: 'nonzero' });

const through = ({ a, b, c, d, e, f }: Affine, { x, y }: Point): Point => ({ x: a * x + c * y + e, y: b * x + d * y + f });

/** The independent route: the union, by a polygon library, of the area, its image, and a quadrilateral for every side of its fine polygons. */
function sweptArea({ path, rule }: Region, far: Affine): number {
  const own = unionD(
    flatten(path, 0.001).map((polygon) => polygon.map(({ x, y }) => ({ x, y }))),
    [],
    rule === 'evenodd' ? FillRule.EvenOdd : FillRule.NonZero,
    6,
  );
  const positive = (points: Point[]): Point[] => {
    const area = points.reduce((sum, { x, y }, index) => {
      const next = points[(index + 1) % points.length] as Point;
      return sum + x * next.y - next.x * y;
    }, 0);
    return area < 0 ? points.reverse() : points;
  };
  const sides: PathsD = own.flatMap((polygon) =>
    polygon.map((a, index) => {
      const b = polygon[(index + 1) % polygon.length] as Point;
      return positive([a, b, through(far, b), through(far, a)]);
    }),
  );
  const image = own.map((polygon) => polygon.map((point) => through(far, point)));
  const swept = unionD([...own, ...image, ...sides], [], FillRule.NonZero, 6);
  return areaOf([
    {
      path: {
        verbs: swept.map((polygon) => polygon.map((_, index) => (index === 0 ? 'M' : 'L')).join('') + 'Z').join(''),
        coords: swept.flatMap((polygon) => polygon.flatMap(({ x, y }) => [x, y])),
      },
      rule: 'nonzero',
    },
  ]);
}

describe('an extrusion', () => {
  it('of a rectangle and a disk covers what the closed forms say', () => {
    // Minkowski sum with a segment (u, v): a rectangle grows by w|v| + h|u|, a disk by its diameter times the length of the segment.
    for (const [u, v] of [
      [30, 40],
      [-25, 10],
      [0, 60],
      [12, 0],
    ] as const) {
      expect(areaOf([extrude(rectangle(100, 60), translation(u, v), paths)]) / (6000 + 100 * Math.abs(v) + 60 * Math.abs(u))).toBeCloseTo(
        1,
        4,
      );
      expect(areaOf([extrude(disk(80), translation(u, v), paths)]) / (Math.PI * 1600 + 80 * Math.hypot(u, v))).toBeCloseTo(1, 3);
    }
  });

  it('of a ring fills its hole as far as the way reaches', () => {
    // Two disks of diameters 100 and 60; moved by 20 the hole that stays open is the lens of two disks of 60 that are 20 apart.
    const ring = paths.combine('subtract', disk(100), disk(60));
    const r = 30;
    const lens = 2 * r * r * Math.acos(20 / (2 * r)) - (20 / 2) * Math.sqrt(4 * r * r - 400);
    expect(areaOf([extrude(ring, translation(20, 0), paths)]) / (Math.PI * 2500 + 100 * 20 - lens)).toBeCloseTo(1, 3);
  });

  it('to a point is a cone: a disk far from its point becomes the disk with its two tangents', () => {
    const far: Affine = { a: 1e-4, b: 0, c: 0, d: 1e-4, e: 100, f: 0 };
    // From a point at distance d of a disk of radius r: the tangent kite less the sector that lies inside of the disk.
    const [d, r] = [100, 40];
    const angle = Math.acos(r / d);
    const kite = r * Math.sqrt(d * d - r * r);
    expect(areaOf([extrude(disk(80), far, paths)]) / (Math.PI * r * r + kite - r * r * angle)).toBeCloseTo(1, 3);
  });

  it('of letters and shapes, straight and tapering, covers what a polygon library finds, within 0.1 %, in seeded cases', async () => {
    const draw = drawnOn(await shelfOf('jost', 'playfair-display', 'great-vibes'));
    const next = random(5);
    const off: string[] = [];
    const check = (name: string, region: Region) => {
      const [turn, length] = [next() * 2 * Math.PI, 2 + next() * 60];
      const moved = translation(length * Math.cos(turn), length * Math.sin(turn));
      const size = next() < 0.4 ? 0.3 + next() * 0.7 : 1;
      const far = { ...moved, a: size, d: size };
      const [ours, theirs] = [areaOf([extrude(region, far, paths)]), sweptArea(region, far)];
      if (Math.abs(ours / theirs - 1) > 0.001)
        off.push(`${name} by ${length.toFixed(1)} at ${turn.toFixed(2)}, to ${size.toFixed(2)}: ${ours} against ${theirs}`);
    };
    for (const family of ['jost', 'playfair-display', 'great-vibes'])
      for (const letter of oneInEvery(18, [...'QBAGORaSWdegkosy8&'])) {
        const [fill] = fillsOf(draw(letteringInput({ text: letter, font: { family }, sizePx: 150 })), 'name');
        if (fill) check(`${family} ${letter}`, paths.weld([{ path: fill.path, rule: fill.rule }]));
      }
    for (const form of oneInEvery(30, FORM_NAMES))
      for (let n = 0; n < casesOf({ inFull: 12, sample: 1 }); n++)
        check(form, paths.weld([{ path: mapPath(toSize(outlineOf(startOf(form)), 200, 160), rotation(next() * 360)), rule: 'nonzero' }]));
    expect(off).toEqual([]);
  });
});
