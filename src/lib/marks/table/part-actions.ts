import {
  EMPTY_RECIPE,
  lettersOf,
  paintKey,
  paintsIn,
  SYMMETRIES,
  symmetryRow,
  takerOf,
  unite,
  type Bounds,
  type Alignment,
  type CombinationHow,
  type Distribution,
  type KnownPart,
  type Match,
} from '$core/index';
import type { MenuItem } from '$lib/ui/menu-item';
import { keptLook } from './kept-look';
import type { Table } from './table.svelte';

/** What can be done to chosen parts, by menu; one row each. A row is there when it makes sense for what is chosen. */
interface ActionRow {
  readonly menu: 'Arrange' | 'Combine' | 'Repeat';
  readonly label: string;
  /** How many parts it needs. */
  readonly least: number;
  readonly apart?: boolean;
  /** Whether it can be done now, whatever is chosen. */
  readonly ready?: (table: Table) => boolean;
  /** What is missing while it is not ready. */
  readonly lacks?: string;
  readonly act: (table: Table, part: KnownPart) => void;
}

const aligned = (how: Alignment, label: string, apart = false): ActionRow => ({
  menu: 'Arrange',
  label,
  least: 1,
  apart,
  act: (table) => table.arranging.align(how),
});
const spread = (how: Distribution, axis: 'x' | 'y', label: string, apart = false): ActionRow => ({
  menu: 'Arrange',
  label,
  least: 3,
  apart,
  act: (table) => table.arranging.distribute(how, axis),
});
const matched = (how: Match, label: string, apart = false): ActionRow => ({
  menu: 'Arrange',
  label,
  least: 2,
  apart,
  act: (table) => void table.arranging.match(how),
});
const combined = (how: CombinationHow, label: string): ActionRow => ({
  menu: 'Combine',
  label,
  least: 2,
  act: (table) => table.gather(label, 'combination', (id, members) => ({ kind: 'combination', id, members, how })),
});
/** The rest of the mark: all that stands by itself and is not chosen. */
function restOf(table: Table): Bounds | undefined {
  const rest = (table.desk.stage?.parts ?? []).filter(({ id, within }) => !table.isChosen(id) && within === undefined);
  return rest.reduce<Bounds | undefined>((sum, { ink }) => unite(sum, ink), undefined);
}
/** Whether a part is painted with one of the colors that another one is painted with; treatments do not count. */
function inItsColors(part: KnownPart): (each: KnownPart) => boolean {
  const paints = (of: KnownPart) => paintsIn({ ...EMPTY_RECIPE, parts: [{ ...of, treatments: [] }] }).map(paintKey);
  const own = new Set(paints(part));
  return (each) => paints(each).some((key) => own.has(key));
}
const repeats: readonly ActionRow[] = SYMMETRIES.flatMap((rule) =>
  symmetryRow(rule).beginnings.map(({ label, numbers }): ActionRow => ({
    menu: 'Repeat',
    label,
    least: 1,
    act: (table) => {
      const start = numbers({ chosen: table.arranging.box(), rest: restOf(table) });
      table.gather(label, 'symmetry', (id, members) => ({ kind: 'symmetry', id, members, rule, ...start }));
    },
  })),
);

/** Deals the palette's colors to the chosen parts anew, the largest area first. */
async function dressChosen(table: Table): Promise<void> {
  const { recipe } = table.open;
  const ids = table.chosen.map(({ id }) => id);
  const found = await table.desk.about(new Map(table.recipes).set(table.info.id, recipe), table.palette, (draughtsman) =>
    draughtsman.dressedInPalette(table.info.id, ids),
  );
  // What was changed meanwhile is not dressed over.
  if (table.open.recipe !== recipe) return;
  if (found.changed) table.open.commit('Dress in the palette', found.recipe);
  else table.said = 'It is dressed in the palette already.';
}

const rows: readonly ActionRow[] = [
  aligned('left', 'Left edges'),
  aligned('center', 'Centers across'),
  aligned('right', 'Right edges'),
  aligned('top', 'Tops', true),
  aligned('middle', 'Middles'),
  aligned('foot', 'Feet'),
  aligned('optical-center', 'Optical centers across', true),
  aligned('optical-middle', 'Optical middles'),
  spread('gaps', 'x', 'Equal gaps across', true),
  spread('gaps', 'y', 'Equal gaps down'),
  spread('starts', 'x', 'Equal steps of left edges'),
  spread('centers', 'x', 'Equal steps of centers'),
  spread('ends', 'x', 'Equal steps of right edges'),
  spread('starts', 'y', 'Equal steps of tops'),
  spread('centers', 'y', 'Equal steps of middles'),
  spread('ends', 'y', 'Equal steps of feet'),
  { menu: 'Arrange', label: 'Equal gaps between ink, x', least: 3, act: (table) => void table.arranging.evenInk('x') },
  { menu: 'Arrange', label: 'Equal gaps between ink, y', least: 3, act: (table) => void table.arranging.evenInk('y') },
  matched('width', 'Match width', true),
  matched('height', 'Match height'),
  matched('cap-height', 'Match cap height'),
  matched('ink-area', 'Same amount of ink'),
  { menu: 'Arrange', label: 'Rest on a line', least: 1, apart: true, act: (table) => void table.arranging.rest() },
  { menu: 'Arrange', label: 'Flip across', least: 1, act: (table) => table.arranging.flip() },
  { menu: 'Arrange', label: 'Copy look to the others', least: 2, apart: true, act: (table) => table.looks.carry() },
  {
    menu: 'Arrange',
    label: 'Choose all of its kind',
    least: 1,
    apart: true,
    act: (table, part) => table.chooseAlike((each) => each.kind === part.kind),
  },
  { menu: 'Arrange', label: 'Choose all in its color', least: 1, act: (table, part) => table.chooseAlike(inItsColors(part)) },
  { menu: 'Arrange', label: 'Copy look', least: 1, act: (table) => table.looks.copy() },
  { menu: 'Arrange', label: 'Dress in the palette', least: 1, act: (table) => void dressChosen(table) },
  {
    menu: 'Arrange',
    label: 'Paste look',
    least: 1,
    ready: (table) => keptLook(table.palette) !== undefined,
    lacks: 'nothing to paste yet',
    act: (table) => table.looks.paste(),
  },
  {
    menu: 'Combine',
    label: 'Group',
    least: 1,
    act: (table) => table.gather('Group', 'group', (id, members) => ({ kind: 'group', id, members })),
  },
  combined('unite', 'Unite'),
  combined('subtract', 'Subtract from the backmost'),
  combined('intersect', 'Keep what overlaps'),
  combined('exclude', 'Leave out what overlaps'),
  combined('divide', 'Divide the backmost'),
  combined('weave', 'Weave'),
  {
    menu: 'Combine',
    label: 'Clip inside the backmost',
    least: 2,
    act: (table) => table.gather('Inlay', 'inlay', (id, members) => ({ kind: 'inlay', id, members })),
  },
  {
    menu: 'Combine',
    label: 'Symbol and name',
    least: 2,
    act: (table) => {
      // The part that is no lettering is the symbol; of several, the one chosen last.
      const symbol = table.chosen.findLast(({ kind }) => kind !== 'lettering');
      if (symbol) table.gather('Symbol and name', 'lockup', (id, members) => ({ kind: 'lockup', id, members, symbol: symbol.id }));
    },
  },
  {
    ...{ menu: 'Combine', label: 'Into the group beside it', least: 1, apart: true, lacks: 'there is no group beside it' },
    ready: (table) => table.chosen.some((part) => table.groupBehind(part) !== undefined),
    act: (table) => table.regather('in'),
  },
  {
    ...{ menu: 'Combine', label: 'Out of its group', least: 1, lacks: 'it stands by itself' },
    ready: (table) => table.chosen.some(({ id }) => takerOf(table.open.recipe, id) !== undefined),
    act: (table) => table.regather('out'),
  },
  { menu: 'Combine', label: 'Band around', least: 1, apart: true, act: (table) => table.treating.add('Add band', [['outline-band']]) },
  ...repeats,
];

const itemOf = (table: Table, { label, least, apart, ready, act }: ActionRow): MenuItem => ({
  label,
  apart: apart ?? false,
  disabled: table.chosen.length < least || ready?.(table) === false,
  act: () => {
    const part = table.chosen.at(-1);
    if (part) act(table, part);
  },
});

/** The items of one menu for what is chosen now. */
export const menuItems = (menu: ActionRow['menu'], table: Table): readonly MenuItem[] =>
  rows.filter((row) => row.menu === menu).map((row) => itemOf(table, row));

/** What is offered by a right click: what is done most to a part, and how what is chosen can be combined. */
export function offered(table: Table): readonly MenuItem[] {
  const [part] = table.chosen.slice(-1);
  if (!part) return [];
  const item = (label: string, act: () => void, apart = false): MenuItem => ({ label, apart, disabled: false, act });
  return [
    ...(part.kind === 'lettering' && !part.locked
      ? [item('Type here', () => (table.caret = { anchor: 0, focus: lettersOf(part.text).length, put: true }))]
      : []),
    item('Duplicate', () => table.duplicateChosen()),
    item('Rename', () => (table.renaming = part.id)),
    item('Bring to the front', () => table.restack(part, table.parts.length), true),
    item('Send to the back', () => table.restack(part, 0)),
    item(part.hidden ? 'Show' : 'Hide', () => table.change(part.id, part.hidden ? 'Show' : 'Hide', { hidden: !part.hidden })),
    item(part.locked ? 'Unlock' : 'Lock', () => table.change(part.id, part.locked ? 'Unlock' : 'Lock', { locked: !part.locked })),
    ...('members' in part ? [item('Open', () => table.openTaker(part))] : []),
    item('Remove', () => table.removeChosen()),
    // Aligning and repeating stand in menus of their own above the stage, where their names say what they do.
    ...menuItems('Combine', table)
      .filter(({ disabled }) => !disabled)
      .map((each, at) => ({ ...each, apart: at === 0 })),
  ];
}

const COUNTED = ['', 'a part', 'two parts', 'three parts'];
/** All of them, with the menu that they stand in and what they want before they can be done. */
export const partActions = (table: Table): readonly (MenuItem & { readonly menu: string; readonly wants: string | undefined })[] =>
  rows.map((row) => ({
    ...itemOf(table, row),
    menu: row.menu,
    wants: table.chosen.length < row.least ? `choose ${COUNTED[row.least]} first` : row.ready?.(table) === false ? row.lacks : undefined,
  }));
