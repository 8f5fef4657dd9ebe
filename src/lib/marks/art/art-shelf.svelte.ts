import {
  addPart,
  changePart,
  createPart,
  expect,
  type Art,
  type ArtEntry,
  type ArtStyle,
  type Bounds,
  type Brief,
  type KnownInput,
  type LicenseTerms,
  type Recipe,
} from '$core/index';
import { request, sentences } from '$lib/client/request';
import type { DrawingDesk } from '$lib/client/drawing-desk.svelte';
import type { About } from '../table/bring-in';
import { placedNew } from '../table/place-new';
import type { OpenMark } from '$lib/client/work/open-mark.svelte';

/** What the shelf needs of the table it stands on. */
interface UnderTheShelf {
  readonly brief: Brief;
  readonly brand: { readonly slug: string };
  readonly open: OpenMark;
  readonly desk: DrawingDesk;
  selectedId: string | undefined;
  readonly said: string;
  readonly bringIn: (files: readonly File[], about: About) => Promise<readonly string[]>;
}

type ArtInput = Omit<Extract<KnownInput, { kind: 'art' }>, 'id'>;

/** A collection as the server describes it. */
export interface ShelfSet {
  readonly id: string;
  readonly label: string;
  readonly author: string;
  readonly license: string;
  readonly terms: LicenseTerms;
}

/** Answers that come sooner need no word in between. */
const A_MOMENT_MS = 400;
/** Few colors are at most so many. */
const FEW = 3;

/** Typical strokes by words, in thousandths of a piece's longer side. */
export const WEIGHTS = {
  any: [0, 1000],
  hairline: [0, 35],
  light: [35, 70],
  medium: [70, 110],
  heavy: [110, 1000],
} as const;
export type Weight = keyof typeof WEIGHTS;

/** The art library on the table: what is looked for, what is found, and the two candidates that are compared in place. */
export class ArtShelf {
  open = $state(false);
  text = $state('');
  style: ArtStyle | 'few' | 'any' = $state('any');
  set = $state('any');
  weight: Weight = $state('any');
  found: readonly ArtEntry[] = $state.raw([]);
  total = $state(0);
  also: readonly string[] = $state.raw([]);
  sets: readonly ShelfSet[] = $state.raw([]);
  fault = $state('');
  /** The candidates; one of them is shown in place. */
  candidates: readonly (ArtEntry | undefined)[] = $state.raw([undefined, undefined]);
  shown: 0 | 1 = $state(0);
  /** The art that is to be swapped; nothing adds a new piece. */
  swapId: string | undefined = $state();
  /** What was left out of a drawing that was brought in. */
  left: readonly string[] = $state.raw([]);

  /** Whether an answer is waited for longer than a moment. */
  waits = $state(false);
  /** What the answers on the shelf belong to; nothing before the first one came. */
  answered: string | undefined = $state();

  #asked: AbortController | undefined;
  /** The mark's ink before anything was tried. */
  #room: Bounds | undefined;
  readonly #pieces = new Map<string, ArtInput>();

  constructor(private readonly table: UnderTheShelf) {}

  /** Opens the shelf, to add or to swap; the brief's first keyword is looked for when nothing else is. */
  show(swapId?: string): void {
    this.swapId = swapId;
    this.candidates = [undefined, undefined];
    this.shown = 0;
    // Candidates are drawn in place, and must not move the ones after them.
    this.#room = this.table.desk.stage?.ink;
    this.open = true;
    if (this.text === '') this.text = this.table.brief.keywords[0] ?? '';
    void this.search();
  }
  /** Closes the shelf and puts back what was there. */
  close(): void {
    if (this.candidates.some((candidate) => candidate !== undefined)) this.table.open.cancel();
    this.candidates = [undefined, undefined];
    this.stop();
    this.open = false;
  }

  async search(): Promise<void> {
    // What is no longer asked is waited for no more.
    this.stop();
    const asked = (this.#asked = new AbortController());
    const slow = setTimeout(() => (this.waits = true), A_MOMENT_MS);
    const { text } = this;
    const [from, to] = WEIGHTS[this.weight];
    const query = new URLSearchParams({ text: this.text, limit: '72' });
    if (this.style !== 'any') query.set('style', this.style === 'few' ? 'colored' : this.style);
    if (this.style === 'few') query.set('colorsTo', String(FEW));
    if (this.set !== 'any') query.set('set', this.set);
    if (this.weight !== 'any') {
      query.set('weightFrom', String(from));
      query.set('weightTo', String(to));
    }
    const answer = await request<{ entries: readonly ArtEntry[]; total: number; also: readonly string[]; sets: readonly ShelfSet[] }>(
      'GET',
      `/api/art?${query}`,
      undefined,
      asked.signal,
    );
    clearTimeout(slow);
    if (asked.signal.aborted) return;
    this.#asked = undefined;
    this.waits = false;
    if (!answer.ok) {
      this.fault = sentences(answer.problems);
      return;
    }
    this.fault = '';
    this.answered = text;
    ({ entries: this.found, total: this.total, also: this.also, sets: this.sets } = answer.value);
  }

  /** Waits for what was asked no more; what is on the shelf stays. */
  stop(): void {
    this.#asked?.abort();
    this.#asked = undefined;
    this.waits = false;
  }

  async #piece(id: string): Promise<ArtInput | undefined> {
    const kept = this.#pieces.get(id);
    if (kept) return kept;
    const answer = await request<ArtInput>('GET', `/api/art/${id}?brand=${this.table.brand.slug}`);
    if (!answer.ok) {
      this.fault = sentences(answer.problems);
      return undefined;
    }
    this.#pieces.set(id, answer.value);
    return answer.value;
  }

  /** Tries a piece in place: the first becomes one candidate, the next the other. */
  async tryPiece(entry: ArtEntry): Promise<void> {
    const piece = await this.#piece(entry.id);
    if (!piece) return;
    const place = this.candidates[0] === undefined ? 0 : this.candidates[1] === undefined ? 1 : this.shown;
    this.candidates = this.candidates.map((candidate, index) => (index === place ? entry : candidate));
    await this.compare(place);
  }
  /** Shows one of the candidates in place. */
  async compare(which: 0 | 1): Promise<void> {
    const entry = this.candidates[which];
    const piece = entry && (await this.#piece(entry.id));
    if (!piece) return;
    this.shown = which;
    this.table.open.cancel();
    this.table.open.preview(this.#with(piece).recipe);
  }
  /** The candidate that is shown becomes part of the mark. */
  async use(): Promise<void> {
    const entry = this.candidates[this.shown];
    const piece = entry && (await this.#piece(entry.id));
    if (!piece) return;
    this.table.open.cancel();
    const { recipe, id } = this.#with(piece);
    this.table.open.commit(this.swapId ? 'Swap art' : 'Add art', recipe);
    this.candidates = [undefined, undefined];
    this.open = false;
    this.table.selectedId = id;
  }

  /** Takes in a drawing or picture made elsewhere. */
  async bringIn(file: File, about: About): Promise<void> {
    this.left = await this.table.bringIn([file], about);
    if (this.left.length === 0 && this.table.said === '') this.open = false;
  }

  /** The recipe with a piece: in the place and the colors of the one that is swapped, or new on the mark's middle. */
  #with(piece: ArtInput): { readonly recipe: Recipe; readonly id: string } {
    const recipe = this.table.open.recipe;
    const old = recipe.parts.find((part) => part.id === this.swapId);
    if (old?.kind === 'art') {
      const fresh = expect(createPart({ ...piece, id: old.id })) as Art;
      const slots = fresh.slots.map((slot, index) => ({
        ...slot,
        paint: old.slots[Math.min(index, old.slots.length - 1)]?.paint ?? slot.paint,
      }));
      return { recipe: changePart(recipe, old.id, { source: fresh.source, pieces: fresh.pieces, slots }), id: old.id };
    }
    const part = placedNew(recipe, piece, this.#room);
    return { recipe: addPart(recipe, part), id: part.id };
  }
}
