import { getContext, setContext } from 'svelte';
import {
  addPart,
  changePart,
  createPart,
  duplicatePart,
  FORM_NAMES,
  formKind,
  freePartId,
  isBacking,
  nameLettering,
  newShape,
  removePart,
  restack,
  ringTexts,
  forgetWaiting,
  labelOf,
  retext,
  secondLine,
  expect,
  type Brief,
  type FormName,
  type KnownPart,
  type Lettering,
  type Palette,
  type Part,
  type PartChange,
  type Recipe,
  type ResolvedPart,
  type ShippedFamily,
} from '$core/index';
import type { DeskOrder, DrawingDesk } from '$lib/client/drawing-desk.svelte';
import type { OpenMark } from '$lib/client/open-mark.svelte';
import { pasted } from './clipboard';
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

/** Something the add field offers. */
export interface Addable {
  readonly id: string;
  readonly label: string;
  readonly hint: string;
  readonly words: readonly string[];
  /** The form it draws, for its picture in the list. */
  readonly form?: FormName;
  readonly add: () => void;
}

/** The table in use: what is open, what is selected, and everything that can be done to it. */
export class Table {
  #selectedId: string | undefined = $state();
  /** The letter in hand, counted in typed letters of the selected lettering. */
  letter: number | undefined = $state();
  /** The gap in hand, by the letter before it. */
  gap: number | undefined = $state();
  palette: Palette = $state.raw({} as Palette);

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

  get selectedId(): string | undefined {
    return this.#selectedId;
  }
  set selectedId(id: string | undefined) {
    if (id !== this.#selectedId) this.letter = this.gap = undefined;
    this.#selectedId = id;
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
  remove(part: Part): void {
    if (part.kind !== 'unknown' && part.locked) return;
    this.open.commit('Remove', removePart(this.open.recipe, part.id));
    this.selectedId = undefined;
  }
  duplicate(part: Part): void {
    const copied = duplicatePart(this.open.recipe, part.id);
    if (!copied) return;
    this.open.commit('Duplicate', copied.recipe);
    this.selectedId = copied.id;
  }
  /** Moves a part through the stack; 0 is the very back. */
  restack(part: Part, position: number): void {
    this.open.commit('Restack', restack(this.open.recipe, part.id, position));
  }
  step(part: Part, by: number): void {
    this.restack(part, this.parts.findIndex((candidate) => candidate.id === part.id) + by);
  }
  nudge(part: Part, x: number, y: number): void {
    if (part.kind === 'unknown' || part.locked) return;
    this.preview(part.id, { place: { ...part.place, x: part.place.x + x, y: part.place.y + y } });
  }
  /** A part from the clipboard; what is not ours is left alone. */
  paste(text: string): string {
    const next = pasted(this.open.recipe, text);
    if (!next.ok) return next.problems.map(({ message }) => message).join(' ');
    if (next.value) {
      this.open.commit('Paste', next.value.recipe);
      this.selectedId = next.value.id;
    }
    return '';
  }
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

  /** Everything the add field can add right now. */
  addables(): readonly Addable[] {
    const recipe = this.open.recipe;
    const ink = this.desk.stage?.ink;
    const name = recipe.parts.find((part) => part.kind === 'lettering');
    const letterings: Addable[] = [
      {
        id: 'lettering',
        label: 'Lettering',
        hint: 'a line of live text',
        words: ['text', 'name', 'word', 'letters', 'type'],
        add: () => this.add(nameLettering(freePartId(recipe, 'lettering'), this.brand.name), 'Add lettering'),
      },
    ];
    if (name?.kind === 'lettering')
      letterings.push({
        id: 'second-line',
        label: 'Second line',
        hint: 'smaller, lighter, opened up',
        words: ['descriptor', 'est. line', 'tagline', 'text', 'subtitle'],
        add: () => this.add(secondLine(freePartId(recipe, 'second'), 'Second line', name, this.secondFamily), 'Add second line'),
      });
    const round = recipe.parts.findLast((part) => part.kind === 'shape' && (part.form.form === 'disk' || part.form.form === 'ring'));
    letterings.push({
      id: 'ring-text',
      label: 'Ring text',
      hint: round ? `around ${labelOf(round).toLowerCase()}, above and below` : 'above and below, on one center',
      words: ['circle', 'badge', 'arc', 'round', 'text', 'arch', 'curved'],
      add: () => {
        const upper = freePartId(recipe, 'ring-text');
        const lower = freePartId({ ...recipe, parts: [...recipe.parts, { kind: 'unknown', id: upper, original: {} }] }, 'ring-text');
        const around =
          round?.kind === 'shape' && (round.form.form === 'disk' || round.form.form === 'ring')
            ? { id: round.id, radiusPx: Math.min(round.form.widthPx, round.form.heightPx) / 2 }
            : undefined;
        const [over, under] = ringTexts(
          [upper, lower],
          [this.brand.name, 'Since the first day'],
          (name?.kind === 'lettering' ? name.font.family : undefined) ?? 'marcellus',
          around,
          ink,
        );
        this.open.commit('Add ring text', addPart(addPart(recipe, under), over));
        this.selectedId = over.id;
      },
    });
    const shapes = FORM_NAMES.map((form): Addable => {
      const { label, group, words } = formKind(form);
      const behind = isBacking(form);
      return {
        id: form,
        label,
        hint: behind ? `${group}, placed behind` : group,
        words: [...words, group],
        form,
        add: () => {
          const shape = newShape(freePartId(recipe, form), form, ink);
          const added = addPart(recipe, shape);
          this.open.commit(`Add ${label.toLowerCase()}`, behind ? restack(added, shape.id, 0) : added);
          this.selectedId = shape.id;
        },
      };
    });
    const links = this.marks
      .filter((mark) => mark.id !== this.info.id)
      .flatMap((mark): readonly Addable[] => {
        const source = mark.recipe.parts.find((part) => part.kind === 'lettering');
        if (!source) return [];
        const part = () =>
          expect(
            createPart({
              kind: 'linked',
              id: freePartId(recipe, 'initial'),
              from: { mark: mark.id, part: source.id },
              take: 'initial',
              sizePx: 160,
            }),
          );
        return [
          {
            id: `initial-${mark.id}`,
            label: `Initial of ${mark.name}`,
            hint: 'follows its first letter',
            words: ['linked', 'initial', 'monogram', 'letter'],
            add: () => this.add(part(), 'Add linked initial'),
          },
        ];
      });
    return [...letterings, ...shapes, ...links];
  }
}

const KEY = Symbol('table');
export const provideTable = (table: Table): Table => setContext(KEY, table);
export const useTable = (): Table => getContext<Table>(KEY);
