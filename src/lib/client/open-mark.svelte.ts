import { expect, parseRecipe, type Problem, type Recipe } from '$core/index';
import { JsonText, request, type Answer } from './request';
import { readUnsaved, writeUnsaved, writtenWork, type WaitingGesture } from './unsaved-work';
import { writtenRecipe } from './written-parts';

/** A recipe that undo or redo leads to, and the gesture that leads there. */
export interface Step {
  readonly gesture: string;
  readonly recipe: Recipe;
}

export interface MarkStart {
  readonly id: string;
  readonly recipe: Recipe;
  readonly revision: number;
  readonly savedAt: string;
  /** Where undo and redo lead, the next step last. */
  readonly past: readonly Step[];
  readonly future: readonly Step[];
  /** Where gestures are sent. */
  readonly address: string;
}

export type SaveState =
  | { readonly kind: 'saved'; readonly at: Date }
  | { readonly kind: 'saving' }
  | { readonly kind: 'waiting'; readonly problems: readonly Problem[] }
  | { readonly kind: 'refused'; readonly problems: readonly Problem[] }
  /** Somebody else saved meanwhile; both versions are at hand. */
  | { readonly kind: 'conflict'; readonly theirs: Recipe; readonly theirRevision: number };

/** How long the page waits for the picture of a change, so that both come in one frame. */
const FOLLOW_MS = 24;

const RETRY_MS = [500, 1000, 2000, 4000, 8000];

/** The mark on the table: its recipe, undo and redo, and saving by itself. Every gesture becomes one revision. */
export class OpenMark {
  #shown: Recipe = $state.raw({ version: 1, parts: [] });
  /** Called with every recipe that is shown, before the page follows: who draws it need not wait for the page. */
  onshown: ((recipe: Recipe) => void) | undefined;
  save: SaveState = $state.raw({ kind: 'saving' });
  past: readonly Step[] = $state.raw([]);
  future: readonly Step[] = $state.raw([]);

  #current: Recipe = { version: 1, parts: [] };
  #following: ReturnType<typeof setTimeout> | undefined;

  /** As shown, a gesture in progress included. Always the newest; the page hears of it together with its picture. */
  get recipe(): Recipe {
    void this.#shown; // Who reads it in the page is told when it changes.
    return this.#current;
  }
  set recipe(next: Recipe) {
    this.#current = next;
    if (!this.onshown) {
      this.#shown = next;
      return;
    }
    this.onshown(next);
    this.#following ??= setTimeout(() => this.follow(), FOLLOW_MS);
  }

  /** Lets the page follow at once: the picture is there, or somebody is about to act on what they see. */
  follow(): void {
    clearTimeout(this.#following);
    this.#following = undefined;
    this.#shown = this.#current;
  }

  readonly #id: string;
  readonly #address: string;
  /** As of the last finished gesture. */
  #settled: Recipe;
  #revision: number;
  #waiting: readonly WaitingGesture[] = [];
  #sending = false;
  #failures = 0;
  #timer: ReturnType<typeof setTimeout> | undefined;

  constructor(start: MarkStart) {
    this.#id = start.id;
    this.#address = start.address;
    this.#revision = start.revision;
    this.recipe = this.#settled = start.recipe;
    this.past = start.past;
    this.future = start.future;
    this.save = { kind: 'saved', at: new Date(start.savedAt) };
  }

  /** Takes up what an earlier tab could not save. Called once, in the browser. */
  restore(): void {
    const left = readUnsaved(this.#id);
    if (!left) return;
    if (left.base === this.#revision)
      for (const gesture of left.gestures) this.#apply(gesture.kind, gesture.gesture, expect(parseRecipe(JSON.parse(gesture.recipe))));
    // Sent from where they began: the server knows gestures that it has already saved, and refuses the rest if the mark moved on.
    this.#revision = left.base;
    this.#waiting = left.gestures;
    void this.#send();
  }

  /** Shows a recipe while a gesture goes on; nothing is saved yet. */
  preview(next: Recipe): void {
    this.recipe = next;
  }

  /** Ends a gesture: what is shown becomes one step of undo and one revision. A gesture that changed nothing leaves no trace. */
  commit(gesture: string, next: Recipe = this.recipe): void {
    this.recipe = next;
    if (next === this.#settled || writtenRecipe(next) === writtenRecipe(this.#settled)) return;
    this.#do('edit', gesture, next);
  }

  /** Gives up a gesture in progress. */
  cancel(): void {
    this.recipe = this.#settled;
  }

  undo(): void {
    this.commit('Change');
    const step = this.past.at(-1);
    if (step) this.#do('undo', step.gesture, step.recipe);
  }

  redo(): void {
    const step = this.future.at(-1);
    if (step) this.#do('redo', step.gesture, step.recipe);
  }

  /** Waits until everything is saved; false when it cannot be right now. */
  async flush(): Promise<boolean> {
    this.commit('Change');
    await this.#send();
    return this.#waiting.length === 0;
  }

  /** After a conflict: goes on with this tab's version, on top of the newer one. */
  keepMine(): void {
    if (this.save.kind !== 'conflict') return;
    const mine = this.recipe;
    this.#waiting = [];
    this.#revision = this.save.theirRevision;
    this.#settled = this.save.theirs;
    this.past = [];
    this.future = [];
    this.save = { kind: 'saving' };
    this.#do('edit', 'Kept over a newer version', mine);
  }

  /** After a conflict: goes on with the newer version; this tab's is saved too, one undo away. */
  takeTheirs(): void {
    if (this.save.kind !== 'conflict') return;
    const { theirs } = this.save;
    this.keepMine();
    this.#do('edit', 'Took the newer version', theirs);
  }

  /** Moves the undo and redo stacks as the server's chain of revisions will read them. */
  #apply(kind: WaitingGesture['kind'], gesture: string, next: Recipe): void {
    const shown: Step = { gesture, recipe: this.#settled };
    if (kind === 'undo') {
      this.past = this.past.slice(0, -1);
      this.future = [...this.future, shown];
    } else {
      this.past = [...this.past, shown];
      this.future = kind === 'edit' ? [] : this.future.slice(0, -1);
    }
    this.recipe = this.#settled = next;
  }

  #do(kind: WaitingGesture['kind'], gesture: string, next: Recipe): void {
    this.#apply(kind, gesture, next);
    this.#waiting = [...this.#waiting, { id: crypto.randomUUID(), kind, gesture, recipe: writtenRecipe(next) }];
    writeUnsaved(this.#id, { base: this.#revision, gestures: this.#waiting });
    if (this.save.kind !== 'conflict') void this.#send();
  }

  async #send(): Promise<void> {
    if (this.#sending || this.#waiting.length === 0 || this.save.kind === 'conflict') return;
    this.#sending = true;
    clearTimeout(this.#timer);
    if (this.save.kind === 'saved') this.save = { kind: 'saving' };
    const sent = this.#waiting.slice(0, 100);
    const work = new JsonText(writtenWork({ base: this.#revision, gestures: sent }));
    const answer = await request<{ revision: number; savedAt: string }>('POST', this.#address, work);
    this.#sending = false;
    if (answer.ok) {
      this.#failures = 0;
      this.#revision = answer.value.revision;
      this.#waiting = this.#waiting.slice(sent.length);
      writeUnsaved(this.#id, { base: this.#revision, gestures: this.#waiting });
      if (this.#waiting.length > 0) return this.#send();
      this.save = { kind: 'saved', at: new Date(answer.value.savedAt) };
    } else this.#sendFailed(answer);
  }

  #sendFailed(answer: Answer<unknown> & { ok: false }): void {
    const { current } = answer.body as { current?: { revision: number; recipe: unknown } };
    if (answer.status === 409 && current)
      this.save = { kind: 'conflict', theirs: expect(parseRecipe(current.recipe)), theirRevision: current.revision };
    else if (answer.status === 0 || answer.status >= 500) {
      this.save = { kind: 'waiting', problems: answer.problems };
      this.#timer = setTimeout(() => void this.#send(), RETRY_MS[Math.min(this.#failures++, RETRY_MS.length - 1)]);
    } else this.save = { kind: 'refused', problems: answer.problems };
  }
}
