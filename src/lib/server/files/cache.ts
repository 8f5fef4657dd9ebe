import { randomUUID } from 'node:crypto';
import { mkdir, readdir, readFile, rename, rm, stat, utimes, writeFile } from 'node:fs/promises';
import { join, resolve } from 'node:path';

/** Where copies of files lie that were read from the database. Whatever is lost here is read again. */
export const FILE_FOLDER = resolve(process.env['FILE_FOLDER'] ?? '.data/files');
/** How much of the disk the copies may take; the ones not read for longest go first. */
const MOST_BYTES = Number(process.env['FILE_CACHE_MB'] ?? 512) * 1024 * 1024;
/** Files of earlier versions lay in the same folder, and are copies by now. */
export const placeOf = (sha256: string, folder = FILE_FOLDER): string => join(folder, sha256.slice(0, 2), sha256);

/** A copy that lies on this disk, if any. */
export async function cachedFile(sha256: string): Promise<Uint8Array | undefined> {
  const place = placeOf(sha256);
  const bytes = await readFile(place).catch(() => undefined);
  const now = new Date();
  if (bytes) void utimes(place, now, now).catch(() => undefined);
  return bytes;
}

/** Keeps a copy: written to a temporary name and renamed. Where there is no room for it, there is none. */
export async function cacheFile(sha256: string, bytes: Uint8Array): Promise<void> {
  if (bytes.length > MOST_BYTES / 4) return;
  const place = placeOf(sha256);
  const temporary = `${place}.${randomUUID()}.part`;
  try {
    await mkdir(join(FILE_FOLDER, sha256.slice(0, 2)), { recursive: true });
    await writeFile(temporary, bytes, { flag: 'wx', mode: 0o600 });
    await rename(temporary, place);
  } catch {
    await rm(temporary, { force: true }).catch(() => undefined);
  }
}

interface Copy {
  readonly place: string;
  readonly sha256: string;
  readonly sizeBytes: number;
  readonly readMs: number;
}

/** Everything that lies in the folder, half-written files among it. */
export async function copies(folder = FILE_FOLDER): Promise<readonly Copy[]> {
  const found: Copy[] = [];
  const folders = await readdir(folder).catch(() => []);
  for (const name of folders.filter((each) => /^[0-9a-f]{2}$/.test(each)))
    for (const file of await readdir(join(folder, name)).catch(() => [])) {
      const place = join(folder, name, file);
      const about = await stat(place).catch(() => undefined);
      if (about) found.push({ place, sha256: file, sizeBytes: about.size, readMs: about.mtimeMs });
    }
  return found;
}

/** Half-written copies that are older than this were left by a kill. */
const HALF_WRITTEN_MS = 60 * 60_000;

/**
 * Takes away what was left half-written, and the copies not read for longest where there are too many.
 * @param now milliseconds since 1970
 * @param stored says which digests the database holds: what it does not hold is no copy, and stays
 * @returns what was removed, by name
 */
export async function pruneCopies(
  now: number,
  stored: (sha256s: readonly string[]) => Promise<ReadonlySet<string>>,
  { folder = FILE_FOLDER, mostBytes = MOST_BYTES } = {},
): Promise<readonly string[]> {
  const all = await copies(folder);
  const removed: string[] = [];
  const remove = async ({ place, sha256 }: Copy) => {
    await rm(place, { force: true });
    removed.push(sha256);
  };
  for (const copy of all) if (copy.sha256.endsWith('.part') && now - copy.readMs > HALF_WRITTEN_MS) await remove(copy);
  const whole = all.filter(({ sha256 }) => /^[0-9a-f]{64}$/.test(sha256)).sort((a, b) => a.readMs - b.readMs);
  let over = whole.reduce((sum, { sizeBytes }) => sum + sizeBytes, 0) - mostBytes;
  if (over <= 0) return removed;
  const safe = await stored(whole.map(({ sha256 }) => sha256));
  for (const copy of whole) {
    if (over <= 0) break;
    if (!safe.has(copy.sha256)) continue;
    await remove(copy);
    over -= copy.sizeBytes;
  }
  return removed;
}
