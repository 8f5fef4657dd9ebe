import LineBreaker from 'linebreak';
import { graphemesOf } from '../graphemes';

/** A line of a wrapped text: what is set of it (with a hyphen where a word is divided), and the first letter of it, counted in graphemes of the whole text. */
export interface WrappedLine {
  readonly text: string;
  readonly first: number;
  /** Its last letter is a hyphen that nobody typed. */
  readonly divided?: true;
}
export interface WrappedText {
  readonly lines: readonly WrappedLine[];
  /** Words that are wider than the column and were broken between letters. */
  readonly broken: readonly string[];
}

const HYPHEN = '-';
/** Most lines on end that a word is divided after (common practice: a ladder of hyphens is read badly). */
const LADDER = 2;

const lettersIn = (text: string): number => graphemesOf(text).length;

/**
 * Breaks a text into lines no wider than a column, each as full as it can be. Spaces at the end of a line are not set. A word that is wider than
 * the column is broken between letters.
 * @param widthOf width of a piece of one line, in any unit; it must not become smaller when a letter is added
 * @param width of the column, in that unit
 * @param partsOf a piece at the places where its words may be divided; without it, none is
 * @source opportunities: Unicode UAX 14 (line breaking algorithm, through the package `linebreak`); lines filled one by one, as type is set by hand
 */
export function wrapText(
  text: string,
  widthOf: (piece: string) => number,
  width: number,
  partsOf: (piece: string) => readonly string[] = (piece) => [piece],
): WrappedText {
  const lines: WrappedLine[] = [];
  const broken: string[] = [];
  let first = 0;
  /** The line so far, spaces and all, and how much of it is set. */
  let line = '';
  /** How many of the last lines end in a divided word. */
  let ladder = 0;
  const end = (hyphen = ''): void => {
    lines.push({ text: line.trimEnd() + hyphen, first, ...(hyphen === '' ? {} : { divided: true }) });
    first += lettersIn(line);
    line = '';
    ladder = hyphen === '' ? 0 : ladder + 1;
  };
  /** Ends the line with as much of a piece as fits before a hyphen, if any does. @returns what is left of the piece */
  const divided = (piece: string): string => {
    if (ladder >= LADDER) return piece;
    const parts = partsOf(piece);
    for (let count = parts.length - 1; count > 0; count--) {
      const head = parts.slice(0, count).join('');
      if (head.endsWith(HYPHEN) || widthOf(line + head + HYPHEN) > width) continue;
      line += head;
      end(HYPHEN);
      return parts.slice(count).join('');
    }
    return piece;
  };
  const breaker = new LineBreaker(text);
  let at = 0;
  for (let found = breaker.nextBreak(); found; found = breaker.nextBreak()) {
    const raw = text.slice(at, found.position);
    at = found.position;
    const closes = found.required && /[\n\v\f\r\u0085\u2028\u2029]$/u.test(raw);
    let piece = closes ? raw.replace(/(\r\n|[\n\v\f\r\u0085\u2028\u2029])$/u, '') : raw;
    if (line !== '' && widthOf((line + piece).trimEnd()) > width) {
      const left = divided(piece);
      if (left === piece) end();
      piece = left;
    }
    while (line === '' && widthOf(piece.trimEnd()) > width) {
      const left = divided(piece);
      if (left === piece) break;
      piece = left;
    }
    if (line === '' && widthOf(piece.trimEnd()) > width) {
      const word = piece.trim();
      for (const { text: letter } of graphemesOf(piece)) {
        if (line !== '' && letter.trim() !== '' && widthOf(line + letter) > width) {
          end();
          if (broken.at(-1) !== word) broken.push(word);
        }
        line += letter;
      }
    } else line += piece;
    if (closes) {
      end();
      // The break itself is a letter of the typed text.
      first += 1;
    }
  }
  if (line !== '' || lines.length === 0 || /[\n\v\f\r\u0085\u2028\u2029]$/u.test(text)) end();
  return { lines, broken };
}
