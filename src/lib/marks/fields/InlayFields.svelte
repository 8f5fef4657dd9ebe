<script lang="ts">
  import type { Inlay } from '$core/index';
  import Tick from '$lib/ui/Tick.svelte';
  import NumberFields from './NumberFields.svelte';
  import { NUMBERS } from './numbers';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: Inlay } = $props();
  const table = useTable();
</script>

<Tick
  label="Show the container"
  hint="Whether the backmost part, which frames the others, is drawn itself"
  checked={part.showsContainer}
  change={(showsContainer) => table.change(part.id, 'Container', { showsContainer })}
/>
<NumberFields {part} rows={NUMBERS.inlay} />
