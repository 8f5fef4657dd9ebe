import { meantBy, ownKeys } from './own-keys';

/** What the keys of the table do. One row each; `?` lists them, and nothing else answers keys there. */
export interface TableActions {
  readonly undo: () => void;
  readonly redo: () => void;
  readonly duplicate: () => void;
  readonly remove: () => void;
  readonly nudge: (x: number, y: number, end: boolean) => void;
  readonly step: (by: number) => void;
  readonly selectNext: (by: number) => void;
  readonly deselect: () => void;
  readonly add: () => void;
  readonly fit: () => void;
  readonly zoom: (factor: number) => void;
  readonly help: () => void;
  /** Finds anything that can be done by its name. */
  readonly find: () => void;
  /** Goes into the letters of the selected lettering. */
  readonly letters: () => void;
  /** Goes from letter to letter. */
  readonly nextLetter: (by: number) => void;
  /** Closes or opens the gap after the letter in hand, in 1/1000 em. */
  readonly gap: (by: number) => void;
  readonly turnLetter: (byDeg: number) => void;
  readonly flipLetter: () => void;
  readonly keepTry: () => void;
  readonly group: () => void;
  readonly chooseAll: () => void;
  readonly rename: () => void;
  readonly toEnd: (end: 'front' | 'back') => void;
  /** Into the group beside it, or out of its own. */
  readonly regather: (way: 'in' | 'out') => void;
}

/** What of a pressed key counts. */
export type Stroke = Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'altKey' | 'shiftKey'>;

export interface KeyRow {
  readonly keys: string;
  readonly does: string;
  /** Letters and signs that stand alone in it; each can be given another key. */
  readonly signs?: readonly string[];
  /** Whether it works where text is typed, too. */
  readonly everywhere?: true;
  readonly matches: (stroke: Stroke) => boolean;
  readonly act: (actions: TableActions, stroke: Stroke) => void;
}

const command = (event: Stroke) => event.ctrlKey || event.metaKey;
const plain = (event: Stroke, ...keys: readonly string[]) => !command(event) && !event.altKey && keys.includes(event.key);
const commanded = (event: Stroke, key: string, shift: boolean) =>
  command(event) && event.shiftKey === shift && event.key.toLowerCase() === key;
const withAlt = (event: Stroke, ...keys: readonly string[]) => event.altKey && !command(event) && keys.includes(event.key);
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

export const keyRows: readonly KeyRow[] = [
  { keys: 'Ctrl Z', everywhere: true, does: 'Undo', matches: (event) => commanded(event, 'z', false), act: (to) => to.undo() },
  {
    keys: 'Ctrl Shift Z, Ctrl Y',
    everywhere: true,
    does: 'Redo',
    matches: (event) => commanded(event, 'z', true) || commanded(event, 'y', false),
    act: (to) => to.redo(),
  },
  { keys: 'Ctrl D', does: 'Duplicate the selected part', matches: (event) => commanded(event, 'd', false), act: (to) => to.duplicate() },
  { keys: 'Ctrl G', does: 'Group what is chosen', matches: (event) => commanded(event, 'g', false), act: (to) => to.group() },
  { keys: 'Ctrl A', does: 'Choose every part', matches: (event) => commanded(event, 'a', false), act: (to) => to.chooseAll() },
  {
    keys: 'Delete',
    does: 'Remove the letter in hand, else what is chosen',
    matches: (event) => plain(event, 'Delete', 'Backspace'),
    act: (to) => to.remove(),
  },
  {
    keys: 'Arrows',
    does: 'Move the part by 1 px or the letter by 5 ‰; with Shift ten times as far',
    matches: (event) => plain(event, ...Object.keys(ARROWS)),
    act: (to, event) => {
      const [x, y] = ARROWS[event.key] ?? [0, 0];
      to.nudge(x * (event.shiftKey ? 10 : 1), y * (event.shiftKey ? 10 : 1), false);
    },
  },
  {
    keys: 'Alt ↑ ↓',
    does: 'Bring forward, send back',
    matches: (event) => withAlt(event, 'ArrowUp', 'ArrowDown'),
    act: (to, event) => to.step(event.key === 'ArrowUp' ? 1 : -1),
  },
  {
    keys: '[ ]',
    signs: ['[', ']'],
    does: 'Select the part behind, in front',
    matches: (event) => plain(event, '[', ']'),
    act: (to, event) => to.selectNext(event.key === ']' ? 1 : -1),
  },
  { keys: 'F2', does: 'Rename the part', matches: (event) => plain(event, 'F2'), act: (to) => to.rename() },
  {
    keys: 'Home, End',
    does: 'Bring to the very front, send to the very back',
    matches: (event) => !event.shiftKey && plain(event, 'Home', 'End'),
    act: (to, event) => to.toEnd(event.key === 'Home' ? 'front' : 'back'),
  },
  {
    keys: 'Shift Home, End',
    does: 'Bring out of its group, into the group beside it',
    matches: (stroke) => stroke.shiftKey && plain(stroke, 'Home', 'End'),
    act: (to, stroke) => to.regather(stroke.key === 'Home' ? 'out' : 'in'),
  },
  { keys: 'Enter', does: 'Go into the letters', matches: (event) => plain(event, 'Enter'), act: (to) => to.letters() },
  {
    keys: ', .',
    signs: [',', '.'],
    does: 'The letter before, after',
    matches: (event) => plain(event, ',', '.'),
    act: (to, event) => to.nextLetter(event.key === '.' ? 1 : -1),
  },
  {
    keys: 'Alt ← →',
    does: 'Close, open the gap after the letter by 5 ‰; with Shift by 50',
    matches: (event) => withAlt(event, 'ArrowLeft', 'ArrowRight'),
    act: (to, event) => to.gap((event.key === 'ArrowRight' ? 5 : -5) * (event.shiftKey ? 10 : 1)),
  },
  {
    keys: '< >',
    signs: ['<', '>'],
    does: 'Turn the letter by 1°',
    matches: (event) => plain(event, '<', '>'),
    act: (to, event) => to.turnLetter(event.key === '>' ? 1 : -1),
  },
  { keys: 'F', signs: ['f'], does: 'Flip the letter across', matches: (event) => plain(event, 'f', 'F'), act: (to) => to.flipLetter() },
  { keys: 'T', signs: ['t'], does: 'Keep a try', matches: (event) => plain(event, 't', 'T'), act: (to) => to.keepTry() },
  { keys: 'Esc', does: 'Let go of the letter, of the part', matches: (event) => plain(event, 'Escape'), act: (to) => to.deselect() },
  { keys: '/', signs: ['/'], does: 'Add anything', matches: (event) => plain(event, '/'), act: (to) => to.add() },
  { keys: '0', signs: ['0'], does: 'Fit the mark to the stage', matches: (event) => plain(event, '0'), act: (to) => to.fit() },
  {
    keys: '+ −',
    signs: ['+', '-'],
    does: 'Zoom',
    matches: (event) => plain(event, '+', '=', '-'),
    act: (to, event) => to.zoom(event.key === '-' ? 0.8 : 1.25),
  },
  { keys: 'Ctrl K', everywhere: true, does: 'Find an action', matches: (event) => commanded(event, 'k', false), act: (to) => to.find() },
  { keys: '?', does: 'All keys', matches: (event) => plain(event, '?'), act: (to) => to.help() },
];

/** Every letter and sign that the table answers to. */
export const SIGNS: readonly string[] = keyRows.flatMap(({ signs }) => signs ?? []);

/** Keys that the browser turns into events of their own; listed with the others. */
export const clipboardRows = [
  { keys: 'Ctrl C, Ctrl X', does: 'Copy, cut the selected part' },
  { keys: 'Ctrl V', does: 'Paste, from this or any other mark or brand' },
] as const;

/** Inputs into which text is typed; all others are pressed. */
const PRESSED = /^(radio|checkbox|range|color|button|submit|reset|file|image)$/;
const ARROW = /^Arrow/;
/** What a control that holds no text does with a key itself. */
const KEPT_BY: Readonly<Record<string, (key: string) => boolean>> = {
  radio: (key) => ARROW.test(key) || key === ' ',
  range: (key) => ARROW.test(key) || /^(Home|End|PageUp|PageDown)$/.test(key),
  checkbox: (key) => key === ' ',
};

/** Whether keys write where the caret stands, or choose from a list, rather than work on the table. */
export const isTyping = (target: EventTarget | null): boolean => {
  const element = target as Partial<HTMLInputElement> | null;
  if (element?.isContentEditable === true || /^(TEXTAREA|SELECT)$/.test(element?.tagName ?? '')) return true;
  return element?.tagName === 'INPUT' && !PRESSED.test(element.type ?? 'text');
};

/** Whether what has the focus does something of its own with a key. */
const keeps = ({ key, target }: KeyboardEvent): boolean => {
  const element = target as Partial<HTMLInputElement> | null;
  if (/^(BUTTON|A|SUMMARY)$/.test(element?.tagName ?? '') || element?.type === 'button') return key === 'Enter' || key === ' ';
  return element?.tagName === 'INPUT' && (KEPT_BY[element.type ?? '']?.(key) ?? (PRESSED.test(element.type ?? '') && key === 'Enter'));
};

const OFF = 'lucky-thistle/single-keys-off';
/** Whether keys that are one letter or sign work on the table; whoever speaks to the computer may switch them off. @source WCAG 2.2, 2.1.4 */
export const singleKeys = {
  get on(): boolean {
    try {
      return localStorage.getItem(OFF) === null;
    } catch {
      return true;
    }
  },
  set on(on: boolean) {
    try {
      if (on) localStorage.removeItem(OFF);
      else localStorage.setItem(OFF, '1');
    } catch {
      // Without storage they work as ever.
    }
  },
};
const isSingle = (event: Stroke): boolean => event.key.length === 1 && !command(event) && !event.altKey;

/** Undo, redo and the list of actions work everywhere on the table; the other keys wherever no text is typed. */
export function answerKey(event: KeyboardEvent, actions: TableActions): void {
  const { ctrlKey, metaKey, altKey, shiftKey } = event;
  const key = isSingle(event) ? meantBy(event.key, ownKeys()) : event.key;
  if (key === undefined) return;
  const stroke: Stroke = { key, ctrlKey, metaKey, altKey, shiftKey };
  const row = keyRows.find(({ matches }) => matches(stroke));
  if (!row || event.defaultPrevented || keeps(event)) return;
  if (isTyping(event.target) && !row.everywhere) return;
  if (isSingle(event) && key !== '?' && !singleKeys.on) return;
  // What is open over the table has its keys to itself.
  if ((event.target as HTMLElement | null)?.closest?.('dialog, [role="dialog"], [popover]')) return;
  // So has a dialog that lies over all, wherever the focus went when the one before it closed.
  if (globalThis.document?.querySelector('dialog:modal')) return;
  event.preventDefault();
  row.act(actions, stroke);
}
