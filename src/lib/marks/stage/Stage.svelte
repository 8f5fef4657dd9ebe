<script lang="ts">
  import {
    apply,
    changePart,
    goingAlone,
    invert,
    isKnown,
    referencesOf,
    shifted,
    type Bounds,
    type KnownPart,
    type Point,
    type Recipe,
    type ResolvedPart,
  } from '$core/index';
  import CropTicks from './CropTicks.svelte';
  import CurveDrawing from './CurveDrawing.svelte';
  import CurveHandles from './CurveHandles.svelte';
  import Guides from './Guides.svelte';
  import { hold } from './hold';
  import CutHandles from '../lettering/CutHandles.svelte';
  import LetterHandles from '../lettering/LetterHandles.svelte';
  import LineHandles from '../lettering/LineHandles.svelte';
  import type { Ground } from './photos';
  import Rulers from './Rulers.svelte';
  import { snap, snapLines, type Guide } from './snap';
  import type { StageView } from './stage-view.svelte';
  import { isTyping } from '../table/keys';
  import { useTable } from '../table/table.svelte';
  import SvgGroup from '$lib/ui/SvgGroup.svelte';

  interface Props {
    view: StageView;
    ground: Ground;
    /** Whether every part is shown in a color of its own, to tell them apart. */
    apart: boolean;
  }
  const { view, ground, apart }: Props = $props();
  const table = useTable();

  // The whole mark stays in view until somebody looks closer: a longer name or a new part never runs off the stage.
  /** Room for the rulers and the crop ticks. */
  const EDGE_PX = 36;
  let began = false;
  let shownAt = '';
  $effect(() => {
    const ink = table.shownInk;
    if (!ink || view.widthPx === 0 || view.holding) return;
    const shown = view.boxToScreen(ink);
    const inside =
      shown.left >= EDGE_PX && shown.top >= EDGE_PX && shown.right <= view.widthPx - EDGE_PX && shown.bottom <= view.heightPx - EDGE_PX;
    // A stage of another size shows the mark as large as it then can.
    const size = `${view.widthPx} × ${view.heightPx}`;
    const resized = size !== shownAt;
    shownAt = size;
    if ((!began && !view.looked) || (view.fitted && (!inside || resized))) view.fit(ink);
    began = true;
  });

  const ticks = $derived(table.selectedId ? table.resolved(table.selectedId) : undefined);
  const chosenInks = $derived((table.desk.stage?.parts ?? []).flatMap(({ id, ink }) => (ink && table.isChosen(id) ? [{ id, ink }] : [])));
  const size = (part: ResolvedPart) =>
    part.ink ? `${(part.ink.right - part.ink.left).toFixed(1)} × ${(part.ink.bottom - part.ink.top).toFixed(1)} px` : '';
  const lettering = $derived(table.selected?.kind === 'lettering' && !table.selected.locked ? table.selected : undefined);
  const inLetters = $derived(lettering !== undefined && (table.letter !== undefined || table.gap !== undefined));

  const pointed = $derived(table.pointedAt === undefined ? undefined : table.resolved(table.pointedAt));
  const ghosts = $derived(new Set(table.parts.flatMap((part) => (part.kind !== 'unknown' && part.ghost ? [part.id] : []))));

  /** Colors far from their neighbors in the stack: a golden turn of hue from one to the next. */
  const ownColor = (index: number) => `oklch(0.62 0.15 ${(index * 137.508) % 360})`;

  /** How far the ink's balance stands from the middle of its box. */
  const balance = $derived.by(() => {
    if (!ticks?.ink || !ticks.balance || guides.length > 0) return undefined;
    const middle = (ticks.ink.left + ticks.ink.right) / 2;
    const off = ticks.balance.x - middle;
    if (Math.abs(off) < 0.05) return undefined;
    const at = view.toScreen({ x: ticks.balance.x, y: ticks.ink.bottom });
    return { x: at.x, top: view.toScreen({ x: 0, y: ticks.ink.top }).y, bottom: at.y, off };
  });

  /** The parts whose picture lies under the pointer, innermost first, with the elements that hold them. */
  function drawnAt(event: MouseEvent): readonly { readonly id: string; readonly element: SVGGraphicsElement }[] {
    const found: { readonly id: string; readonly element: SVGGraphicsElement }[] = [];
    for (let at = event.target as Element | null; at && at !== surface; at = at.parentElement) {
      const id = at.getAttribute('data-part') ?? at.id.replace(/^stage-/, '').replace(/~\d+$/, '');
      if (id !== '' && found.at(-1)?.id !== id && table.parts.some((part) => part.id === id))
        found.push({ id, element: at as SVGGraphicsElement });
    }
    return found;
  }
  const isFree = (id: string | undefined): boolean => {
    const part = table.parts.find((candidate) => candidate.id === id);
    return part !== undefined && isKnown(part) && !part.locked && !part.hidden;
  };

  /**
   * The part that can be taken hold of at a place: painted ink first, then ink boxes. Of parts within parts the outermost,
   * or a neighbor of the one that is chosen; a double click goes one deeper.
   */
  function partAt(event: MouseEvent, deeper = false): { readonly id: string; readonly element?: SVGGraphicsElement } | undefined {
    const under = drawnAt(event).filter(({ id }) => isFree(id));
    const withinOf = (id: string | undefined) => (id === undefined ? undefined : table.resolved(id)?.within);
    const here = deeper ? under.find(({ id }) => withinOf(id) !== undefined && withinOf(id) === table.selectedId) : undefined;
    const neighbor = under.find(
      ({ id }) => id === table.selectedId || (withinOf(id) !== undefined && withinOf(id) === withinOf(table.selectedId)),
    );
    const painted = here ?? neighbor ?? under.at(-1);
    if (painted) return painted;
    const at = view.toMark(onStage(event));
    const reach = 4 / view.scale;
    const inside = table.desk.stage?.parts.findLast(
      ({ id, ink, within }) =>
        within === undefined &&
        isFree(id) &&
        ink &&
        at.x >= ink.left - reach &&
        at.x <= ink.right + reach &&
        at.y >= ink.top - reach &&
        at.y <= ink.bottom + reach,
    );
    return inside && { id: inside.id };
  }

  let surface: SVGSVGElement | undefined = $state();
  const onStage = (event: MouseEvent): Point => {
    const frame = surface?.getBoundingClientRect();
    return { x: event.clientX - (frame?.left ?? 0), y: event.clientY - (frame?.top ?? 0) };
  };

  let guides: readonly Guide[] = $state.raw([]);
  /** On the screen, so that it is the same at every zoom. */
  const SNAP_PX = 6;
  const round = (value: number) => Math.round(value * 100) / 100;

  /** Two clicks nearer to each other than this are one double click. */
  const DOUBLE_CLICK_MS = 450;
  let lastTaken = 0;
  let spaceHeld = $state(false);
  /** The frame that is pulled to choose what lies inside, on the screen. */
  let frame: Bounds | undefined = $state.raw();

  /** Another click at one place goes on to what lies behind, and round to the front again. */
  function chooseBehind(event: PointerEvent, id: string): void {
    const under: string[] = [];
    for (const element of document.elementsFromPoint(event.clientX, event.clientY)) {
      const found = surface?.contains(element) ? element.closest('[data-part]')?.getAttribute('data-part') : undefined;
      if (found && isFree(found) && !under.includes(found)) under.push(found);
    }
    if (under.length > 1 && under.includes(id)) table.selectedId = under[(under.indexOf(id) + 1) % under.length];
  }

  /** From an empty place: chooses everything that lies inside of the frame; with Shift besides what is chosen. */
  function pullFrame(event: PointerEvent, on: Element): void {
    const before = event.shiftKey ? table.chosen.map((part) => part.id) : [];
    const start = onStage(event);
    if (!event.shiftKey) table.selectedId = undefined;
    hold(
      event,
      on,
      ({ x, y }) => {
        const pulled = {
          left: Math.min(start.x, start.x + x),
          right: Math.max(start.x, start.x + x),
          top: Math.min(start.y, start.y + y),
          bottom: Math.max(start.y, start.y + y),
        };
        frame = pulled;
        const inside = (table.desk.stage?.parts ?? []).flatMap(({ id, ink, within }) => {
          if (within !== undefined || !ink || !isFree(id)) return [];
          const box = view.boxToScreen(ink);
          const lies = box.left >= pulled.left && box.right <= pulled.right && box.top >= pulled.top && box.bottom <= pulled.bottom;
          return lies ? [id] : [];
        });
        table.choose([...before, ...inside.filter((id) => !before.includes(id))]);
      },
      () => (frame = undefined),
    );
  }

  function take(event: PointerEvent): void {
    if (!surface) return;
    if (event.button === 1 || event.altKey || spaceHeld) return hold(event, surface, ({ stepX, stepY }) => view.pan(stepX, stepY));
    if (event.button !== 0) return;
    surface.focus({ preventScroll: true });
    const hit = partAt(event);
    const id = hit?.id;
    // Beside the letters in hand, a click lets go of them.
    if (inLetters && id === table.selectedId) table.letter = table.gap = undefined;
    if (event.shiftKey && id !== undefined) return table.toggle(id);
    if (id === undefined) return pullFrame(event, surface);
    const again = table.chosen.length === 1 && table.isChosen(id) && event.timeStamp - lastTaken > DOUBLE_CLICK_MS;
    lastTaken = event.timeStamp;
    if (!table.isChosen(id)) table.selectedId = id;
    const part = table.selected;
    if (!part || !isKnown(part)) return;
    const began = table.open.recipe;
    const moved = goingAlone(table.chosen.filter(({ locked }) => !locked));
    view.holding = true;
    const resolved = table.resolved(part.id);
    const moving = resolved && snapLines(resolved);
    // Where the place is counted that is dragged: a mirrored copy pulls its original the other way.
    const stageMap = surface.querySelector<SVGGraphicsElement>('[data-stage]')?.getScreenCTM();
    const ownMap = hit?.element?.hasAttribute('data-part')
      ? stageMap
      : (hit?.element?.parentNode as SVGGraphicsElement | undefined)?.getScreenCTM?.();
    const inPlane = (x: number, y: number): Point => {
      if (!stageMap || !ownMap || table.chosen.length > 1) return { x, y };
      const screen = { x: stageMap.a * x + stageMap.c * y, y: stageMap.b * x + stageMap.d * y };
      const back = invert({ a: ownMap.a, b: ownMap.b, c: ownMap.c, d: ownMap.d, e: 0, f: 0 });
      return back ? apply(back, screen) : { x, y };
    };
    // What follows the dragged part moves along, so that it cannot hold it.
    const still = (table.desk.stage?.parts ?? []).flatMap((other) => {
      const mate = table.parts.find((candidate) => candidate.id === other.id);
      const hidden = !mate || mate.kind === 'unknown' || mate.hidden;
      const follows = !hidden && referencesOf(mate).some(({ id, as }) => as !== 'takes' && id === part.id);
      const apart = other.within !== resolved?.within || table.isChosen(other.id);
      const lines = apart || follows || hidden ? undefined : snapLines(other);
      return lines ? [lines] : [];
    });
    hold(
      event,
      surface,
      (held) => {
        // Shift keeps to the longer of the two directions; Ctrl keeps out of every snap.
        const across = held.shift && Math.abs(held.x) < Math.abs(held.y) ? 0 : held.x / view.scale;
        const down = held.shift && Math.abs(held.x) >= Math.abs(held.y) ? 0 : held.y / view.scale;
        const drawn = moving && !held.ctrl ? snap(moving, still, across, down, SNAP_PX / view.scale) : { dx: across, dy: down, guides: [] };
        guides = drawn.guides;
        if (moved.length > 1 || !moved.some(({ id }) => id === part.id))
          return table.previewRecipe(moved.reduce((recipe, each) => moveIn(recipe, each, drawn.dx, drawn.dy), began));
        const by = inPlane(drawn.dx, drawn.dy);
        table.preview(part.id, { place: { ...part.place, x: round(part.place.x + by.x), y: round(part.place.y + by.y) } });
      },
      (went) => {
        guides = [];
        view.holding = false;
        if (went) table.commit('Move');
        else if (again) chooseBehind(event, id);
      },
    );
  }

  function moveIn(recipe: Recipe, part: KnownPart, dx: number, dy: number): Recipe {
    const resolved = table.resolved(part.id);
    return resolved ? changePart(recipe, part.id, { place: shifted(part, resolved, dx, dy).place }) : recipe;
  }

  /** A double click goes into what a part draws, and into letters. */
  function intoLetters(event: MouseEvent): void {
    const id = partAt(event, true)?.id;
    const part = table.parts.find((candidate) => candidate.id === id);
    if (part && id !== table.selectedId) {
      table.selectedId = id;
      return;
    }
    if (part?.kind !== 'lettering' || part.locked) return;
    table.selectedId = part.id;
    const at = view.toMark(onStage(event));
    const resolved = table.resolved(part.id);
    const near = resolved?.lettering?.letters
      .filter(({ text }) => text.trim() !== '')
      .map((letter) => {
        const { a, b, c, d, e, f } = resolved.transform;
        const x = a * letter.at.x + c * (letter.at.y - letter.heightPx / 2) + e;
        const y = b * letter.at.x + d * (letter.at.y - letter.heightPx / 2) + f;
        return { index: letter.index, distance: Math.hypot(x - at.x, y - at.y) };
      })
      .sort((one, other) => one.distance - other.distance)[0];
    table.letter = near?.index;
  }

  function wheel(event: WheelEvent): void {
    event.preventDefault();
    if (event.ctrlKey || event.metaKey) view.zoom(Math.exp(-event.deltaY / 240), onStage(event));
    else view.pan(-event.deltaX, -event.deltaY);
  }
  const spoken = $derived.by(() => {
    if (!table.selected) return '';
    const letter = table.letter === undefined ? undefined : ticks?.lettering?.letters.find(({ index }) => index === table.letter);
    return `, ${table.nameOf(table.selected)} selected${letter ? `, letter ${letter.text}` : ''}`;
  });
</script>

<svelte:window
  onkeydown={(event) => {
    if (event.key !== ' ' || isTyping(event.target) || (event.target as Element).closest('button, a, summary, dialog, [popover]')) return;
    event.preventDefault();
    spaceHeld = true;
  }}
  onkeyup={(event) => event.key === ' ' && (spaceHeld = false)}
  onblur={() => (spaceHeld = false)}
/>
<div class="stage" bind:clientWidth={view.widthPx} bind:clientHeight={view.heightPx}>
  <div class="ground" class:clear-ground={ground.kind === 'clear'} style:background={ground.kind === 'color' ? ground.color : undefined}>
    {#if ground.kind === 'photo'}<img src={ground.photo.address} alt="" />{/if}
  </div>
  <!-- the stage takes the keys that move what is selected -->
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <svg
    bind:this={surface}
    role="application"
    aria-label="Stage{spoken}"
    tabindex="0"
    onpointerdown={take}
    class:panning={spaceHeld}
    onpointermove={(event) => event.buttons === 0 && (table.pointedAt = partAt(event)?.id)}
    onpointerleave={() => (table.pointedAt = undefined)}
    ondblclick={intoLetters}
    onwheel={wheel}
    ondragover={(event) => event.dataTransfer?.types.includes('Files') && event.preventDefault()}
    ondrop={(event) => {
      const files = [...(event.dataTransfer?.files ?? [])];
      if (files.length === 0) return;
      event.preventDefault();
      void table.bringIn(files);
    }}
  >
    <g transform="translate({view.origin.x} {view.origin.y}) scale({view.scale})" data-stage>
      {#each table.desk.stage?.groups ?? [] as group, index (group.id)}
        <g
          data-part={group.id}
          class:ghost={ghosts.has(group.id)}
          class:told-apart={apart}
          style:--own={apart ? ownColor(index) : undefined}><SvgGroup {group} /></g
        >
      {/each}
    </g>
    {#each chosenInks as { id, ink } (id)}<CropTicks
        box={view.boxToScreen(ink)}
        label={ticks && id === ticks.id ? size(ticks) : ''}
      />{/each}
    {#if balance}
      <g class="balance" aria-hidden="true">
        <line x1={balance.x} x2={balance.x} y1={balance.top - 30} y2={balance.bottom + 12} />
        <text x={balance.x + 6} y={balance.top - 22}>optical center {balance.off > 0 ? '+' : '−'}{Math.abs(balance.off).toFixed(1)} px</text
        >
      </g>
    {/if}
    {#if table.selected?.kind === 'curve' && !table.selected.locked && ticks}
      <CurveHandles part={table.selected} resolved={ticks} {view} {surface} />
    {/if}
    {#if lettering && ticks}
      {#if inLetters}<LetterHandles part={lettering} resolved={ticks} {view} {surface} />{/if}
      {#if lettering.line.shape !== 'straight'}<LineHandles part={lettering} resolved={ticks} {view} {surface} />{/if}
      {#if lettering.cuts.length + lettering.belts.length > 0}<CutHandles part={lettering} resolved={ticks} {view} {surface} />{/if}
    {/if}
    {#if pointed?.ink && !table.isChosen(pointed.id) && !view.holding}
      {@const box = view.boxToScreen(pointed.ink)}
      <rect class="pointed" x={box.left - 2} y={box.top - 2} width={box.right - box.left + 4} height={box.bottom - box.top + 4} />
    {/if}
    {#if frame}<rect class="frame" x={frame.left} y={frame.top} width={frame.right - frame.left} height={frame.bottom - frame.top} />{/if}
    <Guides {guides} {view} />
    {#if table.drawing}<CurveDrawing {view} {surface} />{/if}
  </svg>
  <Rulers {view} />
  {#if table.desk.problem}<p role="alert">{table.desk.problem}</p>{/if}
</div>

<style>
  .stage {
    position: relative;
    contain: strict;
    overflow: hidden;
    min-height: 0;
  }
  /* Ground and mark are layers of their own, so that a change of the mark paints the mark and nothing else. */
  .ground {
    position: absolute;
    inset: 0;
    will-change: transform;
  }
  .stage > svg {
    position: relative;
    display: block;
    will-change: transform;
    width: 100%;
    height: 100%;
    touch-action: none;
    user-select: none;
  }
  .stage > svg:focus-visible {
    outline-offset: -2px;
  }
  .ground img {
    width: 100%;
    height: 100%;
    object-fit: cover;
  }
  .panning,
  .panning g[data-part] {
    cursor: grab;
  }
  .pointed {
    fill: none;
    pointer-events: none;
    stroke: var(--color-plum);
    stroke-opacity: 0.45;
  }
  .frame {
    fill: var(--color-plum);
    fill-opacity: 0.07;
    pointer-events: none;
    stroke: var(--color-plum);
    stroke-dasharray: 5 3;
  }
  g[data-part] {
    cursor: move;
  }
  .told-apart :global(path) {
    fill: var(--own);
  }
  /* A ghost is an outline only; its white line under the dark one shows on every ground. */
  .ghost :global(path) {
    fill: #fff;
    fill-opacity: 0.01;
    stroke: var(--color-ink);
    stroke-width: 1px;
    vector-effect: non-scaling-stroke;
  }
  .ghost :global(image),
  .told-apart :global(image) {
    opacity: 0.25;
  }
  .balance line {
    pointer-events: none;
    stroke: var(--color-amber);
    stroke-dasharray: 3 3;
    stroke-width: 1;
  }
  .balance text {
    fill: var(--color-amber);
    font-weight: 600;
    font-size: 12px;
    paint-order: stroke;
    stroke: var(--color-sheet);
    stroke-width: 4px;
  }
  p {
    position: absolute;
    right: 20px;
    bottom: 12px;
    left: 20px;
    color: var(--color-rust);
  }
</style>
