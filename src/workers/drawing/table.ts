import { flattenedAlgebra, openPathAlgebra } from '$core/pathops';
import { createFontLoader, type FontLoader } from '$core/shaping';
import {
  createDresser,
  createResolver,
  dress,
  EMPTY_RECIPE,
  openFor,
  STARTING_PALETTE,
  type Dresser,
  type Palette,
  type Part,
  type PathAlgebra,
  type Recipe,
  type ResolvedMark,
  type Resolver,
  type ShippedFamily,
  type WholeMark,
} from '$core/index';

/** What has changed in the tab since the worker was last told: it keeps the rest. */
export interface BrandNews {
  readonly palette: Palette;
  /** Recipes by mark id, every part as JSON: quicker to hand over than objects, and a part that has not changed is known again by its text. */
  readonly marks: readonly { readonly id: string; readonly parts: readonly string[]; readonly whole?: WholeMark | undefined }[];
}

interface Tools {
  readonly loader: FontLoader;
  readonly resolver: Resolver;
  readonly paths: PathAlgebra;
  readonly dresser: Dresser;
}

/** What the worker draws with, and what it was told: the brand as it stands in the tab. */
export class DrawingTable {
  pictureBase = '';
  lent: ReadonlyMap<string, string> = new Map();
  palette: Palette = STARTING_PALETTE;
  /** The newest recipe of every mark, and of what is kept beside them. */
  readonly recipes = new Map<string, Recipe>();
  /** The parts of every mark by their text. */
  readonly #parts = new Map<string, ReadonlyMap<string, Part>>();
  #tools: Tools | undefined;
  /** How often a mark has changed: what was made of marks is out of date then. */
  changes = 0;

  /** @param pathLibrary where the bytes of the path library are fetched from */
  constructor(private readonly pathLibrary: string) {}

  /** @param pictureBase stands before the digest in the addresses of the brand's pictures */
  open = async (families: readonly ShippedFamily[], fontAddress: string, pictureBase: string): Promise<void> => {
    this.pictureBase = pictureBase;
    const loader = createFontLoader(families, async (face) => {
      const response = await fetch(`${fontAddress}${face.file}?v=${face.sha256.slice(0, 12)}`);
      if (!response.ok) throw new Error(`The font file ${face.file} could not be fetched (${response.status}).`);
      return new Uint8Array(await response.arrayBuffer());
    });
    const library = await fetch(this.pathLibrary);
    if (!library.ok) throw new Error(`The path library could not be fetched (${library.status}).`);
    const paths = await openPathAlgebra(new Uint8Array(await library.arrayBuffer()));
    this.#tools = { loader, paths, resolver: createResolver(loader.shelf, paths), dresser: createDresser(paths, flattenedAlgebra) };
  };

  /** Takes in what has changed; everything asked afterwards is answered from it. */
  tell = ({ palette, marks }: BrandNews): void => {
    this.palette = palette;
    if (marks.length > 0) this.changes++;
    for (const { id, parts, whole } of marks) {
      const before = this.#parts.get(id);
      const read = new Map(parts.map((text) => [text, before?.get(text) ?? (JSON.parse(text) as Part)]));
      this.#parts.set(id, read);
      this.recipes.set(id, { ...EMPTY_RECIPE, parts: parts.map((text) => read.get(text) as Part), ...(whole ? { whole } : {}) });
    }
  };

  /** Pictures that are had elsewhere than among the brand's own: their addresses, by what stands for their digests in recipes. */
  lend = (pictures: ReadonlyMap<string, string>): void => {
    this.lent = pictures;
  };

  /** @throws where nothing was opened yet */
  ready(): Tools {
    if (!this.#tools) throw new Error('The fonts have not been named yet: call open first.');
    return this.#tools;
  }

  recipeOf = (markId: string): Recipe => this.recipes.get(markId) ?? EMPTY_RECIPE;

  async resolved(markId: string): Promise<ResolvedMark> {
    const { loader, resolver } = this.ready();
    const recipe = this.recipeOf(markId);
    await openFor(recipe, this.recipes, loader);
    return resolver.resolve({ recipe, sources: this.recipes, dress: dress(this.palette, 'full') });
  }

  /** A lettering of a mark, with its fonts opened. */
  async lettering(markId: string, partId: string) {
    const { loader } = this.ready();
    const recipe = this.recipeOf(markId);
    await openFor(recipe, this.recipes, loader);
    const part = recipe.parts.find(({ id }) => id === partId);
    return { loader, part: part?.kind === 'lettering' ? part : undefined };
  }
}
