<script lang="ts">
  import type { Inlay } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Tick from '$lib/ui/Tick.svelte';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: Inlay } = $props();
  const table = useTable();
</script>

<Tick
  label="Show the container"
  checked={part.showsContainer}
  change={(showsContainer) => table.change(part.id, 'Container', { showsContainer })}
/>
<AmountField
  label="Inside of the edge by"
  unit="px"
  lengths
  min={0}
  max={1000}
  value={part.insetPx}
  preview={(insetPx) => table.preview(part.id, { insetPx })}
  commit={() => table.commit('Inset')}
/>
