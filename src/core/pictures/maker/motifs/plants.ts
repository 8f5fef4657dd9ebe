import type { Motif } from '../motif';
import { ball, form, limb, placed, stem, turned, type Solid } from '../solid';

const GREENS = ['#3f6b3a', '#557a46', '#2f5a4a', '#7c8f4a'] as const;
/** A leaf from its foot at 0, 0 to the right. */
const leaf = (long: number, wide: number, color: string): readonly Solid[] => [
  form(
    [
      [0, 0],
      [long * 0.3, -wide],
      [long * 0.75, -wide * 0.7],
      [long, 0],
      [long * 0.75, wide * 0.7],
      [long * 0.3, wide],
    ],
    wide * 0.7,
    { color, mottle: 0.4, gloss: 0.25 },
  ),
  limb([0, 0], [long * 0.92, 0], wide * 0.1, wide * 0.03, { color: '#c9d4a0', lift: wide * 0.62 }),
];

const flower: Motif = {
  label: 'Flower',
  words: ['blossom', 'bloom', 'daisy', 'rose', 'petal', 'florist', 'garden'],
  colors: ['#c8455a', '#d99a2b', '#8a5aa8', '#e8e2d4', '#d7703a'],
  solids: (vary, color) => {
    const count = Math.round(vary.between(6, 13));
    const green = vary.pick(GREENS);
    return [
      ...stem(
        [
          [0, 1.1],
          [0.05, 0.6],
          [0, -0.1],
        ],
        0.04,
        0.035,
        { color: green },
      ),
      ...placed(leaf(0.5, 0.13, green), { x: 0.04, y: 0.72, turnDeg: -35, lift: 0.02 }),
      ...placed(leaf(0.46, 0.12, green), { x: 0.02, y: 0.85, turnDeg: 210, lift: 0.02 }),
      ...Array.from({ length: count }, (_, n) =>
        placed(leaf(0.52, 0.75 / count + 0.06, color), { x: 0, y: -0.18, turnDeg: (360 / count) * n, lift: 0.06 + (n % 2) * 0.03 }),
      ).flat(),
      ball(0, -0.18, 0.15, 0.15, { color: '#b7791f', lift: 0.16, depth: 0.1, mottle: 0.9 }),
    ];
  },
};
const branch: Motif = {
  label: 'Branch with leaves',
  words: ['leaf', 'twig', 'olive', 'laurel', 'eucalyptus', 'herb', 'sprig', 'tea'],
  colors: GREENS,
  solids: (vary, color) => {
    const bend = vary.between(-0.2, 0.2);
    const count = Math.round(vary.between(5, 8));
    const at = (t: number): readonly [number, number] => [bend * Math.sin(Math.PI * t) * 1.4, 0.95 - 1.75 * t];
    return [
      ...stem(
        Array.from({ length: 9 }, (_, n) => at(n / 8)),
        0.035,
        0.012,
        { color: '#6b5434' },
      ),
      ...Array.from({ length: count }, (_, n) => {
        const t = 0.1 + (0.82 * n) / count;
        const [x, y] = at(t);
        const size = 1 - 0.45 * t;
        return [
          ...placed(leaf(0.5 * size, 0.13 * size, color), { x, y, turnDeg: -38, lift: 0.03 }),
          ...placed(leaf(0.5 * size, 0.13 * size, color), { x, y: y - 0.06, turnDeg: 218, lift: 0.02 }),
        ];
      }).flat(),
      ...placed(leaf(0.36, 0.1, color), { x: at(1)[0], y: at(1)[1] + 0.03, turnDeg: -90, lift: 0.03 }),
    ];
  },
};
const tree: Motif = {
  label: 'Tree',
  words: ['oak', 'forest', 'wood', 'orchard', 'park'],
  colors: GREENS,
  solids: (vary, color) => [
    ...stem(
      [
        [0, 0.95],
        [0.02, 0.5],
        [-0.02, 0.1],
      ],
      0.12,
      0.07,
      { color: '#5a4028', mottle: 0.8 },
    ),
    limb([0, 0.3], [-0.3, 0], 0.06, 0.03, { color: '#5a4028' }),
    limb([0, 0.25], [0.3, -0.05], 0.06, 0.03, { color: '#5a4028' }),
    ...Array.from({ length: 15 }, (_, n) => {
      const turn = n * 2.4;
      const far = 0.12 + 0.09 * Math.sqrt(n) * 1.15;
      return ball(far * Math.cos(turn) * 1.25, -0.3 + far * Math.sin(turn), vary.between(0.2, 0.3), vary.between(0.18, 0.26), {
        color,
        lift: 0.08 + (n % 4) * 0.03,
        mottle: 0.9,
      });
    }),
  ],
};
const conifer: Motif = {
  label: 'Fir',
  words: ['pine', 'spruce', 'conifer', 'christmas'],
  colors: ['#2f5a4a', '#2d4f3a', '#44664a'],
  solids: (vary, color) => {
    const tiers = Math.round(vary.between(4, 6));
    return [
      limb([0, 1], [0, 0.6], 0.09, 0.08, { color: '#5a4028' }),
      ...Array.from({ length: tiers }, (_, n) => {
        const y = 0.75 - (1.35 * n) / tiers;
        const wide = 0.62 * (1 - n / (tiers + 0.6));
        return form(
          [
            [-wide, y],
            [-wide * 0.45, y - 0.1],
            [0, y - 0.55],
            [wide * 0.45, y - 0.1],
            [wide, y],
            [wide * 0.35, y - 0.03],
            [0, y + 0.03],
            [-wide * 0.35, y - 0.03],
          ],
          0.12,
          { color, lift: 0.02 + n * 0.05, mottle: 0.8 },
        );
      }),
    ];
  },
};
const cactus: Motif = {
  label: 'Cactus in a pot',
  words: ['succulent', 'desert', 'pot plant', 'plant'],
  colors: ['#4f7d52', '#6a8f55'],
  solids: (vary, color) => {
    const high = vary.between(-0.65, -0.45);
    const look = { color, bands: { color: [0.05, 0.12, 0.05] as const, perUnit: 26, turnDeg: 0 }, mottle: 0.2 };
    return [
      limb([0, 0.45], [0, high], 0.2, 0.19, { ...look, lift: 0.05 }),
      ...[
        [-1, 0.1],
        [1, vary.between(-0.2, 0)],
      ].flatMap(([side = 1, y = 0]) => [
        limb([side * 0.1, y + 0.12], [side * 0.38, y + 0.1], 0.1, 0.1, { color, lift: 0.04 }),
        limb([side * 0.38, y + 0.1], [side * 0.4, y - 0.28], 0.1, 0.09, { color, lift: 0.04 }),
      ]),
      turned(
        0,
        [
          [0.5, 0.42],
          [0.96, 0.32],
        ],
        { color: '#b5623c', lift: 0.02, mottle: 0.3 },
      ),
      turned(
        0,
        [
          [0.36, 0.47],
          [0.52, 0.46],
        ],
        { color: '#c06d45', lift: 0.02 },
      ),
    ];
  },
};
const pear: Motif = {
  label: 'Pear',
  words: ['fruit', 'grocer', 'juice'],
  colors: ['#b7b24a', '#c99a3a', '#8fa04a'],
  solids: (vary, color) => [
    form(
      [
        [0, -0.62],
        [0.17, -0.5],
        [0.2, -0.2],
        [0.46, 0.2],
        [0.46, 0.58],
        [0.2, 0.82],
        [-0.2, 0.82],
        [-0.46, 0.58],
        [-0.46, 0.2],
        [-0.2, -0.2],
        [-0.17, -0.5],
      ],
      0.44,
      { color, mottle: 0.5, gloss: 0.45 },
    ),
    ...stem(
      [
        [0, -0.55],
        [0.03, -0.72],
        [vary.between(0.05, 0.16), -0.86],
      ],
      0.03,
      0.025,
      { color: '#4a3420', lift: 0.2 },
    ),
    ...placed(leaf(0.4, 0.12, '#557a46'), { x: 0.05, y: -0.74, turnDeg: vary.between(-40, -5), lift: 0.2 }),
  ],
};
const apple: Motif = {
  label: 'Apple',
  words: ['orchard fruit', 'cider', 'school'],
  colors: ['#a83232', '#b8553a', '#8fa04a'],
  solids: (vary, color) => [
    form(
      [
        [0, -0.38],
        [0.22, -0.48],
        [0.52, -0.3],
        [0.58, 0.08],
        [0.4, 0.55],
        [0.14, 0.66],
        [0, 0.62],
        [-0.14, 0.66],
        [-0.4, 0.55],
        [-0.58, 0.08],
        [-0.52, -0.3],
        [-0.22, -0.48],
      ],
      0.48,
      { color, mottle: 0.6, gloss: 0.5 },
    ),
    ...stem(
      [
        [0, -0.36],
        [0.02, -0.56],
        [0.08, -0.7],
      ],
      0.03,
      0.026,
      { color: '#4a3420', lift: 0.3 },
    ),
    ...placed(leaf(0.42, 0.13, '#557a46'), { x: 0.04, y: -0.56, turnDeg: vary.between(-45, -15), lift: 0.3 }),
  ],
};

export const plants = { flower, branch, tree, conifer, cactus, pear, apple } as const;
