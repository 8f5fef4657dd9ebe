import { boundsOf, type Bounds, type Path } from '../../geometry';
import { casedLetters, choosableFeatures, letterOutline, setLine, type FontShelf } from '../../type';
import type { Lettering } from './schema';

/** Another form that the font has for a letter at its place. */
export interface LetterForm {
  /** The feature and its value that show it; the plain form has none. */
  readonly tag: string | undefined;
  readonly value: number;
  readonly path: Path;
  readonly box: Bounds | undefined;
}

/** Features that change a letter's form rather than its spacing or figures' widths. */
const FORM_FEATURES =
  /^(salt|ss\d\d|cv\d\d|swsh|cswh|calt|hist|titl|smcp|c2sc|pcap|unic|onum|lnum|zero|init|fina|ornm|sups|ordn|dlig|hlig)$/;

/** Most values of one feature that are tried. */
const MOST_VALUES = 6;

/** Every form that a letter can take where it stands, each different once; the plain one first. */
export function letterForms(part: Lettering, index: number, shelf: FontShelf): readonly LetterForm[] {
  const own = part.letters.find(({ at }) => 'index' in at && at.index === index)?.font ?? part.font;
  const face = shelf.find(own);
  const letters = casedLetters(part.text.split('\n').join(' '), part.case);
  if (!face.ok || letters[index] === undefined) return [];
  // The letter is shaped among its neighbors, because forms depend on them.
  const from = Math.max(0, index - 2);
  const text = letters.slice(from, index + 3).join('');
  const formWith = (features: Readonly<Record<string, number>>) => {
    const line = setLine(face.value, text, {
      axes: own.axes,
      kerning: 'none',
      trackingPermille: 0,
      features: { ...(part.case === 'small-caps' ? { smcp: 1 } : {}), ...part.features },
      letterStyle: (at) => (at === index - from ? { features } : undefined),
    });
    const letter = line.letters.find((each) => each.index <= index - from && index - from < each.index + each.count);
    return letter && { key: letter.glyphs.map(({ glyph }) => glyph).join(), path: letterOutline(letter.glyphs, letter.x) };
  };
  const plain = formWith({});
  if (!plain) return [];
  const seen = new Set([plain.key]);
  const forms: LetterForm[] = [{ tag: undefined, value: 0, path: plain.path, box: boundsOf(plain.path) }];
  for (const tag of choosableFeatures(face.value.features).filter((each) => FORM_FEATURES.test(each)))
    for (let value = 1; value <= MOST_VALUES; value++) {
      const form = formWith({ [tag]: value });
      if (!form || seen.has(form.key)) break;
      seen.add(form.key);
      forms.push({ tag, value, path: form.path, box: boundsOf(form.path) });
    }
  return forms;
}
