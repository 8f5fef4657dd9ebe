/**
 * Joins every patch of an area that is smaller than so many pixels to the neighbor it has most border with. Changes `areas` in place.
 * @param keep an area whose patches stay, however small
 * @returns how many were joined
 */
export function joinSpecks(areas: Int16Array, columns: number, rows: number, smallest: number, keep?: number): number {
  if (smallest <= 1) return 0;
  const patch = new Int32Array(areas.length).fill(-1);
  const stack = new Int32Array(areas.length);
  let joined = 0;
  let patches = 0;
  for (let start = 0; start < areas.length; start++) {
    if (patch[start] !== -1) continue;
    const area = areas[start] as number;
    const name = patches++;
    let [top, size] = [0, 0];
    stack[top++] = start;
    patch[start] = name;
    const members: number[] = [];
    /** Border with each neighboring area. */
    const borders = new Map<number, number>();
    while (top > 0) {
      const index = stack[--top] as number;
      size++;
      if (size < smallest) members.push(index);
      const x = index % columns;
      const look = (near: number): void => {
        const other = areas[near] as number;
        if (other !== area) {
          if (size < smallest) borders.set(other, (borders.get(other) ?? 0) + 1);
        } else if (patch[near] === -1) {
          patch[near] = name;
          stack[top++] = near;
        }
      };
      if (x > 0) look(index - 1);
      if (x < columns - 1) look(index + 1);
      if (index >= columns) look(index - columns);
      if (index < areas.length - columns) look(index + columns);
    }
    if (size >= smallest || area === keep || borders.size === 0) continue;
    let [to, most] = [area, 0];
    for (const [other, length] of borders) if (length > most) [to, most] = [other, length];
    for (const index of members) areas[index] = to;
    joined++;
  }
  return joined;
}
