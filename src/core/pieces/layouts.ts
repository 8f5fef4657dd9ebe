import type { Role } from '../color';
import { columns, inset, rows, split, type PieceLayout, type Room, type Slot } from './layout';

/** How a piece is divided, before it is known what it is painted with. */
interface Division {
  readonly id: string;
  readonly label: string;
  readonly wantsPicture?: true;
  /** Grounds that it is offered on. */
  readonly grounds: readonly Role[];
  readonly slots: (room: Room, ground: Role) => readonly Slot[];
}

/** The color of a panel that is seen on a ground. */
const panelOn = (ground: Role): Role => (ground === 'lead' ? 'paper' : ground === 'second' ? 'lead' : 'second');

const DIVISIONS: readonly Division[] = [
  {
    id: 'alone',
    label: 'The mark alone',
    grounds: ['paper', 'lead', 'ink'],
    slots: ({ safe, shape }) => [
      { is: 'mark', box: shape === 'wide' ? inset(safe, (safe.right - safe.left) * 0.14, 0) : inset(safe, (safe.right - safe.left) * 0.1) },
    ],
  },
  {
    id: 'mark-over-words',
    label: 'Mark, then words',
    grounds: ['paper', 'lead'],
    slots: ({ safe, gap, shape }) => {
      const [one, other] = split(safe, shape === 'wide' ? 'columns' : 'rows', shape === 'wide' ? 0.42 : 0.5, gap * 1.6);
      const [head, text] = split(other, 'rows', 0.4, gap);
      return [
        { is: 'mark', box: one },
        { is: 'words', what: 'heading', box: head, stands: shape === 'wide' ? 'foot' : 'middle' },
        { is: 'words', what: 'text', box: text },
      ];
    },
  },
  {
    id: 'words-over-mark',
    label: 'Words, then mark',
    grounds: ['paper', 'second'],
    slots: ({ safe, gap, shape }) => {
      const [one, other] = split(safe, shape === 'wide' ? 'columns' : 'rows', 0.64, gap * 1.4);
      const [head, text] = split(one, 'rows', 0.52, gap);
      return [
        { is: 'words', what: 'heading', box: head, align: 'start', stands: 'foot' },
        { is: 'words', what: 'text', box: text, align: 'start' },
        { is: 'mark', box: other, anchor: shape === 'wide' ? 'right' : 'bottom-left' },
      ];
    },
  },
  {
    id: 'corner',
    label: 'Heading, mark in the corner',
    grounds: ['lead', 'paper'],
    slots: ({ safe, gap }) => {
      const [upper, lower] = split(safe, 'rows', 0.66, gap);
      const [small, mark] = split(lower, 'columns', 0.56, gap);
      return [
        { is: 'words', what: 'heading', box: upper, align: 'start' },
        { is: 'words', what: 'small', box: small, align: 'start', stands: 'foot' },
        { is: 'mark', box: mark, anchor: 'bottom-right' },
      ];
    },
  },
  {
    id: 'band',
    label: 'A band across',
    grounds: ['paper', 'second'],
    slots: ({ safe, bleed, gap }, ground) => {
      const band = { ...rows(safe, 0.22, 0.62), left: bleed.left, right: bleed.right };
      const paint = panelOn(ground);
      const within = { ...inset(band, 0, gap * 0.9), left: safe.left, right: safe.right };
      return [
        { is: 'panel', box: band, paint },
        { is: 'words', what: 'small', box: rows(safe, 0, 0.17), stands: 'middle' },
        { is: 'mark', box: within, on: paint },
        { is: 'words', what: 'text', box: rows(safe, 0.68, 1), stands: 'middle' },
      ];
    },
  },
  {
    id: 'framed',
    label: 'Inside a frame',
    grounds: ['paper', 'ink'],
    slots: ({ safe, gap }) => {
      const within = inset(safe, gap * 1.3);
      const [mark, words] = split(within, 'rows', 0.74, gap);
      return [
        { is: 'line', box: safe },
        { is: 'mark', box: mark },
        { is: 'words', what: 'small', box: words, stands: 'foot' },
      ];
    },
  },
  {
    id: 'emblem',
    label: 'Emblem over a heading',
    grounds: ['paper', 'lead'],
    slots: ({ safe, gap, shape }) => {
      if (shape === 'wide') {
        const [emblem, words] = split(safe, 'columns', 0.26, gap * 1.4);
        const [head, small] = split(words, 'rows', 0.7, gap);
        return [
          { is: 'submark', box: emblem },
          { is: 'words', what: 'heading', box: head, align: 'start', stands: 'foot' },
          { is: 'words', what: 'small', box: small, align: 'start' },
        ];
      }
      return [
        { is: 'submark', box: inset(rows(safe, 0, 0.3), (safe.right - safe.left) * 0.3, 0) },
        { is: 'words', what: 'heading', box: rows(safe, 0.36, 0.76), stands: 'middle' },
        { is: 'words', what: 'small', box: rows(safe, 0.82, 1), stands: 'foot' },
      ];
    },
  },
  {
    id: 'columns',
    label: 'Text beside a rule',
    grounds: ['paper', 'second'],
    slots: ({ safe, gap, shape }) => {
      const [upper, lower] = split(safe, 'rows', shape === 'wide' ? 0.4 : 0.3, gap * 1.4);
      if (shape === 'tall') {
        const [head, text] = split(lower, 'rows', 0.42, gap * 2);
        return [
          { is: 'mark', box: upper, anchor: 'top-left' },
          { is: 'words', what: 'heading', box: head, align: 'start', stands: 'foot' },
          { is: 'line', box: { ...rows(lower, 0.42, 0.42) } },
          { is: 'words', what: 'text', box: text, align: 'start' },
        ];
      }
      const [head, text] = split(lower, 'columns', 0.4, gap * 2);
      const rule = columns(lower, 0.4, 0.4);
      return [
        { is: 'mark', box: upper, anchor: 'top-left' },
        { is: 'words', what: 'heading', box: head, align: 'start' },
        { is: 'line', box: { ...rule, right: rule.left } },
        { is: 'words', what: 'text', box: text, align: 'start' },
      ];
    },
  },
  {
    id: 'halves',
    label: 'Two halves',
    grounds: ['paper', 'lead'],
    slots: ({ safe, bleed, gap, shape }, ground) => {
      const how = shape === 'wide' ? 'columns' : 'rows';
      const [one, other] = split(safe, how, 0.5, gap * 2.4);
      const paint = panelOn(ground);
      const panel = shape === 'wide' ? { ...bleed, right: one.right + gap * 1.2 } : { ...bleed, bottom: one.bottom + gap * 1.2 };
      const [head, text] = split(other, 'rows', 0.45, gap);
      return [
        { is: 'panel', box: panel, paint },
        { is: 'mark', box: inset(one, gap * 0.6), on: paint },
        { is: 'words', what: 'heading', box: head, align: 'start', stands: 'foot' },
        { is: 'words', what: 'text', box: text, align: 'start' },
      ];
    },
  },
  {
    id: 'ticket',
    label: 'A card on the ground',
    grounds: ['lead', 'second'],
    slots: ({ safe, gap, shape }) => {
      const paint: Role = 'paper';
      const within = inset(safe, gap * 1.6);
      const [mark, words] = split(within, shape === 'wide' ? 'columns' : 'rows', 0.48, gap * 1.6);
      const [head, small] = split(words, 'rows', 0.6, gap);
      return [
        { is: 'panel', box: safe, paint, corner: gap },
        { is: 'mark', box: mark, on: paint },
        { is: 'words', what: 'heading', box: head, stands: 'foot', on: paint },
        { is: 'words', what: 'small', box: small, on: paint },
      ];
    },
  },
  {
    id: 'sheet',
    label: 'A sheet to write on',
    grounds: ['paper'],
    slots: ({ safe, gap }) => {
      const [head, rest] = split(safe, 'rows', 0.16, gap);
      return [
        { is: 'mark', box: columns(head, 0, 0.5), anchor: 'top-left' },
        { is: 'words', what: 'small', box: columns(head, 0.58, 1), align: 'end' },
        { is: 'words', what: 'small', box: rows(rest, 0.93, 1), align: 'start', stands: 'foot' },
      ];
    },
  },
  {
    id: 'picture-above',
    label: 'Picture above',
    wantsPicture: true,
    grounds: ['paper', 'lead'],
    slots: ({ safe, bleed, gap, shape }) => {
      if (shape === 'wide') {
        const [picture, rest] = split(safe, 'columns', 0.46, gap * 2);
        const [mark, words] = split(rest, 'rows', 0.52, gap);
        return [
          { is: 'picture', box: { ...bleed, right: picture.right } },
          { is: 'mark', box: mark, anchor: 'left' },
          { is: 'words', what: 'text', box: words, align: 'start' },
        ];
      }
      const [picture, rest] = split(safe, 'rows', 0.5, gap * 2);
      const [words, mark] = split(rest, 'columns', 0.6, gap * 1.4);
      const [head, text] = split(words, 'rows', 0.5, gap);
      return [
        { is: 'picture', box: { ...bleed, bottom: picture.bottom } },
        { is: 'words', what: 'heading', box: head, align: 'start' },
        { is: 'words', what: 'text', box: text, align: 'start' },
        { is: 'mark', box: mark, anchor: 'bottom-right' },
      ];
    },
  },
  {
    id: 'picture-whole',
    label: 'Picture behind, card at the foot',
    wantsPicture: true,
    grounds: ['ink'],
    slots: ({ safe, bleed, gap, shape }) => {
      const card = shape === 'wide' ? columns(safe, 0.5, 1) : rows(safe, 0.6, 1);
      const within = inset(card, gap * 1.3);
      const [mark, words] = split(within, 'rows', 0.52, gap);
      return [
        { is: 'picture', box: bleed },
        { is: 'panel', box: card, paint: 'paper' },
        { is: 'mark', box: mark, on: 'paper' },
        { is: 'words', what: 'text', box: words, stands: 'middle', on: 'paper' },
      ];
    },
  },
  {
    id: 'picture-window',
    label: 'Picture in a window',
    wantsPicture: true,
    grounds: ['second', 'paper'],
    slots: ({ safe, gap, shape }) => {
      const [picture, rest] = split(safe, shape === 'wide' ? 'columns' : 'rows', 0.58, gap * 1.6);
      const [head, mark] = split(rest, shape === 'wide' ? 'rows' : 'columns', 0.6, gap);
      return [
        { is: 'picture', box: picture },
        { is: 'words', what: 'heading', box: head, align: 'start', stands: shape === 'wide' ? 'top' : 'middle' },
        { is: 'mark', box: mark, anchor: shape === 'wide' ? 'bottom-left' : 'right' },
      ];
    },
  },
];

const GROUND_WORDS: Readonly<Partial<Record<Role, string>>> = {
  paper: 'on paper',
  lead: 'on the lead color',
  ink: 'on ink',
  second: 'on the second color',
};

/** Every layout that pieces start from: ways to divide, each on its grounds. */
export const PIECE_LAYOUTS: readonly PieceLayout[] = DIVISIONS.flatMap(({ id, label, grounds, wantsPicture, slots }) =>
  grounds.map((ground) => ({
    id: `${id}-${ground}`,
    label: `${label}, ${GROUND_WORDS[ground] ?? `on ${ground}`}`,
    ground,
    wantsPicture: wantsPicture === true,
    slots: (room: Room) => slots(room, ground),
  })),
);
export const pieceLayout = (id: string): PieceLayout | undefined => PIECE_LAYOUTS.find((layout) => layout.id === id);
