import { afterEach, describe, expect, it, vi } from 'vitest';
import { request, sentences } from '$lib/client/request';
import { sendFile } from '$lib/client/send-file';

afterEach(() => vi.unstubAllGlobals());
const answering = (answer: Response | Error) =>
  vi.stubGlobal('fetch', () => (answer instanceof Error ? Promise.reject(answer) : Promise.resolve(answer.clone())));

/** What both ways of sending say of an answer. */
async function said(answer: Response | Error): Promise<readonly string[]> {
  answering(answer);
  const [asked, sent] = [await request('GET', '/api/x'), await sendFile('/api/x', 'a', 'text/plain')];
  return [asked, sent].map((each) => (each.ok ? 'ok' : sentences(each.problems)));
}

describe('what is said of a request that failed', () => {
  it('is that nobody answers only where nobody does', async () => {
    for (const words of await said(new TypeError('Failed to fetch'))) expect(words).toContain('The server cannot be reached.');
    // A portal that stands between answers for the app.
    for (const words of await said(new Response('<h1>Sign in to this network</h1>', { status: 404 })))
      expect(words).toContain('The server cannot be reached.');
  });

  it('is that something failed where what stands before the app, or the app without a word, answers so', async () => {
    for (const answer of [new Response('<h1>Bad Gateway</h1>', { status: 502 }), Response.json({}, { status: 500 })])
      for (const words of await said(answer)) expect(words).toContain(`answered with an error of its own (${answer.status})`);
    answering(new Response('gone', { status: 503 }));
    expect(await request('GET', '/api/x')).toMatchObject({ ok: false, status: 503 });
  });

  it('is what the app says, in its words', async () => {
    const problems = [{ code: 'full', message: 'The disk is full.', fix: 'Make room.' }];
    for (const words of await said(Response.json({ problems }, { status: 507 }))) expect(words).toBe('The disk is full. Make room.');
  });
});
