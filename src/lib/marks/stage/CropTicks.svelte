<svelte:options namespace="svg" />

<script lang="ts">
  import type { Bounds } from '$core/index';
  import type { Grip } from './pulling';

  interface Props {
    /** The selected ink, in screen pixels. */
    box: Bounds;
    label: string;
    /** Takes hold of a corner, a side, or of the place outside a corner; without it the ticks are only looked at. */
    pull?: ((event: PointerEvent, grip: Grip) => void) | undefined;
  }
  const { box, label, pull }: Props = $props();
  const GAP = 10;
  const LENGTH = 16;
  const SIDE = 7;
  const corners = $derived([
    [box.left, box.top, -1, -1],
    [box.right, box.top, 1, -1],
    [box.left, box.bottom, -1, 1],
    [box.right, box.bottom, 1, 1],
  ] as const);
  const sides = $derived([
    [box.left, (box.top + box.bottom) / 2, -1, 0],
    [box.right, (box.top + box.bottom) / 2, 1, 0],
    [(box.left + box.right) / 2, box.top, 0, -1],
    [(box.left + box.right) / 2, box.bottom, 0, 1],
  ] as const);
  const shape = (x: number, y: number, across: number, down: number) =>
    `M${x + across * GAP} ${y}h${across * LENGTH}M${x} ${y + down * GAP}v${down * LENGTH}`;
  /** Small frames leave their sides to the corners. */
  const roomy = $derived(box.right - box.left > 40 && box.bottom - box.top > 40);
  const way = (across: number, down: number) =>
    across === 0 ? 'ns-resize' : down === 0 ? 'ew-resize' : across * down > 0 ? 'nwse-resize' : 'nesw-resize';
</script>

<g class="ticks" aria-hidden="true">
  {#each corners as [x, y, across, down], index (index)}
    <path d={shape(x, y, across, down)} />
    {#if pull}
      <!-- numbers in the recipe column do the same by keys -->
      <!-- svelte-ignore a11y_no_static_element_interactions -->
      <circle
        class="hit turn"
        data-grip="turn {across} {down}"
        cx={x + across * (GAP + LENGTH + 2)}
        cy={y + down * (GAP + LENGTH + 2)}
        r="12"
        onpointerdown={(event) => pull(event, { pulls: 'turn', x: across, y: down })}
      />
      <path
        class="arc"
        d="M{x + across * (GAP + LENGTH)} {y + down * GAP}A{LENGTH} {LENGTH} 0 0 {across * down > 0 ? 1 : 0} {x + across * GAP} {y +
          down * (GAP + LENGTH)}"
      />
      <!-- svelte-ignore a11y_no_static_element_interactions -->
      <path
        class="hit"
        data-grip="size {across} {down}"
        style:cursor={way(across, down)}
        d="{shape(x, y, across, down)}M{x + across * 2} {y + down * 2}h{across * 16}v{down * 16}h{-across * 16}z"
        onpointerdown={(event) => pull(event, { pulls: 'size', x: across, y: down })}
      />
    {/if}
  {/each}
  {#if pull && roomy}
    {#each sides as [x, y, across, down], index (index)}
      {@const tick = `M${x + across * GAP} ${y + down * GAP}l${across * SIDE} ${down * SIDE}`}
      <path d={tick} />
      <!-- svelte-ignore a11y_no_static_element_interactions -->
      <path
        class="hit"
        data-grip="size {across} {down}"
        style:cursor={way(across, down)}
        d="M{x + across * 2 - (across === 0 ? 10 : 0)} {y + down * 2 - (down === 0 ? 10 : 0)}h{across === 0 ? 20 : across * 18}v{down === 0
          ? 20
          : down * 18}h{across === 0 ? -20 : -across * 18}z"
        onpointerdown={(event) => pull(event, { pulls: 'size', x: across, y: down })}
      />
    {/each}
  {/if}
  <text x={box.right + GAP} y={box.bottom + GAP + 14 + (pull ? LENGTH : 0)} text-anchor="end">{label}</text>
</g>

<style>
  path {
    stroke: var(--color-plum);
    stroke-width: 1.5;
    fill: none;
    pointer-events: none;
  }
  .hit {
    stroke: transparent;
    stroke-width: 10;
    fill: transparent;
    pointer-events: all;
  }
  .turn {
    fill: transparent;
    cursor: grab;
    pointer-events: all;
    stroke: none;
  }
  .arc {
    opacity: 0;
    stroke-width: 1;
  }
  .turn:hover + .arc {
    opacity: 1;
  }
  text {
    fill: var(--color-plum);
    font-weight: 600;
    font-size: 12px;
    paint-order: stroke;
    pointer-events: none;
    stroke: var(--color-sheet);
    stroke-width: 10px;
    stroke-linejoin: round;
  }
</style>
