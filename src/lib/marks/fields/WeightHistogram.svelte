<script lang="ts">
  import { lengths } from '$lib/ui/shown-unit.svelte';
  import { bin, max, scaleLinear } from 'd3';

  interface Props {
    /** Thicknesses in mark pixels and how much outline each stands for. */
    places: readonly { readonly thickness: number; readonly length: number }[];
    medianPx: number;
    thinnestPx: number;
  }
  const { places, medianPx, thinnestPx }: Props = $props();
  const WIDTH = 288;
  const HEIGHT = 62;
  const FOOT = 14;
  const widest = $derived(Math.max(max(places, ({ thickness }) => thickness) ?? 1, 1e-6));
  const x = $derived(scaleLinear([0, widest], [0, WIDTH]).nice());
  const bars = $derived(
    bin<(typeof places)[number], number>()
      .value(({ thickness }) => thickness)
      .domain(x.domain() as [number, number])
      .thresholds(36)([...places])
      .map((group) => ({ from: group.x0 ?? 0, to: group.x1 ?? 0, length: group.reduce((sum, { length }) => sum + length, 0) })),
  );
  const y = $derived(scaleLinear([0, max(bars, ({ length }) => length) ?? 1], [HEIGHT - FOOT, 4]));
  const px = (value: number) => (lengths.unit === 'px' && value >= 10 ? `${Math.round(value)} px` : lengths.text(value));
</script>

<svg viewBox="0 0 {WIDTH} {HEIGHT}" role="img" aria-label="Stroke widths: median {px(medianPx)}, thinnest {px(thinnestPx)}">
  {#each bars as { from, to, length } (from)}
    <rect x={x(from) + 0.5} width={Math.max(0, x(to) - x(from) - 1)} y={y(length)} height={Math.max(0, HEIGHT - FOOT - y(length))} />
  {/each}
  <line class="median" x1={x(medianPx)} x2={x(medianPx)} y1="0" y2={HEIGHT - FOOT} />
  <line class="thinnest" x1={x(thinnestPx)} x2={x(thinnestPx)} y1="0" y2={HEIGHT - FOOT} />
  <line class="axis" x1="0" x2={WIDTH} y1={HEIGHT - FOOT} y2={HEIGHT - FOOT} />
  {#each x.ticks(5) as tick (tick)}<text x={Math.min(Math.max(x(tick), 6), WIDTH - 8)} y={HEIGHT - 3}>{tick}</text>{/each}
</svg>
<p class="quiet">typical {px(medianPx)} · thinnest <span class="thin">{px(thinnestPx)}</span></p>

<style>
  svg {
    display: block;
    width: 100%;
  }
  rect {
    fill: var(--color-rule);
  }
  .median {
    stroke: var(--color-plum);
    stroke-width: 1.5;
  }
  .thinnest {
    stroke: var(--color-rust);
    stroke-dasharray: 2 2;
  }
  .axis {
    stroke: var(--color-quiet);
  }
  text {
    fill: var(--color-quiet);
    font-size: 10px;
    text-anchor: middle;
  }
  p {
    font-size: 12px;
  }
  .thin {
    color: var(--color-rust);
  }
</style>
