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
  /** Of a page of a PDF: which one, of how many, and its size on paper. */
  readonly page?: { readonly number: number; readonly of: number; readonly widthMm: number; readonly heightMm: number };
  readonly sizeBytes: number;
  readonly tones: { readonly columns: number; readonly rows: number; readonly base64: string };
}

/** How large a photo or a page is, in words. */
export const sizeText = ({ page, widthPx, heightPx }: PhotoView): string =>
  page ? `${page.widthMm} × ${page.heightMm} mm` : `${widthPx} × ${heightPx} px`;
/** What a photo is called; of a page, which one it is. */
export const photoName = ({ name, page }: PhotoView): string => (page && page.of > 1 ? `${name}, page ${page.number}` : name);

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
