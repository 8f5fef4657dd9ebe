<script lang="ts">
  import { goto, invalidateAll } from '$app/navigation';
  import { FAMILY_ROLES, marksFollowedBy, writeRecipe, type Recipe, type DrawnPicture } from '$core/index';
  import type { ShownMark } from '$lib/client/read-marks';
  import { request, sentences } from '$lib/client/request';
  import MarkPicture from '$lib/ui/MarkPicture.svelte';
  import UndoNote from '$lib/ui/UndoNote.svelte';
  import MayChange from './MayChange.svelte';

  type ListedMark = Pick<ShownMark, 'id' | 'slug' | 'name' | 'shelf' | 'recipe'> & { readonly role: string };
  interface Props {
    brand: { readonly slug: string };
    marks: readonly ListedMark[];
    /** Pictures by mark. */
    pictures: (id: string) => DrawnPicture | undefined;
    /** A mark's recipe as it is now, where it is being worked on. */
    newest?: (mark: ListedMark) => Recipe;
    /** Called before another mark is opened. */
    leave?: () => void;
  }
  const { brand, marks, pictures, newest = ({ recipe }) => recipe, leave = () => undefined }: Props = $props();

  const SHELVES = [
    { id: 'kept', label: 'In the family' },
    { id: 'archived', label: 'Archived' },
    { id: 'removed', label: 'Removed' },
  ] as const;
  let wanted = $state('');
  let said = $state('');
  let undo: (() => void) | undefined = $state.raw();
  let offer: { readonly label: string; readonly act: () => void } | undefined = $state.raw();

  const key = (name: string) => name.trim().toLocaleLowerCase();
  const shown = $derived(marks.filter(({ name, role }) => key(`${name} ${role}`).includes(key(wanted))));
  const names = $derived(marks.filter(({ shelf }) => shelf !== 'removed').map(({ name }) => key(name)));
  const isTwice = ({ name, shelf }: ListedMark) => shelf !== 'removed' && names.filter((other) => other === key(name)).length > 1;
  /** Marks at hand that follow this one. */
  const followers = (mark: ListedMark) =>
    marks.filter(({ id, shelf, recipe }) => id !== mark.id && shelf === 'kept' && marksFollowedBy(recipe).includes(mark.id));

  async function change(mark: ListedMark, how: object, words: string, back?: object): Promise<void> {
    const answer = await request('PATCH', `/api/brands/${brand.slug}/marks/${mark.slug}`, how);
    undo = answer.ok && back ? () => void change(mark, back, '') : undefined;
    offer = undefined;
    said = answer.ok ? words : sentences(answer.problems);
    if (answer.ok) await invalidateAll();
  }
  function rename(mark: ListedMark, name: string): void {
    const next = name.trim();
    if (next !== '' && next !== mark.name)
      void change(mark, { name: next }, `“${mark.name}” is called “${next}” now.`, { name: mark.name });
  }
  async function put(mark: ListedMark, shelf: ListedMark['shelf'], words: string): Promise<void> {
    const following = shelf === 'kept' ? [] : followers(mark);
    const list = following.map(({ name }) => `“${name}”`).join(', ');
    const goesOn =
      following.length > 0 ? ` ${list} ${following.length === 1 ? 'follows it and keeps' : 'follow it and keep'} its picture.` : '';
    await change(mark, { shelf }, `“${mark.name}” ${words}.${goesOn}`, { shelf: mark.shelf });
    // A family without a primary is offered another one.
    const heir =
      shelf !== 'kept' && mark.role === 'primary' && (following[0] ?? marks.find((each) => each.id !== mark.id && each.shelf === 'kept'));
    if (heir)
      offer = {
        label: `Make “${heir.name}” the primary`,
        act: () => void change(heir, { role: 'primary' }, `“${heir.name}” is the primary now.`, { role: heir.role }),
      };
  }
  async function duplicate(mark: ListedMark): Promise<void> {
    const answer = await request('POST', `/api/brands/${brand.slug}/marks`, {
      name: `${mark.name} copy`.slice(0, 80),
      role: mark.role,
      gesture: 'Copy',
      recipe: writeRecipe(newest(mark)),
    });
    undo = offer = undefined;
    said = answer.ok ? `“${mark.name} copy” stands at the end of the family.` : sentences(answer.problems);
    if (answer.ok) await invalidateAll();
  }
  function go(mark: ListedMark): void {
    leave();
    void goto(`/brands/${brand.slug}/marks/${mark.slug}`);
  }
</script>

<input
  title="Only marks whose names hold this"
  class="lone-field find"
  type="search"
  aria-label="Find a mark"
  placeholder="Find a mark"
  bind:value={wanted}
/>
<UndoNote {said} {undo} {offer} close={() => (said = '')} />
{#each SHELVES as { id, label } (id)}
  {@const row = marks.filter(({ shelf }) => shelf === id)}
  {@const rows = shown.filter(({ shelf }) => shelf === id)}
  {#if rows.length > 0}
    <h3 class="label">{label} <span class="quiet">{rows.length}</span></h3>
    <ul>
      {#each rows as mark (mark.id)}
        {@const at = row.indexOf(mark)}
        <li>
          <button title="Opens it on the table" class="picture" aria-label="Open {mark.name}" onclick={() => go(mark)}
            ><MarkPicture picture={pictures(mark.id)} label="" /></button
          >
          <MayChange
            ><span class="words">
              <input
                title="What the mark is called; Enter keeps the name"
                aria-label="Name of {mark.name}"
                value={mark.name}
                maxlength="80"
                onchange={(event) => rename(mark, event.currentTarget.value)}
              />
              {#if isTwice(mark)}<small class="quiet">Another mark has this name.</small>{/if}
            </span>
            {#if mark.role === 'piece'}<span class="quiet">piece</span>{:else}
              <select
                title="What it is within the family"
                aria-label="Role of {mark.name}"
                value={mark.role}
                onchange={(event) =>
                  void change(mark, { role: event.currentTarget.value }, `“${mark.name}” has the role ${event.currentTarget.value} now.`, {
                    role: mark.role,
                  })}
              >
                {#each FAMILY_ROLES as role (role)}<option>{role}</option>{/each}
              </select>
            {/if}
            <span class="acts">
              <button
                disabled={at === 0}
                aria-label="Move {mark.name} up"
                title="Up"
                onclick={() => void change(mark, { position: at - 1 }, `“${mark.name}” moved up.`, { position: at })}>↑</button
              >
              <button
                disabled={at === row.length - 1}
                aria-label="Move {mark.name} down"
                title="Down"
                onclick={() => void change(mark, { position: at + 1 }, `“${mark.name}” moved down.`, { position: at })}>↓</button
              >
              <button
                title="A copy beside it, with a name of its own"
                class="link"
                aria-label="Duplicate {mark.name}"
                onclick={() => void duplicate(mark)}>Duplicate</button
              >
              {#if id !== 'kept'}<button
                  title="Back into the family, where it stood"
                  class="link"
                  aria-label="Restore {mark.name}"
                  onclick={() => void put(mark, 'kept', 'is back in the family')}>Restore</button
                >{/if}
              {#if id === 'kept'}<button
                  title="Put away, but kept; marks that follow it go on following"
                  class="link"
                  aria-label="Archive {mark.name}"
                  onclick={() => void put(mark, 'archived', 'is archived')}>Archive</button
                >{/if}
              {#if id !== 'removed'}<button
                  title="Put among the removed; it can be restored there"
                  class="link"
                  aria-label="Remove {mark.name}"
                  onclick={() => void put(mark, 'removed', 'is removed')}>Remove</button
                >{/if}
            </span></MayChange
          >
        </li>
      {/each}
    </ul>
  {/if}
{:else}
  <p class="quiet">No mark yet.</p>
{/each}
{#if shown.length === 0}<p class="quiet">No mark is called so.</p>{/if}

<style>
  .find {
    width: 220px;
  }
  h3.label {
    font: 600 15px/1.2 var(--font-sans) !important;
    padding: 4px 0;
    border-bottom: 1px solid var(--color-rule);
  }
  li {
    display: grid;
    grid-template-columns: 92px minmax(0, 1fr) 130px auto;
    align-items: center;
    gap: 14px;
    padding: 6px 0;
    border-bottom: 1px solid var(--color-rule);
  }
  .picture {
    width: 92px;
    height: 44px;
  }
  .picture :global(svg) {
    width: 100%;
    height: 100%;
  }
  li input,
  li select {
    width: 100%;
    height: 30px;
    padding: 0 8px;
    border: 1px solid transparent;
    background-color: transparent;
    font-size: 13px;
  }
  li select,
  li input:hover,
  li input:focus {
    border-color: var(--color-rule);
  }
  .words {
    display: grid;
  }
  .acts {
    display: flex;
    justify-content: end;
    gap: 12px;
    min-width: 250px;
  }
  .acts button {
    min-width: 24px;
    min-height: 24px;
  }
  .acts button:disabled {
    opacity: 0.35;
  }
  ul {
    container-type: inline-size;
  }
  /* Where a name would be cut off, what can be done stands under it. */
  @container (width < 680px) {
    li {
      grid-template-columns: 92px minmax(0, 1fr) 130px;
    }
    .picture {
      grid-row: span 2;
    }
    .acts {
      grid-column: 2 / -1;
      justify-content: start;
      padding-left: 8px;
    }
  }
</style>
