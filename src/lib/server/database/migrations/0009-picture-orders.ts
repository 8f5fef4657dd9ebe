import { Migration } from '@mikro-orm/migrations';

/** Pictures that were asked for in words. */
export class PictureOrders extends Migration {
  override up(): void {
    this.addSql(`create table "picture_order" (
      "id" uuid primary key, "brand_id" uuid not null references "brand" ("id") on delete cascade,
      "words" text not null, "ground" text not null, "seed" int not null, "service" text not null,
      "state" varchar(8) not null check ("state" in ('waiting', 'making', 'done', 'failed', 'stopped')),
      "done" int not null default 0, "of" int not null default 0,
      "job_id" uuid null, "sha256" char(64) null references "stored_file" ("sha256"), "width_px" int null, "height_px" int null,
      "reason" jsonb null, "tries" int not null default 0, "worker" text null, "made_by" text not null default '', "made_from" text not null default '',
      "created_at" timestamptz not null, "made_at" timestamptz null, "removed_at" timestamptz null,
      check (("state" = 'done') = ("sha256" is not null)))`);
    this.addSql('create index "picture_order_of_brand" on "picture_order" ("brand_id", "created_at")');
    this.addSql('create index "picture_order_sha256" on "picture_order" ("sha256")');
    this.addSql(`create index "picture_order_open" on "picture_order" ("state") where "state" in ('waiting', 'making')`);
  }

  override down(): void {
    this.addSql('drop table "picture_order"');
  }
}
