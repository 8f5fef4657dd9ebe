import { documentForms, expect, paletteForm, recovered, writtenForm, type DocumentKind, type Palette, type StoredForm } from '$core/index';
import { OpenWork } from './open-work.svelte';
import type { WorkForm, WorkStart } from './work-form';

const formFor = <T extends object>(form: StoredForm<T>): WorkForm<T> => ({
  field: 'content',
  read: (input) => expect(recovered(form, input)).value,
  write: (content) => JSON.stringify(writtenForm(form, content)),
});

/** A brand's document on the page (brief, board, type desk), or its palette. */
export class OpenDocument<T extends object> extends OpenWork<T> {
  constructor(start: WorkStart<T>, form: StoredForm<T>) {
    super(start, formFor(form));
  }
}

interface BrandAddress {
  readonly id: string;
  readonly slug: string;
}

/** Opens one of the documents that a brand has one of each. */
export const openDocument = <T extends object>(
  brand: BrandAddress,
  kind: DocumentKind,
  newest: { readonly number: number; readonly content: T },
): OpenDocument<T> =>
  new OpenDocument(
    {
      ...newest,
      subject: `document:${brand.id}/${kind}`,
      address: `/api/brands/${brand.slug}/documents/${kind}/revisions`,
    },
    documentForms[kind] as unknown as StoredForm<T>,
  );

/** Opens a brand's palette. */
export const openPalette = (brand: BrandAddress & { readonly palette: Palette; readonly paletteNumber: number }): OpenDocument<Palette> =>
  new OpenDocument(
    {
      subject: `palette:${brand.id}`,
      address: `/api/brands/${brand.slug}/palette/revisions`,
      content: brand.palette,
      number: brand.paletteNumber,
    },
    paletteForm,
  );
