import type { Motif } from '../motif';
import { ball, form, limb, mirrored, pair, stem, type Solid } from '../solid';

const EYE = '#1d1712';
const turned = (often: boolean, solids: readonly Solid[]): readonly Solid[] => (often ? solids : solids.map(mirrored));

const fish: Motif = {
  label: 'Fish',
  words: ['salmon', 'trout', 'herring', 'fishmonger', 'angler'],
  colors: ['#5d7f96', '#b9674a', '#7d8a6a', '#c7a04a'],
  solids: (vary, color) => {
    const deep = vary.between(0.26, 0.38);
    return turned(vary.often(0.5), [
      form(
        [
          [0.52, 0],
          [0.92, -0.34],
          [0.82, 0],
          [0.92, 0.34],
        ],
        0.05,
        { color, lift: 0.04 },
      ),
      form(
        [
          [-0.1, -deep * 0.8],
          [0.15, -deep * 1.75],
          [0.42, -deep * 0.5],
        ],
        0.04,
        { color, lift: 0.04 },
      ),
      form(
        [
          [-0.05, deep * 0.8],
          [0.12, deep * 1.5],
          [0.3, deep * 0.6],
        ],
        0.04,
        { color, lift: 0.04 },
      ),
      form(
        [
          [-0.85, 0.02],
          [-0.6, -deep * 0.75],
          [-0.1, -deep],
          [0.35, -deep * 0.55],
          [0.64, -0.06],
          [0.64, 0.06],
          [0.35, deep * 0.55],
          [-0.1, deep],
          [-0.6, deep * 0.75],
        ],
        deep * 0.9,
        {
          ...{
            color,
            lift: 0.02,
            gloss: 0.55,
            mottle: 0.3,
            bands: { color: [0.75, 0.72, 0.62] as const, perUnit: 1 / (deep * 0.95), turnDeg: 90 },
          },
        },
      ),
      ball(-0.6, -0.07, 0.07, 0.07, { color: '#efe6c8', lift: deep * 0.75, depth: 0.05 }),
      ball(-0.61, -0.07, 0.036, 0.036, { color: EYE, lift: deep * 0.75 + 0.03, depth: 0.04, gloss: 1 }),
      ...stem(
        [
          [-0.38, -deep * 0.6],
          [-0.32, 0],
          [-0.38, deep * 0.6],
        ],
        0.014,
        0.014,
        { color: EYE, lift: deep * 0.86 },
      ),
    ]);
  },
};
const whale: Motif = {
  label: 'Whale',
  words: ['ocean', 'orca', 'sea animal', 'dolphin'],
  colors: ['#3d5568', '#54626e', '#2f4858'],
  solids: (vary, color) =>
    turned(vary.often(0.5), [
      form(
        [
          [-0.86, 0.1],
          [-0.8, -0.2],
          [-0.4, -0.38],
          [0.05, -0.28],
          [0.45, 0.0],
          [0.72, -0.24],
          [0.66, -0.5],
          [0.9, -0.42],
          [1.02, -0.62],
          [1.02, -0.32],
          [0.86, -0.1],
          [0.58, 0.28],
          [0.1, 0.44],
          [-0.5, 0.42],
        ],
        0.3,
        { color, lift: 0.02, gloss: 0.4, mottle: 0.3 },
      ),
      form(
        [
          [-0.84, 0.14],
          [-0.5, 0.2],
          [-0.05, 0.24],
          [0.3, 0.3],
          [0.08, 0.43],
          [-0.5, 0.41],
        ],
        0.1,
        { color: '#d8d6cc', lift: 0.22, bands: { color: [0.35, 0.38, 0.4], perUnit: 16, turnDeg: 82 } },
      ),
      form(
        [
          [-0.25, 0.2],
          [-0.05, 0.3],
          [-0.02, 0.66],
          [-0.2, 0.5],
        ],
        0.06,
        { color, lift: 0.3 },
      ),
      ball(-0.56, 0.06, 0.032, 0.032, { color: EYE, lift: 0.34, depth: 0.03, gloss: 1 }),
    ]),
};
const gull: Motif = {
  label: 'Flying gull',
  words: ['bird', 'seagull', 'wing', 'flight', 'swallow'],
  colors: ['#e9e6dd', '#d4d6d6'],
  solids: (vary, color) => {
    const rise = vary.between(0.35, 0.6);
    const wing = form(
      [
        [0.06, -0.06],
        [0.3, -rise * 0.75],
        [0.6, -rise],
        [0.98, -rise * 0.55],
        [0.62, -rise * 0.62],
        [0.36, -rise * 0.18],
        [0.14, 0.14],
      ],
      0.07,
      { color, lift: 0.08, mottle: 0.2 },
    );
    const tip = form(
      [
        [0.72, -rise * 0.9],
        [0.98, -rise * 0.55],
        [0.68, -rise * 0.66],
      ],
      0.03,
      { color: '#33383c', lift: 0.16 },
    );
    return [
      form(
        [
          [-0.08, 0.3],
          [-0.2, 0.62],
          [0, 0.54],
          [0.2, 0.62],
          [0.08, 0.3],
        ],
        0.04,
        { color, lift: 0.06 },
      ),
      ball(0, 0.1, 0.15, 0.36, { color, lift: 0.06, depth: 0.16 }),
      ...pair(wing, tip),
      ball(0, -0.26, 0.12, 0.13, { color, lift: 0.12, depth: 0.12 }),
      form(
        [
          [-0.035, -0.36],
          [0, -0.5],
          [0.035, -0.36],
        ],
        0.02,
        { color: '#d99a2b', lift: 0.18 },
      ),
      ...pair(ball(-0.06, -0.3, 0.02, 0.02, { color: EYE, lift: 0.22, depth: 0.02, gloss: 1 })),
    ];
  },
};
const owl: Motif = {
  label: 'Owl',
  words: ['night bird', 'wise', 'bookshop'],
  colors: ['#7a5a3c', '#8c7a62', '#5d5048'],
  solids: (vary, color) => [
    ball(0, 0.2, 0.44, 0.68, { color, depth: 0.4, mottle: 0.8 }),
    ...pair(
      form(
        [
          [-0.4, -0.1],
          [-0.56, 0.3],
          [-0.36, 0.78],
          [-0.22, 0.2],
        ],
        0.1,
        { color, lift: 0.2, mottle: 0.9 },
      ),
    ),
    ball(0, 0.32, 0.26, 0.42, { color: '#d9c7a4', lift: 0.28, depth: 0.18, bands: { color: [0.3, 0.2, 0.11], perUnit: 12, turnDeg: 90 } }),
    form(
      [
        [-0.42, -0.3],
        [-0.5, -0.82],
        [-0.2, -0.62],
        [0, -0.58],
        [0.2, -0.62],
        [0.5, -0.82],
        [0.42, -0.3],
        [0.2, 0],
        [-0.2, 0],
      ],
      0.24,
      { color, lift: 0.24, mottle: 0.6 },
    ),
    ...pair(
      ball(-0.19, -0.32, 0.19, 0.2, { color: '#e0d1b0', lift: 0.42, depth: 0.12 }),
      ball(-0.17, -0.32, 0.12, 0.12, { color: vary.pick(['#d99a2b', '#c7772b']), lift: 0.53, depth: 0.05, gloss: 0.7 }),
      ball(-0.16, -0.32, 0.066, 0.066, { color: EYE, lift: 0.56, depth: 0.05, gloss: 1 }),
      ...stem(
        [
          [-0.16, 0.86],
          [-0.2, 0.95],
        ],
        0.05,
        0.04,
        { color: '#c7a04a', lift: 0.2 },
      ),
    ),
    form(
      [
        [-0.05, -0.26],
        [0.05, -0.26],
        [0, -0.1],
      ],
      0.04,
      { color: '#c7a04a', lift: 0.54 },
    ),
  ],
};
const cat: Motif = {
  label: 'Cat',
  words: ['kitten', 'pet', 'pet shop', 'vet'],
  colors: ['#8a6a4a', '#4a4a50', '#c58a4a', '#b9b4aa'],
  solids: (vary, color) => {
    const stripes = vary.often(0.5) ? { bands: { color: [0.08, 0.06, 0.05] as const, perUnit: 9, turnDeg: vary.between(70, 110) } } : {};
    return [
      ...stem(
        [
          [0.3, 0.75],
          [0.62, 0.72],
          [0.74, 0.4],
          [0.62, 0.1],
        ],
        0.09,
        0.06,
        { color, lift: 0.02, mottle: 0.4 },
      ),
      form(
        [
          [-0.36, 0.92],
          [-0.36, 0.4],
          [-0.2, 0.02],
          [0.2, 0.02],
          [0.36, 0.4],
          [0.36, 0.92],
        ],
        0.3,
        { color, lift: 0.03, mottle: 0.5, ...stripes },
      ),
      ...pair(
        limb([-0.13, 0.4], [-0.14, 0.86], 0.1, 0.09, { color, lift: 0.26, mottle: 0.4 }),
        ball(-0.15, 0.88, 0.13, 0.08, { color, lift: 0.3, depth: 0.1 }),
      ),
      ...pair(
        form(
          [
            [-0.34, -0.2],
            [-0.38, -0.66],
            [-0.08, -0.46],
          ],
          0.07,
          { color, lift: 0.26, mottle: 0.3 },
          true,
        ),
        form(
          [
            [-0.3, -0.3],
            [-0.33, -0.57],
            [-0.15, -0.45],
          ],
          0.03,
          { color: '#c79a8a', lift: 0.32 },
          true,
        ),
      ),
      ball(0, -0.2, 0.38, 0.32, { color, lift: 0.2, depth: 0.3, mottle: 0.4, ...stripes }),
      ball(0, -0.08, 0.17, 0.12, { color: '#e9dfcd', lift: 0.4, depth: 0.12 }),
      ...pair(
        ball(-0.15, -0.24, 0.075, 0.065, { color: vary.pick(['#a8b24a', '#c7a04a', '#6fa08a']), lift: 0.46, depth: 0.05, gloss: 0.8 }),
        ball(-0.15, -0.24, 0.024, 0.055, { color: EYE, lift: 0.49, depth: 0.04, gloss: 1 }),
        ...[-0.03, 0.03].map((y) => limb([-0.08, -0.06 + y], [-0.46, -0.1 + y * 3], 0.008, 0.005, { color: '#f4efe6', lift: 0.5 })),
      ),
      form(
        [
          [-0.045, -0.13],
          [0.045, -0.13],
          [0, -0.07],
        ],
        0.02,
        { color: '#b5626a', lift: 0.52 },
      ),
    ];
  },
};
const fox: Motif = {
  label: 'Fox',
  words: ['vixen', 'wild', 'wolf', 'dog', 'husky'],
  colors: ['#b8622e', '#a0522d', '#8a8f94'],
  solids: (vary, color) => {
    const ear = vary.between(0.74, 0.88);
    return [
      ...pair(
        form(
          [
            [-0.5, -0.2],
            [-0.54, -ear],
            [-0.12, -0.46],
          ],
          0.1,
          { color, lift: 0.08, mottle: 0.4 },
          true,
        ),
        form(
          [
            [-0.45, -0.3],
            [-0.49, -ear + 0.14],
            [-0.22, -0.47],
          ],
          0.04,
          { color: '#2f211a', lift: 0.15 },
          true,
        ),
      ),
      form(
        [
          [0, -0.48],
          [0.34, -0.4],
          [0.5, -0.08],
          [0.68, 0.16],
          [0.4, 0.3],
          [0.16, 0.56],
          [0, 0.74],
          [-0.16, 0.56],
          [-0.4, 0.3],
          [-0.68, 0.16],
          [-0.5, -0.08],
          [-0.34, -0.4],
        ],
        0.26,
        { color, lift: 0.1, mottle: 0.5 },
      ),
      ...pair(
        form(
          [
            [-0.08, 0.2],
            [-0.3, 0.06],
            [-0.62, 0.17],
            [-0.38, 0.29],
            [-0.15, 0.55],
            [-0.04, 0.62],
          ],
          0.1,
          { color: '#efe7d8', lift: 0.3, mottle: 0.2 },
        ),
      ),
      form(
        [
          [-0.13, -0.06],
          [0.13, -0.06],
          [0.1, 0.5],
          [0, 0.68],
          [-0.1, 0.5],
        ],
        0.12,
        { color, lift: 0.3, mottle: 0.4 },
      ),
      ...pair(
        ball(-0.23, -0.02, 0.075, 0.055, { color: '#d9a441', lift: 0.4, depth: 0.04, turnDeg: 18, gloss: 0.8 }),
        ball(-0.22, -0.02, 0.04, 0.05, { color: EYE, lift: 0.42, depth: 0.04, gloss: 1 }),
      ),
      ball(0, 0.63, 0.085, 0.065, { color: EYE, lift: 0.42, depth: 0.07, gloss: 0.9 }),
    ];
  },
};
const rabbit: Motif = {
  label: 'Rabbit',
  words: ['hare', 'bunny', 'easter'],
  colors: ['#a58d72', '#c9bfb0', '#6e625a'],
  solids: (vary, color) => [
    ...pair(
      form(
        [
          [-0.08, -0.3],
          [-0.3, -0.52],
          [-0.36, -0.92],
          [-0.2, -0.98],
          [-0.06, -0.62],
        ],
        0.08,
        { color, lift: 0.12, mottle: 0.3 },
      ),
      form(
        [
          [-0.12, -0.4],
          [-0.25, -0.58],
          [-0.28, -0.86],
          [-0.2, -0.88],
          [-0.11, -0.6],
        ],
        0.03,
        { color: '#c79a90', lift: 0.19 },
      ),
    ),
    ball(0, 0.58, 0.42, 0.46, { color, lift: 0.02, depth: 0.36, mottle: 0.4 }),
    ball(0, 0.62, 0.24, 0.34, { color: '#eee6d8', lift: 0.24, depth: 0.16 }),
    ball(0, -0.1, 0.33, 0.33, { color, lift: 0.16, depth: 0.32, mottle: 0.4 }),
    ...pair(
      ball(-0.1, 0.03, 0.12, 0.1, { color: '#eee6d8', lift: 0.38, depth: 0.1 }),
      ball(-0.18, -0.16, 0.055, 0.065, { color: EYE, lift: 0.42, depth: 0.05, gloss: 1 }),
      limb([-0.14, 0.42], [-0.08, 0.7], 0.09, 0.08, { color, lift: 0.32, mottle: 0.3 }),
      ball(-0.24, 0.98, 0.2, 0.1, { color, lift: 0.34, depth: 0.12 }),
    ),
    form(
      [
        [-0.04, -0.04],
        [0.04, -0.04],
        [0, 0.02],
      ],
      0.02,
      { color: '#b5626a', lift: 0.5 },
    ),
  ],
};
const crab: Motif = {
  label: 'Crab',
  words: ['seafood', 'lobster', 'shellfish'],
  colors: ['#b8432e', '#c7653a', '#8a4a52'],
  solids: (vary, color) => [
    ...pair(
      ...[0.1, 0.22, 0.34].flatMap((y, n) =>
        stem(
          [
            [-0.3, y],
            [-0.62, y - 0.08 + n * 0.06],
            [-0.78, y + 0.2 + n * 0.06],
          ],
          0.05,
          0.025,
          { color, lift: 0.04 },
        ),
      ),
      ...stem(
        [
          [-0.34, -0.06],
          [-0.6, -0.16],
          [-0.62, -0.4],
        ],
        0.07,
        0.08,
        { color, lift: 0.08 },
      ),
      form(
        [
          [-0.6, -0.36],
          [-0.78, -0.52],
          [-0.74, -0.78],
          [-0.62, -0.9],
          [-0.64, -0.66],
          [-0.52, -0.56],
        ],
        0.07,
        { color, lift: 0.12, gloss: 0.4 },
      ),
      form(
        [
          [-0.56, -0.38],
          [-0.5, -0.56],
          [-0.42, -0.78],
          [-0.36, -0.6],
          [-0.42, -0.42],
        ],
        0.06,
        { color, lift: 0.12, gloss: 0.4 },
      ),
      ...stem(
        [
          [-0.12, -0.16],
          [-0.14, -0.36],
        ],
        0.03,
        0.025,
        { color, lift: 0.2 },
      ),
      ball(-0.14, -0.4, 0.055, 0.055, { color: EYE, lift: 0.2, depth: 0.05, gloss: 1 }),
    ),
    form(
      [
        [0, -0.24],
        [0.34, -0.2],
        [0.5, 0.04],
        [0.36, 0.38],
        [0, 0.48],
        [-0.36, 0.38],
        [-0.5, 0.04],
        [-0.34, -0.2],
      ],
      0.26,
      { color, lift: 0.1, gloss: 0.45, mottle: 0.5 },
    ),
    ...stem(
      [
        [-0.16, 0.2],
        [0, 0.26],
        [0.16, 0.2],
      ],
      0.014,
      0.014,
      { color: '#5a1f16', lift: 0.36 },
    ),
    ...(vary.often(0.5) ? pair(ball(-0.2, 0.02, 0.05, 0.04, { color: '#e0a58a', lift: 0.33, depth: 0.03 })) : []),
  ],
};

export const animals = { fish, whale, gull, owl, cat, fox, rabbit, crab } as const;
