<script lang="ts">
  import { onDestroy, onMount } from 'svelte';
  import ArrowLeft from '@lucide/svelte/icons/arrow-left';
  import ArrowRight from '@lucide/svelte/icons/arrow-right';
  import Brush from '@lucide/svelte/icons/brush';
  import Plus from '@lucide/svelte/icons/plus';
  import X from '@lucide/svelte/icons/x';
  import {
    BRUSH_NAMES,
    brushOf,
    middleOfStroke,
    straightStroke,
    strokeMoved,
    strokeTurned,
    type HandStroke,
    type KnownTreatment,
    type StrokeManner,
  } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Choice from '$lib/ui/Choice.svelte';
  import PaintPicker from '$lib/ui/PaintPicker.svelte';
  import { Strokes } from '../table/hand-brush.svelte';
  import { useTable } from '../table/table.svelte';
  import type { TreatmentDesk } from './treatment-desk';

  interface Props {
    treatment: Extract<KnownTreatment, { kind: 'by-hand' }>;
    desk: TreatmentDesk;
  }
  const { treatment, desk }: Props = $props();
  const table = useTable();
  const { hand } = table;

  // A list and the place of a treatment in it stay what they are as long as its numbers are open.
  // svelte-ignore state_referenced_locally
  const held = new Strokes(desk, treatment.id);
  const drawing = $derived(hand.on?.strokes === held);
  const strokes = $derived(treatment.strokes);
  const at = $derived(held.chosen);
  /** The stroke in hand; without one, what is set is for the next. */
  const stroke = $derived(at === undefined ? undefined : strokes[at]);
  const manner = $derived<StrokeManner>(stroke ?? hand.manner);
  const middle = $derived(stroke && middleOfStroke(stroke));

  const suited = (): number => Math.min(2000, Math.max(0.5, Number((desk.heightPx * 0.12).toPrecision(2))));
  // What was only just added is there to be drawn: the hand begins at once, in a width that suits it.
  onMount(() => {
    if (treatment.strokes.length > 0) return;
    hand.manner = { ...hand.manner, widthPx: suited() };
    hand.begin(held);
  });
  onDestroy(() => {
    if (hand.on?.strokes === held) hand.end();
  });

  const put = (changed: HandStroke): void => {
    if (at !== undefined) held.put(at, changed);
  };
  function preview(change: Partial<StrokeManner>): void {
    if (stroke) put({ ...stroke, ...change });
    else hand.manner = { ...hand.manner, ...change };
  }
  const commit = (): void => {
    if (stroke) held.commit('Change a stroke');
  };
  function set(change: Partial<StrokeManner>): void {
    preview(change);
    commit();
  }
  function addStraight(): void {
    const half = desk.heightPx / 2;
    const box = desk.box?.() ?? { left: -half, right: half, top: -half, bottom: half };
    const place = strokes.length;
    held.add('Add a stroke', straightStroke(box, hand.manner));
    held.chosen = place;
  }
</script>

<div class="acts">
  {#if desk.plane}
    <button
      class="main"
      aria-pressed={drawing && hand.mode === 'draw'}
      title="Every pull on the stage is a stroke; Escape ends it"
      onclick={() => (drawing && hand.mode === 'draw' ? hand.end() : hand.begin(held))}><Brush size={14} /> Draw on the stage</button
    >
    <button
      aria-pressed={drawing && hand.mode === 'move'}
      title="Strokes are shown on the stage: drag one, or remove it with Delete"
      disabled={strokes.length === 0}
      onclick={() => (drawing && hand.mode === 'move' ? hand.end() : hand.begin(held, 'move'))}>Move strokes</button
    >
  {:else}<p class="quiet">Strokes here are set by their numbers: add a straight one, and move or turn it.</p>{/if}
</div>
<div class="steps">
  <button
    class="icon"
    aria-label="Stroke before"
    title="Takes the stroke before this one in hand"
    disabled={strokes.length === 0 || at === 0}
    onclick={() => (held.chosen = at === undefined ? strokes.length - 1 : at - 1)}><ArrowLeft size={14} /></button
  >
  <span aria-live="polite">
    {#if strokes.length === 0}No stroke yet{:else if stroke && at !== undefined}Stroke {at + 1} of {strokes.length}{:else}{strokes.length}
      {strokes.length === 1 ? 'stroke' : 'strokes'}; set for the next{/if}
  </span>
  <button
    class="icon"
    aria-label="Stroke after"
    title="Takes the stroke after this one in hand; after the last one, what is set is for the next"
    disabled={at === undefined}
    onclick={() => (held.chosen = at === undefined || at + 1 >= strokes.length ? undefined : at + 1)}><ArrowRight size={14} /></button
  >
  {#if stroke}<button
      class="icon"
      aria-label="Remove this stroke"
      title="The stroke goes; undo brings it back"
      onclick={() => at !== undefined && held.remove(at)}><X size={14} /></button
    >{/if}
</div>
<Choice
  label="It"
  hint="Rubs out, clear through to what lies behind; paints; or paints only where something is"
  value={manner.how}
  options={[
    { value: 'away', label: 'rubs out' },
    { value: 'on', label: 'paints' },
    { value: 'inside', label: 'paints inside' },
  ]}
  choose={(how) => set({ how })}
/>
<Choice
  label="Brush"
  hint={brushOf(manner.brush).hint}
  value={manner.brush}
  options={BRUSH_NAMES.map((value) => ({ value, label: brushOf(value).label }))}
  choose={(brush) => set({ brush })}
/>
{#if manner.how !== 'away'}<PaintPicker
    label="Color"
    palette={table.palette}
    value={manner.paint}
    choose={(paint) => set({ paint })}
  />{/if}
<div class="two">
  <AmountField
    label="Width"
    hint="How wide the brush is; a pen that is pressed less draws thinner"
    unit="px"
    lengths
    min={0.5}
    max={2000}
    value={manner.widthPx}
    preview={(widthPx) => preview({ widthPx })}
    {commit}
  />
  <AmountField
    label="Seed"
    hint="Another number is another edge of the same brush"
    unit=""
    digits={0}
    min={0}
    max={999_999}
    value={manner.seed}
    preview={(seed) => preview({ seed: Math.round(seed) })}
    {commit}
  />
  {#if stroke && middle}
    <AmountField
      label="Stroke x"
      hint="Where the middle of the stroke stands, from left to right"
      unit="px"
      lengths
      min={-100_000}
      max={100_000}
      value={middle.x}
      preview={(x) => put(strokeMoved(stroke, x - middle.x, 0))}
      {commit}
    />
    <AmountField
      label="Stroke y"
      hint="Where the middle of the stroke stands, from above"
      unit="px"
      lengths
      min={-100_000}
      max={100_000}
      value={middle.y}
      preview={(y) => put(strokeMoved(stroke, 0, y - middle.y))}
      {commit}
    />
  {/if}
</div>
<div class="acts">
  {#if stroke}
    <button
      title="The stroke is turned by 15° to the right"
      onclick={() => {
        put(strokeTurned(stroke, 15));
        commit();
      }}>Turn by 15°</button
    >
  {/if}
  <button
    title="A straight stroke across the middle, for who draws without a pointer: move and turn it by its numbers"
    disabled={held.full}
    onclick={addStraight}><Plus size={13} /> Straight stroke</button
  >
</div>

<style>
  .acts,
  .steps {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 4px 14px;
  }
  .acts button {
    display: flex;
    align-items: center;
    gap: 4px;
    min-height: 26px;
    color: var(--color-plum);
  }
  .acts .main {
    font-weight: 600;
  }
  .acts button[aria-pressed='true'] {
    text-decoration: underline;
    text-underline-offset: 3px;
  }
  .acts button:disabled,
  .icon:disabled {
    color: var(--color-quiet);
    opacity: 0.6;
  }
  .steps {
    gap: 4px;
    font-size: 13px;
  }
  .icon {
    display: grid;
    place-items: center;
    width: 24px;
    height: 24px;
    color: var(--color-quiet);
  }
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    column-gap: 14px;
  }
</style>
