import { createHash, createHmac, randomBytes, timingSafeEqual } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';

/** 192 random bits: nobody guesses it. */
export const newToken = (): string => randomBytes(24).toString('base64url');
export const TOKEN = /^[A-Za-z0-9_-]{32}$/;
/** What is stored of an address: whoever reads the database cannot open it. */
export const digestOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/** @source OWASP Password Storage Cheat Sheet: Argon2id, 19 MiB, two passes, one lane */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };
export const hashedWord = (word: string): Promise<string> => hash(word.normalize('NFC').trim(), COST);
export const isWord = (hashed: string, word: string): Promise<boolean> => verify(hashed, word.normalize('NFC').trim());

/** What a browser keeps once the word was right: made of the stored hash, so that another word, or none, ends it at once. */
export const passOf = (token: string, wordHash: string): string => createHmac('sha256', wordHash).update(token).digest('base64url');
export function isPass(given: string | undefined, token: string, wordHash: string): boolean {
  const [one, other] = [Buffer.from(given ?? ''), Buffer.from(passOf(token, wordHash))];
  return one.length === other.length && timingSafeEqual(one, other);
}
