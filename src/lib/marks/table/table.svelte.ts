import { getContext, setContext } from 'svelte';
import { SvelteSet } from 'svelte/reactivity';
import {
  addPart,
  brokenAway,
  changePart,
  derive,
  shareChange,
  duplicatePart,
  forgetWaiting,
  gather,
  goingAlone,
  isKnown,
  isOnlySeen,
  keptPictures,
  labelOf,
  mayEnter,
  movedInto,
  LONGEST_TEXT,
  newLettering,
  labelsOf,
  openTaker,
  releaseCopy,
  reaches,
  removePart,
  restack,
  retext,
  takenBy,
  takerOf,
  topLevel,
  unite,
  type Bounds,
  type Brief,
  type Dressing,
  type KnownInput,
  type KnownPart,
  type Lettering,
  type Palette,
  type Part,
  type PartChange,
  type Picture,
  type Recipe,
  type ResolvedPart,
  type ShippedFamily,
  type Symmetry,
  standing,
  standsInInk,
} from '$core/index';
import { picturesAddress } from '$lib/addresses';
import { request, sentences } from '$lib/client/request';
import type { DeskOrder, DrawingDesk } from '$lib/client/drawing-desk.svelte';
import type { OpenDocument } from '$lib/client/work/open-document.svelte';
import type { OpenMark } from '$lib/client/work/open-mark.svelte';
import { ArtShelf } from '../art/art-shelf.svelte';
import { Arranging } from './arranging';
import { bringIn, UNSAID, type About } from './bring-in';
import { lenderOf, pasted } from './clipboard';
import { typedText } from '../lettering/typed-text';
import { Looks } from './looks';
import { Building } from './building';
import { HandBrush } from './hand-brush.svelte';
import { Treating } from './treating';
import { WeakSpots } from './weak-spots.svelte';
import { laid, placedNew } from './place-new';
import type { Tries } from './tries.svelte';

export interface MarkInfo {
  readonly id: string;
  readonly slug: string;
  readonly name: string;
  readonly role: string;
  readonly shelf: 'kept' | 'archived' | 'removed';
  readonly revision: number;
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
  /** Where a caret stands in the selected lettering while it is typed on the stage, in typed letters; selected is what lies between. */
  caret:
    { readonly anchor: number; readonly focus: number; /** By pointer, rather than by what was typed. */ readonly put?: true } | undefined =
    $state.raw();
  /** The treatment of the selected part whose numbers are open. */
  treatment: string | undefined = $state();
  /** The treatment of the whole mark whose numbers are open. */
  wholeTreatment: string | undefined = $state();
  /** The gap in hand, by the letter before it. */
  gap: number | undefined = $state();
  /** What the designer should be told once: a file that could not be read. */
  said = $state('');
  /** Whether clicks on the stage draw on the chosen curve, or begin one. */
  drawing = $state(false);
  /** Whether pictures are asked for in words. */
  wording = $state(false);
  /** The part that is being given a name. */
  renaming: string | undefined = $state();
  /** The part that the pointer is over, on the stage or in the recipe. */
  pointedAt: string | undefined = $state();
  /** The point in hand of a free curve. */
  point: number | undefined = $state();
  readonly art = new ArtShelf(this);
  readonly arranging = new Arranging(this);
  readonly looks = new Looks(this);
  readonly treating = new Treating(this);
  /** The hand that draws strokes on the stage. */
  readonly hand = new HandBrush();
  readonly building = new Building(this);
  /** Where the mark gives way at a size. */
  readonly weak = new WeakSpots();

  /** All marks of the brand, the archived and removed ones too: others may follow them. */
  marks: readonly MarkInfo[] = $state.raw([]);
  /** Those that stand in the family. */
  readonly atHand: readonly MarkInfo[] = $derived.by(() => this.marks.filter(({ shelf, id }) => shelf === 'kept' || id === this.info.id));

  /** Those that one goes to and from: the marks of the family, or, on a piece, the pieces. */
  readonly beside: readonly MarkInfo[] = $derived.by(() =>
    this.atHand.filter(({ role }) => (role === 'piece') === (this.info.role === 'piece')),
  );

  constructor(
    readonly brand: BrandInfo,
    private readonly opened: MarkInfo,
    marks: readonly MarkInfo[],
    readonly families: readonly ShippedFamily[],
    readonly open: OpenMark,
    readonly desk: DrawingDesk,
    readonly brief: Brief,
    /** The brand's face for second lines, when one was chosen in the type room. */
    readonly secondFamily: string | undefined,
    /** The brand's palette, as it is tried right now. */
    readonly colors: OpenDocument<Palette>,
    readonly tries: Tries,
  ) {
    this.marks = marks;
  }

  /** The mark on the table, as it is called now. */
  get info(): MarkInfo {
    return this.marks.find(({ id }) => id === this.opened.id) ?? this.opened;
  }

  get palette(): Palette {
    return this.colors.content;
  }

  /** The part whose numbers are open; the last one chosen. */
  get selectedId(): string | undefined {
    return this.#chosen.at(-1);
  }
  set selectedId(id: string | undefined) {
    if (id !== this.selectedId || this.#chosen.length > 1) this.letter = this.gap = this.point = this.caret = this.treatment = undefined;
    this.#chosen = id === undefined ? [] : [id];
  }
  /** Whether what is pointed at joins what is chosen, as Shift does: for fingers, which have no keys. */
  several = $state(false);
  /** Every part that is chosen, in the order of choosing. */
  get chosen(): readonly KnownPart[] {
    return this.#chosen.flatMap((id) => this.parts.filter(isKnown).filter((part) => part.id === id));
  }
  isChosen = (id: string): boolean => this.#chosen.includes(id);
  /** Adds a part to the chosen ones, or lets go of it. */
  toggle(id: string): void {
    this.letter = this.gap = this.caret = undefined;
    this.#chosen = this.#chosen.includes(id) ? this.#chosen.filter((other) => other !== id) : [...this.#chosen, id];
  }
  choose(ids: readonly string[]): void {
    this.letter = this.gap = this.point = this.caret = this.treatment = undefined;
    this.#chosen = ids;
  }
  chooseAll(): void {
    this.chooseAlike(() => true);
  }
  /** Chooses everything that stands by itself and is of some kind. */
  chooseAlike(alike: (part: KnownPart) => boolean): void {
    this.letter = this.gap = this.caret = undefined;
    this.#chosen = topLevel(this.open.recipe)
      .filter((part) => isKnown(part) && !part.locked && !part.hidden && alike(part))
      .map(({ id }) => id);
  }

  readonly parts: readonly Part[] = $derived.by(() => this.open.recipe.parts);
  readonly selected: Part | undefined = $derived.by(() => this.parts.find((part) => part.id === this.selectedId));
  /** All recipes of the brand, the one on the table as it is shown now. */
  readonly recipes: ReadonlyMap<string, Recipe> = $derived.by(
    () => new Map(this.marks.map((mark) => [mark.id, mark.id === this.info.id ? this.open.recipe : mark.recipe])),
  );

  /** The dressing that the stage shows over the mark, while it is dressed for its ground. */
  worn: Dressing | undefined = $state();
  /** Whether the mark stands in ink, its colors not turned on. */
  get inInk(): boolean {
    return standsInInk(this.open.recipe);
  }
  stand(inInk: boolean): void {
    this.open.commit(inInk ? 'Back to ink' : 'Turn color on', standing(this.open.recipe, inInk));
  }
  /** What is to be drawn. */
  order(): DeskOrder {
    return { markId: this.info.id, palette: this.palette, recipes: this.recipes, worn: this.worn, beside: this.#beside };
  }
  readonly #beside: ReadonlyMap<string, Recipe> = $derived.by(() => new Map(this.tries.kept.map(({ id, recipe }) => [id, recipe])));

  family = (id: string): ShippedFamily | undefined => this.families.find((family) => family.id === id);
  resolved = (id: string): ResolvedPart | undefined => this.desk.stage?.parts.find((part) => part.id === id);

  /** Shows a change while its gesture goes on. */
  preview(id: string, change: PartChange): void {
    this.open.preview(shareChange(this.open.recipe, id, this.#chosen, this.#ownChange(id, change)));
  }
  /** A change that is a whole gesture. */
  change(id: string, gesture: string, change: PartChange): void {
    this.open.commit(gesture, shareChange(this.open.recipe, id, this.#chosen, this.#ownChange(id, change)));
  }
  /** What a linked part shows: the part it follows, with what it has of its own; nothing for others, and where the link is broken. */
  shownBy(id: string): KnownPart | undefined {
    const part = this.parts.find((each) => each.id === id);
    if (part?.kind !== 'linked') return undefined;
    const shown = derive(this.open.recipe, this.recipes).recipe.parts.find((each) => each.id === id);
    return shown && isKnown(shown) && shown.kind !== 'linked' ? shown : undefined;
  }
  /** Fields of a linked part that say what it shows already are not its own. */
  #ownChange(id: string, change: PartChange): PartChange {
    const shown = this.shownBy(id) as Readonly<Record<string, unknown>> | undefined;
    if (!shown) return change;
    return Object.fromEntries(
      Object.entries(change).filter(([field, value]) => field !== 'kind' && JSON.stringify(value) !== JSON.stringify(shown[field])),
    ) as PartChange;
  }
  /** Lets a linked part become ordinary parts, which follow nobody. */
  breakAway(id: string): void {
    const free = brokenAway(this.open.recipe, id, this.recipes);
    if (free) this.open.commit('Break away', free);
    else this.said = 'It shows nothing that could stand by itself.';
  }
  /** Whether parts that are chosen together with this one, and that a change of it reaches, have other values there. */
  differ(part: KnownPart, path: string): boolean {
    const [field = ''] = path.split('.');
    if (this.#chosen.length < 2 || !this.#chosen.includes(part.id)) return false;
    if (field === 'place' && /\.[xy]$/.test(path)) return false;
    const valueOf = (of: KnownPart): unknown =>
      path.split('.').reduce<unknown>((value, key) => (value as Readonly<Record<string, unknown>> | undefined)?.[key], of);
    const own = JSON.stringify(valueOf(part));
    return this.chosen.some((other) => (field === 'place' || reaches(part, other, field)) && JSON.stringify(valueOf(other)) !== own);
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
  /** What each part is called; those of one name are told apart. */
  readonly #labels: ReadonlyMap<string, string> = $derived.by(() => labelsOf(this.parts));
  nameOf = (part: Part): string => this.#labels.get(part.id) ?? labelOf(part);
  /** Gives a part a name of its own; none gives back what its kind calls it. */
  rename(id: string, name: string): void {
    this.renaming = undefined;
    const own = name.trim().slice(0, 80);
    const part = this.parts.find((each) => each.id === id);
    if (part && isKnown(part) && own !== labelOf(part))
      this.open.commit('Rename', changePart(this.open.recipe, id, { name: own === '' ? undefined : own }));
  }
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
    for (const { id } of goingAlone(recipe, this.chosen)) {
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
  /** Brings a part into another one that draws it from now on, or lets it stand by itself; it stays where it is seen. */
  bringInto(id: string, into: string | undefined, position?: number): void {
    const next = movedInto(this.open.recipe, id, into, position);
    if (next === this.open.recipe) this.said = 'It cannot go in there.';
    else this.open.commit(into === undefined ? 'Out of the group' : 'Into the group', next);
  }
  /** The nearest group behind a part among its neighbors, which it could go into. */
  groupBehind(part: Part): string | undefined {
    const taker = takerOf(this.open.recipe, part.id);
    const neighbors = taker ? this.parts.filter(({ id }) => takenBy(taker).includes(id)) : topLevel(this.open.recipe);
    const at = neighbors.findIndex(({ id }) => id === part.id);
    return neighbors
      .slice(0, at)
      .reverse()
      .concat(neighbors.slice(at + 1))
      .find(({ id }) => mayEnter(this.open.recipe, part.id, id))?.id;
  }
  /** Every chosen part out of the group that draws it, or into the nearest one behind it. */
  regather(way: 'in' | 'out'): void {
    const chosen = goingAlone(this.open.recipe, this.chosen).filter(({ locked }) => !locked);
    const recipe = chosen.reduce((next, part) => {
      if (way === 'in') return movedInto(next, part.id, this.groupBehind(part));
      const taker = takerOf(next, part.id);
      return taker ? movedInto(next, part.id, takerOf(next, taker.id)?.id) : next;
    }, this.open.recipe);
    if (recipe === this.open.recipe) this.said = way === 'in' ? 'There is no group beside it to go into.' : 'It stands by itself already.';
    else this.open.commit(way === 'in' ? 'Into the group' : 'Out of the group', recipe);
  }
  /** Parts whose members are shown in the recipe although nothing of them is chosen. */
  readonly unfolded = new SvelteSet<string>();
  /** Lets one new part draw all chosen ones. */
  gather(gesture: string, kind: string, make: (id: string, members: string[]) => KnownInput): void {
    const ids = this.chosen.filter(({ locked }) => !locked).map(({ id }) => id);
    const made = gather(this.open.recipe, ids, kind, (id, members) => make(id, [...members]));
    if (!made) return;
    this.open.commit(gesture, made.recipe);
    this.selectedId = made.id;
  }
  /** Opens a part that draws others. */
  openTaker(part: KnownPart): void {
    const members = takenBy(part);
    this.open.commit('Open', openTaker(this.open.recipe, part.id));
    this.#chosen = members.filter((id) => this.parts.some((each) => each.id === id));
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
  /** Parts from the clipboard; what is not ours is left alone. */
  async paste(text: string): Promise<void> {
    this.said = '';
    const next = pasted(this.open.recipe, text, { mark: this.info.id, brand: this.brand.slug, palette: this.palette });
    if (!next.ok) this.said = sentences(next.problems);
    if (next.ok && !next.value) return this.#pasteForeign(text);
    if (!next.ok || !next.value) return;
    // A picture may come from another brand, which lends it.
    const known = new Set(this.parts.map(({ id }) => id));
    const lender = lenderOf(text) ?? this.brand.slug;
    for (const part of next.value.recipe.parts)
      if (!known.has(part.id) && lender !== this.brand.slug)
        for (const sha256 of keptPictures(part))
          await request('PUT', `${picturesAddress(this.brand.slug)}${sha256}?from=${encodeURIComponent(lender)}`, {}).then((answer) => {
            if (!answer.ok) this.said = sentences(answer.problems);
          });
    this.open.commit('Paste', next.value.recipe);
    this.choose(next.value.ids);
  }
  /** What was copied elsewhere: a drawing as markup becomes art, words become a line of lettering. */
  async #pasteForeign(text: string): Promise<void> {
    const trimmed = text.trim();
    if (trimmed === '') return;
    if (/^(<\?xml[^>]*>\s*)?(<!--.*?-->\s*|<!DOCTYPE[^>]*>\s*)*<svg[\s>]/s.test(trimmed)) {
      await this.bringIn([new File([trimmed], 'Pasted drawing.svg', { type: 'image/svg+xml' })]);
      return;
    }
    const words = typedText(trimmed);
    if (words.length > LONGEST_TEXT) {
      this.said = `What was copied has ${words.length.toLocaleString('en')} characters; a line holds ${LONGEST_TEXT.toLocaleString('en')}.`;
      return;
    }
    this.add(newLettering(this.open.recipe, words, this.desk.stage?.ink), 'Paste words');
  }
  /** All there is to see on the stage: the mark's ink, and what stands beside it to be looked at. */
  readonly shownInk: Bounds | undefined = $derived.by(() =>
    this.parts.reduce(
      (sum, part) => (isKnown(part) && isOnlySeen(part) && !part.hidden ? unite(sum, this.resolved(part.id)?.ink) : sum),
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
      // Said wherever the file came in: by the add field, the shelf, a drop or a paste.
      if (brought.value.left.length > 0) said.push(`Left out of ${file.name}: ${brought.value.left.join(', ')}.`);
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
}

const KEY = Symbol('table');
export const provideTable = (table: Table): Table => setContext(KEY, table);
export const useTable = (): Table => getContext<Table>(KEY);
