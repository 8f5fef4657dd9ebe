<script lang="ts">
  import { BAND_SIDES, JOINS, type Band } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Choice from '$lib/ui/Choice.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import RolePicker from '$lib/ui/RolePicker.svelte';
  import Tick from '$lib/ui/Tick.svelte';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: Band } = $props();
  const table = useTable();
  const options = $derived(
    table.parts.filter(({ id }) => id !== part.id).map((other) => ({ value: other.id, label: table.nameOf(other) })),
  );
</script>

<Pick label="Around" value={part.of} {options} choose={(of) => table.change(part.id, 'Around', { of })} />
<Choice
  label="Goes"
  value={part.side}
  options={BAND_SIDES.map((side) => ({ value: side, label: side }))}
  choose={(side) => table.change(part.id, 'Band', { side })}
/>
<AmountField
  label="Width"
  unit="px"
  lengths
  min={0.1}
  max={2000}
  value={part.widthPx}
  preview={(widthPx) => table.preview(part.id, { widthPx })}
  commit={() => table.commit('Width')}
/>
<Choice
  label="Corners"
  value={part.join}
  options={JOINS.map((join) => ({ value: join, label: join }))}
  choose={(join) => table.change(part.id, 'Corners', { join })}
/>
<RolePicker
  label="Color"
  palette={table.palette}
  value={'role' in part.paint ? part.paint.role : undefined}
  choose={(role) => table.change(part.id, 'Color', { paint: { role } })}
/>
{#if part.side === 'outward'}<Tick
    label="Fills what it goes around"
    checked={part.solid}
    change={(solid) => table.change(part.id, 'Fill', { solid })}
  />{/if}
<Tick label="Closes every counter" checked={part.closed} change={(closed) => table.change(part.id, 'Counters', { closed })} />
