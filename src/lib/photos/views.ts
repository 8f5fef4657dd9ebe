import { unpackTones, type PhotoTones, type Problem, type Protection } from '$core/index';

/** A photo as the server tells of it. */
export interface PhotoView {
  readonly id: string;
  readonly name: string;
  readonly format: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly bits: number;
  readonly profile?: string;
  readonly notes: readonly string[];
  readonly sizeBytes: number;
  readonly tones: { readonly columns: number; readonly rows: number; readonly base64: string };
}

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

const unpacked = new Map<string, PhotoTones>();
/** The tones of a photo, read once. */
export function tonesOf({ id, tones }: PhotoView): PhotoTones {
  const kept = unpacked.get(id);
  if (kept) return kept;
  const fresh = unpackTones(
    tones.columns,
    tones.rows,
    Uint8Array.from(atob(tones.base64), (letter) => letter.charCodeAt(0)),
  );
  unpacked.set(id, fresh);
  return fresh;
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
