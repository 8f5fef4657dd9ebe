import { undoStacks, type RevisionKind } from '$core/index';

interface Link {
  readonly id: string;
  readonly kind: RevisionKind;
  readonly gesture: string;
  readonly content: string;
}
interface Save {
  readonly base: number;
  readonly gestures: readonly Link[];
}

let made = 0;

/** A chain of revisions as the real routes keep it, in memory: what a page meets, with accidents on demand. */
export class FakeServer {
  readonly subject = `mark:${made++}`;
  readonly chain: Link[] = [{ id: 'start', kind: 'edit', gesture: 'Made', content: 'start' }];
  reachable = true;
  /** Addresses of pages that are gone: nothing comes from them any more. */
  readonly gone = new Set<string>();
  /** Saves are made, their answers never come. */
  loseAnswers = false;
  refuses: (content: string) => boolean = () => false;
  /** Whoever asks is not signed in (401), or may not (403). */
  turnsAway: 401 | 403 | undefined;
  /** Largest body so far, in bytes. */
  largest = 0;

  get newest(): { readonly number: number; readonly content: string } {
    return { number: this.chain.length, content: this.chain.at(-1)?.content ?? '' };
  }
  steps() {
    const { past, future } = undoStacks(this.chain.map(({ kind }, at) => ({ number: at + 1, kind })));
    const step = (number: number) => ({
      gesture: this.chain[number]?.gesture ?? '',
      at: number,
      content: this.chain[number - 1]?.content ?? '',
    });
    return { past: past.map(step), future: future.map(step) };
  }
  /** A gesture of somebody else. */
  save(content: string): void {
    this.chain.push({ id: `else-${this.chain.length}`, kind: 'edit', gesture: 'Elsewhere', content });
  }

  readonly fetch = async (address: string, { method, body = '' }: { method: string; body?: string }): Promise<Response> => {
    await Promise.resolve();
    if (!this.reachable || !address.startsWith(this.subject) || this.gone.has(address.split('?')[0] ?? ''))
      throw new TypeError('unreachable');
    if (this.turnsAway) return Response.json({ problems: [{ code: 'sign-in', message: 'Not now.' }] }, { status: this.turnsAway });
    const response = method === 'GET' ? this.#get(address) : this.#post(body);
    if (this.loseAnswers) throw new TypeError('the answer was lost');
    return response;
  };

  #get(address: string): Response {
    const known = new URL(address, 'http://page').searchParams.get('known');
    if (known === null) {
      const { past, future } = this.steps();
      const sent = (steps: typeof past) => steps.map((step) => ({ ...step, at: new Date(step.at).toISOString() }));
      return Response.json({
        past: sent(past),
        future: sent(future),
        current: { revision: this.chain.length, content: this.newest.content },
      });
    }
    const numbers = known.split(',').map((id) => [id, this.chain.findIndex((link) => link.id === id) + 1] as const);
    return Response.json({ known: Object.fromEntries(numbers.filter(([, number]) => number > 0)) });
  }

  #post(body: string): Response {
    this.largest = Math.max(this.largest, body.length);
    const { base, gestures } = JSON.parse(body) as Save;
    if (gestures.some(({ content }) => this.refuses(content)))
      return Response.json({ problems: [{ code: 'refused', message: 'This is too large.' }] }, { status: 422 });
    const saved = gestures.filter(({ id }) => this.chain.some((link) => link.id === id)).length;
    const continues = gestures.slice(0, saved).every(({ id }, index) => this.chain[base + index]?.id === id);
    if (!continues || (this.chain.length !== base + saved && saved < gestures.length))
      return Response.json({ problems: [], current: { revision: this.chain.length, content: this.newest.content } }, { status: 409 });
    this.chain.push(...gestures.slice(saved));
    return Response.json({ revision: base + gestures.length, savedAt: new Date(0).toISOString() });
  }
}

/** The little of the Web Locks API that pages use: named locks, held until their page is gone. @source W3C Web Locks API */
export class FakeLocks {
  /** Whose requests come now. */
  page = '';
  readonly #held = new Map<string, string>();

  async request(name: string, ...rest: readonly unknown[]): Promise<void> {
    const run = rest.at(-1) as (lock: object | null) => unknown;
    if (this.#held.has(name)) {
      if (rest.length > 1) await run(null);
      return;
    }
    this.#held.set(name, this.page);
    await run({});
    this.#held.delete(name);
  }
  /** The page is gone from one moment to the next. */
  letGo(page: string): void {
    for (const [name, holder] of this.#held) if (holder === page) this.#held.delete(name);
  }
}
