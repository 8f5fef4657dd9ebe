import type { Palette } from '$core/index';
import { OpenWork } from './open-work.svelte';
import type { WorkForm, WorkStart } from './work-form';

const FORM: WorkForm<unknown> = { field: 'content', read: (input) => input, write: (content) => JSON.stringify(content) };

/** A brand's document on the page (brief, board, type desk), or its palette. */
export class OpenDocument<T> extends OpenWork<T> {
  constructor(start: WorkStart<T>) {
    super(start, FORM as WorkForm<T>);
  }
}

interface BrandAddress {
  readonly id: string;
  readonly slug: string;
}

/** Opens one of the documents that a brand has one of each. */
export const openDocument = <T>(
  brand: BrandAddress,
  kind: 'brief' | 'board' | 'type',
  newest: { readonly number: number; readonly content: T },
): OpenDocument<T> =>
  new OpenDocument({
    ...newest,
    subject: `document:${brand.id}/${kind}`,
    address: `/api/brands/${brand.slug}/documents/${kind}/revisions`,
  });

/** Opens a brand's palette. */
export const openPalette = (brand: BrandAddress & { readonly palette: Palette; readonly paletteNumber: number }): OpenDocument<Palette> =>
  new OpenDocument({
    subject: `palette:${brand.id}`,
    address: `/api/brands/${brand.slug}/palette/revisions`,
    content: brand.palette,
    number: brand.paletteNumber,
  });
