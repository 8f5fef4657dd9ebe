import { wrap, type Remote } from 'comlink';
import type { PictureHand } from '../../../workers/pictures';

const NOT_HAD = 'What works on pictures could not be had from the server. Change something here when it returns.';

/** The worker that works on pictures, begun when it is first asked. */
export class PictureDoor {
  #worker: Worker | undefined;
  #hand: Promise<Remote<PictureHand>> | undefined;
  #running: Promise<unknown> = Promise.resolve();
  #newest = 0;

  /**
   * Asks the worker something; of questions that came while it worked, only the last is asked.
   * @returns nothing when a newer question took its place
   */
  async ask<T>(question: (hand: Remote<PictureHand>) => Promise<T>): Promise<T | undefined> {
    const own = ++this.#newest;
    const before = this.#running;
    const asked = (async () => {
      await before.catch(() => undefined);
      return own === this.#newest ? await question(await this.#open()) : undefined;
    })();
    this.#running = asked;
    return asked;
  }

  #open(): Promise<Remote<PictureHand>> {
    this.#hand ??= (async () => {
      const worker = new Worker(new URL('../../../workers/pictures.worker.ts', import.meta.url), { type: 'module' });
      this.#worker = worker;
      await new Promise<void>((resolve, reject) => {
        worker.addEventListener('message', () => resolve(), { once: true });
        worker.addEventListener('error', () => reject(new Error(NOT_HAD)), { once: true });
      }).catch((error: unknown) => {
        // Offline when it was asked for: the next question tries anew.
        if (this.#worker === worker) this.close();
        throw error;
      });
      return wrap<PictureHand>(worker);
    })();
    return this.#hand;
  }

  close(): void {
    this.#newest++;
    this.#worker?.terminate();
    this.#worker = undefined;
    this.#hand = undefined;
    this.#running = Promise.resolve();
  }
}
