import { inset } from '../../pieces/layout';
import { cells } from '../kit';
import type { SheetPage } from '../page';

const OTHER_COLORS = [
  { from: { role: 'ink' }, to: { role: 'accent' } },
  { from: { role: 'lead' }, to: { role: 'ink' } },
  { from: { role: 'second' }, to: { role: 'lead' } },
  { from: { role: 'accent' }, to: { role: 'lead' } },
] as const;

/** Real counter-examples, made from the mark itself. */
export const avoid: SheetPage = {
  title: 'Please avoid',
  text: () => 'Each of these is the mark itself with one thing done to it that weakens it.',
  there: ({ marks }) => marks.length > 0,
  draw: (kit, { body, unit }) => {
    const [mark] = kit.facts.marks;
    if (!mark) return;
    const { palette, name } = kit.facts;
    const others = ['ink', 'lead', 'second', 'accent', 'paper'] as const;
    const examples: readonly { readonly says: string; readonly draw: (box: ReturnType<typeof inset>) => void }[] = [
      {
        says: 'Not distorted',
        draw: (box) =>
          kit.mark(box, mark.id, {
            frame: { treatments: [{ kind: 'perspective', id: 't-1', turnDeg: 52, tiltDeg: 0, vanishPercent: 60 }] },
          }),
      },
      {
        says: 'Not in other colors',
        draw: (box) =>
          kit.mark(box, mark.id, {
            repaint: OTHER_COLORS,
          }),
      },
      {
        says: 'Not on a ground that swallows it',
        draw: (box) => {
          kit.panel(inset(box, -unit * 2), { role: 'ink' });
          kit.mark(box, mark.id, {
            repaint: others.map((from) => ({ from: { role: from }, to: { hex: mixed(palette.ink, palette.paper, 0.14) } })),
          });
        },
      },
      {
        says: 'Not crowded',
        draw: (box) => {
          kit.mark(box, mark.id);
          kit.words({ ...box, top: (box.top + box.bottom) / 2 + unit }, `${name} now with twenty percent off, today only`, {
            size: unit * 3.2,
            is: 'heading',
            paint: { role: 'lead' },
          });
        },
      },
      { says: 'Not faint', draw: (box) => kit.mark(box, mark.id, { frame: { opacity: 0.16 } }) },
      {
        says: 'Not turned',
        draw: (box) =>
          kit.mark(inset(box, unit * 1.5), mark.id, {
            frame: { place: { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2, turnDeg: -18 } },
          }),
      },
    ];
    cells(body, 3, 2, unit * 3).forEach((cell, at) => {
      const example = examples[at];
      if (!example) return;
      const frame = { ...cell, bottom: cell.bottom - unit * 5 };
      kit.line(frame, unit * 0.15);
      example.draw(inset(frame, unit * 4));
      kit.line({ left: frame.left, right: frame.right, top: frame.bottom, bottom: frame.bottom }, unit * 0.5, { hex: '#a23b2c' });
      kit.words({ ...cell, top: cell.bottom - unit * 4 }, example.says, { size: unit * 2 });
    });
  },
};

/** A color between two, channel by channel. */
const mixed = (one: string, other: string, share: number): `#${string}` =>
  `#${[1, 3, 5]
    .map((at) =>
      Math.round(Number.parseInt(one.slice(at, at + 2), 16) * (1 - share) + Number.parseInt(other.slice(at, at + 2), 16) * share)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
