import { fail, ok, type Result } from '../result/result';
import { catalogueEntry, setLine, type CatalogueEntry, type Typeface } from '../type';
import { checkTables } from './check-tables';
import { unpackFontFile } from './font-file';
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

/** Text with which a font is tried out before it is trusted. */
const TRIAL_TEXT = 'Hamburgefonstiv AVATAR fi ffl 0123 éñ';

/**
 * Takes in a font from outside: unpacks it, checks every table, opens it and sets a line with it.
 * @param file OTF, TTF, WOFF or WOFF2, at most `LARGEST_FONT_BYTES`
 * @returns the font, or why it is refused
 */
export async function checkFont(id: string, file: Uint8Array): Promise<Result<CheckedFont>> {
  const unpacked = await unpackFontFile(file);
  if (!unpacked.ok) return unpacked;
  const tables = checkTables(unpacked.value);
  if (!tables.ok) return tables;
  const opened = openTypeface(id, unpacked.value);
  if (!opened.ok) return opened;
  const { glyphs, advance } = setLine(opened.value, TRIAL_TEXT, { axes: {}, kerning: 'font', trackingPermille: 0 });
  const drawn = glyphs.filter(({ instance, glyph }) => instance.outline(glyph).verbs !== '').length;
  if (glyphs.length > 0 && (drawn === 0 || !Number.isFinite(advance)))
    return fail({
      code: 'no-outlines',
      message: 'No letter of this font has an outline.',
      fix: 'Send a font with outlines; a mark must stay sharp at any size.',
    });
  const { glyphCount, fsType, hasColor } = tables.value;
  return ok({ bytes: unpacked.value, typeface: opened.value, glyphCount, embedding: embeddingRight(fsType), hasColor });
}

/** The catalogue entry of a font from outside, measured like the shipped ones. */
export const measureOwnFont = (font: CheckedFont): CatalogueEntry => catalogueEntry(font.typeface);
