import { MikroORM, type EntityManager } from '@mikro-orm/postgresql';
import { Migrator } from '@mikro-orm/migrations';
import { entities } from './entities';
import { MIGRATIONS } from './migrations';
import { adoptDiskFiles } from '../files';

/** Several processes may start at once; whoever holds this lock migrates, the others wait and find nothing left to do. */
const STARTUP_LOCK = 7_215_001;

declare global {
  // Survives that modules are read anew while developing.
  var luckyThistleOrm: Promise<MikroORM> | undefined;
}

/** What is to be there before anybody asks for anything. */
const furnishings: ((em: EntityManager) => Promise<void>)[] = [];
/** Has something laid into the database when it is opened, once it is migrated and while other processes wait; to be said before that. */
export const furnish = (lay: (em: EntityManager) => Promise<void>): void => void furnishings.push(lay);

async function open(): Promise<MikroORM> {
  const clientUrl = process.env['DATABASE_URL'];
  if (!clientUrl) throw new Error('DATABASE_URL is not set; start the app with `npm run demo`.');
  const orm = await MikroORM.init({
    clientUrl,
    entities,
    extensions: [Migrator],
    metadataCache: { enabled: false },
    discovery: { warnWhenNoEntities: false },
    migrations: {
      tableName: 'migration',
      snapshot: false,
      silent: true,
      migrationsList: [...MIGRATIONS],
    },
    pool: { min: 0, max: 10, acquireTimeoutMillis: 4000, createTimeoutMillis: 4000 },
    driverOptions: { connection: { connectionTimeoutMillis: 4000 } },
  });
  const em = orm.em.fork();
  try {
    await em.transactional(async (locked) => {
      await locked.execute(`select pg_advisory_xact_lock(${STARTUP_LOCK})`);
      await orm.getMigrator().up();
      await adoptDiskFiles();
      for (const lay of furnishings) await lay(orm.em.fork());
    });
  } catch (error) {
    await orm.close(true);
    throw error;
  }
  return orm;
}

/** The one connection pool of this process, opened and migrated on first use; a failed start is tried again by the next request. */
export function database(): Promise<MikroORM> {
  globalThis.luckyThistleOrm ??= open().catch((error: unknown) => {
    globalThis.luckyThistleOrm = undefined;
    throw error;
  });
  return globalThis.luckyThistleOrm;
}

/** A unit of work of its own, for one request. */
export const unitOfWork = async (): Promise<EntityManager> => (await database()).em.fork();

export async function closeDatabase(): Promise<void> {
  const open = globalThis.luckyThistleOrm;
  globalThis.luckyThistleOrm = undefined;
  await (await open?.catch(() => undefined))?.close(true);
}
