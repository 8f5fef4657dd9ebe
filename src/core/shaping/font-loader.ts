import { expect } from '../result/result';
import { unpackFontFile } from './font-file';
import { createFontShelf, faceFor, type FontChoice, type FontShelf, type ShippedFace, type ShippedFamily, type Typeface } from '../type';
import { openTypeface } from './open-typeface';

/** A shelf that fills itself: asks for a face's bytes the first time somebody needs it. */
export interface FontLoader {
  readonly shelf: FontShelf;
  /** Opens what the choices need; unknown families are left to the shelf to report. Concurrent calls share one fetch. */
  readonly load: (choices: readonly FontChoice[]) => Promise<void>;
}

/** @param fetchBytes how this place gets a font file's bytes: over the network in a browser, from disk on the server */
export function createFontLoader(families: readonly ShippedFamily[], fetchBytes: (face: ShippedFace) => Promise<Uint8Array>): FontLoader {
  const open = new Map<string, Typeface>();
  const onTheirWay = new Map<string, Promise<void>>();
  const shelf = createFontShelf(families, open);

  const loadFace = (face: ShippedFace): Promise<void> => {
    const already = onTheirWay.get(face.file);
    if (already) return already;
    const loading = fetchBytes(face)
      .then(unpackFontFile)
      .then((bytes) => void open.set(face.file, expect(openTypeface(face.file, expect(bytes)))))
      .catch((error: unknown) => {
        onTheirWay.delete(face.file); // The next request tries again.
        throw error;
      });
    onTheirWay.set(face.file, loading);
    return loading;
  };
  const load = async (choices: readonly FontChoice[]): Promise<void> => {
    // A face that cannot be had is reported by the shelf where it is asked for; the others are drawn.
    await Promise.allSettled(
      choices.flatMap((choice) => {
        const family = shelf.family(choice.family);
        const face = family && faceFor(family, choice);
        return face && !open.has(face.file) ? [loadFace(face)] : [];
      }),
    );
  };
  return { shelf, load };
}
