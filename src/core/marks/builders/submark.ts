import { rowsFor } from '../../type';
import { z } from 'zod';
import type { Point } from '../../geometry';
import type { Builder } from '../building/builder';
import { initialsOf, Kit, outlinePoints } from '../building/kit';
import { paintSchema, type Paint } from '../drawing/paint';
import { GAP_PIECES, gapPair } from './gap-pair';
import { LITTLE_WORDS, littleWords, withoutLittle } from './little-words';
import { overBothHalves, ringWords } from './ring-words';

/** How far beyond the middle a mirror stands, as a share of the letter. */
const HAIR_SHARE = 0.001;

export const CROPS = ['whole', 'left', 'right', 'upper', 'lower', 'left-mirrored', 'right-mirrored', 'upper-mirrored', 'quarter'] as const;
type Crop = (typeof CROPS)[number];
const CROP_LABELS: { readonly [C in Crop]: string } = {
  whole: 'whole letter',
  left: 'its left half',
  right: 'its right half',
  upper: 'its upper half',
  lower: 'its lower half',
  'left-mirrored': 'left half, mirrored',
  'right-mirrored': 'right half, mirrored',
  'upper-mirrored': 'upper half, mirrored',
  quarter: 'a quarter, four ways',
};

const schema = z.strictObject({
  /** Empty: the initial of the name. */
  letters: z.string().max(12).default(''),
  crop: z.enum(CROPS).default('whole'),
  /** Where the letter is cut, in percent of its width or height. */
  cutPercent: z.number().min(20).max(80).default(50),
  sizePx: z.number().min(20).max(4000).default(300),
  upper: z.string().max(200).default(''),
  lower: z.string().max(200).default(''),
  littleWords,
  ringText: z.boolean().default(true),
  /** Whether the words run on around the foot, where no others stand there. */
  bothHalves: z.boolean().default(false),
  textPercent: z.number().min(2).max(20).default(9),
  airPercent: z.number().min(0).max(60).default(14),
  disk: z.boolean().default(true),
  line: z.boolean().default(true),
  between: z.enum(GAP_PIECES).default('dot'),
  family: z.string().max(64).default(''),
  secondFamily: z.string().max(64).default(''),
  leadPaint: paintSchema.default({ role: 'lead' }),
  groundPaint: paintSchema.default({ role: 'paper' }),
});
type Submark = z.infer<typeof schema>;

/** What is left of a letter's points, mirrored as the crop says, from the point that the symbol is built around. */
function kept(points: readonly Point[], crop: Crop, at: Point): readonly Point[] {
  const own = points.map(({ x, y }) => ({ x: x - at.x, y: y - at.y }));
  if (crop === 'left' || crop === 'left-mirrored')
    return own.flatMap(({ x, y }) =>
      x <= 0
        ? crop === 'left'
          ? [{ x, y }]
          : [
              { x, y },
              { x: -x, y },
            ]
        : [],
    );
  if (crop === 'right' || crop === 'right-mirrored')
    return own.flatMap(({ x, y }) =>
      x >= 0
        ? crop === 'right'
          ? [{ x, y }]
          : [
              { x, y },
              { x: -x, y },
            ]
        : [],
    );
  if (crop === 'upper' || crop === 'upper-mirrored')
    return own.flatMap(({ x, y }) =>
      y <= 0
        ? crop === 'upper'
          ? [{ x, y }]
          : [
              { x, y },
              { x, y: -y },
            ]
        : [],
    );
  if (crop === 'lower') return own.filter(({ y }) => y >= 0);
  if (crop === 'quarter')
    return own.flatMap(({ x, y }) =>
      x >= 0 && y <= 0
        ? [
            { x, y },
            { x: -x, y },
            { x, y: -y },
            { x: -x, y: -y },
          ]
        : [],
    );
  return own;
}

function symbol(kit: Kit, n: Submark, radius: number, paint: Paint): void {
  const font = kit.face(n.family);
  const text = n.letters || initialsOf(kit.context.heard.text, 1, n.littleWords);
  const outline = kit.outline(text, font);
  if (!outline) return;
  const { left, right, top, bottom } = outline.box;
  const share = n.cutPercent / 100;
  const sides = n.crop.startsWith('left') || n.crop.startsWith('right') || n.crop === 'quarter';
  const levels = n.crop.startsWith('upper') || n.crop === 'lower' || n.crop === 'quarter';
  const at = {
    x: sides ? left + (right - left) * share : outline.balance.x,
    y: levels ? top + (bottom - top) * share : outline.balance.y,
  };
  const points = kept(outlinePoints([outline.area], 0.01), n.crop, at);
  if (points.length === 0) return;
  const mirrored = n.crop.endsWith('mirrored') || n.crop === 'quarter';
  // A half by itself stands on the middle of its own box, what is mirrored on its mirror.
  const xs = points.map(({ x }) => x);
  const ys = points.map(({ y }) => y);
  const boxed = { x: (Math.min(...xs) + Math.max(...xs)) / 2, y: (Math.min(...ys) + Math.max(...ys)) / 2 };
  const middle =
    n.crop === 'whole'
      ? { x: 0, y: 0 }
      : mirrored
        ? { x: sides && n.crop !== 'quarter' ? 0 : sides ? 0 : boxed.x, y: levels ? 0 : boxed.y }
        : boxed;
  const reach = Math.max(...points.map(({ x, y }) => Math.hypot(x - middle.x, y - middle.y)));
  const size = radius / reach;
  const x = -(at.x + middle.x) * size;
  const y = -(at.y + middle.y) * size;
  kit.add({
    ...{ kind: 'lettering', id: 'letter', name: 'Letter', text, font, sizePx: Math.max(1, size), align: 'start', paint },
    place: { x, y, turnDeg: 0 },
  });
  if (n.crop === 'whole') return;
  const cut = { x: at.x * size + x, y: at.y * size + y };
  const width = (right - left) * size;
  const height = (bottom - top) * size;
  if (!mirrored) {
    const far = 2 * Math.max(width, height);
    kit.add({
      ...{ kind: 'shape', id: 'window', name: 'Window', form: { form: 'panel', widthPx: far, heightPx: far, cornerPx: 0 }, paint },
      place: {
        x: n.crop === 'left' ? cut.x - far / 2 : n.crop === 'right' ? cut.x + far / 2 : cut.x,
        y: n.crop === 'upper' ? cut.y - far / 2 : n.crop === 'lower' ? cut.y + far / 2 : cut.y,
        turnDeg: 0,
      },
    });
    // The window lies behind the letter: the backmost member is the container.
    const [letter, window] = [kit.parts.findIndex(({ id }) => id === 'letter'), kit.parts.findIndex(({ id }) => id === 'window')];
    const own = kit.parts[letter];
    if (own) kit.parts.splice(window + 1, 0, ...kit.parts.splice(letter, 1));
    kit.parts.sort((one, other) =>
      one.id === 'letter' && other.id === 'window' ? 1 : one.id === 'window' && other.id === 'letter' ? -1 : 0,
    );
    kit.add({ kind: 'inlay', id: 'symbol', name: 'Cropped letter', members: ['window', 'letter'], showsContainer: false });
    return;
  }
  // The half that is kept is the one in which most of the ink's box lies: the mirror stands a hair beyond the middle for that.
  const hair = HAIR_SHARE * Math.max(width, height);
  const letterMiddle = { x: ((left + right) / 2) * size + x, y: ((top + bottom) / 2) * size + y };
  const wantsLeft = n.crop === 'left-mirrored';
  const wantsUpper = n.crop === 'upper-mirrored' || n.crop === 'quarter';
  const centerX = wantsLeft ? Math.max(cut.x, letterMiddle.x + hair) : sides ? Math.min(cut.x, letterMiddle.x - hair) : cut.x;
  const centerY = wantsUpper ? Math.max(cut.y, letterMiddle.y + hair) : cut.y;
  kit.add({
    ...{ kind: 'symmetry', id: 'symbol', name: 'Mirrored crop', members: ['letter'], crop: true, centerX, centerY },
    ...(n.crop === 'quarter' ? { rule: 'four-way' as const, axisDeg: 0 } : { rule: 'mirror' as const, axisDeg: levels ? 0 : 90 }),
  });
}

/** The shortest form of a mark: its initial, whole or cut into a new symbol, alone or in a ring of words. */
export const submark: Builder<typeof schema> = {
  schema,
  label: 'Submark',
  words: ['icon', 'initial', 'profile', 'small', 'stamp', 'symbol', 'crop', 'mirrored letter'],
  hint: 'The initial, whole or cropped and mirrored, in a ring of words',
  describe: ({ crop }) => CROP_LABELS[crop],
  controls: [
    {
      type: 'words',
      field: 'letters',
      label: 'Letter',
      hint: 'What the symbol is made of; empty is the initial',
      placeholder: 'the initial',
    },
    {
      type: 'choice',
      field: 'crop',
      label: 'Shows',
      hint: 'The whole letter, a half of it, or a half and its mirror image',
      options: CROPS.map((value) => ({ value, label: CROP_LABELS[value] })),
    },
    {
      type: 'number',
      field: 'cutPercent',
      label: 'Cut at',
      unit: '%',
      hint: 'Where the letter is cut',
      when: (n) => n['crop'] !== 'whole',
    },
    { ...LITTLE_WORDS, when: (n) => n['letters'] === '' },
    { type: 'tick', field: 'ringText', label: 'Ring text', hint: 'Words around the symbol' },
    {
      type: 'words',
      field: 'upper',
      label: 'Upper words',
      hint: 'Around the top; empty is the name',
      placeholder: 'the name',
      when: (n) => n['ringText'] === true,
    },
    {
      type: 'words',
      field: 'lower',
      label: 'Lower words',
      hint: 'Around the foot',
      placeholder: 'the second line',
      when: (n) => n['ringText'] === true,
    },
    {
      type: 'tick',
      field: 'bothHalves',
      label: 'Over both halves',
      hint: 'The words run on around the foot, where no others stand there',
      when: (n) => n['ringText'] === true,
    },
    {
      type: 'choice',
      field: 'between',
      label: 'Between the words',
      hint: 'What stands in the two gaps',
      options: GAP_PIECES.map((value) => ({ value, label: value })),
      when: (n) => n['ringText'] === true,
    },
    { type: 'tick', field: 'disk', label: 'Filled disk', hint: 'Light on a filled disk, or open' },
    { type: 'tick', field: 'line', label: 'Line around', hint: 'A fine ring along the edge' },
    { type: 'number', field: 'sizePx', label: 'Size', unit: 'px', hint: 'How wide it is' },
    { type: 'number', field: 'airPercent', label: 'Air', unit: '%', hint: 'White between the symbol and what is around it' },
    {
      type: 'number',
      field: 'textPercent',
      label: 'Ring text',
      unit: '%',
      hint: 'How large the ring text is, against the whole',
      when: (n) => n['ringText'] === true,
    },
    { type: 'face', field: 'family', label: 'Face', hint: 'The face of the letter' },
    { type: 'face', field: 'secondFamily', label: 'Second face', hint: 'The face of the ring text' },
    { type: 'paint', field: 'leadPaint', label: 'Color', hint: 'The disk, or the symbol' },
    { type: 'paint', field: 'groundPaint', label: 'Light color', hint: 'The symbol on a filled disk', when: (n) => n['disk'] === true },
  ],
  starts: ({ heard }) =>
    withoutLittle(
      heard.text,
      (
        [
          { crop: 'whole', disk: true },
          { crop: 'left-mirrored', disk: false },
          { crop: 'right-mirrored', disk: true },
          { crop: 'upper-mirrored', disk: false },
          { crop: 'quarter', disk: true },
          { crop: 'whole', disk: false, ringText: false },
          { crop: 'right-mirrored', disk: false, ringText: false },
          { crop: 'quarter', disk: false, ringText: false, line: false },
          { crop: 'upper', disk: true, ringText: false },
          { crop: 'left', disk: true, ringText: false },
        ] as const
      ).map((numbers) => ({
        id: `${numbers.crop}-${numbers.disk ? 'disk' : 'open'}-${'ringText' in numbers ? 'alone' : 'ring'}`,
        label: `${CROP_LABELS[numbers.crop].replace(/^./, (letter) => letter.toUpperCase())}${'ringText' in numbers ? '' : ', in a ring of words'}`,
        // A long name is read where it has the whole ring.
        numbers: rowsFor(heard.text.replace(/\s*\n\s*/g, ' ')) > 1 && !('ringText' in numbers) ? { ...numbers, bothHalves: true } : numbers,
      })),
    ),
  families: ({ family, secondFamily }) => [family, secondFamily],
  build: (n, context) => {
    const kit = new Kit(context);
    const ink = n.disk ? n.groundPaint : n.leadPaint;
    const R = n.sizePx / 2;
    if (n.disk) kit.shape('disk', 'Disk', { form: 'disk', widthPx: n.sizePx, heightPx: n.sizePx }, n.leadPaint);
    const edge = n.disk ? 0.94 : 1;
    if (n.line || n.ringText)
      kit.shape(
        'line',
        'Line around',
        { form: 'ring', widthPx: n.sizePx * edge, heightPx: n.sizePx * edge, bandPx: n.line ? n.sizePx * 0.01 : 0.1 },
        ink,
        { x: 0, y: 0 },
        n.line ? {} : { opacity: 0 },
      );
    let room = R * edge - (n.line ? n.sizePx * 0.01 : 0);
    if (n.ringText) {
      const sizePx = (n.sizePx * n.textPercent) / 100;
      const band = sizePx * 1.5;
      const words = [n.upper || context.heard.text.replace(/\s*\n\s*/g, ' '), n.lower || context.heard.second || ''] as const;
      const [upper, lower] = n.bothHalves ? overBothHalves(...words) : words;
      const sweep = ringWords(kit, {
        ...{ around: 'line', radiusPx: R * edge, insetPx: band / 2 + n.sizePx * 0.012, roomPx: band / 2, sizePx },
        ...{
          upper,
          lower,
          font: kit.face(n.secondFamily || n.family),
          paint: ink,
        },
      });
      if (lower.trim() !== '' && sweep <= 172) gapPair(kit, n.between, 'gap', R * edge - band / 2 - n.sizePx * 0.012, sizePx * 0.4, ink);
      room -= band + n.sizePx * 0.012;
    }
    symbol(kit, n, Math.max(1, room * (1 - n.airPercent / 100)), ink);
    return kit.made();
  },
};
