import {
  marksFollowedBy,
  type Dressing,
  type DrawnPicture,
  type Palette,
  type Recipe,
  type ScreenPicture,
  type ShippedFamily,
} from '$core/index';
import { digestOf } from './digest';
import { writtenRecipe } from './written-parts';

/** A picture, by all that it is drawn from. */
export interface PictureOrder {
  readonly markId: string;
  readonly dressing: Dressing;
  /** Stands before the ids in it. */
  readonly prefix: string;
  readonly palette: Palette;
  /** All marks of the brand by id. */
  readonly recipes: ReadonlyMap<string, Recipe>;
}

interface Shown {
  readonly picture: DrawnPicture;
  /** Whether the worker drew it: it tells only what is new since then, so that from then on it alone is asked under this prefix. */
  readonly drawn: boolean;
}

const CACHE = 'lucky-thistle/pictures';
/** Most pictures kept; the oldest go first. */
const MOST_KEPT = 300;
const addressOf = (key: string): string => `${location.origin}/kept-pictures/${key}`;

/** Recipes are never changed: each is digested once. */
const digests = new WeakMap<Recipe, Promise<string>>();
function recipeDigest(recipe: Recipe): Promise<string> {
  const digest = digests.get(recipe) ?? digestOf(writtenRecipe(recipe));
  digests.set(recipe, digest);
  return digest;
}

/**
 * Pictures that were drawn in this browser before, known again by everything that they are drawn from: a room that is opened again shows them
 * at once, and the worker is free for what is worked on. Where the browser keeps nothing, all is drawn.
 */
export class KeptPictures {
  readonly #drawnBy: string;
  #from: Promise<string> | undefined;
  /** What was shown last under each prefix. */
  readonly #last = new Map<string, Shown & { readonly key: string }>();

  /** @param drawnBy what draws: another version of the app may draw otherwise @param pictures where the pictures in marks are had */
  constructor(drawnBy: string, families: readonly ShippedFamily[], pictures: string) {
    this.#drawnBy = JSON.stringify([drawnBy, families, pictures]);
  }

  /** A picture as it was shown last or kept, or else as it is drawn now; what is drawn for the first time in this page is kept. */
  async picture(order: PictureOrder, draw: () => Promise<ScreenPicture>): Promise<DrawnPicture> {
    // Over plain http a browser has no storage of this kind, and no digests.
    if (!globalThis.caches) return draw();
    const key = await this.#keyOf(order);
    const last = this.#last.get(order.prefix);
    if (last?.key === key) return last.picture;
    const picture = (last?.drawn ? undefined : await this.#find(key)) ?? (await this.#drawn(key, !last?.drawn, draw));
    this.#last.set(order.prefix, { key, ...picture });
    return picture.picture;
  }

  async #find(key: string): Promise<Shown | undefined> {
    const cache = await caches.open(CACHE).catch(() => undefined);
    const kept = await cache?.match(addressOf(key)).catch(() => undefined);
    return kept ? { picture: (await kept.json()) as DrawnPicture, drawn: false } : undefined;
  }
  async #drawn(key: string, isFirst: boolean, draw: () => Promise<ScreenPicture>): Promise<Shown> {
    const { parts: _, ...picture } = await draw();
    if (isFirst) void this.#keep(key, picture);
    return { picture, drawn: true };
  }

  async #keyOf({ markId, dressing, prefix, palette, recipes }: PictureOrder): Promise<string> {
    const from = await (this.#from ??= digestOf(this.#drawnBy));
    const own = recipes.get(markId);
    // What follows a mark of the brand may follow any of them through others.
    const drawnFrom = own && marksFollowedBy(own).length > 0 ? [...recipes.values()] : own ? [own] : [];
    const recipeDigests = await Promise.all(drawnFrom.map(recipeDigest));
    return digestOf(JSON.stringify([from, markId, dressing, prefix, palette, own && (await recipeDigest(own)), recipeDigests]));
  }

  async #keep(key: string, picture: DrawnPicture): Promise<void> {
    try {
      const cache = await caches.open(CACHE);
      await cache.put(addressOf(key), Response.json(picture));
      const all = await cache.keys();
      await Promise.all(all.slice(0, Math.max(0, all.length - MOST_KEPT)).map((old) => cache.delete(old)));
    } catch {
      // No room: it is drawn again next time.
    }
  }
}

/** Leaves none of them in this browser. */
export const forgetPictures = (): void => void globalThis.caches?.delete(CACHE).catch(() => false);
