import { readFile } from 'node:fs/promises';
import { logLine } from '../http/refusals';
import { FILE_FOLDER, placeOf } from './cache';
import { digestOf } from './digest';
import { namedButNotStored, storeFile } from './stored';

/**
 * Files that earlier versions kept on this disk alone go to where every process can reach them. What lies on the disk stays there as a copy;
 * what is damaged is left alone. Whoever is killed on the way goes on from where it was.
 * @returns how many files were taken over
 */
export async function adoptDiskFiles(folder = FILE_FOLDER): Promise<number> {
  let taken = 0;
  for (const sha256 of await namedButNotStored()) {
    const bytes = await readFile(placeOf(sha256, folder)).catch(() => undefined);
    if (!bytes) continue;
    if (digestOf(bytes) !== sha256) {
      console.error(logLine(new Error(`The file ${sha256} on this disk is not what its name says; it was left where it is.`)));
      continue;
    }
    await storeFile(bytes);
    taken++;
  }
  return taken;
}
