import { Migration } from '@mikro-orm/migrations';

const TABLES = ['revision', 'palette', 'document', 'try'];

/** Every saved version says who made it and from where; of older ones nobody knows. */
export class Authors extends Migration {
  override up(): void {
    for (const table of TABLES)
      this.addSql(`alter table "${table}" add column "made_by" text not null default '', add column "made_from" text not null default ''`);
  }

  override down(): void {
    for (const table of TABLES) this.addSql(`alter table "${table}" drop column "made_from", drop column "made_by"`);
  }
}
