import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { expect as valueOf, parseRecipe, STARTING_PALETTE, type Recipe, type ScreenPicture } from '$core/index';
import { forgetPictures, KeptPictures } from '../../src/lib/client/kept-pictures';
import { nameRecipe } from '../support/api';

/** The little of the Cache API that pages use. @source W3C Service Workers, "Cache" */
class FakeCache {
  readonly kept = new Map<string, string>();
  full = false;
  match = (address: string) => Promise.resolve(this.kept.has(address) ? new Response(this.kept.get(address)) : undefined);
  put = async (address: string, response: Response) => {
    if (this.full) throw new DOMException('full', 'QuotaExceededError');
    this.kept.set(address, await response.text());
  };
  keys = () => Promise.resolve([...this.kept.keys()]);
  delete = (address: string) => Promise.resolve(this.kept.delete(address));
}

let cache: FakeCache;
beforeEach(() => {
  cache = new FakeCache();
  vi.stubGlobal('location', { origin: 'http://studio' });
  vi.stubGlobal('caches', {
    open: () => Promise.resolve(cache),
    delete: () => {
      cache.kept.clear();
      return Promise.resolve(true);
    },
  });
});
afterEach(() => vi.unstubAllGlobals());

const recipe = (text: string): Recipe => valueOf(parseRecipe(nameRecipe(text)));
const follower = valueOf(
  parseRecipe({ version: 1, parts: [{ kind: 'linked', id: 'l', from: { mark: '6f1c1f6e-8e4e-4a51-9a37-0a4ed0dbd0c1', part: 'name' } }] }),
);
const picture = (name: string) =>
  ({ groups: [{ id: name, attributes: {}, pieces: ['<path/>'] }], ink: undefined, parts: [] }) as ScreenPicture;
const order = (of: Recipe, more: object = {}) => ({
  markId: 'm',
  dressing: 'full' as const,
  prefix: 'm-',
  palette: STARTING_PALETTE,
  recipes: new Map([
    ['m', of],
    ['primary', recipe('Primary')],
  ]),
  ...more,
});
const opened = (version = '1', families: never[] = []) => new KeptPictures(version, families, '/pictures/');
/** How often a page that is opened now has to draw. */
async function drawn(asked: ReturnType<typeof order>, page = opened()): Promise<number> {
  let times = 0;
  const { groups } = await page.picture(asked, () => {
    times++;
    return Promise.resolve(picture('drawn'));
  });
  expect(groups[0]?.id).toBe('drawn');
  await vi.waitFor(() => expect(cache.kept.size).toBeGreaterThan(0));
  return times;
}

describe('pictures kept in the browser', () => {
  it('are drawn once for all that they are drawn from, and again when any of it is otherwise', async () => {
    expect(await drawn(order(recipe('One')))).toBe(1);
    expect(await drawn(order(recipe('One')))).toBe(0);
    const others = {
      'another recipe': order(recipe('Two')),
      'another dressing': order(recipe('One'), { dressing: 'reversed' }),
      'another palette': order(recipe('One'), { palette: { ...STARTING_PALETTE, ink: '#123456' } }),
      'another prefix': order(recipe('One'), { prefix: 'n-' }),
    };
    for (const [what, other] of Object.entries(others)) expect(await drawn(other), what).toBe(1);
    expect(await drawn(order(recipe('One')), opened('2')), 'another version of the app').toBe(1);
  });

  it('of a mark that follows others are of those as they are; of one that does not, whatever they are', async () => {
    const elsewhere = (of: Recipe) => order(of, { recipes: new Map([...order(of).recipes, ['primary', recipe('Renamed')]]) });
    expect([await drawn(order(follower)), await drawn(elsewhere(follower))]).toEqual([1, 1]);
    expect([await drawn(order(recipe('One'))), await drawn(elsewhere(recipe('One')))]).toEqual([1, 0]);
  });

  it('are left aside once the worker has drawn in this page: it tells only what is new since then', async () => {
    const page = opened();
    expect([await drawn(order(recipe('One')), page), await drawn(order(recipe('Two')), page)]).toEqual([1, 1]);
    expect(await drawn(order(recipe('Two')), page), 'the same again').toBe(0);
    expect(await drawn(order(recipe('One')), page)).toBe(1);
    expect(cache.kept.size).toBe(1);
  });

  it('are at most 300, the oldest go; a full disk or no storage only means that all is drawn', async () => {
    for (let n = 0; n < 305; n++) await drawn(order(recipe('One'), { prefix: `${n}-` }));
    await vi.waitFor(() => expect(cache.kept.size).toBe(300));
    expect(await drawn(order(recipe('One'), { prefix: '304-' }))).toBe(0);
    expect(await drawn(order(recipe('One'), { prefix: '0-' }))).toBe(1);
    cache.full = true;
    expect(await drawn(order(recipe('Full')))).toBe(1);
    forgetPictures();
    expect(cache.kept.size).toBe(0);
    vi.stubGlobal('caches', undefined);
    await opened().picture(order(recipe('None')), () => Promise.resolve(picture('drawn')));
    expect(cache.kept.size).toBe(0);
  });
});
