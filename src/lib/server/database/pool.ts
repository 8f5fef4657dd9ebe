import pg from 'pg';

const kept = globalThis as unknown as { luckyThistlePool?: pg.Pool | undefined };

/** Plain connections of this process, or thread, for what is no entity: the bytes of files, and the queue. */
export function pool(): pg.Pool {
  if (kept.luckyThistlePool) return kept.luckyThistlePool;
  const connectionString = process.env['DATABASE_URL'];
  if (!connectionString) throw new Error('DATABASE_URL is not set; start the app with `npm run demo`.');
  const fresh = new pg.Pool({ connectionString, max: 4, connectionTimeoutMillis: 4000, idleTimeoutMillis: 20_000, allowExitOnIdle: true });
  // A connection that dies while it rests is replaced by the next question.
  fresh.on('error', () => undefined);
  kept.luckyThistlePool = fresh;
  return fresh;
}

export async function closePool(): Promise<void> {
  const open = kept.luckyThistlePool;
  kept.luckyThistlePool = undefined;
  await open?.end().catch(() => undefined);
}
