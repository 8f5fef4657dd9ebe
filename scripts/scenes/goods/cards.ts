import { MeshBuilder, unit, type Point } from '../mesh';
import { hash } from '../noise';
import { lampAt, windowBars, type Scene } from '../scene';
import { stone } from '../surfaces';
import { sheet, table } from './stage';

/** A stack of cards and two loose ones on green stone. */
export function cards(widthPx: number): Scene {
  const builder = new MeshBuilder();
  table(builder, 0, 60);
  const [wide, high] = [8.5, 5.5];
  const COUNT = 26;
  const thick = 0.045;
  for (let n = 0; n < COUNT; n++) {
    const top = n === COUNT - 1;
    const shift = (k: number, by: number) => (hash(n, k) - 0.5) * by;
    const turn = 0.18 + shift(3, 0.022);
    sheet(builder, [top ? 2 : 1, 1], { wide, high, thick }, (x, y, z) => {
      const bow = top ? 0.02 + 0.05 * (x / wide) ** 2 * 4 : shift(5, 0.01);
      const [a, c] = [x + shift(1, 0.13), z + shift(2, 0.11)];
      return [a * Math.cos(turn) + c * Math.sin(turn) + 0.4, y + n * thick * 1.12 + bow * 0.6, -a * Math.sin(turn) + c * Math.cos(turn)];
    });
  }
  const loose = (at: Point, turn: number, bow: number) =>
    sheet(builder, [2, 1], { wide, high, thick }, (x, y, z) => [
      at[0] + x * Math.cos(turn) + z * Math.sin(turn),
      at[1] + y + bow * ((x / wide) ** 2 * 4) * 0.5,
      at[2] - x * Math.sin(turn) + z * Math.cos(turn),
    ]);
  loose([-8.2, 0.02, 5.0], 0.42, 0.24);
  loose([9.6, 0.02, -4.2], -0.5, 0.2);
  return {
    name: 'cards',
    label: 'Business cards',
    widthPx,
    heightPx: Math.round(widthPx * 0.8),
    mesh: builder.build(),
    materials: [
      { albedo: stone('#8fa096', '#5d7268', 3), coat: 0.42, shine: 0.03, bump: { size: 0.8, steep: 0.01 } },
      { area: 0, bump: { size: 0.1, steep: 0.02 } },
      { area: 1, bump: { size: 0.1, steep: 0.02 } },
    ],
    areas: [{ name: 'card', widthMm: 85, heightMm: 55 }],
    camera: { eye: [1.5, 23, 25], target: [0.5, 0.2, 0.4], fovDeg: 33, aperture: 0.4, focus: [0.5, 1.4, 1] },
    key: {
      ...lampAt([-44, 52, -34], [0, 0, 0], 5, 5, [1500, 1330, 1090]),
      through: windowBars([-14, 16, -10], unit([0.6, 0, -0.8]), unit([0.3, 0.9, 0.3]), 9, 2.4),
    },
    panel: lampAt([40, 40, 30], [0, 0, 0], 46, 46, [1.05, 1.16, 1.3]),
    sky: [0.22, 0.25, 0.28],
    exposure: 0.86,
    goods: [0.83, 0.83, 0.81],
    start: { color: '#fbfaf5', way: 'paper' },
    seed: 2,
  };
}
