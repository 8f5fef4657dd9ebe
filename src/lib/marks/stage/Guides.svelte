<script lang="ts">
  import type { Guide } from './snap';
  import type { StageView } from './stage-view.svelte';

  const { guides, view }: { guides: readonly Guide[]; view: StageView } = $props();
  const AIR = 14;
  const ends = (guide: Guide) => {
    const upright = guide.axis === 'upright';
    const from = view.toScreen(upright ? { x: guide.at, y: guide.from } : { x: guide.from, y: guide.at });
    const to = view.toScreen(upright ? { x: guide.at, y: guide.to } : { x: guide.to, y: guide.at });
    return upright
      ? { x1: from.x, x2: to.x, y1: from.y - AIR, y2: to.y + AIR }
      : { x1: from.x - AIR, x2: to.x + AIR, y1: from.y, y2: to.y };
  };
</script>

<g aria-hidden="true">
  {#each guides as guide, index (index)}
    {@const line = ends(guide)}
    <line {...line} />
    <text x={line.x2 + 6} y={guide.axis === 'upright' ? line.y2 + 12 : line.y2 - 6} text-anchor={guide.axis === 'upright' ? 'start' : 'end'}
      >{guide.label}</text
    >
  {/each}
</g>

<style>
  line {
    stroke: var(--color-amber);
    stroke-dasharray: 4 3;
    stroke-width: 1;
  }
  text {
    fill: var(--color-amber);
    font-weight: 600;
    font-size: 12px;
    paint-order: stroke;
    stroke: var(--color-sheet);
    stroke-width: 4px;
  }
</style>
