<script lang="ts">
  import { BELT_FORMS, CUT_FORMS, lettersOf, withNewBelt, withNewCut, type Belt, type Cut, type Lettering } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Fold from '$lib/ui/Fold.svelte';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: Lettering } = $props();
  const table = useTable();

  const letters = $derived(lettersOf(part.text));
  const letter = $derived(table.letter === undefined ? undefined : letters[table.letter]);
  const CUT_WORDS = { bar: 'Bar', arc: 'Arc', wedge: 'Wedge', slice: 'Slice', free: 'Free shape' } as const;
  const BELT_WORDS = { ring: 'Ring around', line: 'Line through' } as const;
  const count = $derived(part.cuts.length + part.belts.length);
  let folded = $state(false);

  /** One number of a cut or belt: its field, label, unit and limits. */
  type Row = readonly [field: string, label: string, unit: string, min: number, max: number, step?: number];
  const PLACE: readonly Row[] = [
    ['acrossPercent', 'Across', '%', -100, 200],
    ['downPercent', 'Down', '%', -100, 200],
    ['angleDeg', 'Angle', '°', -3600, 3600],
  ];
  const CUT_ROWS: Readonly<Record<Cut['form'], readonly Row[]>> = {
    bar: [...PLACE, ['gapPermille', 'Gap', '‰', 0, 2000, 5], ['lengthPercent', 'Length', '%', 1, 400, 5]],
    arc: [
      ...PLACE,
      ['gapPermille', 'Gap', '‰', 0, 2000, 5],
      ['lengthPercent', 'Length', '%', 1, 400, 5],
      ['bendDeg', 'Bend', '°', -350, 350, 5],
    ],
    wedge: [...PLACE, ['gapPermille', 'Mouth', '‰', 0, 2000, 5], ['lengthPercent', 'Length', '%', 1, 400, 5]],
    slice: [...PLACE, ['gapPermille', 'Gap', '‰', 0, 2000, 5], ['shiftPermille', 'Push', '‰', -10000, 10000, 5]],
    free: [],
  };
  const BELT_ROWS: readonly Row[] = [
    ...PLACE,
    ['widthPercent', 'Width', '%', 5, 1000, 5],
    ['heightPercent', 'Height', '%', 5, 1000, 5],
    ['bandPermille', 'Band', '‰', 1, 500],
    ['stopPermille', 'Stops short', '‰', 0, 500],
  ];
  const numberOf = (thing: Cut | Belt, field: string): number => (thing as unknown as Record<string, number>)[field] ?? 0;
  const setCut = (cut: Cut, change: Partial<Cut>) =>
    table.previewLettering(part, { ...part, cuts: part.cuts.map((each) => (each.id === cut.id ? { ...each, ...change } : each)) });
  const setBelt = (belt: Belt, change: Partial<Belt>) =>
    table.previewLettering(part, { ...part, belts: part.belts.map((each) => (each.id === belt.id ? { ...each, ...change } : each)) });
  const where = (thing: Cut | Belt) => (thing.at ? `in ${thing.at.letter}` : 'through the line');

  function add(next: Lettering, gesture: string): void {
    table.previewLettering(part, next);
    table.commit(gesture);
  }
</script>

<Fold label="Cuts and rings" summary={count > 0 ? String(count) : ''} bind:open={folded}>
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
      <div class="two">
        {#each CUT_ROWS[cut.form] as [field, label, unit, min, max, step] (field)}
          <AmountField
            {label}
            {unit}
            {min}
            {max}
            step={step ?? 1}
            value={numberOf(cut, field)}
            preview={(value) => setCut(cut, { [field]: value })}
            commit={() => table.commit('Cut')}
          />
        {/each}
      </div>
      {#if cut.form === 'free'}
        {#each cut.points as point, at (at)}
          <div class="two">
            <AmountField
              label="Corner {at + 1} across"
              unit="%"
              min={-200}
              max={300}
              value={point.x}
              preview={(x) => setCut(cut, { points: cut.points.map((each, n) => (n === at ? { ...each, x } : each)) })}
              commit={() => table.commit('Cut')}
            />
            <AmountField
              label="down"
              unit="%"
              min={-200}
              max={300}
              value={point.y}
              preview={(y) => setCut(cut, { points: cut.points.map((each, n) => (n === at ? { ...each, y } : each)) })}
              commit={() => table.commit('Cut')}
            />
          </div>
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
      <div class="two">
        {#each BELT_ROWS.filter(([field]) => belt.form === 'ring' || field !== 'heightPercent') as [field, label, unit, min, max, step] (field)}
          <AmountField
            {label}
            {unit}
            {min}
            {max}
            step={step ?? 1}
            value={numberOf(belt, field)}
            preview={(value) => setBelt(belt, { [field]: value })}
            commit={() => table.commit('Ring')}
          />
        {/each}
      </div>
    </div>
  {/each}
  <p class="quiet">{letter ? `New, in “${letter}”:` : 'New, through the whole line (choose a letter to cut only that):'}</p>
  <div class="new" role="group" aria-label="New cut">
    {#each CUT_FORMS as form (form)}
      <button class="link" onclick={() => add(withNewCut(part, form, letter ? table.letter : undefined), `${CUT_WORDS[form]} cut`)}
        >{CUT_WORDS[form]}</button
      >
    {/each}
    {#if letter && table.letter !== undefined}
      {@const at = table.letter}
      {#each BELT_FORMS as form (form)}
        <button class="link" onclick={() => add(withNewBelt(part, form, at), BELT_WORDS[form])}>{BELT_WORDS[form]}</button>
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
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    column-gap: 14px;
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
