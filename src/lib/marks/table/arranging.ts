import {
  goingAlone,
  align,
  changePart,
  compose,
  distribute,
  invert,
  isKnown,
  placeAt,
  placing,
  scaledInPlace,
  shifted,
  turnedInPlace,
  unite,
  type Alignment,
  type Arranged,
  type Bounds,
  type Distribution,
  type Match,
  type Point,
  type Recipe,
  type Shift,
} from '$core/index';
import type { AtHand } from './at-hand';

/** Half the side of a part that nothing is seen of, in mark pixels. */
const UNSEEN_PX = 50;

/** Everything that brings chosen parts to other places, sizes and turns. */
export class Arranging {
  constructor(private readonly table: AtHand) {}

  /** Moves every chosen part in the mark's plane. */
  nudge(x: number, y: number): void {
    this.table.previewRecipe(this.#moved(goingAlone(this.table.open.recipe, this.table.chosen).map(({ id }) => ({ id, dx: x, dy: y }))));
  }
  /** The recipe with parts moved in the mark's plane; locked ones stay. */
  #moved(shifts: readonly Shift[]): Recipe {
    return shifts.reduce((recipe, { id, dx, dy }) => {
      const part = recipe.parts.filter(isKnown).find((each) => each.id === id);
      const resolved = this.table.resolved(id);
      return part && resolved && !part.locked ? changePart(recipe, id, { place: shifted(part, resolved, dx, dy).place }) : recipe;
    }, this.table.open.recipe);
  }
  /** Moves parts as one gesture. */
  shift(gesture: string, shifts: readonly Shift[]): void {
    this.table.open.commit(gesture, this.#moved(shifts));
  }
  /** What is chosen as it can be arranged. */
  things(): readonly Arranged[] {
    return this.table.chosen.flatMap(({ id }) => {
      const resolved = this.table.resolved(id);
      return resolved?.ink && resolved.balance ? [{ id, ink: resolved.ink, balance: resolved.balance }] : [];
    });
  }
  /** One part is brought to the rest of the mark; several to the one chosen last. */
  align(how: Alignment): void {
    const things = this.things();
    const last = things.at(-1);
    if (!last) return;
    if (things.length > 1) return this.shift('Align', align(things.slice(0, -1), how, last));
    const others = (this.table.desk.stage?.parts ?? []).filter(({ id, within, ink }) => id !== last.id && within === undefined && ink);
    const ink = others.reduce<Bounds | undefined>((sum, part) => unite(sum, part.ink), undefined);
    if (!ink) return;
    const weights = others.flatMap(({ balance, ink: box }) =>
      balance && box ? [{ balance, area: (box.right - box.left) * (box.bottom - box.top) }] : [],
    );
    const total = weights.reduce((sum, { area }) => sum + area, 0) || 1;
    const balance = {
      x: weights.reduce((sum, each) => sum + each.balance.x * each.area, 0) / total,
      y: weights.reduce((sum, each) => sum + each.balance.y * each.area, 0) / total,
    };
    this.shift('Align', align([last], how, { ink, balance }));
  }
  distribute(how: Distribution, axis: 'x' | 'y'): void {
    this.shift('Distribute', distribute(this.things(), how, axis));
  }
  /** Equal white between the ink of what is chosen. */
  async evenInk(axis: 'x' | 'y'): Promise<void> {
    const ids = this.table.chosen.map(({ id }) => id);
    this.shift('Even gaps', await this.table.desk.ask((draughtsman) => draughtsman.inkGaps(this.table.info.id, ids, axis)));
  }
  /** Turns what is chosen until two points of its outline lie on a level line; the next way each time. */
  async rest(): Promise<void> {
    const [part] = this.table.chosen.slice(-1);
    if (!part || part.locked) return;
    const rests = (await this.table.desk.ask((draughtsman) => draughtsman.rests(this.table.info.id, part.id))).filter(
      ({ stable }) => stable,
    );
    const resolved = this.table.resolved(part.id);
    // The way it rests already is passed over; then clockwise from one to the next.
    const clockwise = rests.map(({ turnDeg }) => (turnDeg < 0.01 ? turnDeg + 360 : turnDeg)).sort((one, other) => one - other);
    const next = clockwise.find((turn) => turn < 359.99) ?? 0;
    if (resolved && next !== 0)
      this.table.open.commit(
        'Rest on a line',
        changePart(this.table.open.recipe, part.id, { place: turnedInPlace(part, resolved, next).place }),
      );
  }
  /** Makes all chosen parts as large as the one chosen last. */
  async match(how: Match): Promise<void> {
    const things = this.things();
    const last = things.at(-1);
    if (!last || things.length < 2) return;
    const areas =
      how === 'ink-area'
        ? await this.table.desk.ask((draughtsman) =>
            draughtsman.inkAreas(
              this.table.info.id,
              things.map(({ id }) => id),
            ),
          )
        : [];
    const measure = (thing: Arranged, index: number): number => {
      if (how === 'ink-area') return Math.sqrt(areas[index] ?? 0);
      if (how === 'width') return thing.ink.right - thing.ink.left;
      const lettering = this.table.resolved(thing.id)?.lettering;
      const part = this.table.resolved(thing.id);
      if (how === 'cap-height' && lettering && part) return lettering.capHeightPx * Math.hypot(part.transform.a, part.transform.b);
      return thing.ink.bottom - thing.ink.top;
    };
    const wanted = measure(last, things.length - 1);
    const recipe = things.slice(0, -1).reduce((next, thing, index) => {
      const part = next.parts.filter(isKnown).find(({ id }) => id === thing.id);
      const resolved = this.table.resolved(thing.id);
      const own = measure(thing, index);
      return part && resolved && !part.locked && own > 0 ? changePart(next, part.id, scaledInPlace(part, resolved, wanted / own)) : next;
    }, this.table.open.recipe);
    this.table.open.commit('Match size', recipe);
  }

  /** The box around what is chosen; parts that are not drawn yet, or draw nothing, count as a small one where they stand. */
  box(): Bounds {
    const drawn = this.things().reduce<Bounds | undefined>((sum, thing) => unite(sum, thing.ink), undefined);
    const boxes = this.table.chosen.map(({ place: { x, y } }) => ({
      left: x - UNSEEN_PX,
      top: y - UNSEEN_PX,
      right: x + UNSEEN_PX,
      bottom: y + UNSEEN_PX,
    }));
    return drawn ?? boxes.reduce<Bounds | undefined>(unite, undefined) ?? { left: 0, top: 0, right: 0, bottom: 0 };
  }
  /** The middle of what is chosen, in whole pixels. */
  middle(): Point {
    const { left, top, right, bottom } = this.box();
    return { x: Math.round((left + right) / 2), y: Math.round((top + bottom) / 2) };
  }
  /** Mirrors each chosen part left to right about the middle of its ink. */
  flip(): void {
    const recipe = this.table.chosen.reduce((next, part) => {
      const resolved = this.table.resolved(part.id);
      if (!resolved?.ink || part.locked) return next;
      const middle = (resolved.ink.left + resolved.ink.right) / 2;
      const outer = invert(resolved.outer);
      if (!outer) return next;
      const map = compose(outer, compose({ a: -1, b: 0, c: 0, d: 1, e: 2 * middle, f: 0 }, compose(resolved.outer, placing(part.place))));
      return changePart(next, part.id, { place: placeAt(map) });
    }, this.table.open.recipe);
    this.table.open.commit('Flip', recipe);
  }
}
