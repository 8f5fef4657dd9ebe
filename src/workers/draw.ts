import { flattenedAlgebra, openPathAlgebra } from '$core/pathops';
import { createFontLoader, type FontLoader } from '$core/shaping';
import {
  builtParts,
  changePart,
  dealt,
  partsAlone,
  fontsOfBuilt,
  heardNow,
  madeBy,
  rebuilt,
  Remembered,
  startsOf,
  type BuildContext,
  type BuilderName,
  type BuilderStart,
  type Built,
  type Heard,
  type KnownPart,
  type Problem,
  IDENTITY,
  inkOf,
  isKnown,
  type ScreenPicture,
  type Treatment,
  createDresser,
  walkNodes,
  type DrawingNode,
  derive,
  createResolver,
  dress,
  EMPTY_RECIPE,
  expect,
  familyContext,
  openFor,
  layoutsOf,
  markChecks,
  type DressedMark,
  type MakingLimits,
  type MarkChecks,
  silhouetteOf,
  smallestCapPx,
  smallestSafePx,
  survivalAt,
  type FamilyLayout,
  type Silhouette,
  type Survival,
  type WeakAt,
  type WeakPlace,
  pathData,
  ART_SIDE,
  boundsOf,
  compose,
  scaling,
  translation,
  inkGapShifts,
  regionsOfPart,
  weightOf,
  restsOfPart,
  type ResolvedMark,
  type Rest,
  type Shift,
  joinPaths,
  letterForms,
  mapPath,
  screenPicture,
  setLine,
  spacingOf,
  STARTING_PALETTE,
  thicknessOfArea,
  weakPlaces,
  weightsOf,
  type Axis,
  type Bounds,
  type Dresser,
  type Dressing,
  type FontChoice,
  type LetterForm,
  type Palette,
  type PartWeight,
  type Part,
  type PathAlgebra,
  type Recipe,
  type Region,
  type WholeMark,
  type Resolver,
  measuredMark,
  type MeasuredMark,
  newsOf,
  leastVeil,
  onGround,
  picturesIn,
  pieceChecks,
  type Ground,
  type LeastVeil,
  type PieceCheck,
  type GroupPieces,
  type PictureNews,
  type SeenGap,
  type ShippedFamily,
  groupPieces,
  swatchColor,
  leastOpacity,
  watermarkDrawing,
  ownDressing,
  watermarkSources,
  type ColorKey,
  type LaidWatermark,
  type PhotoSize,
  type PhotoTones,
  type Watermark,
  type WatermarkSource,
} from '$core/index';
import { SmallPictures } from './picture-pixels';

/** What has changed in the tab since the worker was last told: it keeps the rest. */
export interface BrandNews {
  readonly palette: Palette;
  /** Recipes by mark id, every part as JSON: quicker to hand over than objects, and a part that has not changed is known again by its text. */
  readonly marks: readonly { readonly id: string; readonly parts: readonly string[]; readonly whole?: WholeMark | undefined }[];
}

/** How much each color of a mark covers, in its own square units, by what is painted: what lies behind counts as well. */
function areasByColor({ drawing }: ResolvedMark): ReadonlyMap<string, number> {
  const areas = new Map<string, number>();
  walkNodes<DrawingNode>(drawing.groups, (node, { map }) => {
    if (node.kind !== 'fill') return;
    const area = weightOf([{ path: mapPath(node.path, map), rule: node.rule }], 0.5)?.area ?? 0;
    areas.set(node.color, (areas.get(node.color) ?? 0) + area);
  });
  return areas;
}

/** A built group that has no members yet. */
export type NewBuilt = Omit<Built, 'slots'>;

/** Costly pieces of what is built (outlines of letters, ways to interlock) remembered. */
const PIECES_KEPT = 3000;

/** What is left of a mark at sizes, and the smallest that is safe; all in px of its longer side. */
export interface SmallSizes {
  readonly safePx: number;
  /** Whether it fills a round place to its edge. */
  readonly isRound: boolean;
  /** The smallest words' capitals at each size with it. */
  readonly at: readonly { readonly longerPx: number; readonly survival: Survival; readonly capPx?: number }[];
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

/** A gap as the page shows it. */
export type GapPicture = Omit<SeenGap, 'area'> & { readonly data: string };
export interface SpacingPicture {
  readonly data: string;
  readonly box: Bounds | undefined;
  readonly gaps: readonly GapPicture[];
}
export type FormPicture = Omit<LetterForm, 'path'> & { readonly data: string };

/** A photo and what is to be laid over it. */
export interface WatermarkOrder {
  readonly photo: PhotoSize;
  readonly tones: PhotoTones;
  readonly watermark: Watermark;
}
/** A watermark as the page shows it over its photo, in the photo's pixels. */
export interface WatermarkPicture extends Pick<LaidWatermark, 'stamps' | 'protection'> {
  readonly groups: readonly GroupPieces[];
}
const expectPaths = (paths: PathAlgebra | undefined): PathAlgebra => {
  if (!paths) throw new Error('The worker was asked before it was opened.');
  return paths;
};

/** What the worker does for the page; the door (`draw.worker.ts`) only hands it out. */
export class Draughtsman {
  #loader: FontLoader | undefined;
  #resolver: Resolver | undefined;
  #dresser: Dresser | undefined;
  #paths: PathAlgebra | undefined;
  #laid: { readonly key: string; readonly palette: Palette; readonly sources: ReadonlyMap<string, WatermarkSource> } | undefined;

  /** @param pathLibrary where the bytes of the path library are fetched from */
  constructor(private readonly pathLibrary: string) {}

  /** @param pictureBase stands before the digest in the addresses of the brand's pictures */
  async open(families: readonly ShippedFamily[], fontAddress: string, pictureBase: string): Promise<void> {
    this.#pictureBase = pictureBase;
    this.#loader = createFontLoader(families, async (face) => {
      const response = await fetch(`${fontAddress}${face.file}?v=${face.sha256.slice(0, 12)}`);
      if (!response.ok) throw new Error(`The font file ${face.file} could not be fetched (${response.status}).`);
      return new Uint8Array(await response.arrayBuffer());
    });
    const library = await fetch(this.pathLibrary);
    if (!library.ok) throw new Error(`The path library could not be fetched (${library.status}).`);
    this.#paths = await openPathAlgebra(new Uint8Array(await library.arrayBuffer()));
    this.#resolver = createResolver(this.#loader.shelf, this.#paths);
    this.#dresser = createDresser(this.#paths, flattenedAlgebra);
  }

  /** Takes in what has changed; everything asked afterwards is answered from it. */
  tell({ palette, marks }: BrandNews): void {
    this.#palette = palette;
    if (marks.length > 0) this.#laid = undefined;
    for (const { id, parts, whole } of marks) {
      const before = this.#parts.get(id);
      const read = new Map(parts.map((text) => [text, before?.get(text) ?? (JSON.parse(text) as Part)]));
      this.#parts.set(id, read);
      this.#recipes.set(id, { ...EMPTY_RECIPE, parts: parts.map((text) => read.get(text) as Part), ...(whole ? { whole } : {}) });
    }
  }

  /**
   * One mark in one dressing, as what is new since the last picture with this prefix; for the stage with what is only to look at, and after
   * taking in news.
   * @param quick whether a quick picture is enough where the whole one takes long
   */
  async picture(markId: string, dressing: Dressing, idPrefix: string, stage?: BrandNews, quick = false): Promise<PictureNews> {
    if (stage) this.tell(stage);
    const { loader, resolver, dresser } = this.#ready();
    const recipe = this.#recipeOf(markId);
    const sources = this.#recipes;
    const palette = this.#palette;
    await openFor(recipe, sources, loader);
    const resolved = resolver.resolve({ recipe, sources, dress: dress(palette, 'full'), references: stage !== undefined, quick });
    // What is worked on is every part in its own colors, whatever lies over it.
    const shown = stage ? resolved : dresser(resolved, recipe, palette, dressing);
    const picture = screenPicture(shown, idPrefix, this.#pictureBase, this.#lent);
    const told = this.#shown.get(idPrefix) ?? new Map<string, GroupPieces>();
    this.#shown.set(idPrefix, told);
    return newsOf(picture, told);
  }

  /** Pictures that are had elsewhere than among the brand's own: their addresses, by what stands for their digests in recipes. */
  lend(pictures: ReadonlyMap<string, string>): void {
    this.#lent = pictures;
  }

  /** The watermark of a photo, as pieces for the page. @param prefix stands before its ids @param measured whether what it protects is measured: not while it is dragged */
  async watermark({ photo, tones, watermark }: WatermarkOrder, prefix: string, measured = true): Promise<WatermarkPicture> {
    const { loader, resolver, dresser } = this.#ready();
    const [recipes, palette] = [this.#recipes, this.#palette];
    const key = JSON.stringify([
      watermark.stamps.map((stamp) => [stamp.mark, ...ownDressing(stamp)]),
      watermark.veil?.text,
      watermark.veil?.mark,
    ]);
    // Marks are drawn once; a drag only lays them elsewhere.
    if (this.#laid?.key !== key || this.#laid.palette !== palette)
      this.#laid = {
        ...{ key, palette },
        sources: await watermarkSources(watermark, recipes, async (recipe, dressing) => {
          await openFor(recipe, recipes, loader);
          return dresser(resolver.resolve({ recipe, sources: recipes, dress: dress(palette, 'full') }), recipe, palette, dressing);
        }),
      };
    const { drawing, stamps, protection } = this.#lay({ photo, tones, watermark }, this.#laid.sources, measured);
    return {
      groups: drawing.groups.map((group) => groupPieces(group, prefix, (sha256) => `${this.#pictureBase}${sha256}`)),
      stamps,
      protection,
    };
  }

  #lay({ photo, tones, watermark }: WatermarkOrder, sources: ReadonlyMap<string, WatermarkSource>, measured = true): LaidWatermark {
    const palette = this.#palette;
    return watermarkDrawing(watermark, sources, {
      ...{ photo, tones, measured },
      colors: { light: palette.paper, dark: palette.ink, swatch: (swatch) => swatchColor(palette, swatch as ColorKey) },
      paths: expectPaths(this.#paths),
    });
  }

  /** The lowest opacity of a photo's veil that keeps a share of it protected. */
  async leastVeil(order: WatermarkOrder, share: number): Promise<{ readonly opacityPercent: number; readonly share: number } | undefined> {
    await this.watermark(order, '', false);
    const sources = this.#laid?.sources;
    const { veil } = order.watermark;
    if (!veil || !sources) return undefined;
    return leastOpacity(
      share,
      { low: 1, high: 60 },
      (opacityPercent) => this.#lay({ ...order, watermark: { ...order.watermark, veil: { ...veil, opacityPercent } } }, sources).protection,
    );
  }

  /** What a brand sheet says of a mark. */
  async measured(markId: string): Promise<MeasuredMark | undefined> {
    const { loader, resolver, dresser, paths } = this.#ready();
    const recipe = this.#recipeOf(markId);
    await openFor(recipe, this.#recipes, loader);
    const mark = resolver.resolve({ recipe, sources: this.#recipes, dress: dress(this.#palette, 'full') });
    return measuredMark(mark, dresser(mark, recipe, this.#palette, 'one-color'), paths);
  }
  /** What is measured of a piece; nothing of what stands on no canvas. */
  async pieceChecks(markId: string): Promise<readonly PieceCheck[]> {
    const { recipe, mark } = await this.#piece(markId);
    return pieceChecks(recipe, mark, this.#small.of);
  }
  /** The least veil over the picture of a piece's ground at which its words are read. @param ground what it is to stand on */
  async groundVeil(markId: string, ground: Partial<Ground>): Promise<LeastVeil | undefined> {
    const { recipe, mark } = await this.#piece(markId, (before) => onGround(before, this.#palette, { ...ground, veil: 0.5 }));
    return leastVeil(recipe, mark, this.#small.of);
  }
  async #piece(
    markId: string,
    changed = (recipe: Recipe): Recipe => recipe,
  ): Promise<{ readonly recipe: Recipe; readonly mark: ResolvedMark }> {
    const { loader, resolver } = this.#ready();
    const recipe = changed(this.#recipeOf(markId));
    await openFor(recipe, this.#recipes, loader);
    const mark = resolver.resolve({ recipe, sources: this.#recipes, dress: dress(this.#palette, 'full') });
    await this.#small.fetch(this.#pictureBase, picturesIn(mark.drawing));
    return { recipe, mark };
  }

  /** A part as it would look with other treatments, on its own; nothing where it is not drawn. @param name tells several apart on one page */
  async tried(markId: string, partId: string, treatments: readonly Treatment[], name: string): Promise<ScreenPicture | undefined> {
    const { loader, resolver } = this.#ready();
    const recipe = this.#recipeOf(markId);
    const part = recipe.parts.find(({ id }) => id === partId);
    if (!part || !isKnown(part)) return undefined;
    await openFor(recipe, this.#recipes, loader);
    const tried = changePart(recipe, partId, { treatments: [...treatments] });
    // Tried at the size of a stamp: a quick picture is enough.
    const mark = resolver.resolve({ recipe: tried, sources: this.#recipes, dress: dress(this.#palette, 'full'), quick: true });
    let top = partId;
    for (let up = mark.parts.find(({ id }) => id === top)?.within; up; up = mark.parts.find(({ id }) => id === top)?.within) top = up;
    const groups = mark.drawing.groups.filter(({ id }) => id === top);
    const ink = inkOf(groups, IDENTITY);
    return ink && screenPicture({ ...mark, drawing: { groups }, ink, parts: [] }, `tried-${name}-`, this.#pictureBase);
  }

  /** The compositions that a builder offers for what is heard. */
  async starts(builder: BuilderName, heard: Heard, families: readonly string[]): Promise<readonly BuilderStart[]> {
    return startsOf(builder, await this.#building({ builder, numbers: {}, heard }, families));
  }
  /** What a builder would make of numbers, on its own, in the brand's colors. @param name tells several apart on one page */
  async buildTried(built: NewBuilt, name: string): Promise<ScreenPicture | undefined> {
    const parts = builtParts(EMPTY_RECIPE, 'built', built, await this.#building(built));
    if (!parts) return undefined;
    const recipe = { ...EMPTY_RECIPE, parts };
    const { loader, resolver } = this.#ready();
    await openFor(recipe, new Map(), loader);
    const mark = resolver.resolve({ recipe, sources: new Map(), dress: dress(this.#palette, 'full') });
    return mark.ink && screenPicture({ ...mark, parts: [] }, `built-${name}-`, this.#pictureBase);
  }
  /** The parts of a new built group under free ids, the group last, clear below what is there; in the middle where nothing is. */
  async buildNew(recipe: Recipe, id: string, built: NewBuilt, ink?: Bounds): Promise<readonly KnownPart[] | undefined> {
    const context = await this.#building(built);
    const middle = builtParts(recipe, id, built, context);
    if (!middle || !ink) return middle;
    const own = this.#ready().resolver.resolve({
      recipe: { ...EMPTY_RECIPE, parts: middle },
      sources: new Map(),
      dress: dress(this.#palette, 'full'),
    }).ink;
    if (!own) return middle;
    const air = (own.bottom - own.top) * 0.15;
    const x = Math.round((ink.left + ink.right) / 2 - (own.left + own.right) / 2);
    return builtParts(recipe, id, built, context, { place: { x, y: Math.round(ink.bottom + air - own.top), turnDeg: 0 } });
  }
  /** A recipe with a built group built anew by other numbers; what it follows is heard anew. */
  async buildAnew(recipe: Recipe, id: string, numbers: Readonly<Record<string, unknown>>): Promise<Recipe | undefined> {
    const group = recipe.parts.find((part) => part.id === id);
    if (group?.kind !== 'group' || !group.built) return undefined;
    const heard = heardNow(group.built, recipe, this.#recipes);
    const context = await this.#building({ builder: group.built.builder, numbers, heard }, [group.built.heard.font.family]);
    await this.#building(group.built);
    return rebuilt(recipe, id, { numbers, heard }, context);
  }
  /** What a builder has to say about what it made: what had to be changed, and why. */
  async buildNotices(built: NewBuilt): Promise<readonly Problem[]> {
    return madeBy(built, await this.#building(built))?.notices ?? [];
  }
  async #building(built: Pick<NewBuilt, 'builder' | 'numbers' | 'heard'>, families: readonly string[] = []): Promise<BuildContext> {
    const { loader, paths } = this.#ready();
    await loader.load([...fontsOfBuilt(built), ...families.map((family): FontChoice => ({ family, style: 'normal', axes: {} }))]);
    return {
      ...{ fonts: loader.shelf, paths, heard: built.heard },
      remember: this.#remember,
    };
  }
  readonly #remember = <T>(key: string, make: () => T): T => {
    const kept = this.#pieces.get(key);
    if (kept) return kept.piece as T;
    const piece = make();
    this.#pieces.put(key, { piece });
    return piece;
  };
  readonly #pieces = new Remembered<{ readonly piece: unknown }>(PIECES_KEPT);

  /** The marks that could be derived from one, as live recipes. */
  async layouts(primaryId: string): Promise<readonly FamilyLayout[]> {
    const { loader, resolver, paths } = this.#ready();
    const recipe = this.#recipeOf(primaryId);
    const sources = this.#recipes;
    await openFor(recipe, sources, loader);
    return layoutsOf(
      familyContext({
        id: primaryId,
        recipe,
        sources,
        palette: this.#palette,
        resolver,
        fonts: loader.shelf,
        paths,
        remember: this.#remember,
      }),
    );
  }

  /** What was measured of an outline, as long as the outline itself is kept. */
  readonly #silhouettes = new WeakMap<Region, Silhouette>();
  /** A mark as it is seen in one color, measured for all sizes. */
  async #silhouette(markId: string): Promise<{ readonly mark: DressedMark; readonly silhouette: Silhouette } | undefined> {
    const { dresser, paths } = this.#ready();
    const mark = dresser(await this.#resolved(markId), this.#recipeOf(markId), this.#palette, 'one-color');
    const outline = mark.oneColor?.areas[0];
    const box = outline && boundsOf(outline.path);
    if (!outline || !box) return undefined;
    const silhouette = this.#silhouettes.get(outline) ?? silhouetteOf(outline, box, paths);
    this.#silhouettes.set(outline, silhouette);
    return { mark, silhouette };
  }

  /** Where a mark gives way, thinnest first, in mark pixels. */
  async weakPlaces(markId: string, weakAt: WeakAt): Promise<readonly WeakPlace[]> {
    const seen = await this.#silhouette(markId);
    return seen ? weakPlaces(seen.silhouette, weakAt) : [];
  }

  /** What is left of a mark, as it is seen in one color, at sizes in px of its longer side, and the smallest that is safe. */
  async small(markId: string, sizesPx: readonly number[]): Promise<SmallSizes | undefined> {
    const seen = await this.#silhouette(markId);
    if (!seen) return undefined;
    const { mark, silhouette } = seen;
    const capPx = smallestCapPx(mark);
    return {
      safePx: smallestSafePx(silhouette, capPx),
      isRound: silhouette.isRound,
      at: sizesPx.map((longerPx) => ({
        ...{ longerPx, survival: survivalAt(silhouette, longerPx) },
        ...(capPx === undefined ? {} : { capPx: (capPx * longerPx) / silhouette.longer }),
      })),
    };
  }

  /** Everything that is measured of a mark for its proofs. */
  async checks(markId: string, limits: MakingLimits): Promise<MarkChecks | undefined> {
    const { dresser, paths } = this.#ready();
    const mark = await this.#resolved(markId);
    const palette = this.#palette;
    const { recipe } = derive(this.#recipeOf(markId), this.#recipes);
    return markChecks({ recipe, mark, inOne: dresser(mark, this.#recipeOf(markId), palette, 'one-color'), palette, limits, paths });
  }

  /** How much area each color of a mark covers, in square mark pixels, whatever lies over it. */
  async colorAreas(markId: string): Promise<ReadonlyMap<string, number>> {
    return areasByColor(await this.#resolved(markId));
  }
  /** A mark, or some of its parts, dressed in the palette by the areas of its colors; the recipe as it is where every color stays. */
  async dressedInPalette(markId: string, ids: readonly string[] = []): Promise<{ readonly recipe: Recipe; readonly changed: boolean }> {
    const recipe = this.#recipeOf(markId);
    await openFor(recipe, this.#recipes, this.#ready().loader);
    const alone = partsAlone(recipe, ids);
    const { resolver } = this.#ready();
    const mark = resolver.resolve({ recipe: alone, sources: this.#recipes, dress: dress(this.#palette, 'full') });
    const next = dealt(recipe, areasByColor(mark), this.#palette, ids);
    return { recipe: next, changed: next !== recipe };
  }

  /** How heavy the parts of a mark are, thinnest first. */
  async weights(markId: string): Promise<readonly PartWeight[]> {
    return weightsOf(await this.#resolved(markId), this.#ready().paths);
  }

  /** The ways in which a part rests on a level line. */
  async rests(markId: string, partId: string): Promise<readonly Rest[]> {
    return restsOfPart(await this.#resolved(markId), partId);
  }
  /** How far parts go so that the white between their ink is equal. */
  async inkGaps(markId: string, ids: readonly string[], axis: 'x' | 'y'): Promise<readonly Shift[]> {
    return inkGapShifts(await this.#resolved(markId), ids, axis);
  }
  /** How thick a part is all over its outline, in mark pixels. */
  async thickness(markId: string, partId: string) {
    const mark = await this.#resolved(markId);
    const { paths } = this.#ready();
    const area = paths.weld(regionsOfPart(mark, partId));
    const found = thicknessOfArea(area);
    return (
      found && {
        places: found.places.map(({ thickness, length }) => ({ thickness, length })),
        medianPx: found.median,
        thinnestPx: found.thinnest.thickness,
      }
    );
  }
  /** A part as one outline, on its own center, its longer side that of art; nothing where it has no ink. */
  async outline(markId: string, partId: string): Promise<{ readonly data: string; readonly rule: 'nonzero' | 'evenodd' } | undefined> {
    const { path, rule } = this.#ready().paths.weld(regionsOfPart(await this.#resolved(markId), partId));
    const box = boundsOf(path);
    const side = box && Math.max(box.right - box.left, box.bottom - box.top);
    if (!box || !side) return undefined;
    const middle = translation(-(box.left + box.right) / 2, -(box.top + box.bottom) / 2);
    return { data: pathData(mapPath(path, compose(scaling(ART_SIDE / side), middle))), rule };
  }
  /** How much ink parts have, in square mark pixels. */
  async inkAreas(markId: string, ids: readonly string[]): Promise<readonly number[]> {
    const mark = await this.#resolved(markId);
    return ids.map((id) => weightOf(regionsOfPart(mark, id), 0.1)?.area ?? 0);
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

  /** The gaps of a lettering as areas, set flat. */
  async spacing(markId: string, partId: string): Promise<SpacingPicture | undefined> {
    const { part, loader } = await this.#lettering(markId, partId);
    if (!part) return undefined;
    const { letters, box, gaps } = spacingOf(part, loader.shelf, this.#ready().paths);
    return { data: pathData(letters), box, gaps: gaps.map(({ area, ...gap }) => ({ ...gap, data: pathData(area) })) };
  }

  /** The forms that the font has for a letter where it stands. */
  async forms(markId: string, partId: string, index: number): Promise<readonly FormPicture[]> {
    const { part, loader } = await this.#lettering(markId, partId);
    if (!part) return [];
    return letterForms(part, index, loader.shelf).map(({ path, ...form }) => ({ ...form, data: pathData(path) }));
  }

  async #resolved(markId: string): Promise<ResolvedMark> {
    const { loader, resolver } = this.#ready();
    const recipe = this.#recipeOf(markId);
    await openFor(recipe, this.#recipes, loader);
    return resolver.resolve({ recipe, sources: this.#recipes, dress: dress(this.#palette, 'full') });
  }

  async #lettering(markId: string, partId: string) {
    const { loader } = this.#ready();
    const recipe = this.#recipeOf(markId);
    await openFor(recipe, this.#recipes, loader);
    const part = recipe.parts.find(({ id }) => id === partId);
    return { loader, part: part?.kind === 'lettering' ? part : undefined };
  }

  #ready() {
    if (!this.#loader || !this.#resolver || !this.#paths || !this.#dresser)
      throw new Error('The fonts have not been named yet: call open first.');
    return { loader: this.#loader, resolver: this.#resolver, paths: this.#paths, dresser: this.#dresser };
  }

  /** What was told last under each prefix: the page keeps what has not changed. */
  readonly #shown = new Map<string, Map<string, GroupPieces>>();
  #pictureBase = '';
  #lent: ReadonlyMap<string, string> = new Map();
  readonly #small = new SmallPictures();
  #palette: Palette = STARTING_PALETTE;
  /** The newest recipe of every mark, and of what is kept beside them. */
  readonly #recipes = new Map<string, Recipe>();
  /** The parts of every mark by their text. */
  readonly #parts = new Map<string, ReadonlyMap<string, Part>>();
  #recipeOf = (markId: string): Recipe => this.#recipes.get(markId) ?? EMPTY_RECIPE;
}
