import pg from 'pg';

declare global {
  var luckyThistlePool: pg.Pool | undefined;
  var luckyThistlePulse: pg.Pool | undefined;
}

function opened(max: number): pg.Pool {
  const connectionString = process.env['DATABASE_URL'];
  if (!connectionString) throw new Error('DATABASE_URL is not set; start the app with `npm run demo`.');
  const fresh = new pg.Pool({ connectionString, max, connectionTimeoutMillis: 4000, idleTimeoutMillis: 20_000, allowExitOnIdle: true });
  // A connection that dies while it rests is replaced by the next question.
  fresh.on('error', () => undefined);
  return fresh;
}

/** Plain connections of this process, or thread, for what is no entity: the bytes of files, and the queue. */
export const pool = (): pg.Pool => (globalThis.luckyThistlePool ??= opened(4));

/** Asks the database for a sign of life, on a connection of its own: what waits for all the others says nothing about it. */
export async function feelPulse(): Promise<void> {
  await (globalThis.luckyThistlePulse ??= opened(1)).query('select 1');
}

export async function closePool(): Promise<void> {
  const open = [globalThis.luckyThistlePool, globalThis.luckyThistlePulse];
  globalThis.luckyThistlePool = globalThis.luckyThistlePulse = undefined;
  await Promise.all(open.map((each) => each?.end().catch(() => undefined)));
}
