import { Migration } from '@mikro-orm/migrations';

export class Tries extends Migration {
  override up(): void {
    this.addSql(`create table "try" (
      "id" uuid primary key,
      "mark_id" uuid not null references "mark" ("id") on delete cascade,
      "name" varchar(80) not null,
      "recipe" jsonb not null,
      "created_at" timestamptz not null,
      "removed_at" timestamptz null)`);
    this.addSql(`create index "try_mark" on "try" ("mark_id", "created_at")`);
    this.addSql(`alter table "own_font" add column "removed_at" timestamptz null`);
  }

  override down(): void {
    this.addSql('alter table "own_font" drop column "removed_at"');
    this.addSql('drop table "try"');
  }
}
