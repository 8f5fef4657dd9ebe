import { Migration } from '@mikro-orm/migrations';

/** Pages of a PDF are photos that share one file; those of one document are marked in one file. */
export class DocumentPages extends Migration {
  override up(): void {
    this.addSql('alter table "photo" add column "page" int not null default 0');
    this.addSql('drop index "photo_of_brand"');
    this.addSql(`create unique index "photo_of_brand" on "photo" ("brand_id", "sha256", "page") where "removed_at" is null`);
    this.addSql('alter table "photo_file" add column "pages" jsonb null');
  }

  override down(): void {
    this.addSql('delete from "photo" where "page" > 0');
    this.addSql('alter table "photo_file" drop column "pages"');
    this.addSql('drop index "photo_of_brand"');
    this.addSql('alter table "photo" drop column "page"');
    this.addSql(`create unique index "photo_of_brand" on "photo" ("brand_id", "sha256") where "removed_at" is null`);
  }
}
