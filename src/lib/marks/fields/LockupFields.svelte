<script lang="ts">
  import { arrangementLabel, ARRANGEMENTS, type Lockup } from '$core/index';
  import Pick from '$lib/ui/Pick.svelte';
  import NumberFields from './NumberFields.svelte';
  import { NUMBERS } from './numbers';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: Lockup } = $props();
  const table = useTable();
  const members = $derived(table.parts.filter(({ id }) => part.members.includes(id)));
</script>

<Pick
  label="Stands"
  hint="Where the symbol stands beside the name"
  value={part.arrangement}
  options={ARRANGEMENTS.map((arrangement) => ({ value: arrangement, label: arrangementLabel(arrangement) }))}
  choose={(arrangement) => table.change(part.id, 'Arrangement', { arrangement })}
/>
<Pick
  label="The symbol is"
  hint="Which of the two is sized to the capitals of the other"
  value={part.symbol}
  options={members.map((member) => ({ value: member.id, label: table.nameOf(member) }))}
  choose={(symbol) => table.change(part.id, 'Symbol', { symbol })}
/>
<NumberFields {part} rows={NUMBERS.lockup} />
<p class="quiet">Both in percent of the capitals’ height; the white is measured between ink.</p>

<style>
  p {
    padding: 4px 0;
    font-size: 12px;
  }
</style>
