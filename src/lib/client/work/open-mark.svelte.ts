import { expect, recoverRecipe, type Recipe } from '$core/index';
import { writtenChanges, writtenRecipe } from '../written-parts';
import { OpenWork } from './open-work.svelte';
import type { WorkForm, WorkStart } from './work-form';

/** How long the page waits for the picture of a change, so that both come in one frame. */
const FOLLOW_MS = 24;

const FORM: WorkForm<Recipe> = {
  field: 'recipe',
  read: (input) => expect(recoverRecipe(input)),
  write: writtenRecipe,
  writeChanges: writtenChanges,
};

/** The mark on the table. */
export class OpenMark extends OpenWork<Recipe> {
  /** Called with every recipe that is shown, before the page follows: who draws it need not wait for the page. */
  onshown: ((recipe: Recipe) => void) | undefined;
  #current: Recipe;
  #following: ReturnType<typeof setTimeout> | undefined;

  constructor(start: WorkStart<Recipe>) {
    super(start, FORM);
    this.#current = start.content;
  }

  /** As shown, a gesture in progress included. Always the newest; the page hears of it together with its picture. */
  get recipe(): Recipe {
    void this.content; // Who reads it in the page is told when it changes.
    return this.#current;
  }
  protected override get newest(): Recipe {
    return this.#current;
  }
  protected override show(next: Recipe): void {
    this.#current = next;
    if (!this.onshown) return super.show(next);
    this.onshown(next);
    this.#following ??= setTimeout(() => this.follow(), FOLLOW_MS);
  }

  /** Lets the page follow at once: the picture is there, or somebody is about to act on what they see. */
  follow(): void {
    clearTimeout(this.#following);
    this.#following = undefined;
    super.show(this.#current);
  }
}
