<script lang="ts">
  import type { KnownPart, NumberRow } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import { useTable } from '../table/table.svelte';
  import { shownNumbers } from './number-rows';

  interface Props {
    part: KnownPart;
    rows: readonly NumberRow[];
  }
  const { part, rows }: Props = $props();
  const table = useTable();
  const numbers = $derived(shownNumbers(table, part, rows));
</script>

<div class:two={numbers.length > 1}>
  {#each numbers as { gesture, unit, ...number } (number.label)}
    <AmountField {...number} {unit} lengths={unit === 'px'} commit={() => table.commit(gesture)} />
  {/each}
</div>

<style>
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    column-gap: 14px;
  }
</style>
