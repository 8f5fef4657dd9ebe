<script lang="ts">
  import { MOST_SHEET_GOODS, type MarkOnGoods, type SceneFacts } from '$core/index';
  import Pick from '$lib/ui/Pick.svelte';

  interface Props {
    marks: readonly { readonly id: string; readonly name: string }[];
    scenes: readonly SceneFacts[];
    chosen: readonly MarkOnGoods[];
    change: (gesture: string, goods: readonly { readonly mark: string; readonly scene: string }[]) => void;
  }
  const { marks, scenes, chosen, change }: Props = $props();
  const kept = $derived(chosen.map(({ mark, scene }) => ({ mark, scene: scene.name })));
  const free = $derived(scenes.filter(({ name }) => !kept.some(({ scene }) => scene === name)));
  const [first] = $derived(marks);
</script>

<fieldset>
  <legend>Marks on goods</legend>
  <!-- one thing may stand twice, with two marks -->
  {#each chosen as { mark, scene }, at (at)}
    <div class="one">
      <Pick
        label={scene.label}
        hint="Which mark is shown on it; how it lies there is chosen on the proof wall"
        options={marks.map(({ id, name }) => ({ value: id, label: name }))}
        value={mark}
        choose={(value) =>
          change(
            'Mark on goods',
            kept.map((each, n) => (n === at ? { ...each, mark: value } : each)),
          )}
      />
      <button
        title="The goods stay on the proof wall"
        aria-label="Take off: {scene.label.toLowerCase()}"
        class="link"
        onclick={() =>
          change(
            'Take goods off the sheet',
            kept.filter((_, n) => n !== at),
          )}>Take off</button
      >
    </div>
  {/each}
  {#if first && chosen.length < MOST_SHEET_GOODS}
    <Pick
      label="Add goods"
      hint="One more thing that a mark is shown on; up to {MOST_SHEET_GOODS} on a sheet"
      options={[{ value: '', label: 'choose …' }, ...free.map(({ name, label }) => ({ value: name, label }))]}
      value=""
      choose={(scene) => scene !== '' && change('Add goods to the sheet', [...kept, { mark: first.id, scene }])}
    />
  {/if}
</fieldset>

<style>
  fieldset {
    display: grid;
    padding-top: 6px;
  }
  legend {
    font-size: 13px;
  }
  .one {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    align-items: center;
    gap: 10px;
  }
</style>
