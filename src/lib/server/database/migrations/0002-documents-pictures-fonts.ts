import { Migration } from '@mikro-orm/migrations';

export class DocumentsPicturesFonts extends Migration {
  override up(): void {
    this.addSql(`create table "document" (
      "id" uuid primary key,
      "brand_id" uuid not null references "brand" ("id") on delete cascade,
      "kind" varchar(20) not null,
      "number" int not null,
      "content" jsonb not null,
      "created_at" timestamptz not null,
      unique ("brand_id", "kind", "number"))`);
    this.addSql(`create trigger "document_is_append_only" before update on "document" for each row execute function "refuse_change"()`);
    this.addSql(`create table "picture" (
      "id" uuid primary key,
      "brand_id" uuid not null references "brand" ("id") on delete cascade,
      "sha256" varchar(64) not null,
      "name" varchar(200) not null,
      "width_px" int not null,
      "height_px" int not null,
      "colors" jsonb not null,
      "created_at" timestamptz not null,
      unique ("brand_id", "sha256"))`);
    this.addSql(`create table "own_font" (
      "id" uuid primary key,
      "brand_id" uuid not null references "brand" ("id") on delete cascade,
      "sha256" varchar(64) not null,
      "family" varchar(80) not null,
      "name" varchar(200) not null,
      "size_bytes" int not null,
      "entry" jsonb not null,
      "embedding" varchar(40) not null,
      "rights" text not null,
      "created_at" timestamptz not null,
      unique ("brand_id", "sha256"))`);
  }

  override down(): void {
    this.addSql('drop table "own_font", "picture", "document"');
  }
}
