import { MeshBuilder, unit, type Point } from '../mesh';
import { lampAt, windowBars, type Scene } from '../scene';
import { plaster } from '../surfaces';
import { backdrop } from './stage';

/** A white mug on plaster, in the light of a window. */
export function mug(widthPx: number): Scene {
  const [radius, tall] = [4.1, 9.4];
  const builder = new MeshBuilder();
  backdrop(builder, 0, { deep: 26, wide: 120, bend: 9 });
  // Outside from the rim down, the rounded foot, then the inside up again.
  const outside: [number, number][] = [];
  for (let n = 0; n <= 8; n++)
    outside.push([radius - 0.16 + 0.16 * Math.sin((n / 8) * (Math.PI / 2)), tall - 0.16 + 0.16 * Math.cos((n / 8) * (Math.PI / 2))]);
  const bodyTop = tall - 0.16;
  const foot: [number, number][] = [];
  for (let n = 0; n <= 14; n++)
    foot.push([radius - 0.9 + 0.9 * Math.cos((n / 14) * (Math.PI / 2)), 0.9 - 0.82 * Math.sin((n / 14) * (Math.PI / 2))]);
  builder.lathe(1, outside, [0, 0, 0]);
  // The straight wall carries the print: from handle to handle, seen from the front.
  const around = 0.62;
  builder.surface(
    2,
    180,
    12,
    (s, t) => {
      const angle = (s - 0.5) * 2 * Math.PI;
      return [radius * Math.sin(angle), bodyTop + (0.9 - bodyTop) * t, radius * Math.cos(angle)];
    },
    { seam: true, print: { left: 0.5 - around / 2, right: 0.5 + around / 2, top: 0.07, bottom: 0.97 } },
  );
  builder.lathe(1, foot, [0, 0, 0]);
  builder.lathe(
    1,
    [
      [radius - 0.9, 0.08],
      [radius - 1.2, 0.2],
      [0.01, 0.25],
    ],
    [0, 0, 0],
  );
  const inner: [number, number][] = [];
  for (let n = 0; n <= 12; n++)
    inner.push([0.02 + (radius - 1.2) * Math.sin((n / 12) * (Math.PI / 2)), 1.7 - 1.2 * Math.cos((n / 12) * (Math.PI / 2))]);
  inner.push([radius - 0.36, 3], [radius - 0.34, tall - 0.16]);
  for (let n = 1; n <= 8; n++)
    inner.push([radius - 0.34 + 0.18 * Math.sin((n / 8) * (Math.PI / 2)), tall - 0.16 + 0.16 * Math.sin((n / 8) * (Math.PI / 2))]);
  builder.lathe(1, inner, [0, 0, 0]);
  // The handle, flared where it meets the wall.
  const [from, to]: [Point, Point] = [
    [radius - 0.25, 7.6, 0],
    [radius - 0.25, 2.4, 0],
  ];
  builder.tube(
    1,
    (t) => {
      const angle = Math.PI * (t - 0.5);
      const out = Math.max(0, Math.cos(angle)) ** 0.8;
      return [from[0] + 2.9 * out, (from[1] + to[1]) / 2 - ((from[1] - to[1]) / 2) * Math.sin(angle), 0];
    },
    (t) => {
      const root = Math.max(0, 1 - Math.min(t, 1 - t) * 9) ** 2;
      return [0.62 + root * 0.5, 0.42 + root * 0.4];
    },
    110,
    36,
    [0, 0, 1],
  );
  return {
    name: 'mug',
    label: 'Mug',
    widthPx,
    heightPx: Math.round(widthPx * 0.8),
    mesh: builder.build(),
    materials: [
      { albedo: plaster('#c9b49c', 4), bump: { size: 0.7, steep: 0.05 } },
      { area: 0, coat: 0.24, shine: 0.05, bump: { size: 1.1, steep: 0.006 } },
      { area: 1, coat: 0.24, shine: 0.05, bump: { size: 1.1, steep: 0.006 } },
    ],
    areas: [
      {
        name: 'around',
        widthMm: Math.round(2 * Math.PI * radius * around * 10),
        heightMm: Math.round((bodyTop - 0.9) * 0.9 * 10),
        shownMm: 90,
      },
    ],
    camera: { eye: [3.2, 11.5, 34], target: [0.9, 4.6, 0], fovDeg: 29, aperture: 0.35, focus: [0, 5, radius] },
    key: {
      ...lampAt([-60, 52, 50], [0, 4, 0], 6, 6, [1500, 1290, 1020]),
      through: windowBars([-24, 10, 20], unit([0.64, 0, 0.77]), [0, 1, 0], 13, 3),
    },
    panel: lampAt([46, 26, 34], [0, 5, 0], 50, 44, [1.5, 1.62, 1.8]),
    sky: [0.23, 0.25, 0.28],
    exposure: 0.9,
    goods: [0.82, 0.81, 0.79],
    start: { color: '#f4f1ea', way: 'paper' },
    seed: 1,
  };
}
