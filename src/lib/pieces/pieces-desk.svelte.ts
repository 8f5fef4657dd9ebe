import { createContext } from 'svelte';
import { invalidateAll } from '$app/navigation';
import {
  asPage,
  bookletsOf,
  isKnown,
  MOST_PAGES,
  paintsFollowed,
  pagesMoved,
  pagesTogether,
  PIECE_LAYOUTS,
  PIECE_SIZES,
  pieceCanvasSchema,
  pieceSizeText,
  pouredPiece,
  repoured,
  writeRecipe,
  type Brief,
  type FontChoice,
  type PaintsOfMarks,
  type Palette,
  type PieceCanvas,
  type PieceContent,
  type PieceLayout,
  type PiecePicture,
  type PieceSize,
  type Recipe,
  type TypeDesk,
  type WordsWhat,
} from '$core/index';
import type { PictureDesk } from '$lib/client/picture-desk.svelte';
import type { ShownMark } from '$lib/client/read-marks';
import { request, sentences } from '$lib/client/request';
import { bringPicture, type OfferedPicture } from '$lib/client/bring-picture';
import { OpenMark } from '$lib/client/work/open-mark.svelte';

export interface PiecesBrand {
  readonly id: string;
  readonly slug: string;
  readonly name: string;
  readonly about: string;
  readonly palette: Palette;
}
type SizeOnly = Omit<PieceCanvas, 'ground' | 'layout'>;

/** The pieces of a brand, and what the next one begins with. */
export class PiecesDesk {
  all: readonly ShownMark[] = $state.raw([]);
  /** The piece that layouts are poured into; none means a new one. */
  chosenId: string | undefined = $state();
  sizeId = $state('square-post');
  /** A size of the designer's own. */
  own: { readonly width: number; readonly height: number; readonly unit: PieceCanvas['unit'] } = $state.raw({
    width: 1000,
    height: 1000,
    unit: 'px',
  });
  words: Readonly<Record<WordsWhat, string>> = $state.raw({ heading: '', text: '', small: '' });
  markId: string | undefined = $state();
  submarkId: string | undefined = $state();
  /** Pictures of the brand, the newest first, and the one that layouts show. */
  pictures: readonly OfferedPicture[] = $state.raw([]);
  pictureSha: string | undefined = $state();
  wholeSet = $state(false);
  said = $state('');
  working = $state(false);

  constructor(
    readonly brand: PiecesBrand,
    readonly drawing: PictureDesk,
    brief: Brief,
    private readonly type: TypeDesk,
  ) {
    this.words = { heading: brief.promise || brand.about || brand.name, text: brief.audience || brand.about, small: brand.name };
  }

  get marks(): readonly ShownMark[] {
    return this.all.filter(({ role, shelf, recipe }) => role !== 'piece' && shelf === 'kept' && recipe.parts.length > 0);
  }
  get pieces(): readonly ShownMark[] {
    return this.all.filter(({ role, shelf }) => role === 'piece' && shelf === 'kept');
  }
  /** Pieces as they are listed: pages stand together. */
  readonly listed: readonly ShownMark[] = $derived(pagesTogether(this.pieces));
  get chosen(): ShownMark | undefined {
    return this.pieces.find(({ id }) => id === this.chosenId);
  }
  get mark(): ShownMark | undefined {
    return this.marks.find(({ id }) => id === this.markId) ?? this.marks.find(({ role }) => role === 'primary') ?? this.marks[0];
  }
  get submark(): ShownMark | undefined {
    const wanted = this.marks.find(({ id }) => id === this.submarkId);
    return wanted ?? this.marks.find(({ role }) => role === 'submark') ?? this.marks.find(({ role }) => role === 'icon') ?? this.mark;
  }
  get picture(): PiecePicture | undefined {
    const found = this.pictures.find(({ sha256 }) => sha256 === this.pictureSha);
    return found && { sha256: found.sha256, fileWidthPx: found.widthPx, fileHeightPx: found.heightPx };
  }
  /** Brings a picture in, and shows it in the layouts. */
  async bring(file: File): Promise<void> {
    this.working = true;
    const brought = await bringPicture(this.brand.slug, file);
    if (brought.ok) {
      this.pictureSha = brought.value.sha256;
      this.said = `“${brought.value.name}” is brought in.`;
      await invalidateAll();
    } else this.said = sentences(brought.problems);
    this.working = false;
  }
  get sizes(): readonly PieceSize[] {
    return PIECE_SIZES;
  }
  /** The size that is poured into; nothing where the designer's own is none. */
  get size(): SizeOnly | undefined {
    const from = this.chosen?.recipe.whole?.canvas;
    const preset = PIECE_SIZES.find(({ id }) => id === this.sizeId);
    const wanted = preset ? preset.canvas : { ...this.own, bleed: this.own.unit === 'px' ? 0 : 3, marginPercent: 6 };
    const read = pieceCanvasSchema.safeParse(from && this.sizeId === 'as-it-is' ? from : wanted);
    if (!read.success) return undefined;
    const { ground: _ground, layout: _layout, ...size } = read.data;
    return size;
  }
  /** What marks are drawn in, each looked at once. */
  private readonly paints: PaintsOfMarks = $derived.by(() => {
    const recipes = new Map(this.all.map(({ id, recipe }) => [id, recipe]));
    const found = new Map(this.marks.map(({ id }) => [id, paintsFollowed(id, recipes)]));
    return (markId: string) => found.get(markId) ?? [];
  });
  get content(): PieceContent | undefined {
    const { mark, submark } = this;
    if (!mark || !submark) return undefined;
    const name = mark.recipe.parts.filter(isKnown).find((part) => part.kind === 'lettering');
    const plain = (family: string): FontChoice => ({ family, style: 'normal', axes: {} });
    const heading = name?.kind === 'lettering' ? name.font : plain('jost');
    const body = this.type.roles.body[0] ?? this.type.roles.second[0];
    return {
      mark: mark.id,
      submark: submark.id,
      paints: this.paints,
      words: this.words,
      picture: this.picture,
      faces: { heading, text: body ? plain(body) : { ...heading, axes: {} } },
    };
  }
  readonly layouts: readonly PieceLayout[] = PIECE_LAYOUTS;

  /** Every layout in the size that is wanted, as it would be. */
  readonly offered: readonly { readonly layout: PieceLayout; readonly recipe: Recipe }[] = $derived.by(() => {
    const { size, content, chosen } = this;
    if (!size || !content) return [];
    return this.layouts.map((layout) => ({
      layout,
      recipe: chosen
        ? repoured(chosen.recipe, size, layout, content, this.brand.palette)
        : pouredPiece(size, layout, content, this.brand.palette),
    }));
  });
  readonly recipes: ReadonlyMap<string, Recipe> = $derived(
    new Map([
      ...this.all.map(({ id, recipe }) => [id, recipe] as const),
      ...this.offered.map(({ layout, recipe }) => [`layout ${layout.id}`, recipe] as const),
    ]),
  );
  readonly wanted = $derived(
    [...this.pieces.map(({ id }) => id), ...this.offered.map(({ layout }) => `layout ${layout.id}`)].map((id) => ({
      ...{ key: id.replace(/\W/g, '-'), markId: id, dressing: 'full' as const, palette: this.brand.palette },
    })),
  );
  pictureOf = (id: string) => this.drawing.pictures.get(id.replace(/\W/g, '-'));

  /** A name that no mark has yet. */
  #freeName(wanted: string): string {
    const taken = new Set(this.all.map(({ name }) => name));
    for (let n = 1; ; n++) {
      const name = n === 1 ? wanted : `${wanted} ${n}`;
      if (!taken.has(name)) return name;
    }
  }
  #address = () => `/api/brands/${this.brand.slug}/marks`;

  /** Pours a layout: into the piece that is chosen, else into a new one, or into new ones of all sizes of the set. */
  async pour(layout: PieceLayout): Promise<void> {
    const { size, content, chosen } = this;
    if (!size || !content || this.working) return;
    this.working = true;
    if (chosen) {
      await this.#save(chosen, `Layout: ${layout.label}`, repoured(chosen.recipe, size, layout, content, this.brand.palette));
      this.said = `${chosen.name} stands in “${layout.label}” now; it can be undone on its table.`;
    } else {
      const preset = PIECE_SIZES.find(({ id }) => id === this.sizeId);
      const all = this.wholeSet && preset ? PIECE_SIZES.filter(({ set }) => set === preset.set) : [preset];
      const made: string[] = [];
      for (const each of all) {
        const canvas = each ? pieceCanvasSchema.parse(each.canvas) : size;
        const name = this.#freeName(each?.label ?? pieceSizeText(canvas));
        const recipe = pouredPiece(canvas, layout, content, this.brand.palette);
        const answer = await request('POST', this.#address(), {
          name,
          role: 'piece',
          gesture: 'Pour a layout',
          recipe: writeRecipe(recipe),
        });
        if (!answer.ok) {
          this.said = sentences(answer.problems);
          break;
        }
        made.push(name);
      }
      if (made.length > 0)
        this.said =
          made.length === 1
            ? `“${made[0]}” is made; open it to change anything.`
            : `${made.length} pieces are made; open them to change anything.`;
    }
    await invalidateAll();
    this.working = false;
  }

  async #save(piece: ShownMark, gesture: string, recipe: Recipe): Promise<void> {
    const open = new OpenMark({
      ...{ subject: `mark:${piece.id}`, address: `${this.#address()}/${piece.slug}/revisions` },
      ...{ content: piece.recipe, number: piece.revision },
    });
    open.commit(gesture, recipe);
    // What is being sent already is not sent again: it is waited for.
    while (!(await open.flush()) && open.save.kind === 'saving') await new Promise((resolve) => setTimeout(resolve, 30));
    open.close();
  }

  /** The pages that a piece is one of, in their order; of a piece that stands alone, itself. */
  pagesOf(piece: ShownMark): readonly ShownMark[] {
    const { booklet } = piece.recipe.whole?.canvas ?? {};
    return (booklet && bookletsOf(this.pieces).get(booklet.id)) ?? [piece];
  }
  /** Adds a page like a piece behind the last of its pages; the first time, it becomes the first page. */
  async addPage(piece: ShownMark): Promise<void> {
    const pages = this.pagesOf(piece);
    const [first] = pages;
    if (!first || this.working) return;
    if (pages.length >= MOST_PAGES) {
      this.said = `“${first.name}” has ${pages.length} pages; a file holds no more.`;
      return;
    }
    this.working = true;
    const before = piece.recipe.whole?.canvas?.booklet;
    const id = before?.id ?? crypto.randomUUID();
    if (!before) await this.#save(piece, 'First page', asPage(piece.recipe, { id, page: 1 }));
    const page = Math.max(1, ...pages.map(({ recipe }) => recipe.whole?.canvas?.booklet?.page ?? 1)) + 1;
    const name = this.#freeName(`${first.name}, page ${pages.length + 1}`);
    const answer = await request('POST', this.#address(), {
      ...{ name, role: 'piece', gesture: 'Add a page' },
      recipe: writeRecipe(asPage(piece.recipe, { id, page })),
    });
    this.said = answer.ok ? `“${name}” is added; open it to change anything.` : sentences(answer.problems);
    await invalidateAll();
    this.working = false;
  }
  /** Changes a page's place among its pages. */
  async movePage(piece: ShownMark, by: -1 | 1): Promise<void> {
    if (this.working) return;
    this.working = true;
    for (const { piece: page, page: number } of pagesMoved(this.pagesOf(piece), piece, by)) {
      const id = page.recipe.whole?.canvas?.booklet?.id;
      if (id) await this.#save(page, 'Order of pages', asPage(page.recipe, { id, page: number }));
    }
    this.said = `“${piece.name}” is ${by < 0 ? 'earlier' : 'later'} by one page.`;
    await invalidateAll();
    this.working = false;
  }

  /** A page becomes a piece of its own again; the other pages stay together. */
  async takeOut(piece: ShownMark): Promise<void> {
    const [first] = this.pagesOf(piece).filter((page) => page !== piece);
    if (!first || this.working) return;
    this.working = true;
    await this.#save(piece, 'Take out of its pages', asPage(piece.recipe, undefined));
    this.said = `“${piece.name}” is no page of “${first.name}” any more; it stands for itself.`;
    await invalidateAll();
    this.working = false;
  }

  async shelve(piece: ShownMark): Promise<void> {
    const answer = await request('PATCH', `${this.#address()}/${piece.slug}`, { shelf: 'removed' });
    this.said = answer.ok ? `“${piece.name}” is removed; it is found again under All marks.` : sentences(answer.problems);
    if (this.chosenId === piece.id) this.chosenId = undefined;
    await invalidateAll();
  }
  choose(id: string | undefined): void {
    this.chosenId = id;
    this.sizeId = id === undefined ? 'square-post' : 'as-it-is';
  }
}

export const [usePiecesDesk, providePiecesDesk] = createContext<PiecesDesk>();
