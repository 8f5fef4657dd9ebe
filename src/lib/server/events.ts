import pg from 'pg';
import type { EntityManager } from '@mikro-orm/postgresql';
import { pool } from './database/pool';

/** What a page hears of: something that it may show has moved on. */
export interface Moved {
  /** `mark:<id>`, `handover:<id>`, `photo-run:<id>`, `people:<studio id>`; anything else begins with a brand: `palette:<brand id>`, `document:<brand id>/<kind>` */
  readonly subject: string;
  readonly revision: number;
}

const CHANNEL = 'lucky_thistle_moved';
const RETRY_MS = 1000;
/** A connection that is silently dead is noticed within this time. */
const PULSE_MS = 15_000;

type Listener = (moved: Moved) => void;
declare global {
  var luckyThistleEvents: Events | undefined;
}

/** Says, once the transaction is done, to the pages of every web process that something moved on. */
export async function tellMoved(tx: EntityManager, moved: Moved): Promise<void> {
  await tx.execute('select pg_notify(?, ?)', [CHANNEL, JSON.stringify(moved)]);
}

/** One connection of this process that listens; opened with the first listener, and again whenever it is lost. */
class Events {
  readonly #listeners = new Set<Listener>();
  #client: pg.Client | undefined;
  #closed = false;
  #timer: ReturnType<typeof setTimeout> | undefined;

  listen(listener: Listener): () => void {
    this.#listeners.add(listener);
    if (!this.#client && !this.#timer) void this.#connect();
    return () => this.#listeners.delete(listener);
  }

  async #connect(): Promise<void> {
    this.#timer = undefined;
    const client = new pg.Client({ connectionString: process.env['DATABASE_URL'], connectionTimeoutMillis: 4000, keepAlive: true });
    this.#client = client;
    const lost = () => {
      if (this.#client !== client || this.#closed) return;
      this.#client = undefined;
      clearInterval(pulse);
      void client.end().catch(() => undefined);
      this.#timer = setTimeout(() => void this.#connect(), RETRY_MS);
    };
    const pulse = setInterval(() => void client.query('select 1').catch(lost), PULSE_MS);
    pulse.unref();
    client.on('error', lost);
    client.on('end', lost);
    client.on('notification', ({ payload }) => {
      const moved = JSON.parse(payload ?? '{}') as Moved;
      for (const listener of this.#listeners) listener(moved);
    });
    try {
      await client.connect();
      await client.query(`listen ${CHANNEL}`);
      // What moved while nobody listened is asked for by the pages themselves.
      for (const listener of this.#listeners) listener({ subject: '*', revision: 0 });
    } catch {
      lost();
    }
  }

  async close(): Promise<void> {
    this.#closed = true;
    clearTimeout(this.#timer);
    await this.#client?.end().catch(() => undefined);
  }
}

/** Calls `listener` for everything that moves on, from any process; with the subject `*` when some may have been missed. */
export const onMoved = (listener: Listener): (() => void) => (globalThis.luckyThistleEvents ??= new Events()).listen(listener);

/** Where a subject’s studio stands, by the subject’s kind; those that are not named are of a brand. */
const STUDIO_OF: Readonly<Record<string, string>> = {
  mark: 'select b."studio_id" from "mark" m join "brand" b on b."id" = m."brand_id" where m."id" = $1',
  handover: 'select b."studio_id" from "handover" h join "brand" b on b."id" = h."brand_id" where h."id" = $1',
  'photo-run': 'select b."studio_id" from "photo_run" r join "brand" b on b."id" = r."brand_id" where r."id" = $1',
};
const OF_BRAND = 'select "studio_id" from "brand" where "id" = $1';
/** Subjects never change hands. */
const studios = new Map<string, string | undefined>();
const MOST_STUDIOS = 20_000;

/** The studio that a subject belongs to; nothing where it is gone. */
export async function studioOfSubject(subject: string): Promise<string | undefined> {
  const [kind = '', id = ''] = subject.split(/[:/]/);
  if (kind === 'people') return id;
  const key = `${kind in STUDIO_OF ? kind : 'brand'}:${id}`;
  if (studios.has(key)) return studios.get(key);
  const { rows } = await pool().query<{ studio_id: string }>(STUDIO_OF[kind] ?? OF_BRAND, [id]);
  if (studios.size >= MOST_STUDIOS) studios.clear();
  studios.set(key, rows[0]?.studio_id);
  return rows[0]?.studio_id;
}

export async function closeEvents(): Promise<void> {
  await globalThis.luckyThistleEvents?.close();
  globalThis.luckyThistleEvents = undefined;
}
