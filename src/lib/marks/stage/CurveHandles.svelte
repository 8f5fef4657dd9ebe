<script lang="ts">
  import { apply, freeCurve, pathData, mapPath, withPointAfter, type FreeCurve, type Point, type ResolvedPart } from '$core/index';
  import { pointedIn, pulledPoint, type PulledOf } from './handles';
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

  function pull(event: PointerEvent, at: number, what: PulledOf): void {
    if (!surface || event.button !== 0) return;
    event.stopPropagation();
    surface.focus({ preventScroll: true });
    table.point = at;
    const began = part.points;
    hold(
      event,
      surface,
      (held) => {
        const to = pointedIn(resolved.transform, view, surface, held);
        if (to)
          table.preview(part.id, {
            points: began.map((point, index) => (index === at ? pulledPoint(point, what, to, held.shift) : point)),
          });
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
