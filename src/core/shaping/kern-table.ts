/** Kerning of pairs of glyphs, in font units; 0 where a font says nothing. */
export type PairKerning = (left: number, right: number) => number;

/**
 * Reads an old `kern` table: pairs of format 0 and classes of format 2, horizontal, in both known headers. Fonts that kern by GPOS are kerned by that.
 * @returns nothing when the table holds nothing that applies
 * @source ISO/IEC 14496-22, 5.7.7 "kern"; Apple TrueType Reference Manual, "The 'kern' table" (version 1.0 header)
 */
export function readKernTable(table: Uint8Array | undefined): PairKerning | undefined {
  if (!table || table.length < 8) return undefined;
  const view = new DataView(table.buffer, table.byteOffset, table.byteLength);
  const apple = view.getUint16(0) === 1;
  const count = apple ? view.getUint32(4) : view.getUint16(2);
  const readers: PairKerning[] = [];
  let at = apple ? 8 : 4;
  for (let index = 0; index < Math.min(count, 64) && at + 8 <= table.length; index++) {
    const header = apple ? 8 : 6;
    const length = apple ? view.getUint32(at) : view.getUint16(at + 2);
    const coverage = view.getUint16(at + 4);
    const format = apple ? coverage & 0xff : coverage >> 8;
    // Horizontal kerning along the line only: no minimums, nothing across, no variations.
    const applies = apple ? (coverage & 0xe000) === 0 : (coverage & 0x07) === 1;
    const body = at + header;
    if (applies && format === 0 && body + 8 <= table.length) {
      const pairs = Math.min(view.getUint16(body), Math.floor((table.length - body - 8) / 6));
      const known = new Map<number, number>();
      for (let pair = 0; pair < pairs; pair++) {
        const from = body + 8 + pair * 6;
        known.set(view.getUint32(from), view.getInt16(from + 4));
      }
      readers.push((left, right) => known.get(left * 65_536 + right) ?? 0);
    } else if (applies && format === 2 && body + 8 <= table.length) {
      const classOf = (offset: number, glyph: number): number | undefined => {
        const start = at + offset;
        if (start + 4 > table.length) return undefined;
        const [first, glyphs] = [view.getUint16(start), view.getUint16(start + 2)];
        const entry = start + 4 + (glyph - first) * 2;
        return glyph >= first && glyph < first + glyphs && entry + 2 <= table.length ? view.getUint16(entry) : undefined;
      };
      const [leftClasses, rightClasses] = [view.getUint16(body + 2), view.getUint16(body + 4)];
      const array = view.getUint16(body + 6);
      readers.push((left, right) => {
        // Left classes are offsets of rows, right ones offsets within a row.
        const value = at + (classOf(leftClasses, left) ?? array) + (classOf(rightClasses, right) ?? 0);
        return value + 2 <= table.length && value >= at + array ? view.getInt16(value) : 0;
      });
    }
    // A table of more than 64 KB cannot say its own length in the older header; it is then the only one.
    if (!apple && count === 1) break;
    if (length === 0) break;
    at += length;
  }
  return readers.length === 0 ? undefined : (left, right) => readers.reduce((sum, read) => sum + read(left, right), 0);
}
