import { canvasWeave } from '../cloth';
import { MeshBuilder, unit, type Point } from '../mesh';
import { noise } from '../noise';
import { lampAt, leaves, type Scene } from '../scene';
import { plaster, stone } from '../surfaces';
import { backdrop } from './stage';

/** A standing pouch of kraft paper. */
export function pouch(widthPx: number): Scene {
  const builder = new MeshBuilder();
  backdrop(builder, 0, { deep: 24, wide: 140, bend: 10 });
  const angle = 0.26;
  const turn = ([x, y, z]: Point): Point => [x * Math.cos(angle) + z * Math.sin(angle), y, -x * Math.sin(angle) + z * Math.cos(angle)];
  const [wide, tall] = [14, 21];
  const side =
    (front: boolean) =>
    (s: number, t: number): Point => {
      const u = front ? s : 1 - s;
      const x = (u - 0.5) * wide * (1 - 0.05 * Math.sin(t * Math.PI));
      const full = Math.max(0, Math.sin(Math.min(1, Math.max(0, (t - 0.17) / 0.83)) * Math.PI * 0.5)) ** 1.2;
      const belly = 3.4 * full * Math.max(0, 1 - Math.abs(u * 2 - 1) ** 2.6);
      // Where it is full, paper puckers along its seams.
      const pucker =
        0.5 * (noise(u * 5 + 3, t * 7, 2) - 0.5) * full * (1 - Math.abs(u * 2 - 1) ** 6) +
        0.12 * Math.sin(t * 38) * Math.max(0, Math.abs(u * 2 - 1) - 0.78) * full * 4;
      const z = belly + pucker + 0.06;
      return turn([x, tall * (1 - t) + 0.05, front ? z : -z]);
    };
  builder.surface(2, 90, 120, side(true));
  builder.surface(1, 50, 60, side(false));
  return {
    name: 'pouch',
    label: 'Pouch',
    widthPx,
    heightPx: widthPx,
    mesh: builder.build(),
    materials: [
      { albedo: plaster('#cfc6ba', 71), bump: { size: 0.6, steep: 0.04 } },
      { area: 0, coat: 0.6, shine: 0.03, bump: { size: 0.3, steep: 0.04 } },
      { area: 1, coat: 0.6, shine: 0.03, bump: { size: 0.3, steep: 0.04 } },
    ],
    areas: [{ name: 'front', widthMm: 140, heightMm: 210 }],
    camera: { eye: [3, 18, 60], target: [0, 10.4, 0], fovDeg: 27, aperture: 0.45, focus: [0, 10, 3] },
    key: {
      ...lampAt([-56, 62, 40], [0, 9, 0], 6, 6, [1700, 1480, 1190]),
      through: leaves([-26, 32, 18], unit([0.58, 0, 0.81]), unit([0.3, 0.95, 0]), 5, 0.4, 13),
    },
    panel: lampAt([54, 28, 30], [0, 9, 0], 50, 54, [1.05, 1.14, 1.28]),
    sky: [0.2, 0.22, 0.25],
    exposure: 0.9,
    goods: [0.45, 0.37, 0.27],
    start: { color: '#b98f62', way: 'paper' },
    seed: 16,
  };
}

/** A cap with a curved brim on a stone shelf. */
export function cap(widthPx: number): Scene {
  const builder = new MeshBuilder();
  backdrop(builder, 0, { deep: 44, wide: 220, bend: 22 });
  const [wide, deep, tall] = [8.6, 10.2, 9.8];
  const angle = 0.42;
  const turn = ([x, y, z]: Point): Point => [x * Math.cos(angle) + z * Math.sin(angle), y, -x * Math.sin(angle) + z * Math.cos(angle)];
  // Six panels, drawn in a little along their seams; the front ones stand upright.
  const crown = (s: number, t: number): Point => {
    const around = (s - 0.5) * 2 * Math.PI;
    const up = (t * Math.PI) / 2;
    const front = Math.max(0, Math.cos(around));
    const rise = Math.cos(up) ** (1 - 0.22 * front);
    const out = Math.sin(up) ** (1 - 0.4 * front);
    const panel = Math.abs(((((s * 6) % 1) + 1) % 1) - 0.5) * 2;
    const seam = 1 - 0.02 * Math.max(0, (panel - 0.9) / 0.1) * Math.min(1, t * 4);
    const slump = 0.35 * (noise(s * 7, t * 5, 4) - 0.5) * Math.sin(up * 2) * (1 - 0.6 * front);
    return turn([wide * out * seam * Math.sin(around), 0.6 + tall * rise * seam + slump, deep * out * seam * Math.cos(around)]);
  };
  // Marks go on as embroiderers see the cap: from the front, evenly over its height.
  const flat = (s: number, t: number): readonly [number, number] => {
    const around = (s - 0.5) * 2 * Math.PI;
    const [front, up] = [Math.max(0, Math.cos(around)), (t * Math.PI) / 2];
    const out = Math.sin(up) ** (1 - 0.4 * front);
    return [0.5 + (wide * out * Math.sin(around)) / 15, (t - 0.34) / 0.6];
  };
  builder.surface(2, 110, 90, (s, t) => crown(0.25 + s / 2, t), { uv: (s, t) => flat(0.25 + s / 2, t) });
  builder.surface(1, 90, 60, (s, t) => crown(0.75 + s / 2, t));
  const button = turn([0, tall + 0.62, 0]);
  builder.lathe(
    1,
    Array.from(
      { length: 9 },
      (_, n) => [0.01 + 0.75 * Math.sin((n / 8) * (Math.PI / 2)), 0.4 * Math.cos((n / 8) * (Math.PI / 2))] as const,
    ),
    button,
    48,
  );
  const brim =
    (top: boolean) =>
    (s: number, t: number): Point => {
      const a = ((top ? s : 1 - s) - 0.5) * 2 * 1.28;
      const reach = 1 + 0.78 * t * Math.max(0, Math.cos(a * 0.98)) ** 0.42;
      const x = wide * reach ** 0.32 * Math.sin(a);
      const z = deep * Math.cos(a) * reach;
      const bow = -0.016 * x * x * (0.5 + t) + 0.9 - 0.5 * t;
      return turn([x, Math.max(0.12, bow + (top ? 0.28 : 0)), z]);
    };
  builder.surface(1, 80, 24, brim(true));
  builder.surface(1, 80, 24, brim(false));
  for (let n = 0; n < 5; n++)
    builder.tube(
      1,
      (t) => {
        const p = brim(true)(0.04 + t * 0.92, 0.3 + n * 0.15);
        return [p[0], p[1] + 0.01, p[2]];
      },
      () => [0.07, 0.03],
      90,
      6,
      [0, 1, 0],
    );
  builder.tube(
    1,
    (t) => {
      const [p, q] = [brim(true)(t, 1), brim(false)(1 - t, 1)];
      return [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2, (p[2] + q[2]) / 2];
    },
    () => [0.16, 0.16],
    100,
    10,
    [0, 1, 0],
  );
  return {
    name: 'cap',
    label: 'Cap',
    widthPx,
    heightPx: Math.round(widthPx * 0.8),
    mesh: builder.build(),
    materials: [
      { albedo: stone('#a9a49b', '#8d877d', 81), coat: 0.6, shine: 0.02, bump: { size: 0.7, steep: 0.05 } },
      { area: 0, bump: { size: 0.14, steep: 0.16 } },
      { area: 1, bump: { size: 0.14, steep: 0.16 } },
    ],
    areas: [{ name: 'front', widthMm: 150, heightMm: 92 }],
    camera: { eye: [7, 17, 52], target: [2.2, 4.6, 1], fovDeg: 29, aperture: 0.45, focus: [2, 6, 9] },
    key: { ...lampAt([-56, 54, 44], [0, 5, 0], 9, 9, [850, 750, 620]) },
    panel: lampAt([56, 30, 34], [0, 5, 0], 50, 50, [1.0, 1.1, 1.24]),
    sky: [0.2, 0.22, 0.25],
    exposure: 0.95,
    goods: [0.16, 0.2, 0.3],
    grain: (x, y, z) => canvasWeave((x + z) * 1.3, y * 1.5),
    start: { color: '#22345a', way: 'cloth' },
    seed: 17,
  };
}
