/** Where one picture lies on a sheet, in its pixels. */
export interface SheetCell {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}
export interface SideBySide {
  readonly heightPx: number;
  readonly cells: readonly SheetCell[];
}

/** A sheet is about so wide for its height. */
const WANTED_RATIO = 4 / 3;
/** Room around pictures and between them, as a share of the sheet's width. */
export const SHEET_GAP = 0.012;

/** Pictures in their order in rows that are about equally full. */
function rowsOf(ratios: readonly number[], count: number): readonly (readonly number[])[] {
  const each = ratios.reduce((sum, ratio) => sum + ratio, 0) / count;
  const rows: number[][] = Array.from({ length: count }, () => []);
  let before = 0;
  ratios.forEach((ratio, at) => {
    // A row takes what has its middle in it; every row takes one at least.
    const wanted = Math.floor((before + ratio / 2) / each);
    const least = Math.max(0, count - (ratios.length - at));
    rows[Math.min(count - 1, Math.max(wanted, least))]?.push(at);
    before += ratio;
  });
  return rows.filter((row) => row.length > 0);
}

/**
 * Pictures side by side, none of them cut: in rows that all fill the width, as many as bring the sheet nearest to 4 : 3.
 * @param ratios width through height of each picture
 */
export function sideBySide(ratios: readonly number[], widthPx: number): SideBySide {
  const gap = Math.max(1, Math.round(widthPx * SHEET_GAP));
  const laid = (count: number): SideBySide => {
    const cells: SheetCell[] = [];
    let top = gap;
    for (const row of rowsOf(ratios, count)) {
      const free = widthPx - gap * (row.length + 1);
      const height = Math.max(1, Math.round(free / row.reduce((sum, at) => sum + (ratios[at] as number), 0)));
      let left = gap;
      row.forEach((at, place) => {
        // The last one ends where the row does, whatever was rounded.
        const width = place === row.length - 1 ? widthPx - gap - left : Math.max(1, Math.round(height * (ratios[at] as number)));
        cells.push({ left, top, width: Math.max(1, width), height });
        left += width + gap;
      });
      top += height + gap;
    }
    return { heightPx: top, cells };
  };
  const off = ({ heightPx }: SideBySide) => Math.abs(Math.log(widthPx / heightPx / WANTED_RATIO));
  return Array.from({ length: ratios.length }, (_, n) => laid(n + 1)).reduce(
    (best, next) => (off(next) < off(best) ? next : best),
    laid(1),
  );
}
