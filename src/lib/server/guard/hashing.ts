import { hash, verify } from '@node-rs/argon2';

/** @source OWASP Password Storage Cheat Sheet: Argon2id, 19 MiB, two passes, one lane */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** A secret as it may be stored; typed on another keyboard, the same letters are the same. */
export const hashed = (secret: string): Promise<string> => hash(secret.normalize('NFC'), COST);
export const isHashOf = (stored: string, secret: string): Promise<boolean> => verify(stored, secret.normalize('NFC'));
