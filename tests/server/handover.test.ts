import { randomUUID } from 'node:crypto';
import { unzipSync, strFromU8 } from 'fflate';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { canvasSchema, type HandoverPlan } from '$core/index';
import { nameRecipe, palette, read, send } from '../support/api';
import { startTestApp } from '../support/test-app';

type View = {
  id: string;
  number: number;
  files: {
    id: string;
    name: string;
    state: string;
    outdated: boolean;
    revision: number;
    reason: { message: string }[] | null;
    verdict: { passes: boolean; checks: { message: string }[] } | null;
  }[];
};

let app: Awaited<ReturnType<typeof startTestApp>>;
let worker: Awaited<ReturnType<typeof app.worker>>;
let brand = '';
let mark = { id: '', slug: '' };
beforeAll(async () => {
  app = await startTestApp({ demo: false });
  worker = await app.worker();
  brand = `${app.url}/api/brands/${(await send<{ slug: string }>(`${app.url}/api/brands`, 'POST', { name: 'Пекарня & Co.', palette })).value.slug}`;
  mark = (
    await send<{ id: string; slug: string }>(`${brand}/marks`, 'POST', { name: 'Primary', role: 'primary', recipe: nameRecipe('Salt') })
  ).value;
});
afterAll(async () => {
  await worker.stop();
  await app.stop();
});

const size = (width: number, height?: number) => ({
  label: `${width}`,
  canvas: canvasSchema.parse({ width, ...(height ? { height } : {}), airPercent: 4 }),
});
const plan = (more: Partial<HandoverPlan['packs'][number]> = {}): HandoverPlan => ({
  pattern: '{brand}-{mark}-{colorway}-{size}',
  packs: [
    {
      id: 'profiles',
      kind: 'profiles',
      marks: [mark.id],
      dressings: ['full', 'reversed'],
      formats: ['png', 'svg', 'pdf'],
      sizes: [size(200, 200), size(300)],
      ...more,
    },
  ],
});
const order = (body: object) =>
  send<View & { problems?: { code: string; message: string }[] }>(`${brand}/handovers`, 'POST', {
    id: randomUUID(),
    name: 'First pack',
    ...body,
  });
const whenDone = (id: string) =>
  expect
    .poll(async () => (await read<View>(`${brand}/handovers/${id}`)).files.map(({ state }) => state), { timeout: 60_000 })
    .toSatisfy((states: string[]) => states.every((state) => state === 'done' || state === 'failed'));

describe('a pack', () => {
  it('is made, verified, zipped with its guide, and read back', async () => {
    const made = await order({ plan: plan() });
    expect(made.status).toBe(201);
    expect(made.value.files.length).toBe(2 * (2 + 2 + 2));
    await whenDone(made.value.id);
    const view = await read<View>(`${brand}/handovers/${made.value.id}`);
    expect(view.files.filter(({ state }) => state !== 'done').map(({ name, reason }) => [name, reason])).toEqual([]);
    const zip = unzipSync(new Uint8Array(await (await fetch(`${brand}/handovers/${made.value.id}/pack.zip`)).arrayBuffer()));
    expect(Object.keys(zip).sort()).toEqual(
      [...view.files.map(({ name }) => name), 'checked.json', 'read-me.txt', 'which-file-is-for-what.html'].sort(),
    );
    expect(Object.keys(zip)).toContain('profiles/pekarnya-co-primary-reversed-200x200.png');
    expect(strFromU8(zip['read-me.txt'] as Uint8Array)).toContain('Пекарня & Co.: First pack');
  });
});
