import {
  adding,
  changePart,
  goingAlone,
  heightOf,
  isKnown,
  type Recipe,
  type Treatments,
  type TreatmentsEdit,
  type TreatmentStack,
} from '$core/index';
import type { AtHand } from './at-hand';

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
    this.table.previewRecipe(treatedIn(this.table.open.recipe, reached.includes(id) ? reached : [id], () => edit));
  }
  /** The treatments of the whole mark. */
  get whole(): Treatments {
    return this.table.open.recipe.whole?.treatments ?? [];
  }
  previewWhole(edit: TreatmentsEdit): void {
    const { recipe } = this.table.open;
    const treatments = [...edit(this.whole)];
    const { light } = recipe.whole ?? {};
    const { whole: _whole, ...rest } = recipe;
    this.table.previewRecipe(treatments.length === 0 && !light ? rest : { ...rest, whole: { ...(light ? { light } : {}), treatments } });
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
          (id) => adding(kinds, this.heightOf(id)),
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
