import {
  apply,
  changePart,
  goingAlone,
  invert,
  isKnown,
  referencesOf,
  shifted,
  type Bounds,
  type KnownPart,
  type Point,
  type Recipe,
} from '$core/index';
import type { Table } from '../table/table.svelte';
import { boundariesOf, boundaryNear } from '../lettering/caret';
import { onSurface } from './handles';
import { hold } from './hold';
import { lengths } from '$lib/ui/shown-unit.svelte';
import { snap, snapLines, type Guide } from './snap';
import type { StageView } from './stage-view.svelte';

/** On the screen, so that it is the same at every zoom. */
const SNAP_PX = 6;
/** Two clicks nearer to each other than this are one double click. */
const DOUBLE_CLICK_MS = 450;
const round = (value: number) => Math.round(value * 100) / 100;

/** What the pointer does on the stage: finds what lies under it, chooses, moves, and goes into letters. */
export class StageHands {
  /** The element that the pointer works on, once it is there. */
  surface: SVGSVGElement | undefined = $state();

  constructor(
    private readonly table: Table,
    private readonly view: StageView,
  ) {}

  get #inLetters(): boolean {
    const { selected, letter, gap } = this.table;
    return selected?.kind === 'lettering' && !selected.locked && (letter !== undefined || gap !== undefined);
  }

  /** Whether what is pointed at joins what is chosen: with Shift, or where there are no keys while several are being chosen. */
  readonly #joins = (event: PointerEvent): boolean => event.shiftKey || this.table.several;

  /** The parts whose picture lies under the pointer, innermost first, with the elements that hold them. */
  drawnAt(event: MouseEvent): readonly { readonly id: string; readonly element: SVGGraphicsElement }[] {
    const found: { readonly id: string; readonly element: SVGGraphicsElement }[] = [];
    for (let at = event.target as Element | null; at && at !== this.surface; at = at.parentElement) {
      const id = at.getAttribute('data-part') ?? at.id.replace(/^stage-/, '').replace(/~\d+$/, '');
      if (id !== '' && found.at(-1)?.id !== id && this.table.parts.some((part) => part.id === id))
        found.push({ id, element: at as SVGGraphicsElement });
    }
    return found;
  }
  isFree = (id: string | undefined): boolean => {
    const part = this.table.parts.find((candidate) => candidate.id === id);
    return part !== undefined && isKnown(part) && !part.locked && !part.hidden;
  };

  /**
   * The part that can be taken hold of at a place: painted ink first, then ink boxes. Of parts within parts the outermost,
   * or a neighbor of the one that is chosen; a double click goes one deeper.
   */
  partAt(event: MouseEvent, deeper = false): { readonly id: string; readonly element?: SVGGraphicsElement } | undefined {
    const under = this.drawnAt(event).filter(({ id }) => this.isFree(id));
    const withinOf = (id: string | undefined) => (id === undefined ? undefined : this.table.resolved(id)?.within);
    const here = deeper ? under.find(({ id }) => withinOf(id) !== undefined && withinOf(id) === this.table.selectedId) : undefined;
    const neighbor = under.find(
      ({ id }) => id === this.table.selectedId || (withinOf(id) !== undefined && withinOf(id) === withinOf(this.table.selectedId)),
    );
    const painted = here ?? neighbor ?? under.at(-1);
    if (painted) return painted;
    const at = this.view.toMark(this.onStage(event));
    const reach = 4 / this.view.scale;
    const inside = this.table.desk.stage?.parts.findLast(
      ({ id, ink, within }) =>
        within === undefined &&
        this.isFree(id) &&
        ink &&
        at.x >= ink.left - reach &&
        at.x <= ink.right + reach &&
        at.y >= ink.top - reach &&
        at.y <= ink.bottom + reach,
    );
    return inside && { id: inside.id };
  }

  onStage = (event: MouseEvent): Point => onSurface(this.surface, event);

  guides: readonly Guide[] = $state.raw([]);

  #lastTaken = 0;
  /** While the space bar is held, the pointer moves the view. */
  spaceHeld = $state(false);
  /** Whether the finger that was just lifted had rested where it was: it asked for a menu, and chooses nothing else. */
  rested = false;
  /** The frame that is pulled to choose what lies inside, on the screen. */
  frame: Bounds | undefined = $state.raw();

  /** Another click at one place goes on to what lies behind, and round to the front again. */
  chooseBehind(event: PointerEvent, id: string): void {
    const under: string[] = [];
    for (const element of document.elementsFromPoint(event.clientX, event.clientY)) {
      const found = this.surface?.contains(element) ? element.closest('[data-part]')?.getAttribute('data-part') : undefined;
      if (found && this.isFree(found) && !under.includes(found)) under.push(found);
    }
    if (under.length > 1 && under.includes(id)) this.table.selectedId = under[(under.indexOf(id) + 1) % under.length];
  }

  /** From an empty place: chooses everything that lies inside of the frame; with Shift besides what is chosen. */
  pullFrame(event: PointerEvent, on: Element): void {
    const joins = this.#joins(event);
    const before = joins ? this.table.chosen.map((part) => part.id) : [];
    const start = this.onStage(event);
    if (!joins) this.table.selectedId = undefined;
    hold(
      event,
      on,
      ({ x, y }) => {
        const pulled = {
          left: Math.min(start.x, start.x + x),
          right: Math.max(start.x, start.x + x),
          top: Math.min(start.y, start.y + y),
          bottom: Math.max(start.y, start.y + y),
        };
        this.frame = pulled;
        const inside = (this.table.desk.stage?.parts ?? []).flatMap(({ id, ink, within }) => {
          if (within !== undefined || !ink || !this.isFree(id)) return [];
          const box = this.view.boxToScreen(ink);
          const lies = box.left >= pulled.left && box.right <= pulled.right && box.top >= pulled.top && box.bottom <= pulled.bottom;
          return lies ? [id] : [];
        });
        this.table.choose([...before, ...inside.filter((id) => !before.includes(id))]);
      },
      () => (this.frame = undefined),
    );
  }

  take(event: PointerEvent): void {
    if (!this.surface) return;
    if (event.button === 1 || event.altKey || this.spaceHeld)
      return hold(event, this.surface, ({ stepX, stepY }) => this.view.pan(stepX, stepY));
    if (event.button !== 0) return;
    const hit = this.partAt(event);
    const id = hit?.id;
    if (!this.table.caret || id !== this.table.selectedId) this.surface.focus({ preventScroll: true });
    if (this.table.caret && id === this.table.selectedId) return this.putCaret(event, event.shiftKey);
    this.table.caret = undefined;
    // Beside the letters in hand, a click lets go of them.
    if (this.#inLetters && id === this.table.selectedId) this.table.letter = this.table.gap = undefined;
    if (id !== undefined && this.#joins(event)) return this.table.toggle(id);
    if (id === undefined) return this.pullFrame(event, this.surface);
    const again = this.table.chosen.length === 1 && this.table.isChosen(id) && event.timeStamp - this.#lastTaken > DOUBLE_CLICK_MS;
    this.#lastTaken = event.timeStamp;
    if (!this.table.isChosen(id)) this.table.selectedId = id;
    const part = this.table.selected;
    if (!part || !isKnown(part)) return;
    const began = this.table.open.recipe;
    const moved = goingAlone(
      began,
      this.table.chosen.filter(({ locked }) => !locked),
    );
    this.view.holding = true;
    const resolved = this.table.resolved(part.id);
    const moving = resolved && snapLines(resolved);
    // Where the place is counted that is dragged: a mirrored copy pulls its original the other way.
    const stageMap = this.surface.querySelector<SVGGraphicsElement>('[data-stage]')?.getScreenCTM();
    const ownMap = hit?.element?.hasAttribute('data-part')
      ? stageMap
      : (hit?.element?.parentNode as SVGGraphicsElement | undefined)?.getScreenCTM?.();
    const inPlane = (x: number, y: number): Point => {
      if (!stageMap || !ownMap || this.table.chosen.length > 1) return { x, y };
      const screen = { x: stageMap.a * x + stageMap.c * y, y: stageMap.b * x + stageMap.d * y };
      const back = invert({ a: ownMap.a, b: ownMap.b, c: ownMap.c, d: ownMap.d, e: 0, f: 0 });
      return back ? apply(back, screen) : { x, y };
    };
    // What follows the dragged part moves along, so that it cannot hold it.
    const still = (this.table.desk.stage?.parts ?? []).flatMap((other) => {
      const mate = this.table.parts.find((candidate) => candidate.id === other.id);
      const hidden = !mate || mate.kind === 'unknown' || mate.hidden;
      const follows = !hidden && referencesOf(mate).some(({ id, as }) => as !== 'takes' && id === part.id);
      const apart = other.within !== resolved?.within || this.table.isChosen(other.id);
      const lines = apart || follows || hidden ? undefined : snapLines(other);
      return lines ? [lines] : [];
    });
    hold(
      event,
      this.surface,
      (held) => {
        // Shift keeps to the longer of the two directions; Ctrl keeps out of every snap.
        const across = held.shift && Math.abs(held.x) < Math.abs(held.y) ? 0 : held.x / this.view.scale;
        const down = held.shift && Math.abs(held.x) >= Math.abs(held.y) ? 0 : held.y / this.view.scale;
        const drawn =
          moving && !held.ctrl
            ? snap(moving, still, across, down, SNAP_PX / this.view.scale, lengths.text)
            : { dx: across, dy: down, guides: [] };
        this.guides = drawn.guides;
        if (moved.length > 1 || !moved.some(({ id }) => id === part.id))
          return this.table.previewRecipe(moved.reduce((recipe, each) => this.moveIn(recipe, each, drawn.dx, drawn.dy), began));
        const by = inPlane(drawn.dx, drawn.dy);
        this.table.preview(part.id, { place: { ...part.place, x: round(part.place.x + by.x), y: round(part.place.y + by.y) } });
      },
      (went) => {
        this.guides = [];
        this.view.holding = false;
        if (went) this.table.commit('Move');
        else if (again && !this.rested) this.chooseBehind(event, id);
      },
    );
  }

  moveIn(recipe: Recipe, part: KnownPart, dx: number, dy: number): Recipe {
    const resolved = this.table.resolved(part.id);
    return resolved ? changePart(recipe, part.id, { place: shifted(part, resolved, dx, dy).place }) : recipe;
  }

  /** Puts the caret between the letters that a pointer is nearest to; with Shift what lies between is selected. */
  putCaret(event: MouseEvent, extend: boolean): void {
    const part = this.table.selected;
    const resolved = part && this.table.resolved(part.id);
    const back = resolved && invert(resolved.transform);
    if (part?.kind !== 'lettering' || part.locked || !resolved || !back) return;
    event.preventDefault();
    const places = boundariesOf(part.text, resolved.lettering?.letters ?? [], resolved.lettering?.sizePx ?? part.sizePx);
    const focus = boundaryNear(places, apply(back, this.view.toMark(this.onStage(event))));
    this.table.caret = { anchor: extend ? (this.table.caret?.anchor ?? focus) : focus, focus, put: true };
  }

  /** A double click goes into what a part draws, and into letters: to be typed where it hit, or taken in hand. */
  intoLetters(event: MouseEvent): void {
    const id = this.partAt(event, true)?.id;
    const part = this.table.parts.find((candidate) => candidate.id === id);
    if (part && id !== this.table.selectedId) {
      this.table.selectedId = id;
      return;
    }
    if (part?.kind !== 'lettering' || part.locked) return;
    this.table.selectedId = part.id;
    const at = this.view.toMark(this.onStage(event));
    const resolved = this.table.resolved(part.id);
    const near = resolved?.lettering?.letters
      .filter(({ text }) => text.trim() !== '')
      .map((letter) => {
        const { a, b, c, d, e, f } = resolved.transform;
        const x = a * letter.at.x + c * (letter.at.y - letter.heightPx / 2) + e;
        const y = b * letter.at.x + d * (letter.at.y - letter.heightPx / 2) + f;
        return { index: letter.index, distance: Math.hypot(x - at.x, y - at.y) };
      })
      .sort((one, other) => one.distance - other.distance)[0];
    this.table.letter = near?.index;
    this.putCaret(event, false);
  }
}
