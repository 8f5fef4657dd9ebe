/**
 * Joins every patch of an area that is smaller than so many pixels to the neighbor it has most border with. Changes `areas` in place.
 * @param keep an area whose patches stay, however small
 * @returns how many were joined
 */
export function joinSpecks(areas: Int16Array, columns: number, rows: number, smallest: number, keep?: number): number {
  if (smallest <= 1) return 0;
  const patch = new Int32Array(areas.length).fill(-1);
  const stack = new Int32Array(areas.length);
  /** The pixels of a patch while it is small, and its border with each neighboring area. */
  const found = new Int32Array(Math.min(areas.length, Math.ceil(smallest)));
  const borders = new Map<number, number>();
  const steps = [-1, 1, -columns, columns];
  const last = areas.length - columns;
  let joined = 0;
  let patches = 0;
  for (let start = 0; start < areas.length; start++) {
    if (patch[start] !== -1) continue;
    const area = areas[start] as number;
    const name = patches++;
    let [top, size] = [0, 0];
    stack[top++] = start;
    patch[start] = name;
    let members = 0;
    borders.clear();
    while (top > 0) {
      const index = stack[--top] as number;
      if (size++ < smallest) found[members++] = index;
      const x = index % columns;
      for (let side = 0; side < 4; side++) {
        if (side === 0 ? x === 0 : side === 1 ? x === columns - 1 : side === 2 ? index < columns : index >= last) continue;
        const near = index + (steps[side] as number);
        if (areas[near] === area) {
          if (patch[near] !== -1) continue;
          patch[near] = name;
          stack[top++] = near;
        } else if (size < smallest) {
          const other = areas[near] as number;
          borders.set(other, (borders.get(other) ?? 0) + 1);
        }
      }
    }
    if (size >= smallest || area === keep || borders.size === 0) continue;
    let [to, most] = [area, 0];
    for (const [other, length] of borders) if (length > most) [to, most] = [other, length];
    for (let n = 0; n < members; n++) areas[found[n] as number] = to;
    joined++;
  }
  return joined;
}
