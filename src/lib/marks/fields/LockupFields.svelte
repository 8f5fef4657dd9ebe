<script lang="ts">
  import { arrangementLabel, ARRANGEMENTS, type Lockup } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: Lockup } = $props();
  const table = useTable();
  const members = $derived(table.parts.filter(({ id }) => part.members.includes(id)));
</script>

<Pick
  label="Stands"
  value={part.arrangement}
  options={ARRANGEMENTS.map((arrangement) => ({ value: arrangement, label: arrangementLabel(arrangement) }))}
  choose={(arrangement) => table.change(part.id, 'Arrangement', { arrangement })}
/>
<Pick
  label="The symbol is"
  value={part.symbol}
  options={members.map((member) => ({ value: member.id, label: table.nameOf(member) }))}
  choose={(symbol) => table.change(part.id, 'Symbol', { symbol })}
/>
<div class="two">
  <AmountField
    label="Height"
    unit="%"
    min={10}
    max={2000}
    step={5}
    value={part.heightPercent}
    preview={(heightPercent) => table.preview(part.id, { heightPercent })}
    commit={() => table.commit('Height')}
  />
  <AmountField
    label="White"
    unit="%"
    min={0}
    max={500}
    step={5}
    value={part.gapPercent}
    preview={(gapPercent) => table.preview(part.id, { gapPercent })}
    commit={() => table.commit('White')}
  />
</div>
<p class="quiet">Both in percent of the capitals’ height; the white is measured between ink.</p>

<style>
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    column-gap: 14px;
  }
  p {
    padding: 4px 0;
    font-size: 12px;
  }
</style>
