import type { Motif } from '../motif';
import { ball, form, limb, mirrored, pair, type Solid } from '../solid';
import type { Vary } from '../vary';

const SKIN = ['#e6bd9c', '#c68d64', '#8f5d3c', '#f0cfb6', '#6b432b'] as const;
const HAIR = ['#2c2018', '#5b3a21', '#8b5a2b', '#b9894a', '#3a3a3e', '#9a3b24'] as const;
const CLOTH = ['#33506b', '#7a3340', '#3f5a45', '#c9b48a', '#2f3138', '#a0522d'] as const;

/** Shoulders in a coat, a neck, and a head with a face. */
function bust(vary: Vary, coat: string, skin: string, hair: string): readonly Solid[] {
  const wide = vary.between(0.62, 0.78);
  const shoulders = form(
    [
      [-wide, 1.7],
      [-wide * 0.98, 0.78],
      [-wide * 0.7, 0.58],
      [-0.2, 0.46],
      [0.2, 0.46],
      [wide * 0.7, 0.58],
      [wide * 0.98, 0.78],
      [wide, 1.7],
    ],
    0.24,
    { color: coat, lift: 0.02, mottle: 0.3 },
  );
  return [
    shoulders,
    limb([0, 0.5], [0, 0.2], 0.17, 0.15, { color: skin, lift: 0.14 }),
    ...pair(
      form(
        [
          [0, 0.66],
          [-0.26, 0.47],
          [-0.2, 0.4],
          [0, 0.56],
        ],
        0.05,
        { color: coat, lift: 0.22 },
      ),
    ),
    ball(0, -0.1, 0.3, 0.4, { color: skin, lift: 0.2, depth: 0.3 }),
    form(
      [
        [-0.22, 0.0],
        [0, -0.06],
        [0.22, 0.0],
        [0.17, 0.24],
        [0, 0.33],
        [-0.17, 0.24],
      ],
      0.16,
      { color: skin, lift: 0.29 },
    ),
    ...pair(
      ball(-0.305, -0.06, 0.05, 0.09, { color: skin, lift: 0.22, depth: 0.08 }),
      ball(-0.12, -0.12, 0.05, 0.03, { color: '#f4efe6', lift: 0.47, depth: 0.04, gloss: 0.6 }),
      ball(-0.12, -0.12, 0.026, 0.028, { color: '#2a211c', lift: 0.49, depth: 0.04, gloss: 0.9 }),
      limb([-0.19, -0.2], [-0.06, -0.21], 0.018, 0.022, { color: hair, lift: 0.47 }),
    ),
    limb([0, -0.1], [0, 0.04], 0.035, 0.055, { color: skin, lift: 0.45 }),
    limb([-0.08, 0.145], [0.08, 0.145], 0.018, 0.018, { color: '#9c4f47', lift: 0.45 }),
  ];
}
const shortHair = (hair: string): readonly Solid[] => [
  form(
    [
      [-0.33, -0.02],
      [-0.36, -0.28],
      [-0.24, -0.5],
      [0, -0.57],
      [0.24, -0.5],
      [0.36, -0.28],
      [0.33, -0.02],
      [0.27, -0.2],
      [0.1, -0.31],
      [-0.14, -0.28],
      [-0.27, -0.18],
    ],
    0.12,
    {
      ...{ color: hair, lift: 0.4, mottle: 0.7, gloss: 0.25 },
    },
  ),
];

const person: Motif = {
  label: 'Person',
  words: ['portrait', 'man', 'founder', 'owner', 'face', 'head', 'people', 'boy', 'maker'],
  colors: CLOTH,
  solids: (vary, coat) => {
    const hair = vary.pick(HAIR);
    return [...bust(vary, coat, vary.pick(SKIN), hair), ...shortHair(hair)];
  },
};
const longHaired: Motif = {
  label: 'Person with long hair',
  words: ['woman', 'girl', 'lady', 'long hair'],
  colors: CLOTH,
  solids: (vary, coat) => {
    const hair = vary.pick(HAIR);
    const fall = vary.between(0.35, 0.75);
    return [
      form(
        [
          [-0.3, -0.5],
          [-0.43, -0.2],
          [-0.42, fall * 0.5],
          [-0.36, fall],
          [0.36, fall],
          [0.42, fall * 0.5],
          [0.43, -0.2],
          [0.3, -0.5],
          [0, -0.6],
        ],
        0.15,
        {
          ...{ color: hair, lift: 0.06, mottle: 0.8, gloss: 0.3 },
        },
      ),
      ...bust(vary, coat, vary.pick(SKIN), hair),
      ...pair(
        form(
          [
            [0.02, -0.56],
            [-0.26, -0.46],
            [-0.38, -0.15],
            [-0.37, 0.2],
            [-0.29, 0.12],
            [-0.26, -0.15],
            [-0.12, -0.33],
          ],
          0.08,
          { color: hair, lift: 0.4, mottle: 0.8, gloss: 0.3 },
        ),
      ),
    ];
  },
};
const hatted: Motif = {
  label: 'Person with a hat',
  words: ['hat', 'sailor', 'fisherman', 'farmer', 'captain', 'cap'],
  colors: CLOTH,
  solids: (vary, coat) => {
    const hair = vary.pick(HAIR);
    const hat = vary.pick(['#d8c08a', '#3a3532', '#70402a', '#c9c2b2']);
    return [
      ...bust(vary, coat, vary.pick(SKIN), hair),
      ...pair(ball(-0.29, -0.12, 0.05, 0.16, { color: hair, lift: 0.3, mottle: 0.6 })),
      ball(0, -0.3, vary.between(0.52, 0.62), 0.12, { color: hat, lift: 0.42, depth: 0.12, mottle: 0.4 }),
      form(
        [
          [-0.29, -0.32],
          [-0.25, -0.62],
          [0, -0.68],
          [0.25, -0.62],
          [0.29, -0.32],
          [0, -0.26],
        ],
        0.2,
        { color: hat, lift: 0.45, mottle: 0.4 },
      ),
      form(
        [
          [-0.292, -0.3],
          [-0.283, -0.4],
          [0.283, -0.4],
          [0.292, -0.3],
          [0, -0.24],
        ],
        0.02,
        { color: '#2b2522', lift: 0.66 },
      ),
    ];
  },
};
const profile: Motif = {
  label: 'Head in profile',
  words: ['profile', 'side view', 'cameo', 'silhouette'],
  colors: ['#c8a58c', '#8f5d3c', '#b98d6b'],
  solids: (vary, color) => {
    const nose = vary.between(0.03, 0.1);
    const head = form(
      [
        [-0.42, 1.7],
        [-0.36, 0.75],
        [-0.16, 0.55],
        [-0.2, 0.3],
        [-0.38, 0.05],
        [-0.42, -0.25],
        [-0.25, -0.55],
        [0.05, -0.64],
        [0.3, -0.5],
        [0.37, -0.28],
        [0.36, -0.16],
        [0.46 + nose, 0.02],
        [0.38, 0.06],
        [0.41, 0.13],
        [0.37, 0.17],
        [0.39, 0.23],
        [0.33, 0.36],
        [0.14, 0.4],
        [0.16, 0.6],
        [0.42, 0.8],
        [0.5, 1.7],
      ],
      0.3,
      { color, lift: 0.05, gloss: 0.2 },
    );
    const hair = form(
      [
        [-0.4, 0.1],
        [-0.5, -0.25],
        [-0.28, -0.62],
        [0.08, -0.7],
        [0.34, -0.52],
        [0.28, -0.38],
        [0.02, -0.42],
        [-0.12, -0.2],
        [-0.16, 0.05],
      ],
      0.12,
      {
        ...{ color: vary.pick(HAIR), lift: 0.3, mottle: 0.9, gloss: 0.2 },
      },
    );
    const all: readonly Solid[] = [head, hair, ball(-0.04, 0.0, 0.06, 0.1, { color, lift: 0.34, depth: 0.07 })];
    return vary.often(0.5) ? all : all.map(mirrored);
  },
};

export const people = { person, 'long-haired': longHaired, hatted, profile } as const;
