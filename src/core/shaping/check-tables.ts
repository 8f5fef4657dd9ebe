import { fail, ok, type Result } from '../result/result';

/** Where a table lies in a font. */
interface TablePlace {
  readonly offset: number;
  readonly length: number;
}

const REQUIRED = ['cmap', 'head', 'hhea', 'hmtx', 'maxp', 'name', 'OS/2', 'post'] as const;
const MAGIC = 0x5f0f3cf5;
const COLOR_TABLES = ['COLR', 'CBDT', 'sbix', 'SVG '] as const;

const broken = (message: string) => fail<FontTables>({ code: 'broken-font', message, fix: 'Ask for the file again from where it came.' });

/** What the tables of a sound font say. */
export interface FontTables {
  readonly glyphCount: number;
  readonly unitsPerEm: number;
  /** Embedding permission bits. @source ISO/IEC 14496-22, 5.2.7 "fsType" */
  readonly fsType: number;
  /** Whether the font also carries colored or bitmap glyphs, which a mark does not use. */
  readonly hasColor: boolean;
}

/**
 * Reads a font's table directory and every length that another table promises, before anything else touches the font.
 * @param font plain sfnt bytes
 * @source ISO/IEC 14496-22, 4.5 and 5.1 to 5.3
 */
export function checkTables(font: Uint8Array): Result<FontTables> {
  const view = new DataView(font.buffer, font.byteOffset, font.byteLength);
  if (font.length < 12) return broken(`The font ends after ${font.length} bytes, before its table directory.`);
  const count = view.getUint16(4);
  if (count === 0 || count > 64) return broken(`Expected 1 to 64 tables, but the directory says ${count}.`);
  if (12 + count * 16 > font.length) return broken('The font ends inside its table directory.');
  const tables = new Map<string, TablePlace>();
  for (let index = 0; index < count; index++) {
    const at = 12 + index * 16;
    const tag = String.fromCharCode(...font.subarray(at, at + 4));
    const [offset, length] = [view.getUint32(at + 8), view.getUint32(at + 12)];
    if (offset + length > font.length) return broken(`The table “${printable(tag)}” reaches beyond the end of the file.`);
    if (tables.has(tag)) return broken(`The table “${printable(tag)}” stands in the directory twice.`);
    tables.set(tag, { offset, length });
  }
  const missing = REQUIRED.filter((tag) => !tables.has(tag));
  if (missing.length > 0) return broken(`The font has no ${missing.map((tag) => `“${tag}”`).join(', ')} table.`);
  const outlines = tables.has('glyf') ? 'glyf' : tables.has('CFF ') ? 'CFF ' : tables.has('CFF2') ? 'CFF2' : undefined;
  const hasColor = COLOR_TABLES.some((tag) => tables.has(tag));
  if (!outlines)
    return fail({
      code: 'no-outlines',
      message: hasColor || tables.has('EBDT') ? 'This font holds only pictures of letters, no outlines.' : 'This font holds no outlines.',
      fix: 'Send a font with outlines; a mark must stay sharp at any size.',
    });

  const table = (tag: string): TablePlace => tables.get(tag) ?? { offset: 0, length: 0 };
  const least: readonly (readonly [tag: string, bytes: number])[] = [
    ['head', 54],
    ['hhea', 36],
    ['maxp', 6],
    ['OS/2', 68],
    ['post', 32],
    ['cmap', 4],
    ['name', 6],
  ];
  const short = least.find(([tag, bytes]) => table(tag).length < bytes);
  if (short) return broken(`The table “${short[0]}” has ${table(short[0]).length} bytes; at least ${short[1]} are needed.`);

  const head = table('head').offset;
  if (view.getUint32(head + 12) !== MAGIC) return broken('The table “head” does not begin as it must.');
  const unitsPerEm = view.getUint16(head + 18);
  if (unitsPerEm < 16 || unitsPerEm > 16_384) return broken(`Expected 16 to 16,384 units per em, but the font says ${unitsPerEm}.`);
  const glyphCount = view.getUint16(table('maxp').offset + 4);
  if (glyphCount === 0) return broken('The font has no glyphs.');
  const metrics = view.getUint16(table('hhea').offset + 34);
  if (metrics === 0 || metrics > glyphCount) return broken(`The font says it has widths for ${metrics} of ${glyphCount} glyphs.`);
  if (table('hmtx').length < metrics * 4 + (glyphCount - metrics) * 2)
    return broken('The table “hmtx” is shorter than the number of glyphs asks for.');
  if (outlines === 'glyf') {
    const wrong = checkLocations(view, table('loca'), table('glyf'), glyphCount, view.getInt16(head + 50));
    if (wrong) return broken(wrong);
  }
  return ok({ glyphCount, unitsPerEm, fsType: view.getUint16(table('OS/2').offset + 8), hasColor });
}

/** Whether every glyph lies inside the outlines table, in order. */
function checkLocations(view: DataView, loca: TablePlace, glyf: TablePlace, glyphCount: number, format: number): string | undefined {
  if (format !== 0 && format !== 1) return `Expected glyph locations of form 0 or 1, but the font says ${format}.`;
  const bytes = format === 0 ? 2 : 4;
  if (loca.length < (glyphCount + 1) * bytes) return 'The table “loca” is shorter than the number of glyphs asks for.';
  let before = 0;
  for (let glyph = 0; glyph <= glyphCount; glyph++) {
    const at = format === 0 ? view.getUint16(loca.offset + glyph * 2) * 2 : view.getUint32(loca.offset + glyph * 4);
    if (at < before || at > glyf.length) return `Glyph ${glyph} is said to lie outside the outlines.`;
    before = at;
  }
  return undefined;
}

const printable = (tag: string): string => tag.replace(/[^ -~]/g, '?');
