<script lang="ts">
  import {
    apply,
    freeCurve,
    invert,
    pathData,
    mapPath,
    withPointAfter,
    type FreeCurve,
    type FreePoint,
    type Point,
    type ResolvedPart,
  } from '$core/index';
  import { hold } from './hold';
  import PointHandles from './PointHandles.svelte';
  import type { StageView } from './stage-view.svelte';
  import { useTable } from '../table/table.svelte';

  interface Props {
    part: FreeCurve;
    resolved: ResolvedPart;
    view: StageView;
    surface: SVGSVGElement | undefined;
  }
  const { part, resolved, view, surface }: Props = $props();
  const table = useTable();

  const toScreen = (point: Point): Point => view.toScreen(apply(resolved.transform, point));
  function toPart(clientX: number, clientY: number): Point {
    const frame = surface?.getBoundingClientRect();
    const back = invert(resolved.transform);
    const mark = view.toMark({ x: clientX - (frame?.left ?? 0), y: clientY - (frame?.top ?? 0) });
    return back ? apply(back, mark) : mark;
  }
  const tenth = (value: number) => Math.round(value * 10) / 10;
  const line = $derived(
    pathData(
      mapPath(mapPath(freeCurve(part.points, part.closed), resolved.transform), {
        a: view.scale,
        b: 0,
        c: 0,
        d: view.scale,
        e: view.origin.x,
        f: view.origin.y,
      }),
    ),
  );
  /** Where a new point would come: the middle of every piece. */
  const middles = $derived(
    part.points.flatMap((_, at) => {
      if (at === part.points.length - 1 && !part.closed) return [];
      const fresh = withPointAfter(part.points, at)[at + 1];
      return fresh ? [{ at, place: toScreen(fresh) }] : [];
    }),
  );

  function pull(event: PointerEvent, at: number, what: 'point' | 'in' | 'out'): void {
    if (!surface || event.button !== 0) return;
    event.stopPropagation();
    surface.focus({ preventScroll: true });
    table.point = at;
    const began = part.points;
    hold(
      event,
      surface,
      (held) => {
        const to = toPart(held.clientX, held.clientY);
        const change = (point: FreePoint): FreePoint => {
          if (what === 'point') return { ...point, x: tenth(to.x), y: tenth(to.y) };
          const [x, y] = [tenth(to.x - point.x), tenth(to.y - point.y)];
          const length = Math.hypot(x, y) || 1;
          // Handles stay on one line unless Shift bends them apart.
          const other = what === 'in' ? Math.hypot(point.outX, point.outY) : Math.hypot(point.inX, point.inY);
          const [ox, oy] = held.shift || other === 0 ? [] : [tenth((-x / length) * other), tenth((-y / length) * other)];
          if (what === 'in') return { ...point, inX: x, inY: y, ...(ox === undefined || oy === undefined ? {} : { outX: ox, outY: oy }) };
          return { ...point, outX: x, outY: y, ...(ox === undefined || oy === undefined ? {} : { inX: ox, inY: oy }) };
        };
        table.preview(part.id, { points: began.map((point, index) => (index === at ? change(point) : point)) });
      },
      (moved) => moved && table.commit(what === 'point' ? 'Move point' : 'Bend'),
    );
  }
  function addPoint(event: PointerEvent, at: number): void {
    event.stopPropagation();
    table.change(part.id, 'Add point', { points: [...withPointAfter(part.points, at)] });
    table.point = at + 1;
  }
</script>

<!-- points have their numbers in the recipe column, which the keys reach -->
<g data-curve>
  <path class="line" d={line} />
  {#each middles as { at, place } (at)}
    <!-- svelte-ignore a11y_no_static_element_interactions -->
    <path
      class="add"
      d="M{place.x - 4} {place.y}h8M{place.x} {place.y - 4}v8"
      onpointerdown={(event) => addPoint(event, at)}
      data-handle="add-{at}"><title>Add a point here</title></path
    >
  {/each}
  <PointHandles points={part.points} {toScreen} {pull} current={table.point} />
</g>

<style>
  .line {
    fill: none;
    pointer-events: none;
    stroke: var(--color-amber);
    stroke-dasharray: 4 4;
  }
  .add {
    cursor: copy;
    stroke: var(--color-amber);
    stroke-width: 3;
    stroke-opacity: 0.55;
  }
</style>
