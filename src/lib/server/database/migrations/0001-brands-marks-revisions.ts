import { Migration } from '@mikro-orm/migrations';

export class BrandsMarksRevisions extends Migration {
  override up(): void {
    this.addSql(`create table "brand" (
      "id" uuid primary key,
      "slug" varchar(80) not null unique,
      "name" varchar(120) not null,
      "about" text not null default '',
      "palette_number" int not null,
      "created_at" timestamptz not null)`);
    this.addSql(`create table "palette" (
      "id" uuid primary key,
      "brand_id" uuid not null references "brand" ("id") on delete cascade,
      "number" int not null,
      "colors" jsonb not null,
      "created_at" timestamptz not null,
      unique ("brand_id", "number"))`);
    this.addSql(`create table "mark" (
      "id" uuid primary key,
      "brand_id" uuid not null references "brand" ("id") on delete cascade,
      "slug" varchar(80) not null,
      "name" varchar(120) not null,
      "role" varchar(20) not null,
      "position" int not null,
      "revision_number" int not null,
      "created_at" timestamptz not null,
      unique ("brand_id", "slug"))`);
    this.addSql(`create table "revision" (
      "id" uuid primary key,
      "mark_id" uuid not null references "mark" ("id") on delete cascade,
      "number" int not null,
      "kind" varchar(8) not null check ("kind" in ('edit', 'undo', 'redo')),
      "gesture" varchar(120) not null,
      "recipe" jsonb not null,
      "created_at" timestamptz not null,
      unique ("mark_id", "number"))`);
    // A saved revision is never changed: the database itself refuses.
    this.addSql(
      `create function "refuse_change"() returns trigger language plpgsql as $$ begin raise exception 'saved revisions are append-only'; end $$`,
    );
    this.addSql(`create trigger "revision_is_append_only" before update on "revision" for each row execute function "refuse_change"()`);
    this.addSql(`create trigger "palette_is_append_only" before update on "palette" for each row execute function "refuse_change"()`);
  }

  override down(): void {
    this.addSql('drop table "revision", "mark", "palette", "brand"');
    this.addSql('drop function "refuse_change"');
  }
}
