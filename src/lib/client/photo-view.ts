import { unpackTones, type PhotoTones } from '$core/index';

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
