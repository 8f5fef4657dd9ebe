<script lang="ts">
  import { changePart, LICENSES, LICENSE_NAMES, pictureDensity, termsOf, type Picture } from '$core/index';
  import Pick from '$lib/ui/Pick.svelte';
  import Tick from '$lib/ui/Tick.svelte';
  import NumberFields from './NumberFields.svelte';
  import { NUMBERS } from './numbers';
  import GroundDialog from '../pictures/GroundDialog.svelte';
  import TracingDialog from '../pictures/TracingDialog.svelte';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: Picture } = $props();
  const table = useTable();
  let working: 'ground' | 'outlines' | undefined = $state();
  function bringBack(): void {
    if (!part.cut) return;
    const change = { sha256: part.cut.from, outline: part.cut.outline, cut: undefined };
    table.open.commit('Bring the ground back', changePart(table.open.recipe, part.id, change));
  }

  /** The mark's pixels are 96 to the inch. */
  const dotsPerInch = $derived(Math.round(pictureDensity(part) * 96));
  const terms = $derived(termsOf(part.source.license));
</script>

<NumberFields {part} rows={NUMBERS.longerSide} />
<p class="lay">
  <button title="Finds what the picture shows and makes the rest clear; a brush helps" class="link" onclick={() => (working = 'ground')}
    >{part.cut ? 'Brush the ground again' : 'Take the ground out'}</button
  >
  {#if part.cut}<button title="The whole picture again" class="link" onclick={bringBack}>Bring the ground back</button>{/if}
  <button title="Becomes shapes in a few colors, sharp at every size" class="link" onclick={() => (working = 'outlines')}
    >Turn into outlines</button
  >
</p>
{#if working === 'ground'}<GroundDialog bind:open={() => true, (on) => !on && (working = undefined)} {part} />{/if}
{#if working === 'outlines'}<TracingDialog bind:open={() => true, (on) => !on && (working = undefined)} {part} />{/if}
<Tick
  label="Only to look at"
  hint="Lies on the table to work after: in no proof and no file"
  checked={part.reference}
  change={(reference) => table.change(part.id, 'Only to look at', { reference, ...(reference ? { opacity: 0.5 } : { opacity: 1 }) })}
/>
{#if part.reference}
  <p class="quiet">Seen on the table alone: in no proof and no file.</p>
  <p class="lay">
    <button title="Stands beside the mark, in no file" class="link" onclick={() => table.layReference(part, 'beside')}
      >Lay beside the work</button
    >
    <button title="Lies half faded under the mark, in no file" class="link" onclick={() => table.layReference(part, 'under')}
      >Lay under it</button
    >
  </p>
{:else}
  <p class:low={dotsPerInch < 300} class="quiet">
    {dotsPerInch.toLocaleString('en')} pixels to the inch at this size{dotsPerInch < 300 ? '; print wants 300' : ''}. It keeps its colors in
    every dressing.
  </p>
  <Pick
    label="Rights"
    hint="What may be done with the picture, as far as you know"
    value={part.source.license}
    options={LICENSE_NAMES.map((name) => ({ value: name, label: LICENSES[name].label }))}
    choose={(license) => table.change(part.id, 'Rights', { source: { ...part.source, license } })}
  />
  <label class="author"
    ><span class="quiet">Author</span>
    <input
      value={part.source.author}
      maxlength="200"
      placeholder="who made it"
      onchange={(event) => table.change(part.id, 'Author', { source: { ...part.source, author: event.currentTarget.value.trim() } })}
    /></label
  >
  <p class="quiet">{terms.says}</p>
{/if}

<style>
  p {
    padding: 4px 0;
    font-size: 12px;
  }
  .lay {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 16px;
  }
  .low {
    color: var(--color-amber);
  }
  .author {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 10px;
    border-bottom: 1px solid var(--color-rule);
  }
  .author input {
    min-width: 0;
    padding: 3px 4px;
    border: 0;
    background: transparent;
    font-weight: 600;
    text-align: right;
  }
</style>
