<script lang="ts">
  import { giveRole } from '$core/index';
  import WordDrawing from '$lib/ui/WordDrawing.svelte';
  import type { WordPicture } from '$workers/draw';
  import { useTrials } from './trials.svelte';

  const trials = useTrials();
  const { second }: { second: string } = $props();

  const base = $derived(trials.current ?? trials.desk.content.roles.name[0] ?? trials.kept[0]?.id ?? trials.shown[0]?.id);
  const suggestions = $derived(base ? trials.pairingsFor(base).slice(0, 6) : []);
  let words: ReadonlyMap<string, WordPicture> = $state.raw(new Map());

  $effect(() => {
    const wanted = { text: second.toUpperCase(), ids: suggestions.map(({ id }) => id) };
    let newest = true;
    void trials.drawing
      .ask((draughtsman) =>
        draughtsman.words(
          wanted.text,
          wanted.ids.map((id) => ({ family: id, style: 'normal' as const, axes: {} })),
        ),
      )
      .then((pictures) => {
        if (newest) words = new Map(pictures.flatMap((picture, index) => (picture ? [[wanted.ids[index] ?? '', picture] as const] : [])));
      });
    return () => (newest = false);
  });
</script>

<section aria-label="For the second line">
  <h2 class="label">For the second line</h2>
  {#if base}<p class="quiet under">under {trials.trial(base)?.name}</p>{/if}
  {#each suggestions as suggestion (suggestion.id)}
    <article>
      <WordDrawing picture={words.get(suggestion.id)} heightPx={34} widthPx={262} sizePx={19} />
      <p><strong>{trials.trial(suggestion.id)?.name}</strong> <span class="quiet">{suggestion.score.toFixed(2)}</span></p>
      <p class="quiet">{suggestion.reasons.map(({ words: reason, amount }) => `${reason} +${amount.toFixed(2)}`).join(' · ')}</p>
      <button
        title="Second lines begin in this face from now on"
        class="link"
        onclick={() => trials.desk.commit('Type desk', giveRole(trials.desk.content, 'second', suggestion.id))}
      >
        {trials.desk.content.roles.second[0] === suggestion.id ? 'The brand’s second line' : 'Make it the second line'}
      </button>
    </article>
  {/each}
</section>

<style>
  h2 {
    font-family: var(--font-sans);
  }
  .under {
    font-size: 12px;
  }
  article {
    padding: 6px 0 8px;
    border-top: 1px solid var(--color-rule);
    font-size: 12px;
  }
</style>
