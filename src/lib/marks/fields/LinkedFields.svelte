<script lang="ts">
  import { labelOf, propertyWords, RUN_UNITS, type Linked, type Problem } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Choice from '$lib/ui/Choice.svelte';
  import PaintPicker from '$lib/ui/PaintPicker.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import Tick from '$lib/ui/Tick.svelte';
  import NumberFields from './NumberFields.svelte';
  import { NUMBERS } from './numbers';
  import { useTable } from '../table/table.svelte';

  const { part, notices }: { part: Linked; notices: readonly Problem[] } = $props();
  const table = useTable();

  const source = $derived(table.marks.find((mark) => mark.id === part.from.mark));
  const recipe = $derived(part.from.mark === null ? table.open.recipe : source?.recipe);
  const followed = $derived(recipe?.parts.find((candidate) => candidate.id === part.from.part));
  const followedSize = $derived(followed && 'sizePx' in followed && typeof followed.sizePx === 'number' ? followed.sizePx : undefined);
  const shown = $derived(table.shownBy(part.id));
  /** What this part has of its own; each follows again by itself. */
  const own = $derived([
    ...(part.sizePx === null ? [] : [{ words: 'size', again: { sizePx: null } }]),
    ...(part.paint === null ? [] : [{ words: 'color', again: { paint: null } }]),
    ...Object.keys(part.own).map((field) => ({
      words: propertyWords(field),
      again: { own: Object.fromEntries(Object.entries(part.own).filter(([name]) => name !== field)) },
    })),
  ]);
</script>

<p class="quiet follows">
  Follows {#if part.from.mark === null && followed}<strong>{labelOf(followed)}</strong> of this mark in everything that is not its own.
  {:else if source && (followed || part.from.part === null)}<strong>{followed ? labelOf(followed) : 'all'}</strong> in
    <a class="link" href="/brands/{table.brand.slug}/marks/{source.slug}">{source.name}</a> in everything that is not its own.{:else}a part
    that is gone.{/if}
</p>
{#each notices as notice (notice.code)}<p class="notice" role="status">{notice.message} {notice.fix ?? ''}</p>{/each}
{#if followed?.kind === 'lettering' || followed?.kind === 'linked'}<Choice
    label="Takes"
    hint="How much of the followed text is taken"
    value={part.take}
    options={[
      { value: 'initial', label: 'first letter' },
      { value: 'run', label: 'a run' },
      { value: 'whole', label: 'all of it' },
    ]}
    choose={(take) => table.change(part.id, 'Takes', { take })}
  />{/if}
{#if part.take === 'run'}
  {@const { run } = part}
  <Pick
    label="Counted in"
    hint="Whether the run is counted in letters, words or lines"
    value={run.of}
    options={RUN_UNITS.map((value) => ({ value, label: value }))}
    choose={(of) => table.change(part.id, 'Run', { run: { ...run, of } })}
  />
  <NumberFields {part} rows={NUMBERS.linkRun} />
  {#if run.of !== 'letters' && followed?.kind === 'lettering' && followed.text.includes('\n')}<Tick
      label="On one line"
      hint="Wherever the followed text breaks its own"
      checked={run.joined === true}
      change={(joined) => table.change(part.id, 'On one line', { run: joined ? { ...run, joined } : { ...run, joined: undefined } })}
    />{/if}
{/if}
{#if followedSize !== undefined}<AmountField
    label="Size"
    hint="Its own size; until it is changed, the followed size"
    unit="px"
    lengths
    min={1}
    max={10000}
    value={part.sizePx ?? followedSize}
    preview={(sizePx) => table.preview(part.id, { sizePx })}
    commit={() => table.commit('Size')}
  />{/if}
<PaintPicker
  label="Color"
  palette={table.palette}
  value={table.differ(part, 'paint') ? 'mixed' : part.paint}
  choose={(paint) => table.change(part.id, 'Color', { paint })}
/>
{#if own.length > 0}
  <p class="again">
    <span class="quiet">Its own:</span>
    {#each own as { words, again } (words)}
      <button class="link" title="Let the {words} follow again" onclick={() => table.change(part.id, `Follow the ${words}`, again)}
        >{words} <span aria-hidden="true">×</span><span class="off-screen">, follow again</span></button
      >
    {/each}
  </p>
{/if}
<p class="again">
  {#if shown}<button class="link" title="Becomes parts of its own, which follow nobody" onclick={() => table.breakAway(part.id)}
      >Break away</button
    >{/if}
</p>

<style>
  .follows {
    padding-bottom: 4px;
  }
  .notice {
    color: var(--color-amber);
    font-size: 12px;
  }
  .again {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 14px;
    padding: 4px 0;
  }
</style>
