<script lang="ts">
  import { Modal } from 'flowbite-svelte';
  import { goto, invalidateAll } from '$app/navigation';
  import { MARK_ROLES, writeRecipe } from '$core/index';
  import { request, sentences } from '$lib/client/request';
  import MarkPicture from '$lib/ui/MarkPicture.svelte';
  import UndoNote from '$lib/ui/UndoNote.svelte';
  import { useTable, type MarkInfo } from './table/table.svelte';
  import { giveBackFocus } from '$lib/ui/give-back-focus.svelte';

  let { open = $bindable(false) }: { open?: boolean } = $props();
  giveBackFocus(() => open);
  const table = useTable();

  const SHELVES = [
    { id: 'kept', label: 'In the family' },
    { id: 'archived', label: 'Archived' },
    { id: 'removed', label: 'Removed' },
  ] as const;
  let wanted = $state('');
  let said = $state('');
  let undo: (() => void) | undefined = $state.raw();

  const key = (name: string) => name.trim().toLocaleLowerCase();
  const shown = $derived(table.marks.filter(({ name, role }) => key(`${name} ${role}`).includes(key(wanted))));
  const names = $derived(table.marks.filter(({ shelf }) => shelf !== 'removed').map(({ name }) => key(name)));
  const isTwice = ({ name, shelf }: MarkInfo) => shelf !== 'removed' && names.filter((other) => other === key(name)).length > 1;
  /** Marks that follow this one, by their links. */
  const followers = (mark: MarkInfo) =>
    table.marks.filter(
      ({ id, shelf, recipe }) =>
        id !== mark.id && shelf === 'kept' && recipe.parts.some((part) => part.kind === 'linked' && part.from.mark === mark.id),
    );

  async function change(mark: MarkInfo, how: object, words: string, back?: object): Promise<void> {
    const answer = await request('PATCH', `/api/brands/${table.brand.slug}/marks/${mark.slug}`, how);
    undo = answer.ok && back ? () => void change(mark, back, '') : undefined;
    said = answer.ok ? words : sentences(answer.problems);
    if (answer.ok) await invalidateAll();
  }
  function rename(mark: MarkInfo, name: string): void {
    const next = name.trim();
    if (next !== '' && next !== mark.name)
      void change(mark, { name: next }, `“${mark.name}” is called “${next}” now.`, { name: mark.name });
  }
  function put(mark: MarkInfo, shelf: MarkInfo['shelf'], words: string): void {
    const following = shelf === 'removed' ? followers(mark).map(({ name }) => `“${name}”`) : [];
    const goesOn =
      following.length > 0
        ? ` ${following.join(', ')} ${following.length === 1 ? 'follows it and keeps' : 'follow it and keep'} its picture.`
        : '';
    void change(mark, { shelf }, `“${mark.name}” ${words}.${goesOn}`, { shelf: mark.shelf });
  }
  async function duplicate(mark: MarkInfo): Promise<void> {
    const answer = await request('POST', `/api/brands/${table.brand.slug}/marks`, {
      name: `${mark.name} copy`.slice(0, 80),
      role: mark.role,
      gesture: 'Copy',
      recipe: writeRecipe(table.recipes.get(mark.id) ?? mark.recipe),
    });
    undo = undefined;
    said = answer.ok ? `“${mark.name} copy” stands at the end of the family.` : sentences(answer.problems);
    if (answer.ok) await invalidateAll();
  }
  function go(mark: MarkInfo): void {
    open = false;
    void goto(`/brands/${table.brand.slug}/marks/${mark.slug}`);
  }
</script>

<Modal bind:open title="Marks of {table.brand.name}" size="lg">
  <input class="lone-field find" type="search" aria-label="Find a mark" placeholder="Find a mark" bind:value={wanted} />
  <UndoNote {said} {undo} close={() => (said = '')} />
  {#each SHELVES as { id, label } (id)}
    {@const row = table.marks.filter(({ shelf }) => shelf === id)}
    {@const rows = shown.filter(({ shelf }) => shelf === id)}
    {#if rows.length > 0}
      <h3 class="label">{label} <span class="quiet">{rows.length}</span></h3>
      <ul>
        {#each rows as mark (mark.id)}
          {@const at = row.indexOf(mark)}
          <li>
            <button class="picture" aria-label="Open {mark.name}" onclick={() => go(mark)}
              ><MarkPicture
                picture={table.desk.others.get(mark.id) ?? (mark.id === table.info.id ? table.desk.stage : undefined)}
                label=""
              /></button
            >
            <span class="words">
              <input
                aria-label="Name of {mark.name}"
                value={mark.name}
                maxlength="80"
                onchange={(event) => rename(mark, event.currentTarget.value)}
              />
              {#if isTwice(mark)}<small class="quiet">Another mark has this name.</small>{/if}
            </span>
            <select
              aria-label="Role of {mark.name}"
              value={mark.role}
              onchange={(event) =>
                void change(mark, { role: event.currentTarget.value }, `“${mark.name}” has the role ${event.currentTarget.value} now.`, {
                  role: mark.role,
                })}
            >
              {#each MARK_ROLES as role (role)}<option>{role}</option>{/each}
            </select>
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
              <button class="link" aria-label="Duplicate {mark.name}" onclick={() => void duplicate(mark)}>Duplicate</button>
              {#if id !== 'kept'}<button
                  class="link"
                  aria-label="Restore {mark.name}"
                  onclick={() => put(mark, 'kept', 'is back in the family')}>Restore</button
                >{/if}
              {#if id === 'kept'}<button class="link" aria-label="Archive {mark.name}" onclick={() => put(mark, 'archived', 'is archived')}
                  >Archive</button
                >{/if}
              {#if id !== 'removed'}<button class="link" aria-label="Remove {mark.name}" onclick={() => put(mark, 'removed', 'is removed')}
                  >Remove</button
                >{/if}
            </span>
          </li>
        {/each}
      </ul>
    {/if}
  {:else}
    <p class="quiet">No mark yet.</p>
  {/each}
  {#if shown.length === 0}<p class="quiet">No mark is called so.</p>{/if}
</Modal>

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
</style>
