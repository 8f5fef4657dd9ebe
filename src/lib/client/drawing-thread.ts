import { wrap, type Remote } from 'comlink';
import { type Palette, type Recipe, type ShippedFamily } from '$core/index';
import { picturesAddress } from '$lib/addresses';
import type { BrandNews, Draughtsman } from '$workers/draw';
import { writtenParts } from './written-parts';

/** One worker that draws, and what it knows of a brand's marks. */
export class DrawingThread {
  readonly draughtsman: Remote<Draughtsman>;
  /** Once its fonts are named; fails where it cannot be had. */
  readonly opened: Promise<void>;
  readonly #worker: Worker;
  /** What the worker has been told, by id; recipes are never changed, so that the same object is the same news. */
  readonly #told = new Map<string, Recipe>();

  /** @param brandSlug whose pictures the marks show */
  constructor(families: readonly ShippedFamily[], brandSlug: string) {
    this.#worker = new Worker(new URL('../../workers/draw.worker.ts', import.meta.url), { type: 'module' });
    this.draughtsman = wrap<Draughtsman>(this.#worker);
    const ready = new Promise<void>((resolve, reject) => {
      this.#worker.addEventListener('message', () => resolve(), { once: true });
      this.#worker.addEventListener('error', () => reject(new Error('The drawing worker could not be had.')), { once: true });
    });
    this.opened = ready.then(() => this.draughtsman.open(families, `${location.origin}/fonts/`, picturesAddress(brandSlug)));
  }

  /** What is new to it of the marks as they are; to be told to it with the next question. */
  news(palette: Palette, recipes: Iterable<readonly [id: string, recipe: Recipe]>): BrandNews {
    const news = [...recipes].filter(([id, recipe]) => this.#told.get(id) !== recipe);
    for (const [id, recipe] of news) this.#told.set(id, recipe);
    return { palette, marks: news.map(([id, recipe]) => ({ id, parts: writtenParts(recipe), whole: recipe.whole })) };
  }

  close(): void {
    this.#worker.terminate();
  }
}
