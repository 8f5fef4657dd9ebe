import type { SheetPage } from '../page';
import { avoid } from './avoid';
import { clearSpace } from './clear-space';
import { colors } from './colors';
import { faces } from './faces';
import { grounds } from './grounds';
import { inUse } from './in-use';
import { onGoods } from './on-goods';
import { smallest } from './smallest';
import { tone } from './tone';
import { versions } from './versions';
import { voice } from './voice';

/** Pages of the brand sheet after its cover; a new one is one file and one row. */
export const SHEET_PAGES = {
  voice,
  tone,
  versions,
  'clear-space': clearSpace,
  smallest,
  grounds,
  avoid,
  colors,
  faces,
  'in-use': inUse,
  'on-goods': onGoods,
} as const satisfies Readonly<Record<string, SheetPage>>;
export type SheetPageName = keyof typeof SHEET_PAGES;
export const SHEET_PAGE_NAMES = Object.keys(SHEET_PAGES) as readonly SheetPageName[];
