import {
  about,
  changePart,
  goingAlone,
  hasFreeSides,
  pulledInPlace,
  rotation,
  scaling,
  underMap,
  unite,
  type Bounds,
  type KnownPart,
  type Point,
  type Recipe,
  type ResolvedPart,
} from '$core/index';
import type { Table } from '../table/table.svelte';
import { onSurface } from './handles';
import { hold, type Held } from './hold';
import type { StageView } from './stage-view.svelte';

/** What is pulled of the frame around what is chosen: a corner or a side, by the directions it lies in, to size; or outside a corner, to turn. */
export interface Grip {
  readonly pulls: 'size' | 'turn';
  readonly x: -1 | 0 | 1;
  readonly y: -1 | 0 | 1;
}

/** How near a side comes to the size of another part before it takes it, on the screen. */
const SNAP_PX = 6;
/** A pull through nothing stops here. */
const LEAST = 0.01;
/** With Shift, turns go in these steps. */
const STEP_DEG = 15;

export const middleOf = ({ left, right, top, bottom }: Bounds): Point => ({ x: (left + right) / 2, y: (top + bottom) / 2 });
const widthOf = ({ left, right }: Bounds) => right - left;
const heightOf = ({ top, bottom }: Bounds) => bottom - top;
const spot = (box: Bounds, x: number, y: number): Point => ({
  x: x < 0 ? box.left : x > 0 ? box.right : (box.left + box.right) / 2,
  y: y < 0 ? box.top : y > 0 ? box.bottom : (box.top + box.bottom) / 2,
});

/** How much wider and taller a pull makes a box. @param to where the pulled corner or side is now; @param free whether each side goes its own way */
export function growth(box: Bounds, grip: Grip, at: Point, to: Point, free: boolean): { readonly x: number; readonly y: number } {
  const from = spot(box, grip.x, grip.y);
  const [w, h] = [from.x - at.x, from.y - at.y];
  const x = grip.x === 0 || w === 0 ? 1 : Math.max(LEAST, (to.x - at.x) / w);
  const y = grip.y === 0 || h === 0 ? 1 : Math.max(LEAST, (to.y - at.y) / h);
  if (free || grip.x === 0 || grip.y === 0) return { x, y };
  // In proportion: as far as the pointer has gone along the diagonal.
  const by = Math.max(LEAST, ((to.x - at.x) * w + (to.y - at.y) * h) / (w * w + h * h));
  return { x: by, y: by };
}

/** The other size that a length is near to, and whose it is. */
export function nearSize(
  length: number,
  others: readonly { readonly px: number; readonly words: string }[],
  reach: number,
): { readonly px: number; readonly words: string } | undefined {
  return others
    .filter(({ px }) => px > 0 && Math.abs(px - length) <= reach)
    .sort((a, b) => Math.abs(a.px - length) - Math.abs(b.px - length))[0];
}

/** Pulls what is chosen to size, or turns it, until the pointer is let go. @param tell says the measures while it goes on */
export function pull(
  event: PointerEvent,
  grip: Grip,
  table: Table,
  view: StageView,
  surface: Element,
  tell: (words: string) => void,
): void {
  event.stopPropagation();
  const began = table.open.recipe;
  const pulled = goingAlone(
    began,
    table.chosen.filter(({ locked }) => !locked),
  ).flatMap((part) => {
    const resolved = table.resolved(part.id);
    return resolved?.ink ? [{ part, resolved, ink: resolved.ink }] : [];
  });
  const box = pulled.reduce<Bounds | undefined>((sum, { ink }) => unite(sum, ink), undefined);
  if (!box || widthOf(box) <= 0 || heightOf(box) <= 0) return;
  const [first] = pulled;
  const pressed = view.toMark(onSurface(surface, event));
  const sizes = (table.desk.stage?.parts ?? []).flatMap(({ id, ink, within }) => {
    const other = table.parts.find((each) => each.id === id);
    if (!ink || !other || within !== undefined || table.isChosen(id)) return [];
    const name = table.nameOf(other);
    return [
      { px: widthOf(ink), words: `as wide as ${name}`, side: 'x' },
      { px: heightOf(ink), words: `as tall as ${name}`, side: 'y' },
    ];
  });
  const reach = SNAP_PX / view.scale;
  const show = (change: (part: KnownPart, resolved: ResolvedPart) => KnownPart) =>
    table.previewRecipe(pulled.reduce((recipe: Recipe, { part, resolved }) => changePart(recipe, part.id, change(part, resolved)), began));

  function size(held: Held): void {
    if (!box) return;
    const at = held.alt ? middleOf(box) : spot(box, -grip.x, -grip.y);
    const corner = spot(box, grip.x, grip.y);
    const to = { x: corner.x + held.x / view.scale, y: corner.y + held.y / view.scale };
    let by = growth(box, grip, at, to, held.ctrl);
    let said = '';
    if (!held.ctrl) {
      const side = grip.x === 0 || (grip.y !== 0 && heightOf(box) > widthOf(box)) ? 'y' : 'x';
      const own = side === 'x' ? widthOf(box) : heightOf(box);
      const near = nearSize(
        own * by[side],
        sizes.filter((each) => each.side === side),
        reach,
      );
      if (near) {
        const snapped = near.px / own;
        by = by.x === by.y ? { x: snapped, y: snapped } : { ...by, [side]: snapped };
        said = ` · ${near.words}`;
      }
    }
    // One side of several parts, or of a part without sides of its own, takes the other along.
    const alone = pulled.length === 1;
    const one = grip.x === 0 ? by.y : grip.y === 0 ? by.x : Math.max(by.x, by.y);
    show((part, resolved) =>
      alone && hasFreeSides(part, resolved)
        ? pulledInPlace(part, resolved, at, by.x, by.y)
        : underMap(part, resolved, about(at, scaling(one))),
    );
    tell(`${Math.round(one * 100)} %${said}`);
  }
  function turn(held: Held): void {
    if (!box) return;
    const center = middleOf(box);
    const to = { x: pressed.x + held.x / view.scale, y: pressed.y + held.y / view.scale };
    const angle = (point: Point) => (Math.atan2(point.y - center.y, point.x - center.x) * 180) / Math.PI;
    let by = ((angle(to) - angle(pressed) + 540) % 360) - 180;
    const before = pulled.length === 1 ? (first?.part.place.turnDeg ?? 0) : 0;
    if (held.shift) by = Math.round((before + by) / STEP_DEG) * STEP_DEG - before;
    show((part, resolved) => underMap(part, resolved, about(center, rotation(by))));
    tell(`${by >= 0 ? '+' : '−'}${Math.abs(by).toFixed(1)}°`);
  }

  view.holding = true;
  hold(event, surface, grip.pulls === 'turn' ? turn : size, (went) => {
    view.holding = false;
    tell('');
    if (went) table.commit(grip.pulls === 'turn' ? 'Turn' : 'Size');
  });
}
