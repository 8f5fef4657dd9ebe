import { openPathAlgebra } from '$core/pathops';
import { createFontLoader, type FontLoader } from '$core/shaping';
import {
  createResolver,
  dress,
  DRESSINGS,
  expect,
  fontsNeeded,
  pathData,
  boundsOf,
  joinPaths,
  mapPath,
  parseRecipe,
  screenPicture,
  setLine,
  type Axis,
  type Bounds,
  type Dressing,
  type FontChoice,
  type Palette,
  type Recipe,
  type Resolver,
  type ScreenPicture,
  type ShippedFamily,
} from '$core/index';

/** Every mark of the brand as it stands in the tab, and the palette. */
export interface BrandState {
  readonly palette: Palette;
  /** Recipes as JSON documents (`writeRecipe`), by mark id. */
  readonly marks: readonly { readonly id: string; readonly recipe: unknown }[];
}

/** A face as it can be chosen. */
export interface FaceInfo {
  readonly axes: readonly Axis[];
  readonly features: readonly string[];
}

/** A word set in one face, as one outline at 100 px. */
export interface WordPicture {
  readonly data: string;
  readonly box: Bounds | undefined;
  readonly missing: readonly string[];
}

/** What the worker does for the page; the door (`draw.worker.ts`) only hands it out. */
export class Draughtsman {
  #loader: FontLoader | undefined;
  #resolver: Resolver | undefined;

  /** @param pathLibrary where the bytes of the path library are fetched from */
  constructor(private readonly pathLibrary: string) {}

  async open(families: readonly ShippedFamily[], fontAddress: string): Promise<void> {
    this.#loader = createFontLoader(families, async (face) => {
      const response = await fetch(`${fontAddress}${face.file}?v=${face.sha256.slice(0, 12)}`);
      if (!response.ok) throw new Error(`The font file ${face.file} could not be fetched (${response.status}).`);
      return new Uint8Array(await response.arrayBuffer());
    });
    const library = await fetch(this.pathLibrary);
    if (!library.ok) throw new Error(`The path library could not be fetched (${library.status}).`);
    this.#resolver = createResolver(this.#loader.shelf, await openPathAlgebra(new Uint8Array(await library.arrayBuffer())));
  }

  /** One mark in one dressing. */
  async picture(state: BrandState, markId: string, dressing: Dressing, idPrefix: string): Promise<ScreenPicture> {
    const { loader, resolver } = this.#ready();
    const { sources, recipe } = this.#read(state, markId);
    await loader.load(fontsNeeded(recipe, sources));
    return screenPicture(resolver.resolve({ recipe, sources, dress: dress(state.palette, dressing) }), idPrefix);
  }

  /** One mark in every dressing, for the proofs. */
  async dressings(state: BrandState, markId: string): Promise<Readonly<Record<Dressing, ScreenPicture>>> {
    const pictures = await Promise.all(
      DRESSINGS.map(async (dressing) => [dressing, await this.picture(state, markId, dressing, `${dressing}-`)] as const),
    );
    return Object.fromEntries(pictures) as Record<Dressing, ScreenPicture>;
  }

  /** A word in one face. */
  async word(text: string, font: FontChoice): Promise<WordPicture> {
    const { loader } = this.#ready();
    await loader.load([font]);
    const set = setLine(expect(loader.shelf.find(font)), text, { axes: font.axes, kerning: 'font', trackingPermille: 0 });
    const SIZE_PX = 100;
    const path = joinPaths(
      set.glyphs.map(({ instance, glyph, emPerUnit, x, y }) => {
        const scale = emPerUnit * SIZE_PX;
        return mapPath(instance.outline(glyph), { a: scale, b: 0, c: 0, d: scale, e: x * SIZE_PX, f: y * SIZE_PX });
      }),
    );
    return { data: pathData(path), box: boundsOf(path), missing: set.missing };
  }

  /** A word in many faces at once; a face that cannot be opened is left out. */
  async words(text: string, fonts: readonly FontChoice[]): Promise<readonly (WordPicture | undefined)[]> {
    return Promise.all(fonts.map((font) => this.word(text, font).catch(() => undefined)));
  }

  async face(font: FontChoice): Promise<FaceInfo> {
    const { loader } = this.#ready();
    await loader.load([font]);
    const { axes, features } = expect(loader.shelf.find(font));
    return { axes, features };
  }

  #ready() {
    if (!this.#loader || !this.#resolver) throw new Error('The fonts have not been named yet: call open first.');
    return { loader: this.#loader, resolver: this.#resolver };
  }

  /** The newest recipe of every mark; messages arrive as copies, so it is known again by its content. */
  readonly #parsed = new Map<string, { readonly content: string; readonly recipe: Recipe }>();
  #read(state: BrandState, markId: string) {
    const sources = new Map<string, Recipe>(state.marks.map(({ id, recipe }) => [id, this.#parse(id, recipe)]));
    return { sources, recipe: sources.get(markId) ?? expect(parseRecipe({ version: 1, parts: [] })) };
  }
  #parse(markId: string, document: unknown): Recipe {
    const content = JSON.stringify(document);
    const kept = this.#parsed.get(markId);
    if (kept?.content === content) return kept.recipe;
    const recipe = expect(parseRecipe(document));
    this.#parsed.set(markId, { content, recipe });
    return recipe;
  }
}
