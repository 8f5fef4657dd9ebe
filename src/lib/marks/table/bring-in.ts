import { type KnownInput, type Result } from '$core/index';
import { picturesAddress } from '$lib/addresses';
import { sendFile } from '$lib/client/send-file';

type WithoutId<P> = P extends unknown ? Omit<P, 'id'> : never;
type BroughtPart = WithoutId<Extract<KnownInput, { kind: 'art' | 'picture' }>>;

/** A file made elsewhere as a part that has no id yet. */
export interface Brought {
  readonly part: BroughtPart;
  /** What was not understood and left out. */
  readonly left: readonly string[];
}

/** What is said of a file that is brought in. */
export interface About {
  readonly author: string;
  readonly license: string;
}
export const UNSAID: About = { author: '', license: 'unknown' };

/** What the file chooser offers. */
export const ACCEPTED = '.svg,image/svg+xml,image/png,image/jpeg,image/webp,image/avif,image/gif,image/tiff';

const isDrawing = (file: File): boolean => file.type === 'image/svg+xml' || /\.svg$/i.test(file.name);

/** Reads a file: drawings become art with color slots, pictures are stored. Who made it, and what may be done with it, goes along. */
export async function bringIn(brandSlug: string, file: File, { author, license }: About): Promise<Result<Brought>> {
  const title = file.name.replace(/\.\w{2,5}$/, '').slice(0, 100) || 'Untitled';
  if (isDrawing(file)) {
    const query = new URLSearchParams({ title, author, license });
    return sendFile<Brought>(`/api/brands/${brandSlug}/art?${query}`, await file.text(), 'image/svg+xml');
  }
  const query = new URLSearchParams({ name: file.name || 'The picture', for: 'mark' });
  const stored = await sendFile<{
    readonly sha256: string;
    readonly widthPx: number;
    readonly heightPx: number;
    readonly outline?: string;
  }>(`${picturesAddress(brandSlug).slice(0, -1)}?${query}`, file, file.type);
  if (!stored.ok) return stored;
  const { sha256, widthPx, heightPx, outline } = stored.value;
  const part = {
    kind: 'picture' as const,
    sha256,
    fileWidthPx: widthPx,
    fileHeightPx: heightPx,
    ...(outline ? { outline } : {}),
    source: { title, author, license },
  };
  return { ok: true, value: { part, left: [] } };
}
