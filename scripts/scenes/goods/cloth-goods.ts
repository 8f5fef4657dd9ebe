import { canvasWeave, curved, jersey, layCloth, type Outline } from '../cloth';
import { MeshBuilder, unit, type Point } from '../mesh';
import { lampAt, leaves, windowBars, type Scene } from '../scene';
import { plaster, stone, wood } from '../surfaces';
import { table } from './stage';

const mirrored = (half: readonly (readonly [number, number])[]): (readonly [number, number])[] => [
  ...half,
  ...[...half].reverse().map(([x, z]) => [-x, z] as const),
];

/** A shirt's outline, neck up. @param dip how deep the neck is cut */
function shirtOutline(dip: number): Outline {
  // Right half from the middle of the neck, round the sleeve, down to the hem; then its mirror image.
  const half: [number, number][] = [
    [0.01, -33 + dip],
    [4.2, -33 + dip * 0.82],
    [7.4, -33 + dip * 0.42],
    [9.3, -34.6],
    [9.3, -34.6],
    [15, -33],
    [22.5, -30],
    [22.5, -30],
    [31, -21.5],
    [37.5, -13.5],
    [37.5, -13.5],
    [29.6, -6.2],
    [29.6, -6.2],
    [24.2, -11.6],
    [24.2, -11.6],
    [24.3, 0],
    [24.7, 16],
    [25.2, 36],
    [25.2, 36],
    [12, 36.7],
  ];
  return curved(mirrored(half), 8);
}

function shirt(name: string, label: string, back: boolean): (widthPx: number) => Scene {
  return (widthPx) => {
    const builder = new MeshBuilder();
    table(builder, 0, 160);
    const dip = back ? 2.4 : 8.6;
    const window = { left: -15, right: 15, top: back ? -27 : -22, bottom: back ? 13 : 18 };
    const angle = back ? 0.05 : -0.06;
    const place = ([x, y, z]: Point): Point => [x * Math.cos(angle) + z * Math.sin(angle), y, -x * Math.sin(angle) + z * Math.cos(angle)];
    layCloth(
      builder,
      1,
      {
        outline: shirtOutline(dip),
        step: 0.5,
        ease: back ? 0.028 : 0.022,
        thick: back ? 0.9 : 0.8,
        pinches: [
          { at: [23, -10], reach: 9, by: back ? [-1.7, 0.9] : [-1.1, 0.6] },
          { at: [-23, -10], reach: 9, by: back ? [1.6, 1.0] : [1.0, 0.7] },
          { at: [back ? -7 : 9, 14], reach: 15, by: back ? [1.1, -1.2] : [-0.8, -0.8] },
        ],
        seed: back ? 29 : 17,
      },
      place,
      window,
    );
    // Inside of the back, seen through the neck, and the ribbed collar around it.
    if (!back) {
      builder.surface(3, 20, 14, (s, t) => place([(s - 0.5) * 19, 0.3 + 0.1 * Math.sin(s * 7), -35.2 + t * 12]), {
        wanted: (s, t) => ((s - 0.5) * 2) ** 2 + ((t - 0.15) / 0.8) ** 2 < 1,
      });
    }
    const deep = back ? 2.6 : 8.6;
    const collar = (t: number): Point => {
      const a = Math.PI * t;
      return place([9.2 * Math.cos(a), 1.25 - 0.25 * Math.abs(Math.cos(a)), -34.3 + (deep + 1.1) * Math.sin(a) ** (back ? 0.9 : 0.8)]);
    };
    builder.tube(2, collar, () => [0.34, 1.05], 120, 16, [0, 1, 0]);
    if (!back)
      builder.tube(
        2,
        (t) => place([9.2 * Math.cos(Math.PI * t), 0.9, -34.3 - 0.4 * Math.sin(Math.PI * t)]),
        () => [0.3, 0.8],
        80,
        14,
        [0, 1, 0],
      );
    // Hems: a seam a little above each edge.
    const seam = (from: Point, to: Point, bow: number) =>
      builder.tube(
        1,
        (t) => place([from[0] + (to[0] - from[0]) * t, from[1] + 0.12, from[2] + (to[2] - from[2]) * t + bow * Math.sin(Math.PI * t)]),
        () => [0.07, 0.12],
        60,
        8,
        [0, 1, 0],
      );
    seam([-24.2, 0.45, 34.4], [24.2, 0.45, 34.4], 0.6);
    return {
      name,
      label,
      widthPx,
      heightPx: widthPx,
      mesh: builder.build(),
      materials: [
        back
          ? { albedo: stone('#b7b0a6', '#9c948a', 31), coat: 0.7, shine: 0.02, bump: { size: 0.8, steep: 0.03 } }
          : { albedo: plaster('#c4bcb0', 33), bump: { size: 0.9, steep: 0.05 } },
        { area: 1, bump: { size: 0.35, steep: 0.03 } },
        { area: 0, bump: { size: 0.16, steep: 0.18 } },
        { area: 0 },
      ],
      areas: [{ name: back ? 'back' : 'front', widthMm: 300, heightMm: 400 }],
      camera: { eye: [0, 116, 42], target: [0, 0, 2], fovDeg: 39, aperture: 0.4, focus: [0, 1, 0] },
      key: {
        ...(back ? lampAt([92, 66, -20], [0, 0, 0], 16, 16, [400, 360, 300]) : lampAt([-92, 62, -26], [0, 0, 0], 17, 17, [400, 360, 300])),
        through: back
          ? leaves([40, 26, -8], unit([0.2, 0, 0.98]), unit([-0.5, 0.86, 0]), 9, 0.4, 21)
          : leaves([-42, 29, -12], unit([0.2, 0, 0.98]), unit([0.5, 0.86, 0]), 10, 0.34, 8),
      },
      panel: lampAt(back ? [-80, 70, 40] : [84, 60, 40], [0, 0, 0], 80, 70, [0.85, 0.93, 1.06]),
      sky: [0.25, 0.275, 0.31],
      exposure: 0.98,
      goods: [0.3, 0.32, 0.36],
      grain: (x, _, z) => jersey(x, z),
      start: { color: back ? '#ece8de' : '#26364f', way: 'cloth' },
      seed: back ? 12 : 11,
    };
  };
}
export const shirtFront = shirt('shirt', 'Shirt', false);
export const shirtBack = shirt('shirt-back', 'Shirt, back', true);

/** A tote of canvas on boards, its handles laid up. */
export function tote(widthPx: number): Scene {
  const builder = new MeshBuilder();
  table(builder, 0, 130);
  const angle = 0.08;
  const place = ([x, y, z]: Point): Point => [x * Math.cos(angle) + z * Math.sin(angle), y, -x * Math.sin(angle) + z * Math.cos(angle) + 8];
  const outline: Outline = curved(
    mirrored([
      [0.01, -21],
      [18.6, -21],
      [18.6, -21],
      [19, 0],
      [18.7, 20],
      [18.7, 20],
      [10, 20.5],
    ]),
    6,
  );
  layCloth(
    builder,
    1,
    {
      outline,
      step: 0.45,
      ease: 0.013,
      thick: 0.7,
      pinches: [
        { at: [8, 12], reach: 10, by: [-0.9, -0.7] },
        { at: [-12, -12], reach: 9, by: [0.5, 0.8] },
      ],
      seed: 41,
    },
    place,
    { left: -14, right: 14, top: -15, bottom: 17 },
  );
  for (const [shift, lift] of [
    [0, 0.95],
    [1.4, 0.55],
  ] as const)
    builder.tube(
      2,
      (t) => {
        const a = Math.PI * t;
        return place([9 * Math.cos(a) + shift, lift + 0.25 * Math.sin(a * 3) * Math.sin(a), -16 - 26 * Math.sin(a) ** 0.8 + shift]);
      },
      () => [0.14, 1.3],
      140,
      14,
      [0, 1, 0],
    );
  return {
    name: 'tote',
    label: 'Tote',
    widthPx,
    heightPx: Math.round(widthPx * 1.1),
    mesh: builder.build(),
    materials: [
      { albedo: wood('#a8835c', '#644226', 16, 21), coat: 0.6, shine: 0.02, bump: { size: 0.5, steep: 0.05 } },
      { area: 1, bump: { size: 0.2, steep: 0.06 } },
      { area: 0, bump: { size: 0.15, steep: 0.12 } },
    ],
    areas: [{ name: 'front', widthMm: 280, heightMm: 320 }],
    camera: { eye: [2, 92, 36], target: [0.6, 0, 0.5], fovDeg: 39, aperture: 0.4, focus: [0, 0.5, 6] },
    key: {
      ...lampAt([-84, 54, -20], [0, 0, 4], 8, 8, [1750, 1530, 1230]),
      through: windowBars([-34, 22, -6], unit([0.24, 0, -0.97]), unit([0.5, 0.86, 0]), 22, 4),
    },
    panel: lampAt([70, 60, 40], [0, 0, 0], 76, 64, [0.9, 0.98, 1.1]),
    sky: [0.18, 0.2, 0.23],
    exposure: 0.95,
    goods: [0.66, 0.61, 0.52],
    grain: (x, _, z) => canvasWeave(x, z),
    start: { color: '#e6dcc6', way: 'cloth' },
    seed: 13,
  };
}

/** A bib apron of heavy twill on boards, its straps laid up. */
export function apron(widthPx: number): Scene {
  const builder = new MeshBuilder();
  table(builder, 0, 160);
  const angle = -0.07;
  const place = ([x, y, z]: Point): Point => [x * Math.cos(angle) + z * Math.sin(angle), y, -x * Math.sin(angle) + z * Math.cos(angle) + 6];
  const half: [number, number][] = [
    [0.01, -36],
    [12.4, -36],
    [12.4, -36],
    [14, -27],
    [18.4, -17],
    [26, -11],
    [31, -9.4],
    [31, -9.4],
    [31.4, 8],
    [31.2, 30],
    [29.6, 34.4],
    [25.6, 36],
    [25.6, 36],
    [12, 36.4],
  ];
  layCloth(
    builder,
    1,
    {
      outline: curved(mirrored(half), 8),
      step: 0.38,
      ease: 0.013,
      thick: 0.7,
      pinches: [
        { at: [22, -4], reach: 9, by: [-0.8, 0.6] },
        { at: [-25, 3], reach: 11, by: [0.9, 0.5] },
        { at: [15, 27], reach: 12, by: [-0.6, -0.9] },
        { at: [-14, 30], reach: 9, by: [0.6, -0.6] },
      ],
      seed: 53,
    },
    place,
    { left: -10.5, right: 10.5, top: -32, bottom: -11 },
  );
  // The strap goes up and around the neck; the ties lie out to both sides.
  builder.tube(
    2,
    (t) => {
      const a = Math.PI * t;
      return place([11.2 * Math.cos(a) + 1.4 * Math.sin(a), 0.9 + 0.5 * Math.sin(a * 2.6) * Math.sin(a), -34.6 - 17 * Math.sin(a) ** 0.8]);
    },
    () => [0.13, 1.25],
    140,
    14,
    [0, 1, 0],
  );
  for (const side of [1, -1])
    builder.tube(
      2,
      (t) => place([side * (28.4 + 16.6 * t), 0.75 - 0.5 * t, -8 + 7 * Math.sin(t * 2.4 + side) * t + 9 * t * t]),
      () => [0.12, 1.05],
      90,
      14,
      [0, 1, 0],
    );
  return {
    name: 'apron',
    label: 'Apron',
    widthPx,
    heightPx: Math.round(widthPx * 1.1),
    mesh: builder.build(),
    materials: [
      { albedo: wood('#9c7d5a', '#5d4127', 18, 63), coat: 0.6, shine: 0.02, bump: { size: 0.6, steep: 0.05 } },
      { area: 1, bump: { size: 0.22, steep: 0.06 } },
      { area: 0, bump: { size: 0.15, steep: 0.12 } },
    ],
    areas: [{ name: 'bib', widthMm: 210, heightMm: 210 }],
    camera: { eye: [0, 122, 44], target: [0, 0, 0.5], fovDeg: 41, aperture: 0.4, focus: [0, 0.6, -14] },
    key: {
      ...lampAt([88, 60, -30], [0, 0, 0], 11, 11, [760, 675, 545]),
      through: leaves([40, 27, -12], unit([0.2, 0, 0.98]), unit([-0.5, 0.86, 0]), 10, 0.3, 57),
    },
    panel: lampAt([-80, 64, 40], [0, 0, 0], 80, 70, [0.88, 0.96, 1.08]),
    sky: [0.22, 0.245, 0.28],
    exposure: 0.84,
    goods: [0.2, 0.24, 0.22],
    grain: (x, _, z) => canvasWeave(x, z),
    start: { color: '#3d4a3c', way: 'cloth' },
    seed: 19,
  };
}
