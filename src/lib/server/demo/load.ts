import type { EntityManager } from '@mikro-orm/postgresql';
import { Brand } from '../database/entities';
import { createBrand } from '../stores/brands';
import { createMark } from '../stores/marks';
import { demoBrands } from './brands';

/** Loads the demo brands when the database holds no brand at all. */
export async function loadDemoBrands(em: EntityManager): Promise<void> {
  if ((await em.count(Brand)) > 0) return;
  for (const demo of demoBrands) {
    const brand = await createBrand(em, demo);
    let primaryId = '';
    for (const mark of demo.marks) {
      const created = await createMark(em, brand.id, {
        name: mark.name,
        role: mark.role,
        recipe: mark.recipe(primaryId),
        gesture: 'Made for the demo',
      });
      primaryId ||= created.id;
    }
  }
}
