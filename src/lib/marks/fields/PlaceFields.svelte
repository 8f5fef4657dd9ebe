<script lang="ts">
  import { BLENDS, ONE_COLOR_WISHES, ONE_COLOR_WORDS, type Blend, type KnownPart, type OneColorWish } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import NumberFields from './NumberFields.svelte';
  import { NUMBERS } from './numbers';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: KnownPart } = $props();
  const table = useTable();
  const id = $props.id();
  /** What the rule decided for its colors, largest first. */
  const decided = $derived(
    table.desk.proofs['one-color']?.decided
      ?.filter((each) => each.part === part.id)
      .flatMap(({ states }) => states)
      .join(', ') ?? '',
  );
</script>

<NumberFields {part} rows={NUMBERS.place} />
<div class="two">
  <AmountField
    label="Scale"
    hint="How much larger it stands than its own numbers say"
    unit="%"
    min={0.1}
    max={100000}
    mixed={table.differ(part, 'place.scale')}
    value={(part.place.scale ?? 1) * 100}
    preview={(percent) => table.preview(part.id, { place: { ...part.place, scale: percent / 100 } })}
    commit={() => table.commit('Scale')}
  />
  <NumberFields {part} rows={NUMBERS.opacity} />
</div>
<div class="row">
  <label class="quiet" for="{id}-blend">Blend</label>
  <select
    id="{id}-blend"
    title="How its colors meet what lies behind it"
    value={part.blend}
    onchange={(event) => table.change(part.id, 'Blend', { blend: event.currentTarget.value as Blend })}
  >
    {#each BLENDS as blend (blend)}<option value={blend}>{blend}</option>{/each}
  </select>
</div>
<div class="row">
  <label class="quiet" for="{id}-one">In one color</label>
  <select
    id="{id}-one"
    value={part.oneColor ?? ''}
    title="What this part becomes where there is one color; the rule decides while nothing is chosen"
    onchange={(event) =>
      table.change(part.id, 'In one color', { oneColor: (event.currentTarget.value || undefined) as OneColorWish | undefined })}
  >
    <option value="">as the rule decides{decided ? `: ${decided}` : ''}</option>
    {#each ONE_COLOR_WISHES as wish (wish)}<option value={wish}>{ONE_COLOR_WORDS[wish]}</option>{/each}
  </select>
</div>
{#if table.desk.proofs['one-color']?.portraits?.includes(part.id) || part.reversedAs}
  <div class="row">
    <label class="quiet" for="{id}-reversed">Reversed</label>
    <select
      id="{id}-reversed"
      value={part.reversedAs ?? 'anew'}
      title="This part holds light and dark side by side: turned as it is, it would be a negative"
      onchange={(event) => table.change(part.id, 'Reversed', { reversedAs: event.currentTarget.value as 'same' | 'anew' })}
    >
      <option value="anew">light stays light</option>
      <option value="same">the shapes it has in ink</option>
    </select>
  </div>
{/if}

<style>
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    column-gap: 14px;
  }
  .row {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 10px;
    border-bottom: 1px solid var(--color-rule);
  }
  .row label {
    flex: none;
  }
  select {
    overflow: hidden;
    min-width: 0;
    padding: 3px 26px 3px 4px;
    border: 0;
    background-color: transparent;
    font-weight: 600;
    font-size: 13px;
    text-align: right;
    text-overflow: ellipsis;
  }
</style>
