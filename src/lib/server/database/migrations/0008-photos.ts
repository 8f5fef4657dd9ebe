import { Migration } from '@mikro-orm/migrations';

/** A brand's photos, kept as they came, and what was laid over them in runs. */
export class Photos extends Migration {
  override up(): void {
    this.addSql(`create table "photo" (
      "id" uuid primary key, "brand_id" uuid not null references "brand" ("id") on delete cascade,
      "sha256" char(64) not null references "stored_file" ("sha256"), "preview" char(64) not null references "stored_file" ("sha256"),
      "name" text not null, "facts" jsonb not null, "size_bytes" bigint not null, "tone_columns" int not null, "tone_rows" int not null, "tones" bytea not null,
      "position" int not null, "created_at" timestamptz not null, "removed_at" timestamptz null)`);
    this.addSql(`create unique index "photo_of_brand" on "photo" ("brand_id", "sha256") where "removed_at" is null`);
    this.addSql('create index "photo_sha256" on "photo" ("sha256")');
    this.addSql('create index "photo_preview" on "photo" ("preview")');
    this.addSql(`create table "photo_run" (
      "id" uuid primary key, "brand_id" uuid not null references "brand" ("id") on delete cascade, "number" int not null,
      "name" text not null, "desk" jsonb not null, "basis" jsonb not null, "made_by" text not null default '', "made_from" text not null default '',
      "created_at" timestamptz not null, "removed_at" timestamptz null, unique ("brand_id", "number"))`);
    this.addSql(`create table "photo_file" (
      "id" uuid primary key, "run_id" uuid not null references "photo_run" ("id") on delete cascade,
      "photo_id" uuid not null references "photo" ("id") on delete cascade, "position" int not null, "name" text not null,
      "state" varchar(8) not null check ("state" in ('waiting', 'making', 'done', 'failed', 'stopped')),
      "job_id" uuid null, "sha256" char(64) null references "stored_file" ("sha256"), "size_bytes" bigint null, "verdict" jsonb null, "reason" jsonb null,
      "tries" int not null default 0, "worker" text null, "made_at" timestamptz null,
      unique ("run_id", "name"), unique ("run_id", "position"), check (("state" = 'done') = ("sha256" is not null)))`);
    this.addSql('create index "photo_file_sha256" on "photo_file" ("sha256")');
    this.addSql(`create index "photo_file_open" on "photo_file" ("state") where "state" in ('waiting', 'making')`);
  }

  override down(): void {
    for (const table of ['photo_file', 'photo_run', 'photo']) this.addSql(`drop table "${table}"`);
  }
}
