import { wrap, type Remote } from 'comlink';
import { writeRecipe, type Dressing, type Palette, type Recipe, type ScreenPicture, type ShippedFamily } from '$core/index';
import type { BrandState, Draughtsman } from '$workers/draw';

/** What the page wants drawn. */
export interface DeskOrder {
  readonly markId: string;
  readonly palette: Palette;
  /** All marks of the brand by id, the one on the table as it is shown now. */
  readonly recipes: ReadonlyMap<string, Recipe>;
}

/** The page's end of the drawing worker: always the newest order, older ones are dropped. */
export class DrawingDesk {
  stage: ScreenPicture | undefined = $state.raw();
  proofs: Readonly<Record<Dressing, ScreenPicture>> | undefined = $state.raw();
  /** The other marks of the brand, by id. */
  others: ReadonlyMap<string, ScreenPicture> = $state.raw(new Map());
  problem = $state('');

  readonly #worker: Worker;
  readonly draughtsman: Remote<Draughtsman>;
  readonly #opened: Promise<void>;
  #newest: DeskOrder | undefined;
  #busy = false;
  #serial = 0;

  constructor(families: readonly ShippedFamily[]) {
    this.#worker = new Worker(new URL('../../workers/draw.worker.ts', import.meta.url), { type: 'module' });
    this.draughtsman = wrap<Draughtsman>(this.#worker);
    const ready = new Promise<void>((resolve) => this.#worker.addEventListener('message', () => resolve(), { once: true }));
    this.#opened = ready.then(() => this.draughtsman.open(families, `${location.origin}/fonts/`));
  }

  /** Asks for a drawing; the stage comes first, then proofs and the other marks once nothing newer is wanted. */
  order(order: DeskOrder): void {
    this.#newest = order;
    this.#serial++;
    if (!this.#busy) void this.#work();
  }

  /** Waits for the fonts to be named, then asks the worker something. */
  async ask<T>(question: (draughtsman: Remote<Draughtsman>) => Promise<T>): Promise<T> {
    await this.#opened;
    return question(this.draughtsman);
  }

  close(): void {
    this.#worker.terminate();
  }

  async #work(): Promise<void> {
    this.#busy = true;
    try {
      await this.#opened;
      for (let done = -1; done !== this.#serial && this.#newest;) {
        done = this.#serial;
        await this.#draw(this.#newest, () => done === this.#serial);
      }
      this.problem = '';
    } catch (error) {
      this.problem = `The mark could not be drawn: ${error instanceof Error ? error.message : String(error)}`;
    } finally {
      this.#busy = false;
    }
  }

  async #draw(order: DeskOrder, isNewest: () => boolean): Promise<void> {
    const state: BrandState = {
      palette: order.palette,
      marks: [...order.recipes].map(([id, recipe]) => ({ id, recipe: writeRecipe(recipe) })),
    };
    this.stage = await this.draughtsman.picture(state, order.markId, 'full', 'stage-');
    if (!isNewest()) return;
    this.proofs = await this.draughtsman.dressings(state, order.markId);
    const others = new Map<string, ScreenPicture>();
    for (const [id] of order.recipes) {
      if (!isNewest()) return;
      others.set(id, await this.draughtsman.picture(state, id, 'full', `${id}-`));
    }
    this.others = others;
  }
}
