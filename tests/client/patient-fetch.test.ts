import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { patientFetch } from '$lib/client/patient-fetch';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

type Answer = Response | Error;
const HOME = 'http://home.test';
/** A server that gives these answers one after the other, the last one for good; and what was told. */
function server(...answers: readonly Answer[]) {
  let asked = 0;
  const told: number[] = [];
  const fetch = patientFetch(
    () => {
      const answer = answers[Math.min(asked++, answers.length - 1)] as Answer;
      return answer instanceof Error ? Promise.reject(answer) : Promise.resolve(answer.clone());
    },
    () => '/brands/kites/brief',
    (more) => told.push(more),
  );
  return { fetch, told, asked: () => asked };
}
const away = new TypeError('Failed to fetch');
const data = (...nodes: readonly object[]) => new Response(`${JSON.stringify({ type: 'data', nodes })}\n{"type":"chunk"}\n`);
const fine = data({ type: 'data', data: [] });
const own = `${HOME}/brands/kites/brief/__data.json?x-sveltekit-invalidated=01`;
const other = `${HOME}/brands/kites/type/__data.json`;

describe('a page’s data', () => {
  it('are asked for until they are had, of this page and of another; both are told', async () => {
    for (const address of [own, other]) {
      const { fetch, told, asked } = server(away, away, away, fine);
      const answer = fetch(address);
      await vi.advanceTimersByTimeAsync(60_000);
      expect(await (await answer).text()).toBe(await fine.clone().text());
      expect(asked()).toBe(4);
      expect(told).toEqual([1, -1]);
    }
  });

  it('of the page that is shown wait for a server that fails as well; another page is to say it itself', async () => {
    const failing = [new Response('', { status: 503 }), data({ type: 'data' }, { type: 'error', status: 500 }), data({ type: 'error' })];
    for (const failure of failing) {
      const shown = server(failure, failure, fine);
      const answer = shown.fetch(own);
      await vi.advanceTimersByTimeAsync(60_000);
      expect((await answer).status).toBe(200);
      expect(shown.asked()).toBe(3);
      const elsewhere = server(failure, fine);
      await elsewhere.fetch(other);
      expect([elsewhere.asked(), elsewhere.told]).toEqual([1, []]);
    }
  });

  it('that are refused for good are given on: what is gone is gone', async () => {
    for (const answer of [new Response('', { status: 404 }), data({ type: 'error', status: 404 }), new Response('no json')]) {
      const { fetch, asked } = server(answer);
      expect((await fetch(own)).status).toBe(answer.status);
      expect(asked()).toBe(1);
    }
  });
});

describe('everything else', () => {
  it('fails at once, as it always did', async () => {
    const { fetch, asked } = server(away);
    await expect(fetch(`${HOME}/api/brands`)).rejects.toBe(away);
    await expect(fetch(new Request(`${HOME}/api/brands`, { method: 'POST' }))).rejects.toBe(away);
    expect(asked()).toBe(2);
    const fault = server(new Error('a fault of ours'));
    await expect(fault.fetch(own)).rejects.toThrow('a fault of ours');
  });
});
