import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { withChanges, type Recipe, type RecipeChanges } from '$core/index';
import { OpenMark } from '../../../src/lib/client/work/open-mark.svelte';
import { FakeLocks } from '../../support/fake-server';
import { randomMark } from '../../support/random-marks';

interface Sent {
  readonly id: string;
  readonly recipe?: unknown;
  readonly after?: string;
  readonly changes?: RecipeChanges;
}

/** A server that keeps whole recipes and reads changes, as ours does; one may ask it not to. */
class Server {
  number = 1;
  readonly bodies: Sent[][] = [];
  readonly kept = new Map<string, unknown>();
  readsChanges = true;
  reachable = true;
  moved = false;

  readonly fetch = async (_address: string, { method, body = '' }: { method: string; body?: string }): Promise<Response> => {
    await Promise.resolve();
    if (!this.reachable) throw new TypeError('unreachable');
    if (method === 'GET') return Response.json({ known: {} });
    const { gestures } = JSON.parse(body) as { gestures: Sent[] };
    this.bodies.push(gestures);
    if (this.moved) {
      this.moved = false;
      this.number++;
      return Response.json({ problems: [], current: { revision: this.number, recipe: { version: 5, parts: [] } } }, { status: 409 });
    }
    const fresh = new Map(this.kept);
    for (const { id, recipe, after = '', changes } of gestures) {
      const whole = changes && this.readsChanges ? withChanges(fresh.get(after), changes) : recipe;
      if (whole === undefined) return Response.json({ problems: [{ code: 'not-its-changes', message: 'No.' }] }, { status: 422 });
      fresh.set(id, whole);
    }
    for (const [id, whole] of fresh) this.kept.set(id, whole);
    this.number += gestures.length;
    return Response.json({ revision: this.number, savedAt: new Date(0).toISOString() });
  };
  get newest(): unknown {
    return [...this.kept.values()].at(-1);
  }
  get ways(): string[] {
    return this.bodies.map((gestures) => gestures.map(({ changes }) => (changes ? 'changes' : 'whole')).join(' '));
  }
}

let server: Server;
beforeEach(() => {
  server = new Server();
  vi.stubGlobal('fetch', server.fetch);
  vi.stubGlobal('navigator', { locks: new FakeLocks() });
});
afterEach(() => vi.unstubAllGlobals());

let subjects = 0;
const start = randomMark(11);
const opened = () => new OpenMark({ subject: `mark:told-${subjects++}`, address: '/revisions', content: start, number: 1 });
const shifted = (recipe: Recipe, x: number): Recipe => ({
  ...recipe,
  parts: recipe.parts.map((part, at) => (at === 0 && part.kind === 'shape' ? { ...part, place: { ...part.place, x } } : part)),
});
const stored = (recipe: Recipe): unknown => JSON.parse(JSON.stringify({ version: recipe.version, parts: recipe.parts }));
const saved = (mark: OpenMark, times: number) =>
  vi.waitFor(() => {
    expect([mark.save.kind, server.bodies.length]).toEqual(['saved', times]);
  });

describe('what a page sends of a mark', () => {
  it('is whole at first, then what has changed', async () => {
    const mark = opened();
    for (const [n, x] of [11, 22, 33].entries()) {
      mark.commit('Move', shifted(mark.recipe, x));
      await saved(mark, n + 1);
    }
    mark.undo();
    await saved(mark, 4);
    expect(server.ways).toEqual(['whole', 'changes', 'changes', 'changes']);
    expect(server.bodies[1]?.[0]?.changes?.parts).toHaveLength(1);
    expect(server.newest).toEqual(stored(shifted(start, 22)));
  });

  it('is told from one gesture to the next where several wait', async () => {
    const mark = opened();
    server.reachable = false;
    for (const x of [1, 2, 3]) mark.commit('Move', shifted(mark.recipe, x));
    server.reachable = true;
    await vi.waitFor(() => expect(mark.save.kind).toBe('saved'), 5000);
    expect(server.ways.flatMap((way) => way.split(' '))).toEqual(['whole', 'changes', 'changes']);
    expect(server.newest).toEqual(stored(shifted(start, 3)));
  });

  it('is whole again where the server cannot read changes, or has something else: nothing is set aside', async () => {
    const mark = opened();
    mark.commit('Move', shifted(mark.recipe, 5));
    await saved(mark, 1);
    server.readsChanges = false;
    mark.commit('Move', shifted(mark.recipe, 6));
    await saved(mark, 3);
    expect(server.ways).toEqual(['whole', 'changes', 'whole']);
    expect(mark.refused).toBeUndefined();
    server.readsChanges = true;
    server.kept.clear();
    mark.commit('Move', shifted(mark.recipe, 7));
    await saved(mark, 5);
    expect(server.ways.slice(3)).toEqual(['changes', 'whole']);
    expect(server.newest).toEqual(stored(shifted(start, 7)));
  });

  it('is whole on top of somebody else’s version', async () => {
    const mark = opened();
    mark.commit('Move', shifted(mark.recipe, 5));
    await saved(mark, 1);
    server.moved = true;
    mark.commit('Move', shifted(mark.recipe, 6));
    await vi.waitFor(() => expect(mark.save.kind).toBe('conflict'));
    mark.keepMine();
    await saved(mark, 3);
    expect(server.ways).toEqual(['whole', 'changes', 'whole']);
    expect(server.newest).toEqual(stored(shifted(start, 6)));
  });
});
