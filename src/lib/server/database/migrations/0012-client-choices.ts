import { Migration } from '@mikro-orm/migrations';

/** What a client's link also shows: tries to compare and packs to fetch; notes say which try and which part they are about. */
export class ClientChoices extends Migration {
  override up(): void {
    this.addSql(`alter table "client_link" add column "tries" jsonb not null default '[]', add column "packs" jsonb not null default '[]'`);
    this.addSql(
      'alter table "client_note" add column "try_id" uuid null references "try" ("id") on delete cascade, add column "part" text null',
    );
  }

  override down(): void {
    this.addSql('alter table "client_link" drop column "tries", drop column "packs"');
    this.addSql('alter table "client_note" drop column "try_id", drop column "part"');
  }
}
