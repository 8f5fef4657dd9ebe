import {
  adding,
  changePart,
  colorOf,
  dress,
  goingAlone,
  heightOf,
  isKnown,
  type Paint,
  type Part,
  type Recipe,
  type Treatments,
  type TreatmentsEdit,
  type TreatmentStack,
} from '$core/index';
import type { AtHand } from './at-hand';

/** The roles that a treatment is painted with where its own is that of what lies behind it. */
const SEEN_FIRST = ['lead', 'accent', 'second', 'ink', 'paper'] as const;
/** What treatments begin with where nothing is drawn yet. */
const UNKNOWN_HEIGHT_PX = 90;

/** Treatments of parts, of all that are chosen with them, and of the whole mark. */
export class Treating {
  constructor(private readonly table: AtHand) {}

  /** How high a part stands, in its own pixels. */
  heightOf(id: string): number {
    const part = this.table.resolved(id);
    if (!part?.ink) return UNKNOWN_HEIGHT_PX;
    const { a, b, c, d } = part.transform;
    const scale = Math.sqrt(Math.abs(a * d - b * c)) || 1;
    return heightOf(part.ink) / scale;
  }
  /** An edit of a part's treatments, which reaches all that are chosen with it. */
  preview(id: string, edit: TreatmentsEdit): void {
    const reached = this.table.isChosen(id) ? this.table.chosen.map((part) => part.id) : [id];
    this.table.previewRecipe(treatedIn(this.table.open.recipe, reached, () => edit));
  }
  /** The treatments of the whole mark. */
  get whole(): Treatments {
    return this.table.open.recipe.whole?.treatments ?? [];
  }
  previewWhole(edit: TreatmentsEdit): void {
    const { recipe } = this.table.open;
    const treatments = [...edit(this.whole)];
    const { treatments: _before, ...others } = recipe.whole ?? {};
    const { whole: _whole, ...rest } = recipe;
    this.table.previewRecipe(
      treatments.length === 0 && Object.keys(others).length === 0 ? rest : { ...rest, whole: { ...others, treatments } },
    );
  }
  /** What is painted with instead of the color of what lies right behind a part: in that color nothing would be seen. */
  #seenAt(id: string): (paint: Paint) => Paint {
    const { palette } = this.table;
    const ink = this.table.resolved(id)?.ink;
    const { parts } = this.table.open.recipe;
    const own = parts.find((part) => part.id === id);
    const hexOf = (part: Part | undefined) =>
      part && isKnown(part) && 'paint' in part && part.paint ? colorOf(part.paint, dress(palette, 'full')) : undefined;
    const behind = new Set(
      parts.slice(0, own ? parts.indexOf(own) : 0).flatMap((part) => {
        const there = this.table.resolved(part.id)?.ink;
        const covers =
          ink && there && there.left <= ink.left && there.right >= ink.right && there.top <= ink.top && there.bottom >= ink.bottom;
        const hex = isKnown(part) && !part.hidden ? hexOf(part) : undefined;
        return covers && hex ? [hex] : [];
      }),
    );
    const another = SEEN_FIRST.find((role) => !behind.has(palette[role]) && palette[role] !== hexOf(own));
    return (paint) => (another && 'role' in paint && behind.has(colorOf(paint, dress(palette, 'full'))) ? { role: another } : paint);
  }
  /** Adds to one part's treatments, in lengths and colors that suit it where it stands. */
  adding(id: string, kinds: TreatmentStack['treatments']): TreatmentsEdit {
    return adding(kinds, this.heightOf(id), this.#seenAt(id));
  }
  /** Adds to everything that is chosen, each in lengths that suit it; to the whole mark where nothing is. */
  add(gesture: string, kinds: TreatmentStack['treatments']): void {
    const free = goingAlone(this.table.open.recipe, this.table.chosen).filter(({ locked }) => !locked);
    if (free.length === 0 && this.table.chosen.length > 0) {
      this.table.said = 'It is locked: unlock it first.';
      return;
    }
    if (free.length === 0) {
      const ink = this.table.desk.stage?.ink;
      this.previewWhole(adding(kinds, ink ? heightOf(ink) : UNKNOWN_HEIGHT_PX));
    } else
      this.table.previewRecipe(
        treatedIn(
          this.table.open.recipe,
          free.map(({ id }) => id),
          (id) => this.adding(id, kinds),
        ),
      );
    this.table.commit(gesture);
    const open = this.table.open.recipe.parts.find(({ id }) => id === this.table.selectedId);
    this.table.treatment = open && isKnown(open) ? open.treatments?.at(-1)?.id : undefined;
  }
}

/** The recipe with the treatments of some parts edited; a list that becomes empty is none. */
function treatedIn(recipe: Recipe, ids: readonly string[], editOf: (id: string) => TreatmentsEdit): Recipe {
  return ids.reduce((next, id) => {
    const part = next.parts.find((each) => each.id === id);
    if (!part || !isKnown(part)) return next;
    const treatments = [...editOf(id)(part.treatments ?? [])];
    return changePart(next, id, { treatments: treatments.length === 0 ? undefined : treatments });
  }, recipe);
}
