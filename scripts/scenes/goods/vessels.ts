import { MeshBuilder, unit } from '../mesh';
import { lampAt, leaves, windowBars, type Scene } from '../scene';
import { light, plain, plaster, stone, wood } from '../surfaces';
import { backdrop, disk, roundEdge, table } from './stage';

/** An enamel cup with a dark rim on boards. */
export function enamelCup(widthPx: number): Scene {
  const builder = new MeshBuilder();
  backdrop(builder, 0, { deep: 34, wide: 140, bend: 0.6 });
  const [low, up, tall] = [3.7, 4.25, 7.6];
  const wall = (t: number) => up + (low - up) * t;
  builder.lathe(3, roundEdge([up + 0.02, tall], 0.17, 2.4, -1.4, 18), [0, 0, 0]);
  const around = 0.6;
  builder.surface(
    2,
    160,
    10,
    (s, t) => {
      const angle = (s - 0.5) * 2 * Math.PI;
      return [wall(t) * Math.sin(angle), tall - 0.1 + (0.6 - tall) * t, wall(t) * Math.cos(angle)];
    },
    { seam: true, print: { left: 0.5 - around / 2, right: 0.5 + around / 2, top: 0.06, bottom: 0.97 } },
  );
  builder.lathe(1, [...roundEdge([low - 0.5, 0.5], 0.5, 0, -1, 8), [0.01, 0]], [0, 0, 0]);
  builder.lathe(
    1,
    [
      [0.01, 0.3],
      [low - 0.4, 0.32],
      [low - 0.15, 0.7],
      [up - 0.15, tall],
    ],
    [0, 0, 0],
  );
  builder.tube(
    1,
    (t) => {
      const angle = Math.PI * (t - 0.5) * 1.04;
      const out = Math.max(0, Math.cos(angle)) ** 0.62;
      return [4.0 + 2.4 * out - 0.25 * t, 4.3 - 2.2 * Math.sin(angle), 0];
    },
    () => [0.62, 0.13],
    100,
    24,
  );
  return {
    name: 'enamel-cup',
    label: 'Enamel cup',
    widthPx,
    heightPx: Math.round(widthPx * 0.8),
    mesh: builder.build(),
    materials: [
      { albedo: wood('#b98a5b', '#6d4524', 11, 3), bump: { size: 0.5, steep: 0.04 } },
      { area: 0, coat: 0.16, shine: 0.05, bump: { size: 0.9, steep: 0.01 } },
      { area: 1, coat: 0.16, shine: 0.05, bump: { size: 0.9, steep: 0.01 } },
      { albedo: plain('#1d2a3a'), coat: 0.15, shine: 0.05 },
    ],
    areas: [{ name: 'around', widthMm: 150, heightMm: 62, shownMm: 88 }],
    camera: { eye: [-5, 13.5, 31], target: [0.7, 3.6, 0], fovDeg: 28, aperture: 0.42, focus: [0, 4, 4] },
    key: {
      ...lampAt([58, 44, 30], [0, 3, 0], 6, 6, [1350, 1130, 850]),
      through: windowBars([22, 8, 14], unit([0.5, 0, -0.86]), unit([0.25, 1, 0]), 17, 4.2),
    },
    panel: lampAt([-46, 30, 26], [0, 5, 0], 44, 50, [1.25, 1.4, 1.62]),
    sky: [0.2, 0.23, 0.27],
    exposure: 0.88,
    goods: [0.84, 0.83, 0.8],
    start: { color: '#f6f3ea', way: 'paper' },
    seed: 3,
  };
}

/** A flat tin seen from above, its lid leaning on it. */
export function tin(widthPx: number): Scene {
  const builder = new MeshBuilder();
  table(builder, 0, 80);
  const radius = 4.4;
  disk(builder, 2, radius - 0.3, [0, 2.3, 0], 0.04);
  builder.lathe(
    1,
    [
      [radius - 0.3, 2.3],
      [radius - 0.24, 2.24],
      [radius - 0.2, 2.32],
      ...roundEdge([radius - 0.16, 2.2], 0.16, 1, 0, 8),
      [radius, 1.2],
      [radius - 0.04, 1.16],
    ],
    [0, 0, 0],
  );
  builder.lathe(3, [[radius - 0.1, 1.25], [radius - 0.1, 0.2], ...roundEdge([radius - 0.3, 0.2], 0.2, 0, -1, 6)], [0, 0, 0]);
  // A second one, further back, on its side of the picture.
  const [x, z] = [-10.6, -6.4];
  disk(builder, 2, radius - 0.3, [x, 2.3, z], 0.04);
  builder.lathe(
    1,
    [
      [radius - 0.3, 2.3],
      [radius - 0.24, 2.24],
      [radius - 0.2, 2.32],
      ...roundEdge([radius - 0.16, 2.2], 0.16, 1, 0, 8),
      [radius, 1.2],
      [radius - 0.04, 1.16],
    ],
    [x, 0, z],
  );
  builder.lathe(3, [[radius - 0.1, 1.25], [radius - 0.1, 0.2], ...roundEdge([radius - 0.3, 0.2], 0.2, 0, -1, 6)], [x, 0, z]);
  return {
    name: 'tin',
    label: 'Tin',
    widthPx,
    heightPx: Math.round(widthPx * 0.75),
    mesh: builder.build(),
    materials: [
      { albedo: stone('#6d6a66', '#8f8b85', 8), coat: 0.5, shine: 0.03, bump: { size: 0.6, steep: 0.05 } },
      { area: 0, coat: 0.3, shine: 0.06 },
      { area: 1, coat: 0.3, shine: 0.06 },
      { albedo: plain('#a8a49c'), coat: 0.28, shine: 0.5, bump: { size: 0.4, steep: 0.01 } },
    ],
    areas: [{ name: 'lid', widthMm: 82, heightMm: 82 }],
    camera: { eye: [2.5, 21, 19], target: [-1.6, 0.9, -0.8], fovDeg: 33, aperture: 0.4, focus: [0, 2.3, 0.5] },
    key: {
      ...lampAt([46, 50, -20], [0, 0, 0], 6, 6, [850, 750, 620]),
      through: leaves([16, 17, -7], unit([0.4, 0, 0.92]), unit([-0.6, 0.8, 0]), 3.6, 0.5, 3),
    },
    panel: lampAt([-42, 34, 24], [0, 0, 0], 46, 40, [1.1, 1.2, 1.36]),
    sky: [0.2, 0.22, 0.25],
    exposure: 0.92,
    goods: [0.6, 0.6, 0.58],
    start: { color: '#e9e2d2', way: 'paper' },
    seed: 4,
  };
}

/** An opaque jar with a paper label and a wooden lid on pale stone. */
export function jar(widthPx: number): Scene {
  const builder = new MeshBuilder();
  backdrop(builder, 0, { deep: 30, wide: 140, bend: 12 });
  const [radius, tall] = [4.6, 9.2];
  builder.lathe(
    1,
    [
      [2.6, tall],
      [radius - 0.9, tall - 0.02],
      ...roundEdge([radius - 0.9, tall - 0.9], 0.9, 1, 0, 10),
      [radius, 0.7],
      ...roundEdge([radius - 0.7, 0.7], 0.7, 0, -1, 10),
      [0.01, 0],
    ],
    [0, 0, 0],
  );
  const around = 0.56;
  // The label stands off the wall by the thickness of its paper.
  const half = around * Math.PI;
  builder.surface(2, 120, 8, (s, t) => {
    const angle = (s - 0.5) * 2 * half;
    return [(radius + 0.03) * Math.sin(angle), 7.4 - 5.6 * t, (radius + 0.03) * Math.cos(angle)];
  });
  builder.lathe(
    3,
    [
      [0.01, tall + 1.7],
      [radius - 0.75, tall + 1.7],
      ...roundEdge([radius - 0.75, tall + 1.5], 0.2, 1, 0, 6),
      [radius - 0.55, tall + 0.1],
      [radius - 0.75, tall],
    ],
    [0, 0, 0],
  );
  return {
    name: 'jar',
    label: 'Jar with a label',
    widthPx,
    heightPx: Math.round(widthPx * 0.9),
    mesh: builder.build(),
    materials: [
      { albedo: plaster('#d8cfc2', 9), bump: { size: 0.5, steep: 0.04 } },
      { albedo: plain('#4a2f1e'), coat: 0.18, shine: 0.05 },
      { area: 1, bump: { size: 0.12, steep: 0.03 } },
      { albedo: wood('#c79c68', '#8a5f34', 30, 5), bump: { size: 0.3, steep: 0.03 } },
    ],
    areas: [{ name: 'label', widthMm: Math.round(2 * half * radius * 10), heightMm: 56 }],
    camera: { eye: [4, 13, 37], target: [0.4, 5.2, 0], fovDeg: 27, aperture: 0.4, focus: [0, 5, radius] },
    key: {
      ...lampAt([-52, 50, 36], [0, 4, 0], 6, 6, [900, 790, 640]),
      through: leaves([-24, 20, 16], unit([0.56, 0, 0.83]), unit([0.2, 1, 0]), 4.4, 0.46, 8),
    },
    panel: lampAt([46, 26, 30], [0, 5, 0], 44, 46, [1.25, 1.36, 1.5]),
    sky: [0.22, 0.24, 0.27],
    exposure: 0.9,
    goods: light('#efe8da'),
    start: { color: '#f3eee2', way: 'paper' },
    seed: 5,
  };
}
