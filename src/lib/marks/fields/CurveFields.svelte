<script lang="ts">
  import {
    CAPS,
    followedBy,
    type FreeCurve,
    isKnown,
    JOINS,
    kindOfPoint,
    POINT_KINDS,
    simplifyCurve,
    withPointAfter,
    withPointKind,
  } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Choice from '$lib/ui/Choice.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import PaintPicker from '$lib/ui/PaintPicker.svelte';
  import Tick from '$lib/ui/Tick.svelte';
  import GrowthFields from './GrowthFields.svelte';
  import NumberFields from './NumberFields.svelte';
  import { NUMBERS } from './numbers';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: FreeCurve } = $props();
  const table = useTable();
  const FAR = 100_000;
  const at = $derived(Math.min(table.point ?? 0, part.points.length - 1));
  const point = $derived(part.points[at]);
  const heavy = $derived(table.parts.filter((other) => isKnown(other) && other.id !== part.id && !followedBy(other).includes(part.id)));
  const setPoint = (change: Partial<FreeCurve['points'][number]>) =>
    table.preview(part.id, { points: part.points.map((each, index) => (index === at ? { ...each, ...change } : each)) });
  /** What may go unseen, as a share of the stroke or of a pixel. */
  const tolerance = $derived(Math.max(0.5, part.weightPx / 8));
</script>

<NumberFields {part} rows={NUMBERS.curve} />
{#if heavy.length > 0}
  <Pick
    label="As heavy as"
    hint="Takes the typical stroke of another part, and follows it"
    value={part.weightFrom ?? ''}
    options={[{ value: '', label: 'its own weight' }, ...heavy.map((other) => ({ value: other.id, label: table.nameOf(other) }))]}
    choose={(id) => table.change(part.id, 'Stroke weight', { weightFrom: id === '' ? null : id })}
  />
{/if}
<PaintPicker
  label="Color"
  palette={table.palette}
  value={table.differ(part, 'paint') ? 'mixed' : part.paint}
  choose={(paint) => table.change(part.id, 'Color', { paint })}
/>
<GrowthFields {part} />
{#if !part.growth}<Choice
    label="Ends"
    hint="How the curve ends where it is open"
    value={part.cap}
    options={CAPS.map((cap) => ({ value: cap, label: cap }))}
    choose={(cap) => table.change(part.id, 'Ends', { cap })}
  />
  <Choice
    label="Corners"
    hint="How the curve goes round a corner"
    value={part.join}
    options={JOINS.map((join) => ({ value: join, label: join }))}
    choose={(join) => table.change(part.id, 'Corners', { join })}
  />{/if}
<div class="two">
  <Tick
    label="Closed"
    hint="Joins the last point to the first"
    checked={part.closed}
    change={(closed) => table.change(part.id, closed ? 'Close' : 'Open', { closed })}
  />
  {#if part.closed}<Tick
      label="Filled"
      hint="Paints the inside as well"
      checked={part.filled}
      change={(filled) => table.change(part.id, 'Fill', { filled })}
    />{/if}
</div>
{#if point}
  <div class="two">
    <AmountField
      label="Point"
      hint="Which of its points is in hand"
      min={1}
      max={part.points.length}
      value={at + 1}
      preview={(number) => (table.point = Math.round(number) - 1)}
      commit={() => undefined}
    />
    <button
      title="A point halfway to the next one"
      class="link"
      onclick={() => table.change(part.id, 'Add point', { points: [...withPointAfter(part.points, at)] })}>Add one after</button
    >
    <AmountField
      label="X"
      hint="Where the point stands, to the right"
      unit="px"
      min={-FAR}
      max={FAR}
      value={point.x}
      preview={(x) => setPoint({ x })}
      commit={() => table.commit('Move point')}
    />
    <AmountField
      label="Y"
      hint="Where the point stands, downward"
      unit="px"
      min={-FAR}
      max={FAR}
      value={point.y}
      preview={(y) => setPoint({ y })}
      commit={() => table.commit('Move point')}
    />
  </div>
  <Choice
    label="It is"
    hint="Whether the curve runs through the point smoothly or has a corner there"
    value={kindOfPoint(point)}
    options={POINT_KINDS.map((kind) => ({ value: kind, label: kind }))}
    choose={(kind) => table.change(part.id, 'Point', { points: [...withPointKind(part.points, at, kind, part.closed)] })}
  />
  <p>
    {#if !part.closed}<button title="Goes on drawing where the curve ends" class="link" onclick={() => (table.drawing = true)}
        >Draw on</button
      >{/if}
    {#if part.points.length > 2}
      <button
        title="The curve runs on between its neighbors"
        class="link"
        onclick={() => table.change(part.id, 'Remove point', { points: part.points.filter((_, index) => index !== at) })}
        >Remove point</button
      >
      <button
        title="Fewer points, the same curve"
        class="link"
        onclick={() => table.change(part.id, 'Simplify', { points: [...simplifyCurve(part.points, tolerance)] })}>Simplify</button
      >
    {/if}
  </p>
{/if}

<style>
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    column-gap: 14px;
  }
  p {
    display: flex;
    gap: 16px;
    padding: 4px 0;
  }
</style>
