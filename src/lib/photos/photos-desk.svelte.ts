import { createContext } from 'svelte';
import pLimit from 'p-limit';
import {
  quietPlace,
  stampPlace,
  startStamp,
  unremovablePlace,
  watermarkOf,
  type Palette,
  type PhotoDesk,
  type PhotoException,
  type Recipe,
  type Stamp,
  type StampPlacing,
  type Veil,
} from '$core/index';
import type { PictureDesk } from '$lib/client/picture-desk.svelte';
import type { ShownMark } from '$lib/client/read-marks';
import { bringPhotos } from '$lib/client/bring-photos';
import { GatheredNews } from '$lib/client/gathered-news';
import { tonesOf, type PhotoView } from '$lib/client/photo-view';
import { request, sentences } from '$lib/client/request';
import type { OpenDocument } from '$lib/client/work/open-document.svelte';
import type { WatermarkPicture } from '$workers/draw';
import type { PhotoRunView } from './views';

/** What the photos room can be sorted by. */
export const PHOTO_ORDERS = { brought: 'as brought in', name: 'by name', size: 'largest first' } as const;
export type PhotoOrderName = keyof typeof PHOTO_ORDERS;

/** How far photos have come in. */
interface Intake {
  readonly done: number;
  readonly all: number;
  readonly refused: readonly string[];
}

/** Uploads at once; the server reads large ones one at a time anyhow. */
const AT_ONCE = 2;

/** What the photos room works on: the tray, what is laid over its photos, and the runs that marked them. */
export class PhotosDesk {
  photos: readonly PhotoView[] = $state.raw([]);
  runs: readonly PhotoRunView[] = $state.raw([]);
  order: PhotoOrderName = $state('brought');
  currentId: string | undefined = $state();
  chosen: ReadonlySet<string> = $state.raw(new Set());
  stampId: string | undefined = $state();
  /** Whether changes of place are this photo's alone. */
  onlyHere = $state(false);
  heat = $state(false);
  intake: Intake | undefined = $state.raw();
  problem = $state('');
  /** Photos that were taken away last. */
  removed: readonly string[] = $state.raw([]);
  laid: (WatermarkPicture & { readonly photo: string }) | undefined = $state.raw();
  laying = $state(false);
  ordering = $state(false);
  #asked = 0;

  constructor(
    readonly brand: { readonly id: string; readonly slug: string; readonly name: string; readonly palette: Palette },
    readonly work: OpenDocument<PhotoDesk>,
    readonly drawing: PictureDesk,
    marks: readonly ShownMark[],
    photos: readonly PhotoView[],
    runs: readonly PhotoRunView[],
  ) {
    this.marks = marks;
    this.photos = photos;
    this.runs = runs;
    this.currentId = photos[0]?.id;
    this.chosen = new Set(photos.slice(0, 1).map(({ id }) => id));
  }
  marks: readonly ShownMark[] = $state.raw([]);

  readonly content: PhotoDesk = $derived.by(() => this.work.content);
  readonly shown: readonly PhotoView[] = $derived.by(() => {
    if (this.order === 'brought') return this.photos;
    const by =
      this.order === 'name'
        ? (a: PhotoView, b: PhotoView) => a.name.localeCompare(b.name) || (a.page?.number ?? 0) - (b.page?.number ?? 0)
        : (a: PhotoView, b: PhotoView) => b.widthPx * b.heightPx - a.widthPx * a.heightPx;
    return [...this.photos].sort(by);
  });
  readonly current: PhotoView | undefined = $derived(this.photos.find(({ id }) => id === this.currentId) ?? this.shown[0]);
  readonly stamp: Stamp | undefined = $derived.by(
    () => this.content.stamps.find(({ id }) => id === this.stampId) ?? this.content.stamps[0],
  );
  readonly recipes: ReadonlyMap<string, Recipe> = $derived(new Map(this.marks.map(({ id, recipe }) => [id, recipe])));
  /** Marks that may be laid over photos: those that are kept and draw something. */
  readonly offered = $derived(this.marks.filter(({ shelf, recipe }) => shelf === 'kept' && recipe.parts.length > 0));
  readonly watermark = $derived.by(() => this.current && watermarkOf(this.content, this.current.id));
  readonly here: PhotoException | undefined = $derived.by(() => (this.current ? this.content.exceptions[this.current.id] : undefined));
  /** The stamp as it lies on the photo that is looked at. */
  readonly placedStamp: Stamp | undefined = $derived.by(() => this.watermark?.stamps.find(({ id }) => id === this.stamp?.id));

  readonly #address = () => `/api/brands/${this.brand.slug}`;
  previewOf = ({ id }: { readonly id: string }): string => `${this.#address()}/photos/${id}/preview.webp`;

  /** Lays the watermark over the photo that is looked at; the newest wish is answered, older ones are dropped. @param measured not while something is dragged */
  async lay(measured = true): Promise<void> {
    const { current: photo, watermark } = this;
    const asked = ++this.#asked;
    if (!photo || !watermark) {
      this.laid = undefined;
      return;
    }
    if (this.laying) return;
    this.laying = true;
    try {
      const order = {
        photo: { widthPx: photo.widthPx, heightPx: photo.heightPx },
        tones: tonesOf(photo),
        watermark: $state.snapshot(watermark) as typeof watermark,
      };
      const picture = await this.drawing.about(this.recipes, this.brand.palette, (draughtsman) =>
        draughtsman.watermark(order, 'w-', measured),
      );
      const protection = measured ? picture.protection : this.laid?.photo === photo.id ? this.laid.protection : picture.protection;
      this.laid = { ...picture, protection, photo: photo.id };
      this.problem = '';
    } catch (error) {
      this.problem = `The watermark could not be drawn: ${error instanceof Error ? error.message : String(error)}`;
    } finally {
      this.laying = false;
    }
    if (asked !== this.#asked) await this.lay(measured);
  }

  change(gesture: string, content: PhotoDesk): void {
    this.work.commit(gesture, content);
  }
  addStamp(mark: string): void {
    const used = new Set(this.content.stamps.map(({ id }) => id));
    let n = 1;
    while (used.has(`stamp-${n}`)) n++;
    const stamp = startStamp(`stamp-${n}`, mark);
    this.stampId = stamp.id;
    this.change('Add a stamp', { ...this.content, stamps: [...this.content.stamps, stamp] });
  }
  removeStamp(id: string): void {
    this.change('Remove the stamp', { ...this.content, stamps: this.content.stamps.filter((stamp) => stamp.id !== id) });
  }
  /** The desk with a stamp changed. */
  withStamp(id: string, change: Partial<Stamp>): PhotoDesk {
    return { ...this.content, stamps: this.content.stamps.map((stamp) => (stamp.id === id ? { ...stamp, ...change } : stamp)) };
  }
  withVeil(change: Partial<Veil>): PhotoDesk {
    return { ...this.content, veil: { ...this.content.veil, ...change } };
  }
  /** The desk with a stamp at another place: on all photos, or on this one where that is wanted or it has its own already. */
  withPlace(id: string, place: Partial<StampPlacing>): PhotoDesk {
    const photo = this.current?.id;
    if (photo && (this.onlyHere || this.here?.stamps[id]))
      return this.withException(photo, (own) => ({ ...own, stamps: { ...own.stamps, [id]: { ...own.stamps[id], ...place } } }));
    return this.withStamp(id, place);
  }
  withException(photo: string, change: (own: PhotoException) => PhotoException, from = this.content): PhotoDesk {
    return { ...from, exceptions: { ...from.exceptions, [photo]: change(from.exceptions[photo] ?? { stamps: {}, without: [] }) } };
  }
  dropException(photo: string): void {
    const { [photo]: _, ...rest } = this.content.exceptions;
    this.change('Treat this photo like the others', { ...this.content, exceptions: rest });
  }

  /** Puts the stamp where it suits each of the chosen photos: in a calm place, or across what the picture is of. */
  placeEach(how: 'quiet' | 'unremovable'): void {
    const { stamp } = this;
    const ink = this.laid?.stamps.find(({ id }) => id === stamp?.id);
    const looked = this.current;
    if (!stamp || !ink || !looked) return;
    const ratio = ink.heightPx / ink.widthPx;
    let desk = this.content;
    for (const photo of this.photos.filter(({ id }) => this.chosen.has(id) || id === looked.id)) {
      const place = stampPlace(photo, { left: 0, top: 0, right: 1, bottom: ratio }, {
        ...stamp,
        ...(desk.exceptions[photo.id]?.stamps[stamp.id] ?? {}),
      } as Stamp);
      const find = how === 'quiet' ? quietPlace : unremovablePlace;
      const { x, y } = find(tonesOf(photo), place.widthPx / photo.widthPx, place.heightPx / photo.heightPx);
      desk = this.withException(
        photo.id,
        (own) => ({ ...own, stamps: { ...own.stamps, [stamp.id]: { ...own.stamps[stamp.id], anchor: 'free', x, y } } }),
        desk,
      );
    }
    this.change(how === 'quiet' ? 'Place it where it is calm' : 'Place it across the subject', desk);
  }

  /** Finds, for each chosen photo, the lowest opacity of the veil that keeps a share of it protected. */
  async thinVeil(share: number): Promise<void> {
    let desk = this.content;
    for (const photo of this.photos.filter(({ id }) => this.chosen.has(id) || id === this.current?.id)) {
      const order = {
        photo: { widthPx: photo.widthPx, heightPx: photo.heightPx },
        tones: tonesOf(photo),
        watermark: $state.snapshot(watermarkOf(desk, photo.id)) as ReturnType<typeof watermarkOf>,
      };
      const found = await this.drawing.about(this.recipes, this.brand.palette, (draughtsman) => draughtsman.leastVeil(order, share));
      if (found) desk = this.withException(photo.id, (own) => ({ ...own, veilOpacityPercent: found.opacityPercent }), desk);
    }
    this.change('Find the lowest opacity', desk);
  }

  /** Brings in files, a few at a time, with a count; those that are refused are named with their reason, the others come in all the same. */
  async bringIn(files: readonly File[]): Promise<void> {
    if (files.length === 0) return;
    const turn = pLimit(AT_ONCE);
    const before = this.intake && this.intake.done < this.intake.all ? this.intake : { done: 0, all: 0, refused: [] };
    this.intake = { ...before, all: before.all + files.length };
    await Promise.all(
      files.map((file) =>
        turn(async () => {
          const refused = await this.#bring(file);
          const now = this.intake ?? { done: 0, all: files.length, refused: [] };
          this.intake = { ...now, done: now.done + 1, refused: refused ? [...now.refused, refused] : now.refused };
        }),
      ),
    );
  }
  async #bring(file: File): Promise<string | undefined> {
    const brought = await bringPhotos(this.brand.slug, file);
    if (!brought.ok) return brought.says;
    const known = new Set(this.photos.map(({ id }) => id));
    this.photos = [...this.photos, ...brought.photos.filter(({ id }) => !known.has(id))];
    const [first] = brought.photos;
    if (first && (!this.current || this.chosen.size === 0)) this.choose(first.id);
    return undefined;
  }

  choose(id: string, { range = false, more = false } = {}): void {
    const list = this.shown;
    if (range && this.currentId) {
      const [from, to] = [list.findIndex((photo) => photo.id === this.currentId), list.findIndex((photo) => photo.id === id)].sort(
        (a, b) => a - b,
      );
      this.chosen = new Set([...(more ? this.chosen : []), ...list.slice(from, (to ?? 0) + 1).map((photo) => photo.id)]);
      return;
    }
    if (more) {
      const next = new Set(this.chosen);
      if (!next.delete(id)) next.add(id);
      this.chosen = next;
    } else this.chosen = new Set([id]);
    this.currentId = id;
  }
  async remove(photos: readonly string[], removed: boolean): Promise<void> {
    const answer = await request<readonly PhotoView[]>('PATCH', `${this.#address()}/photos`, { photos, removed });
    if (!answer.ok) {
      this.problem = sentences(answer.problems);
      return;
    }
    this.photos = answer.value;
    this.removed = removed ? photos : [];
    if (!this.photos.some(({ id }) => id === this.currentId)) this.currentId = this.photos[0]?.id;
    this.chosen = new Set(removed ? (this.currentId ? [this.currentId] : []) : photos);
  }

  /** How many photos and pages of PDFs are in the tray. */
  countsOf = (list: readonly PhotoView[]) => {
    const pages = list.filter(({ page }) => page).length;
    return { photos: list.length - pages, pages };
  };
  /** Which photos are marked: those chosen, or all where only one is. */
  readonly wanted: readonly PhotoView[] = $derived(this.chosen.size > 1 ? this.shown.filter(({ id }) => this.chosen.has(id)) : this.shown);
  readonly fault = $derived.by(() => {
    if (this.photos.length === 0) return '';
    const { stamps, veil } = this.content;
    if (stamps.length === 0 && !veil.on) return 'Nothing is laid over the photos yet.';
    if (veil.on && veil.text === '' && veil.mark === '') return 'The veil has neither a line nor a mark to repeat.';
    return '';
  });
  async run(): Promise<void> {
    if (this.ordering) return;
    this.ordering = true;
    const answer = await request<PhotoRunView>('POST', `${this.#address()}/photo-runs`, {
      id: crypto.randomUUID(),
      name: `Run ${(this.runs[0]?.number ?? 0) + 1}`,
      photos: this.wanted.map(({ id }) => id),
      desk: this.content,
    });
    if (answer.ok) this.runs = [answer.value, ...this.runs.filter(({ id }) => id !== answer.value.id)];
    this.problem = answer.ok ? '' : sentences(answer.problems);
    this.ordering = false;
  }
  async tell(run: PhotoRunView, what: 'stop' | 'resume' | 'remove', file?: string): Promise<void> {
    const question = this.#news.begin();
    const answer = await request<PhotoRunView>('PATCH', `${this.#address()}/photo-runs/${run.id}`, { do: what, ...(file ? { file } : {}) });
    if (!answer.ok) this.problem = sentences(answer.problems);
    else if (what === 'remove') this.runs = this.runs.filter(({ id }) => id !== run.id);
    else if (this.#news.isNewest(run.id, question)) this.#take(answer.value);
  }
  #take(run: PhotoRunView): void {
    this.runs = this.runs.map((each) => (each.id === run.id ? run : each));
  }
  readonly #news = new GatheredNews<PhotoRunView>(
    async (id) => {
      const answer = await request<PhotoRunView>('GET', `${this.#address()}/photo-runs/${id}`);
      return answer.ok ? answer.value : undefined;
    },
    (run) => this.#take(run),
  );
  /** Asks for what has come along in one run. */
  refresh(run: string): void {
    this.#news.about(run);
  }
  async reload(): Promise<void> {
    const question = this.#news.begin();
    const [photos, runs] = await Promise.all([
      request<readonly PhotoView[]>('GET', `${this.#address()}/photos`),
      request<readonly PhotoRunView[]>('GET', `${this.#address()}/photo-runs`),
    ]);
    if (photos.ok) this.photos = photos.value;
    if (runs.ok) this.runs = this.#news.newestOf(question, runs.value, this.runs);
  }
  lookAddress = (run: string, file: string, page: number): string => `${this.fileAddress(run, file)}/look.webp?page=${page}`;
  fileAddress = (run: string, file: string): string => `${this.#address()}/photo-runs/${run}/files/${file}`;
  zipAddress = (run: string): string => `${this.#address()}/photo-runs/${run}/photos.zip`;

  close(): void {
    this.#news.close();
    this.work.close();
    this.drawing.close();
  }
}

export const [usePhotosDesk, providePhotosDesk] = createContext<PhotosDesk>();
