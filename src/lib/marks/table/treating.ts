import {
  adding,
  changePart,
  colorOf,
  dress,
  goingAlone,
  heightOf,
  isKnown,
  lookFrom,
  MOST_LOOKS,
  newTreatment,
  treatmentKinds,
  wearing,
  keepingLook,
  droppingLook,
  type BrandLook,
  type Paint,
  type Part,
  type Recipe,
  type Treatments,
  type TreatmentsEdit,
  type TreatmentKindName,
  type TreatmentStack,
} from '$core/index';
import { OpenMark } from '$lib/client/work/open-mark.svelte';
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
    this.table.previewRecipe(onWhole(this.table.open.recipe, edit));
  }
  /** What is painted with instead of the color of what lies right behind a part, or of the part itself: in that color nothing would be seen. */
  #seenAt(id: string): (paint: Paint, kind: TreatmentKindName) => Paint {
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
    return (paint, kind) => {
      const hex = colorOf(paint, dress(palette, 'full'));
      const unseen = behind.has(hex) || (hex === hexOf(own) && !treatmentKinds[kind].seenInOwnColor);
      return another && 'role' in paint && unseen ? { role: another } : paint;
    };
  }
  /** Adds to one part's treatments, in lengths and colors that suit it where it stands. */
  adding(id: string, kinds: TreatmentStack['treatments']): TreatmentsEdit {
    return adding(kinds, this.heightOf(id), this.#seenAt(id));
  }
  /** Wears a look of the brand on everything that is chosen, in lengths that suit each; on the whole mark where nothing is. */
  wear(look: BrandLook): void {
    const sizeFor = (heightPx: number) => {
      const percent = Math.round((heightPx / look.madeForPx) * 100);
      return percent > 80 && percent < 125 ? 100 : Math.min(2000, Math.max(1, percent));
    };
    const wears = (list: Treatments = []) => list.some((each) => each.kind === 'brand-look' && each.look === look.id);
    const on = this.table.chosen.length > 0 ? this.table.chosen.every(({ treatments }) => wears(treatments)) : wears(this.whole);
    if (on) {
      this.table.said = `It wears ${look.name} already.`;
      return;
    }
    this.#addEach(`Wear ${look.name}`, (heightPx) => [['brand-look', { look: look.id, sizePercent: sizeFor(heightPx) }]]);
  }
  /** Wears a look on every mark of the family, each as a whole. What could not be saved in a mark waits there, as everything does. */
  async wearInFamily(look: BrandLook, brand: string): Promise<void> {
    let worn = 0;
    for (const mark of this.table.atHand) {
      const before = mark.id === this.table.info.id ? this.table.open.recipe : mark.recipe;
      if (
        before.whole?.canvas ||
        before.parts.length === 0 ||
        (before.whole?.treatments ?? []).some((each) => each.kind === 'brand-look' && each.look === look.id)
      )
        continue;
      const after = onWhole(before, (list) => adding([['brand-look', { look: look.id }]], 0)(list));
      worn++;
      if (mark.id === this.table.info.id) {
        this.table.open.commit(`Wear ${look.name}`, after);
        continue;
      }
      const open = new OpenMark({
        subject: `mark:${mark.id}`,
        address: `/api/brands/${brand}/marks/${mark.slug}/revisions`,
        content: before,
        number: mark.revision,
      });
      open.commit(`Wear ${look.name}`, after);
      await open.flush();
      open.close();
    }
    const marks = worn === 1 ? 'one mark' : `${worn} marks`;
    this.table.said =
      worn === 0 ? `Every mark wears ${look.name} already.` : `${look.name} lies on ${marks} now, as a whole; each can be undone there.`;
  }
  /** The treatments of a part become a look that the brand keeps, and the part wears it. */
  keep(id: string, name: string): void {
    const { palette, open } = this.table;
    const part = open.recipe.parts.find((each) => each.id === id);
    if (!part || !isKnown(part) || !part.treatments?.length) return;
    const look = lookFrom({ id: crypto.randomUUID(), name }, part.treatments, this.heightOf(id), palette);
    const next = keepingLook(palette, look);
    if (next === palette) {
      this.table.said = `A brand keeps ${MOST_LOOKS} looks at most: remove one first.`;
      return;
    }
    this.table.colors.commit('Keep a look', next);
    this.preview(id, () => [newTreatment('brand-look', 't-1', { look: look.id })]);
    this.table.commit(`Wear ${name}`);
  }
  /** Shows a look changed wherever it is worn, while the gesture goes on. */
  previewLook(look: BrandLook): void {
    this.table.colors.preview(keepingLook(this.table.palette, look));
  }
  commitLook(gesture: string): void {
    this.table.colors.commit(gesture);
  }
  /** Removes a look; parts of this mark that wear it keep its treatments as their own. */
  dropLook(look: BrandLook): void {
    const { open, palette } = this.table;
    const apart = wearing(open.recipe, { looks: (palette.looks ?? []).filter(({ id }) => id === look.id) });
    if (apart !== open.recipe) open.commit(`Apart from ${look.name}`, apart);
    this.table.colors.commit('Remove a look', droppingLook(palette, look.id));
  }

  /** Adds to everything that is chosen, each in lengths that suit it; to the whole mark where nothing is. */
  add(gesture: string, kinds: TreatmentStack['treatments']): void {
    this.#addEach(gesture, () => kinds);
  }
  #addEach(gesture: string, kindsFor: (heightPx: number) => TreatmentStack['treatments']): void {
    const free = goingAlone(this.table.open.recipe, this.table.chosen).filter(({ locked }) => !locked);
    if (free.length === 0 && this.table.chosen.length > 0) {
      this.table.said = 'It is locked: unlock it first.';
      return;
    }
    if (free.length === 0) {
      const ink = this.table.desk.stage?.ink;
      const heightPx = ink ? heightOf(ink) : UNKNOWN_HEIGHT_PX;
      this.previewWhole(adding(kindsFor(heightPx), heightPx));
    } else
      this.table.previewRecipe(
        treatedIn(
          this.table.open.recipe,
          free.map(({ id }) => id),
          (id) => this.adding(id, kindsFor(this.heightOf(id))),
        ),
      );
    this.table.commit(gesture);
    if (free.length === 0) this.table.wholeTreatment = this.whole.at(-1)?.id;
    const open = this.table.open.recipe.parts.find(({ id }) => id === this.table.selectedId);
    this.table.treatment = open && isKnown(open) ? open.treatments?.at(-1)?.id : undefined;
  }
}

/** The recipe with the treatments of the whole mark edited; a whole that says nothing more is none. */
function onWhole(recipe: Recipe, edit: TreatmentsEdit): Recipe {
  const { whole, ...rest } = recipe;
  const { treatments: before = [], ...others } = whole ?? {};
  const treatments = [...edit(before)];
  return treatments.length === 0 && Object.keys(others).length === 0 ? rest : { ...rest, whole: { ...others, treatments } };
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
