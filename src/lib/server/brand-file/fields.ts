import { z } from 'zod';

/** Fields that many rows of a brand file have. */
export const text = (most: number) => z.string().max(most);
export const date = z.iso.datetime({ offset: true });
export const number = z.number().int().min(1).max(10_000_000);
export const sha256 = z.string().regex(/^[0-9a-f]{64}$/);
export const made = { madeBy: text(200), madeFrom: text(200), createdAt: date };
/** Whatever was stored; it is read by the same readers as what lies in the database. */
export const stored = z.record(z.string(), z.unknown());

/** Which revisions something shows: of the palette, and of marks by their ids. */
export const basis = { palette: number, marks: z.record(z.uuid(), z.number().int().min(0).max(10_000_000)) };

export const at = (moment: Date): string => moment.toISOString();
export const atOrNull = (moment: Date | null | undefined): string | null => (moment ? at(moment) : null);

/** Puts one row into a table; whatever is an object is written as JSON. */
export type PutRow = (table: string, row: Readonly<Record<string, unknown>>) => Promise<unknown>;
