import { OWN_WORD, type Art, type ArtEntry, type KnownPart, type OwnPiece } from '$core/index';
import { request, sentences } from '$lib/client/request';
import type { Table } from '../table/table.svelte';

/** A drawing that a builder can bear, before it has a name; or what kept it from being one. */
export type BroughtPiece =
  { readonly ok: true; readonly piece: Omit<OwnPiece, 'word' | 'turned'> } | { readonly ok: false; readonly fault: string };

/** How pieces of the art library, and parts of the mark on a table, become drawings for a builder. */
export const builtFrom = (table: Table) => ({
  ofArt: async ({ id }: ArtEntry): Promise<BroughtPiece> => {
    const answer = await request<Art>('GET', `/api/art/${id}?brand=${table.brand.slug}`);
    if (!answer.ok) return { ok: false, fault: sentences(answer.problems) };
    const { source, pieces } = answer.value;
    return { ok: true, piece: { source, pieces: pieces.map(({ data, rule }) => ({ data, rule })) } };
  },
  ofPart: async (part: KnownPart): Promise<BroughtPiece> => {
    const mark = table.info.id;
    const outline = await table.desk.ask((draughtsman) => draughtsman.outline(mark, part.id)).catch(() => undefined);
    if (!outline) return { ok: false, fault: 'This part has no ink to bear.' };
    const source = part.kind === 'art' ? part.source : { title: table.nameOf(part), author: '', license: 'ours' };
    return { ok: true, piece: { source, pieces: [outline] } };
  },
});

/** A part’s name as a word: letters alone, in lower case. */
export function asWord(name: string): string {
  const word = name
    .toLowerCase()
    .replace(/[^\p{L}'’-]+/gu, ' ')
    .trim()
    .slice(0, 40);
  return OWN_WORD.test(word) ? word : 'own piece';
}
