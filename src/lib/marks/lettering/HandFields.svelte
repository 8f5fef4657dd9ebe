<script lang="ts">
  import type { Lettering } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Fold from '$lib/ui/Fold.svelte';
  import Tick from '$lib/ui/Tick.svelte';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: Lettering } = $props();
  const table = useTable();

  const rough = $derived(part.roughness);
  const touch = $derived(part.touch);
  const summary = $derived([rough && 'rough', touch && 'touching'].filter(Boolean).join(', '));
  const setRough = (change: Partial<NonNullable<Lettering['roughness']>>) =>
    rough && table.preview(part.id, { roughness: { ...rough, ...change } });
  const setTouch = (change: Partial<NonNullable<Lettering['touch']>>) =>
    touch && table.preview(part.id, { touch: { ...touch, ...change } });
</script>

<Fold label="By hand" {summary}>
  <Tick
    label="Letters touch"
    checked={touch !== null}
    change={(on) => table.change(part.id, 'Letters touch', { touch: on ? { mostPermille: 250, mostDeg: 0, overlapPermille: 4 } : null })}
  />
  {#if touch}
    <div class="two">
      <AmountField
        label="Moves at most"
        unit="‰"
        min={0}
        max={2000}
        step={10}
        value={touch.mostPermille}
        preview={(mostPermille) => setTouch({ mostPermille })}
        commit={() => table.commit('Touch')}
      />
      <AmountField
        label="Turns at most"
        unit="°"
        min={0}
        max={45}
        value={touch.mostDeg}
        preview={(mostDeg) => setTouch({ mostDeg })}
        commit={() => table.commit('Touch')}
      />
      <AmountField
        label="Overlap"
        unit="‰"
        min={0}
        max={100}
        value={touch.overlapPermille}
        preview={(overlapPermille) => setTouch({ overlapPermille })}
        commit={() => table.commit('Touch')}
      />
    </div>
  {/if}
  <Tick
    label="Roughness, as made by hand"
    checked={rough !== null}
    change={(on) =>
      table.change(part.id, 'Roughness', { roughness: on ? { seed: 1, turnDeg: 2, shiftPermille: 12, sizePercent: 3 } : null })}
  />
  {#if rough}
    <div class="two">
      <AmountField
        label="Turns"
        unit="°"
        min={0}
        max={45}
        step={0.5}
        value={rough.turnDeg}
        preview={(turnDeg) => setRough({ turnDeg })}
        commit={() => table.commit('Roughness')}
      />
      <AmountField
        label="Shifts"
        unit="‰"
        min={0}
        max={300}
        value={rough.shiftPermille}
        preview={(shiftPermille) => setRough({ shiftPermille })}
        commit={() => table.commit('Roughness')}
      />
      <AmountField
        label="Sizes"
        unit="%"
        min={0}
        max={50}
        value={rough.sizePercent}
        preview={(sizePercent) => setRough({ sizePercent })}
        commit={() => table.commit('Roughness')}
      />
      <AmountField
        label="Hand"
        min={0}
        max={999999}
        value={rough.seed}
        preview={(seed) => setRough({ seed: Math.round(seed) })}
        commit={() => table.commit('Another hand')}
      />
    </div>
  {/if}
</Fold>

<style>
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    column-gap: 14px;
    padding-bottom: 6px;
  }
</style>
