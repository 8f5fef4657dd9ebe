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

/** Costly pieces of any kind, made once by a key that says all that they depend on. @param most how many are kept */
export function rememberedPieces(most: number) {
  const kept = new Remembered<{ readonly piece: unknown }>(most);
  return {
    remember: <T>(key: string, make: () => T): T => {
      const known = kept.get(key);
      if (known) return known.piece as T;
      const piece = make();
      kept.put(key, { piece });
      return piece;
    },
    isRemembered: (key: string): boolean => kept.get(key) !== undefined,
  };
}
