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

/** Gestures as JSON, what they lead to set in as it is. @param field what that is called there */
export const writtenWork = (base: number, gestures: readonly WaitingGesture[], field: string): string =>
  `{"base":${base},"gestures":[${gestures
    .map(({ content, ...words }) => `${JSON.stringify(words).slice(0, -1)},"${field}":${content}}`)
    .join()}]}`;
