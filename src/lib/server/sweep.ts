import { readdir, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { OwnFont, Picture } from './database/entities';
import { unitOfWork } from './database/orm';
import { FILE_FOLDER } from './files';
import { logLine } from './http/refusals';

const MINUTE_MS = 60_000;
const HOUR_MS = 60 * MINUTE_MS;
/** A file that is still being written is younger than this. */
const HALF_WRITTEN_MS = HOUR_MS;
/** A file whose row has not come by now never gets one: the row follows the file at once. */
const WITHOUT_ROW_MS = 24 * HOUR_MS;
const EVERY_MS = 6 * HOUR_MS;

/**
 * Clears half-written files, and files that no row names, once they are old enough.
 * @param now milliseconds since 1970
 * @returns what was removed, by name
 */
export async function sweepFiles(now: number, folder = FILE_FOLDER): Promise<readonly string[]> {
  const em = await unitOfWork();
  const removed: string[] = [];
  const folders = await readdir(folder).catch(() => []);
  for (const name of folders.filter((each) => /^[0-9a-f]{2}$/.test(each)))
    for (const file of await readdir(join(folder, name))) {
      const place = join(folder, name, file);
      const touched = async () => (await stat(place).catch(() => ({ mtimeMs: now }))).mtimeMs;
      const before = await touched();
      const age = now - before;
      const half = file.endsWith('.part');
      if (age < (half ? HALF_WRITTEN_MS : WITHOUT_ROW_MS)) continue;
      if (!half && ((await em.count(Picture, { sha256: file })) > 0 || (await em.count(OwnFont, { sha256: file })) > 0)) continue;
      if ((await touched()) !== before) continue; // Somebody brings it in again in this moment.
      await rm(place, { force: true });
      removed.push(file);
    }
  return removed;
}

/** Sweeps a little after the start, then every few hours. @returns stops it */
export function keepFilesTidy(): () => void {
  const sweep = () => void sweepFiles(Date.now()).catch((error: unknown) => console.error(logLine(error)));
  const [first, rest] = [setTimeout(sweep, MINUTE_MS), setInterval(sweep, EVERY_MS)];
  first.unref();
  rest.unref();
  return () => {
    clearTimeout(first);
    clearInterval(rest);
  };
}
