import { MeshBuilder, unit, type Point } from '../mesh';
import { lampAt, leaves, windowBars, type Scene } from '../scene';
import { kraft, linen, plain, plaster, stone, wood } from '../surfaces';
import { backdrop, sheet, table } from './stage';

const turned =
  (angle: number, at: Point) =>
  (x: number, y: number, z: number): Point => [
    at[0] + x * Math.cos(angle) + z * Math.sin(angle),
    at[1] + y,
    at[2] - x * Math.sin(angle) + z * Math.cos(angle),
  ];

/** A letterhead with its envelope on dark slate. */
export function letterhead(widthPx: number): Scene {
  const builder = new MeshBuilder();
  table(builder, 0, 90);
  const page = turned(0.12, [-5.2, 0.05, 0]);
  for (let n = 0; n < 3; n++)
    sheet(
      builder,
      [n === 2 ? 2 : 1, 1],
      { wide: 21, high: 29.7, thick: 0.012 },
      (x, y, z) => {
        const [a, c] = [x + n * 0.25 - 0.3, z - n * 0.2];
        const lift = n === 2 ? 0.5 * Math.max(0, (a + c * 0.5 - 13) / 5) ** 2 * 2 : 0;
        return page(a, y + n * 0.03 + lift, c);
      },
      40,
    );
  const cover = turned(-0.2, [12.4, 0.12, 6.6]);
  sheet(
    builder,
    [3, 1],
    { wide: 22, high: 11, thick: 0.1 },
    (x, y, z) => cover(x, y * (1 - 0.7 * Math.max(Math.abs(x) / 11, Math.abs(z) / 5.5) ** 8), z),
    40,
  );
  return {
    name: 'letterhead',
    label: 'Letterhead and envelope',
    widthPx,
    heightPx: Math.round(widthPx * 0.8),
    mesh: builder.build(),
    materials: [
      { albedo: stone('#55595c', '#74797c', 15), coat: 0.6, shine: 0.03, bump: { size: 0.5, steep: 0.08 } },
      { area: 0, bump: { size: 0.09, steep: 0.02 } },
      { area: 1, bump: { size: 0.09, steep: 0.02 } },
      { area: 2, bump: { size: 0.09, steep: 0.02 } },
    ],
    areas: [
      { name: 'letter', widthMm: 210, heightMm: 297 },
      { name: 'envelope', widthMm: 220, heightMm: 110 },
    ],
    camera: { eye: [3, 58, 26], target: [2.4, 0, 0.6], fovDeg: 34, aperture: 0.5, focus: [0, 0, 0] },
    key: {
      ...lampAt([-60, 70, -40], [0, 0, 0], 8, 8, [800, 720, 610]),
      through: leaves([-24, 28, -16], unit([0.5, 0, -0.86]), unit([0.4, 0.9, 0.2]), 6, 0.48, 5),
    },
    panel: lampAt([60, 60, 40], [0, 0, 0], 70, 60, [0.95, 1.05, 1.18]),
    sky: [0.22, 0.25, 0.28],
    exposure: 0.84,
    goods: [0.84, 0.84, 0.82],
    start: { color: '#fbf9f3', way: 'paper' },
    seed: 6,
  };
}

/** A rigid box on boards, its lid and front printed. */
export function box(widthPx: number): Scene {
  const builder = new MeshBuilder();
  backdrop(builder, 0, { deep: 46, wide: 170, bend: 18 });
  const angle = 0.52;
  const at =
    (base: number) =>
    ([x, y, z]: Point): Point => [x * Math.cos(angle) + z * Math.sin(angle), y + base, -x * Math.sin(angle) + z * Math.cos(angle)];
  builder.roundBox([2, 1, 1, 1, 1, 1], [20, 6.6, 15], 0.12, at(3.3));
  // A lid that reaches down a little, a hair wider than the box.
  builder.roundBox([1, 1, 1, 1, 3, 1], [20.3, 2.2, 15.3], 0.14, at(6.4));
  return {
    name: 'box',
    label: 'Box',
    widthPx,
    heightPx: Math.round(widthPx * 0.8),
    mesh: builder.build(),
    materials: [
      { albedo: plaster('#c2a892', 14), bump: { size: 0.7, steep: 0.04 } },
      { area: 0, bump: { size: 0.1, steep: 0.03 } },
      { area: 2, bump: { size: 0.1, steep: 0.03 } },
      { area: 1, bump: { size: 0.1, steep: 0.03 } },
    ],
    areas: [
      { name: 'lid', widthMm: 203, heightMm: 153 },
      { name: 'front', widthMm: 200, heightMm: 66 },
    ],
    camera: { eye: [2, 30, 50], target: [0.3, 3.4, 0.6], fovDeg: 31, aperture: 0.5, focus: [-2, 6, 4] },
    key: {
      ...lampAt([-66, 70, 18], [0, 3, 0], 14, 14, [560, 490, 400]),
    },
    panel: lampAt([60, 34, 44], [0, 4, 0], 60, 60, [1.15, 1.24, 1.36]),
    sky: [0.2, 0.22, 0.25],
    exposure: 0.9,
    goods: [0.55, 0.52, 0.48],
    start: { color: '#e7dccb', way: 'paper' },
    seed: 7,
  };
}

/** A paper bag with cord handles before a wall. */
export function paperBag(widthPx: number): Scene {
  const builder = new MeshBuilder();
  backdrop(builder, 0, { deep: 26, wide: 160, bend: 14 });
  const angle = -0.42;
  const [wide, tall, deep] = [22, 29, 10];
  const turn = ([x, y, z]: Point): Point => [x * Math.cos(angle) + z * Math.sin(angle), y, -x * Math.sin(angle) + z * Math.cos(angle)];
  const dent = (s: number, t: number) =>
    0.5 * Math.sin(s * Math.PI) * Math.sin(t * Math.PI) + 0.12 * Math.sin(s * 9 + t * 4) * Math.sin(t * Math.PI);
  builder.surface(2, 60, 60, (s, t) => turn([(s - 0.5) * wide, tall * (1 - t), deep / 2 - dent(s, t)]));
  builder.surface(1, 40, 40, (s, t) => {
    // Sides fold inwards along their middle.
    const fold = (1 - Math.abs(s - 0.5) * 2) * (1.1 + 1.5 * (1 - t));
    return turn([wide / 2 - fold, tall * (1 - t), deep / 2 - s * deep]);
  });
  builder.surface(1, 40, 40, (s, t) => {
    const fold = (1 - Math.abs(s - 0.5) * 2) * (1.1 + 1.5 * (1 - t));
    return turn([-wide / 2 + fold, tall * (1 - t), -deep / 2 + s * deep]);
  });
  builder.surface(1, 30, 30, (s, t) => turn([(0.5 - s) * wide, tall * (1 - t), -deep / 2 + dent(s, t) * 0.5]));
  for (const z of [deep / 2 - 0.25, -deep / 2 + 0.25])
    builder.tube(
      3,
      (t) => turn([-4.6 + 9.2 * t, tall - 2.2 + 7.6 * Math.sin(t * Math.PI) ** 0.75, z + (z > 0 ? 0.9 : -0.9) * Math.sin(t * Math.PI)]),
      () => [0.2, 0.2],
      80,
      12,
      [0, 0, 1],
    );
  return {
    name: 'paper-bag',
    label: 'Paper bag',
    widthPx,
    heightPx: widthPx,
    mesh: builder.build(),
    materials: [
      { albedo: plaster('#9fa59a', 21), bump: { size: 0.8, steep: 0.04 } },
      { area: 0, bump: { size: 0.3, steep: 0.03 } },
      { area: 1, bump: { size: 0.3, steep: 0.03 } },
      { albedo: plain('#d9cfbc'), bump: { size: 0.1, steep: 0.2 } },
    ],
    areas: [{ name: 'front', widthMm: 220, heightMm: 290 }],
    camera: { eye: [4, 27, 86], target: [0, 17, 0], fovDeg: 27, aperture: 0.5, focus: [0, 16, 4] },
    key: {
      ...lampAt([70, 74, 66], [0, 14, 0], 8, 8, [2700, 2350, 1880]),
    },
    panel: lampAt([-70, 40, 50], [0, 14, 0], 70, 70, [1.1, 1.2, 1.34]),
    sky: [0.2, 0.22, 0.25],
    exposure: 0.9,
    goods: [0.5, 0.42, 0.3],
    start: { color: '#c79f6e', way: 'paper' },
    seed: 8,
  };
}

/** A hang tag on a cord, lying on linen. */
export function hangTag(widthPx: number): Scene {
  const builder = new MeshBuilder();
  table(builder, 0, 40);
  const place = turned(-0.3, [0, 0, 0.6]);
  const lifted = (x: number, y: number, z: number) => place(x, y + 0.05 + 0.1 * ((z + 4.5) / 9), z);
  sheet(builder, [2, 1], { wide: 5.5, high: 9, thick: 0.08 }, lifted, 30);
  // An eyelet of metal with the cord through it.
  builder.lathe(4, roundEdgeRing(0.22, 0.34), lifted(0, 0.08, -3.7), 48);
  builder.lathe(
    5,
    [
      [0.2, 0.02],
      [0.01, 0.02],
    ],
    lifted(0, 0.075, -3.7),
    32,
  );
  const hole = lifted(0, 0.16, -3.7);
  for (const side of [-1, 1])
    builder.tube(
      3,
      (t) => [
        hole[0] + side * (0.05 + 1.3 * t * t) + 1.2 * t + 0.8 * (Math.sin(t * 4 + side) - Math.sin(side)),
        0.12 + 0.25 * Math.exp(-t * 6),
        hole[2] - 9 * t + side * 0.5 * Math.sin(t * 3),
      ],
      () => [0.1, 0.1],
      120,
      12,
      [0, 1, 0],
    );
  return {
    name: 'hang-tag',
    label: 'Hang tag',
    widthPx,
    heightPx: widthPx,
    mesh: builder.build(),
    materials: [
      { albedo: linen('#b9b2a2'), bump: { size: 0.12, steep: 0.5 } },
      { area: 0, bump: { size: 0.06, steep: 0.03 } },
      { area: 1, bump: { size: 0.06, steep: 0.03 } },
      { albedo: kraft('#8a6f4d'), bump: { size: 0.06, steep: 0.4 } },
      { albedo: plain('#b9a27a'), coat: 0.2, shine: 0.6 },
      { albedo: plain('#2a2722') },
    ],
    areas: [{ name: 'tag', widthMm: 55, heightMm: 90 }],
    camera: { eye: [1.2, 22, 12], target: [0.1, 0, -0.6], fovDeg: 33, aperture: 0.33, focus: [0, 0.1, 0.6] },
    key: {
      ...lampAt([36, 30, -26], [0, 0, 0], 3, 3, [1750, 1500, 1180]),
      through: windowBars([13, 11, -9], unit([0.6, 0, 0.8]), unit([-0.5, 0.85, 0.2]), 7, 1.6),
    },
    panel: lampAt([-30, 30, 22], [0, 0, 0], 36, 34, [1.1, 1.2, 1.34]),
    sky: [0.22, 0.24, 0.27],
    exposure: 0.88,
    goods: [0.75, 0.72, 0.66],
    start: { color: '#f0e6d2', way: 'paper' },
    seed: 9,
  };
}
const roundEdgeRing = (inner: number, outer: number): [number, number][] =>
  Array.from({ length: 13 }, (_, n) => {
    const angle = (n / 12) * Math.PI;
    return [(inner + outer) / 2 + ((outer - inner) / 2) * Math.cos(angle), 0.09 * Math.sin(angle)];
  });

/** A book bound in cloth on a wooden table. */
export function book(widthPx: number): Scene {
  const builder = new MeshBuilder();
  table(builder, 0, 110);
  const angle = 0.3;
  const at =
    (base: number, shift: Point = [0, 0, 0]) =>
    ([x, y, z]: Point): Point => {
      const [a, c] = [x + shift[0], z + shift[2]];
      return [a * Math.cos(angle) + c * Math.sin(angle) - 0.6, y + base, -a * Math.sin(angle) + c * Math.cos(angle)];
    };
  const [wide, high, thick] = [15.5, 22, 2.6];
  builder.roundBox([1, 1, 1, 1, 2, 1], [wide, 0.3, high], 0.13, at(thick + 0.15));
  builder.roundBox([1], [wide, 0.3, high], 0.13, at(0.15));
  // Pages, a little back from the boards; the spine bulges.
  builder.roundBox([3], [wide - 0.9, thick - 0.3, high - 0.9], 0.05, at(thick / 2 + 0.15, [-0.1, 0, 0]));
  builder.surface(1, 20, 30, (s, t) => {
    const bend = (s - 0.5) * Math.PI;
    return at(thick / 2 + 0.15)([-wide / 2 + 0.2 - 0.55 * Math.cos(bend), (thick / 2 + 0.1) * Math.sin(-bend) * -1, (t - 0.5) * high]);
  });
  return {
    name: 'book',
    label: 'Book cover',
    widthPx,
    heightPx: Math.round(widthPx * 0.85),
    mesh: builder.build(),
    materials: [
      { albedo: wood('#8d6a48', '#4a3018', 14, 11), coat: 0.5, shine: 0.03, bump: { size: 0.4, steep: 0.05 } },
      { area: 0, bump: { size: 0.07, steep: 0.3 } },
      { area: 1, bump: { size: 0.07, steep: 0.3 } },
      {
        albedo: ([x, y, z]) => {
          const line = 0.9 + 0.12 * Math.sin(y * 90 + Math.sin(x * 2 + z));
          return [0.74 * line, 0.68 * line, 0.56 * line];
        },
      },
    ],
    areas: [{ name: 'cover', widthMm: 155, heightMm: 220 }],
    camera: { eye: [3, 42, 30], target: [0, 1.4, 0.6], fovDeg: 32, aperture: 0.5, focus: [0, 3, 2] },
    key: {
      ...lampAt([-58, 46, -30], [0, 2, 0], 6, 6, [1900, 1620, 1260]),
      through: leaves([-26, 22, -13], unit([0.46, 0, -0.89]), unit([0.5, 0.85, 0.2]), 5.2, 0.5, 2),
    },
    panel: lampAt([50, 44, 36], [0, 0, 0], 56, 50, [1.05, 1.14, 1.3]),
    sky: [0.2, 0.22, 0.25],
    exposure: 0.92,
    goods: [0.2, 0.24, 0.24],
    start: { color: '#3d5152', way: 'foil' },
    seed: 10,
  };
}
