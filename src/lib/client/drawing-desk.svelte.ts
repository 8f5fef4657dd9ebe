import { version } from '$app/environment';
import { wrap, type Remote } from 'comlink';
import {
  PROOFS,
  type Dressing,
  type DrawnPicture,
  type Palette,
  type PartWeight,
  type Recipe,
  type ScreenPicture,
  type ShippedFamily,
  withNews,
  picturesAddress,
} from '$core/index';
import type { Draughtsman, SmallSizes } from '$workers/draw';
import { KeptPictures } from './kept-pictures';
import { writtenParts } from './written-parts';

/**
 * How long the hand rests before proofs are drawn: between two keys of a quick typist nothing but the stage changes.
 * Where drawing them takes long, the rest is longer by as much, so that the next key seldom finds the worker busy.
 */
const REST_MS = { least: 120, most: 500, share: 1.5 } as const;

/** Sizes that every mark is looked at beside the table, in px of its longer side. */
export const SMALL_SIZES_PX = [16, 32, 64] as const;

/** What the page wants drawn. */
export interface DeskOrder {
  readonly markId: string;
  readonly palette: Palette;
  /** All marks of the brand by id, the one on the table as it is shown now. */
  readonly recipes: ReadonlyMap<string, Recipe>;
  /** The dressing that the stage shows over the mark, where it is in one. */
  readonly worn?: Dressing | undefined;
  /** Other versions kept beside the mark, by their own ids. */
  readonly beside?: ReadonlyMap<string, Recipe>;
}

/** What the proofs beside the stage are dressed in. */
const PROOF_DRESSINGS: readonly Dressing[] = [
  'full',
  ...Object.values(PROOFS).flatMap((proof) => ('dressing' in proof ? proof.dressing : [])),
];

const sameMap = (one: ReadonlyMap<string, Recipe> | undefined, other: ReadonlyMap<string, Recipe> | undefined): boolean =>
  one === other || (one?.size === other?.size && [...(one ?? [])].every(([id, recipe]) => other?.get(id) === recipe));
const isSame = (one: DeskOrder, other: DeskOrder): boolean =>
  one.markId === other.markId &&
  one.palette === other.palette &&
  one.worn === other.worn &&
  sameMap(one.recipes, other.recipes) &&
  sameMap(one.beside, other.beside);

/** The page's end of the drawing worker: always the newest order, older ones are dropped. */
export class DrawingDesk {
  stage: ScreenPicture | undefined = $state.raw();
  proofs: Readonly<Partial<Record<Dressing, DrawnPicture>>> = $state.raw({});
  /** The other marks of the brand and the versions kept beside this one, by id. */
  others: ReadonlyMap<string, DrawnPicture> = $state.raw(new Map());
  /** How heavy the parts are, thinnest first; as of the last rest. */
  weights: readonly PartWeight[] = $state.raw([]);
  /** What is left of the mark when it is small; as of the last rest. */
  small: SmallSizes | undefined = $state.raw();
  problem = $state('');
  /** How often the stage has come to rest; what is drawn beside it is asked for anew then. */
  rests = $state(0);

  /** Called with every new picture of the stage. */
  onstage: (() => void) | undefined;

  readonly #worker: Worker;
  readonly draughtsman: Remote<Draughtsman>;
  /** Pictures of what is not worked on here. */
  readonly kept: KeptPictures;
  readonly #opened: Promise<void>;
  #newest: DeskOrder | undefined;
  #busy = false;
  #serial = 0;

  /** @param brandSlug whose pictures the marks show */
  constructor(families: readonly ShippedFamily[], brandSlug: string) {
    this.#worker = new Worker(new URL('../../workers/draw.worker.ts', import.meta.url), { type: 'module' });
    this.draughtsman = wrap<Draughtsman>(this.#worker);
    this.kept = new KeptPictures(version, families, picturesAddress(brandSlug));
    const ready = new Promise<void>((resolve) => this.#worker.addEventListener('message', () => resolve(), { once: true }));
    this.#opened = ready.then(() => this.draughtsman.open(families, `${location.origin}/fonts/`, picturesAddress(brandSlug)));
  }

  /** Asks for a drawing; the stage comes first, then, once the hand rests, proofs and the other marks one by one. */
  order(order: DeskOrder): void {
    if (this.#newest && isSame(this.#newest, order)) return;
    this.#newest = order;
    this.#serial++;
    this.#wake?.();
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

  /** What the worker has been told, by id; recipes are never changed, so that the same object is the same news. */
  readonly #told = new Map<string, Recipe>();

  async #draw(order: DeskOrder, isNewest: () => boolean): Promise<void> {
    const all = [...order.recipes, ...(order.beside ?? [])];
    const news = all.filter(([id, recipe]) => this.#told.get(id) !== recipe);
    for (const [id, recipe] of news) this.#told.set(id, recipe);
    const told = { palette: order.palette, marks: news.map(([id, recipe]) => ({ id, parts: writtenParts(recipe), whole: recipe.whole })) };
    this.stage = withNews(await this.draughtsman.picture(order.markId, 'full', 'stage-', told), this.stage?.groups ?? []);
    this.onstage?.();
    if (!isNewest() || !(await this.#rested(isNewest))) return;
    const began = performance.now();
    // Whoever interrupts finds the worker busy: the hand is given longer.
    this.#restMs = Math.min(REST_MS.most, this.#restMs * REST_MS.share);
    this.rests++;
    const { palette } = order;
    const recipes = new Map(all);
    const drawn = (markId: string, dressing: Dressing, prefix: string, before: DrawnPicture | undefined) =>
      this.kept.picture({ markId, dressing, prefix, palette, recipes }, async () =>
        withNews(await this.draughtsman.picture(markId, dressing, prefix), before?.groups ?? []),
      );
    for (const dressing of new Set([...PROOF_DRESSINGS, order.worn ?? 'full'])) {
      if (!isNewest()) return;
      const picture = await drawn(order.markId, dressing, `${dressing}-`, this.proofs[dressing]);
      this.proofs = { ...this.proofs, [dressing]: picture };
    }
    if (!isNewest()) return;
    this.weights = await this.draughtsman.weights(order.markId);
    for (const [id] of all) {
      if (!isNewest()) return;
      const picture = await drawn(id, 'full', `${id}-`, this.others.get(id));
      this.others = new Map(this.others).set(id, picture);
    }
    this.#restMs = Math.min(REST_MS.most, Math.max(REST_MS.least, (performance.now() - began) * REST_MS.share));
    if (isNewest()) this.small = await this.draughtsman.small(order.markId, SMALL_SIZES_PX);
  }

  #restMs: number = REST_MS.least;
  #wake: (() => void) | undefined;

  /** Waits until nothing new has come for a moment; false, at once, when something has. */
  async #rested(isNewest: () => boolean): Promise<boolean> {
    if (Object.keys(this.proofs).length === 0) return true;
    await new Promise<void>((resolve) => {
      const timer = setTimeout(resolve, this.#restMs);
      this.#wake = () => {
        clearTimeout(timer);
        resolve();
      };
    });
    this.#wake = undefined;
    return isNewest();
  }
}
