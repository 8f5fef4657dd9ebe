<script lang="ts">
  import { BAND_SIDES, JOINS, type Band } from '$core/index';
  import Choice from '$lib/ui/Choice.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import PaintPicker from '$lib/ui/PaintPicker.svelte';
  import Tick from '$lib/ui/Tick.svelte';
  import NumberFields from './NumberFields.svelte';
  import { NUMBERS } from './numbers';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: Band } = $props();
  const table = useTable();
  const options = $derived(
    table.parts.filter(({ id }) => id !== part.id).map((other) => ({ value: other.id, label: table.nameOf(other) })),
  );
</script>

<Pick
  label="Around"
  hint="The part whose outline the band follows"
  value={part.of}
  {options}
  choose={(of) => table.change(part.id, 'Around', { of })}
/>
<Choice
  label="Goes"
  hint="Outside of the outline, inside of it, or both"
  value={part.side}
  options={BAND_SIDES.map((side) => ({ value: side, label: side }))}
  choose={(side) => table.change(part.id, 'Band', { side })}
/>
<NumberFields {part} rows={NUMBERS.band} />
<Choice
  label="Corners"
  hint="How the band goes round a corner"
  value={part.join}
  options={JOINS.map((join) => ({ value: join, label: join }))}
  choose={(join) => table.change(part.id, 'Corners', { join })}
/>
<PaintPicker
  label="Color"
  palette={table.palette}
  value={table.differ(part, 'paint') ? 'mixed' : part.paint}
  choose={(paint) => table.change(part.id, 'Color', { paint })}
/>
{#if part.side === 'outward'}<Tick
    label="Fills what it goes around"
    hint="The band is one solid shape that can lie behind as a ground"
    checked={part.solid}
    change={(solid) => table.change(part.id, 'Fill', { solid })}
  />{/if}
<Tick
  label="Closes every counter"
  hint="Holes, such as the inside of an o, are filled as well"
  checked={part.closed}
  change={(closed) => table.change(part.id, 'Counters', { closed })}
/>
