<svelte:options namespace="svg" />

<script lang="ts">
  import { interpolateRgb, scaleLinear } from 'd3';
  import type { Protection } from '$core/index';

  interface Props {
    protection: Protection;
    widthPx: number;
    heightPx: number;
  }
  /** Where ink is seen, and how plainly; and the largest piece that shows none. */
  const { protection, widthPx, heightPx }: Props = $props();
  const strength = scaleLinear().domain([0.5, 3]).range([0.15, 0.75]).clamp(true);
  const color = interpolateRgb('#8a5a10', '#6e2f6b');
  const cells = $derived.by(() => {
    const { columns, seen } = protection;
    const found = [];
    for (let at = 0; at < seen.length; at++) {
      const value = seen[at] ?? 0;
      if (value >= 0.5) found.push({ at, x: at % columns, y: Math.floor(at / columns), value });
    }
    return found;
  });
  const [wide, high] = $derived([widthPx / protection.columns, heightPx / protection.rows]);
</script>

<g class="heat" aria-hidden="true">
  {#each cells as { at, x, y, value } (at)}
    <rect x={x * wide} y={y * high} width={wide} height={high} fill={color(Math.min(1, value / 3))} opacity={strength(value)} />
  {/each}
  {#if protection.free.share > 0.004}
    <rect
      class="free"
      x={protection.free.left * widthPx}
      y={protection.free.top * heightPx}
      width={(protection.free.right - protection.free.left) * widthPx}
      height={(protection.free.bottom - protection.free.top) * heightPx}
    />
  {/if}
</g>

<style>
  .heat {
    pointer-events: none;
  }
  .free {
    fill: none;
    stroke: var(--color-rust);
    stroke-width: 2px;
    stroke-dasharray: 8 5;
    vector-effect: non-scaling-stroke;
  }
</style>
