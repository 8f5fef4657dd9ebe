<script lang="ts">
  import { QUALITIES } from '$core/index';
  import WordDrawing from '$lib/ui/WordDrawing.svelte';
  import { useTrials, type Trial } from './trials.svelte';

  interface Props {
    trial: Trial;
    keep: () => void;
    drop: () => void;
  }
  const { trial, keep, drop }: Props = $props();
  const trials = useTrials();

  const picture = $derived(trials.pictures.get(trial.id));
  const kept = $derived(trials.keptIds.has(trial.id));
  const dropped = $derived(trials.droppedIds.has(trial.id));
  const why = $derived(
    trial.nearness.contributions
      .slice(0, 2)
      .filter(({ amount }) => Math.abs(amount) >= 0.01)
      .map(
        ({ quality, amount }) =>
          `${trial.qualities[quality] >= 0 ? QUALITIES[quality].more : QUALITIES[quality].less} ${amount > 0 ? '+' : '−'}${Math.abs(amount).toFixed(2)}`,
      )
      .join(' · '),
  );

  function keys(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const act = { k: keep, x: drop }[event.key.toLowerCase()];
    if (!act) return;
    event.preventDefault();
    act();
  }
</script>

<div class="cell" class:kept class:dropped>
  <button
    title="Looks at it more closely; K keeps it, X drops it"
    class="word"
    aria-pressed={trials.current === trial.id}
    data-face={trial.id}
    onclick={() => (trials.current = trial.id)}
    onkeydown={keys}
  >
    <WordDrawing {picture} heightPx={58} widthPx={262} sizePx={36} />
    <span class="name"
      ><strong>{trial.name}</strong>
      <span class="quiet">{picture && picture.missing.length > 0 ? `has no ${picture.missing.slice(0, 5).join(' ')}` : trial.group}</span
      ></span
    >
    <span class="quiet why"
      >{trials.order.by === 'panel' ? `fills ${Math.round(trials.fillOf(trial.id, trials.order.ratio) * 100)} %` : why}</span
    >
    {#if kept || dropped}<span class="off-screen">, {kept ? 'kept' : 'dropped'}</span>{/if}
  </button>
  <span class="acts">
    <button
      title="Kept faces stand above all others, whatever the order"
      onclick={keep}
      aria-label="{kept ? 'Let go of' : 'Keep'} {trial.name}"
      aria-pressed={kept}>{kept ? 'kept' : 'keep'}</button
    >
    <button
      title="Dropped faces are put away; they can be shown again"
      onclick={drop}
      aria-label="{dropped ? 'Take back' : 'Drop'} {trial.name}"
      aria-pressed={dropped}>{dropped ? 'dropped' : 'drop'}</button
    >
  </span>
</div>

<style>
  .cell {
    position: relative;
    height: 112px;
    border-right: 1px solid var(--color-rule);
    border-bottom: 1px solid var(--color-rule);
    border-left: 3px solid transparent;
  }
  .cell.kept {
    border-left-color: var(--color-plum);
  }
  .cell.dropped {
    opacity: 0.45;
  }
  .word {
    display: block;
    width: 100%;
    height: 100%;
    padding: 8px 12px;
    text-align: left;
  }
  .word[aria-pressed='true'] {
    background: var(--color-sheet);
  }
  .word:focus-visible {
    outline-offset: -2px;
  }
  .name {
    display: block;
    overflow: hidden;
    font-size: 12px;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .why {
    display: block;
    overflow: hidden;
    font-size: 11px;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .acts {
    position: absolute;
    right: 10px;
    bottom: 26px;
    display: none;
    gap: 10px;
    padding-left: 8px;
    background: var(--color-paper);
    color: var(--color-plum);
    font-size: 12px;
    font-weight: 600;
  }
  .cell:hover .acts,
  .cell:focus-within .acts {
    display: flex;
  }
</style>
