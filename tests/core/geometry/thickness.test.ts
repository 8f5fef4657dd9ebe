import { describe, expect, it } from 'vitest';
import { flatten, mapPath, rectangle, ring, rotation, thicknessOf, joinPaths, translation, PathPen, type Path } from '$core/index';
import { inkRuns } from '$core/index';
import { drawnOn, fillsOf, letteringInput } from '../../support/drawn-mark';
import { paths } from '../../support/resolver';
import { shelfOf } from '../../support/fonts';

const FINE = 0.01;
const measured = (path: Path) => {
  const made = thicknessOf(flatten(path, FINE));
  if (!made) throw new Error('nothing measured');
  return made;
};
/** Within a share of what is known. */
const near = (value: number, known: number, share = 0.02) => {
  expect(value / known).toBeGreaterThan(1 - share);
  expect(value / known).toBeLessThan(1 + share);
};

describe('thickness along the medial axis', () => {
  it('equals the thickness of bars, however they are turned (closed form)', () => {
    for (const [length, thick] of [
      [400, 20],
      [900, 3],
      [60, 40],
    ] as const)
      for (const turn of [0, 17, 45, 90, 133]) {
        const bar = measured(mapPath(rectangle(length, thick, 0), rotation(turn)));
        near(bar.median, thick);
        near(bar.thinnest.thickness, thick);
      }
  });

  it('equals the band of rings, wide and narrow (closed form)', () => {
    for (const [size, band] of [
      [320, 8],
      [100, 30],
      [2000, 1.5],
    ] as const) {
      const found = measured(ring(size, size, band));
      near(found.median, band);
      near(found.thinnest.thickness, band);
    }
  });

  it('finds the thinnest place and where it is: a bar with a waist', () => {
    const waisted = new PathPen()
      .move(-200, -20)
      .line(-10, -20)
      .line(-10, -4)
      .line(10, -4)
      .line(10, -20)
      .line(200, -20)
      .line(200, 20)
      .line(10, 20)
      .line(10, 4)
      .line(-10, 4)
      .line(-10, 20)
      .line(-200, 20)
      .close()
      .path();
    const found = measured(waisted);
    near(found.median, 40);
    near(found.thinnest.thickness, 8);
    expect(Math.abs(found.thinnest.at.x)).toBeLessThan(10);
    expect(Math.abs(found.thinnest.at.y)).toBeLessThan(0.1);
  });

  it('a disk is as thick as it is wide, and a bar beside it does not disturb it', () => {
    const disk = joinPaths([mapPath(ring(100, 100, 60), translation(0, 0)), mapPath(rectangle(4, 300, 0), translation(120, 0))]);
    const found = measured(disk);
    near(Math.max(...found.places.map(({ thickness }) => thickness)), 100);
    near(found.thinnest.thickness, 4);
  });

  it('finds nothing in nothing, in a line and in a point', () => {
    const line = new PathPen().move(0, 0).line(10, 0).close().path();
    for (const path of [{ verbs: '', coords: [] }, line, new PathPen().move(3, 3).close().path()])
      expect(thicknessOf(flatten(path))).toBeUndefined();
  });

  it('agrees with stems read off scan lines in letters of eight faces', async () => {
    const families = ['jost', 'inter', 'montserrat', 'oswald', 'roboto-slab', 'eb-garamond', 'bodoni-moda', 'league-spartan'];
    const draw = drawnOn(await shelfOf(...families));
    for (const family of families) {
      const path = fillsOf(draw(letteringInput({ text: 'I', font: { family, axes: { wght: 500 } }, sizePx: 1000 })), 'name')[0]?.path;
      const polygons = flatten(paths.weld([{ path: path as Path, rule: 'nonzero' }]).path, FINE);
      const found = thicknessOf(polygons);
      const ys = polygons.flatMap((polygon) => polygon.map(({ y }) => y));
      const middle = (Math.min(...ys) + Math.max(...ys)) / 2;
      const [stem] = inkRuns(polygons, 'x', middle);
      const known = (stem?.end ?? 0) - (stem?.start ?? 0);
      // The stem's own places: disks whose center lies in the middle third of the letter's height.
      const height = Math.max(...ys) - Math.min(...ys);
      const stems = (found?.places ?? []).filter(({ at }) => Math.abs(at.y - middle) < height / 6).map(({ thickness }) => thickness);
      expect(stems.length).toBeGreaterThan(20);
      near(stems[Math.floor(stems.length / 2)] as number, known);
    }
  });
});
