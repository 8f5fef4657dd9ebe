import { randomInt } from 'node:crypto';
import pg from 'pg';
import { pool } from '../database/pool';

/** The first half of the lock that a worker holds while it lives; the second is its own number. */
const PRESENCE = 7_215_002;
const RETRY_MS = 1000;

/** Workers hear of new work on this channel, on the connection that they hold anyway. */
const CHANNEL = 'lucky_thistle_work';

/** Says to every worker, on whichever machine, that there is something to do; those that do not hear it look by themselves after a while. */
export async function tellWork(): Promise<void> {
  await pool()
    .query(`notify ${CHANNEL}`)
    .catch(() => undefined);
}

/** A worker's own number, held as a lock of the database: whoever can take it knows that its worker is gone, on whichever machine it was. */
export class Presence {
  readonly key = randomInt(1, 2 ** 31 - 1);
  #client: pg.Client | undefined;
  #closed = false;

  /** @param onWork called when work has come, or may have come unheard */
  constructor(private readonly onWork: () => void) {}

  async hold(): Promise<void> {
    while (!this.#closed) {
      const client = new pg.Client({ connectionString: process.env['DATABASE_URL'], connectionTimeoutMillis: 4000, keepAlive: true });
      client.on('error', () => undefined);
      try {
        await client.connect();
        await client.query('select pg_advisory_lock($1, $2)', [PRESENCE, this.key]);
        await client.query(`listen ${CHANNEL}`);
        client.on('notification', this.onWork);
        this.#client = client;
        this.onWork();
        client.once('end', () => void this.#again());
        return;
      } catch {
        await client.end().catch(() => undefined);
        await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
      }
    }
  }

  async #again(): Promise<void> {
    if (!this.#closed) await this.hold();
  }

  async close(): Promise<void> {
    this.#closed = true;
    await this.#client?.end().catch(() => undefined);
  }
}

/** Which of these workers are gone. */
export async function gone(workers: readonly number[]): Promise<readonly number[]> {
  if (workers.length === 0) return [];
  const client = await pool().connect();
  try {
    const dead: number[] = [];
    for (const key of workers) {
      const { rows } = await client.query<{ free: boolean }>('select pg_try_advisory_lock($1, $2) as "free"', [PRESENCE, key]);
      if (!rows[0]?.free) continue;
      await client.query('select pg_advisory_unlock($1, $2)', [PRESENCE, key]);
      dead.push(key);
    }
    return dead;
  } finally {
    client.release();
  }
}
