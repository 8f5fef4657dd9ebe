import type { Motif } from '../motif';
import { ball, form, limb, pair, stem, turned } from '../solid';

const mug: Motif = {
  label: 'Mug',
  words: ['cup', 'coffee', 'tea cup', 'cafe', 'café'],
  colors: ['#d9d2c2', '#3d5a6b', '#a84a32', '#4a6a52'],
  solids: (vary, color) => {
    const foot = vary.between(0.34, 0.46);
    return [
      ...stem(
        [
          [0.4, -0.24],
          [0.62, -0.26],
          [0.74, -0.14],
          [0.76, 0.06],
          [0.7, 0.26],
          [0.58, 0.36],
          [0.4, 0.38],
        ],
        0.07,
        0.06,
        { color, lift: 0.06, gloss: 0.6 },
      ),
      turned(
        0,
        [
          [-0.5, 0.5],
          [0.1, 0.49],
          [0.5, foot + 0.06],
          [0.7, foot],
          [0.75, foot - 0.04],
        ],
        { color, gloss: 0.7, mottle: 0.1 },
      ),
      ball(0, -0.5, 0.5, 0.13, { color, lift: 0.42, depth: 0.1, gloss: 0.5 }),
      ball(0, -0.5, 0.44, 0.1, { color: '#3a2317', lift: 0.49, depth: 0.06, gloss: 0.8 }),
    ];
  },
};
const bottle: Motif = {
  label: 'Bottle',
  words: ['wine', 'oil', 'cider bottle', 'brewery', 'beer', 'spirits'],
  colors: ['#3d5a3a', '#6b4423', '#2f4a5a'],
  solids: (vary, color) => {
    const shoulder = vary.between(-0.2, -0.02);
    return [
      turned(
        0,
        [
          [-0.86, 0.1],
          [shoulder - 0.3, 0.105],
          [shoulder - 0.16, 0.15],
          [shoulder - 0.04, 0.23],
          [shoulder + 0.1, 0.275],
          [0.86, 0.28],
          [0.92, 0.25],
        ],
        { color, gloss: 1, lift: 0.02 },
      ),
      turned(
        0,
        [
          [0.18, 0.283],
          [0.7, 0.283],
        ],
        { color: '#efe7d3', lift: 0.022 },
      ),
      turned(
        0,
        [
          [0.3, 0.284],
          [0.36, 0.284],
        ],
        { color: '#7a3340', lift: 0.023 },
      ),
      turned(
        0,
        [
          [0.5, 0.284],
          [0.52, 0.284],
        ],
        { color: '#5a5048', lift: 0.023 },
      ),
      turned(
        0,
        [
          [-0.97, 0.1],
          [-0.95, 0.118],
          [-0.72, 0.118],
        ],
        { color: '#8a2f2a', lift: 0.025 },
      ),
    ];
  },
};
const jar: Motif = {
  label: 'Jar',
  words: ['honey', 'jam', 'preserves', 'candle', 'spice'],
  colors: ['#c7872b', '#8a2f3a', '#6a4a7a'],
  solids: (vary, color) => {
    const wide = vary.between(0.42, 0.54);
    return [
      turned(
        0,
        [
          [-0.48, wide * 0.78],
          [-0.38, wide * 0.9],
          [-0.24, wide],
          [0.68, wide],
          [0.78, wide * 0.94],
          [0.82, wide * 0.82],
        ],
        { color, gloss: 1, lift: 0.02 },
      ),
      turned(
        0,
        [
          [-0.68, wide * 0.8],
          [-0.66, wide * 0.86],
          [-0.42, wide * 0.86],
        ],
        { color: '#d8cfae', lift: 0.06, bands: { color: [0.5, 0.44, 0.3], perUnit: 26, turnDeg: 0 } },
      ),
      turned(
        0,
        [
          [0, wide + 0.004],
          [0.5, wide + 0.004],
        ],
        { color: '#f2ead6', lift: 0.02 },
      ),
      ball(0, 0.25, 0.12, 0.12, { color, lift: wide, depth: 0.05 }),
    ];
  },
};
const loaf: Motif = {
  label: 'Loaf of bread',
  words: ['bread', 'bakery', 'baker', 'bun', 'cake'],
  colors: ['#b5793c', '#96602f', '#c8924e'],
  solids: (vary, color) => {
    const cuts = Math.round(vary.between(3, 5));
    return [
      form(
        [
          [-0.84, 0.3],
          [-0.8, -0.02],
          [-0.5, -0.3],
          [0, -0.38],
          [0.5, -0.3],
          [0.8, -0.02],
          [0.84, 0.3],
          [0.6, 0.46],
          [-0.6, 0.46],
        ],
        0.36,
        { color, mottle: 0.9, lift: 0.02 },
      ),
      ...Array.from({ length: cuts }, (_, n) => {
        const x = -0.5 + (1 / (cuts - 1)) * n;
        return form(
          [
            [x - 0.13, -0.22],
            [x, -0.12],
            [x + 0.13, 0.14],
            [x + 0.02, 0.02],
          ],
          0.04,
          { color: '#ead2a0', lift: 0.34, mottle: 0.5 },
        );
      }),
    ];
  },
};
const lantern: Motif = {
  label: 'Lantern',
  words: ['lamp', 'light', 'candle light'],
  colors: ['#2f3438', '#5a4a32', '#3d4f4a'],
  solids: (vary, color) => [
    ...stem(
      [
        [-0.2, -0.62],
        [-0.14, -0.9],
        [0.14, -0.9],
        [0.2, -0.62],
      ],
      0.03,
      0.03,
      { color },
    ),
    form(
      [
        [-0.42, -0.4],
        [-0.14, -0.68],
        [0.14, -0.68],
        [0.42, -0.4],
      ],
      0.12,
      { color, lift: 0.1, gloss: 0.4 },
      true,
    ),
    form(
      [
        [-0.34, -0.42],
        [0.34, -0.42],
        [0.34, 0.66],
        [-0.34, 0.66],
      ],
      0.2,
      { color: vary.pick(['#f0c24a', '#f2d58a', '#e89a3a']), lift: 0.02, gloss: 0.7 },
      true,
    ),
    ball(0, 0.26, 0.1, 0.26, { color: '#fff1c4', lift: 0.2, depth: 0.1, gloss: 1 }),
    ...pair(limb([-0.33, -0.42], [-0.33, 0.66], 0.04, 0.04, { color, lift: 0.18 })),
    limb([0, -0.42], [0, 0.66], 0.025, 0.025, { color, lift: 0.26 }),
    form(
      [
        [-0.44, 0.62],
        [0.44, 0.62],
        [0.44, 0.84],
        [-0.44, 0.84],
      ],
      0.08,
      { color, lift: 0.14, gloss: 0.4 },
      true,
    ),
  ],
};
const boat: Motif = {
  label: 'Sailing boat',
  words: ['ship', 'sail', 'yacht', 'sailing', 'boat'],
  colors: ['#7a3340', '#2f4a5a', '#6b4a2e'],
  solids: (vary, color) => {
    const high = vary.between(-0.85, -0.7);
    return [
      limb([0, 0.4], [0, high - 0.06], 0.026, 0.018, { color: '#6b5434', lift: 0.08 }),
      form(
        [
          [0.05, high],
          [0.32, -0.2],
          [0.62, 0.3],
          [0.3, 0.34],
          [0.05, 0.32],
        ],
        0.05,
        { color: '#efe7d3', lift: 0.06, mottle: 0.15 },
      ),
      form(
        [
          [-0.05, high + 0.14],
          [-0.24, -0.1],
          [-0.56, 0.3],
          [-0.05, 0.3],
        ],
        0.05,
        { color: vary.pick(['#e3d9bf', '#c98a5a', '#d8dcd8']), lift: 0.06 },
      ),
      form(
        [
          [-0.78, 0.42],
          [0.82, 0.42],
          [0.6, 0.8],
          [-0.52, 0.8],
        ],
        0.16,
        { color, lift: 0.1, gloss: 0.5, mottle: 0.2 },
        true,
      ),
      form(
        [
          [-0.8, 0.4],
          [0.85, 0.4],
          [0.82, 0.47],
          [-0.77, 0.47],
        ],
        0.03,
        { color: '#efe7d3', lift: 0.24 },
        true,
      ),
    ];
  },
};
const kite: Motif = {
  label: 'Kite',
  words: ['toy', 'wind', 'string'],
  colors: ['#c8455a', '#2f6b7a', '#d99a2b'],
  solids: (vary, color) => {
    const other = vary.pick(['#f0e4c4', '#33506b', '#3f5a45']);
    const lean = vary.between(-0.15, 0.15);
    return [
      form(
        [
          [lean, -0.85],
          [0.5, -0.22],
          [0, 0.5],
        ],
        0.04,
        { color, lift: 0.05, gloss: 0.2 },
        true,
      ),
      form(
        [
          [lean, -0.85],
          [-0.5, -0.22],
          [0, 0.5],
        ],
        0.04,
        { color: other, lift: 0.05, gloss: 0.2 },
        true,
      ),
      limb([lean, -0.85], [0, 0.5], 0.018, 0.018, { color: '#5a4028', lift: 0.09 }),
      limb([-0.5, -0.22], [0.5, -0.22], 0.016, 0.016, { color: '#5a4028', lift: 0.08 }),
      ...stem(
        [
          [0, 0.5],
          [0.14, 0.66],
          [-0.06, 0.82],
          [0.12, 1.02],
        ],
        0.016,
        0.014,
        { color: '#efe7d3', lift: 0.03 },
      ),
      ...[
        [0.1, 0.66],
        [-0.02, 0.83],
      ].flatMap(([x = 0, y = 0]) => [
        ball(x - 0.07, y, 0.07, 0.04, { color, lift: 0.05 }),
        ball(x + 0.07, y, 0.07, 0.04, { color: other, lift: 0.05 }),
      ]),
    ];
  },
};

export const goods = { mug, bottle, jar, loaf, lantern, boat, kite } as const;
