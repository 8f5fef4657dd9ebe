<script lang="ts">
  import type { Combination } from '$core/index';
  import { useTable } from '../table/table.svelte';
  import { switchedAt } from '../table/woven';

  const { part }: { part: Combination } = $props();
  const table = useTable();
  const crossings = $derived(table.resolved(part.id)?.crossings ?? []);
</script>

{#if crossings.length > 0}
  <div class="crossings" role="group" aria-label="Crossings, from left to right: exchange over and under">
    <span class="quiet">Crossings</span>
    {#each crossings as _, index (index)}
      <button
        aria-pressed={part.switched?.includes(index) === true}
        aria-label="Crossing {index + 1}: exchange over and under"
        title="Exchanges over and under at this crossing"
        onclick={() => table.change(part.id, 'Over and under', { switched: switchedAt(part, index) })}>{index + 1}</button
      >
    {/each}
  </div>
{/if}

<style>
  .crossings {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 4px;
    padding: 3px 0;
    border-bottom: 1px solid var(--color-rule);
  }
  .quiet {
    flex: 1;
  }
  button {
    min-width: 26px;
    min-height: 26px;
    border: 1px solid var(--color-rule);
    font-size: 12px;
  }
  button[aria-pressed='true'] {
    border-color: var(--color-plum);
    color: var(--color-plum);
    font-weight: 600;
  }
</style>
