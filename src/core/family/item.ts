import { notNought } from '../numeric/tolerances';
import { heightOf, unite, widthOf, type Bounds, type Point } from '../geometry';
import type { KnownInput } from '../marks/registry';

/** Where an item is put: its own pixels times `scale`, moved by x and y. */
export interface Spot {
  readonly x: number;
  readonly y: number;
  readonly scale: number;
}

/** Something that layouts arrange: one piece of the primary or several, with the box of its ink in its own pixels. */
export interface Item {
  readonly box: Bounds;
  /** Where it looks balanced: what stands above or below it is centered on this. */
  readonly middle: Point;
  /** Height of its capitals, where it is words. */
  readonly capPx?: number;
  /** The parts that draw it when it is put somewhere. */
  readonly put: (at: Spot) => readonly KnownInput[];
}

const HERE: Spot = { x: 0, y: 0, scale: 1 };
/** A spot counted in another one. */
export const within = (outer: Spot, inner: Spot): Spot => ({
  x: outer.x + outer.scale * inner.x,
  y: outer.y + outer.scale * inner.y,
  scale: outer.scale * inner.scale,
});

/** An item at a spot, as an item again. */
export function placed(item: Item, spot: Partial<Spot>): Item {
  const at = { ...HERE, ...spot };
  const x = (value: number) => at.x + at.scale * value;
  const y = (value: number) => at.y + at.scale * value;
  const { left, right, top, bottom } = item.box;
  return {
    box: { left: x(left), right: x(right), top: y(top), bottom: y(bottom) },
    middle: { x: x(item.middle.x), y: y(item.middle.y) },
    ...(item.capPx === undefined ? {} : { capPx: item.capPx * at.scale }),
    put: (outer) => item.put(within(outer, at)),
  };
}

/** Several items as one, where they stand. */
export function together(...items: readonly Item[]): Item {
  const box = items.reduce<Bounds | undefined>((sum, item) => unite(sum, item.box), undefined) ?? { left: 0, right: 0, top: 0, bottom: 0 };
  const caps = items.flatMap(({ capPx }) => capPx ?? []);
  return {
    box,
    middle: { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 },
    ...(caps.length === 0 ? {} : { capPx: Math.max(...caps) }),
    put: (at) => items.flatMap((item) => item.put(at)),
  };
}

/** One above the other, each centered on its optical middle, with white between their ink. @param gaps one between each two */
export function column(items: readonly Item[], gaps: readonly number[]): Item {
  let bottom = 0;
  const standing = items.map((item, at) => {
    const top = at === 0 ? 0 : bottom + (gaps[at - 1] ?? 0);
    const next = placed(item, { x: -item.middle.x, y: top - item.box.top });
    bottom = next.box.bottom;
    return next;
  });
  return together(...standing);
}

/** One beside the other, from left to right, their middles on one level, with white between their ink. */
export function row(items: readonly Item[], gaps: readonly number[]): Item {
  let right = 0;
  const standing = items.map((item, at) => {
    const left = at === 0 ? 0 : right + (gaps[at - 1] ?? 0);
    const level = (item.box.top + item.box.bottom) / 2;
    const next = placed(item, { x: left - item.box.left, y: -level });
    right = next.box.right;
    return next;
  });
  return together(...standing);
}

/** An item as high, or as wide, as asked. */
export const asHigh = (item: Item, heightPx: number): Item => placed(item, { scale: heightPx / notNought(heightOf(item.box)) });
export const asWide = (item: Item, widthPx: number): Item => placed(item, { scale: widthPx / notNought(widthOf(item.box)) });
/** An item moved so that its optical middle is the origin; as small as it must be to lie in a disk. */
export function inDisk(item: Item, radiusPx: number): Item {
  const { left, right, top, bottom } = item.box;
  const far = Math.max(...[left, right].flatMap((x) => [top, bottom].map((y) => Math.hypot(x - item.middle.x, y - item.middle.y))));
  const scale = radiusPx / notNought(far);
  return placed(item, { x: -item.middle.x * scale, y: -item.middle.y * scale, scale });
}
