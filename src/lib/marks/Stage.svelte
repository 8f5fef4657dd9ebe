<script lang="ts">
  import { isKnown, labelOf, type Point, type ResolvedPart } from '$core/index';
  import CropTicks from './CropTicks.svelte';
  import Rulers from './Rulers.svelte';
  import type { StageView } from './stage-view.svelte';
  import { useTable } from './table.svelte';
  import SvgMarkup from '$lib/ui/SvgMarkup.svelte';

  interface Props {
    view: StageView;
    /** A CSS color, or `clear` for the transparent ground. */
    ground: string;
  }
  const { view, ground }: Props = $props();
  const table = useTable();

  let fitted = false;
  $effect(() => {
    if (fitted || view.widthPx === 0 || !table.desk.stage?.ink) return;
    fitted = true;
    view.fit(table.desk.stage.ink);
  });

  const ticks = $derived(table.selectedId ? table.resolved(table.selectedId) : undefined);
  const size = (part: ResolvedPart) =>
    part.ink ? `${(part.ink.right - part.ink.left).toFixed(1)} × ${(part.ink.bottom - part.ink.top).toFixed(1)} px` : '';

  /** The frontmost part that can be taken hold of at a place: painted ink first, then ink boxes. */
  function partAt(event: PointerEvent): string | undefined {
    const free = (id: string | undefined) => {
      const part = table.parts.find((candidate) => candidate.id === id);
      return part && isKnown(part) && !part.locked && !part.hidden ? part.id : undefined;
    };
    const painted = free((event.target as Element).closest('[data-part]')?.getAttribute('data-part') ?? undefined);
    if (painted) return painted;
    const at = view.toMark(onStage(event));
    const reach = 4 / view.scale;
    const inside = table.desk.stage?.parts.findLast(
      ({ id, ink }) =>
        free(id) && ink && at.x >= ink.left - reach && at.x <= ink.right + reach && at.y >= ink.top - reach && at.y <= ink.bottom + reach,
    );
    return inside?.id;
  }

  let surface: SVGSVGElement | undefined = $state();
  const onStage = (event: MouseEvent): Point => {
    const frame = surface?.getBoundingClientRect();
    return { x: event.clientX - (frame?.left ?? 0), y: event.clientY - (frame?.top ?? 0) };
  };

  function take(event: PointerEvent): void {
    if (event.button === 1 || event.altKey) return hold(event, (x, y, dx, dy) => view.pan(dx, dy));
    if (event.button !== 0) return;
    surface?.focus({ preventScroll: true });
    const id = partAt(event);
    table.selectedId = id;
    const part = table.selected;
    if (!part || !isKnown(part)) return;
    const start = part.place;
    hold(
      event,
      (x, y, _dx, _dy, square) => {
        // Shift keeps to the longer of the two directions.
        const across = square && Math.abs(x) < Math.abs(y) ? 0 : x;
        const down = square && Math.abs(x) >= Math.abs(y) ? 0 : y;
        table.preview(part.id, { place: { ...start, x: round(start.x + across / view.scale), y: round(start.y + down / view.scale) } });
      },
      () => table.commit('Move'),
    );
  }
  const round = (value: number) => Math.round(value * 100) / 100;

  function hold(
    event: PointerEvent,
    move: (x: number, y: number, dx: number, dy: number, square: boolean) => void,
    end?: () => void,
  ): void {
    surface?.setPointerCapture(event.pointerId);
    let last = { x: event.clientX, y: event.clientY };
    const moved = (at: PointerEvent) => {
      move(at.clientX - event.clientX, at.clientY - event.clientY, at.clientX - last.x, at.clientY - last.y, at.shiftKey);
      last = { x: at.clientX, y: at.clientY };
    };
    const done = () => {
      surface?.removeEventListener('pointermove', moved);
      surface?.removeEventListener('pointerup', done);
      surface?.removeEventListener('pointercancel', done);
      end?.();
    };
    surface?.addEventListener('pointermove', moved);
    surface?.addEventListener('pointerup', done);
    surface?.addEventListener('pointercancel', done);
  }

  function wheel(event: WheelEvent): void {
    event.preventDefault();
    if (event.ctrlKey || event.metaKey) view.zoom(Math.exp(-event.deltaY / 240), onStage(event));
    else view.pan(-event.deltaX, -event.deltaY);
  }
</script>

<div class="stage" bind:clientWidth={view.widthPx} bind:clientHeight={view.heightPx}>
  <!-- the stage takes the keys that move what is selected -->
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <svg
    bind:this={surface}
    class:clear-ground={ground === 'clear'}
    style:background={ground === 'clear' ? undefined : ground}
    role="application"
    aria-label="Stage{table.selected ? `, ${labelOf(table.selected)} selected` : ''}"
    tabindex="0"
    onpointerdown={take}
    onwheel={wheel}
  >
    <g transform="translate({view.origin.x} {view.origin.y}) scale({view.scale})" data-stage>
      {#each table.desk.stage?.groups ?? [] as group (group.id)}
        <g data-part={group.id}><SvgMarkup markup={group.markup} /></g>
      {/each}
    </g>
    {#if ticks?.ink}<CropTicks box={view.boxToScreen(ticks.ink)} label={size(ticks)} />{/if}
  </svg>
  <Rulers {view} />
  {#if table.desk.problem}<p role="alert">{table.desk.problem}</p>{/if}
</div>

<style>
  .stage {
    position: relative;
    overflow: hidden;
    min-height: 0;
  }
  .stage > svg {
    display: block;
    width: 100%;
    height: 100%;
    touch-action: none;
    user-select: none;
  }
  .stage > svg:focus-visible {
    outline-offset: -2px;
  }
  g[data-part] {
    cursor: move;
  }
  p {
    position: absolute;
    right: 20px;
    bottom: 12px;
    left: 20px;
    color: var(--color-rust);
  }
</style>
