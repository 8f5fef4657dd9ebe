import { MikroORM, type EntityManager } from '@mikro-orm/postgresql';
import { Migrator } from '@mikro-orm/migrations';
import { loadDemoBrands } from '../demo/load';
import { HOME_STUDIO, onBehalfOf } from '../http/author';
import { entities } from './entities';
import { BrandsMarksRevisions } from './migrations/0001-brands-marks-revisions';
import { Tries } from './migrations/0003-tries';
import { DocumentsPicturesFonts } from './migrations/0002-documents-pictures-fonts';
import { GesturesLoansKeys } from './migrations/0004-gestures-loans-keys';
import { Shelves } from './migrations/0005-shelves';
import { Authors } from './migrations/0006-authors';
import { FilesHandovers } from './migrations/0007-files-handovers';
import { Photos } from './migrations/0008-photos';
import { ClientChoices } from './migrations/0012-client-choices';
import { ClientLinks } from './migrations/0010-client-links';
import { PictureOrders } from './migrations/0009-picture-orders';
import { StudiosPeople } from './migrations/0011-studios-people';
import { adoptDiskFiles } from '../files';

/** Several processes may start at once; whoever holds this lock migrates, the others wait and find nothing left to do. */
const STARTUP_LOCK = 7_215_001;

const kept = globalThis as unknown as { luckyThistleOrm?: Promise<MikroORM> | undefined };

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
      migrationsList: [
        { name: '0001-brands-marks-revisions', class: BrandsMarksRevisions },
        { name: '0002-documents-pictures-fonts', class: DocumentsPicturesFonts },
        { name: '0003-tries', class: Tries },
        { name: '0004-gestures-loans-keys', class: GesturesLoansKeys },
        { name: '0005-shelves', class: Shelves },
        { name: '0006-authors', class: Authors },
        { name: '0007-files-handovers', class: FilesHandovers },
        { name: '0008-photos', class: Photos },
        { name: '0009-picture-orders', class: PictureOrders },
        { name: '0010-client-links', class: ClientLinks },
        { name: '0011-studios-people', class: StudiosPeople },
        { name: '0012-client-choices', class: ClientChoices },
      ],
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
      if (process.env['LOAD_DEMO_BRANDS'] === '1')
        await onBehalfOf({ name: '', from: 'the demo', studio: HOME_STUDIO }, () => loadDemoBrands(orm.em.fork()));
    });
  } catch (error) {
    await orm.close(true);
    throw error;
  }
  return orm;
}

/** The one connection pool of this process, opened and migrated on first use; a failed start is tried again by the next request. */
export function database(): Promise<MikroORM> {
  kept.luckyThistleOrm ??= open().catch((error: unknown) => {
    kept.luckyThistleOrm = undefined;
    throw error;
  });
  return kept.luckyThistleOrm;
}

/** A unit of work of its own, for one request. */
export const unitOfWork = async (): Promise<EntityManager> => (await database()).em.fork();

export async function closeDatabase(): Promise<void> {
  const open = kept.luckyThistleOrm;
  kept.luckyThistleOrm = undefined;
  await (await open?.catch(() => undefined))?.close(true);
}
