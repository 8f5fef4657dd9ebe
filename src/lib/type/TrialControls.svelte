<script lang="ts">
  import { FEEL_WORDS, OFFER_NAMES } from '$core/index';
  import { MEASURE_LABELS, SHOWN_MEASURES, useTrials, type Order, type ShownMeasure } from './trials.svelte';

  const trials = useTrials();
  const id = $props.id();
  const needs = ['variable', ...OFFER_NAMES.filter((offer) => ['small caps', 'swashes', 'alternates', 'ligatures'].includes(offer))];

  const orderValue = $derived(
    trials.order.by === 'measure' ? `measure ${trials.order.measure}` : trials.order.by === 'likeness' ? 'likeness' : trials.order.by,
  );
  let panel = $state('4:1');
  function ratioOf(typed: string): number {
    const [width = '', height = '1'] = typed.split(':');
    const ratio = Number(width) / Number(height);
    return Number.isFinite(ratio) && ratio > 0.05 && ratio < 50 ? ratio : 4;
  }
  function orderBy(value: string): void {
    const [by = '', measure] = value.split(' ');
    const orders: Readonly<Record<string, Order>> = {
      brief: { by: 'brief' },
      name: { by: 'name' },
      measure: { by: 'measure', measure: measure as ShownMeasure },
      likeness: { by: 'likeness', to: trials.current ?? trials.kept[0]?.id ?? trials.shown[0]?.id ?? '' },
      panel: { by: 'panel', ratio: ratioOf(panel) },
    };
    trials.order = orders[by] ?? { by: 'brief' };
  }
</script>

<div class="controls">
  <input
    title="A feeling, a kind or a name; only faces that answer are shown"
    class="asked"
    aria-label="Feel, name or kind"
    placeholder="feel: “airy, open”"
    list="{id}-feels"
    bind:value={trials.asked}
    autocomplete="off"
  />
  <datalist id="{id}-feels"
    >{#each Object.entries(FEEL_WORDS) as [word, { means }] (word)}<option value={word}>{means}</option>{/each}</datalist
  >
  <select title="What stands first" aria-label="Order" value={orderValue} onchange={(event) => orderBy(event.currentTarget.value)}>
    <option value="brief">nearest to the brief</option>
    <option value="likeness">most like {trials.trial(trials.current ?? '')?.name ?? 'the chosen face'}</option>
    <option value="panel">best fills a panel</option>
    <option value="name">by name</option>
    {#each SHOWN_MEASURES as measure (measure)}<option value="measure {measure}">by {MEASURE_LABELS[measure]}</option>{/each}
  </select>
  {#if trials.order.by === 'panel'}
    <input
      title="The room that the name has to fill, width to height"
      class="panel"
      aria-label="Panel, width to height"
      bind:value={panel}
      oninput={() => orderBy('panel')}
      autocomplete="off"
    />
  {/if}
  {#each needs as need (need)}
    <button
      title="Only faces that have this"
      class="need"
      aria-pressed={trials.needs.includes(need)}
      onclick={() => (trials.needs = trials.needs.includes(need) ? trials.needs.filter((each) => each !== need) : [...trials.needs, need])}
      >{need}</button
    >
  {/each}
  <select
    title="The words in which every face is set"
    aria-label="What is set"
    value={trials.setting}
    onchange={(event) => (trials.setting = event.currentTarget.value as 'name' | 'upper' | 'line')}
  >
    <option value="name">the name</option>
    <option value="upper">upper case</option>
    <option value="line">a line of your own</option>
  </select>
  {#if trials.setting === 'line'}
    <input
      title="Words to try the faces on"
      class="asked"
      aria-label="Line of your own"
      maxlength="80"
      value={trials.desk.content.line}
      oninput={(event) => trials.desk.preview({ ...trials.desk.content, line: event.currentTarget.value })}
      onblur={() => trials.desk.commit('Type desk')}
    />
  {/if}
  {#if trials.desk.content.dropped.length > 0}
    <button
      title="Shows what was dropped, to take it back"
      class="need"
      aria-pressed={trials.showDropped}
      onclick={() => (trials.showDropped = !trials.showDropped)}>{trials.desk.content.dropped.length} dropped</button
    >
  {/if}
  <span class="quiet keys"><kbd>K</kbd> keeps · <kbd>X</kbd> drops</span>
</div>
{#each trials.feel.unknown as { word, near } (word)}
  <p class="quiet means" role="status">“{word}” is not a feel that is known here, nor a face’s name. Nearest: {near.join(', ')}.</p>
{/each}
{#if trials.feel.understood.length > 0}
  <p class="quiet means">{trials.feel.understood.map((word) => `${word}: ${FEEL_WORDS[word]?.means}`).join(' · ')}</p>
{/if}

<style>
  .controls {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 6px 12px;
    padding: 6px 0;
    border-top: 1px solid var(--color-ink);
  }
  .asked,
  .panel {
    width: 150px;
    padding: 3px 8px;
    border: 1px solid var(--color-rule);
    background: var(--color-sheet);
    font: italic 14px var(--font-serif);
  }
  .panel {
    width: 58px;
  }
  select {
    padding: 3px 24px 3px 6px;
    border: 1px solid var(--color-rule);
    background-color: var(--color-sheet);
    font-size: 12px;
  }
  .need {
    border-bottom: 2px solid transparent;
    color: var(--color-quiet);
  }
  .need[aria-pressed='true'] {
    border-color: var(--color-plum);
    color: var(--color-plum);
    font-weight: 600;
  }
  .keys {
    margin-left: auto;
    font-size: 12px;
  }
  .means {
    padding-bottom: 6px;
    font-size: 12px;
  }
</style>
