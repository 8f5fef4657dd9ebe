import type { PhotoView } from './photo-view';
import { sentences } from './request';

/** What became of a file that was sent in: one photo, or the pages of a PDF. */
type Brought = { readonly ok: true; readonly photos: readonly PhotoView[] } | { readonly ok: false; readonly says: string };

const TRIES = 6;
const BETWEEN_MS = 1500;

/** Sends a photo or a PDF in, to be kept with the brand; tries again while the server is away. */
export async function bringPhotos(brandSlug: string, file: File): Promise<Brought> {
  for (let tries = 0; tries < TRIES; tries++) {
    try {
      const response = await fetch(`/api/brands/${brandSlug}/photos?name=${encodeURIComponent(file.name)}`, {
        method: 'POST',
        headers: { 'content-type': file.type || 'application/octet-stream' },
        body: file,
      });
      const answer = (await response.json()) as readonly PhotoView[] | { readonly problems?: Parameters<typeof sentences>[0] };
      if ('length' in answer) return { ok: true, photos: answer };
      if (response.status !== 503) return { ok: false, says: sentences(answer.problems ?? []) };
    } catch {
      // The server is away, or the way to it broke: it may be back in a moment.
    }
    await new Promise((resolve) => setTimeout(resolve, BETWEEN_MS * (tries + 1)));
  }
  return { ok: false, says: `${file.name} could not be sent: the server cannot be reached. Bring it in again when it returns.` };
}
