<script lang="ts">
  import type { Bounds } from '$core/index';

  interface Props {
    /** The selected ink, in screen pixels. */
    box: Bounds;
    label: string;
  }
  const { box, label }: Props = $props();
  const GAP = 10;
  const LENGTH = 16;
  const corners = $derived([
    [box.left, box.top, -1, -1],
    [box.right, box.top, 1, -1],
    [box.left, box.bottom, -1, 1],
    [box.right, box.bottom, 1, 1],
  ] as const);
</script>

<g class="ticks" aria-hidden="true">
  {#each corners as [x, y, across, down], index (index)}
    <path d="M{x + across * GAP} {y}h{across * LENGTH}M{x} {y + down * GAP}v{down * LENGTH}" />
  {/each}
  <text x={box.right + GAP} y={box.bottom + GAP + 14} text-anchor="end">{label}</text>
</g>

<style>
  path {
    stroke: var(--color-plum);
    stroke-width: 1.5;
    fill: none;
  }
  text {
    fill: var(--color-plum);
    font-weight: 600;
    font-size: 12px;
    paint-order: stroke;
    stroke: var(--color-sheet);
    stroke-width: 4px;
  }
</style>
