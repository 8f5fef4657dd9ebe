<script lang="ts">
  import { GROWTH_NAMES, growthRow, RUNS, SIDES, withGrowth, type FreeCurve, type Growth, type GrowthName } from '$core/index';
  import Choice from '$lib/ui/Choice.svelte';
  import PaintPicker from '$lib/ui/PaintPicker.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import NumberFields from './NumberFields.svelte';
  import { NUMBERS } from './numbers';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: FreeCurve } = $props();
  const table = useTable();
  const RUN_LABELS = { along: 'from its start', outward: 'from the middle', inward: 'from both ends' } as const;
  const SIDE_LABELS = { both: 'both', left: 'left', right: 'right', 'in turn': 'in turn' } as const;
  const set = (gesture: string, change: Partial<Growth>) =>
    part.growth && table.change(part.id, gesture, { growth: { ...part.growth, ...change } });

  function choose(kind: string): void {
    if (kind === '') return table.change(part.id, 'Nothing grows', { growth: null });
    const name = kind as GrowthName;
    table.change(part.id, `Grow ${growthRow(name).label.toLowerCase()}`, withGrowth(part, name));
  }
</script>

<Pick
  label="Grows along it"
  hint="A branch with leaves, flowers or fruit; it follows every bend of the curve"
  value={part.growth?.kind ?? ''}
  options={[{ value: '', label: 'nothing' }, ...GROWTH_NAMES.map((name) => ({ value: name, label: growthRow(name).label.toLowerCase() }))]}
  {choose}
/>
{#if part.growth}
  {@const { growth } = part}
  <Choice
    label="Begins"
    hint="Where the branch begins: two of them mirror each other"
    value={growth.runs}
    options={RUNS.map((value) => ({ value, label: RUN_LABELS[value] }))}
    choose={(runs) => table.change(part.id, 'Begins', withGrowth(part, growth.kind, runs))}
  />
  <Choice
    label="Leaves"
    hint="On which side of the stem, as seen from where it begins"
    value={growth.sides}
    options={SIDES.map((value) => ({ value, label: SIDE_LABELS[value] }))}
    choose={(sides) => set('Leaves', { sides })}
  />
  <NumberFields {part} rows={NUMBERS.growth} />
  {#if growth.runs !== 'along'}<NumberFields {part} rows={NUMBERS.growthGap} />{/if}
  {#if growthRow(growth.kind).blooms}
    <PaintPicker
      label="Flowers and fruit"
      palette={table.palette}
      value={growth.bloomPaint}
      choose={(bloomPaint) => set('Flowers and fruit', { bloomPaint })}
    />
  {/if}
{/if}
