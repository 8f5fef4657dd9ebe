import { createContext } from 'svelte';
import {
  fileNames,
  MOST_FILES,
  packKind,
  roughBytes,
  startPack,
  strangeWords,
  wantedFiles,
  type GoodsAtHand,
  type HandoverPlan,
  type NameWords,
  type PackName,
  type Palette,
  type PlannedMark,
  type PlannedPack,
} from '$core/index';
import { GatheredNews } from '$lib/client/gathered-news';
import { request, sentences } from '$lib/client/request';
import type { OpenDocument } from '$lib/client/work/open-document.svelte';
import { countsOf, type PackView } from './views';

/** Stands for all packs where news are about the list itself. */
const ALL = '';

/** What the hand-over room works on: the plan of what goes in, and the packs that were made. */
export class HandoverDesk {
  packs: readonly PackView[] = $state.raw([]);
  openPack: string | undefined = $state();
  name = $state('');
  problem = $state('');
  ordering = $state(false);

  constructor(
    readonly brand: { readonly slug: string; readonly name: string; readonly palette: Palette },
    readonly marks: readonly PlannedMark[],
    readonly plan: OpenDocument<HandoverPlan>,
    /** What is planned while nothing was chosen yet. */
    readonly proposed: HandoverPlan,
    readonly words: NameWords,
    packs: readonly PackView[],
    /** Whether a plan was saved before. */
    readonly begun: boolean,
    readonly goods: GoodsAtHand,
  ) {
    this.packs = packs;
    this.openPack = packs[0]?.id;
  }

  /** The plan as it stands: what the brief asks for until the designer chooses. */
  readonly content: HandoverPlan = $derived.by(() => {
    const own = this.plan.content;
    return this.chosen || own.packs.length > 0 ? own : { ...this.proposed, pattern: own.pattern };
  });
  /** Whether the designer chose anything yet. */
  get chosen(): boolean {
    return this.begun || this.plan.past.length > 0;
  }
  readonly files = $derived.by(() => wantedFiles(this.content, this.marks, this.brand.palette, this.goods));
  readonly bytes = $derived.by(() => this.files.reduce((sum, file) => sum + roughBytes(file), 0));
  readonly example = $derived.by(() => fileNames(this.files.slice(0, 1), this.content.pattern, this.words, (pack) => pack)[0] ?? '');
  readonly fault = $derived.by(() => {
    const [strange] = strangeWords(this.content.pattern);
    if (strange !== undefined) return `Files have no {${strange}}.`;
    if (this.files.length > MOST_FILES) return `A pack holds ${MOST_FILES} files at most; this one would have ${this.files.length}.`;
    return '';
  });
  filesOf(pack: PlannedPack): number {
    return this.files.filter((file) => file.pack === pack.id).length;
  }

  change(gesture: string, content: HandoverPlan): void {
    this.plan.commit(gesture, content);
  }
  changePack(gesture: string, pack: PlannedPack): void {
    this.change(gesture, { ...this.content, packs: this.content.packs.map((each) => (each.id === pack.id ? pack : each)) });
  }
  /** Takes a pack into the plan, or out of it. */
  toggle(kind: PackName): void {
    const { packs } = this.content;
    const there = packs.some((pack) => pack.kind === kind);
    const { label } = packKind(kind);
    this.change(there ? `Leave out ${label}` : `Add ${label}`, {
      ...this.content,
      packs: there ? packs.filter((pack) => pack.kind !== kind) : [...packs, startPack(kind, this.marks, this.brand.palette)],
    });
  }

  readonly #address = () => `/api/brands/${this.brand.slug}/handovers`;

  /** News of one pack are about it alone: its files are asked for, and no other's. */
  readonly #news = new GatheredNews<PackView>(
    async (id) => {
      if (id === ALL) return void (await this.load());
      const answer = await request<PackView>('GET', `${this.#address()}/${id}`);
      if (answer.ok) return answer.value;
      // Taken off the list elsewhere, or not to be had: the list says which.
      return void (await this.load());
    },
    (pack) => (this.packs = this.packs.map((each) => (each.id === pack.id ? pack : each))),
  );
  /** Asks for what has come along. @param pack about which; all of them where it is left out */
  refresh(pack = ALL): void {
    this.#news.about(pack);
  }
  async load(): Promise<void> {
    const question = this.#news.begin();
    const answer = await request<readonly PackView[]>('GET', this.#address());
    if (answer.ok) {
      this.packs = this.#news.newestOf(question, answer.value, this.packs);
      this.problem = '';
    } else this.problem = sentences(answer.problems);
  }

  async #send(method: 'POST' | 'PATCH', address: string, body: object): Promise<PackView | undefined> {
    const answer = await request<PackView>(method, address, body);
    if (!answer.ok) {
      this.problem = sentences(answer.problems);
      return undefined;
    }
    this.problem = '';
    await this.load();
    return answer.value;
  }
  /** Has the plan's files made. What is not saved yet is saved first. */
  async order(): Promise<void> {
    if (this.ordering) return;
    this.ordering = true;
    const made = await this.#send('POST', this.#address(), {
      id: crypto.randomUUID(),
      name: this.name.trim() || `Hand-over ${(this.packs[0]?.number ?? 0) + 1}`,
      plan: this.content,
    });
    if (made) {
      this.openPack = made.id;
      this.name = '';
    }
    this.ordering = false;
  }
  /** Has what changed made again; what shows the same is taken over. */
  async again(pack: PackView): Promise<void> {
    const made = await this.#send('POST', this.#address(), { id: crypto.randomUUID(), again: pack.id });
    if (made) this.openPack = made.id;
  }
  async tell(pack: PackView, what: 'stop' | 'resume' | 'remove' | 'restore', file?: string): Promise<void> {
    await this.#send('PATCH', `${this.#address()}/${pack.id}`, { do: what, ...(file ? { file } : {}) });
  }
  readonly working = $derived(this.packs.some((pack) => countsOf(pack).open > 0));

  close(): void {
    this.#news.close();
  }
}

export const [useHandoverDesk, provideHandoverDesk] = createContext<HandoverDesk>();
