<svelte:options namespace="svg" />

<script lang="ts">
  import type { ResolvedPart } from '$core/index';
  import { useTable } from '../table/table.svelte';
  import { switchedAt, wovenIn } from '../table/woven';
  import type { StageView } from './stage-view.svelte';

  const { view }: { view: StageView } = $props();
  const table = useTable();
  const woven = $derived(table.selected ? wovenIn(table.selected, table.open.recipe) : undefined);
  const resolved: ResolvedPart | undefined = $derived(woven && table.resolved(woven.id));

  function exchange(event: PointerEvent, index: number): void {
    if (event.button !== 0 || !woven) return;
    event.stopPropagation();
    table.change(woven.id, 'Over and under', { switched: switchedAt(woven, index) });
  }
</script>

<!-- every crossing has its button in the recipe column, which the keys reach -->
{#if woven && resolved?.crossings}
  <g data-crossings>
    {#each resolved.crossings as crossing, index (index)}
      {@const { x, y } = view.toScreen(crossing)}
      <!-- svelte-ignore a11y_no_static_element_interactions -->
      <path
        d="M{x - 7} {y}L{x} {y - 7}L{x + 7} {y}L{x} {y + 7}Z"
        onpointerdown={(event) => exchange(event, index)}
        data-handle="crossing-{index + 1}"><title>Crossing {index + 1}: exchange over and under</title></path
      >
    {/each}
  </g>
{/if}

<style>
  path {
    cursor: pointer;
    fill: var(--color-sheet);
    fill-opacity: 0.75;
    stroke: var(--color-plum);
    stroke-width: 1.5;
  }
</style>
