import type { z } from 'zod';
import type { Builder, BuilderStart } from '../../building/builder';
import { Kit } from '../../building/kit';
import { rowsFor } from '../../../type';
import { GAP_PIECES } from '../gap-pair';
import { LITTLE_WORDS, withoutLittle } from '../little-words';
import { BadgeKit } from './badge-kit';
import { alongOval } from './oval';
import { BADGE_EDGES, BADGE_PLANS, badgeSchema, CENTERS, EDGE_LABELS, PLAN_LABELS } from './numbers';
import { round } from './round';
import { lines, pointed } from './upright';

const starts = (more: Partial<z.input<typeof badgeSchema>>[]): readonly BuilderStart[] =>
  more.map((numbers) => {
    const plan = numbers.plan ?? 'seal';
    const { edge = 'plain', filled = true } = numbers;
    const label = `${PLAN_LABELS[plan]}${edge === 'plain' ? '' : `, ${EDGE_LABELS[edge]}`}${filled ? '' : ', open'}`;
    return {
      id: `${plan}-${numbers.edge ?? 'plain'}-${numbers.filled === false ? 'open' : 'filled'}`,
      label: `${label.charAt(0).toUpperCase()}${label.slice(1)}`,
      numbers,
    };
  });

/** Constructions whose main word runs across in one line: what is long is small there. */
const ACROSS: ReadonlySet<unknown> = new Set(['band', 'across', 'arcs', 'shield', 'diamond']);
/** A long name begins with what it is read in: lines of words stand in rows, and a word across comes last. */
function forName(name: string, numbers: Partial<z.input<typeof badgeSchema>>[]): readonly BuilderStart[] {
  const rows = rowsFor(name.replace(/\s*\n\s*/g, ' '));
  if (rows === 1) return starts(numbers);
  const isAcross = ({ plan }: (typeof numbers)[number]) => ACROSS.has(plan);
  const inOrder = [...numbers.filter((each) => !isAcross(each)), ...numbers.filter(isAcross)];
  return starts(
    inOrder.map((each) =>
      each.plan === 'oval' || each.plan === 'panel' ? { ...each, rows } : isAcross(each) ? each : { ...each, bothHalves: true },
    ),
  );
}

const option = <T extends string>(values: readonly T[], labels: Partial<Record<T, string>> = {}) =>
  values.map((value) => ({ value, label: labels[value] ?? value }));
const isOneOf =
  (...plans: readonly (typeof BADGE_PLANS)[number][]) =>
  (n: Readonly<Record<string, unknown>>) =>
    (plans as readonly unknown[]).includes(n['plan']);
/** Lines of words fill an oval and a panel: nothing else stands in their middle. */
const hasLines = isOneOf('oval', 'panel');
const hasMiddle = (n: Readonly<Record<string, unknown>>) => !hasLines(n);
const hasOwnEdge = isOneOf('seal', 'rings', 'band', 'arcs', 'across', 'arched');
const hasRing = isOneOf('seal', 'rings', 'band', 'arcs', 'across', 'arched', 'ovalRing');

/** Rings, words above and below, a main word: a badge. */
export const badge: Builder<typeof badgeSchema> = {
  schema: badgeSchema,
  label: 'Badge',
  words: ['emblem', 'seal', 'stamp', 'patch', 'round', 'vintage', 'roundel', 'ring text', 'year'],
  hint: 'The name around or across, a middle, a year',
  describe: ({ plan }) => PLAN_LABELS[plan],
  controls: [
    {
      type: 'choice',
      field: 'plan',
      label: 'Construction',
      hint: 'How the words and the middle stand',
      options: option(BADGE_PLANS, PLAN_LABELS),
    },
    { type: 'choice', field: 'edge', label: 'Edge', hint: 'What runs around the outside', options: option(BADGE_EDGES), when: hasOwnEdge },
    { type: 'words', field: 'main', label: 'Main word', hint: 'The largest words; empty is the name', placeholder: 'the name' },
    {
      type: 'number',
      field: 'rows',
      label: 'Rows',
      hint: 'Over how many rows the main word is broken',
      when: hasLines,
    },
    { type: 'words', field: 'upper', label: 'Upper words', hint: 'Above, or around the top', placeholder: 'the name' },
    { type: 'words', field: 'lower', label: 'Lower words', hint: 'Below, or around the foot', placeholder: 'the second line' },
    {
      type: 'tick',
      field: 'bothHalves',
      label: 'Over both halves',
      hint: 'The words of the ring run on around the foot, where no others stand there',
      when: isOneOf('seal', 'rings', 'arched', 'ovalRing'),
    },
    { type: 'words', field: 'year', label: 'Year', hint: 'Stands left and right of the middle', placeholder: 'none' },
    { type: 'choice', field: 'center', label: 'Middle', hint: 'What stands in the middle', options: option(CENTERS), when: hasMiddle },
    { ...LITTLE_WORDS, when: (n) => hasMiddle(n) && n['center'] === 'initials' },
    {
      type: 'choice',
      field: 'between',
      label: 'Between the words',
      hint: 'What stands in the two gaps of the ring',
      options: option(GAP_PIECES),
      when: hasRing,
    },
    { type: 'tick', field: 'filled', label: 'Filled ground', hint: 'Light words on a filled ground, or words on an open one' },
    { type: 'number', field: 'sizePx', label: 'Size', unit: 'px', hint: 'How wide it is' },
    {
      type: 'number',
      field: 'bandPercent',
      label: 'Ring',
      unit: '%',
      hint: 'How wide the ring of words is, against the whole',
      when: hasRing,
    },
    {
      type: 'number',
      field: 'textPercent',
      label: 'Ring text',
      unit: '%',
      hint: 'How large the ring text is, against the whole',
      when: hasRing,
    },
    { type: 'face', field: 'family', label: 'Face', hint: 'The face of the main word' },
    { type: 'face', field: 'secondFamily', label: 'Second face', hint: 'The face of all other words' },
    { type: 'paint', field: 'leadPaint', label: 'Color', hint: 'The ground, or the words' },
    { type: 'paint', field: 'groundPaint', label: 'Light color', hint: 'What is light in it' },
    {
      type: 'paint',
      field: 'secondPaint',
      label: 'Band color',
      hint: 'The band across',
      when: isOneOf('band', 'arcs'),
    },
  ],
  starts: ({ heard }) =>
    withoutLittle(
      heard.text,
      forName(heard.text, [
        { plan: 'seal', edge: 'plain' },
        { plan: 'rings', edge: 'double', filled: false, center: 'initials' },
        { plan: 'band', edge: 'scallop' },
        { plan: 'across', edge: 'plain', filled: true },
        { plan: 'arcs', edge: 'double' },
        { plan: 'arched', edge: 'rope', filled: false },
        { plan: 'seal', edge: 'teeth', between: 'star' },
        { plan: 'oval' },
        { plan: 'ovalRing' },
        { plan: 'shield' },
        { plan: 'diamond' },
        { plan: 'panel', edge: 'double' },
        { plan: 'arched', edge: 'stitched', center: 'star' },
        { plan: 'panel', edge: 'plain', filled: false },
      ]),
    ),
  families: ({ family, secondFamily }) => [family, secondFamily],
  build: (n, context) => {
    const kit = new Kit(context);
    const b = new BadgeKit(kit, n);
    if (n.plan === 'ovalRing') alongOval(b);
    else if (n.plan === 'oval' || n.plan === 'panel') lines(b);
    else if (n.plan === 'shield' || n.plan === 'diamond') pointed(b);
    else round(b);
    return kit.made();
  },
};
