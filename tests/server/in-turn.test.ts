import { setImmediate as lookAround } from 'node:timers/promises';
import { expect, it } from 'vitest';
import { inTurn } from '../../scripts/setup/in-turn.mjs';

it('a crowd begins one by one, in the order in which it came, and others are looked after in between', async () => {
  const begun = inTurn();
  const seen: (number | 'another')[] = [];
  for (let one = 0; one < 20; one++) begun(() => void seen.push(one));
  expect(seen).toEqual([]);
  while (!seen.includes(19)) {
    seen.push('another');
    await lookAround();
  }
  expect(seen.filter((each) => each !== 'another')).toEqual(Array.from({ length: 20 }, (_, n) => n));
  const runs = seen.map((each) => (each === 'another' ? ' ' : '.')).join('');
  expect(runs).not.toContain('..');
});

it('one that fails keeps none after it from beginning', async () => {
  const begun = inTurn();
  const failures: unknown[] = [];
  const caught = (error: unknown) => void failures.push(error);
  const others = process.listeners('uncaughtException');
  process.removeAllListeners('uncaughtException').once('uncaughtException', caught);
  try {
    begun(() => {
      throw new Error('no');
    });
    await new Promise<void>((resolve) => begun(resolve));
  } finally {
    process.removeListener('uncaughtException', caught);
    for (const each of others) process.on('uncaughtException', each);
  }
  expect(failures).toHaveLength(1);
});
