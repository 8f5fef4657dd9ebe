import type { Recipe } from '$core/index';
import type { ShownMark } from '$lib/client/read-marks';
import { OpenMark } from '$lib/client/work/open-mark.svelte';
import type { Step } from '$lib/client/work/work-form';

const GESTURE = 'Dress all marks in the palette';

/** Marks of a brand that are changed in one gesture and undone in one. */
export class MarksTogether {
  past: readonly Step<readonly OpenMark[]>[] = $state.raw([]);
  future: readonly Step<readonly OpenMark[]>[] = $state.raw([]);
  /** All that it reached; each is saved by itself. */
  opened: readonly OpenMark[] = $state.raw([]);
  said = $state('');
  readonly #works = new Map<string, OpenMark>();

  constructor(readonly slug: string) {}

  /**
   * Changes marks in one gesture.
   * @param open the one that is open in the room already, by its id
   */
  commit(changes: readonly { readonly mark: ShownMark; readonly recipe: Recipe }[], open: ReadonlyMap<string, OpenMark>): void {
    const works = changes.map(({ mark, recipe }) => {
      const work = open.get(mark.id) ?? this.#workOn(mark);
      this.#keep(mark.id, work);
      work.commit(GESTURE, recipe);
      return work;
    });
    this.past = [...this.past, { gesture: GESTURE, content: works, at: Date.now() }];
    this.future = [];
  }
  /** As it is here, where it has been opened. */
  recipeOf = (id: string): Recipe | undefined => this.#works.get(id)?.recipe;

  #workOn(mark: ShownMark): OpenMark {
    const kept = this.#works.get(mark.id);
    if (kept) return kept;
    const work = new OpenMark({
      subject: `mark:${mark.id}`,
      address: `/api/brands/${this.slug}/marks/${mark.slug}/revisions`,
      content: mark.recipe,
      number: mark.revision,
    });
    void work.restore();
    return work;
  }
  #keep(id: string, work: OpenMark): void {
    this.#works.set(id, work);
    if (!this.opened.includes(work)) this.opened = [...this.opened, work];
  }
  /** Whether a gesture made together can still be taken back in it: it stays open with the room, whatever mark is looked at. */
  keeps = (work: OpenMark): boolean => this.opened.includes(work);

  undo(): void {
    this.#step('past');
  }
  redo(): void {
    this.#step('future');
  }
  /** A mark that has changed since stays as it is: only the gesture that was made together is taken back together. */
  #step(from: 'past' | 'future'): void {
    const step = this[from].at(-1);
    if (!step) return;
    const ready = step.content.filter((work) => work[from].at(-1)?.gesture === GESTURE);
    for (const work of ready) {
      if (from === 'past') work.undo();
      else work.redo();
    }
    const left = step.content.length - ready.length;
    this.said =
      left === 0
        ? ''
        : left === 1
          ? 'One mark has changed since, and stays as it is.'
          : `${left} marks have changed since, and stay as they are.`;
    this[from] = this[from].slice(0, -1);
    const to = from === 'past' ? 'future' : 'past';
    this[to] = [...this[to], { ...step, at: Date.now() }];
  }

  close(): void {
    for (const work of this.opened) work.close();
  }
}
