import { addables } from './addables';
import type { TableActions } from './keys';
import { partActions } from './part-actions';
import type { Table } from './table.svelte';

/** Anything that can be done on the table, as it is found by its name. */
export interface Findable {
  readonly label: string;
  /** Where it stands otherwise: a menu, a room, the add field. */
  readonly where: string;
  readonly keys?: string;
  readonly words?: readonly string[];
  /** What must be done before; it can be done now where this is missing. */
  readonly wants?: string | undefined;
  readonly act: () => void;
}

/** Everything that keys do, one row where a row of keys stands for two things. */
const KEYED: readonly { readonly label: string; readonly keys: string; readonly part?: true; readonly act: (to: TableActions) => void }[] =
  [
    { label: 'Undo', keys: 'Ctrl Z', act: (to) => to.undo() },
    { label: 'Redo', keys: 'Ctrl Shift Z', act: (to) => to.redo() },
    { label: 'Duplicate', keys: 'Ctrl D', part: true, act: (to) => to.duplicate() },
    { label: 'Remove', keys: 'Delete', part: true, act: (to) => to.remove() },
    { label: 'Rename the part', keys: 'F2', part: true, act: (to) => to.rename() },
    { label: 'Bring forward', keys: 'Alt ↑', part: true, act: (to) => to.step(1) },
    { label: 'Send back', keys: 'Alt ↓', part: true, act: (to) => to.step(-1) },
    { label: 'Bring to the very front', keys: 'Home', part: true, act: (to) => to.toEnd('front') },
    { label: 'Send to the very back', keys: 'End', part: true, act: (to) => to.toEnd('back') },
    { label: 'Go into the letters', keys: 'Enter', part: true, act: (to) => to.letters() },
    { label: 'Choose every part', keys: 'Ctrl A', act: (to) => to.chooseAll() },
    { label: 'Choose nothing', keys: 'Esc', act: (to) => to.deselect() },
    { label: 'Keep a try', keys: 'T', act: (to) => to.keepTry() },
    { label: 'Fit the mark to the stage', keys: '0', act: (to) => to.fit() },
    { label: 'Zoom in', keys: '+', act: (to) => to.zoom(1.25) },
    { label: 'Zoom out', keys: '−', act: (to) => to.zoom(0.8) },
    { label: 'Add anything', keys: '/', act: (to) => to.add() },
    { label: 'All keys', keys: '?', act: (to) => to.help() },
  ];

/**
 * Everything that can be done right now, and what must be done before the rest can be.
 * @param places rooms, dialogs and views, which only the room that shows them knows
 */
export function findables(table: Table, actions: TableActions, places: readonly Findable[]): readonly Findable[] {
  return [
    ...KEYED.map(({ label, keys, part, act }) => ({
      ...{ label, keys, where: '', act: () => act(actions) },
      ...(part && table.chosen.length === 0 ? { wants: 'choose a part first' } : {}),
    })),
    ...partActions(table).map(({ label, menu, wants, act }) => ({ label, where: menu, wants, act })),
    ...places,
    ...addables(table).map(({ label, words, add }) => ({ label, words, where: 'Add', act: add })),
  ];
}
