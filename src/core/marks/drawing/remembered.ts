/** A map that forgets what was put in first. */
export class Remembered<T> {
  readonly #kept = new Map<string, T>();
  constructor(private readonly most: number) {}
  get = (key: string): T | undefined => this.#kept.get(key);
  put(key: string, value: T): void {
    const oldest = this.#kept.keys().next();
    if (this.#kept.size >= this.most && !oldest.done) this.#kept.delete(oldest.value);
    this.#kept.set(key, value);
  }
}
