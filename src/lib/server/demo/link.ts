import type { EntityManager } from '@mikro-orm/postgresql';
import { Mark, Try } from '../database/entities';
import { linkBehind, makeLink, say } from '../client-link/links';

/** What a client of the demo says under a link of theirs. */
interface DemoNote {
  /** The mark’s name. */
  readonly mark: string;
  readonly kind: 'note' | 'yes';
  readonly name: string;
  readonly text: string;
  readonly at?: { readonly x: number; readonly y: number };
  readonly part?: string;
}
export interface DemoLink {
  readonly name: string;
  /** Names of tries that are compared. */
  readonly tries: readonly string[];
  readonly notes: readonly DemoNote[];
}

/** A link with what was said under it. Its address is known to nobody: whoever wants to see the page makes another one. */
export async function demoLink(em: EntityManager, brand: string, { name, tries, notes }: DemoLink): Promise<void> {
  const marks = await em.fork().find(Mark, { brand }, { orderBy: { position: 'asc' } });
  const kept = await em.fork().find(Try, { mark: { brand }, name: { $in: [...tries] } });
  const shown = { marks: marks.map(({ id }) => id), tries: kept.map(({ id }) => id), packs: [] };
  const { token } = await makeLink(em, brand, { name, ...shown, word: '', endsAt: null });
  const link = await linkBehind(em, token);
  for (const note of notes) {
    const mark = marks.find((each) => each.name === note.mark);
    if (!link || !mark) continue;
    const { kind, name: by, text, at = null, part = null } = note;
    await say(em, link, { mark: mark.id, kind, name: by, text, at, part, try: null });
  }
}
