import { getContext, setContext } from 'svelte';
import {
  addPart,
  align,
  compose,
  invert,
  placeAt,
  placing,
  distribute,
  gather,
  isKnown,
  openTaker,
  releaseCopy,
  scaledInPlace,
  shifted,
  takenBy,
  takerOf,
  topLevel,
  turnedInPlace,
  unite,
  withPartLook,
  type Alignment,
  type Arranged,
  type Bounds,
  type Distribution,
  type KnownInput,
  type Match,
  type Point,
  type Shift,
  type Symmetry,
  changePart,
  createPart,
  duplicatePart,
  freePartId,
  removePart,
  restack,
  forgetWaiting,
  labelOf,
  partLook,
  retext,
  expect,
  type Brief,
  type KnownPart,
  type Lettering,
  type PartLook,
  type Palette,
  type Part,
  type Picture,
  type PartChange,
  type Recipe,
  type ResolvedPart,
  type ShippedFamily,
  picturesAddress,
} from '$core/index';
import { request, sentences } from '$lib/client/request';
import type { DeskOrder, DrawingDesk } from '$lib/client/drawing-desk.svelte';
import type { OpenMark } from '$lib/client/open-mark.svelte';
import { ArtShelf } from './art/art-shelf.svelte';
import { bringIn, UNSAID, type About } from './bring-in';
import { pasted } from './clipboard';
import { keepLook, keptLook } from './kept-look';
import { laid, placedNew } from './place-new';
import type { Tries } from './tries.svelte';

export interface MarkInfo {
  readonly id: string;
  readonly slug: string;
  readonly name: string;
  readonly role: string;
  readonly recipe: Recipe;
}

export interface BrandInfo {
  readonly id: string;
  readonly slug: string;
  readonly name: string;
}

/** The table in use: what is open, what is selected, and everything that can be done to it. */
export class Table {
  #chosen: readonly string[] = $state.raw([]);
  /** The letter in hand, counted in typed letters of the selected lettering. */
  letter: number | undefined = $state();
  /** The gap in hand, by the letter before it. */
  gap: number | undefined = $state();
  /** What the designer should be told once: a file that could not be read. */
  said = $state('');
  /** The point in hand of a free curve. */
  point: number | undefined = $state();
  palette: Palette = $state.raw({} as Palette);
  readonly art = new ArtShelf(this);

  constructor(
    readonly brand: BrandInfo,
    readonly info: MarkInfo,
    readonly marks: readonly MarkInfo[],
    readonly families: readonly ShippedFamily[],
    readonly open: OpenMark,
    readonly desk: DrawingDesk,
    readonly brief: Brief,
    /** The brand's face for second lines, when one was chosen in the type room. */
    readonly secondFamily: string | undefined,
    palette: Palette,
    readonly tries: Tries,
  ) {
    this.palette = palette;
  }

  /** The part whose numbers are open; the last one chosen. */
  get selectedId(): string | undefined {
    return this.#chosen.at(-1);
  }
  set selectedId(id: string | undefined) {
    if (id !== this.selectedId || this.#chosen.length > 1) this.letter = this.gap = this.point = undefined;
    this.#chosen = id === undefined ? [] : [id];
  }
  /** Every part that is chosen, in the order of choosing. */
  get chosen(): readonly KnownPart[] {
    return this.#chosen.flatMap((id) => this.parts.filter(isKnown).filter((part) => part.id === id));
  }
  isChosen = (id: string): boolean => this.#chosen.includes(id);
  /** Adds a part to the chosen ones, or lets go of it. */
  toggle(id: string): void {
    this.letter = this.gap = undefined;
    this.#chosen = this.#chosen.includes(id) ? this.#chosen.filter((other) => other !== id) : [...this.#chosen, id];
  }
  chooseAll(): void {
    this.letter = this.gap = undefined;
    this.#chosen = topLevel(this.open.recipe)
      .filter((part) => isKnown(part) && !part.locked && !part.hidden)
      .map(({ id }) => id);
  }

  readonly parts: readonly Part[] = $derived.by(() => this.open.recipe.parts);
  readonly selected: Part | undefined = $derived.by(() => this.parts.find((part) => part.id === this.selectedId));
  /** All recipes of the brand, the one on the table as it is shown now. */
  readonly recipes: ReadonlyMap<string, Recipe> = $derived.by(
    () => new Map(this.marks.map((mark) => [mark.id, mark.id === this.info.id ? this.open.recipe : mark.recipe])),
  );

  /** What is to be drawn. */
  order(): DeskOrder {
    return { markId: this.info.id, palette: this.palette, recipes: this.recipes, beside: this.#beside };
  }
  readonly #beside: ReadonlyMap<string, Recipe> = $derived.by(() => new Map(this.tries.kept.map(({ id, recipe }) => [id, recipe])));

  family = (id: string): ShippedFamily | undefined => this.families.find((family) => family.id === id);
  resolved = (id: string): ResolvedPart | undefined => this.desk.stage?.parts.find((part) => part.id === id);

  /** Shows a change while its gesture goes on. */
  preview(id: string, change: PartChange): void {
    this.open.preview(changePart(this.open.recipe, id, change));
  }
  /** A change that is a whole gesture. */
  change(id: string, gesture: string, change: PartChange): void {
    this.open.commit(gesture, changePart(this.open.recipe, id, change));
  }
  previewRecipe(recipe: Recipe): void {
    this.open.preview(recipe);
  }
  previewLettering(part: Lettering, next: Lettering): void {
    this.preview(part.id, next === part ? {} : next);
  }
  /** Another text; what was done to its letters goes along. */
  retext(part: Lettering, text: string): void {
    this.preview(part.id, retext(part, text));
  }
  forgetWaiting(part: Lettering): void {
    this.change(part.id, 'Forget adjustments', forgetWaiting(part));
  }
  /** A point on the middle of a drawn curve's last piece. */
  addCurvePoint(part: Lettering): void {
    if (part.line.shape !== 'curve') return;
    const [a, b] = part.line.points.slice(-2);
    if (!a || !b) return;
    const fresh = { x: b.x + (b.x - a.x) / 2, y: b.y, inX: -(b.x - a.x) / 4, inY: 0, outX: (b.x - a.x) / 4, outY: 0 };
    this.change(part.id, 'Add curve point', { line: { ...part.line, points: [...part.line.points, fresh] } });
  }
  nameOf = (part: Part): string => labelOf(part);
  commit(gesture: string): void {
    this.open.commit(gesture);
  }

  add(part: KnownPart, gesture: string): void {
    this.open.commit(gesture, addPart(this.open.recipe, part));
    this.selectedId = part.id;
  }
  /** Removes the chosen parts, and what they draw. */
  removeChosen(): void {
    const going = this.chosen.filter(({ locked }) => !locked);
    if (going.length === 0) return;
    this.open.commit(
      'Remove',
      going.reduce((recipe, { id }) => removePart(recipe, id), this.open.recipe),
    );
    this.selectedId = undefined;
  }
  /** Copies of the chosen parts, and of what they draw, a little aside. */
  duplicateChosen(): void {
    let recipe = this.open.recipe;
    const fresh: string[] = [];
    for (const { id } of this.chosen) {
      const copied = duplicatePart(recipe, id);
      if (copied) [recipe, fresh[fresh.length]] = [copied.recipe, copied.id];
    }
    if (fresh.length === 0) return;
    this.open.commit('Duplicate', recipe);
    this.#chosen = fresh;
  }
  /** Moves a part through the stack of its neighbors; 0 is the very back. */
  restack(part: Part, position: number): void {
    this.open.commit('Restack', restack(this.open.recipe, part.id, position));
  }
  step(part: Part, by: number): void {
    const taker = takerOf(this.open.recipe, part.id);
    const neighbors = taker ? this.parts.filter(({ id }) => takenBy(taker).includes(id)) : topLevel(this.open.recipe);
    this.restack(part, neighbors.findIndex(({ id }) => id === part.id) + by);
  }
  /** Moves every chosen part in the mark's plane. */
  nudge(x: number, y: number): void {
    this.previewRecipe(this.#moved(this.chosen.map(({ id }) => ({ id, dx: x, dy: y }))));
  }
  /** The recipe with parts moved in the mark's plane; locked ones stay. */
  #moved(shifts: readonly Shift[]): Recipe {
    return shifts.reduce((recipe, { id, dx, dy }) => {
      const part = recipe.parts.filter(isKnown).find((each) => each.id === id);
      const resolved = this.resolved(id);
      return part && resolved && !part.locked ? changePart(recipe, id, { place: shifted(part, resolved, dx, dy).place }) : recipe;
    }, this.open.recipe);
  }
  /** Moves parts as one gesture. */
  shift(gesture: string, shifts: readonly Shift[]): void {
    this.open.commit(gesture, this.#moved(shifts));
  }
  /** What is chosen as it can be arranged. */
  arranged(): readonly Arranged[] {
    return this.chosen.flatMap(({ id }) => {
      const resolved = this.resolved(id);
      return resolved?.ink && resolved.balance ? [{ id, ink: resolved.ink, balance: resolved.balance }] : [];
    });
  }
  /** One part is brought to the rest of the mark; several to the one chosen last. */
  alignChosen(how: Alignment): void {
    const things = this.arranged();
    const last = things.at(-1);
    if (!last) return;
    if (things.length > 1) return this.shift('Align', align(things.slice(0, -1), how, last));
    const others = (this.desk.stage?.parts ?? []).filter(({ id, within, ink }) => id !== last.id && within === undefined && ink);
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
  distributeChosen(how: Distribution, axis: 'x' | 'y'): void {
    this.shift('Distribute', distribute(this.arranged(), how, axis));
  }
  /** Equal white between the ink of what is chosen. */
  async evenInk(axis: 'x' | 'y'): Promise<void> {
    const ids = this.chosen.map(({ id }) => id);
    this.shift('Even gaps', await this.desk.ask((draughtsman) => draughtsman.inkGaps(this.info.id, ids, axis)));
  }
  /** Turns what is chosen until two points of its outline lie on a level line; the next way each time. */
  async rest(): Promise<void> {
    const [part] = this.chosen.slice(-1);
    if (!part || part.locked) return;
    const rests = (await this.desk.ask((draughtsman) => draughtsman.rests(this.info.id, part.id))).filter(({ stable }) => stable);
    const resolved = this.resolved(part.id);
    // The way it rests already is passed over; then clockwise from one to the next.
    const clockwise = rests.map(({ turnDeg }) => (turnDeg < 0.01 ? turnDeg + 360 : turnDeg)).sort((one, other) => one - other);
    const next = clockwise.find((turn) => turn < 359.99) ?? 0;
    if (resolved && next !== 0)
      this.open.commit('Rest on a line', changePart(this.open.recipe, part.id, { place: turnedInPlace(part, resolved, next).place }));
  }
  /** Makes all chosen parts as large as the one chosen last. */
  async match(how: Match): Promise<void> {
    const things = this.arranged();
    const last = things.at(-1);
    if (!last || things.length < 2) return;
    const areas =
      how === 'ink-area'
        ? await this.desk.ask((draughtsman) =>
            draughtsman.inkAreas(
              this.info.id,
              things.map(({ id }) => id),
            ),
          )
        : [];
    const measure = (thing: Arranged, index: number): number => {
      if (how === 'ink-area') return Math.sqrt(areas[index] ?? 0);
      if (how === 'width') return thing.ink.right - thing.ink.left;
      const lettering = this.resolved(thing.id)?.lettering;
      const part = this.resolved(thing.id);
      if (how === 'cap-height' && lettering && part) return lettering.capHeightPx * Math.hypot(part.transform.a, part.transform.b);
      return thing.ink.bottom - thing.ink.top;
    };
    const wanted = measure(last, things.length - 1);
    const recipe = things.slice(0, -1).reduce((next, thing, index) => {
      const part = next.parts.filter(isKnown).find(({ id }) => id === thing.id);
      const resolved = this.resolved(thing.id);
      const own = measure(thing, index);
      return part && resolved && !part.locked && own > 0 ? changePart(next, part.id, scaledInPlace(part, resolved, wanted / own)) : next;
    }, this.open.recipe);
    this.open.commit('Match size', recipe);
  }

  /** Lets one new part draw all chosen ones. */
  gather(gesture: string, kind: string, make: (id: string, members: string[]) => KnownInput): void {
    const ids = this.chosen.filter(({ locked }) => !locked).map(({ id }) => id);
    const made = gather(this.open.recipe, ids, kind, (id, members) => make(id, [...members]));
    if (!made) return;
    this.open.commit(gesture, made.recipe);
    this.selectedId = made.id;
  }
  /** The middle of what is chosen, in whole pixels. */
  middle(): Point {
    const ink = this.arranged().reduce<Bounds | undefined>((sum, thing) => unite(sum, thing.ink), undefined);
    return ink ? { x: Math.round((ink.left + ink.right) / 2), y: Math.round((ink.top + ink.bottom) / 2) } : { x: 0, y: 0 };
  }
  /** Opens a part that draws others. */
  openTaker(part: KnownPart): void {
    const members = takenBy(part);
    this.open.commit('Open', openTaker(this.open.recipe, part.id));
    this.#chosen = members.filter((id) => this.parts.some((each) => each.id === id));
  }
  /** A band around what is chosen, behind it. */
  addBand(part: KnownPart): void {
    const id = freePartId(this.open.recipe, 'band');
    const band = expect(createPart({ kind: 'band', id, of: part.id }));
    const at = topLevel(this.open.recipe).findIndex((each) => each.id === part.id);
    this.open.commit('Add band', restack(addPart(this.open.recipe, band), id, Math.max(0, at)));
    this.selectedId = id;
  }
  release(part: Symmetry, copy: number): void {
    const ink = part.members.reduce<Bounds | undefined>(
      (sum, id) => unite(sum, this.desk.stage?.parts.find((each) => each.id === id)?.ink),
      undefined,
    );
    const freed = releaseCopy(this.open.recipe, part.id, copy, ink);
    if (!freed) return;
    this.open.commit('Release a copy', freed.recipe);
    this.selectedId = freed.id;
  }
  /** Mirrors each chosen part left to right about the middle of its ink. */
  flipChosen(): void {
    const recipe = this.chosen.reduce((next, part) => {
      const resolved = this.resolved(part.id);
      if (!resolved?.ink || part.locked) return next;
      const middle = (resolved.ink.left + resolved.ink.right) / 2;
      const outer = invert(resolved.outer);
      if (!outer) return next;
      const map = compose(outer, compose({ a: -1, b: 0, c: 0, d: 1, e: 2 * middle, f: 0 }, compose(resolved.outer, placing(part.place))));
      return changePart(next, part.id, { place: placeAt(map) });
    }, this.open.recipe);
    this.open.commit('Flip', recipe);
  }
  /** The look of the part chosen last, on all others. */
  carryLook(): void {
    const [from, ...others] = [...this.chosen].reverse();
    const look = from && partLook(this.open.recipe, from.id);
    if (look) this.#look('Carry look', others, look);
  }
  /** Keeps the look of the part chosen last, for this mark and every other one. */
  copyLook(): void {
    const part = this.chosen.at(-1);
    const look = part && partLook(this.open.recipe, part.id);
    if (look) keepLook(look);
  }
  /** The look that was kept, on everything that is chosen. */
  pasteLook(): void {
    const look = keptLook();
    if (look) this.#look('Paste look', this.chosen, look);
  }
  #look(gesture: string, parts: readonly KnownPart[], look: PartLook): void {
    const free = parts.filter(({ locked }) => !locked);
    this.open.commit(
      gesture,
      free.reduce((recipe, { id }) => withPartLook(recipe, id, look), this.open.recipe),
    );
  }
  /** A part from the clipboard; what is not ours is left alone. */
  async paste(text: string): Promise<void> {
    this.said = '';
    const next = pasted(this.open.recipe, text);
    if (!next.ok) this.said = sentences(next.problems);
    if (!next.ok || !next.value) return;
    // A picture may come from another brand: this one shows it from now on too.
    const known = new Set(this.parts.map(({ id }) => id));
    for (const part of next.value.recipe.parts)
      if (part.kind === 'picture' && !known.has(part.id))
        await request('PUT', `${picturesAddress(this.brand.slug)}${part.sha256}`, {}).then((answer) => {
          if (!answer.ok) this.said = sentences(answer.problems);
        });
    this.open.commit('Paste', next.value.recipe);
    this.selectedId = next.value.id;
  }
  /** All there is to see on the stage: the mark's ink, and what stands beside it to be looked at. */
  readonly shownInk: Bounds | undefined = $derived.by(() =>
    this.parts.reduce(
      (sum, part) => (part.kind === 'picture' && part.reference && !part.hidden ? unite(sum, this.resolved(part.id)?.ink) : sum),
      this.desk.stage?.ink,
    ),
  );
  /** Lays a picture that is only looked at beside the work, as it is, or under it, faded. */
  layReference(part: Picture, where: 'beside' | 'under'): void {
    const ink = this.desk.stage?.ink;
    const { place, opacity } = laid(part, where, ink);
    const changed = changePart(this.open.recipe, part.id, { place, opacity });
    this.open.commit(where === 'under' ? 'Lay under the work' : 'Lay beside the work', restack(changed, part.id, 0));
  }
  /** Takes in files made elsewhere, each as a part on the mark's middle; what cannot be read is said, the rest goes on. @returns what was left out of drawings */
  bringIn = async (files: readonly File[], about: About = UNSAID, reference = false): Promise<readonly string[]> => {
    const [said, left]: [string[], string[]] = [[], []];
    for (const file of files) {
      const brought = await bringIn(this.brand.slug, file, about);
      if (!brought.ok) {
        said.push(sentences(brought.problems));
        continue;
      }
      left.push(...brought.value.left);
      const part = placedNew(this.open.recipe, brought.value.part, this.desk.stage?.ink);
      if (part.kind === 'picture' && reference) {
        const looked = { ...part, reference };
        this.add({ ...looked, ...laid(looked, 'beside', this.desk.stage?.ink) }, 'Bring in a picture to look at');
      } else this.add(part, part.kind === 'art' ? 'Bring in a drawing' : 'Bring in a picture');
    }
    this.said = said.join(' ');
    return left;
  };
  /** Keeps the mark as it stands beside itself. */
  keepTry(): void {
    this.open.commit('Change');
    void this.tries.keep(this.open.recipe, `Try ${this.tries.kept.length + 1}`);
  }
  /** Puts the part's ink on the mark's middle line. */
  centerOnMark(part: Part): void {
    const own = this.resolved(part.id)?.ink;
    const whole = this.desk.stage?.parts.filter((other) => other.id !== part.id && other.ink).map((other) => other.ink);
    if (part.kind === 'unknown' || part.locked || !own || !whole || whole.length === 0) return;
    const left = Math.min(...whole.map((box) => box?.left ?? Infinity));
    const right = Math.max(...whole.map((box) => box?.right ?? -Infinity));
    const x = part.place.x + (left + right) / 2 - (own.left + own.right) / 2;
    this.change(part.id, 'Center', { place: { ...part.place, x } });
  }
}

const KEY = Symbol('table');
export const provideTable = (table: Table): Table => setContext(KEY, table);
export const useTable = (): Table => getContext<Table>(KEY);
