import { Migration } from '@mikro-orm/migrations';

/** Brands stand in an order of the designer's; brands and marks are archived and removed by a date, so that both can be undone. */
export class Shelves extends Migration {
  override up(): void {
    this.addSql('alter table "brand" add column "position" int not null default 0');
    this.addSql(`update "brand" set "position" = "placed"."at"
      from (select "id", row_number() over (order by "created_at", "slug") - 1 as "at" from "brand") as "placed"
      where "placed"."id" = "brand"."id"`);
    for (const table of ['brand', 'mark'])
      this.addSql(`alter table "${table}" add column "archived_at" timestamptz null, add column "removed_at" timestamptz null`);
  }

  override down(): void {
    for (const table of ['brand', 'mark']) this.addSql(`alter table "${table}" drop column "removed_at", drop column "archived_at"`);
    this.addSql('alter table "brand" drop column "position"');
  }
}
