<script lang="ts">
  import Plus from '@lucide/svelte/icons/plus';
  import X from '@lucide/svelte/icons/x';
  import type { KnownTreatment } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import PaintPicker from '$lib/ui/PaintPicker.svelte';
  import { useTable } from '../table/table.svelte';

  type Stops = Extract<KnownTreatment, { kind: 'gradient' }>['stops'];
  interface Props {
    stops: Stops;
    preview: (stops: Stops) => void;
    commit: () => void;
  }
  const { stops, preview, commit }: Props = $props();
  const table = useTable();
  const MOST = 12;

  function put(index: number, change: Partial<Stops[number]>): void {
    preview(stops.map((stop, at) => (at === index ? { ...stop, ...change } : stop)));
  }
  function change(next: Stops): void {
    preview(next);
    commit();
  }
  /** Between the last two, in the last one's color. */
  function add(): void {
    const [before, last] = [stops.at(-2), stops.at(-1)];
    if (!last) return;
    const at = before ? (before.atPercent + last.atPercent) / 2 : 0;
    change([...stops.slice(0, -1), { ...last, atPercent: at }, last]);
  }
</script>

{#each stops as stop, index (index)}
  <div class="stop" role="group" aria-label="Color {index + 1}">
    <PaintPicker
      label="Color {index + 1}"
      palette={table.palette}
      value={stop.paint}
      choose={(paint) => change(stops.map((each, at) => (at === index ? { ...each, paint } : each)))}
    />
    <div class="numbers">
      <AmountField
        label="At"
        hint="Where this color stands between both ends"
        unit="%"
        min={0}
        max={100}
        value={stop.atPercent}
        preview={(atPercent) => put(index, { atPercent })}
        {commit}
      />
      <AmountField
        label="Opacity"
        hint="How strongly this color shows"
        unit="%"
        min={0}
        max={100}
        value={stop.opacityPercent}
        preview={(opacityPercent) => put(index, { opacityPercent })}
        {commit}
      />
      {#if stops.length > 1}<button
          title="The gradient goes on without this color"
          class="icon"
          aria-label="Remove color {index + 1}"
          onclick={() => change(stops.filter((_, at) => at !== index))}><X size={14} /></button
        >{/if}
    </div>
  </div>
{/each}
{#if stops.length < MOST}<button title="Another color, between the last two" class="link" onclick={add}
    ><Plus size={13} /> One more color</button
  >{/if}

<style>
  .stop {
    padding-left: 8px;
    border-left: 2px solid var(--color-rule);
    margin: 4px 0;
  }
  .numbers {
    display: grid;
    grid-template-columns: 1fr 1fr 24px;
    align-items: center;
    column-gap: 10px;
  }
  .icon {
    display: grid;
    place-items: center;
    width: 24px;
    height: 24px;
    color: var(--color-quiet);
  }
  .link {
    display: flex;
    align-items: center;
    gap: 4px;
    min-height: 24px;
    color: var(--color-plum);
  }
</style>
