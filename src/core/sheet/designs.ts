import type { Role } from '../color';
import type { Bounds } from '../geometry';
import { columns, inset, rows } from '../pieces/layout';
import type { SheetKit } from './kit';

interface Head {
  readonly title: string;
  readonly text: string;
  readonly nth: string;
}
/** How all pages of a sheet are laid out. */
export interface SheetDesign {
  readonly label: string;
  readonly ground: Role;
  /** Draws what every page has, and leaves the room for its content. */
  readonly head: (kit: SheetKit, page: Bounds, unit: number, head: Head) => Bounds;
  readonly cover: (kit: SheetKit, page: Bounds, unit: number, words: Head) => void;
}

const markOf = (kit: SheetKit) => kit.facts.marks[0]?.id;

/** Four designs that take the brand's own colors and faces. */
export const SHEET_DESIGNS = {
  quiet: {
    label: 'Quiet: a title over a rule',
    ground: 'paper',
    head: (kit, page, unit, { title, text, nth }) => {
      const room = inset(page, unit * 8);
      kit.words({ ...room, bottom: room.top + unit * 7, right: room.left + (room.right - room.left) * 0.42 }, title, {
        is: 'heading',
        size: unit * 5,
      });
      kit.words({ ...room, left: room.left + (room.right - room.left) * 0.46, bottom: room.top + unit * 9 }, text, { size: unit * 2 });
      kit.line({ ...room, top: room.top + unit * 10, bottom: room.top + unit * 10 }, unit * 0.2);
      kit.words({ ...room, top: room.bottom + unit * 2, bottom: room.bottom + unit * 5 }, `${kit.facts.name} · ${nth}`, {
        size: unit * 1.6,
      });
      return { ...room, top: room.top + unit * 14, bottom: room.bottom - unit };
    },
    cover: (kit, page, unit, { title, text }) => {
      const room = inset(page, unit * 12);
      const mark = markOf(kit);
      if (mark) kit.mark(inset(rows(room, 0, 0.68), (room.right - room.left) * 0.16, 0), mark);
      kit.words(rows(room, 0.76, 0.88), title, { size: unit * 3.2, align: 'center', stands: 'foot' });
      kit.words(rows(room, 0.9, 1), text, { size: unit * 2, align: 'center' });
    },
  },
  column: {
    label: 'Column: a colored margin',
    ground: 'paper',
    head: (kit, page, unit, { title, text, nth }) => {
      const side = columns(page, 0, 0.24);
      kit.panel(side, { role: 'second' });
      const within = inset(side, unit * 5, unit * 8);
      kit.words(rows(within, 0, 0.24), title, { is: 'heading', size: unit * 4.6, paint: { role: 'ink' } });
      kit.words(rows(within, 0.28, 0.84), text, { size: unit * 2, paint: { role: 'ink' } });
      kit.words(rows(within, 0.92, 1), `${kit.facts.name} · ${nth}`, { size: unit * 1.6, stands: 'foot', paint: { role: 'ink' } });
      return inset(columns(page, 0.24, 1), unit * 8);
    },
    cover: (kit, page, unit, { title, text }) => {
      const side = columns(page, 0, 0.24);
      kit.panel(side, { role: 'lead' });
      const mark = markOf(kit);
      if (mark) kit.mark(inset(columns(page, 0.24, 1), unit * 16), mark);
      kit.words(inset(side, unit * 5, unit * 8), `${title}\n\n${text}`, { size: unit * 2.4, stands: 'foot', paint: { role: 'paper' } });
    },
  },
  band: {
    label: 'Band: the lead color on top',
    ground: 'paper',
    head: (kit, page, unit, { title, text, nth }) => {
      const band = rows(page, 0, 0.2);
      kit.panel(band, { role: 'lead' });
      const within = inset(band, unit * 8, unit * 4);
      kit.words(columns(within, 0, 0.44), title, { is: 'heading', size: unit * 6, stands: 'middle', paint: { role: 'paper' } });
      kit.words(columns(within, 0.5, 1), text, { size: unit * 2, stands: 'middle', paint: { role: 'paper' } });
      const body = rows(page, 0.2, 1);
      kit.words({ ...inset(page, unit * 8), top: page.bottom - unit * 5, bottom: page.bottom - unit * 2 }, `${kit.facts.name} · ${nth}`, {
        size: unit * 1.6,
        align: 'end',
      });
      return inset(body, unit * 8, unit * 7);
    },
    cover: (kit, page, unit, { title, text }) => {
      kit.panel(page, { role: 'lead' });
      const mark = markOf(kit);
      if (mark) kit.mark(inset(rows(page, 0.12, 0.74), unit * 20), mark, { ground: 'lead' });
      kit.words(inset(rows(page, 0.78, 0.96), unit * 8, 0), `${title}\n${text}`, {
        size: unit * 2.4,
        align: 'center',
        paint: { role: 'paper' },
      });
    },
  },
  night: {
    label: 'Night: paper on ink',
    ground: 'paper',
    head: (kit, page, unit, { title, text, nth }) => {
      kit.panel(page, { role: 'ink' });
      const sheet = { ...inset(page, unit * 5), top: page.top + unit * 17 };
      kit.panel(sheet, { role: 'paper' });
      const top = { ...inset(page, unit * 8, unit * 4), bottom: page.top + unit * 15 };
      kit.words(columns(top, 0, 0.42), title, { is: 'heading', size: unit * 5.4, stands: 'middle', paint: { role: 'paper' } });
      kit.words(columns(top, 0.46, 0.9), text, { size: unit * 1.9, stands: 'middle', paint: { role: 'paper' } });
      kit.words(columns(top, 0.92, 1), nth, { size: unit * 1.8, stands: 'middle', align: 'end', paint: { role: 'paper' } });
      return inset(sheet, unit * 5);
    },
    cover: (kit, page, unit, { title, text }) => {
      kit.panel(page, { role: 'ink' });
      const mark = markOf(kit);
      if (mark) kit.mark(inset(rows(page, 0.1, 0.76), unit * 18), mark, { ground: 'ink' });
      kit.words(inset(rows(page, 0.8, 0.95), unit * 8, 0), `${title}\n${text}`, {
        size: unit * 2.4,
        align: 'center',
        paint: { role: 'paper' },
      });
    },
  },
} as const satisfies Readonly<Record<string, SheetDesign>>;
export type SheetDesignName = keyof typeof SHEET_DESIGNS;
export const SHEET_DESIGN_NAMES = Object.keys(SHEET_DESIGNS) as readonly SheetDesignName[];
