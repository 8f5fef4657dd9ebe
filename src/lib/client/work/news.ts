/** What the server tells of something that moved on. */
interface Moved {
  readonly subject: string;
  readonly revision: number;
}
type Listener = (revision: number) => void;

/** How long to wait once news were refused. */
const REFUSED_MS = 5000;
const CHANNEL = 'lucky-thistle/moved';

/**
 * News of what moved on elsewhere. A browser opens few connections to one server, so that its tabs share one stream: the tab that holds
 * the lock listens and passes on; when it closes, another one takes over.
 */
class News {
  readonly #listeners = new Map<string, Set<Listener>>();
  readonly #channel = new BroadcastChannel(CHANNEL);

  constructor() {
    this.#channel.onmessage = ({ data }: MessageEvent<Moved>) => this.#hear(data);
    if (!('locks' in navigator)) this.#listen();
    else
      void navigator.locks.request(CHANNEL, () => {
        this.#listen();
        return new Promise(() => undefined);
      });
  }

  on(subject: string, listener: Listener): () => void {
    const own = this.#listeners.get(subject) ?? new Set();
    this.#listeners.set(subject, own.add(listener));
    return () => own.delete(listener);
  }

  #listen(): void {
    const source = new EventSource('/api/events');
    source.onmessage = ({ data }: MessageEvent<string>) => {
      const moved = JSON.parse(data) as Moved;
      this.#hear(moved);
      this.#channel.postMessage(moved);
    };
    // A browser tries again by itself, unless it was refused: then somebody has to sign in first, perhaps in another tab.
    source.onerror = () => {
      if (source.readyState === EventSource.CLOSED) setTimeout(() => this.#listen(), REFUSED_MS);
    };
  }

  #hear({ subject, revision }: Moved): void {
    for (const [of, listeners] of this.#listeners)
      if (of === subject || subject === '*') for (const listener of listeners) listener(subject === '*' ? Infinity : revision);
  }
}

let kept: News | undefined;
/** Calls `listener` with every number that a subject moves on to; with Infinity when some may have been missed. */
export const onNews = (subject: string, listener: Listener): (() => void) => (kept ??= new News()).on(subject, listener);
