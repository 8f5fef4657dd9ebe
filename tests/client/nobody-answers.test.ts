import { describe, expect, it } from 'vitest';
import { handleError } from '../../src/hooks.client';

const said = (error: unknown) => handleError({ error, status: 500, message: 'Internal Error', event: {} as never });

describe('a page that could not be had', () => {
  it('waits for a server that cannot be reached, by what each browser says then', () => {
    // The wording of Chromium, Firefox and WebKit (from memory).
    for (const words of [
      'Failed to fetch',
      'Failed to fetch dynamically imported module: http://127.0.0.1:4173/_app/immutable/nodes/2.js',
      'NetworkError when attempting to fetch resource.',
      'error loading dynamically imported module: http://127.0.0.1:4173/a.js',
      'Load failed',
      'Importing a module script failed.',
    ])
      expect(said(new TypeError(words)), words).toMatchObject({ unreachable: true });
  });

  it('does not wait for what will not come: a fault of ours is one, whatever it says', () => {
    for (const error of [
      new TypeError("Cannot read properties of undefined (reading 'load')"),
      new TypeError('network.fetch is not a function'),
      new Error('Failed to fetch'),
      undefined,
    ])
      expect(said(error)).toEqual({ message: 'Internal Error' });
  });
});
