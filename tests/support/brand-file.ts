import { strFromU8, unzipSync } from 'fflate';
import pg from 'pg';

/** The brand file of a brand. */
export const fileOf = async (home: string, slug: string) =>
  new Uint8Array(await (await fetch(`${home}/api/brands/${slug}/brand-file`)).arrayBuffer());
/** Brings a brand file in. */
export async function bring(home: string, file: Uint8Array) {
  const response = await fetch(`${home}/api/brand-files`, {
    method: 'POST',
    headers: { 'content-type': 'application/zip' },
    body: new Uint8Array(file),
  });
  return { status: response.status, value: (await response.json()) as { slug?: string; problems?: { code: string; message: string }[] } };
}
/** What a brand file says of its brand. */
export const brandJson = (file: Uint8Array) => strFromU8(unzipSync(file)['brand.json'] as Uint8Array);

/** The same ZIP, saying another size of what is packed in it. @source PKWARE, APPNOTE.TXT 4.3.7 and 4.3.12: the size lies 22 and 24 bytes from the signature */
export function sayingSize(zip: Uint8Array, is: number, says: number): Uint8Array {
  const bytes = Buffer.from(zip);
  for (const [signature, from] of [
    ['PK\u0003\u0004', 22],
    ['PK\u0001\u0002', 24],
  ] as const)
    for (let at = bytes.indexOf(signature, 0, 'latin1'); at >= 0; at = bytes.indexOf(signature, at + 4, 'latin1'))
      if (bytes.readUInt32LE(at + from) === is) bytes.writeUInt32LE(says, at + from);
  return new Uint8Array(bytes);
}

/** How many rows every table has: nothing of a refused file may be in any of them. */
export async function census(databaseUrl: string): Promise<unknown> {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  const counts: Record<string, number> = {};
  for (const table of [
    'brand',
    'palette',
    'mark',
    'revision',
    'try',
    'document',
    'picture',
    'photo',
    'own_font',
    'handover',
    'handover_file',
    'print_order',
    'client_link',
    'client_note',
  ])
    counts[table] = Number((await client.query<{ n: string }>(`select count(*) as n from "${table}"`)).rows[0]?.n);
  await client.end();
  return counts;
}
