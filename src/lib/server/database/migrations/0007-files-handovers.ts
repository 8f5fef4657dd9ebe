import { Migration } from '@mikro-orm/migrations';

/** Files lie in the database, where every process can reach them; packs of files are handed over from there. */
export class FilesHandovers extends Migration {
  override up(): void {
    this.addSql(`create table "stored_file" (
      "sha256" char(64) primary key, "size_bytes" bigint not null check ("size_bytes" >= 0), "touched_at" timestamptz not null default now())`);
    this.addSql(`create table "stored_piece" (
      "sha256" char(64) not null references "stored_file" ("sha256") on delete cascade, "position" int not null, "bytes" bytea not null,
      primary key ("sha256", "position"))`);
    // Pictures and fonts are packed already.
    this.addSql('alter table "stored_piece" alter column "bytes" set storage external');
    this.addSql(`create table "handover" (
      "id" uuid primary key, "brand_id" uuid not null references "brand" ("id") on delete cascade, "number" int not null,
      "name" text not null, "plan" jsonb not null, "basis" jsonb not null, "made_by" text not null default '', "made_from" text not null default '',
      "created_at" timestamptz not null, "removed_at" timestamptz null, unique ("brand_id", "number"))`);
    this.addSql(`create table "handover_file" (
      "id" uuid primary key, "handover_id" uuid not null references "handover" ("id") on delete cascade, "position" int not null,
      "name" text not null, "wanted" jsonb not null, "basis" jsonb not null,
      "state" varchar(8) not null check ("state" in ('waiting', 'making', 'done', 'failed', 'stopped')),
      "job_id" uuid null, "sha256" char(64) null references "stored_file" ("sha256"), "size_bytes" bigint null, "verdict" jsonb null, "reason" jsonb null,
      "tries" int not null default 0, "worker" text null, "made_at" timestamptz null,
      unique ("handover_id", "name"), unique ("handover_id", "position"), check (("state" = 'done') = ("sha256" is not null)))`);
    this.addSql('create index "handover_file_sha256" on "handover_file" ("sha256")');
    this.addSql(`create index "handover_file_open" on "handover_file" ("state") where "state" in ('waiting', 'making')`);
    this.addSql(`create table "print_order" (
      "id" uuid primary key, "brand_id" uuid not null references "brand" ("id") on delete cascade, "handover_file_id" uuid not null
        references "handover_file" ("id") on delete cascade, "process" varchar(24) not null, "wanted" jsonb not null, "answer" jsonb null,
      "asked_at" timestamptz not null, "due_at" timestamptz null, "answered_at" timestamptz null)`);
  }

  override down(): void {
    for (const table of ['print_order', 'handover_file', 'handover', 'stored_piece', 'stored_file']) this.addSql(`drop table "${table}"`);
  }
}
