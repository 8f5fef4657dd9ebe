import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { keepOpen, wasOpen } from '../../src/lib/ui/kept-folds';

describe('folds', () => {
  const kept = new Map<string, string>();
  beforeEach(() =>
    vi.stubGlobal('sessionStorage', {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => kept.set(key, value),
    }),
  );
  afterEach(() => {
    vi.unstubAllGlobals();
    kept.clear();
  });

  it('are found as they were left, each by its label', () => {
    expect(wasOpen('Line')).toBe(false);
    keepOpen('Line', true);
    keepOpen('Fit', true);
    keepOpen('Fit', false);
    expect([wasOpen('Line'), wasOpen('Fit')]).toEqual([true, false]);
  });

  it.each(['{', '7', '{"Line":true}', '[1,null]'])('begin closed where %s was kept', (text) => {
    keepOpen('Line', true);
    kept.set([...kept.keys()][0] ?? '', text);
    expect(wasOpen('Line')).toBe(false);
  });

  it('begin closed without storage, and never fail', () => {
    vi.stubGlobal('sessionStorage', undefined);
    keepOpen('Line', true);
    expect(wasOpen('Line')).toBe(false);
  });
});
