import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { GatheredNews } from '../../src/lib/client/gathered-news';

interface Thing {
  readonly id: string;
  readonly state: string;
}
/** A server that answers when it is told to, in any order. */
function slow() {
  const open: { readonly id: string; readonly answer: (state: string | undefined) => void }[] = [];
  const shown = new Map<string, string>();
  const news = new GatheredNews<Thing>(
    (id) => new Promise((resolve) => open.push({ id, answer: (state) => resolve(state === undefined ? undefined : { id, state }) })),
    ({ id, state }) => shown.set(id, state),
  );
  return { news, open, shown, asked: () => open.map(({ id }) => id) };
}
beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());
const pause = () => vi.advanceTimersByTimeAsync(400);

describe('news of many things', () => {
  it('are one question for each thing, however many come', async () => {
    const { news, asked } = slow();
    for (let n = 0; n < 50; n++) news.about(n % 2 ? 'one' : 'other');
    expect(asked()).toEqual([]);
    await pause();
    expect(asked().sort()).toEqual(['one', 'other']);
    news.about('one');
    await pause();
    expect(asked()).toHaveLength(3);
  });

  it('an answer that comes late never takes the place of a newer one', async () => {
    const { news, open, shown } = slow();
    news.about('one');
    await pause();
    news.about('one');
    await pause();
    open[1]?.answer('done');
    await pause();
    open[0]?.answer('making');
    await pause();
    expect(shown.get('one')).toBe('done');
  });

  it('nor does it take the place of what came with a question about all', async () => {
    const { news, open, shown } = slow();
    news.about('one');
    await pause();
    const all = news.begin();
    expect(news.isNewest('one', all)).toBe(true);
    open[0]?.answer('making');
    await pause();
    expect(shown.has('one')).toBe(false);
    expect(news.isNewest('other', 0)).toBe(true);
    const [making, done] = ['making', 'done'].map((state) => ({ id: 'one', state })) as [Thing, Thing];
    const fresh = { id: 'fresh', state: 'waiting' };
    expect(news.newestOf(0, [making, fresh], [done])).toEqual([done, fresh]);
    expect(news.newestOf(news.begin(), [making], [done])).toEqual([making]);
  });

  it('what cannot be had leaves all as it is, and nothing is asked after the end', async () => {
    const { news, open, shown, asked } = slow();
    news.about('one');
    await pause();
    open[0]?.answer(undefined);
    await pause();
    expect(shown.size).toBe(0);
    news.about('one');
    news.close();
    await pause();
    expect(asked()).toHaveLength(1);
  });
});
