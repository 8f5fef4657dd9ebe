<svelte:options namespace="svg" />

<script lang="ts">
  import type { FreePoint, Point } from '$core/index';
  import { diamond, type PulledOf } from './handles';

  /** The points of a curve with their handles, to be pulled. */
  interface Props {
    points: readonly FreePoint[];
    toScreen: (point: Point) => Point;
    pull: (event: PointerEvent, at: number, what: PulledOf) => void;
    /** The point in hand. */
    current?: number | undefined;
  }
  const { points, toScreen, pull, current }: Props = $props();
</script>

<!-- points have their numbers in the recipe column, which the keys reach -->
{#each points as point, at (at)}
  {@const here = toScreen(point)}
  {#each [{ what: 'in', x: point.inX, y: point.inY }, { what: 'out', x: point.outX, y: point.outY }] as const as { what, x, y } (what)}
    {#if x !== 0 || y !== 0}
      {@const end = toScreen({ x: point.x + x, y: point.y + y })}
      <line x1={here.x} y1={here.y} x2={end.x} y2={end.y} />
      <!-- svelte-ignore a11y_no_static_element_interactions -->
      <rect
        class="bend"
        x={end.x - 3.5}
        y={end.y - 3.5}
        width="7"
        height="7"
        onpointerdown={(event) => pull(event, at, what)}
        data-handle="{what}-{at}"
      />
    {/if}
  {/each}
  <!-- svelte-ignore a11y_no_static_element_interactions -->
  <path
    class="point"
    class:current={current === at}
    d={diamond(here)}
    onpointerdown={(event) => pull(event, at, 'point')}
    data-handle="point-{at}"
  />
{/each}

<style>
  line {
    stroke: var(--color-amber);
    stroke-width: 0.75;
  }
  .bend,
  .point {
    cursor: grab;
    fill: var(--color-sheet);
    stroke: var(--color-plum);
    stroke-width: 1.5;
  }
  .bend {
    stroke: var(--color-amber);
    stroke-width: 1;
  }
  .point.current {
    fill: var(--color-primary-200);
  }
</style>
