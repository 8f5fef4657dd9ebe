import {
  boundsOf,
  expect,
  joinPaths,
  letterForms,
  mapPath,
  pathData,
  setLine,
  spacingOf,
  type Axis,
  type Bounds,
  type FontChoice,
  type LetterForm,
  type SeenGap,
} from '$core/index';
import type { DrawingTable } from './table';

/** A face as it can be chosen. */
export interface FaceInfo {
  readonly axes: readonly Axis[];
  readonly features: readonly string[];
}

/** A word set in one face, as one outline at 100 px. */
export interface WordPicture {
  readonly data: string;
  readonly box: Bounds | undefined;
  readonly missing: readonly string[];
}

/** A gap as the page shows it. */
export type GapPicture = Omit<SeenGap, 'area'> & { readonly data: string };
export interface SpacingPicture {
  readonly data: string;
  readonly box: Bounds | undefined;
  readonly gaps: readonly GapPicture[];
}
export type FormPicture = Omit<LetterForm, 'path'> & { readonly data: string };

/** Words, faces and letters by themselves. */
export function drawnWords(table: DrawingTable) {
  /** A word in one face. */
  async function word(text: string, font: FontChoice): Promise<WordPicture> {
    const { loader } = table.ready();
    await loader.load([font]);
    const set = setLine(expect(loader.shelf.find(font)), text, { axes: font.axes, kerning: 'font', trackingPermille: 0 });
    const SIZE_PX = 100;
    const path = joinPaths(
      set.glyphs.map(({ instance, glyph, emPerUnit, x, y }) => {
        const scale = emPerUnit * SIZE_PX;
        return mapPath(instance.outline(glyph), { a: scale, b: 0, c: 0, d: scale, e: x * SIZE_PX, f: y * SIZE_PX });
      }),
    );
    return { data: pathData(path), box: boundsOf(path), missing: set.missing };
  }

  return {
    word,
    /** A word in many faces at once; a face that cannot be opened is left out. */
    async words(text: string, fonts: readonly FontChoice[]): Promise<readonly (WordPicture | undefined)[]> {
      return Promise.all(fonts.map((font) => word(text, font).catch(() => undefined)));
    },

    async face(font: FontChoice): Promise<FaceInfo> {
      const { loader } = table.ready();
      await loader.load([font]);
      const { axes, features } = expect(loader.shelf.find(font));
      return { axes, features };
    },

    /** The gaps of a lettering as areas, set flat. */
    async spacing(markId: string, partId: string): Promise<SpacingPicture | undefined> {
      const { part, loader } = await table.lettering(markId, partId);
      if (!part) return undefined;
      const { letters, box, gaps } = spacingOf(part, loader.shelf, table.ready().paths);
      return { data: pathData(letters), box, gaps: gaps.map(({ area, ...gap }) => ({ ...gap, data: pathData(area) })) };
    },

    /** The forms that the font has for a letter where it stands. */
    async forms(markId: string, partId: string, index: number): Promise<readonly FormPicture[]> {
      const { part, loader } = await table.lettering(markId, partId);
      if (!part) return [];
      return letterForms(part, index, loader.shelf).map(({ path, ...form }) => ({ ...form, data: pathData(path) }));
    },
  };
}
