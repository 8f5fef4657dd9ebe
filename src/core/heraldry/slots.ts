import type { Bounds, Point } from '../geometry';

/** How charges of one kind stand on a field. */
export const ARRANGED = [
  'center',
  'quarters',
  'in-pale',
  'in-fess',
  'in-bend',
  'in-bend-sinister',
  'two-and-one',
  'in-chief',
  'in-base',
  'seme',
] as const;
export type Arranged = (typeof ARRANGED)[number];

/** A place for one charge: its middle, and the square it may fill. */
export interface Slot extends Point {
  readonly size: number;
}

const row = (count: number, from: Point, to: Point, size: number): readonly Slot[] =>
  Array.from({ length: count }, (_, index) => {
    const t = count === 1 ? 0.5 : index / (count - 1);
    return { x: from.x + (to.x - from.x) * t, y: from.y + (to.y - from.y) * t, size };
  });

/** Where charges stand on a shield's box, by how they are arranged and how many they are; shields grow narrow below, so that lower ones are nearer to the middle. */
export function slotsOn(box: Bounds, arranged: Arranged, count: number): readonly Slot[] {
  const [w, h] = [box.right - box.left, box.bottom - box.top];
  const x = (share: number) => box.left + w * share;
  const y = (share: number) => box.top + h * share;
  const n = Math.max(1, Math.min(60, Math.round(count)));
  switch (arranged) {
    case 'center':
      return [{ x: x(0.5), y: y(0.45), size: w * 0.56 }];
    case 'quarters': {
      const all: readonly Slot[] = [
        { x: x(0.26), y: y(0.25), size: w * 0.34 },
        { x: x(0.74), y: y(0.25), size: w * 0.34 },
        { x: x(0.3), y: y(0.64), size: w * 0.3 },
        { x: x(0.7), y: y(0.64), size: w * 0.3 },
      ];
      return n === 1 ? all.slice(0, 1) : n === 2 ? [all[0] as Slot, all[3] as Slot] : all.slice(0, n);
    }
    case 'in-pale':
      return row(n, { x: x(0.5), y: y(n > 1 ? 0.17 : 0.45) }, { x: x(0.5), y: y(n > 1 ? 0.76 : 0.45) }, Math.min(w * 0.44, (h * 0.74) / n));
    case 'in-fess':
      return row(n, { x: x(n > 1 ? 0.2 : 0.5), y: y(0.45) }, { x: x(n > 1 ? 0.8 : 0.5), y: y(0.45) }, Math.min(w * 0.44, (w * 0.82) / n));
    case 'in-bend':
      return row(n, { x: x(0.22), y: y(0.18) }, { x: x(0.72), y: y(0.68) }, Math.min(w * 0.36, (w * 0.86) / n));
    case 'in-bend-sinister':
      return row(n, { x: x(0.78), y: y(0.18) }, { x: x(0.28), y: y(0.68) }, Math.min(w * 0.36, (w * 0.86) / n));
    case 'two-and-one':
      return [
        { x: x(0.27), y: y(0.26), size: w * 0.34 },
        { x: x(0.73), y: y(0.26), size: w * 0.34 },
        { x: x(0.5), y: y(0.66), size: w * 0.34 },
      ];
    case 'in-chief':
      return row(n, { x: x(n > 1 ? 0.2 : 0.5), y: y(0.14) }, { x: x(n > 1 ? 0.8 : 0.5), y: y(0.14) }, Math.min(h * 0.19, (w * 0.82) / n));
    case 'in-base':
      return row(n, { x: x(n > 1 ? 0.36 : 0.5), y: y(0.8) }, { x: x(n > 1 ? 0.64 : 0.5), y: y(0.8) }, Math.min(h * 0.2, (w * 0.56) / n));
    case 'seme': {
      const columns = Math.max(3, Math.round(Math.sqrt(n * 1.2)));
      const step = w / columns;
      const rows = Math.ceil(h / step);
      return Array.from({ length: rows }, (_, line) =>
        Array.from({ length: columns + (line % 2) }, (_each, column) => ({
          x: box.left + (column + (line % 2 === 0 ? 0.5 : 0)) * step,
          y: box.top + (line + 0.5) * step,
          size: step * 0.56,
        })),
      ).flat();
    }
  }
}
