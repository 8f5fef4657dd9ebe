<script lang="ts">
  import { SYMMETRIES, symmetryLabel, type Symmetry } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import Tick from '$lib/ui/Tick.svelte';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: Symmetry } = $props();
  const table = useTable();
  type Field = 'centerX' | 'centerY' | 'axisDeg' | 'count' | 'stepX' | 'stepY';
  type Row = readonly [field: Field, label: string, unit: string, min: number, max: number];
  const FAR = 100_000;
  const CENTER: readonly Row[] = [
    ['centerX', 'Center across', 'px', -FAR, FAR],
    ['centerY', 'Center down', 'px', -FAR, FAR],
  ];
  const ROWS: Readonly<Record<Symmetry['rule'], readonly Row[]>> = {
    mirror: [...CENTER, ['axisDeg', 'Axis', '°', -360, 360]],
    'four-way': [...CENTER, ['axisDeg', 'Axis', '°', -360, 360]],
    around: [['count', 'Copies', '', 2, 120], ...CENTER],
    along: [
      ['count', 'Copies', '', 2, 120],
      ['stepX', 'Step across', 'px', -FAR, FAR],
      ['stepY', 'Step down', 'px', -FAR, FAR],
    ],
  };
  const copies = $derived(part.rule === 'mirror' ? 2 : part.rule === 'four-way' ? 4 : part.count);
  const bound = $derived(Array.from({ length: copies - 1 }, (_, index) => index + 1).filter((copy) => !part.released.includes(copy)));
</script>

<Pick
  label="Repeats"
  value={part.rule}
  options={SYMMETRIES.map((rule) => ({ value: rule, label: symmetryLabel(rule) }))}
  choose={(rule) => table.change(part.id, 'Repeats', { rule, released: [] })}
/>
<div class="two">
  {#each ROWS[part.rule] as [field, label, unit, min, max] (field)}
    <AmountField
      {label}
      {unit}
      lengths={unit === 'px'}
      {min}
      {max}
      value={part[field]}
      preview={(value) => table.preview(part.id, { [field]: field === 'count' ? Math.round(value) : value })}
      commit={() => table.commit(label)}
    />
  {/each}
</div>
{#if part.rule === 'around'}
  <Tick label="Copies turn with their place" checked={part.turning} change={(turning) => table.change(part.id, 'Turning', { turning })} />
{:else if part.rule !== 'along'}
  <Tick label="Cut off what lies beyond the mirror" checked={part.crop} change={(crop) => table.change(part.id, 'Crop', { crop })} />
{/if}
{#if bound.length > 0}
  <p class="quiet">
    Edit the first; the others follow. Release
    {#each bound as copy (copy)}
      <button class="link" aria-label="Release copy {copy + 1}" onclick={() => table.release(part, copy)}>{copy + 1}</button>
    {/each}
  </p>
{/if}

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
