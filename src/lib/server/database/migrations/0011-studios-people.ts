import { Migration } from '@mikro-orm/migrations';

/** Studios that share an installation, the people of each, and their sessions. What was there before belongs to the first studio. */
export class StudiosPeople extends Migration {
  override up(): void {
    this.addSql(`create table "studio" ("id" uuid primary key, "name" text not null, "created_at" timestamptz not null)`);
    this.addSql(`insert into "studio" values ('00000000-0000-4000-8000-000000000001', 'Our studio', now())`);
    this.addSql(
      `alter table "brand" add column "studio_id" uuid not null default '00000000-0000-4000-8000-000000000001' references "studio" ("id")`,
    );
    // Studios do not learn each other's addresses by having to go round them.
    this.addSql('alter table "brand" drop constraint "brand_slug_key", add constraint "brand_slug_of_studio" unique ("studio_id", "slug")');
    this.addSql(`create table "person" (
      "id" uuid primary key default gen_random_uuid(), "studio_id" uuid not null references "studio" ("id"),
      "name" text not null, "email" text not null unique check ("email" = lower("email")), "email_verified" boolean not null default true,
      "image" text null, "role" varchar(8) not null check ("role" in ('owner', 'designer', 'viewer')),
      "created_at" timestamptz not null, "updated_at" timestamptz not null, "ended_at" timestamptz null,
      "password_until" timestamptz null)`);
    this.addSql(`create table "account" (
      "id" uuid primary key default gen_random_uuid(), "person_id" uuid not null references "person" ("id") on delete cascade,
      "account_id" text not null, "provider_id" text not null, "password" text null,
      "access_token" text null, "refresh_token" text null, "id_token" text null, "scope" text null,
      "access_token_expires_at" timestamptz null, "refresh_token_expires_at" timestamptz null,
      "created_at" timestamptz not null, "updated_at" timestamptz not null, unique ("provider_id", "account_id"))`);
    this.addSql(`create table "session" (
      "id" uuid primary key default gen_random_uuid(), "person_id" uuid not null references "person" ("id") on delete cascade,
      "token" text not null unique, "expires_at" timestamptz not null, "ip_address" text null, "user_agent" text null,
      "created_at" timestamptz not null, "updated_at" timestamptz not null)`);
    this.addSql('create index "session_of_person" on "session" ("person_id")');
    this.addSql(`create table "verification" (
      "id" uuid primary key default gen_random_uuid(), "identifier" text not null, "value" text not null,
      "expires_at" timestamptz not null, "created_at" timestamptz not null, "updated_at" timestamptz not null)`);
    // What was done to people and sessions; append-only, as revisions are.
    this.addSql(`create table "people_event" (
      "id" bigint generated always as identity primary key, "studio_id" uuid not null references "studio" ("id"),
      "person_id" uuid null, "what" text not null, "by_whom" text not null default '', "from_where" text not null default '',
      "at" timestamptz not null default now())`);
    this.addSql('create index "people_event_of_studio" on "people_event" ("studio_id", "id")');
  }

  override down(): void {
    for (const table of ['people_event', 'verification', 'session', 'account', 'person']) this.addSql(`drop table "${table}"`);
    this.addSql('alter table "brand" drop constraint "brand_slug_of_studio", add constraint "brand_slug_key" unique ("slug")');
    this.addSql('alter table "brand" drop column "studio_id"');
    this.addSql('drop table "studio"');
  }
}
