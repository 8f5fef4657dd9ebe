import { createHash } from 'node:crypto';

/** The SHA-256 of bytes, in small hexadecimal letters: what files are called by. */
export const digestOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');
