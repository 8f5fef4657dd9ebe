import { MeshBuilder, unit, type Point } from '../mesh';
import { lampAt, leaves, type Scene } from '../scene';
import { plain, plaster, wood } from '../surfaces';
import { backdrop } from './stage';

/** A painted sign that hangs from an iron arm before a lime-washed wall. */
export function sign(widthPx: number): Scene {
  const builder = new MeshBuilder();
  builder.surface(0, 20, 20, (s, t) => [(s - 0.5) * 500, 250 - t * 500, -38]);
  const angle = -0.4;
  const turn = ([x, y, z]: Point): Point => [x * Math.cos(angle) + z * Math.sin(angle), y, -x * Math.sin(angle) + z * Math.cos(angle)];
  builder.roundBox([2, 1, 1, 1, 1, 1], [62, 44, 2.6], 0.5, turn);
  builder.roundBox([3], [72, 2, 2], 0.4, ([x, y, z]) => turn([x - 4, y + 31, z]));
  builder.roundBox([3], [2, 26, 2], 0.4, ([x, y, z]) => turn([x - 41, y + 26, z]));
  for (const x of [-22, 22])
    builder.tube(
      3,
      (t) => turn([x, 31 - 9 * t, 0]),
      () => [0.45, 0.45],
      20,
      12,
      [0, 0, 1],
    );
  builder.tube(
    3,
    (t) => turn([-40 + 26 * t, 15 + 15.5 * t - 3 * Math.sin(t * Math.PI), 0]),
    () => [0.7, 0.7],
    40,
    12,
    [0, 0, 1],
  );
  return {
    name: 'sign',
    label: 'Shop sign',
    widthPx,
    heightPx: Math.round(widthPx * 0.8),
    mesh: builder.build(),
    materials: [
      { albedo: plaster('#cfc4b2', 51), bump: { size: 5, steep: 0.16 } },
      { area: 0, coat: 0.42, shine: 0.04, bump: { size: 1.6, steep: 0.03 } },
      { area: 1, coat: 0.42, shine: 0.04, bump: { size: 1.6, steep: 0.03 } },
      { albedo: plain('#26241f'), coat: 0.4, shine: 0.08, bump: { size: 0.5, steep: 0.1 } },
    ],
    areas: [{ name: 'board', widthMm: 620, heightMm: 440 }],
    camera: { eye: [-14, -18, 150], target: [-1, 7, 0], fovDeg: 33, aperture: 0.8, focus: [0, 0, 2] },
    key: {
      ...lampAt([-160, 190, 170], [0, 0, 0], 10, 10, [7000, 6250, 5200]),
      through: leaves([-84, 112, 90], unit([0.72, 0, 0.68]), unit([0.4, 0.9, 0]), 13, 0.36, 31),
    },
    panel: lampAt([190, 60, 160], [0, 0, 0], 160, 160, [0.75, 0.85, 1.02]),
    sky: [0.24, 0.28, 0.33],
    exposure: 0.85,
    goods: [0.12, 0.2, 0.2],
    start: { color: '#2f4f4c', way: 'paint' },
    seed: 14,
  };
}

/** The bow of a rowing boat built of planks, on a slip. */
export function boat(widthPx: number): Scene {
  const builder = new MeshBuilder();
  backdrop(builder, 0, { deep: 150, wide: 900, bend: 60, front: 200 });
  const PLANKS = 6;
  // The side of the boat: it runs from the stem (s = 0) aft, bellies out, and rises towards the bow.
  const hull = (s: number, t: number): Point => {
    const along = -84 + s * 300;
    const bow = Math.max(0, 1 - s * 1.25);
    const belly = 46 * (1 - bow ** 2.1);
    const sheer = 72 + 26 * bow ** 2;
    const keel = 10 + 8 * bow ** 3;
    const y = sheer + (keel - sheer) * t;
    const z = -46 + belly * Math.sqrt(Math.max(0, 1 - (t * 0.93) ** 2.4)) + 6 * bow;
    return [along + t * 22 * bow, y, z];
  };
  for (let n = 0; n < PLANKS; n++) {
    const lap = 1.1;
    const rows = 8;
    builder.surface(
      n === 1 || n === 2 ? 2 : 1,
      90,
      rows,
      (s, t) => {
        const at = hull(s, (n + t) / PLANKS);
        return [at[0], at[1], at[2] + lap * t];
      },
      { print: n === 1 ? { left: 0.1, right: 0.5, top: 0, bottom: 2 } : { left: 0.1, right: 0.5, top: -1, bottom: 1 } },
    );
    builder.surface(1, 90, 2, (s, t) => {
      const at = hull(s, (n + 1) / PLANKS);
      return [at[0], at[1] - 0.01, at[2] + lap * (1 - t) - 0.02];
    });
  }
  // The rail along the top, of bare wood.
  builder.tube(
    3,
    (t) => {
      const at = hull(t, 0);
      return [at[0], at[1] + 0.8, at[2] + 0.4];
    },
    () => [2.2, 1.5],
    120,
    16,
    [0, 1, 0],
  );
  builder.tube(
    3,
    (t) => {
      const at = hull(0, t);
      return [at[0] - 1.5, at[1], at[2] + 0.5];
    },
    () => [2, 2],
    50,
    14,
    [0, 0, 1],
  );
  // Blocks that she rests on.
  for (const x of [-40, 90]) builder.roundBox([4], [16, 12, 60], 0.8, ([a, b, c]) => [a + x, b + 6, c - 14]);
  return {
    name: 'boat',
    label: 'Boat',
    widthPx,
    heightPx: Math.round(widthPx * 0.7),
    mesh: builder.build(),
    materials: [
      { albedo: plaster('#8e8a80', 61), bump: { size: 4, steep: 0.14 } },
      { area: 0, coat: 0.36, shine: 0.045, bump: { size: 3, steep: 0.02 } },
      { area: 1, coat: 0.36, shine: 0.045, bump: { size: 3, steep: 0.02 } },
      { albedo: wood('#b5824c', '#74481f', 9, 4), coat: 0.25, shine: 0.05 },
      { albedo: wood('#8d765c', '#57452f', 40, 6), bump: { size: 1, steep: 0.1 } },
    ],
    areas: [{ name: 'bow', widthMm: 1200, heightMm: 215 }],
    camera: { eye: [-20, 92, 300], target: [4, 48, -14], fovDeg: 34, aperture: 1, focus: [0, 60, -4] },
    key: { ...lampAt([-260, 290, 250], [0, 40, 0], 22, 22, [4300, 3850, 3200]) },
    panel: lampAt([300, 160, 240], [0, 40, 0], 240, 220, [0.75, 0.84, 0.98]),
    sky: [0.26, 0.3, 0.36],
    exposure: 0.85,
    goods: [0.14, 0.2, 0.26],
    start: { color: '#e9e4d6', way: 'paint' },
    seed: 15,
  };
}
