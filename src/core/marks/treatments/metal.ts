import { z } from 'zod';
import { boundsOf } from '../../geometry';
import { paintSchema, type Paint } from '../drawing/paint';
import type { PaintedFill } from '../drawing/painted';
import { faceArea, mapLeaves } from '../treating/layers';
import { angleDeg, percent, treatmentBase, type TreatmentKind } from '../treating/treatment';

const SHEENS = ['satin', 'polished', 'foil'] as const;

export const metalSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('metal'),
  sheen: z.enum(SHEENS).default('satin'),
  /** The direction along which the light changes. */
  angleDeg: angleDeg.default(78),
  /** How often the light comes back. */
  bands: z.number().int().min(1).max(12).default(3),
  /** How much lighter and darker it becomes. */
  strengthPercent: percent.default(70),
  paint: paintSchema.default({ role: 'accent' }),
  light: paintSchema.default({ role: 'paper' }),
  shade: paintSchema.default({ role: 'ink' }),
  seed: z.number().int().min(0).max(999_999).default(1),
});
export type MetalTreatment = z.infer<typeof metalSchema>;

/** How light a place along the way is: above 0 toward the light's color, below toward the shade's; from −1 to 1. */
interface Tone {
  readonly at: number;
  readonly by: number;
}

/** Points of a smooth turn between two tones: half a cosine, as a rounded surface under a wide light shows it. */
const HALF_TURN = [0.25, 0.5, 0.75];
const smooth = (from: Tone, to: Tone): readonly Tone[] => [
  from,
  ...HALF_TURN.map((t) => ({ at: from.at + (to.at - from.at) * t, by: from.by + ((to.by - from.by) * (1 - Math.cos(Math.PI * t))) / 2 })),
];

/** A number in [0, 1) for a place, from a seed. @source integer hash of the kind used for textures (multiply and fold) */
function chance(seed: number, place: number): number {
  let h = Math.imul(seed + 1, 0x9e3779b1) ^ Math.imul(place + 1, 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 15), 0x2c1b3c6d);
  h = Math.imul(h ^ (h >>> 12), 0x297a2d39);
  return ((h ^ (h >>> 15)) >>> 0) / 2 ** 32;
}

/** How the light lies along each kind of metal. */
const TONES: { readonly [S in (typeof SHEENS)[number]]: (metal: MetalTreatment) => readonly Tone[] } = {
  // Brushed: the light comes and goes evenly.
  satin: ({ bands }) => {
    const turns = Array.from({ length: 2 * bands + 1 }, (_, n): Tone => ({ at: n / (2 * bands), by: n % 2 === 0 ? -0.55 : 0.9 }));
    return [...turns.slice(1).flatMap((to, n) => smooth(turns[n] as Tone, to)), turns.at(-1) as Tone];
  },
  // A mirror out of doors: sky that grows lighter down to a sharp horizon, dark ground that grows lighter away from it; once for every band.
  polished: ({ bands }) =>
    Array.from({ length: bands }, (_, n): readonly Tone[] => {
      const [from, by] = [n / bands, 1 / bands];
      return [
        { at: from, by: 0.1 },
        { at: from + 0.46 * by, by: 1 },
        { at: from + 0.5 * by, by: -0.85 },
        { at: from + 0.62 * by, by: -0.5 },
        { at: from + by, by: 0.55 },
      ];
    }).flat(),
  // Thin leaf that was pressed on: creases that catch the light here and there.
  foil: ({ bands, seed }) => {
    const creases = Array.from({ length: bands }, (_, n) => (n + 0.2 + 0.6 * chance(seed, n)) / bands);
    return [
      { at: 0, by: -0.3 },
      ...creases.flatMap((at, n): readonly Tone[] => {
        const wide = (0.1 + 0.16 * chance(seed, n + 50)) / bands;
        const bright = 0.55 + 0.45 * chance(seed, n + 100);
        return [
          { at: Math.max(0, at - wide), by: -0.1 - 0.35 * chance(seed, n + 150) },
          { at, by: bright },
          { at: Math.min(1, at + 0.35 * wide), by: 0.35 * bright },
          { at: Math.min(1, at + 1.6 * wide), by: -0.25 },
        ];
      }),
      { at: 1, by: 0.15 },
    ].sort((one, other) => one.at - other.at);
  },
};

/** Tones as the stops of one gradient that is laid over: where light passes into shade, both are clear. */
function stopsOf(tones: readonly Tone[], { strengthPercent, light, shade }: MetalTreatment) {
  const paintOf = (by: number): Paint => (by >= 0 ? light : shade);
  const stopAt = (at: number, by: number, paint = paintOf(by)) => ({ at, opacity: (Math.abs(by) * strengthPercent) / 100, paint });
  return tones.flatMap((tone, n) => {
    const before = tones[n - 1];
    if (!before || before.by >= 0 === tone.by >= 0) return [stopAt(tone.at, tone.by)];
    const clear = before.at + ((tone.at - before.at) * before.by) / (before.by - tone.by);
    return [stopAt(clear, 0, paintOf(before.by)), stopAt(clear, 0, paintOf(tone.by)), stopAt(tone.at, tone.by)];
  });
}

/** Metal and foil, as light and shade that pass over one color. */
export const metal: TreatmentKind<typeof metalSchema> = {
  schema: metalSchema,
  label: 'Metal',
  words: ['metal', 'foil', 'gold', 'silver', 'brass', 'copper', 'chrome', 'shine', 'sheen', 'leaf'],
  hint: 'Light and shade that pass over one color, as over brushed or polished metal, or over foil',
  describe: ({ sheen, bands }) => `${sheen}, ${bands === 1 ? 'one light' : `${bands} lights`}`,
  controls: [
    {
      type: 'choice',
      field: 'sheen',
      label: 'Sheen',
      hint: 'Brushed, polished like a mirror with a horizon, or foil with creases',
      options: [
        { value: 'satin', label: 'satin' },
        { value: 'polished', label: 'polished' },
        { value: 'foil', label: 'foil' },
      ],
    },
    { type: 'paint', field: 'paint', label: 'Metal', hint: 'The color of the metal itself' },
    { type: 'paint', field: 'light', label: 'Light', hint: 'What it shines in' },
    { type: 'paint', field: 'shade', label: 'Shade', hint: 'What its dark sides are toned with' },
    { type: 'number', field: 'strengthPercent', label: 'Strength', unit: '%', hint: 'How much lighter and darker it becomes' },
    { type: 'number', field: 'bands', label: 'Lights', hint: 'How often the light comes back' },
    { type: 'number', field: 'angleDeg', label: 'Turn', unit: '°', hint: 'The direction along which the light changes' },
    {
      type: 'number',
      field: 'seed',
      label: 'Seed',
      hint: 'Another number is another piece of foil',
      when: ({ sheen }) => sheen === 'foil',
    },
  ],
  handles: [{ type: 'turn', angle: 'angleDeg' }],
  inOneColor: 'dropped',
  treat: (own, layers, { paths }) => {
    const area = faceArea(layers, paths);
    const box = boundsOf(area.path);
    if (!box) return layers;
    const [wide, high] = [box.right - box.left, box.bottom - box.top];
    const [x, y] = [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
    const turn = (own.angleDeg * Math.PI) / 180;
    const [c, s] = [Math.cos(turn), Math.sin(turn)];
    // From rim to rim along its direction.
    const reach = Math.abs(c) * wide + Math.abs(s) * high;
    if (reach === 0) return layers;
    const face = mapLeaves(layers.face, (leaf) => {
      if (leaf.kind === 'picture') return [leaf];
      const { gradient: _before, ...plain } = leaf;
      return [{ ...plain, paint: own.paint }];
    });
    const shine: PaintedFill = {
      ...{ kind: 'fill', path: area.path, rule: area.rule, paint: own.light, opacity: 1 },
      gradient: {
        kind: 'linear',
        map: { a: c * reach, b: s * reach, c: -s * reach, d: c * reach, e: x - (c * reach) / 2, f: y - (s * reach) / 2 },
        spread: 'pad',
        stops: stopsOf(TONES[own.sheen](own), own),
      },
    };
    return { ...layers, face, front: [...layers.front, shine] };
  },
};
