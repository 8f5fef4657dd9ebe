import { invalidateAll } from '$app/navigation';
import type { Problem } from '$core/index';
import { request, sentences } from '$lib/client/request';
import type { MenuItem } from '$lib/ui/menu-item';

export interface StudioQuery {
  readonly text: string;
  readonly order: 'arranged' | 'worked-on' | 'name' | 'newest';
  readonly shelf: 'kept' | 'archived' | 'removed';
  readonly most: number;
}
export const orderLabels: Readonly<Record<StudioQuery['order'], string>> = {
  arranged: 'as arranged',
  'worked-on': 'last worked on',
  name: 'by name',
  newest: 'newest first',
};
export const shelfLabels: Readonly<Record<StudioQuery['shelf'], string>> = {
  kept: 'on the table',
  archived: 'archived',
  removed: 'removed',
};
export const shelfWords: typeof shelfLabels = { kept: 'on the table', archived: 'in the archive', removed: 'removed' };

interface ShownBrand {
  readonly id: string;
  readonly slug: string;
  readonly name: string;
  readonly shelf: StudioQuery['shelf'];
}

/** What is done to whole brands in the studio; what was done last can be undone. */
export class Studio {
  said = $state('');
  undo: (() => void) | undefined = $state.raw();
  /** The brand that is being given a name. */
  renaming: string | undefined = $state();

  async #change(brand: ShownBrand, change: object, said: string, back?: object): Promise<void> {
    const answer = await request('PATCH', `/api/brands/${brand.slug}`, change);
    this.undo = answer.ok && back ? () => void this.#change(brand, back, '') : undefined;
    this.said = answer.ok ? said : sentences(answer.problems);
    if (answer.ok) await invalidateAll();
  }

  rename(brand: ShownBrand, name: string): void {
    this.renaming = undefined;
    const next = name.trim().slice(0, 80);
    if (next !== '' && next !== brand.name)
      void this.#change(brand, { name: next }, `“${brand.name}” is called “${next}” now.`, { name: brand.name });
  }

  async #copy(brand: ShownBrand): Promise<void> {
    const answer = await request('POST', `/api/brands/${brand.slug}/copies`, {
      name: `${brand.name} copy`.slice(0, 80),
      key: crypto.randomUUID(),
    });
    this.undo = undefined;
    this.said = answer.ok ? `“${brand.name} copy” holds all of it as it stands now.` : sentences(answer.problems);
    if (answer.ok) await invalidateAll();
  }

  bringing = $state(false);
  /** Takes in a brand from a file that was downloaded here or in another installation. */
  async bring(file: File): Promise<void> {
    this.bringing = true;
    this.undo = undefined;
    this.said = `${file.name} is being read …`;
    try {
      const response = await fetch('/api/brand-files', { method: 'POST', headers: { 'content-type': 'application/zip' }, body: file });
      const answer = (await response.json()) as { name?: string; problems?: readonly Problem[] };
      this.said = response.ok ? `“${answer.name}” stands on the table, with all its revisions.` : sentences(answer.problems ?? []);
      if (response.ok) await invalidateAll();
    } catch {
      this.said = 'The server cannot be reached; nothing was taken in.';
    }
    this.bringing = false;
  }

  /** @param at its place among all brands, where they stand as arranged @param looksOnly whether who asks may change nothing */
  items(brand: ShownBrand, at: number | undefined, count: number, looksOnly: boolean): readonly MenuItem[] {
    const move = (label: string, to: number, disabled: boolean, apart = false): MenuItem => ({
      ...{ label, apart, disabled: at === undefined || disabled },
      act: () => void this.#change(brand, { position: to }, `“${brand.name}” moved.`, { position: at }),
    });
    const put = (label: string, shelf: StudioQuery['shelf'], said: string, apart = false): MenuItem => ({
      ...{ label, apart, disabled: false },
      act: () => void this.#change(brand, { shelf }, `“${brand.name}” ${said}.`, { shelf: brand.shelf }),
    });
    const here = at ?? 0;
    const download: MenuItem = {
      ...{ label: 'Download brand file', apart: false, disabled: false },
      act: () => location.assign(`/api/brands/${brand.slug}/brand-file`),
    };
    if (looksOnly) return [download];
    return [
      { label: 'Rename', apart: false, disabled: false, act: () => (this.renaming = brand.id) },
      { label: 'Duplicate', apart: false, disabled: false, act: () => void this.#copy(brand) },
      download,
      move('Move up', here - 1, here === 0, true),
      move('Move down', here + 1, here >= count - 1),
      move('Move to the top', 0, here === 0),
      ...(brand.shelf === 'kept' ? [] : [put('Restore', 'kept', 'is on the table again', true)]),
      ...(brand.shelf === 'archived' ? [] : [put('Archive', 'archived', 'is in the archive', brand.shelf === 'kept')]),
      ...(brand.shelf === 'removed' ? [] : [put('Remove', 'removed', 'is removed')]),
    ];
  }
}
