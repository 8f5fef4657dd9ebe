import type { MigrationObject } from '@mikro-orm/core';
import { BrandsMarksRevisions } from './0001-brands-marks-revisions';
import { DocumentsPicturesFonts } from './0002-documents-pictures-fonts';
import { Tries } from './0003-tries';
import { GesturesLoansKeys } from './0004-gestures-loans-keys';
import { Shelves } from './0005-shelves';
import { Authors } from './0006-authors';
import { FilesHandovers } from './0007-files-handovers';
import { Photos } from './0008-photos';
import { PictureOrders } from './0009-picture-orders';
import { ClientLinks } from './0010-client-links';
import { StudiosPeople } from './0011-studios-people';
import { ClientChoices } from './0012-client-choices';
import { DocumentPages } from './0013-document-pages';

/** Steps from an empty database to today's, in their order; what was stored by any of them is carried along by those that follow. */
export const MIGRATIONS: readonly MigrationObject[] = [
  { name: '0001-brands-marks-revisions', class: BrandsMarksRevisions },
  { name: '0002-documents-pictures-fonts', class: DocumentsPicturesFonts },
  { name: '0003-tries', class: Tries },
  { name: '0004-gestures-loans-keys', class: GesturesLoansKeys },
  { name: '0005-shelves', class: Shelves },
  { name: '0006-authors', class: Authors },
  { name: '0007-files-handovers', class: FilesHandovers },
  { name: '0008-photos', class: Photos },
  { name: '0009-picture-orders', class: PictureOrders },
  { name: '0010-client-links', class: ClientLinks },
  { name: '0011-studios-people', class: StudiosPeople },
  { name: '0012-client-choices', class: ClientChoices },
  { name: '0013-document-pages', class: DocumentPages },
];
