/** News come faster than anybody reads. */
const PAUSE_MS = 350;

/**
 * Asks about things of which news have come. Many news of one thing are one question, a moment later; and an answer never takes the place of
 * one that was asked for after it, in whatever order they come.
 */
export class GatheredNews<T extends { readonly id: string }> {
  readonly #waiting = new Set<string>();
  readonly #taken = new Map<string, number>();
  #timer: ReturnType<typeof setTimeout> | undefined;
  #asked = 0;

  /**
   * @param ask brings a thing as it is now; nothing where it cannot be had
   * @param take what is done with it
   */
  constructor(
    readonly ask: (id: string) => Promise<T | undefined>,
    readonly take: (thing: T) => void,
    readonly pauseMs = PAUSE_MS,
  ) {}

  /** News of a thing have come. */
  about(id: string): void {
    this.#waiting.add(id);
    this.#timer ??= setTimeout(() => {
      this.#timer = undefined;
      const ids = [...this.#waiting];
      this.#waiting.clear();
      for (const each of ids) void this.#bring(each);
    }, this.pauseMs);
  }
  async #bring(id: string): Promise<void> {
    const question = this.begin();
    const thing = await this.ask(id);
    if (thing && this.isNewest(id, question)) this.take(thing);
  }

  /** A question that is asked elsewhere, about many things at once. @returns its number */
  begin(): number {
    return ++this.#asked;
  }
  /** Whether the answer to a question is the newest there is about a thing; it counts as taken then. */
  isNewest(id: string, question: number): boolean {
    if ((this.#taken.get(id) ?? 0) > question) return false;
    this.#taken.set(id, question);
    return true;
  }

  /** A list as it came, but for things of which something newer is known. */
  newestOf(question: number, came: readonly T[], known: readonly T[]): readonly T[] {
    const before = new Map(known.map((thing) => [thing.id, thing]));
    return came.map((thing) => (this.isNewest(thing.id, question) ? thing : (before.get(thing.id) ?? thing)));
  }

  close(): void {
    clearTimeout(this.#timer);
  }
}
