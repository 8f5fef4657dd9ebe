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
import { request, sentences } from '$lib/client/request';
import type { OpenDocument } from '$lib/client/work/open-document.svelte';
import { countsOf, type PackView } from './views';

/** News come faster than anybody reads. */
const PAUSE_MS = 350;

/** What the hand-over room works on: the plan of what goes in, and the packs that were made. */
export class HandoverDesk {
  packs: readonly PackView[] = $state.raw([]);
  openPack: string | undefined = $state();
  name = $state('');
  problem = $state('');
  ordering = $state(false);
  #timer: ReturnType<typeof setTimeout> | undefined;

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

  /** Asks for what has come along, a moment later: many news are one question. */
  refresh(): void {
    this.#timer ??= setTimeout(() => {
      this.#timer = undefined;
      void this.load();
    }, PAUSE_MS);
  }
  async load(): Promise<void> {
    const answer = await request<readonly PackView[]>('GET', this.#address());
    if (answer.ok) {
      this.packs = answer.value;
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
    clearTimeout(this.#timer);
  }
}

export const [useHandoverDesk, provideHandoverDesk] = createContext<HandoverDesk>();
