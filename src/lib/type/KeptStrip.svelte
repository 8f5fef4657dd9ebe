<script lang="ts">
  import { AXIS_NAMES } from '$lib/ui/axis-names';
  import { restingValue, toggleKept, type TypeDesk } from '$core/index';
  import WordDrawing from '$lib/ui/WordDrawing.svelte';
  import { useTrials, type Trial } from './trials.svelte';

  interface Props {
    choose: (trial: Trial) => void;
    /** Keeps a copy of the primary mark set in this face. */
    keepTry: (trial: Trial) => void;
  }
  const { choose, keepTry }: Props = $props();
  const trials = useTrials();

  const change = (id: string, more: Partial<TypeDesk['kept'][number]>): TypeDesk => ({
    ...trials.desk.content,
    kept: trials.desk.content.kept.map((each) => (each.family === id ? { ...each, ...more } : each)),
  });
  const setAxis = (id: string, tag: string, value: number) => {
    const kept = trials.desk.content.kept.find(({ family }) => family === id);
    trials.desk.preview(change(id, { axes: { ...kept?.axes, [tag]: value } }));
  };
  const noteOf = (id: string) => trials.desk.content.kept.find(({ family }) => family === id)?.note ?? '';
</script>

<div class="strip" role="group" aria-label="Kept faces">
  {#each trials.kept as trial (trial.id)}
    <article aria-label={trial.name}>
      <button
        title="Looks at this face more closely"
        class="word"
        aria-label="Show {trial.name}"
        onclick={() => (trials.current = trial.id)}
        ><WordDrawing picture={trials.pictures.get(trial.id)} heightPx={54} widthPx={262} sizePx={38} /></button
      >
      <p><strong>{trial.name}</strong> <span class="quiet">{trial.license}</span></p>
      {#each trial.entry.axes.slice(0, 3) as axis (axis.tag)}
        <label>
          <span class="quiet">{AXIS_NAMES[axis.tag] ?? axis.tag}</span>
          <input
            title="Moves along this axis of the face; the name is set anew at once"
            type="range"
            aria-label="{trial.name}, {(AXIS_NAMES[axis.tag] ?? axis.tag).toLowerCase()}"
            min={axis.min}
            max={axis.max}
            step={(axis.max - axis.min) / 100}
            value={trials.fontOf(trial.id).axes[axis.tag] ?? restingValue(axis)}
            oninput={(event) => setAxis(trial.id, axis.tag, Number(event.currentTarget.value))}
            onchange={() => trials.desk.commit('Type desk')}
          />
        </label>
      {/each}
      <input
        title="What speaks for it or against it"
        class="note"
        aria-label="Note on {trial.name}"
        placeholder="note"
        value={noteOf(trial.id)}
        maxlength="500"
        oninput={(event) => trials.desk.preview(change(trial.id, { note: event.currentTarget.value }))}
        onblur={() => trials.desk.commit('Type desk')}
      />
      <p class="acts">
        <button title="The primary mark’s name takes this face; undo there takes it back" class="link" onclick={() => choose(trial)}
          >Set the name in it</button
        >
        <button title="A copy of the primary in this face, kept beside it" class="link" onclick={() => keepTry(trial)}>Keep a try</button>
        <button
          title="It is no longer kept; it stays among the trials"
          class="link"
          onclick={() => trials.desk.commit('Type desk', toggleKept(trials.desk.content, trial.id))}>Let go</button
        >
      </p>
    </article>
  {/each}
</div>

<style>
  .strip {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    background: var(--color-sheet);
  }
  article {
    min-width: 0;
    padding: 10px 14px;
    border-right: 1px solid var(--color-rule);
    border-bottom: 1px solid var(--color-rule);
  }
  .word {
    display: block;
  }
  label {
    display: grid;
    grid-template-columns: 70px 1fr;
    align-items: center;
    font-size: 11px;
  }
  input[type='range'] {
    width: 100%;
    height: 24px;
    accent-color: var(--color-plum);
  }
  .note {
    width: 100%;
    min-height: 24px;
    padding: 2px 0;
    border: 0;
    border-bottom: 1px solid var(--color-rule);
    background: none;
    font: italic 13px var(--font-serif);
  }
  .acts {
    display: flex;
    gap: 14px;
    margin-top: 4px;
    font-size: 12px;
  }
  .acts button {
    min-height: 24px;
  }
</style>
