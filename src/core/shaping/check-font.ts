import { fail, ok, type Result } from '../result/result';
import { catalogueEntry, setLine, type CatalogueEntry, type Typeface } from '../type';
import { checkTables } from './check-tables';
import { collectionFaces, unpackFontFile } from './font-file';
import { openTypeface } from './open-typeface';

/** What a font's own permission bits allow, in words. @source ISO/IEC 14496-22, 5.2.7 "fsType" */
export interface EmbeddingRight {
  readonly name: 'installable' | 'editable' | 'preview and print' | 'restricted';
  readonly means: string;
}

export function embeddingRight(fsType: number): EmbeddingRight {
  if (fsType & 0x0008) return { name: 'editable', means: 'May be embedded in documents that others edit. Outlined marks do not embed it.' };
  if (fsType & 0x0004)
    return { name: 'preview and print', means: 'May be embedded for viewing and printing only. Outlined marks do not embed it.' };
  if (fsType & 0x0002)
    return {
      name: 'restricted',
      means:
        'May not be embedded without the maker’s leave. Outlined marks do not embed it; its license still decides whether it may be used in a logo.',
    };
  return { name: 'installable', means: 'May be embedded freely. Its license still decides whether it may be used in a logo.' };
}

/** A font that has passed every check. */
export interface CheckedFont {
  readonly bytes: Uint8Array;
  readonly typeface: Typeface;
  readonly glyphCount: number;
  readonly embedding: EmbeddingRight;
  readonly hasColor: boolean;
}

/** Text with which a font for Latin is tried out before it is trusted. */
const TRIAL_TEXT = 'Hamburgefonstiv AVATAR fi ffl 0123 éñ';
/** Characters of which one must have an outline, spread over all that the font has. */
const TRIED = 400;

/** Whether anything that the font maps can be drawn: letters of any script, or symbols. */
function drawsSomething(typeface: Typeface): boolean {
  const instance = typeface.at({});
  const draws = (text: string): boolean =>
    instance
      .shape({ text, direction: 'ltr', script: 'Zyyy', features: {} })
      .some(({ glyph, advance }) => Number.isFinite(advance) && glyph !== 0 && instance.outline(glyph).verbs !== '');
  return (typeface.sample?.(TRIED) ?? []).some((codePoint) => draws(String.fromCodePoint(codePoint)));
}

/**
 * Takes in a font from outside: unpacks it, checks every table, opens it and sets a line with it.
 * @param file OTF, TTF, WOFF, WOFF2 or one face of a collection, at most `LARGEST_FONT_BYTES`
 * @param face which face of a collection
 * @returns the font, or why it is refused
 */
export async function checkFont(id: string, file: Uint8Array, face?: number): Promise<Result<CheckedFont>> {
  const unpacked = await unpackFontFile(file, face);
  if (!unpacked.ok) return unpacked;
  const tables = checkTables(unpacked.value);
  if (!tables.ok) return tables;
  const opened = openTypeface(id, unpacked.value);
  if (!opened.ok) return opened;
  const { advance } = setLine(opened.value, TRIAL_TEXT, { axes: {}, kerning: 'font', trackingPermille: 0 });
  if (!Number.isFinite(advance) || !drawsSomething(opened.value))
    return fail({
      code: 'no-outlines',
      message: 'Nothing in this font has an outline.',
      fix: 'Send a font with outlines; a mark must stay sharp at any size.',
    });
  const { glyphCount, fsType, hasColor } = tables.value;
  return ok({ bytes: unpacked.value, typeface: opened.value, glyphCount, embedding: embeddingRight(fsType), hasColor });
}

/** The faces of a collection by their full names; empty for any other file. */
export async function facesOf(file: Uint8Array): Promise<readonly string[]> {
  const names: string[] = [];
  for (let face = 0; face < collectionFaces(file); face++) {
    const unpacked = await unpackFontFile(file, face);
    const opened = unpacked.ok ? openTypeface('face', unpacked.value) : unpacked;
    names.push((opened.ok && opened.value.fullName) || `Face ${face + 1}`);
  }
  return names;
}

/** The catalogue entry of a font from outside, measured like the shipped ones. */
export const measureOwnFont = (font: CheckedFont): CatalogueEntry => catalogueEntry(font.typeface);
