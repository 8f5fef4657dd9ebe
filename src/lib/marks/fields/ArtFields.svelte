<script lang="ts">
  import {
    backToPicture,
    exchangePart,
    nearestSwatchOf,
    swatchesOf,
    termsOf,
    type Art,
    type ColorKey,
    type Paint,
    type Problem,
  } from '$core/index';
  import Pick from '$lib/ui/Pick.svelte';
  import PaintPicker from '$lib/ui/PaintPicker.svelte';
  import Tick from '$lib/ui/Tick.svelte';
  import TracingDialog from '../pictures/TracingDialog.svelte';
  import NumberFields from './NumberFields.svelte';
  import { NUMBERS } from './numbers';
  import { useTable } from '../table/table.svelte';
  import WeightHistogram from './WeightHistogram.svelte';

  const { part, notices }: { part: Art; notices: readonly Problem[] } = $props();
  const table = useTable();
  let tracing = $state(false);
  function back(): void {
    const picture = backToPicture(part);
    if (picture) table.open.commit('Back to the picture', exchangePart(table.open.recipe, part.id, picture));
  }

  const painted = (keys: readonly ColorKey[]) => part.slots.map((slot, index) => ({ ...slot, paint: { role: keys[index] ?? 'ink' } }));
  const paintSlot = (at: number, paint: Paint) =>
    table.change(part.id, 'Color', { slots: part.slots.map((slot, index) => (index === at ? { ...slot, paint } : slot)) });
  const paintAll = (key: ColorKey) => table.change(part.id, 'Recolor all', { slots: painted(part.slots.map(() => key)) });
  const paintNearest = () =>
    table.change(part.id, 'Recolor all', { slots: painted(part.slots.map(({ original }) => nearestSwatchOf(original, table.palette))) });

  const paintAsDrawn = () =>
    table.change(part.id, 'Colors as drawn', { slots: part.slots.map((slot) => ({ ...slot, paint: { hex: slot.original } })) });

  interface Measured {
    readonly places: readonly { readonly thickness: number; readonly length: number }[];
    readonly medianPx: number;
    readonly thinnestPx: number;
  }
  let measured: Measured | undefined = $state.raw();
  $effect(() => {
    void table.desk.rests;
    const id = part.id;
    let wanted = true;
    void table.desk.ask((draughtsman) => draughtsman.thickness(table.info.id, id)).then((found) => wanted && (measured = found));
    return () => (wanted = false);
  });
  const terms = $derived(termsOf(part.source.license));
  const others = $derived(table.parts.filter(({ id, kind }) => id !== part.id && kind === 'lettering'));
</script>

{#each notices as notice (notice.code)}<p class="notice" role="status">{notice.message} {notice.fix ?? ''}</p>{/each}
<NumberFields {part} rows={NUMBERS.longerSide} />
{#each part.slots.keys() as index (index)}
  <PaintPicker
    label={part.slots.length === 1 ? 'Color' : `Color ${index + 1}`}
    palette={table.palette}
    value={part.slots[index]?.paint}
    choose={(paint) => paintSlot(index, paint)}
  />
{/each}
{#if part.slots.length > 1 || part.slots.some(({ paint }) => 'hex' in paint)}
  <p class="all">
    <span class="quiet">All at once:</span>
    <button title="Each color becomes the nearest one of the palette" class="link" onclick={paintNearest}>nearest of the palette</button>
    <button title="Its own colors, as it came" class="link" onclick={paintAsDrawn}>as drawn</button>
    {#each swatchesOf(table.palette) as { key, name, hex } (key)}<button
        title="All of it in this color"
        class="swatch"
        style:background={hex}
        aria-label="All in {name}"
        onclick={() => paintAll(key)}
      ></button>{/each}
  </p>
{/if}
{#if measured}<WeightHistogram {...measured} />{/if}
<div class="two">
  <Tick
    label="Typical stroke"
    hint="Thickens or thins the art until its typical stroke is this thick"
    checked={part.weightPx !== null}
    change={(on) =>
      table.change(part.id, 'Stroke weight', {
        weightPx: on ? Math.max(0.1, Math.round((measured?.medianPx ?? 8) * 10) / 10) : null,
        weightFrom: null,
      })}
  />
  {#if part.weightPx !== null}
    <NumberFields {part} rows={NUMBERS.artWeight} />
  {/if}
</div>
{#if others.length > 0}
  <Pick
    label="As heavy as"
    hint="Takes the typical stroke of another part, and follows it"
    value={part.weightFrom ?? ''}
    options={[{ value: '', label: 'as drawn' }, ...others.map((other) => ({ value: other.id, label: table.nameOf(other) }))]}
    choose={(id) => table.change(part.id, 'Stroke weight', { weightFrom: id === '' ? null : id, weightPx: null })}
  />
{/if}
<p class="rights quiet">
  {part.source.title}{part.source.author ? `, ${part.source.author}` : ''} · {terms.label}. {terms.says}
</p>
{#if part.traced}
  <p class="all">
    <button title="Finds the outlines in the picture once more" class="link" onclick={() => (tracing = true)}>Trace it anew</button>
    <button title="Takes the picture back in place of its outlines" class="link" onclick={back}>Back to the picture</button>
  </p>
  {#if tracing}<TracingDialog bind:open={tracing} {part} />{/if}
{:else}
  <button title="Another piece at the same place, in the same size and colors" class="link" onclick={() => table.art.show(part.id)}
    >Swap for another piece</button
  >
{/if}

<style>
  .notice {
    color: var(--color-amber);
    font-size: 12px;
  }
  .all {
    display: flex;
    align-items: center;
    gap: 6px;
    padding: 4px 0;
  }
  .swatch {
    width: 15px;
    height: 15px;
    border: 1px solid var(--color-rule);
  }
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    align-items: end;
    column-gap: 14px;
  }
  .rights {
    padding: 6px 0 2px;
    font-size: 12px;
  }
</style>
