import { sky } from '../grounds';
import type { Motif } from '../motif';
import { ball, form, stem } from '../solid';

const WATER = ['#2f6b7a', '#3d6f8a', '#456a72'] as const;
/** Waves from one side to the other, below a height. */
const waves = (y: number, high: number, count: number, shift: number): readonly (readonly [number, number])[] => [
  [-1.3, 1.3],
  ...Array.from({ length: count * 2 + 1 }, (_, n): readonly [number, number] => [
    -1.3 + (2.6 * n) / (count * 2),
    y + (n % 2 === 0 ? high : -high) + shift * Math.sin(n),
  ]),
  [1.3, 1.3],
];

const shore: Motif = {
  label: 'Shore',
  words: ['beach', 'sea', 'coast', 'wave', 'bay', 'sand', 'holiday'],
  colors: WATER,
  ground: (vary, seed) => sky(vary.pick(['#7fb0cf', '#e0a37a', '#8fa6b8']), vary.pick(['#f3e6cc', '#f6d7b0']), seed),
  solids: (vary, color) => [
    ball(vary.between(-0.5, 0.5), -0.42, 0.2, 0.2, { color: '#f7e3a8', depth: 0.02 }),
    form(waves(0.02, 0.008, 14, 0.004), 0.01, { color, lift: 0.02, mottle: 0.6, gloss: 0.3 }),
    form(waves(0.2, 0.02, 9, 0.012), 0.03, { color: '#4a8a96', lift: 0.05, mottle: 0.5, gloss: 0.4 }),
    form(waves(0.4, 0.03, 6, 0.02), 0.05, { color: '#e9efe9', lift: 0.09, mottle: 0.2 }),
    form(waves(0.46, 0.035, 5, 0.02), 0.04, { color: '#5f9aa2', lift: 0.12, mottle: 0.4, gloss: 0.4 }),
    form(waves(0.66, 0.05, 3, 0.03), 0.06, { color: '#f0efe6', lift: 0.15 }),
    form(waves(0.71, 0.05, 3, 0.03), 0.05, { color: '#d9bf8c', lift: 0.2, mottle: 0.7 }),
  ],
};
const cliffs: Motif = {
  label: 'Cliffs',
  words: ['rock', 'coastline', 'headland', 'island'],
  colors: ['#7a6a58', '#8f8478', '#5d6158'],
  ground: (vary, seed) => sky(vary.pick(['#6f9cc0', '#9fb2bf']), '#efe6d2', seed),
  solids: (vary, color) => {
    const top = vary.between(-0.45, -0.25);
    return [
      form(
        [
          [-1.3, top + 0.1],
          [-0.8, top],
          [-0.3, top + 0.08],
          [-0.1, top + 0.35],
          [0.02, 0.3],
          [0.1, 0.5],
          [-1.3, 0.5],
        ],
        0.12,
        { color, lift: 0.05, mottle: 1, bands: { color: [0.12, 0.1, 0.08], perUnit: 11, turnDeg: 84 } },
      ),
      form(
        [
          [-1.3, top + 0.02],
          [-0.8, top - 0.06],
          [-0.3, top + 0.02],
          [-0.12, top + 0.2],
          [-0.5, top + 0.14],
          [-1.3, top + 0.2],
        ],
        0.06,
        { color: '#5f7a42', lift: 0.14, mottle: 0.7 },
      ),
      form(
        [
          [0.3, 0.3],
          [0.36, -0.05],
          [0.46, -0.12],
          [0.56, 0.02],
          [0.62, 0.4],
          [0.3, 0.42],
        ],
        0.1,
        { color, lift: 0.05, mottle: 1 },
      ),
      form(waves(0.36, 0.02, 10, 0.01), 0.03, { color: vary.pick(WATER), lift: 0.16, mottle: 0.6, gloss: 0.4 }),
      form(waves(0.7, 0.04, 5, 0.02), 0.05, { color: '#3a5f6a', lift: 0.22, mottle: 0.6, gloss: 0.4 }),
    ];
  },
};
const hills: Motif = {
  label: 'Hills',
  words: ['mountain', 'landscape', 'field', 'valley', 'farm', 'meadow'],
  colors: ['#5f7a42', '#7c8f4a', '#8a7a3a'],
  ground: (vary, seed) => sky(vary.pick(['#8ab4d0', '#d9a07a']), '#f4ead2', seed),
  solids: (vary, color) => [
    ball(vary.between(-0.6, 0.6), -0.4, 0.17, 0.17, { color: '#f7e3a8', depth: 0.02 }),
    form(
      [
        [-1.3, 0.1],
        [-0.7, -0.32],
        [-0.35, -0.1],
        [0.1, -0.42],
        [0.6, -0.08],
        [1.3, -0.2],
        [1.3, 1.3],
        [-1.3, 1.3],
      ],
      0.1,
      { color: '#7d8f9a', lift: 0.03, mottle: 0.4 },
    ),
    form(
      [
        [-1.3, 0.3],
        [-0.6, 0.08],
        [0, 0.26],
        [0.6, 0.06],
        [1.3, 0.22],
        [1.3, 1.3],
        [-1.3, 1.3],
      ],
      0.2,
      { color, lift: 0.1, mottle: 0.5 },
    ),
    form(
      [
        [-1.3, 0.5],
        [-0.5, 0.62],
        [0.3, 0.42],
        [1.3, 0.56],
        [1.3, 1.3],
        [-1.3, 1.3],
      ],
      0.2,
      { color: '#48663a', lift: 0.2, mottle: 0.7, bands: { color: [0.1, 0.18, 0.06], perUnit: 9, turnDeg: vary.between(60, 80) } },
    ),
  ],
};
const lighthouse: Motif = {
  label: 'Lighthouse',
  words: ['beacon', 'harbor', 'tower', 'port'],
  colors: ['#b8432e', '#2f4a5a', '#3a3f44'],
  ground: (vary, seed) => sky(vary.pick(['#6f9cc0', '#44587a', '#e0a37a']), '#efe0c8', seed),
  solids: (vary, color) => [
    form(
      [
        [-1.3, 0.6],
        [-0.6, 0.46],
        [0, 0.4],
        [0.5, 0.5],
        [1.3, 0.66],
        [1.3, 1.3],
        [-1.3, 1.3],
      ],
      0.2,
      { color: '#5d5a50', lift: 0.02, mottle: 1 },
    ),
    form(
      [
        [-0.19, -0.34],
        [0.19, -0.34],
        [0.27, 0.52],
        [-0.27, 0.52],
      ],
      0.22,
      { color: '#efe9dc', lift: 0.1, bands: { color: [0.4, 0.06, 0.03], perUnit: 4.4, turnDeg: 90 } },
      true,
    ),
    form(
      [
        [-0.27, -0.4],
        [0.27, -0.4],
        [0.25, -0.32],
        [-0.25, -0.32],
      ],
      0.05,
      { color, lift: 0.3 },
      true,
    ),
    form(
      [
        [-0.14, -0.64],
        [0.14, -0.64],
        [0.14, -0.38],
        [-0.14, -0.38],
      ],
      0.12,
      { color: '#f2d58a', lift: 0.16, gloss: 1 },
      true,
    ),
    form(
      [
        [-0.2, -0.62],
        [0, -0.82],
        [0.2, -0.62],
      ],
      0.12,
      { color, lift: 0.2 },
      true,
    ),
    ...stem(
      [
        [0, -0.8],
        [0, -0.9],
      ],
      0.016,
      0.012,
      { color, lift: 0.2 },
    ),
    form(waves(0.84, 0.03, 6, 0.02), 0.05, { color: vary.pick(WATER), lift: 0.3, mottle: 0.6, gloss: 0.4 }),
  ],
};

export const shores = { shore, cliffs, hills, lighthouse } as const;
