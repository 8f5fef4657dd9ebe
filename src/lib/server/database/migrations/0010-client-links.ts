import { Migration } from '@mikro-orm/migrations';

/** Addresses under which a client sees a brand, and what the client said there. */
export class ClientLinks extends Migration {
  override up(): void {
    this.addSql(`create table "client_link" (
      "id" uuid primary key, "brand_id" uuid not null references "brand" ("id") on delete cascade,
      "name" text not null, "token_sha256" char(64) not null unique, "word_hash" text null, "marks" jsonb not null,
      "made_by" text not null default '', "made_from" text not null default '',
      "created_at" timestamptz not null, "ends_at" timestamptz null, "ended_at" timestamptz null)`);
    this.addSql('create index "client_link_of_brand" on "client_link" ("brand_id", "created_at")');
    this.addSql(`create table "client_note" (
      "id" uuid primary key, "link_id" uuid not null references "client_link" ("id") on delete cascade,
      "mark_id" uuid not null references "mark" ("id") on delete cascade, "revision" int not null,
      "kind" varchar(4) not null check ("kind" in ('note', 'yes')), "x" real null, "y" real null,
      "name" text not null, "text" text not null default '', "created_at" timestamptz not null,
      "answer" text null, "answered_by" text null, "answered_at" timestamptz null, "closed_at" timestamptz null)`);
    this.addSql('create index "client_note_of_link" on "client_note" ("link_id", "created_at")');
    this.addSql(`create table "rate_limit" ("key" varchar(255) primary key, "points" integer not null default 0, "expire" bigint)`);
  }

  override down(): void {
    for (const table of ['rate_limit', 'client_note', 'client_link']) this.addSql(`drop table "${table}"`);
  }
}
