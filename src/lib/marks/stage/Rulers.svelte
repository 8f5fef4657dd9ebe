<script lang="ts">
  import { fromUnit, inUnit } from '$core/index';
  import { lengths } from '$lib/ui/shown-unit.svelte';
  import type { StageView } from './stage-view.svelte';

  const { view }: { view: StageView } = $props();

  /** The round number of the shown unit, in mark pixels, whose ticks stand at least 50 screen pixels apart. */
  const step = $derived.by(() => {
    const least = inUnit(50 / view.scale, lengths.unit);
    const power = 10 ** Math.floor(Math.log10(least));
    return fromUnit(([1, 2, 5, 10].find((factor) => factor * power >= least) ?? 10) * power, lengths.unit);
  });
  const ticks = (from: number, length: number): readonly number[] => {
    const first = Math.ceil(-from / view.scale / step) * step;
    const count = Math.max(0, Math.min(200, Math.floor((length - from) / view.scale / step - first / step) + 1));
    return Array.from({ length: count }, (_, index) => first + index * step);
  };
  const name = (value: number) => String(Number(inUnit(value, lengths.unit).toFixed(3)));
</script>

<svg class="across" aria-hidden="true">
  {#each ticks(view.origin.x, view.widthPx) as tick (tick)}
    {@const x = view.toScreen({ x: tick, y: 0 }).x}
    <path d="M{x} 0v14M{x + (step * view.scale) / 2} 9v5" /><text x={x + 3} y="9">{name(tick)}</text>
  {/each}
</svg>
<svg class="down" aria-hidden="true">
  {#each ticks(view.origin.y, view.heightPx) as tick (tick)}
    {@const y = view.toScreen({ x: 0, y: tick }).y}
    <path d="M0 {y}h14M9 {y + (step * view.scale) / 2}h5" /><text x={-y - 3} y="9" text-anchor="end" transform="rotate(-90)"
      >{name(tick)}</text
    >
  {/each}
</svg>

<style>
  svg {
    position: absolute;
    background: var(--color-paper);
  }
  .across {
    top: 0;
    left: 14px;
    width: calc(100% - 14px);
    height: 14px;
    border-bottom: 1px solid var(--color-rule);
  }
  .down {
    top: 14px;
    left: 0;
    width: 14px;
    height: calc(100% - 14px);
    border-right: 1px solid var(--color-rule);
  }
  path {
    stroke: var(--color-rule);
    fill: none;
  }
  text {
    fill: var(--color-quiet);
    font-size: 8px;
  }
</style>
