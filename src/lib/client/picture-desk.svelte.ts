import { withNews, type Dressing, type DrawnPicture, type Palette, type Recipe, type ShippedFamily } from '$core/index';
import { DrawingDesk } from './drawing-desk.svelte';

/** A picture that a room wants. */
export interface WantedPicture {
  /** Tells it from the others on the page. */
  readonly key: string;
  readonly markId: string;
  readonly dressing: Dressing;
  readonly palette: Palette;
}

interface Drawn {
  readonly palette: Palette;
  readonly dressing: Dressing;
  readonly markId: string;
  readonly recipes: ReadonlyMap<string, Recipe>;
}

/** Draws whatever pictures a room shows, one after the other, the newest wish first; what has not changed is not drawn again. */
export class PictureDesk {
  pictures: ReadonlyMap<string, DrawnPicture> = $state.raw(new Map());
  /** How many of the wanted pictures are not drawn yet. */
  left = $state(0);
  problem = $state('');

  readonly #desk: DrawingDesk;
  readonly #drawn = new Map<string, Drawn>();
  #wanted: readonly WantedPicture[] = [];
  #recipes: ReadonlyMap<string, Recipe> = new Map();
  #lent: ReadonlyMap<string, string> = new Map();
  #lentTo: ReadonlyMap<string, string> = this.#lent;
  #busy = false;

  constructor(families: readonly ShippedFamily[], brandSlug: string) {
    this.#desk = new DrawingDesk(families, brandSlug);
  }

  /** Tells the worker of the marks as they are, then asks it something. */
  about<T>(
    recipes: ReadonlyMap<string, Recipe>,
    palette: Palette,
    question: (draughtsman: Parameters<Parameters<DrawingDesk['ask']>[0]>[0]) => Promise<T>,
  ): Promise<T> {
    return this.#desk.about(recipes, palette, question);
  }

  close(): void {
    this.#desk.close();
  }

  /**
   * @param recipes all marks of the brand by id, as they are now
   * @param lent addresses of pictures in them that are had elsewhere, by what stands for their digests
   */
  want(recipes: ReadonlyMap<string, Recipe>, wanted: readonly WantedPicture[], lent: ReadonlyMap<string, string> = new Map()): void {
    this.#lent = lent;
    this.#recipes = recipes;
    this.#wanted = wanted;
    this.left = this.#missing().length;
    if (!this.#busy) void this.#work();
  }

  #missing = (): readonly WantedPicture[] =>
    this.#wanted.filter(({ key, palette, dressing, markId }) => {
      const drawn = this.#drawn.get(key);
      return drawn?.palette !== palette || drawn.dressing !== dressing || drawn.markId !== markId || drawn.recipes !== this.#recipes;
    });

  async #work(): Promise<void> {
    this.#busy = true;
    try {
      for (let [next] = this.#missing(); next; [next] = this.#missing()) {
        const { key, markId, dressing, palette } = next;
        const recipes = this.#recipes;
        const prefix = `${key}-`;
        const lent = this.#lent;
        const picture = await this.#desk.kept.picture({ markId, dressing, prefix, palette, recipes }, async () => {
          if (this.#lentTo !== lent) await this.#desk.ask((draughtsman) => draughtsman.lend(lent));
          this.#lentTo = lent;
          return withNews(
            await this.about(recipes, palette, (draughtsman) => draughtsman.picture(markId, dressing, prefix)),
            this.pictures.get(key)?.groups ?? [],
          );
        });
        this.#drawn.set(key, { palette, dressing, markId, recipes });
        this.pictures = new Map(this.pictures).set(key, picture);
        this.left = this.#missing().length;
      }
      this.problem = '';
    } catch (error) {
      this.problem = `A mark could not be drawn: ${error instanceof Error ? error.message : String(error)}`;
    } finally {
      this.#busy = false;
    }
  }
}
