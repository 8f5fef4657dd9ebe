import type { Problem } from '$core/index';
import { JsonText, request, type Answer } from '../request';
import { Journal, type LeftWork, type WaitingGesture } from './journal';
import { owedWorks, type OwedWork } from './left-work';
import { whoWorks } from './who-works';
import { onNews } from './news';
import { retryMs } from './retry';
import { nextPortion, writtenWork, type ChangesOf } from './portions';
import type { SaveState, Step, WorkForm, WorkStart } from './work-form';

const waitFor = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
/** Ids asked about at once. */
const ASKED = 60;
/** What may go otherwise later: a conflict is settled, a server comes back, somebody signs in again or gets their role back. */
const isPassing = (status: number): boolean => status === 0 || status >= 500 || [401, 403, 409, 429].includes(status);
const clock = (at: number) => new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

/**
 * Something that is worked on in a page (a mark, a document, a palette): shows changes at once, undoes whole gestures, writes every gesture
 * into the journal and saves by itself. Nothing that was shown is ever dropped: it ends in the work, beside it, or stays in the journal.
 */
export class OpenWork<T> {
  save: SaveState<T> = $state.raw({ kind: 'saved', at: undefined });
  past: readonly Step<T>[] = $state.raw([]);
  future: readonly Step<T>[] = $state.raw([]);
  /** Whether the journal holds what is not saved; when not, only this tab does. */
  kept = $state(true);
  /** What the server will not take as it is, and how many gestures it concerns; everything else goes on being saved. */
  refused: { readonly count: number; readonly problems: readonly Problem[] } | undefined = $state.raw();
  /** What became of work that another tab left; said once. */
  news = $state('');

  #shown: T = $state.raw() as T;
  readonly #form: WorkForm<T>;
  readonly #start: WorkStart<T>;
  readonly #journal: Journal | undefined;
  /** As of the last finished gesture. */
  #settled: T;
  #number: number;
  #waiting: readonly WaitingGesture[] = [];
  /** What gestures that were made in this page lead to. */
  readonly #leadsTo = new WeakMap<WaitingGesture, T>();
  /** The last gesture of this page that the server took, and its number: what the next ones are told from. */
  #taken: { readonly last: WaitingGesture; readonly number: number } | undefined;
  /** Place in the journal of the first waiting gesture. */
  #seq = 0;
  #sending = false;
  #failures = 0;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #movedTo = 0;
  #closed = false;
  #stopNews: (() => void) | undefined;

  constructor(start: WorkStart<T>, form: WorkForm<T>) {
    this.#form = form;
    this.#start = start;
    this.#number = start.number;
    this.#shown = this.#settled = start.content;
    this.past = start.past ?? [];
    this.future = start.future ?? [];
    this.save = { kind: 'saved', at: start.savedAt ? new Date(start.savedAt) : undefined };
    // Rooms are also rendered on the server, where nobody works.
    if ('indexedDB' in globalThis) this.#journal = new Journal(start.subject);
  }

  /** As shown, a gesture in progress included. */
  get content(): T {
    return this.#shown;
  }
  /** How a version is shown; what draws it may want to hear of it first. */
  protected show(next: T): void {
    this.#shown = next;
  }
  /** As it was when the last gesture ended; a gesture in progress is counted from here. */
  get settled(): T {
    return this.#settled;
  }
  protected get newest(): T {
    return this.#shown;
  }

  /** Whether there is anything that the server does not have. */
  get unsaved(): boolean {
    return this.#waiting.length > 0;
  }

  /** Takes up what tabs that are gone could not save, and listens for what happens elsewhere. Called once, in the browser. */
  async restore(): Promise<void> {
    this.#stopNews = onNews(this.#start.subject, (revision) => void this.#moved(revision));
    // What somebody left here who may work is taken up when they are back.
    if (whoWorks().looksOnly) return;
    const works = await owedWorks(
      this.#journal,
      (ids) => this.#known(ids),
      (left) => this.#canRead(left),
    );
    const free = this.#waiting.length === 0 && this.newest === this.#settled && this.save.kind !== 'conflict';
    const [newest] = free ? works.slice(-1) : [];
    if (newest) await this.#goOn(newest);
    for (const work of works) if (work !== newest) await this.#keepAside(work);
  }

  /** Goes on with the newest work that a tab left. */
  async #goOn({ left, base, owed }: OwedWork): Promise<void> {
    for (const { kind, gesture, content } of owed) this.#apply(kind, gesture, this.#read(content));
    // Sent from where it began: if the work has moved on since, both versions are at hand.
    this.#number = base;
    this.#waiting = owed.map(({ id, kind, gesture, content }) => ({ id, kind, gesture, content }));
    this.#seq = 0;
    if (await this.#write(0, this.#waiting)) await this.#journal?.forget(left);
    void this.#send();
  }

  /** Whether this version understands the work; else it is left as it is, and said. */
  #canRead({ lines, unread }: LeftWork): boolean {
    try {
      for (const { content } of lines) this.#read(content);
      if (unread > 0) this.news = `${unread} unsaved changes of another tab cannot be read by this version; they are left as they are.`;
      return true;
    } catch {
      this.news = 'Unsaved work of another tab cannot be read by this version; it is left as it is.';
      return false;
    }
  }

  /** Shows a change while its gesture goes on; nothing is saved yet. */
  preview(next: T): void {
    this.show(next);
  }

  /** Ends a gesture: what is shown becomes one step of undo and one revision. A gesture that changed nothing leaves no trace. */
  commit(gesture: string, next: T = this.newest): void {
    if (next !== this.newest) this.show(next);
    if (next === this.#settled) return;
    if (this.#form.write(next) === this.#form.write(this.#settled)) {
      // Shown is what is settled: news of others are not kept waiting for a gesture that has ended.
      this.#settled = next;
      return;
    }
    if (this.#mayNot()) return;
    void this.#do('edit', gesture, next);
  }

  /** Whoever may only look gets back what was there, and is told: nothing of it is kept, here or elsewhere. */
  #mayNot(): boolean {
    if (!whoWorks().looksOnly) return false;
    this.cancel();
    this.news = 'Your role in this studio is to look: nothing was changed.';
    return true;
  }

  /** Gives up a gesture in progress. */
  cancel(): void {
    this.show(this.#settled);
    void this.#follow();
  }

  undo(): void {
    this.commit('Change');
    const step = this.past.at(-1);
    if (step && !this.#mayNot()) void this.#do('undo', step.gesture, step.content);
  }

  redo(): void {
    const step = this.future.at(-1);
    if (step && !this.#mayNot()) void this.#do('redo', step.gesture, step.content);
  }

  /** Waits until everything is saved; false when it cannot be right now. */
  async flush(): Promise<boolean> {
    this.commit('Change');
    await this.#send();
    return this.#waiting.length === 0;
  }

  /** The room is left: what is unsaved goes on being saved; what cannot be is taken up when the work is opened again. */
  close(): void {
    this.#closed = true;
    this.#stopNews?.();
    if (this.#waiting.length === 0 || this.save.kind === 'conflict') this.#journal?.close();
  }

  /** After a conflict: goes on with this tab's version; its gestures come on top of the newer one. */
  keepMine(): void {
    if (this.save.kind === 'conflict') this.#onTop(this.save.theirs, this.save.theirNumber, []);
  }

  /** After a conflict: goes on with the newer version; this tab's stays beside it where it can, and one undo away. */
  async takeTheirs(): Promise<void> {
    if (this.save.kind !== 'conflict') return;
    const { theirs, theirNumber } = this.save;
    // Where it cannot be kept, whoever keeps says so, and both versions stay at hand.
    if (this.#start.keepBeside && !(await this.#start.keepBeside(this.newest, `Mine at ${clock(Date.now())}`))) return;
    if (this.save.kind === 'conflict') this.#onTop(theirs, theirNumber, [{ gesture: 'Took the newer version', content: theirs }]);
  }

  /** The waiting gestures, and what follows, on top of a newer version; written down anew before the old lines are let go. */
  #onTop(theirs: T, theirNumber: number, further: readonly { readonly gesture: string; readonly content: T }[]): void {
    const before = this.#seq + this.#waiting.length;
    const mine = this.#waiting.map(({ gesture, content }) => ({ gesture, content: this.#read(content) }));
    const underWay = this.newest === this.#settled ? [] : [{ gesture: 'Change', content: this.newest }];
    this.#number = theirNumber;
    this.#settled = theirs;
    this.past = this.future = [];
    this.save = { kind: 'saving' };
    this.#seq = before;
    this.#waiting = [];
    for (const { gesture, content } of [...mine, ...underWay, ...further]) void this.#do('edit', gesture, content, false);
    void this.#journal?.settle(before, theirNumber);
    void this.#send();
  }

  /**
   * Keeps a work that is not to be shown: as it was last, beside the mark, where there is such a place; all its other steps as steps of undo,
   * on top of which what was shown stays. It is forgotten once all of that is safe.
   */
  async #keepAside({ left, owed }: OwedWork): Promise<void> {
    const newest = owed.at(-1);
    if (!newest) return;
    const name = `Unsaved at ${clock(newest.at)}`;
    const beside = this.#start.keepBeside;
    if (beside && !(await beside(this.#read(newest.content), name))) return;
    const steps = beside ? owed.slice(0, -1) : owed;
    const shown = this.#settled;
    const written = steps.map(({ gesture, content }) => this.#do('edit', gesture, this.#read(content), false));
    if (steps.length > 0) written.push(this.#do('edit', 'Back to what was shown', shown, false));
    const many = steps.length === 1 ? 'One step' : `${steps.length} steps`;
    const undone = `${many} of it ${steps.length === 1 ? 'is' : 'are'} a few undos away`;
    this.news = beside
      ? `Work that another tab could not save is kept beside the mark as “${name}”${steps.length > 0 ? `; ${undone}` : ''}.`
      : `Work that another tab could not save: ${undone}.`;
    void this.#send();
    if ((await Promise.all(written)).every(Boolean)) await this.#journal?.forget(left);
  }

  /** Moves the undo and redo stacks as the server's chain of revisions will read them. */
  #apply(kind: WaitingGesture['kind'], gesture: string, next: T): void {
    const shown: Step<T> = { gesture, content: this.#settled, at: Date.now() };
    if (kind === 'undo') {
      this.past = this.past.slice(0, -1);
      this.future = [...this.future, shown];
    } else {
      this.past = [...this.past, shown];
      this.future = kind === 'edit' ? [] : this.future.slice(0, -1);
    }
    this.#settled = next;
    this.show(next);
  }

  #read(content: string): T {
    return this.#form.read(JSON.parse(content));
  }

  /** @returns whether the journal holds it */
  #do(kind: WaitingGesture['kind'], gesture: string, next: T, send = true): Promise<boolean> {
    this.#apply(kind, gesture, next);
    const waiting: WaitingGesture = {
      id: crypto.randomUUID(),
      // The server's chain lacks what it refused: an undo would lead it one step too far.
      kind: this.refused ? 'edit' : kind,
      gesture: gesture.slice(0, 120),
      content: this.#form.write(next),
    };
    this.#leadsTo.set(waiting, next);
    const place = this.#seq + this.#waiting.length;
    this.#waiting = [...this.#waiting, waiting];
    const written = this.#write(place, [waiting]);
    if (send) void this.#send();
    return written;
  }

  async #write(place: number, gestures: readonly WaitingGesture[]): Promise<boolean> {
    const safe = (await this.#journal?.append(this.#number, place, gestures)) ?? false;
    if (this.#waiting.length > 0) this.kept = safe;
    return safe;
  }

  /** Which of these gestures the server has; asked until it answers. */
  async #known(ids: readonly string[]): Promise<Readonly<Record<string, number>>> {
    const known: Record<string, number> = {};
    for (let from = 0; from < ids.length; from += ASKED) {
      const address = `${this.#start.address}?known=${ids.slice(from, from + ASKED).join()}`;
      for (let failures = 0; ; failures++) {
        const answer = await request<{ known: Record<string, number> }>('GET', address);
        if (answer.ok) {
          Object.assign(known, answer.value.known);
          break;
        }
        if (this.save.kind === 'saved') this.save = { kind: 'waiting', problems: answer.problems };
        await waitFor(retryMs(failures));
      }
    }
    if (this.save.kind === 'waiting' && this.#waiting.length === 0) this.save = { kind: 'saving' };
    return known;
  }

  async #send(): Promise<void> {
    if (this.#sending || this.#waiting.length === 0 || this.save.kind === 'conflict') return;
    this.#sending = true;
    clearTimeout(this.#timer);
    if (this.save.kind === 'saved') this.save = { kind: 'saving' };
    let most = Infinity;
    let whole = false;
    for (;;) {
      const portion = nextPortion(this.#waiting).slice(0, most);
      let told = 0;
      const changesOf: ChangesOf = (gesture, before) => {
        const changes = whole ? undefined : this.#changesOf(gesture, before);
        if (changes) told++;
        return changes;
      };
      const work = new JsonText(writtenWork(this.#number, portion, this.#form.field, changesOf));
      const answer = await request<{ revision: number; savedAt: string }>('POST', this.#start.address, work);
      if (answer.ok) {
        this.#failures = 0;
        whole = false;
        this.#settle(portion, answer.value.revision);
        if (this.#waiting.length > 0) continue;
        this.#sending = false;
        this.kept = true;
        this.save = { kind: 'saved', at: new Date(answer.value.savedAt) };
        if (this.#closed) this.#journal?.close();
        return this.#follow();
      }
      if (isPassing(answer.status)) {
        this.#sending = false;
        return this.#sendFailed(answer);
      }
      // Whatever the reason, what changes could not tell is told whole.
      if (told > 0) {
        whole = true;
        continue;
      }
      // Something in this portion is refused: it is sent one by one, and the one that is refused stands aside.
      if (portion.length > 1) most = 1;
      else {
        this.#setAside(answer.problems);
        most = Infinity;
        if (this.#waiting.length === 0) {
          this.#sending = false;
          this.save = { kind: 'saved', at: undefined };
          return;
        }
      }
    }
  }

  /** What has changed since the gesture before, or since what the server took last, where that is what it goes on from. */
  #changesOf(gesture: WaitingGesture, before: WaitingGesture | undefined): ReturnType<ChangesOf> {
    const after = before ?? (this.#taken?.number === this.#number ? this.#taken.last : undefined);
    const [from, to] = [after && this.#leadsTo.get(after), this.#leadsTo.get(gesture)];
    if (!after || from === undefined || to === undefined || !this.#form.writeChanges) return undefined;
    return { after: after.id, changes: this.#form.writeChanges(from, to) };
  }

  /** The server has the first gestures that waited. */
  #settle(portion: readonly WaitingGesture[], number: number): void {
    const last = portion.at(-1);
    this.#taken = last && { last, number };
    this.#number = number;
    this.#waiting = this.#waiting.slice(portion.length);
    this.#seq += portion.length;
    void this.#journal?.settle(this.#seq, number);
    // What was refused is in the work all the same once a later gesture, which leads beyond it, is saved.
    this.refused = undefined;
  }

  /**
   * The first waiting gesture is refused: the next ones lead to whole versions of their own and are saved without it. Its line stays in the
   * journal until one of them is.
   */
  #setAside(problems: readonly Problem[]): void {
    this.refused = { count: (this.refused?.count ?? 0) + 1, problems };
    this.#waiting = this.#waiting.slice(1).map((gesture) => ({ ...gesture, kind: 'edit' as const }));
    this.#seq++;
  }

  #sendFailed(answer: Answer<unknown> & { ok: false }): void {
    const { current } = answer.body as { current?: { revision: number } & Record<string, unknown> };
    if (answer.status === 409 && current) {
      this.save = {
        kind: 'conflict',
        theirs: this.#form.read(current[this.#form.field]),
        theirNumber: current.revision,
        by: String(current['by'] ?? ''),
      };
      if (this.#closed) this.#journal?.close();
    } else {
      this.save = { kind: 'waiting', problems: answer.problems };
      this.#timer = setTimeout(() => void this.#send(), Math.max(answer.retryMs ?? 0, retryMs(this.#failures++)));
    }
  }

  async #moved(revision: number): Promise<void> {
    this.#movedTo = Math.max(this.#movedTo, revision);
    await this.#follow();
  }

  /** Goes along with what was saved elsewhere, while nothing of one's own is unsaved or under way. */
  async #follow(): Promise<void> {
    if (this.#movedTo > this.#number && !this.#isBusy()) await this.#fetchNewest();
  }

  #isBusy(): boolean {
    const open = this.#sending || this.#waiting.length > 0 || this.refused !== undefined || this.newest !== this.#settled;
    return open || this.save.kind === 'conflict' || this.#closed;
  }

  async #fetchNewest(): Promise<void> {
    this.#movedTo = 0;
    type Steps = readonly ({ readonly gesture: string; readonly at: string } & Record<string, unknown>)[];
    const answer = await request<{ past: Steps; future: Steps; current: { revision: number } & Record<string, unknown> }>(
      'GET',
      this.#start.address,
    );
    if (!answer.ok || this.#isBusy() || answer.value.current.revision < this.#number) return;
    const form = this.#form;
    const steps = (from: Steps) =>
      from.map((step): Step<T> => ({ gesture: step.gesture, at: Date.parse(step.at), content: form.read(step[form.field]) }));
    const { past, future, current } = answer.value;
    if (current.revision > this.#number) {
      this.#number = current.revision;
      this.#settled = form.read(current[form.field]);
      this.show(this.#settled);
    }
    this.past = steps(past);
    this.future = steps(future);
    this.save = { kind: 'saved', at: new Date() };
  }
}
