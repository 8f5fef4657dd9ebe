import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { undoStacks, type RevisionKind } from '$core/index';
import { OpenWork } from '../../../src/lib/client/work/open-work.svelte';
import { workAs } from '../../../src/lib/client/work/who-works';
import type { WorkForm } from '../../../src/lib/client/work/work-form';
import { casesOf } from '../../support/deep';
import { FakeLocks, FakeServer } from '../../support/fake-server';
import fc from '../../support/properties';

const FORM: WorkForm<string> = { field: 'content', read: (input) => String(input), write: (content) => JSON.stringify(content) };

/** One browser: its storage outlives its tabs. */
class Tabs {
  readonly server = new FakeServer();
  readonly tries: string[] = [];
  open: OpenWork<string>[] = [];
  readonly #locks = new FakeLocks();
  readonly #page = new Map<OpenWork<string>, string>();
  #pages = 0;

  constructor() {
    vi.stubGlobal('fetch', this.server.fetch);
    vi.stubGlobal('navigator', { locks: this.#locks });
    vi.stubGlobal(
      'BroadcastChannel',
      class {
        onmessage = null;
        postMessage() {}
      },
    );
    vi.stubGlobal(
      'EventSource',
      class {
        onmessage = null;
      },
    );
  }

  async arrive(): Promise<OpenWork<string>> {
    const { number, content } = this.server.newest;
    const page = (this.#locks.page = `${this.server.subject}/page-${this.#pages++}`);
    const work = new OpenWork<string>(
      {
        subject: this.server.subject,
        address: page,
        content,
        number,
        ...this.server.steps(),
        keepBeside: async (mine) => this.server.reachable && this.tries.push(mine) > 0,
      },
      FORM,
    );
    this.open.push(work);
    this.#page.set(work, page);
    void work.restore();
    await settled();
    return work;
  }
  /** The tab is gone from one moment to the next. */
  async kill(work: OpenWork<string>): Promise<void> {
    const page = this.#page.get(work) ?? '';
    this.open = this.open.filter((each) => each !== work);
    this.server.gone.add(page);
    this.#locks.letGo(page);
    await settled(1);
  }
  /** Everything that was ever on a screen and where it is now. */
  async everything(): Promise<ReadonlySet<string>> {
    const kept = await new Promise<{ content: string }[]>((resolve) => {
      const opening = indexedDB.open('lucky-thistle');
      opening.onsuccess = () => {
        const all = opening.result.transaction('lines').objectStore('lines').getAll();
        all.onsuccess = () => (opening.result.close(), resolve(all.result as { content: string }[]));
      };
    });
    return new Set([
      ...this.server.chain.map(({ content }) => content),
      ...this.tries,
      ...kept.map(({ content }) => content.replace(/^"|"$/g, '')),
    ]);
  }
}

/** Lets writes, answers and what follows from them happen; a second of retries passes at once. */
const settled = async (rounds = 40): Promise<void> => {
  for (let round = 0; round < rounds; round++) {
    await vi.advanceTimersByTimeAsync(500);
    for (let n = 0; n < 4; n++) await new Promise((resolve) => setImmediate(resolve));
  }
};

beforeEach(() => vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval'] }));
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('work in a page', () => {
  it('is saved gesture by gesture, undone and redone', async () => {
    const tabs = new Tabs();
    const work = await tabs.arrive();
    for (const text of ['a', 'b', 'c']) work.commit('Type', text);
    work.undo();
    await settled();
    expect(tabs.server.chain.map(({ kind, content }) => [kind, content])).toEqual([
      ['edit', 'start'],
      ['edit', 'a'],
      ['edit', 'b'],
      ['edit', 'c'],
      ['undo', 'b'],
    ]);
    expect([work.save.kind, work.content, work.past.length, work.future.length]).toEqual(['saved', 'b', 2, 1]);
  });

  it('that somebody left unsaved waits for them in this browser, and is never saved by who signs in next', async () => {
    const tabs = new Tabs();
    workAs({ person: 'ada', looksOnly: false });
    const hers = await tabs.arrive();
    tabs.server.reachable = false;
    hers.commit('Type', 'hers');
    await settled();
    await tabs.kill(hers);
    tabs.server.reachable = true;
    workAs({ person: 'bo', looksOnly: false });
    const his = await tabs.arrive();
    his.commit('Type', 'his');
    await settled();
    expect([his.content, tabs.server.chain.map(({ content }) => content)]).toEqual(['his', ['start', 'his']]);
    expect(await tabs.everything()).toContain('hers');
    await tabs.kill(his);
    workAs({ person: 'ada', looksOnly: false });
    await tabs.arrive();
    await settled();
    // Now it is hers to go on with, or to keep beside what was saved meanwhile.
    expect([...tabs.tries, ...tabs.server.chain.map(({ content }) => content), tabs.open.at(-1)?.content]).toContain('hers');
    workAs({ looksOnly: false });
  });

  it('that a tab could not save is shown by the next one and saved; what was saved without an answer is not saved twice', async () => {
    const tabs = new Tabs();
    const work = await tabs.arrive();
    tabs.server.loseAnswers = true;
    work.commit('Type', 'saved, answer lost');
    await settled();
    tabs.server.reachable = false;
    work.commit('Type', 'never sent');
    await settled();
    expect(work.save.kind).toBe('waiting');
    expect(work.kept).toBe(true);
    await tabs.kill(work);
    Object.assign(tabs.server, { reachable: true, loseAnswers: false });
    const next = await tabs.arrive();
    expect([next.content, next.save.kind]).toEqual(['never sent', 'saved']);
    expect(tabs.server.chain.map(({ content }) => content)).toEqual(['start', 'saved, answer lost', 'never sent']);
  });

  it('of two tabs, both closed without a server, all comes back: one in the work, one beside it', async () => {
    const tabs = new Tabs();
    const [one, two] = [await tabs.arrive(), await tabs.arrive()];
    tabs.server.reachable = false;
    one.commit('Type', 'mine');
    two.commit('Type', 'yours');
    await tabs.kill(one);
    await tabs.kill(two);
    tabs.server.reachable = true;
    const next = await tabs.arrive();
    expect(new Set([next.content, ...tabs.tries])).toEqual(new Set(['mine', 'yours']));
    expect(next.news).toContain('kept beside');
    // Whoever comes next finds nothing left over.
    await tabs.kill(next);
    await tabs.arrive();
    expect(tabs.tries).toHaveLength(1);
  });

  it('of two tabs with several gestures each comes back gesture by gesture', async () => {
    const tabs = new Tabs();
    const [one, two] = [await tabs.arrive(), await tabs.arrive()];
    tabs.server.reachable = false;
    for (const text of ['one a', 'one b', 'one c']) one.commit('Type', text);
    for (const text of ['two a', 'two b']) two.commit('Type', text);
    await tabs.kill(one);
    await tabs.kill(two);
    tabs.server.reachable = true;
    const next = await tabs.arrive();
    expect(next.save.kind).toBe('saved');
    const onServer = new Set([...tabs.server.chain.map(({ content }) => content), ...tabs.tries]);
    expect([...onServer].sort()).toEqual(['one a', 'one b', 'one c', 'start', 'two a', 'two b']);
    expect([next.content, tabs.tries].flat().sort()).toEqual(['one c', 'two b']);
    expect(tabs.server.newest.content).toBe(next.content);
  });

  it.each([
    ['mine', 'keepMine', 'mine', []],
    ['the newer one', 'takeTheirs', 'theirs', ['mine']],
  ] as const)('left offline while the work moved on: going on with %s loses neither', async (_, choose, shown, beside) => {
    const tabs = new Tabs();
    const work = await tabs.arrive();
    tabs.server.reachable = false;
    work.commit('Type', 'mine');
    await tabs.kill(work);
    tabs.server.reachable = true;
    tabs.server.save('theirs');
    const next = await tabs.arrive();
    expect([next.save.kind, next.content]).toEqual(['conflict', 'mine']);
    await next[choose]();
    await settled();
    expect(next.past.map(({ content }) => content)).toEqual(choose === 'keepMine' ? ['theirs'] : ['theirs', 'mine']);
    expect([next.save.kind, next.content, tabs.tries]).toEqual(['saved', shown, beside]);
    expect(tabs.server.newest.content).toBe(shown);
    expect([...(await tabs.everything())]).toEqual(expect.arrayContaining(['mine', 'theirs']));
  });

  it('that is refused stands aside; the rest is saved, and undo gets out of it', async () => {
    const tabs = new Tabs();
    const work = await tabs.arrive();
    tabs.server.refuses = (content) => content.includes('too large');
    tabs.server.reachable = false;
    for (const text of ['a', 'b too large', 'c']) work.commit('Type', text);
    tabs.server.reachable = true;
    await settled();
    expect(tabs.server.chain.map(({ content }) => content)).toEqual(['start', 'a', 'c']);
    expect(work.refused).toBeUndefined();
    work.commit('Type', 'd too large');
    await settled();
    expect(work.refused?.count).toBe(1);
    expect(await tabs.everything()).toContain('d too large');
    work.undo();
    await settled();
    expect([work.refused, tabs.server.newest.content, work.save.kind]).toEqual([undefined, 'c', 'saved']);
  });

  it.each([401, 403] as const)('waits while its maker is turned away (%i), and is saved once they are let in again', async (status) => {
    const tabs = new Tabs();
    const work = await tabs.arrive();
    tabs.server.turnsAway = status;
    for (const text of ['a', 'b']) work.commit('Type', text);
    await settled();
    expect([work.save.kind, work.refused, work.content]).toEqual(['waiting', undefined, 'b']);
    expect([...(await tabs.everything())]).toEqual(expect.arrayContaining(['a', 'b']));
    tabs.server.turnsAway = undefined;
    await settled();
    expect(tabs.server.chain.map(({ content }) => content)).toEqual(['start', 'a', 'b']);
    expect(work.save.kind).toBe('saved');
  });

  it('of whoever may only look changes nothing, keeps nothing and says so; what others left waits for them', async () => {
    const tabs = new Tabs();
    const before = await tabs.arrive();
    tabs.server.reachable = false;
    before.commit('Type', 'left here');
    await settled();
    await tabs.kill(before);
    tabs.server.reachable = true;
    workAs({ looksOnly: true });
    const work = await tabs.arrive();
    expect(work.content).toBe('start');
    work.preview('dragged');
    work.commit('Type', 'dragged');
    work.undo();
    work.redo();
    await settled();
    expect([work.content, work.unsaved, work.past.length]).toEqual(['start', false, 0]);
    expect(work.news).toContain('nothing was changed');
    expect(tabs.server.chain).toHaveLength(1);
    workAs({ looksOnly: false });
    const after = await tabs.arrive();
    expect(after.content).toBe('left here');
  });

  it('damaged in the journal, or written by a newer version, is left as it is and said; the rest comes back', async () => {
    const tabs = new Tabs();
    const work = await tabs.arrive();
    tabs.server.reachable = false;
    for (const text of ['a', 'b']) work.commit('Type', text);
    await tabs.kill(work);
    await damage((line, index) => (index === 0 ? { ...line, version: 9 } : { ...line, content: '{' }));
    tabs.server.reachable = true;
    const next = await tabs.arrive();
    expect([next.content, next.save.kind]).toEqual(['start', 'saved']);
    expect(next.news).toContain('2 unsaved changes');
    expect((await tabs.everything()).size).toBeGreaterThan(0);
    await damage(() => undefined);
  });

  it('says so when the browser keeps nothing, and saves all the same', async () => {
    const tabs = new Tabs();
    const work = await tabs.arrive();
    const put = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    tabs.server.reachable = false;
    work.commit('Type', 'a');
    await settled();
    expect([work.save.kind, work.kept]).toEqual(['waiting', false]);
    put.mockRestore();
    tabs.server.reachable = true;
    await settled();
    expect([work.save.kind, tabs.server.newest.content]).toEqual(['saved', 'a']);
  });

  it('drains a backlog of any size', async () => {
    const tabs = new Tabs();
    const work = await tabs.arrive();
    tabs.server.reachable = false;
    for (let n = 0; n < 230; n++) work.commit('Type', `${n} ${'x'.repeat(31_000)}`);
    tabs.server.reachable = true;
    await settled();
    expect([tabs.server.chain.length, work.save.kind]).toEqual([231, 'saved']);
    expect(tabs.server.largest).toBeLessThan(7 * 1024 * 1024);
  });
});

/** Changes the lines of the journal by hand. */
const damage = (change: (line: object, index: number) => object | undefined) =>
  new Promise<void>((resolve) => {
    const opening = indexedDB.open('lucky-thistle');
    opening.onsuccess = () => {
      const tx = opening.result.transaction('lines', 'readwrite');
      const store = tx.objectStore('lines');
      store.getAll().onsuccess = (event) => {
        store.clear();
        for (const [index, line] of (event.target as IDBRequest<object[]>).result.entries()) {
          const changed = change(line, index);
          if (changed) store.put(changed);
        }
      };
      tx.oncomplete = () => (opening.result.close(), resolve());
    };
  });

describe('accidents', () => {
  const acts = fc.constantFrom(
    'edit',
    'edit',
    'edit',
    'undo',
    'redo',
    'arrive',
    'kill',
    'offline',
    'online',
    'lose',
    'elsewhere',
    'mine',
    'theirs',
  );
  it('in any order leave every gesture that was on the screen in the work, beside it, or in the journal', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(fc.tuple(acts, fc.nat(2)), { minLength: 5, maxLength: 40 }), async (story) => {
        const tabs = new Tabs();
        const onScreen = new Set<string>();
        await tabs.arrive();
        for (const [index, [act, which]] of story.entries()) {
          const work = tabs.open[which % Math.max(1, tabs.open.length)];
          if (act === 'arrive' && tabs.open.length < 3 && tabs.server.reachable) await tabs.arrive();
          else if (act === 'offline') tabs.server.reachable = false;
          else if (act === 'online') Object.assign(tabs.server, { reachable: true, loseAnswers: false });
          else if (act === 'lose') tabs.server.loseAnswers = true;
          else if (act === 'elsewhere') tabs.server.save(`elsewhere ${index}`);
          else if (!work) continue;
          else if (act === 'edit') {
            work.commit('Type', `edit ${index}`);
            onScreen.add(`edit ${index}`);
          } else if (act === 'undo') work.undo();
          else if (act === 'redo') work.redo();
          else if (act === 'mine') work.keepMine();
          else if (act === 'theirs') void work.takeTheirs();
          else if (act === 'kill') await tabs.kill(work);
          if (which > 0) await settled();
        }
        Object.assign(tabs.server, { reachable: true, loseAnswers: false });
        for (const work of [...tabs.open]) await tabs.kill(work);
        // Tomorrow somebody opens it again: what was left is taken up, or stays where it is.
        await tabs.arrive();
        const everything = await tabs.everything();
        expect([...onScreen].filter((text) => !everything.has(text))).toEqual([]);
        // The chain reads back as one run of undo and redo.
        const chain = tabs.server.chain.map(({ kind }, at) => ({ number: at + 1, kind: kind as RevisionKind }));
        expect(undoStacks(chain).past.every((number) => number >= 1)).toBe(true);
        await damage(() => undefined);
        // Pages that are gone would go on trying to save, in every story after this one.
        vi.clearAllTimers();
      }),
      { numRuns: casesOf({ inFull: 2000, sample: 500 }), seed: process.env['SEED'] ? Number(process.env['SEED']) : 20_261_126 },
    );
  });
});
