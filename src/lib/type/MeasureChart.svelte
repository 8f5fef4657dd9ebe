<script lang="ts">
  import { brush as makeBrush, extent, scaleLinear, select, type D3BrushEvent } from 'd3';
  import { MEASURE_LABELS, SHOWN_MEASURES, useTrials, type ShownMeasure, type Trial } from './trials.svelte';

  const trials = useTrials();
  const WIDTH = 274;
  const HEIGHT = 226;
  const MARGIN = { left: 14, right: 8, top: 18, bottom: 20 };

  const valueOf = (trial: Trial, measure: ShownMeasure) => Number(trial.entry.measures[measure]);
  const scaleOf = (measure: ShownMeasure, range: [number, number]) => {
    const [low = 0, high = 1] = extent(trials.all, (trial) => valueOf(trial, measure));
    return scaleLinear().domain([low, high]).range(range).nice();
  };
  const x = $derived(scaleOf(trials.chart.x, [MARGIN.left + 8, WIDTH - MARGIN.right]));
  const y = $derived(scaleOf(trials.chart.y, [HEIGHT - MARGIN.bottom - 8, MARGIN.top]));
  let hovered: string | undefined = $state();
  const shownIds = $derived(new Set(trials.shown.map(({ id }) => id)));

  let layer: SVGGElement | undefined = $state();
  $effect(() => {
    if (!layer) return;
    const [across, up] = [x, y];
    const tool = makeBrush<unknown>()
      .extent([
        [MARGIN.left, MARGIN.top - 8],
        [WIDTH, HEIGHT - MARGIN.bottom],
      ])
      .on('end', ({ selection }: D3BrushEvent<unknown>) => {
        const area = selection as [[number, number], [number, number]] | null;
        trials.brush = area
          ? { x: [across.invert(area[0][0]), across.invert(area[1][0])], y: [up.invert(area[1][1]), up.invert(area[0][1])] }
          : undefined;
      });
    const surface = select(layer);
    surface.call(tool);
    return () => void surface.selectAll('*').remove();
  });
</script>

<section aria-label="Chart of all faces">
  <div class="axes">
    <select
      title="What is measured from left to right"
      aria-label="Across"
      value={trials.chart.x}
      onchange={(event) => ((trials.brush = undefined), (trials.chart = { ...trials.chart, x: event.currentTarget.value as ShownMeasure }))}
    >
      {#each SHOWN_MEASURES as measure (measure)}<option value={measure}>{MEASURE_LABELS[measure]}</option>{/each}
    </select>
    <span class="label">×</span>
    <select
      title="What is measured from below to above"
      aria-label="Up"
      value={trials.chart.y}
      onchange={(event) => ((trials.brush = undefined), (trials.chart = { ...trials.chart, y: event.currentTarget.value as ShownMeasure }))}
    >
      {#each SHOWN_MEASURES as measure (measure)}<option value={measure}>{MEASURE_LABELS[measure]}</option>{/each}
    </select>
  </div>
  <svg
    width={WIDTH}
    height={HEIGHT}
    role="img"
    aria-label="{MEASURE_LABELS[trials.chart.x]} across, {MEASURE_LABELS[trials.chart.y]} up; {trials.all.length} faces"
  >
    <path class="frame" d="M{MARGIN.left} {MARGIN.top - 8}V{HEIGHT - MARGIN.bottom}H{WIDTH}" />
    <text x={MARGIN.left + 4} y={10}>↑ {MEASURE_LABELS[trials.chart.y]}</text>
    <text x={WIDTH} y={HEIGHT - 6} text-anchor="end">{MEASURE_LABELS[trials.chart.x]} →</text>
    <g bind:this={layer}></g>
    {#each trials.all as trial (trial.id)}
      <!-- Dots repeat what the trials beside them say; keys walk through those. -->
      <!-- svelte-ignore a11y_no_static_element_interactions, a11y_click_events_have_key_events -->
      <circle
        cx={x(valueOf(trial, trials.chart.x))}
        cy={y(valueOf(trial, trials.chart.y))}
        r={trials.keptIds.has(trial.id) ? 4.5 : 3.5}
        class:kept={trials.keptIds.has(trial.id)}
        class:away={!shownIds.has(trial.id)}
        class:current={trials.current === trial.id}
        onpointerenter={() => (hovered = trial.id)}
        onpointerleave={() => (hovered = undefined)}
        onclick={() => (trials.current = trial.id)}
      />
    {/each}
    {#if hovered}
      {@const trial = trials.trial(hovered)}
      {@const picture = trials.pictures.get(hovered)}
      {#if trial && picture?.box}
        {@const scale = Math.min(0.22, 190 / (picture.box.right - picture.box.left))}
        <g class="hover" transform="translate(24 {y(valueOf(trial, trials.chart.y)) > HEIGHT / 2 ? 24 : HEIGHT - 74})">
          <rect width="210" height="44" />
          <path d={picture.data} transform="translate({10 - picture.box.left * scale} 24) scale({scale})" />
          <text x="10" y="39">{trial.name}</text>
        </g>
      {/if}
    {/if}
  </svg>
  {#if trials.brush}<button title="Lets go of the part of the chart that was chosen" class="link" onclick={() => (trials.brush = undefined)}
      >Show all faces again</button
    >{/if}
</section>

<style>
  .axes {
    display: flex;
    align-items: center;
    gap: 4px;
  }
  select {
    min-width: 0;
    max-width: 128px;
    padding: 2px 22px 2px 0;
    border: 0;
    background-color: transparent;
    font-size: 11px;
    font-weight: 600;
    letter-spacing: 0.06em;
    text-transform: uppercase;
  }
  .frame {
    stroke: var(--color-ink);
    fill: none;
  }
  text {
    font-size: 10px;
  }
  circle {
    fill: #b9b19d;
    cursor: pointer;
  }
  circle.away {
    opacity: 0.25;
  }
  circle.kept {
    fill: var(--color-plum);
  }
  circle.current {
    stroke: var(--color-ink);
    stroke-width: 1.5;
  }
  .hover {
    pointer-events: none;
  }
  .hover rect {
    fill: var(--color-sheet);
    stroke: var(--color-rule);
  }
</style>
