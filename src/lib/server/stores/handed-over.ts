import type { EntityManager } from '@mikro-orm/postgresql';
import { Handover, HandoverFile, Mark } from '../database/entities';
import type { BrandView } from './brands';

/** When something was last handed over, and what has changed of it since. */
export interface HandedOver {
  readonly pack: string;
  readonly at: string;
  /** In words: “Primary, version 2 then, 4 now”; empty while it is as it was. */
  readonly changed: readonly string[];
}

/** The newest pack that holds each mark or piece of a brand, with what it shows that has been saved since. By their ids. */
export async function handedOver(em: EntityManager, brand: BrandView): Promise<Readonly<Record<string, HandedOver>>> {
  const packs = await em.fork().find(Handover, { brand: brand.id, removedAt: null }, { orderBy: { number: 'asc' } });
  const marks = await em.fork().find(Mark, { brand: brand.id });
  const now = new Map(marks.map(({ id, name, revisionNumber }) => [id, { name, revision: revisionNumber }]));
  const found: Record<string, HandedOver> = {};
  for (const { id, name, createdAt } of packs) {
    const files = await em.fork().find(HandoverFile, { handover: id, state: 'done' }, { fields: ['wanted', 'basis'] });
    for (const { wanted, basis } of files) {
      const since = Object.entries(basis.marks).flatMap(([mark, revision]) => {
        const is = now.get(mark);
        return is && is.revision !== revision ? [`${is.name}, version ${revision} then, ${is.revision} now`] : [];
      });
      const colors = basis.palette === brand.paletteNumber ? [] : ['the palette'];
      found[wanted.mark] = { pack: name, at: createdAt.toISOString(), changed: [...since, ...colors] };
    }
  }
  return found;
}
