import { createHash, createHmac, randomBytes, timingSafeEqual } from 'node:crypto';
import { hashed, isHashOf } from '../guard/hashing';

/** 192 random bits: nobody guesses it. */
export const newToken = (): string => randomBytes(24).toString('base64url');
export const TOKEN = /^[A-Za-z0-9_-]{32}$/;
/** What is stored of an address: whoever reads the database cannot open it. */
export const digestOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/** A word is told and typed: blanks around it do not count. */
const asSaid = (word: string): string => word.trim();
export const hashedWord = (word: string): Promise<string> => hashed(asSaid(word));
export const isWord = (hash: string, word: string): Promise<boolean> => isHashOf(hash, asSaid(word));

/** What a browser keeps once the word was right: made of the stored hash, so that another word, or none, ends it at once. */
export const passOf = (token: string, wordHash: string): string => createHmac('sha256', wordHash).update(token).digest('base64url');
export function isPass(given: string | undefined, token: string, wordHash: string): boolean {
  const [one, other] = [Buffer.from(given ?? ''), Buffer.from(passOf(token, wordHash))];
  return one.length === other.length && timingSafeEqual(one, other);
}
