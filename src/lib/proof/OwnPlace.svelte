<script lang="ts">
  import { MESH_SIDE, meshPlace, type Corner, type OwnGoods, type SceneFacts } from '$core/index';
  import type { Pulled } from './own-goods-desk.svelte';
  import { useProofDesk } from './proof-desk.svelte';

  interface Props {
    scene: SceneFacts;
    goods: OwnGoods;
    /** Whether the handles between the corners are shown. */
    bending: boolean;
    /** Whether the next click says where the cloth is. */
    coloring: boolean;
    color: (at: Corner) => void;
  }
  const { scene, goods, bending, coloring, color }: Props = $props();
  const desk = useProofDesk();
  let frame: HTMLElement | undefined = $state();
  let pull: { readonly what: Pulled; readonly before: OwnGoods; readonly x: number; readonly y: number } | undefined = $state.raw();
  let refused = $state(false);

  /** Bends of lines are drawn by so many straight pieces. */
  const PIECES = 24;
  const place = $derived(meshPlace(goods, 1, 1));
  const lines = $derived.by(() => {
    if (!place.ok) return [];
    const at = (u: number, v: number) => {
      const { x, y } = place.value(u, v);
      return `${(x * 1000).toFixed(1)},${(y * 1000).toFixed(1)}`;
    };
    const ways = bending ? [0, 1 / 3, 2 / 3, 1] : [0, 1];
    const along = Array.from({ length: PIECES + 1 }, (_, n) => n / PIECES);
    return ways.flatMap((way) => [along.map((t) => at(t, way)).join(' '), along.map((t) => at(way, t)).join(' ')]);
  });
  const handles = $derived.by(() => {
    const corners = goods.corners.map((corner, n) => ({
      ...{ what: { corner: n } as Pulled, at: corner, small: false },
      label: `Corner ${['upper left', 'upper right', 'lower right', 'lower left'][n]}`,
    }));
    if (!bending || !place.ok) return corners;
    const between = Array.from({ length: MESH_SIDE * MESH_SIDE }, (_, n) => n).flatMap((n) => {
      const [row, column] = [Math.floor(n / MESH_SIDE), n % MESH_SIDE];
      const outer = (k: number) => k === 0 || k === MESH_SIDE - 1;
      if (outer(row) && outer(column)) return [];
      return [
        {
          ...{ what: { handle: n } as Pulled, at: place.value(column / (MESH_SIDE - 1), row / (MESH_SIDE - 1)), small: true },
          label: `Bend, row ${row + 1}, column ${column + 1}`,
        },
      ];
    });
    return [...corners, ...between];
  });

  const shares = (event: PointerEvent): Corner => {
    const box = frame?.getBoundingClientRect();
    return box ? { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height } : { x: 0, y: 0 };
  };
  function grab(event: PointerEvent, what: Pulled): void {
    if (event.button !== 0) return;
    event.preventDefault();
    event.stopPropagation();
    if (coloring) return color(shares(event));
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    (event.currentTarget as HTMLElement).focus();
    pull = { what, before: goods, ...shares(event) };
    refused = false;
  }
  function move(event: PointerEvent): void {
    if (!pull) return;
    const now = shares(event);
    desk.own.preview(scene, desk.own.pulled(pull.before, pull.what, { x: now.x - pull.x, y: now.y - pull.y }));
  }
  function drop(): void {
    if (!pull) return;
    pull = undefined;
    settle();
  }
  /** Corners that cross are put back where they were, with a sentence. */
  function settle(): void {
    refused = !desk.own.holds(goods);
    if (refused) desk.goods.cancel();
    else desk.goods.commit('Move its place');
  }
  const STEP = 0.002;
  function keys(event: KeyboardEvent, what: Pulled): void {
    const step = event.shiftKey ? STEP * 5 : STEP;
    const by = {
      ArrowLeft: { x: -step, y: 0 },
      ArrowRight: { x: step, y: 0 },
      ArrowUp: { x: 0, y: -step },
      ArrowDown: { x: 0, y: step },
    }[event.key];
    if (!by) return;
    event.preventDefault();
    desk.own.preview(scene, desk.own.pulled(goods, what, by));
    settle();
  }
</script>

<!-- svelte-ignore a11y_no_static_element_interactions -->
<div class="frame" class:coloring bind:this={frame} onpointerdown={(event) => coloring && event.button === 0 && color(shares(event))}>
  <svg viewBox="0 0 1000 1000" preserveAspectRatio="none" aria-hidden="true">
    {#each lines as points, n (n)}<polyline {points} class="under" /><polyline {points} />{/each}
  </svg>
  {#if place.ok}
    {@const middle = place.value(0.5, 0.5)}
    <button
      class="handle middle"
      style:left="{middle.x * 100}%"
      style:top="{middle.y * 100}%"
      aria-label="The whole place"
      title="Pull the whole place; arrows move it"
      onpointerdown={(event) => grab(event, 'place')}
      onpointermove={move}
      onpointerup={drop}
      onpointercancel={drop}
      onkeydown={(event) => keys(event, 'place')}
    ></button>
  {/if}
  {#each handles as { what, at, small, label } (label)}
    <button
      class="handle"
      class:small
      style:left="{at.x * 100}%"
      style:top="{at.y * 100}%"
      aria-label={label}
      title="{label}: pull it, or move it with the arrows"
      onpointerdown={(event) => grab(event, what)}
      onpointermove={move}
      onpointerup={drop}
      onpointercancel={drop}
      onkeydown={(event) => keys(event, what)}
    ></button>
  {/each}
  {#if refused}<p class="refused" role="alert">The corners crossed; they are back where they were.</p>{/if}
</div>

<style>
  .frame {
    position: absolute;
    inset: 0;
  }
  .coloring {
    cursor: crosshair;
  }
  svg {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    pointer-events: none;
  }
  polyline {
    fill: none;
    stroke: #fff;
    stroke-width: 1.25;
    vector-effect: non-scaling-stroke;
  }
  .under {
    stroke: #000;
    stroke-opacity: 0.55;
    stroke-width: 3.25;
  }
  .handle {
    position: absolute;
    width: 24px;
    height: 24px;
    translate: -50% -50%;
    background: radial-gradient(circle, #fff 0 5px, #000 5.5px 7px, transparent 7.5px);
    cursor: grab;
    touch-action: none;
  }
  .small {
    background: radial-gradient(circle, #fff 0 3px, #000 3.5px 4.5px, transparent 5px);
  }
  .middle {
    background:
      linear-gradient(#fff, #fff) center / 13px 3px no-repeat,
      linear-gradient(#fff, #fff) center / 3px 13px no-repeat,
      radial-gradient(circle, rgb(0 0 0 / 60%) 0 10px, transparent 10.5px);
    cursor: move;
  }
  .coloring .handle {
    cursor: crosshair;
  }
  .refused {
    position: absolute;
    inset: auto 0 0;
    padding: 6px 10px;
    background: var(--color-sheet);
  }
</style>
