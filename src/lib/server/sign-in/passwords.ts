import { randomInt } from 'node:crypto';
import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import * as common from '@zxcvbn-ts/language-common';
import * as english from '@zxcvbn-ts/language-en';
import { refuse } from '../http/problem-error';
import { LONGEST_PASSWORD } from './sessions';

/** @source OWASP ASVS 4.0.3, 2.1.1 and 2.1.2 */
export const SHORTEST_PASSWORD = 12;
/** Of 0 to 4: from 3 on, 10⁸ guesses are not enough. @source zxcvbn, Wheeler, USENIX Security 2016 */
const SOUND = 3;

let kept: ZxcvbnFactory | undefined;
const guesser = () =>
  (kept ??= new ZxcvbnFactory({
    dictionary: { ...common.dictionary, ...english.dictionary },
    graphs: common.adjacencyGraphs,
    translations: english.translations,
  }));

/**
 * Takes a new password: any letters, no rules on which, but long enough and none that is guessed from lists of known ones, from the name or
 * from the address. @throws a sentence that says what is wrong with it
 */
export function soundPassword(password: string, about: readonly string[]): string {
  const length = [...password].length;
  if (length < SHORTEST_PASSWORD)
    throw refuse(
      422,
      'short-password',
      `A password has at least ${SHORTEST_PASSWORD} letters; this one has ${length}.`,
      'A few words do well.',
    );
  if (length > LONGEST_PASSWORD) throw refuse(422, 'long-password', `A password has at most ${LONGEST_PASSWORD} letters.`, 'Shorten it.');
  const written = password.normalize('NFC').toLowerCase();
  const known = about.flatMap((text) => text.toLowerCase().split(/[^\p{L}\p{N}]+/u)).filter((word) => word.length > 2);
  // Whoever guesses knows the name and the address: only what is left without them counts.
  const left = [...known, 'lucky', 'thistle'].reduce((rest, word) => rest.replaceAll(word, ' '), written);
  const { score, feedback } = guesser().check(left.trim() || known[0] || 'a');
  if (score < SOUND)
    throw refuse(
      422,
      'weak-password',
      'This password is guessed too easily.',
      feedback.warning ?? 'Add another word or two that do not belong together.',
    );
  return password;
}

/** Letters that are not taken for each other. */
const LETTERS = 'abcdefghijkmnpqrstuvwxyz23456789';
/** A password that somebody is given to come in once: 100 random bits. */
export const firstPassword = (): string =>
  Array.from({ length: 4 }, () => Array.from({ length: 5 }, () => LETTERS[randomInt(LETTERS.length)]).join('')).join('-');
