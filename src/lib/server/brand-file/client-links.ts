import { randomBytes, randomUUID } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/postgresql';
import { z } from 'zod';
import { ClientLink, ClientNote } from '../database/entities';
import { at, atOrNull, date, made, number, text, type PutRow } from './fields';

const note = z.strictObject({
  mark: z.uuid(),
  revision: number,
  try: z.uuid().nullable(),
  part: text(200).nullable(),
  kind: z.enum(['note', 'yes']),
  x: z.number().nullable(),
  y: z.number().nullable(),
  name: text(200),
  text: text(20_000),
  createdAt: date,
  answer: text(20_000).nullable(),
  answeredBy: text(200).nullable(),
  answeredAt: date.nullable(),
  closedAt: date.nullable(),
});

/** What a client was shown and said. The address itself does not go along: in a file every link is an ended one, and its word is nowhere in it. */
export const clientLinkSchema = z.strictObject({
  id: z.uuid(),
  name: text(200),
  marks: z.array(z.uuid()).max(1000),
  tries: z.array(z.uuid()).max(1000),
  packs: z.array(z.uuid()).max(1000),
  ...made,
  endsAt: date.nullable(),
  endedAt: date,
  notes: z.array(note).max(100_000),
});
export type FiledLink = z.infer<typeof clientLinkSchema>;

/** The links of a brand and what was said under them, the oldest first. */
export async function clientLinksOf(em: EntityManager, brand: string, now = new Date()): Promise<FiledLink[]> {
  const links = await em.fork().find(ClientLink, { brand }, { orderBy: { createdAt: 'asc', id: 'asc' } });
  const notes = await em.fork().find(ClientNote, { link: { brand } }, { orderBy: { createdAt: 'asc', id: 'asc' } });
  return links.map((row) => ({
    ...{ id: row.id, name: row.name, marks: [...row.marks], tries: [...row.tries], packs: [...row.packs] },
    ...{ madeBy: row.madeBy, madeFrom: row.madeFrom, createdAt: at(row.createdAt), endsAt: atOrNull(row.endsAt) },
    endedAt: at(row.endedAt ?? now),
    notes: notes
      .filter(({ link }) => link.id === row.id)
      .map((each) => ({
        ...{ mark: each.mark.id, revision: each.revision, try: each.try?.id ?? null, part: each.part ?? null, kind: each.kind },
        ...{ x: each.x ?? null, y: each.y ?? null, name: each.name, text: each.text, createdAt: at(each.createdAt) },
        ...{ answer: each.answer ?? null, answeredBy: each.answeredBy ?? null },
        ...{ answeredAt: atOrNull(each.answeredAt), closedAt: atOrNull(each.closedAt) },
      })),
  }));
}

/** What of the notes does not fit the rest of the file, in words; nothing where all does. */
export function wrongWithLinks(
  links: readonly FiledLink[],
  { marks, tries }: { readonly marks: ReadonlySet<string>; readonly tries: ReadonlySet<string> },
): string | undefined {
  if (new Set(links.map(({ id }) => id)).size < links.length) return 'it holds a client’s link twice.';
  const strange = links.some(({ notes }) => notes.some((each) => !marks.has(each.mark) || (each.try !== null && !tries.has(each.try))));
  return strange ? 'a client’s note is about a mark that is not in it.' : undefined;
}

/** Writes the links of a brand that is taken in: nobody can open them, as no address has this digest. */
export async function putClientLinks(put: PutRow, brand: string, links: readonly FiledLink[]): Promise<void> {
  for (const { id, name, marks, tries, packs, madeBy, madeFrom, createdAt, endsAt, endedAt, notes } of links) {
    await put('client_link', {
      ...{ id, brand_id: brand, name, token_sha256: randomBytes(32).toString('hex'), marks, tries, packs },
      ...{ made_by: madeBy, made_from: madeFrom, created_at: createdAt, ends_at: endsAt, ended_at: endedAt },
    });
    for (const { mark, try: about, createdAt: saidAt, answeredBy, answeredAt, closedAt, ...said } of notes)
      await put('client_note', {
        ...{ id: randomUUID(), link_id: id, mark_id: mark, try_id: about, ...said, created_at: saidAt },
        ...{ answered_by: answeredBy, answered_at: answeredAt, closed_at: closedAt },
      });
  }
}
