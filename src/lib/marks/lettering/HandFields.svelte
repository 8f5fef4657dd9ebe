<script lang="ts">
  import type { Lettering } from '$core/index';
  import Fold from '$lib/ui/Fold.svelte';
  import Tick from '$lib/ui/Tick.svelte';
  import NumberFields from '../fields/NumberFields.svelte';
  import { NUMBERS } from '../fields/numbers';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: Lettering } = $props();
  const table = useTable();

  const rough = $derived(part.roughness);
  const touch = $derived(part.touch);
  const summary = $derived([rough && 'rough', touch && 'touching'].filter(Boolean).join(', '));
</script>

<Fold label="By hand" {summary}>
  <Tick
    label="Letters touch"
    hint="Each letter is moved or turned until it meets the one before"
    checked={touch !== null}
    change={(on) => table.change(part.id, 'Letters touch', { touch: on ? { mostPermille: 250, mostDeg: 0, overlapPermille: 4 } : null })}
  />
  {#if touch}
    <NumberFields {part} rows={NUMBERS.touch} />
  {/if}
  <Tick
    label="Roughness, as made by hand"
    hint="Letters lean, shift and differ a little, as a hand would set them"
    checked={rough !== null}
    change={(on) =>
      table.change(part.id, 'Roughness', { roughness: on ? { seed: 1, turnDeg: 2, shiftPermille: 12, sizePercent: 3 } : null })}
  />
  {#if rough}
    <NumberFields {part} rows={NUMBERS.roughness} />
  {/if}
</Fold>
