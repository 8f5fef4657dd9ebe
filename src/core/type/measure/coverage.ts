import type { Typeface } from '../typeface';

const range = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, index) => from + index);
const lettersOf = (text: string) => Array.from(text, (character) => character.codePointAt(0) as number);

/** The letters a face needs to be said to cover a script or a part of it. @source Unicode block charts; letters in everyday use, common practice */
export const SCRIPT_LETTERS: Readonly<Record<string, readonly number[]>> = {
  'Basic Latin': [...range(0x41, 0x5a), ...range(0x61, 0x7a)],
  'Western European': lettersOf('ÀÁÂÃÄÅÆÇÈÉÊËÌÍÎÏÑÒÓÔÕÖØÙÚÛÜÝßàáâãäåæçèéêëìíîïñòóôõöøùúûüýÿ'),
  'Central European': lettersOf('ĄĆĘŁŃŚŹŻąćęłńśźżČĎĚŇŘŠŤŮŽčďěňřšťůžŐŰőűĂȘȚășț'),
  Greek: lettersOf('ΑΒΓΔΕΖΗΘΙΚΛΜΝΞΟΠΡΣΤΥΦΧΨΩαβγδεζηθικλμνξοπρστυφχψως'),
  Cyrillic: range(0x410, 0x44f),
  Hebrew: range(0x5d0, 0x5ea),
  Arabic: lettersOf('ابتثجحخدذرزسشصضطظعغفقكلمنهوي'),
};

/** Scripts other than Latin that a text has letters of: what a face must cover to be tried for it. */
export function scriptsNeeded(text: string): readonly string[] {
  const letters = new Set(lettersOf(text));
  return ['Greek', 'Cyrillic', 'Hebrew', 'Arabic'].filter((script) => SCRIPT_LETTERS[script]?.some((letter) => letters.has(letter)));
}

/** The scripts of which a face has every letter. */
export const scriptsCovered = (face: Typeface): readonly string[] =>
  Object.entries(SCRIPT_LETTERS)
    .filter(([, letters]) => letters.every((letter) => face.covers(letter)))
    .map(([script]) => script);
