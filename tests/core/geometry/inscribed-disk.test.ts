import { describe, expect, it } from 'vitest';
import {
  FORM_NAMES,
  flatten,
  inscribedDisk,
  mapPath,
  outlineOf,
  PathPen,
  rotation,
  startOf,
  toSize,
  type Path,
  type Region,
} from '$core/index';
import { oneInEvery } from '../../support/deep';
import { paths } from '../../support/resolver';

const area = (path: Path): Region => ({ path, rule: 'nonzero' });
const polygon = (...points: readonly (readonly [number, number])[]): Path => {
  const pen = new PathPen();
  points.forEach(([x, y], index) => (index === 0 ? pen.move(x, y) : pen.line(x, y)));
  return pen.close().path();
};

describe('the largest disk in an area', () => {
  it('has the radius of closed forms: half a panel’s height, a triangle’s inradius, an L’s corner', () => {
    const cases: readonly (readonly [string, Path, number])[] = [
      ['panel', polygon([0, 0], [400, 0], [400, 90], [0, 90]), 45],
      // Twice the area over the way round.
      ['triangle 3:4:5', polygon([0, 0], [300, 0], [0, 400]), 100],
      // In the corner of an L of two bars of width 1 the disk touches both far sides and the inner corner: r = 2 − √2 of them.
      ['L', polygon([0, 0], [300, 0], [300, 100], [100, 100], [100, 300], [0, 300]), 100 * (2 - Math.SQRT2)],
    ];
    for (const [name, path, radius] of cases)
      for (const turn of [0, 33, 128])
        expect(
          Math.abs((inscribedDisk(area(mapPath(path, rotation(turn))))?.radius ?? 0) / radius - 1),
          `${name} at ${turn}°`,
        ).toBeLessThan(0.005);
    expect(inscribedDisk(area({ verbs: '', coords: [] }))).toBeUndefined();
  });

  it('of every shape lies inside it, touches its edge, and no place of a fine grid has more room', () => {
    for (const form of oneInEvery(4, FORM_NAMES)) {
      const region = paths.weld([area(toSize(outlineOf(startOf(form)), 300, 300))]);
      const sides = flatten(region.path, 0.05).flatMap((points) =>
        points.map((a, index) => [a, points[(index + 1) % points.length] ?? a] as const),
      );
      const roomAt = (x: number, y: number): number => {
        let odd = false;
        let near = Infinity;
        for (const [a, b] of sides) {
          if (a.y > y !== b.y > y && x < a.x + ((y - a.y) / (b.y - a.y)) * (b.x - a.x)) odd = !odd;
          const [dx, dy] = [b.x - a.x, b.y - a.y];
          const t = Math.min(1, Math.max(0, ((x - a.x) * dx + (y - a.y) * dy) / (dx * dx + dy * dy || 1)));
          near = Math.min(near, Math.hypot(a.x + t * dx - x, a.y + t * dy - y));
        }
        return odd ? near : -near;
      };
      const disk = inscribedDisk(region);
      expect(disk, form).toBeDefined();
      if (!disk) continue;
      expect(Math.abs(roomAt(disk.at.x, disk.at.y) - disk.radius), form).toBeLessThan(0.4);
      for (let x = -150; x <= 150; x += 10)
        for (let y = -150; y <= 150; y += 10) expect(roomAt(x, y), `${form} at ${x} ${y}`).toBeLessThan(disk.radius + 0.4);
    }
  });
});
