import { LARGEST_SAVE_BYTES } from '$core/index';
import type { WaitingGesture } from './journal';

/** Most gestures sent at once. */
const MOST_GESTURES = 100;
/** Room for the words around what a gesture leads to. */
const WORDS_BYTES = 600;

const bytesOf = (text: string): number => new TextEncoder().encode(text).length;

/** The next gestures to be sent: as many as one request may hold, by count and by bytes; at least one. */
export function nextPortion(waiting: readonly WaitingGesture[]): readonly WaitingGesture[] {
  let bytes = 0;
  const end = waiting.slice(0, MOST_GESTURES).findIndex(({ content }, index) => {
    bytes += bytesOf(content) + WORDS_BYTES;
    return index > 0 && bytes > LARGEST_SAVE_BYTES;
  });
  return waiting.slice(0, end < 0 ? MOST_GESTURES : end);
}

/** What a gesture leads to, told from what another one led to: that one's id, and what has changed as JSON text. */
interface ToldChanges {
  readonly after: string;
  readonly changes: string;
}
/** How a gesture leads on from the one before it in its portion, or from what is saved; `undefined` where its whole content has to be sent. */
export type ChangesOf = (gesture: WaitingGesture, before: WaitingGesture | undefined) => ToldChanges | undefined;

/**
 * Gestures as JSON, what they lead to set in as it is: whole, or as what has changed.
 * @param field what whole content is called there
 */
export const writtenWork = (base: number, gestures: readonly WaitingGesture[], field: string, changesOf?: ChangesOf): string =>
  `{"base":${base},"gestures":[${gestures
    .map((gesture, at) => {
      const { content, ...words } = gesture;
      const told = changesOf?.(gesture, gestures[at - 1]);
      const to = told ? `"after":${JSON.stringify(told.after)},"changes":${told.changes}` : `"${field}":${content}`;
      return `${JSON.stringify(words).slice(0, -1)},${to}}`;
    })
    .join()}]}`;
