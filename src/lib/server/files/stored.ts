import { pool } from '../database/pool';
import { refuse } from '../http/problem-error';
import { cachedFile, cacheFile } from './cache';
import { digestOf } from './digest';

/** Files lie in pieces of this size, so that none is ever whole in a statement. */
const PIECE_BYTES = 1024 * 1024;

/**
 * Stores bytes under their SHA-256, in one transaction: a file is there whole or not at all, for every process at once.
 * The same bytes twice are one file; whoever brings them again keeps them from being swept.
 */
export async function storeFile(bytes: Uint8Array): Promise<string> {
  const sha256 = digestOf(bytes);
  const client = await pool().connect();
  let broken: Error | undefined;
  try {
    await client.query('begin');
    const { rows } = await client.query<{ fresh: boolean }>(
      `insert into "stored_file" ("sha256", "size_bytes") values ($1, $2)
       on conflict ("sha256") do update set "touched_at" = now() returning (xmax = 0) as "fresh"`,
      [sha256, bytes.length],
    );
    if (rows[0]?.fresh)
      for (let at = 0, position = 0; at < bytes.length; at += PIECE_BYTES, position++)
        await client.query('insert into "stored_piece" ("sha256", "position", "bytes") values ($1, $2, $3)', [
          sha256,
          position,
          bytes.subarray(at, at + PIECE_BYTES),
        ]);
    await client.query('commit');
    return sha256;
  } catch (error) {
    broken = error as Error;
    await client.query('rollback').then(
      () => (broken = undefined),
      () => undefined,
    );
    throw error;
  } finally {
    client.release(broken);
  }
}

const GONE = refuse(
  410,
  'file-gone',
  'A file of this brand is not in the store any more.',
  'Bring the picture or font in again, or remove the part.',
);

/** The pieces of a stored file in order, one at a time. @throws a refusal where it is gone */
export async function* filePieces(sha256: string): AsyncGenerator<Uint8Array, void, undefined> {
  const { rows } = await pool().query<{ size: string }>('select "size_bytes" as "size" from "stored_file" where "sha256" = $1', [sha256]);
  const [file] = rows;
  if (!file) throw GONE;
  const size = Number(file.size);
  for (let position = 0, sent = 0; sent < size; position++) {
    const piece = await pool().query<{ bytes: Buffer }>('select "bytes" from "stored_piece" where "sha256" = $1 and "position" = $2', [
      sha256,
      position,
    ]);
    const bytes = piece.rows[0]?.bytes;
    if (!bytes) throw GONE;
    sent += bytes.length;
    yield bytes;
  }
}

/** The bytes of a stored file. The digest is checked by its caller's schema or comes from the database. @throws a refusal where it is gone */
export async function storedFile(sha256: string): Promise<Uint8Array> {
  const cached = await cachedFile(sha256);
  if (cached) return cached;
  const pieces: Uint8Array[] = [];
  for await (const piece of filePieces(sha256)) pieces.push(piece);
  const bytes = Buffer.concat(pieces);
  await cacheFile(sha256, bytes);
  return bytes;
}

/** Which of these files are stored. */
export async function storedAmong(sha256s: readonly string[]): Promise<ReadonlySet<string>> {
  const { rows } = await pool().query<{ sha256: string }>('select "sha256" from "stored_file" where "sha256" = any($1)', [[...sha256s]]);
  return new Set(rows.map(({ sha256 }) => sha256));
}

/** What names a file: nothing of it is swept while a row of these does. */
const NAMED_BY = [
  ['picture', 'sha256'],
  ['own_font', 'sha256'],
  ['handover_file', 'sha256'],
  ['photo', 'sha256'],
  ['photo', 'preview'],
  ['photo_file', 'sha256'],
  ['picture_order', 'sha256'],
] as const;

/** Clears files that no row has named since a time. @returns their digests */
export async function clearUnnamed(before: Date): Promise<readonly string[]> {
  // A file that somebody brings in again in this moment is newer once its row is locked, and stays.
  const { rows } = await pool().query<{ sha256: string }>(
    `delete from "stored_file" as "file" where "touched_at" < $1
     ${NAMED_BY.map(([table, column]) => `and not exists (select 1 from "${table}" where "${table}"."${column}" = "file"."sha256")`).join(' ')}
     returning "sha256"`,
    [before],
  );
  return rows.map(({ sha256 }) => sha256);
}

/** Files that rows name and that are not stored: those of a version that kept them on a disk. */
export async function namedButNotStored(): Promise<readonly string[]> {
  const { rows } = await pool().query<{ sha256: string }>(
    `select "sha256" from (${NAMED_BY.map(([table, column]) => `select "${column}" as "sha256" from "${table}" where "${column}" is not null`).join(' union ')}) as "named"
     where not exists (select 1 from "stored_file" where "stored_file"."sha256" = "named"."sha256")`,
  );
  return rows.map(({ sha256 }) => sha256);
}
