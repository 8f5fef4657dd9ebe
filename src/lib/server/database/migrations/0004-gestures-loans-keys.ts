import { Migration } from '@mikro-orm/migrations';

/** Documents and palettes are chains of gestures as marks are; pictures say who lent them; a brand that is asked for twice is made once. */
export class GesturesLoansKeys extends Migration {
  override up(): void {
    this.addSql('alter table "document" rename column "kind" to "document_kind"');
    for (const table of ['document', 'palette'])
      this.addSql(`alter table "${table}"
        add column "kind" varchar(8) not null default 'edit' check ("kind" in ('edit', 'undo', 'redo')),
        add column "gesture" varchar(120) not null default 'Change'`);
    this.addSql(`alter table "picture" add column "lent_by_id" uuid null references "brand" ("id") on delete set null`);
    this.addSql(`alter table "brand" add column "request_key" uuid null unique`);
  }

  override down(): void {
    this.addSql('alter table "brand" drop column "request_key"');
    this.addSql('alter table "picture" drop column "lent_by_id"');
    for (const table of ['document', 'palette']) this.addSql(`alter table "${table}" drop column "gesture", drop column "kind"`);
    this.addSql('alter table "document" rename column "document_kind" to "kind"');
  }
}
