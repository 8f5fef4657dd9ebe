import { randomUUID } from 'node:crypto';
import { mkdtempSync } from 'node:fs';
import { unzipSync } from 'fflate';
import pg from 'pg';
import { describe, expect, it } from 'vitest';
import { canvasSchema } from '$core/index';
import { startApp } from '../../scripts/setup/app.mjs';
import { dataFolder, ensureDatabase, startCluster } from '../../scripts/setup/cluster.mjs';
import { freePort } from '../../scripts/setup/free-port.mjs';
import { startWorker } from '../../scripts/setup/worker.mjs';
import { nameRecipe, palette, read, send } from '../support/api';
import { DEEP } from '../support/deep';
import { random } from '../support/random';

const KILLS = DEEP ? { worker: 30, database: 10, web: 10 } : { worker: 2, database: 1, web: 1 };
const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

interface View {
  readonly files: readonly {
    readonly id: string;
    readonly name: string;
    readonly state: string;
    readonly sizeBytes: number | null;
    readonly verdict: { readonly passes: boolean } | null;
  }[];
}

describe('a pack whose makers are killed', () => {
  it(`ends complete and verified, nothing doubled, no half file offered: worker ${KILLS.worker} ×, database ${KILLS.database} ×, web process ${KILLS.web} ×, at random moments`, async () => {
    const cluster = await startCluster(dataFolder(`kills-${process.pid}`));
    const next = random(20261127);
    try {
      const databaseUrl = ensureDatabase(cluster, 'kills');
      const port = await freePort();
      const web = () => startApp({ port, databaseUrl, quiet: true, fileFolder: mkdtempSync('/tmp/lucky-files-') });
      const made = () => startWorker({ databaseUrl, fileFolder: mkdtempSync('/tmp/lucky-worker-') });
      let app = await web();
      let worker = await made();
      const home = `${app.url}/api/brands`;
      const brand = `${home}/${(await send<{ slug: string }>(home, 'POST', { name: 'Kills', palette })).value.slug}`;
      const mark = (await send<{ id: string }>(`${brand}/marks`, 'POST', { name: 'Primary', role: 'primary', recipe: nameRecipe('Salt') }))
        .value;
      const sizes = [300, 1400, 2400].map((width) => ({ label: String(width), canvas: canvasSchema.parse({ width, height: width }) }));
      const plan = {
        pattern: '{mark}-{colorway}-{size}',
        packs: [{ id: 'p', kind: 'products', marks: [mark.id], dressings: ['full', 'black'], formats: ['png', 'svg', 'pdf'], sizes }],
      };
      const moments = [
        ...Array.from({ length: KILLS.worker }, () => 'worker' as const),
        ...Array.from({ length: KILLS.database }, () => 'database' as const),
        ...Array.from({ length: KILLS.web }, () => 'web' as const),
      ];
      for (const what of moments) {
        const id = randomUUID();
        const order = await send<View>(`${brand}/handovers`, 'POST', { id, name: what, plan });
        expect(order.status).toBe(201);
        await sleep(next() * 2500);
        if (what === 'worker') {
          await worker.kill();
          worker = await made();
        } else if (what === 'database') {
          cluster.kill();
          await sleep(300);
          cluster.restart();
        } else {
          await app.kill();
          app = await web();
        }
        const look = () => read<View>(`${brand}/handovers/${id}`).catch((): View => ({ files: [] }));
        const counted = (states: readonly string[]) =>
          states.length === order.value.files.length && states.every((state) => state === 'done');
        await expect
          .poll(async () => ((await look()).files ?? []).map(({ state }) => state), { timeout: 100_000, interval: 200 })
          .toSatisfy(counted);
        const { files } = await look();
        expect(files.every(({ verdict }) => verdict?.passes)).toBe(true);
        const zip = unzipSync(new Uint8Array(await (await fetch(`${brand}/handovers/${id}/pack.zip`)).arrayBuffer()));
        for (const { name, sizeBytes } of files) expect(zip[name]?.length, name).toBe(sizeBytes);
      }
      const client = new pg.Client({ connectionString: databaseUrl });
      await client.connect();
      // What is stored is whole, each once, and nothing else of a pack is there.
      const { rows } = await client.query<{ broken: number; packs: number; files: number }>(
        `select (select count(*)::int from stored_file f where f.size_bytes <> (select coalesce(sum(length(p.bytes)), 0) from stored_piece p where p.sha256 = f.sha256)) as broken,
         (select count(*)::int from handover) as packs, (select count(*)::int from handover_file) as files`,
      );
      await client.end();
      expect(rows[0]).toEqual({ broken: 0, packs: moments.length, files: moments.length * (2 * (3 + 1 + 1)) });
      await worker.stop();
      await app.stop();
    } finally {
      cluster.remove();
    }
  }, 3_600_000);
});
