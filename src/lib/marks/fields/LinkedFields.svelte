<script lang="ts">
  import { labelOf, type Linked, type Problem } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Choice from '$lib/ui/Choice.svelte';
  import RolePicker from '$lib/ui/RolePicker.svelte';
  import { useTable } from '../table/table.svelte';

  const { part, notices }: { part: Linked; notices: readonly Problem[] } = $props();
  const table = useTable();

  const source = $derived(table.marks.find((mark) => mark.id === part.from.mark));
  const followed = $derived(source?.recipe.parts.find((candidate) => candidate.id === part.from.part));
  const followedSize = $derived(followed && 'sizePx' in followed && typeof followed.sizePx === 'number' ? followed.sizePx : undefined);
  /** What a linked part changes with, by what it follows. */
  const what = $derived(followed?.kind === 'lettering' ? 'letter, face and color' : 'whatever is done to it');
</script>

<p class="quiet follows">
  Follows {#if source && (followed || part.from.part === null)}<strong>{followed ? labelOf(followed) : 'all'}</strong> in
    <a class="link" href="/brands/{table.brand.slug}/marks/{source.slug}">{source.name}</a>: {what}.{:else}a part that is gone.{/if}
</p>
{#each notices as notice (notice.code)}<p class="notice" role="status">{notice.message} {notice.fix ?? ''}</p>{/each}
{#if followed?.kind === 'lettering' || followed?.kind === 'linked'}<Choice
    label="Takes"
    value={part.take}
    options={[
      { value: 'initial', label: 'first letter' },
      { value: 'whole', label: 'all of it' },
    ]}
    choose={(take) => table.change(part.id, 'Takes', { take })}
  />{/if}
{#if followedSize !== undefined}<AmountField
    label="Size"
    unit="px"
    lengths
    min={1}
    max={10000}
    value={part.sizePx ?? followedSize}
    preview={(sizePx) => table.preview(part.id, { sizePx })}
    commit={() => table.commit('Size')}
  />{/if}
<RolePicker
  label="Color"
  palette={table.palette}
  value={part.paint && 'role' in part.paint ? part.paint.role : undefined}
  choose={(role) => table.change(part.id, 'Color', { paint: { role } })}
/>
<p class="again">
  {#if part.sizePx !== null}<button class="link" onclick={() => table.change(part.id, 'Follow the size', { sizePx: null })}
      >Follow the size</button
    >{/if}
  {#if part.paint !== null}<button class="link" onclick={() => table.change(part.id, 'Follow the color', { paint: null })}
      >Follow the color</button
    >{/if}
</p>

<style>
  .follows {
    padding-bottom: 4px;
  }
  .notice {
    color: var(--color-amber);
    font-size: 12px;
  }
  .again {
    display: flex;
    gap: 16px;
    padding: 4px 0;
  }
</style>
