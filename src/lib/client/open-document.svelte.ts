import type { SaveState } from './open-mark.svelte';
import { request } from './request';

const RETRY_MS = [500, 1000, 2000, 4000, 8000];

/** A brand's document on the page (brief, board, type desk): shows changes at once, undoes whole gestures, saves by itself. */
export class OpenDocument<T> {
  content: T = $state.raw() as T;
  save: SaveState = $state.raw({ kind: 'saved', at: new Date() });
  past: readonly T[] = $state.raw([]);
  future: readonly T[] = $state.raw([]);

  readonly #address: string;
  #settled: T;
  #number: number;
  #unsaved = false;
  #sending = false;
  #failures = 0;

  constructor(start: { readonly number: number; readonly content: T }, address: string) {
    this.content = this.#settled = start.content;
    this.#number = start.number;
    this.#address = address;
  }

  /** Shows a change while its gesture goes on. */
  preview(next: T): void {
    this.content = next;
  }

  /** Ends a gesture and saves it. */
  commit(next: T = this.content): void {
    this.content = next;
    if (JSON.stringify(next) === JSON.stringify(this.#settled)) return;
    this.past = [...this.past, this.#settled];
    this.future = [];
    this.#settle(next);
  }

  undo(): void {
    this.commit();
    const before = this.past.at(-1);
    if (before === undefined) return;
    this.past = this.past.slice(0, -1);
    this.future = [...this.future, this.#settled];
    this.#settle(before);
  }

  redo(): void {
    const after = this.future.at(-1);
    if (after === undefined) return;
    this.future = this.future.slice(0, -1);
    this.past = [...this.past, this.#settled];
    this.#settle(after);
  }

  #settle(next: T): void {
    this.content = this.#settled = next;
    this.#unsaved = true;
    void this.#send();
  }

  async #send(): Promise<void> {
    if (this.#sending || !this.#unsaved) return;
    this.#sending = true;
    this.#unsaved = false;
    this.save = { kind: 'saving' };
    const answer = await request<{ number: number }>('PUT', this.#address, { base: this.#number, content: this.#settled });
    this.#sending = false;
    if (answer.ok) {
      this.#failures = 0;
      this.#number = answer.value.number;
      this.save = { kind: 'saved', at: new Date() };
      return this.#send();
    }
    if (answer.status === 0 || answer.status >= 500) {
      this.#unsaved = true;
      this.save = { kind: 'waiting', problems: answer.problems };
      setTimeout(() => void this.#send(), RETRY_MS[Math.min(this.#failures++, RETRY_MS.length - 1)]);
    } else this.save = { kind: 'refused', problems: answer.problems };
    const { current } = answer.body as { current?: { number: number; content: T } };
    // Somebody else saved meanwhile: theirs is shown, this tab's stays one undo away.
    if (answer.status === 409 && current) {
      this.past = [...this.past, this.#settled];
      this.#number = current.number;
      this.content = this.#settled = current.content;
    }
  }
}
