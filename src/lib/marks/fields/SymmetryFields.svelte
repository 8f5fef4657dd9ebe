<script lang="ts">
  import { SYMMETRIES, symmetryLabel, symmetryRow, type Symmetry } from '$core/index';
  import Pick from '$lib/ui/Pick.svelte';
  import Tick from '$lib/ui/Tick.svelte';
  import NumberFields from './NumberFields.svelte';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: Symmetry } = $props();
  const table = useTable();
  const row = $derived(symmetryRow(part.rule));
  const copies = $derived(row.count(part));
  const wanted = $derived(row.wanted?.(part) ?? copies);
  const bound = $derived(Array.from({ length: copies - 1 }, (_, index) => index + 1).filter((copy) => !part.released.includes(copy)));
</script>

<Pick
  label="Repeats"
  hint="By which rule the copies stand"
  value={part.rule}
  options={SYMMETRIES.map((rule) => ({ value: rule, label: symmetryLabel(rule) }))}
  choose={(rule) => table.change(part.id, 'Repeats', { rule, released: [] })}
/>
<NumberFields {part} rows={row.numbers} />
{#if row.turns}
  <Tick
    label="Copies turn with their place"
    hint="Copies point outward; else all stand upright"
    checked={part.turning}
    change={(turning) => table.change(part.id, 'Turning', { turning })}
  />
{:else if row.mirrors}
  <Tick
    label="Cut off what lies beyond the mirror"
    hint="Keeps the half that holds most of the ink, and mirrors that"
    checked={part.crop}
    change={(crop) => table.change(part.id, 'Crop', { crop })}
  />
{/if}
{#if wanted > copies}
  <p class="quiet">{copies} of {wanted} are drawn: a set holds no more. Put this set into another one for more.</p>
{/if}
{#if bound.length > 0}
  <p class="quiet">
    Edit the first; the others follow. Release
    {#each bound as copy (copy)}
      <button
        title="This copy becomes a part by itself"
        class="link"
        aria-label="Release copy {copy + 1}"
        onclick={() => table.release(part, copy)}>{copy + 1}</button
      >
    {/each}
  </p>
{/if}

<style>
  p {
    padding: 4px 0;
    font-size: 12px;
  }
</style>
