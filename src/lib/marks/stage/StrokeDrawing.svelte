<script lang="ts">
  import {
    apply,
    colorOf,
    compose,
    drawnStroke,
    dress,
    IDENTITY,
    invert,
    strokeMoved,
    strokeWay,
    type Affine,
    type HandStroke,
    type Point,
  } from '$core/index';
  import { isTyping } from '../table/keys';
  import { useTable } from '../table/table.svelte';
  import { onSurface } from './handles';
  import { hold } from './hold';
  import StageHint from './StageHint.svelte';
  import type { StageView } from './stage-view.svelte';

  interface Props {
    view: StageView;
    surface: SVGSVGElement | undefined;
  }
  const { view, surface }: Props = $props();
  const table = useTable();
  const { hand } = table;
  const strokes = $derived(hand.on?.strokes);

  /** Points of a drawn way may be off by so many CSS pixels. */
  const WITHIN_PX = 0.5;
  /** Strokes are taken this far around them, in CSS pixels. */
  const REACH_PX = 12;

  // The view stands still while somebody draws on it.
  $effect(() => {
    view.holding = true;
    return () => (view.holding = false);
  });

  /** From the pixels of what is treated to the screen. */
  const plane = $derived.by((): Affine => {
    const own = hand.on?.plane() ?? IDENTITY;
    return compose({ a: view.scale, b: 0, c: 0, d: view.scale, e: view.origin.x, f: view.origin.y }, own);
  });
  const scale = $derived(Math.sqrt(Math.abs(plane.a * plane.d - plane.b * plane.c)) || 1);
  const written = (points: readonly Point[]): string =>
    points
      .map((at) => apply(plane, at))
      .map(({ x, y }) => `${x},${y}`)
      .join(' ');
  const wayOf = (stroke: HandStroke): string => {
    const points = strokeWay(stroke, 6 / scale);
    // A dab is a line to where it began, so that it can be taken.
    return written(points.length === 1 ? [...points, ...points] : points);
  };
  const toPlane = (pointer: Pick<PointerEvent, 'clientX' | 'clientY'>): Point =>
    apply(invert(plane) ?? IDENTITY, onSurface(surface, pointer));
  /** Where the pointer is: the width of the brush is shown there. */
  let near: Point | undefined = $state();
  let way: readonly Point[] = $state.raw([]);
  const color = $derived(hand.manner.how === 'away' ? undefined : colorOf(hand.manner.paint, dress(table.palette, 'full')));

  function draw(event: PointerEvent): void {
    if (!surface || event.button !== 0) return;
    event.stopPropagation();
    event.preventDefault();
    surface.focus({ preventScroll: true });
    if (strokes?.full) return;
    const pressures = [event.pressure];
    way = [toPlane(event)];
    hold(
      event,
      surface,
      (held) => {
        way = [...way, toPlane(held)];
        pressures.push(held.pressure);
      },
      (moved, givenUp) => {
        const drawn = way;
        way = [];
        if (!givenUp && drawn.length > 0)
          hand.draw(drawnStroke(moved ? drawn : drawn.slice(0, 1), WITHIN_PX / scale, hand.manner, moved ? pressures : []));
      },
    );
  }
  function take(event: PointerEvent, at: number): void {
    const [held, stroke] = [strokes, strokes?.all[at]];
    if (!surface || event.button !== 0 || !held || !stroke) return;
    event.stopPropagation();
    event.preventDefault();
    surface.focus({ preventScroll: true });
    held.chosen = at;
    const from = toPlane(event);
    hold(
      event,
      surface,
      ({ clientX, clientY }) => {
        const to = toPlane({ clientX, clientY });
        held.put(at, strokeMoved(stroke, to.x - from.x, to.y - from.y));
      },
      (moved) => moved && held.commit('Move a stroke'),
    );
  }
  /** How far an arrow key moves the stroke in hand, in the pixels of what is treated. */
  const NUDGES: Readonly<Record<string, readonly [number, number]>> = {
    ArrowLeft: [-1, 0],
    ArrowRight: [1, 0],
    ArrowUp: [0, -1],
    ArrowDown: [0, 1],
  };
  function keys(event: KeyboardEvent): void {
    if (isTyping(event.target) || (event.target as Element).closest('dialog, [popover]')) return;
    const onStage = event.target === surface;
    const at = hand.mode === 'move' && onStage ? strokes?.chosen : undefined;
    const stroke = at === undefined ? undefined : strokes?.all[at];
    const [dx, dy] = NUDGES[event.key] ?? [0, 0];
    if (event.key === 'Escape' || (event.key === 'Enter' && onStage)) hand.end();
    else if (strokes && stroke && at !== undefined && (event.key === 'Delete' || event.key === 'Backspace')) strokes.remove(at);
    else if (strokes && stroke && at !== undefined && (dx !== 0 || dy !== 0)) {
      const by = event.shiftKey ? 10 : 1;
      strokes.put(at, strokeMoved(stroke, dx * by, dy * by));
      strokes.commit('Move a stroke');
    } else return;
    event.preventDefault();
    event.stopPropagation();
  }
</script>

<svelte:window onkeydowncapture={keys} />
<!-- drawing is the pointer's; every stroke has its numbers in the recipe column, which the keys reach -->
<!-- svelte-ignore a11y_no_static_element_interactions -->
<rect
  class="sheet"
  class:moving={hand.mode === 'move'}
  width={view.widthPx}
  height={view.heightPx}
  onpointerdown={(event) => {
    if (hand.mode === 'draw') draw(event);
    else {
      event.stopPropagation();
      if (strokes) strokes.chosen = undefined;
    }
  }}
  onpointermove={(event) => (near = toPlane(event))}
  onpointerleave={() => (near = undefined)}
  data-handle="strokes"
/>
{#if hand.mode === 'move'}
  {#each strokes?.all ?? [] as stroke, at (at)}
    <polyline class="way" class:chosen={strokes?.chosen === at} points={wayOf(stroke)} />
    <!-- svelte-ignore a11y_no_static_element_interactions -->
    <polyline
      class="reach"
      points={wayOf(stroke)}
      style:stroke-width="{Math.max(2 * REACH_PX, stroke.widthPx * scale)}px"
      onpointerdown={(event) => take(event, at)}
      data-handle="stroke-{at}"><title>Stroke {at + 1}: drag it, Delete removes it</title></polyline
    >
  {/each}
{:else if way.length > 0}
  <polyline
    class="drawn"
    points={written(way.length === 1 ? [...way, ...way] : way)}
    style:stroke={color ?? 'var(--color-amber)'}
    style:stroke-width="{hand.manner.widthPx * scale}px"
  />
{:else if near}
  {@const { x, y } = apply(plane, near)}
  <circle cx={x} cy={y} r={(hand.manner.widthPx * scale) / 2} />
{/if}
<StageHint {view}
  >{#if hand.mode === 'move'}Drag a stroke; Delete removes the one in hand. Escape ends it.{:else if strokes?.full}No more strokes fit in
    here: add another treatment by hand. Escape ends it.{:else}Draw to {hand.manner.how === 'away' ? 'rub out' : 'paint'}. Escape ends it.{/if}</StageHint
>

<style>
  .sheet {
    cursor: crosshair;
    fill: transparent;
  }
  .sheet.moving {
    cursor: default;
  }
  polyline {
    fill: none;
    pointer-events: none;
    stroke-linecap: round;
    stroke-linejoin: round;
  }
  .drawn {
    opacity: 0.6;
  }
  .way {
    stroke: var(--color-amber);
    stroke-dasharray: 4 4;
    stroke-width: 1.5;
  }
  .way.chosen {
    stroke: var(--color-plum);
    stroke-dasharray: none;
    stroke-width: 2;
  }
  .reach {
    cursor: grab;
    pointer-events: stroke;
    stroke: transparent;
  }
  circle {
    fill: none;
    pointer-events: none;
    stroke: var(--color-amber);
    stroke-width: 1.5;
  }
</style>
