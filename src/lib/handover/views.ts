import type { Problem, WantedFile } from '$core/index';

/** One thing that was looked at in a written file. */
export interface FileCheckView {
  readonly id: string;
  readonly passes: boolean;
  readonly message: string;
}

/** A file of a pack as the server tells of it. */
export interface FileView {
  readonly id: string;
  readonly name: string;
  readonly wanted: WantedFile;
  readonly state: 'waiting' | 'making' | 'done' | 'failed' | 'stopped';
  readonly sizeBytes: number | null;
  readonly verdict: { readonly passes: boolean; readonly checks: readonly FileCheckView[] } | null;
  readonly reason: readonly Problem[] | null;
  readonly revision: number;
  readonly outdated: boolean;
}

/** A pack as the server tells of it. */
export interface PackView {
  readonly id: string;
  readonly number: number;
  readonly name: string;
  readonly createdAt: string;
  readonly by: string;
  readonly palette: number;
  readonly files: readonly FileView[];
}

/** Bytes as people read them. @source IEC 80000-13: a megabyte is 10⁶ bytes */
export function sizeText(bytes: number): string {
  if (bytes < 1000) return `${Math.round(bytes)} B`;
  if (bytes < 999_500) return `${Math.round(bytes / 1000)} kB`;
  return `${(bytes / 1e6).toFixed(bytes < 1e7 ? 1 : 0)} MB`;
}

/** How many files of a pack are in which state. */
export function countsOf(pack: PackView) {
  const count = (state: FileView['state']) => pack.files.filter((file) => file.state === state).length;
  return {
    all: pack.files.length,
    done: count('done'),
    open: count('waiting') + count('making'),
    failed: count('failed'),
    stopped: count('stopped'),
    outdated: pack.files.filter(({ outdated }) => outdated).length,
    making: pack.files.find(({ state }) => state === 'making'),
    bytes: pack.files.reduce((sum, { sizeBytes }) => sum + (sizeBytes ?? 0), 0),
  };
}
