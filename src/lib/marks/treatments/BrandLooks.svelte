<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { looksOf, type BrandLook, type KnownPart } from '$core/index';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: KnownPart } = $props();
  const table = useTable();
  const looks = $derived(looksOf(table.palette));
  const list = $derived(part.treatments ?? []);
  /** What would be kept: more than a look that is worn already. */
  const mayKeep = $derived(list.some(({ kind }) => kind !== 'brand-look'));
  let naming = $state(false);
  let name = $state('');
  let field: HTMLInputElement | undefined = $state();
  $effect(() => field?.focus());

  function keep(event: SubmitEvent): void {
    event.preventDefault();
    const words = name.trim().slice(0, 60);
    if (words === '') return;
    table.treating.keep(part.id, words);
    naming = false;
    name = '';
  }
  function rename(look: BrandLook, to: string): void {
    const words = to.trim().slice(0, 60);
    if (words === '' || words === look.name) return;
    table.treating.previewLook({ ...look, name: words });
    table.treating.commitLook('Rename a look');
  }
</script>

{#if looks.length > 0}
  <div class="looks" role="group" aria-label="Looks of {table.brand.name}">
    {#each looks as look (look.id)}
      <div class="look">
        <input
          title="What this look is called in the brand"
          aria-label="Name of the look {look.name}"
          maxlength="60"
          value={look.name}
          onchange={(event) => rename(look, event.currentTarget.value)}
        />
        <button class="link" title="Adds it to all that is chosen" aria-label="Wear {look.name}" onclick={() => table.treating.wear(look)}
          >Wear</button
        >
        <button
          class="link"
          title="Lays it over every mark of the family, each as a whole"
          aria-label="Everywhere: wear {look.name} on every mark"
          onclick={() => void table.treating.wearInFamily(look, table.brand.slug)}>Everywhere</button
        >
        <button
          class="icon"
          aria-label="Remove the look {look.name}"
          title="Parts of this mark that wear it keep its treatments as their own"
          onclick={() => table.treating.dropLook(look)}><X size={14} /></button
        >
      </div>
    {/each}
  </div>
{/if}
{#if naming}
  <form onsubmit={keep}>
    <input
      title="What this look is called in the brand"
      bind:this={field}
      bind:value={name}
      aria-label="Name of the look"
      placeholder="our print look"
      maxlength="60"
      onkeydown={(event) => event.key === 'Escape' && (event.stopPropagation(), (naming = false))}
    />
    <button title="Keeps these treatments as a look of the brand" class="link" disabled={name.trim() === ''}>Keep</button>
  </form>
{:else if mayKeep}
  <button class="link" title="Kept with the brand under a name: changed once, changed wherever it is worn" onclick={() => (naming = true)}
    >Keep as a look of the brand</button
  >
{/if}

<style>
  .look,
  form {
    display: flex;
    align-items: center;
    gap: 8px;
    border-bottom: 1px solid var(--color-rule);
  }
  input {
    flex: 1;
    min-width: 0;
    padding: 3px 4px;
    border: 0;
    background: transparent;
    font-size: 13px;
  }
  .link {
    min-height: 26px;
    padding: 0 4px;
    color: var(--color-plum);
    font-weight: 600;
    font-size: 13px;
  }
  .link:disabled {
    opacity: 0.45;
  }
  .icon {
    display: grid;
    place-items: center;
    width: 24px;
    height: 24px;
    color: var(--color-quiet);
  }
</style>
