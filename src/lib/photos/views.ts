import type { Problem, Protection } from '$core/index';

/** A marked photo, and the run that it belongs to. */
export interface PhotoFileView {
  readonly id: string;
  readonly photo: string;
  readonly name: string;
  readonly state: 'waiting' | 'making' | 'done' | 'failed' | 'stopped';
  readonly sizeBytes: number | null;
  readonly report: { readonly protectedShare: number; readonly free: Protection['free']; readonly notes: readonly string[] } | null;
  readonly reason: readonly Problem[] | null;
}
export interface PhotoRunView {
  readonly id: string;
  readonly number: number;
  readonly name: string;
  readonly createdAt: string;
  readonly by: string;
  readonly files: readonly PhotoFileView[];
}

/** How many photos of a run are in which state. */
export function countsOf({ files }: PhotoRunView) {
  const count = (state: PhotoFileView['state']) => files.filter((file) => file.state === state).length;
  return {
    all: files.length,
    done: count('done'),
    open: count('waiting') + count('making'),
    failed: count('failed'),
    stopped: count('stopped'),
    making: files.find(({ state }) => state === 'making'),
  };
}

export const percentText = (share: number): string => `${Math.round(share * 100)} %`;
