import { fail, ok, type Result } from '../result/result';

/** Sides that an icon file holds, smallest first (common practice: 16 and 32 in tabs and bars, 48 on desktops, 256 for large views). */
export const ICON_SIDES_PX = [16, 24, 32, 48, 64, 128, 256] as const;

/** One picture of an icon file. */
export interface IconPicture {
  readonly sidePx: number;
  /** A square PNG with alpha of that side. */
  readonly png: Uint8Array;
}

const HEADER_BYTES = 6;
const ENTRY_BYTES = 16;

/**
 * An ICO file of PNG pictures.
 * @source the ICONDIR and ICONDIRENTRY structures, from memory; a side of 256 is written as 0. PNG entries: Windows Vista and later, and all browsers
 */
export function icoFile(pictures: readonly IconPicture[]): Result<Uint8Array> {
  const wrong = pictures.find(({ sidePx }) => !Number.isInteger(sidePx) || sidePx < 1 || sidePx > 256);
  if (wrong || pictures.length === 0)
    return fail({
      code: 'icon-side',
      message: `Expected pictures of 1 to 256 px for an icon, but received ${wrong ? `${wrong.sidePx} px` : 'none'}.`,
    });
  const sorted = [...pictures].sort((one, other) => one.sidePx - other.sidePx);
  const head = HEADER_BYTES + ENTRY_BYTES * sorted.length;
  const file = new Uint8Array(head + sorted.reduce((sum, { png }) => sum + png.length, 0));
  const view = new DataView(file.buffer);
  view.setUint16(2, 1, true); // an icon, not a pointer
  view.setUint16(4, sorted.length, true);
  let from = head;
  for (const [index, { sidePx, png }] of sorted.entries()) {
    const at = HEADER_BYTES + ENTRY_BYTES * index;
    view.setUint8(at, sidePx % 256);
    view.setUint8(at + 1, sidePx % 256);
    view.setUint16(at + 4, 1, true); // color planes
    view.setUint16(at + 6, 32, true); // bits per pixel
    view.setUint32(at + 8, png.length, true);
    view.setUint32(at + 12, from, true);
    file.set(png, from);
    from += png.length;
  }
  return ok(file);
}
