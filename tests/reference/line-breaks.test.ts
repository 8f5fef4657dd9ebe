import { readFileSync } from 'node:fs';
import LineBreaker from 'linebreak';
import { describe, expect, it } from 'vitest';
import { graphemesOf, wrapText } from '$core/index';

/**
 * The Unicode line breaking algorithm’s own test file.
 * @source Unicode 15.0, UAX 14, LineBreakTest.txt (Debian package unicode-data)
 */
const FILE = '/usr/share/unicode/auxiliary/LineBreakTest.txt';

interface Case {
  readonly text: string;
  /** Where lines may break, in UTF-16 units; the end of the text is one. */
  readonly breaks: readonly number[];
  /** The class of each character, as the file names it. */
  readonly classes: readonly string[];
}
const CASES = readFileSync(FILE, 'utf8')
  .split('\n')
  .flatMap((line): readonly Case[] => {
    const [spec = '', comment = ''] = [line.slice(0, line.indexOf('#')), line.slice(line.indexOf('#') + 1)];
    if (spec.trim() === '') return [];
    let text = '';
    const breaks: number[] = [];
    for (const token of spec.trim().split(/\s+/)) {
      if (token === '÷' && text !== '') breaks.push(text.length);
      else if (/^[0-9A-F]+$/.test(token)) text += String.fromCodePoint(Number.parseInt(token, 16));
    }
    return [{ text, breaks, classes: [...comment.matchAll(/\(([A-Za-z0-9]+)(?:_\w+)?\)(?= [×÷])/g)].map(([, name = '']) => name) }];
  });

const found = (text: string): readonly number[] => {
  const breaker = new LineBreaker(text);
  const breaks: number[] = [];
  for (let next = breaker.nextBreak(); next; next = breaker.nextBreak()) breaks.push(next.position);
  return breaks;
};

/** Pairs that rule LB25 keeps together by itself; the file’s own numbers are tailored (its head says so: example 7 of section 8.2). */
const LB25 = ['IS NU', 'SY NU', 'CL PO', 'CP PO', 'CL PR', 'CP PR', 'PO OP', 'PR OP'];
/** Opening brackets of East Asian width, which LB30 leaves out since Unicode 13. */
const WIDE_OPENING = /[\u2329\u300c\uff08]/u;

describe('where lines may break', () => {
  it('is what the Unicode test file says, but for 59 of its 7,654 lines: each by a rule that is named', () => {
    expect(CASES).toHaveLength(7654);
    const off = CASES.filter(({ text, breaks }) => found(text).join() !== breaks.join());
    expect(off.length).toBeLessThanOrEqual(59);
    for (const { text, breaks } of off) {
      const own = found(text);
      const missed = breaks.filter((at) => !own.includes(at));
      const more = own.filter((at) => !breaks.includes(at));
      for (const at of missed) {
        const before =
          text
            .slice(0, at)
            .replace(/\u0308+$/u, '')
            .at(-1) ?? '';
        const after = text[at] ?? '';
        const classOf = (letter: string): string =>
          /[0-9]/.test(letter)
            ? 'NU'
            : /[.,]/.test(letter)
              ? 'IS'
              : letter === '/'
                ? 'SY'
                : /[)\]]/.test(letter)
                  ? 'CP'
                  : letter === '}'
                    ? 'CL'
                    : letter === '%'
                      ? 'PO'
                      : /[$\\]/.test(letter)
                        ? 'PR'
                        : /[({]/.test(letter)
                          ? 'OP'
                          : '?';
        const named = LB25.includes(`${classOf(before)} ${classOf(after)}`) || WIDE_OPENING.test(after);
        expect(named, JSON.stringify([text, at])).toBe(true);
      }
      // An emoji modifier after a place that Unicode has kept free for one (LB30b since Unicode 14).
      for (const at of more) expect(/\p{EMod}/u.test(text.slice(at)), JSON.stringify([text, at])).toBe(true);
    }
  });

  it('is where a column breaks: no line of the file’s texts ends anywhere else, unless a word is wider than the column', () => {
    const letters = (piece: string): number => graphemesOf(piece).length;
    let lines = 0;
    for (const { text } of CASES.filter((each) => each.text.length > 5)) {
      const allowed = new Set(found(text));
      for (const width of [3, 6, 12]) {
        const wrapped = wrapText(text, letters, width);
        if (wrapped.broken.length > 0) continue;
        const graphemes = graphemesOf(text);
        for (const { first } of wrapped.lines.slice(1)) {
          const at = graphemes.slice(0, first).reduce((length, grapheme) => length + grapheme.text.length, 0);
          expect(allowed.has(at), JSON.stringify([text, width, at])).toBe(true);
          lines++;
        }
      }
    }
    expect(lines).toBeGreaterThan(100);
  });
});
