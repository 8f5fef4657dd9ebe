<script lang="ts">
  import { choosableFeatures, featureName, type Lettering } from '$core/index';
  import Choice from '$lib/ui/Choice.svelte';
  import Fold from '$lib/ui/Fold.svelte';
  import Tick from '$lib/ui/Tick.svelte';
  import { useTable } from '../table/table.svelte';

  const { part, features }: { part: Lettering; features: readonly string[] } = $props();
  const table = useTable();

  /** Features that are on unless switched off. @source OpenType layout tag registry, "UI suggestion: on by default" */
  const ON_BY_DEFAULT = new Set(['liga', 'clig', 'calt']);
  const FIGURES = ['lnum', 'onum', 'tnum', 'pnum'];
  const choosable = $derived(choosableFeatures(features));
  const others = $derived(choosable.filter((tag) => !FIGURES.includes(tag)));
  const heights = $derived(['lnum', 'onum'].filter((tag) => features.includes(tag)));
  const widths = $derived(['pnum', 'tnum'].filter((tag) => features.includes(tag)));
  const isOn = (tag: string) => (part.features[tag] ?? (ON_BY_DEFAULT.has(tag) ? 1 : 0)) > 0;
  const set = (change: Readonly<Record<string, number | undefined>>) =>
    table.change(part.id, 'Features', {
      features: Object.fromEntries(Object.entries({ ...part.features, ...change }).filter(([, value]) => value !== undefined)) as Record<
        string,
        number
      >,
    });
  const chosen = (tags: readonly string[]) => tags.find((tag) => (part.features[tag] ?? 0) > 0) ?? 'font';
  const pick = (tags: readonly string[], tag: string) => set(Object.fromEntries(tags.map((each) => [each, each === tag ? 1 : undefined])));
  const SHORT: Readonly<Record<string, string>> = { lnum: 'lining', onum: 'old style', pnum: 'proportional', tnum: 'tabular' };
  const count = $derived(Object.keys(part.features).length);
</script>

<Fold label="Features" summary={count > 0 ? `${count} set` : ''}>
  {#each [{ label: 'Figures', tags: heights }, { label: 'Figure widths', tags: widths }] as { label, tags } (label)}
    {#if tags.length > 0}
      <Choice
        {label}
        hint="Which of the font’s figures are set"
        value={chosen(tags)}
        options={[{ value: 'font', label: 'font' }, ...tags.map((value) => ({ value, label: SHORT[value] ?? value }))]}
        choose={(tag) => pick(tags, tag)}
      />
    {/if}
  {/each}
  <div class="all">
    {#each others as tag (tag)}
      <Tick
        label={featureName(tag)}
        hint="One of the font’s own features ({tag})"
        checked={isOn(tag)}
        change={(on) => set({ [tag]: on === ON_BY_DEFAULT.has(tag) ? undefined : on ? 1 : 0 })}
      />
    {:else}<p class="quiet">This font offers no features to choose from.</p>{/each}
  </div>
</Fold>

<style>
  .all {
    display: grid;
    grid-template-columns: 1fr 1fr;
    column-gap: 10px;
    padding-top: 4px;
    font-size: 12px;
  }
  p {
    grid-column: 1 / -1;
  }
</style>
