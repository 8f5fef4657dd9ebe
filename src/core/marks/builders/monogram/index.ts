import type { z } from 'zod';
import { boundsOf, inkBalance, type Point, type Region } from '../../../geometry';
import { GOOD_INTERLOCK } from '../../../interlock';
import type { BuildContext, Builder, BuilderStart } from '../../building/builder';
import { initialsOf, Kit, lettersOf, outlinePoints } from '../../building/kit';
import type { Paint } from '../../drawing/paint';
import { areTooHeavy, backToBack, beside, largerMiddle, nested, overlapped, sharedStem, stacked, waysOf } from './compose';
import { drawBackdrop } from './backdrop';
import { florals } from './florals';
import { framed, FRAMES } from './frames';
import { LITTLE_WORDS, withoutLittle } from '../little-words';
import { adding, TREATMENT_STACKS } from '../../treating';
import { CONSTRUCTIONS, FLORAL, LABELS, LOOK_LABELS, LOOKS, monogramSchema as schema, type Construction, type Monogram } from './numbers';
import { drawLetter, inkOfLetter, type Standing } from './letters';

/** The name with its second line: “Gorsebank” over “Rowing Club” has three initials. */
const wholeName = ({ text, second = '' }: BuildContext['heard']): string => `${text} ${/\s/.test(text.trim()) ? '' : second}`;

/** The letters of a monogram, each on its own origin. */
function lettersFor(kit: Kit, n: Monogram): readonly Standing[] {
  const alone = FLORAL.includes(n.construction) || n.construction === 'back-to-back';
  const typed = n.letters || initialsOf(wholeName(kit.context.heard), alone ? 1 : n.initials, n.littleWords);
  const all = lettersOf(typed).slice(0, FLORAL.includes(n.construction) ? 1 : 3);
  const [one, two] = [kit.face(n.family), kit.face(n.secondFamily === '' ? n.family : n.secondFamily)];
  const found = all.flatMap((text, index): readonly Standing[] => {
    const font = index === 0 ? one : two;
    const outline = kit.outline(text, font);
    if (!outline) return [];
    if (outline.missing)
      kit.note('letter-missing', `The face ${font.family} has no ${text}.`, 'Choose another face for it, or another letter.');
    return [
      {
        slot: `letter-${index + 1}`,
        text,
        font,
        outline,
        size: 1,
        x: 0,
        y: 0,
        paint: index === 0 ? paintOn(n, n.firstPaint) : paintOn(n, n.secondPaint),
      },
    ];
  });
  return found;
}

/** Letters on a filled frame are light. */
const paintOn = (n: Monogram, paint: Paint): Paint => (n.filled && n.frame !== 'none' ? n.groundPaint : paint);

/** How far letters are tucked at least, as a share of the narrower one. */
const TUCK = 0.3;

interface Composed {
  readonly letters: readonly Standing[];
  /** How they are drawn: each by itself, woven, welded, or one cut out of the other. */
  readonly how: 'each' | 'woven' | 'welded' | 'tucked';
  readonly gap: number;
}

function composed(kit: Kit, n: Monogram, letters: readonly Standing[]): Composed {
  const gap = n.gapPercent / 100;
  const each = (placed: readonly Standing[]): Composed => ({ letters: placed, how: 'each', gap });
  const alone = letters.length < 2 && n.construction !== 'back-to-back';
  if (alone) {
    if (!['plain', 'picture', ...FLORAL].includes(n.construction))
      kit.note('one-letter', `A monogram ${LABELS[n.construction]} wants two letters.`, 'Type two letters.');
    return each(letters);
  }
  switch (n.construction) {
    case 'stacked':
      return each(stacked(letters, gap));
    case 'larger-middle':
      return each(largerMiddle(letters, gap, n.outerPercent / 100));
    case 'nested':
      return each([...nested(letters, kit, 0.18)]);
    case 'overlapped':
      return { letters: overlapped(letters, n.overlapPercent / 100), how: 'tucked', gap };
    case 'tucked':
      return { letters: overlapped(letters, Math.max(TUCK, n.overlapPercent / 100)), how: 'tucked', gap };
    case 'shared-stem': {
      const shared = sharedStem(letters);
      if (shared) return { letters: shared, how: 'welded', gap };
      kit.note(
        'no-shared-stem',
        `${letters.map(({ text }) => text).join(' and ')} have no stems that can be one.`,
        'They stand side by side. Letters such as H, K, L or E have stems that agree.',
      );
      return each(beside(letters, gap));
    }
    case 'back-to-back':
      return each(backToBack(letters, gap));
    case 'interlocked': {
      const ways = waysOf(letters, kit);
      const way = ways[Math.min(n.way, ways.length - 1)];
      if (!way) return each(beside(letters, gap));
      const isPoor = ways.every(({ score }) => score < GOOD_INTERLOCK);
      if (isPoor && areTooHeavy(letters, kit)) {
        kit.note(
          'tucked-instead',
          'Strokes as heavy as these cannot be woven: each letter stops short of the one before it instead.',
          'Choose a lighter face to interlock them.',
        );
        return { letters: overlapped(letters, TUCK), how: 'tucked', gap };
      }
      if (way.score < GOOD_INTERLOCK || way.crossings === 0)
        kit.note(
          'poor-interlock',
          way.crossings === 0
            ? 'These letters do not cross anywhere: this is no clean interlock.'
            : 'No clean interlock: these letters do not lie well in one another.',
          'Try another way, another face, or let them be tucked.',
        );
      const smallest = Math.ceil(1 / way.gap);
      kit.note(
        'interlock-smallest',
        `The gaps stay open down to ${smallest} px of the capitals’ height.`,
        'Widen the gap for smaller sizes.',
      );
      return { letters: way.letters, how: 'woven', gap: n.gapPercent === 6 ? way.gap : gap };
    }
    case 'slashed':
      return each(beside(letters, 0.5));
    default:
      return each(beside(letters, gap));
  }
}

const start = (construction: Construction, label: string, more: Partial<z.input<typeof schema>> = {}): BuilderStart => ({
  id: `${construction}-${Object.values(more).join('-')}`.replace(/[^a-z0-9-]/gi, '') || construction,
  label,
  numbers: { construction, ...more },
});

function starts(context: BuildContext): readonly BuilderStart[] {
  const initials = initialsOf(wholeName(context.heard), 3, false);
  const several = lettersOf(initials).length > 1;
  const framedOnes = [
    start('plain', 'Initial in a circle', { frame: 'circle', initials: 1 }),
    start('plain', 'Initial on a filled shield', { frame: 'shield', filled: true, initials: 1 }),
    start('plain', 'Initial in a wreath', { frame: 'wreath', initials: 1 }),
    start('plain', 'Initial in a diamond', { frame: 'diamond', initials: 1, filled: true }),
    start('filled', 'Initial filled with florals', { initials: 1 }),
    start('wrapped', 'Initial wrapped in florals', { initials: 1 }),
    start('behind', 'Florals behind the initial', { initials: 1 }),
    start('back-to-back', 'Back to back, mirrored', { initials: 1 }),
    start('plain', 'Initial as a painted sign', { initials: 1, look: 'painted-sign' }),
    start('plain', 'Engraved initial', { initials: 1, look: 'engraved-plate' }),
    start('plain', 'Initial with a double rim', { initials: 1, look: 'double-rim' }),
  ];
  if (!several) return framedOnes;
  // Only what these letters can really make is offered.
  const kit = new Kit(context);
  const two = lettersFor(kit, schema.parse({ construction: 'beside', initials: 2, littleWords: false }));
  const shares = sharedStem(two) !== undefined;
  const nests = (nested(two, kit, 0.18)[1]?.size ?? 0) > 0.3;
  // What is drawn at once comes first: interlocking is searched for.
  return [
    start('beside', 'Side by side', { frame: 'circle' }),
    start('stacked', 'One above the other', { initials: 2 }),
    start('interlocked', 'Interlocked', { initials: 2 }),
    start('interlocked', 'Interlocked, another way', { initials: 2, way: 1 }),
    start('interlocked', 'Interlocked, a third way', { initials: 2, way: 2 }),
    ...(lettersOf(initials).length > 2 ? [start('interlocked', 'Three interlocked, where they cross', { initials: 3 })] : []),
    ...(lettersOf(initials).length > 2 ? [start('larger-middle', 'Larger in the middle', { initials: 3, frame: 'oval' })] : []),
    ...(nests ? [start('nested', 'One in the other', { initials: 2 })] : []),
    start('overlapped', 'Overlapped', { initials: 2 }),
    ...(shares ? [start('shared-stem', 'One stem in common', { initials: 2 })] : []),
    start('slashed', 'With a stroke between', { initials: 2 }),
    ...framedOnes,
  ];
}

const isFloral = (n: Readonly<Record<string, unknown>>) => FLORAL.includes(n['construction'] as Construction);
const isOne =
  (...constructions: readonly Construction[]) =>
  (n: Readonly<Record<string, unknown>>) =>
    constructions.includes(n['construction'] as Construction);

/** Puts the look on what stands as one: on letters that are gathered together, and else on each. */
function wear(kit: Kit, n: Monogram, ids: readonly string[], heightPx: number): void {
  const stack = TREATMENT_STACKS.find(({ id }) => id === n.look);
  if (!stack) return;
  kit.parts.forEach((part, at) => {
    if (ids.includes(part.id)) kit.parts[at] = { ...part, treatments: [...adding(stack.treatments, heightPx)(part.treatments ?? [])] };
  });
}

/** One, two or three letters as one sign. */
export const monogram: Builder<typeof schema> = {
  schema,
  label: 'Monogram',
  words: ['initials', 'interlock', 'letters', 'cipher', 'framed initial', 'florals', 'overlap', 'wedding'],
  hint: 'One, two or three letters as one sign',
  describe: ({ construction }) => LABELS[construction],
  controls: [
    {
      type: 'choice',
      field: 'construction',
      label: 'Construction',
      hint: 'How the letters make one sign',
      options: CONSTRUCTIONS.map((value) => ({ value, label: LABELS[value] })),
    },
    {
      type: 'words',
      field: 'letters',
      label: 'Letters',
      hint: 'One, two or three; empty are the initials of the name',
      placeholder: 'the initials',
    },
    { ...LITTLE_WORDS, when: (n) => n['letters'] === '' },
    {
      type: 'number',
      field: 'initials',
      label: 'Initials',
      hint: 'How many initials of the name',
      when: (n) => n['letters'] === '' && !isFloral(n),
    },
    {
      type: 'number',
      field: 'way',
      label: 'Way',
      hint: 'The ways in which these letters interlock, best first',
      when: isOne('interlocked'),
    },
    {
      type: 'tick',
      field: 'firstOver',
      label: 'The first passes over first',
      hint: 'Turns over and under about, at every crossing',
      when: isOne('interlocked', 'tucked', 'overlapped'),
    },
    { type: 'number', field: 'gapPercent', label: 'Gap', unit: '%', hint: 'White between the letters, against the height of the capitals' },
    {
      type: 'number',
      field: 'overlapPercent',
      label: 'Overlap',
      unit: '%',
      hint: 'How far the letters lie over one another',
      when: isOne('overlapped', 'tucked'),
    },
    {
      type: 'number',
      field: 'outerPercent',
      label: 'Outer letters',
      unit: '%',
      hint: 'Their size against the middle one',
      when: isOne('larger-middle'),
    },
    { type: 'number', field: 'seed', label: 'Variation', hint: 'Another number, another accident of the same kind', when: isFloral },
    { type: 'number', field: 'densityPercent', label: 'Density', unit: '%', hint: 'How closely the florals stand', when: isFloral },
    {
      type: 'number',
      field: 'spreadPercent',
      label: 'Size spread',
      unit: '%',
      hint: 'How much large and small blooms differ',
      when: isFloral,
    },
    { type: 'number', field: 'weightPercent', label: 'Weight', unit: '%', hint: 'How heavy stalks and leaves are', when: isFloral },
    {
      type: 'number',
      field: 'behindPercent',
      label: 'Opacity',
      unit: '%',
      hint: 'How strong what stands behind is',
      when: isOne('behind', 'picture'),
    },
    {
      type: 'picture',
      field: 'backdrop',
      label: 'Picture behind',
      hint: 'A piece of art, or a drawing or picture that stands in this mark',
      when: isOne('picture'),
    },
    {
      type: 'number',
      field: 'backdropPercent',
      label: 'Picture size',
      unit: '%',
      hint: 'Its longer side, against the height of the capitals',
      when: isOne('picture'),
    },
    {
      type: 'choice',
      field: 'frame',
      label: 'Frame',
      hint: 'What stands around the letters',
      options: FRAMES.map((value) => ({ value, label: value })),
    },
    { type: 'tick', field: 'filled', label: 'Filled frame', hint: 'Light letters on a filled frame', when: (n) => n['frame'] !== 'none' },
    {
      type: 'number',
      field: 'airPercent',
      label: 'Air',
      unit: '%',
      hint: 'White between the letters and the frame',
      when: (n) => n['frame'] !== 'none',
    },
    {
      type: 'number',
      field: 'linePercent',
      label: 'Line',
      unit: '%',
      hint: 'How heavy the frame’s line is',
      when: (n) => n['frame'] !== 'none',
    },
    {
      type: 'choice',
      field: 'look',
      label: 'Look',
      hint: 'Treatments that the letters wear: shadows, engraved lines, rims; each can be opened and changed on its letter',
      options: LOOKS.map((value) => ({ value, label: LOOK_LABELS[value] ?? value })),
      when: (n) => !isFloral(n),
    },
    { type: 'number', field: 'sizePx', label: 'Size', unit: 'px', hint: 'Height of the capitals' },
    { type: 'face', field: 'family', label: 'Face', hint: 'The face of the first letter' },
    { type: 'face', field: 'secondFamily', label: 'Second face', hint: 'The face of the others' },
    { type: 'paint', field: 'firstPaint', label: 'Color', hint: 'The first letter and the frame' },
    { type: 'paint', field: 'secondPaint', label: 'Second color', hint: 'The other letters' },
    {
      type: 'paint',
      field: 'floralPaint',
      label: 'Ornament color',
      hint: 'Blooms and leaves, or the drawing behind',
      when: (n) => isFloral(n) || isOne('picture')(n),
    },
    { type: 'paint', field: 'groundPaint', label: 'Light color', hint: 'What is light in it' },
  ],
  starts: (context) => withoutLittle(wholeName(context.heard), starts(context)),
  families: ({ family, secondFamily }) => [family, secondFamily],
  build: (n, context) => {
    const kit = new Kit(context);
    const letters = lettersFor(kit, n);
    if (letters.length === 0) {
      kit.note('no-letters', 'There is no letter to build from.', 'Type one, two or three letters.');
      return kit.made();
    }
    const { letters: placed, how, gap } = composed(kit, n, letters);
    const left = letters.filter(({ slot }) => !placed.some((each) => each.slot === slot)).map(({ text }) => text);
    if (left.length > 0)
      kit.note(
        'letter-left-out',
        `A monogram ${LABELS[n.construction]} holds two letters: ${left.join(' and ')} is left out.`,
        'Choose another construction, or type two letters.',
      );
    const areas: readonly Region[] = placed.map(inkOfLetter);
    const balance: Point = inkBalance(areas) ?? { x: 0, y: 0 };
    const boxes = areas.flatMap(({ path }) => boundsOf(path) ?? []);
    const box = {
      left: Math.min(...boxes.map((b) => b.left)),
      right: Math.max(...boxes.map((b) => b.right)),
      top: Math.min(...boxes.map((b) => b.top)),
      bottom: Math.max(...boxes.map((b) => b.bottom)),
    };
    // Half way between where it balances and the middle of its box: what hangs out on one side still wants its air.
    const center = { x: (balance.x + (box.left + box.right) / 2) / 2, y: (balance.y + (box.top + box.bottom) / 2) / 2 };
    const perCap = n.sizePx;
    const height = (box.bottom - box.top) * perCap;
    const points = outlinePoints(areas, 0.01).map(({ x, y }) => ({ x: (x - center.x) * perCap, y: (y - center.y) * perCap }));
    framed(kit, points, height, {
      frame: n.frame,
      airPercent: n.airPercent,
      filled: n.filled,
      linePercent: n.linePercent,
      paint: n.firstPaint,
      ground: n.groundPaint,
    });
    if (FLORAL.includes(n.construction)) {
      const [letter] = placed;
      if (letter) florals(kit, n, letter, perCap, center);
      return kit.made();
    }
    if (n.construction === 'picture') {
      const middle = { x: ((box.left + box.right) / 2 - center.x) * perCap, y: ((box.top + box.bottom) / 2 - center.y) * perCap };
      drawBackdrop(kit, n, perCap, middle);
    }
    // What lies on top comes last.
    const ordered = how === 'tucked' && n.firstOver ? [...placed].reverse() : placed;
    for (const letter of ordered) drawLetter(kit, letter, perCap, center);
    const members = ordered.map(({ slot }) => slot);
    if (how === 'woven')
      kit.add({
        kind: 'combination',
        id: 'woven',
        name: 'Interlocked letters',
        members,
        how: 'weave',
        gapPx: Math.min(500, gap * perCap),
        firstOver: n.firstOver,
      });
    if (how === 'welded') kit.add({ kind: 'combination', id: 'welded', name: 'Letters with one stem', members, how: 'unite' });
    if (how === 'tucked') {
      const top = kit.parts.findIndex(({ id }) => id === members.at(-1));
      const part = kit.parts[top];
      if (part && gap > 0)
        kit.parts[top] = {
          ...part,
          treatments: [{ kind: 'halo', id: 'gap', hidden: false, widthPx: Math.min(2000, Math.max(0.1, gap * perCap)), join: 'round' }],
        };
    }
    wear(kit, n, how === 'woven' || how === 'welded' ? [how] : members, perCap);
    if (n.construction === 'slashed' && placed.length === 2) {
      const [a, b] = boxes as [(typeof boxes)[number], (typeof boxes)[number]];
      const x = ((a.right + b.left) / 2 - center.x) * perCap;
      const y = ((box.top + box.bottom) / 2 - center.y) * perCap;
      kit.shape(
        'slash',
        'Stroke',
        { form: 'line', widthPx: height * 1.45, heightPx: perCap * 0.03 },
        paintOn(n, n.secondPaint),
        { x, y },
        { turnDeg: -68 },
      );
    }
    return kit.made();
  },
};
