import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { answerKey, keyRows, SIGNS, type TableActions } from '../../src/lib/marks/table/keys';
import { giveKey, ownKeys } from '../../src/lib/marks/table/own-keys';

/** What the table did for a key. */
function did(
  key: string,
  more: Partial<Record<'ctrlKey' | 'shiftKey' | 'altKey' | 'metaKey', boolean>> = {},
  target: unknown = null,
): string[] {
  const log: string[] = [];
  const actions = new Proxy({} as TableActions, {
    get:
      (_, name) =>
      (...values: unknown[]) =>
        void log.push([String(name), ...values].join(' ')),
  });
  let prevented = false;
  const event = {
    key,
    ctrlKey: false,
    shiftKey: false,
    altKey: false,
    metaKey: false,
    defaultPrevented: false,
    target,
    preventDefault: () => (prevented = true),
    ...more,
  };
  answerKey(event as unknown as KeyboardEvent, actions);
  expect(prevented).toBe(log.length > 0);
  return log;
}

describe('keys of the table', () => {
  it.each([
    ['z', { ctrlKey: true }, 'undo'],
    ['z', { metaKey: true }, 'undo'],
    ['Z', { ctrlKey: true, shiftKey: true }, 'redo'],
    ['y', { ctrlKey: true }, 'redo'],
    ['d', { ctrlKey: true }, 'duplicate'],
    ['Delete', {}, 'remove'],
    ['Backspace', {}, 'remove'],
    ['ArrowLeft', {}, 'nudge -1 0 false'],
    ['ArrowDown', { shiftKey: true }, 'nudge 0 10 false'],
    ['ArrowUp', { altKey: true }, 'step 1'],
    [']', {}, 'selectNext 1'],
    ['Escape', {}, 'deselect'],
    ['/', {}, 'add'],
    ['0', {}, 'fit'],
    ['+', {}, 'zoom 1.25'],
    ['?', { shiftKey: true }, 'help'],
  ])('%s with %j does “%s”', (key, more, action) => expect(did(key, more)).toEqual([action]));

  it('leaves other keys to the browser', () => {
    for (const [key, more] of [
      ['a', {}],
      ['r', { ctrlKey: true }],
      ['Tab', {}],
      ['F5', {}],
      ['ArrowUp', { ctrlKey: true }],
    ] as const)
      expect(did(key, more)).toEqual([]);
  });

  it('leaves the caret’s own keys to a field, but undoes from anywhere', () => {
    const field = { tagName: 'INPUT' };
    expect(did('Delete', {}, field)).toEqual([]);
    expect(did('ArrowLeft', {}, field)).toEqual([]);
    expect(did('0', {}, field)).toEqual([]);
    expect(did('z', { ctrlKey: true }, field)).toEqual(['undo']);
    expect(did('Delete', {}, { tagName: 'BUTTON' })).toEqual(['remove']);
  });

  it('answers nothing while a dialog is open', () => {
    expect(did('Delete', {}, { tagName: 'BUTTON', closest: () => ({}) })).toEqual([]);
  });

  it('lists every key once, with what it does', () => {
    expect(new Set(keyRows.map(({ keys }) => keys)).size).toBe(keyRows.length);
    for (const { does } of keyRows) expect(does).toMatch(/^[A-Z]/);
  });
});

describe('keys of one letter', () => {
  const kept = new Map<string, string>();
  beforeEach(() =>
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => kept.set(key, value),
    }),
  );
  afterEach(() => {
    vi.unstubAllGlobals();
    kept.clear();
  });

  it('can be given another key; the one before does nothing then', () => {
    expect(giveKey('t', 'q', SIGNS)).toBeUndefined();
    expect([did('q'), did('Q', { shiftKey: true }), did('t')]).toEqual([['keepTry'], ['keepTry'], []]);
    // What is done with it, where one row has two signs, goes along.
    expect(giveKey('-', 'o', SIGNS)).toBeUndefined();
    expect([did('o'), did('+')]).toEqual([['zoom 0.8'], ['zoom 1.25']]);
    expect(did('z', { ctrlKey: true })).toEqual(['undo']);
  });

  it('can change places, and be given back', () => {
    giveKey('t', 'q', SIGNS);
    expect(giveKey('f', 't', SIGNS)).toBeUndefined();
    expect([did('t'), did('q')]).toEqual([['flipLetter'], ['keepTry']]);
    giveKey('f', 'f', SIGNS);
    giveKey('t', 't', SIGNS);
    expect(ownKeys()).toEqual({});
    expect([did('t'), did('f')]).toEqual([['keepTry'], ['flipLetter']]);
  });

  it('never do two things: a key that is taken, and the space bar, are refused with a sentence', () => {
    expect(giveKey('t', 'F', SIGNS)).toBe('“F” does something else already.');
    expect(giveKey('t', ' ', SIGNS)).toContain('space bar');
    expect(did('f')).toEqual(['flipLetter']);
  });

  it('are the table’s own where what was kept is not understood', () => {
    for (const odd of ['{', '7', 'null', '["q"]', '{"t":7}', '{"t":"long"}']) {
      kept.set('lucky-thistle/own-keys', odd);
      expect(did('t'), odd).toEqual(['keepTry']);
    }
  });
});
