<svelte:options namespace="svg" />

<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { StageView } from './stage-view.svelte';

  const { view, children }: { view: StageView; children: Snippet } = $props();
</script>

<!-- what the hand can do right now, at the foot of the stage -->
<text x={view.widthPx / 2} y={view.heightPx - 18}>{@render children()}</text>

<style>
  text {
    fill: var(--color-ink);
    font-size: 12px;
    paint-order: stroke;
    pointer-events: none;
    stroke: var(--color-sheet);
    stroke-width: 4px;
    text-anchor: middle;
  }
</style>
