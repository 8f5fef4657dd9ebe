import type { Problem, Protection } from '$core/index';

/** A marked photo or PDF, and the run that it belongs to. */
export interface PhotoFileView {
  readonly id: string;
  readonly photo: string;
  /** Of a PDF: all its pages that are marked, in their order. */
  readonly pages: readonly string[] | null;
  readonly name: string;
  readonly state: 'waiting' | 'making' | 'done' | 'failed' | 'stopped';
  readonly sizeBytes: number | null;
  readonly report: {
    readonly protectedShare: number;
    readonly free: Protection['free'];
    readonly notes: readonly string[];
    readonly pages?: readonly number[];
  } | null;
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

const many = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'}`;
/** How many photos and pages, in words. */
export const countText = ({ photos, pages }: { readonly photos: number; readonly pages: number }): string =>
  [...(photos > 0 || pages === 0 ? [many(photos, 'photo')] : []), ...(pages > 0 ? [many(pages, 'page')] : [])].join(' and ');
/** How many files of a run, called what they are. */
export const filesText = ({ files }: PhotoRunView): string => many(files.length, files.some(({ pages }) => pages) ? 'file' : 'photo');

export const percentText = (share: number): string => `${Math.round(share * 100)} %`;
