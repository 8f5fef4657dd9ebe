<script lang="ts">
  import { addPart, apply, createPart, expect, freePartId, type FreeCurve, type FreePoint, type Point } from '$core/index';
  import { onSurface, pointedIn, tenth } from './handles';
  import { hold } from './hold';
  import StageHint from './StageHint.svelte';
  import type { StageView } from './stage-view.svelte';
  import { useTable } from '../table/table.svelte';

  interface Props {
    view: StageView;
    surface: SVGSVGElement | undefined;
  }
  const { view, surface }: Props = $props();
  const table = useTable();

  /** So near to its first point a click closes the curve, in CSS pixels. */
  const CLOSING_PX = 9;
  /** Shorter pulls are clicks. */
  const BEND_PX = 3;
  const curve = $derived(table.selected?.kind === 'curve' ? table.selected : undefined);
  /** Where the pointer is, for the piece that would come next. */
  let near: Point | undefined = $state();

  // The view stands still while somebody draws on it.
  $effect(() => {
    view.holding = true;
    return () => (view.holding = false);
  });

  const mapOf = (part: FreeCurve | undefined) => (part && table.resolved(part.id)?.transform) ?? { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };
  const toScreen = (part: FreeCurve, point: Point): Point => view.toScreen(apply(mapOf(part), point));
  /** From the screen to where the curve's points are counted. */
  function toPart(part: FreeCurve | undefined, pointer: Pick<PointerEvent, 'clientX' | 'clientY'>): Point {
    const own = pointedIn(mapOf(part), view, surface, pointer) ?? view.toMark(onSurface(surface, pointer));
    return { x: tenth(own.x), y: tenth(own.y) };
  }
  const last = $derived(curve && toScreen(curve, curve.points.at(-1) as FreePoint));
  const first = $derived(curve && curve.points.length > 2 ? toScreen(curve, curve.points[0] as FreePoint) : undefined);
  const closes = (at: Point): boolean => first !== undefined && Math.hypot(at.x - first.x, at.y - first.y) < CLOSING_PX;

  /** A click sets a corner; a pull bends the curve through the new point, alike on both sides. */
  function setPoint(event: PointerEvent): void {
    if (!surface || event.button !== 0) return;
    event.stopPropagation();
    event.preventDefault();
    if (curve && closes(onSurface(surface, event))) {
      table.change(curve.id, 'Close', { closed: true });
      table.drawing = false;
      return;
    }
    const before = table.open.recipe;
    const id = curve?.id ?? freePartId(before, 'curve');
    const at = toPart(curve, event);
    const points = curve?.points ?? [];
    const show = (outX: number, outY: number) => {
      const next = [...points, { ...at, inX: 0 - outX, inY: 0 - outY, outX, outY }];
      if (curve) table.preview(id, { points: next });
      else table.previewRecipe(addPart(before, expect(createPart({ kind: 'curve', id, points: next }))));
    };
    const part = curve;
    hold(
      event,
      surface,
      (held) => {
        const to = toPart(part, held);
        if (Math.hypot(held.x, held.y) > BEND_PX) show(tenth(to.x - at.x), tenth(to.y - at.y));
      },
      (moved) => {
        if (!moved) show(0, 0);
        table.commit(part ? 'Draw on' : 'Draw a curve');
        table.selectedId = id;
        table.point = points.length;
      },
    );
  }
  function keys(event: KeyboardEvent): void {
    if (event.key !== 'Enter' && event.key !== 'Escape') return;
    event.preventDefault();
    event.stopPropagation();
    table.drawing = false;
  }
</script>

<svelte:window onkeydowncapture={keys} />
<!-- drawing is the pointer's; every point has its numbers in the recipe column, which the keys reach -->
<!-- svelte-ignore a11y_no_static_element_interactions -->
<rect
  class="sheet"
  width={view.widthPx}
  height={view.heightPx}
  onpointerdown={setPoint}
  onpointermove={(event) => (near = onSurface(surface, event))}
  data-handle="drawing"
/>
{#if last && near}<line x1={last.x} y1={last.y} x2={near.x} y2={near.y} />{/if}
{#if first}<circle cx={first.x} cy={first.y} r={CLOSING_PX} class:closing={near && closes(near)} />{/if}
<StageHint {view}>Click for a corner, pull for a bend. {curve ? 'Enter ends it.' : ''}</StageHint>

<style>
  .sheet {
    cursor: crosshair;
    fill: transparent;
  }
  line {
    pointer-events: none;
    stroke: var(--color-amber);
    stroke-dasharray: 4 4;
  }
  circle {
    fill: none;
    pointer-events: none;
    stroke: var(--color-amber);
  }
  circle.closing {
    fill: var(--color-primary-100);
    stroke: var(--color-plum);
  }
</style>
