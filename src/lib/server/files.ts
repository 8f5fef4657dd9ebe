import { createHash, randomUUID } from 'node:crypto';
import { mkdir, open, readFile, rename, rm } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { refuse } from './http/problem-error';

/** Where uploaded files lie, each under its digest. */
export const FILE_FOLDER = resolve(process.env['FILE_FOLDER'] ?? '.data/files');

const placeOf = (sha256: string): string => join(FILE_FOLDER, sha256.slice(0, 2), sha256);

/** Stores bytes under their SHA-256: written to a temporary name, synced, renamed, so that a file is there whole or not at all. */
export async function storeFile(bytes: Uint8Array): Promise<string> {
  const sha256 = createHash('sha256').update(bytes).digest('hex');
  const place = placeOf(sha256);
  await mkdir(join(FILE_FOLDER, sha256.slice(0, 2)), { recursive: true });
  const temporary = `${place}.${randomUUID()}.part`;
  const file = await open(temporary, 'wx', 0o600);
  try {
    await file.writeFile(bytes);
    await file.sync();
    await file.close();
    await rename(temporary, place);
  } catch (error) {
    // On a full disk above all, what is half written must not take room.
    await file.close().catch(() => undefined);
    await rm(temporary, { force: true });
    throw error;
  }
  return sha256;
}

/** The bytes of a stored file. The digest is checked by its caller's schema or comes from the database. */
export const storedFile = (sha256: string): Promise<Uint8Array> =>
  readFile(placeOf(sha256)).catch((error: NodeJS.ErrnoException) => {
    if (error.code !== 'ENOENT') throw error;
    throw refuse(
      410,
      'file-gone',
      'A file of this brand is not in the store any more.',
      'Bring the picture or font in again, or remove the part.',
    );
  });
