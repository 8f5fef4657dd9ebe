import { version } from '$app/environment';
import type { Remote } from 'comlink';
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
} from '$core/index';
import { picturesAddress } from '$lib/addresses';
import type { Draughtsman, SmallSizes } from '$workers/draw';
import { DrawingThread } from './drawing-thread';
import { KeptPictures } from './kept-pictures';

/** How long the hand rests before proofs are drawn: between two keys of a quick typist nothing but the stage changes. */
const REST_MS = 120;

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

/** All marks of the brand, and the versions kept beside the one on the table, by id. */
interface DrawnMarks {
  readonly markId: string;
  /** What the stage shows over the mark. */
  readonly worn: Dressing;
  readonly palette: Palette;
  readonly recipes: ReadonlyMap<string, Recipe>;
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

/**
 * The page's end of the drawing workers: always the newest order, older ones are dropped. One worker is there for what is worked on; what
 * takes long beside it (proofs, the other marks, weights, small sizes) is a second one's, so that the hand never waits for it.
 */
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

  /** Pictures of what is not worked on here. */
  readonly kept: KeptPictures;
  readonly #front: DrawingThread;
  #behind: DrawingThread | undefined;
  readonly #newThread: () => DrawingThread;
  #newest: DeskOrder | undefined;
  #busy = false;
  #serial = 0;

  /** @param brandSlug whose pictures the marks show */
  constructor(families: readonly ShippedFamily[], brandSlug: string) {
    this.#newThread = () => new DrawingThread(families, brandSlug);
    this.#front = this.#newThread();
    this.kept = new KeptPictures(version, families, picturesAddress(brandSlug));
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
    await this.#front.opened;
    return question(this.#front.draughtsman);
  }
  /** Tells the worker of the marks as they are, then asks it something. */
  about<T>(recipes: ReadonlyMap<string, Recipe>, palette: Palette, question: (draughtsman: Remote<Draughtsman>) => Promise<T>): Promise<T> {
    const news = this.#front.news(palette, recipes);
    return this.ask(async (draughtsman) => {
      await draughtsman.tell(news);
      return question(draughtsman);
    });
  }

  /**
   * Asks about many things, the first ones of one worker and the last ones of the other, until they meet: neighbors share what is costly, and
   * whoever looks sees the first ones first.
   * @param palette what both are told before
   * @param wanted whether anybody still waits for them
   */
  async aboutEach<Q, A>(
    questions: readonly Q[],
    palette: Palette,
    ask: (draughtsman: Remote<Draughtsman>, question: Q) => Promise<A>,
    answered: (question: Q, answer: A) => void,
    wanted: () => boolean,
  ): Promise<void> {
    const left = [...questions];
    const go = async (draughtsman: Remote<Draughtsman>, next: () => Q | undefined) => {
      for (let question = next(); question !== undefined && wanted(); question = next()) {
        const answer = await ask(draughtsman, question);
        if (wanted()) answered(question, answer);
      }
    };
    const front = this.about(new Map(), palette, (draughtsman) => go(draughtsman, () => left.shift()));
    // Where the second one cannot be had, the first does it all.
    const behind = this.#toldBehind({ palette, recipes: new Map() }).then(
      (draughtsman) => go(draughtsman, () => left.pop()),
      () => undefined,
    );
    await Promise.all([front, behind]);
  }

  /** Asks the second worker about the marks as they were when the hand rested last: what takes long, beside the hand. Nothing before the first rest. */
  async aside<T>(question: (draughtsman: Remote<Draughtsman>) => Promise<T>): Promise<T | undefined> {
    return this.#around && question(await this.#toldBehind(this.#around));
  }

  /** Lets the second worker do something that is likely to be asked for next; nobody waits for it, or hears of it where it fails. */
  ahead(palette: Palette, task: (draughtsman: Remote<Draughtsman>) => Promise<unknown>): void {
    this.#toldBehind({ palette, recipes: new Map() })
      .then(task)
      .catch(() => undefined);
  }

  close(): void {
    this.#closed = true;
    this.#front.close();
    this.#behind?.close();
  }
  #closed = false;

  async #work(): Promise<void> {
    this.#busy = true;
    try {
      await this.#front.opened;
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
    const { palette } = order;
    const recipes = new Map([...order.recipes, ...(order.beside ?? [])]);
    const { draughtsman } = this.#front;
    const drawn = async (quick: boolean) => {
      const told = this.#front.news(palette, recipes);
      this.stage = withNews(await draughtsman.picture(order.markId, 'full', 'stage-', told, quick), this.stage?.groups ?? []);
      this.onstage?.();
    };
    await drawn(true);
    if (!isNewest() || !(await this.#rested(isNewest))) return;
    // What takes long is drawn whole as soon as the hand rests, and before anything beside it.
    if (this.stage?.rough) {
      await drawn(false);
      if (!isNewest()) return;
    }
    this.rests++;
    void this.#lookAround({ markId: order.markId, worn: order.worn ?? 'full', palette, recipes });
  }

  #around: DrawnMarks | undefined;
  #lookingAround = false;

  /**
   * Draws the proofs, the other marks and the versions kept beside this one, one by one, and measures this one, all as they were when the hand
   * rested last.
   */
  async #lookAround(marks: DrawnMarks): Promise<void> {
    this.#around = marks;
    if (this.#lookingAround) return;
    this.#lookingAround = true;
    try {
      for (let done: DrawnMarks | undefined; done !== this.#around;) {
        const now = (done = this.#around);
        const { markId, worn, palette, recipes } = now;
        const isNewest = () => now === this.#around && !this.#closed;
        const drawn = (id: string, dressing: Dressing, prefix: string, before: DrawnPicture | undefined) =>
          this.kept.picture({ markId: id, dressing, prefix, palette, recipes }, async () => {
            const draughtsman = await this.#toldBehind(now);
            return withNews(await draughtsman.picture(id, dressing, prefix), before?.groups ?? []);
          });
        for (const dressing of new Set([...PROOF_DRESSINGS, worn])) {
          if (!isNewest()) break;
          const picture = await drawn(markId, dressing, `${dressing}-`, this.proofs[dressing]);
          this.proofs = { ...this.proofs, [dressing]: picture };
        }
        if (isNewest()) this.weights = await (await this.#toldBehind(now)).weights(markId);
        for (const id of [...recipes.keys()].filter((each) => each !== markId)) {
          if (!isNewest()) break;
          const picture = await drawn(id, 'full', `${id}-`, this.others.get(id));
          if (this.others.get(id) !== picture) this.others = new Map(this.others).set(id, picture);
        }
        if (isNewest()) this.small = await (await this.#toldBehind(now)).small(markId, SMALL_SIZES_PX);
      }
    } catch (error) {
      this.problem = `The proofs could not be drawn: ${error instanceof Error ? error.message : String(error)}`;
    } finally {
      this.#lookingAround = false;
    }
  }

  /** The second worker, told of the marks as they are. */
  async #toldBehind({ palette, recipes }: Pick<DrawnMarks, 'palette' | 'recipes'>): Promise<Remote<Draughtsman>> {
    const thread = (this.#behind ??= this.#newThread());
    try {
      await thread.opened;
    } catch (error) {
      // Offline when it was asked for: the next rest tries anew.
      thread.close();
      this.#behind = undefined;
      throw error;
    }
    await thread.draughtsman.tell(thread.news(palette, recipes));
    return thread.draughtsman;
  }

  #wake: (() => void) | undefined;

  /** Waits until nothing new has come for a moment; false, at once, when something has. */
  async #rested(isNewest: () => boolean): Promise<boolean> {
    if (this.rests === 0) return true;
    await new Promise<void>((resolve) => {
      const timer = setTimeout(resolve, REST_MS);
      this.#wake = () => {
        clearTimeout(timer);
        resolve();
      };
    });
    this.#wake = undefined;
    return isNewest();
  }
}
