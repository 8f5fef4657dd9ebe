<script lang="ts">
  import { BELT_FORMS, CUT_FORMS, lettersOf, withNewBelt, withNewCut, type Belt, type Cut, type Lettering } from '$core/index';
  import Fold from '$lib/ui/Fold.svelte';
  import NumberFields from '../fields/NumberFields.svelte';
  import { beltRows, cutRows, pointRows } from '../fields/numbers';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: Lettering } = $props();
  const table = useTable();

  const letters = $derived(lettersOf(part.text));
  const letter = $derived(table.letter === undefined ? undefined : letters[table.letter]);
  const CUT_WORDS = { bar: 'Bar', arc: 'Arc', wedge: 'Wedge', slice: 'Slice', free: 'Free shape' } as const;
  const BELT_WORDS = { ring: 'Ring around', line: 'Line through' } as const;
  const count = $derived(part.cuts.length + part.belts.length);
  let folded = $state(false);

  const setCut = (cut: Cut, change: Partial<Cut>) =>
    table.previewLettering(part, { ...part, cuts: part.cuts.map((each) => (each.id === cut.id ? { ...each, ...change } : each)) });
  const where = (thing: Cut | Belt) => (thing.at ? `in ${thing.at.letter}` : 'through the line');

  function add(next: Lettering, gesture: string): void {
    table.previewLettering(part, next);
    table.commit(gesture);
  }
</script>

<Fold label="Cuts and rings" summary={count > 0 ? String(count) : ''} remember={false} bind:open={folded}>
  {#each part.cuts as cut (cut.id)}
    <div class="thing">
      <div class="title">
        <strong>{CUT_WORDS[cut.form]} cut {where(cut)}</strong>
        <button
          class="link"
          aria-label="Remove {CUT_WORDS[cut.form].toLowerCase()} cut {where(cut)}"
          onclick={() => add({ ...part, cuts: part.cuts.filter(({ id }) => id !== cut.id) }, 'Remove cut')}>Remove</button
        >
      </div>
      <NumberFields {part} rows={cutRows(part.cuts.indexOf(cut), cut.form)} />
      {#if cut.form === 'free'}
        {#each cut.points.keys() as at (at)}
          <NumberFields {part} rows={pointRows(`cuts.${part.cuts.indexOf(cut)}.points`, at, 'Corner', '%', 'Cut')} />
        {/each}
        <button
          class="link"
          onclick={() => {
            setCut(cut, { points: [...cut.points, { x: 50, y: 50 }] });
            table.commit('Add corner');
          }}>Add a corner</button
        >
      {/if}
    </div>
  {/each}
  {#each part.belts as belt (belt.id)}
    <div class="thing">
      <div class="title">
        <strong>{BELT_WORDS[belt.form]} {belt.at.letter}</strong>
        <button
          class="link"
          aria-label="Remove {BELT_WORDS[belt.form].toLowerCase()} {belt.at.letter}"
          onclick={() => add({ ...part, belts: part.belts.filter(({ id }) => id !== belt.id) }, 'Remove ring')}>Remove</button
        >
      </div>
      <NumberFields {part} rows={beltRows(part.belts.indexOf(belt), belt.form)} />
    </div>
  {/each}
  <p class="quiet">{letter ? `New, in “${letter}”:` : 'New, through the whole line (choose a letter to cut only that):'}</p>
  <div class="new" role="group" aria-label="New cut">
    {#each CUT_FORMS as form (form)}
      <button
        title="Cuts a gap of this form; its numbers come above"
        class="link"
        onclick={() => add(withNewCut(part, form, letter ? table.letter : undefined), `${CUT_WORDS[form]} cut`)}>{CUT_WORDS[form]}</button
      >
    {/each}
    {#if letter && table.letter !== undefined}
      {@const at = table.letter}
      {#each BELT_FORMS as form (form)}
        <button
          title="A band around or through the letter; its numbers come above"
          class="link"
          onclick={() => add(withNewBelt(part, form, at), BELT_WORDS[form])}>{BELT_WORDS[form]}</button
        >
      {/each}
    {/if}
  </div>
</Fold>

<style>
  .thing {
    padding: 4px 0 6px;
    border-bottom: 1px solid var(--color-rule);
  }
  .title {
    display: flex;
    justify-content: space-between;
  }
  .title strong {
    font-weight: 600;
  }
  .new {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 14px;
  }
  p {
    padding-top: 6px;
    font-size: 12px;
  }
</style>
