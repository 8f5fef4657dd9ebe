<script lang="ts">
  import { isKnownTreatment, unite, type Bounds } from '$core/index';
  import CanvasEdge from './CanvasEdge.svelte';
  import CropTicks from './CropTicks.svelte';
  import CurveDrawing from './CurveDrawing.svelte';
  import CrossingHandles from './CrossingHandles.svelte';
  import CurveHandles from './CurveHandles.svelte';
  import Guides from './Guides.svelte';
  import CutHandles from '../lettering/CutHandles.svelte';
  import LetterHandles from '../lettering/LetterHandles.svelte';
  import LineHandles from '../lettering/LineHandles.svelte';
  import StageCaret from '../lettering/StageCaret.svelte';
  import TreatmentHandles from '../treatments/TreatmentHandles.svelte';
  import StageText from '../lettering/StageText.svelte';
  import StrokeDrawing from './StrokeDrawing.svelte';
  import type { Ground } from './grounds';
  import { GIVEN_UP } from './hold';
  import { pull } from './pulling';
  import { lengths } from '$lib/ui/shown-unit.svelte';
  import { LongPress } from './long-press';
  import Rulers from './Rulers.svelte';
  import { StageHands } from './stage-hands.svelte';
  import type { StageView } from './stage-view.svelte';
  import { TwoFingers } from './two-fingers';
  import WeakPlaces from './WeakPlaces.svelte';
  import PointerMenu from '$lib/ui/PointerMenu.svelte';
  import { offered } from '../table/part-actions';
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
  /** Room for the rulers and the crop ticks, which are pulled from outside too. */
  const EDGE_PX = 44;
  let began = false;
  let shownAt = '';
  let lastFit = '';
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
    // On a stage with no room for air around it, the mark as it was fitted stands: fitting it again would change nothing.
    const fittedTo = `${size} ${ink.left} ${ink.top} ${ink.right} ${ink.bottom}`;
    if (((!began && !view.looked) || (view.fitted && (!inside || resized))) && fittedTo !== lastFit) {
      lastFit = fittedTo;
      view.fit(ink);
    }
    began = true;
  });

  const lettering = $derived(table.selected?.kind === 'lettering' && !table.selected.locked ? table.selected : undefined);
  const inLetters = $derived(
    lettering !== undefined && (table.letter !== undefined || table.gap !== undefined || table.caret !== undefined),
  );
  const ticks = $derived(table.selectedId ? table.resolved(table.selectedId) : undefined);
  /** The treatment whose numbers are open: it is pulled here as well. */
  const treated = $derived.by(() => {
    const part = table.selected;
    if (!part || part.kind === 'unknown' || part.locked || table.chosen.length > 1) return undefined;
    const treatment = part.treatments?.find(({ id }) => id === table.treatment);
    return treatment && isKnownTreatment(treatment) && !treatment.hidden ? { part, treatment } : undefined;
  });
  const chosenInks = $derived((table.desk.stage?.parts ?? []).flatMap(({ id, ink }) => (ink && table.isChosen(id) ? [{ id, ink }] : [])));
  const size = (ink: Bounds | undefined) =>
    ink ? `${lengths.text(ink.right - ink.left).replace(/ \w+$/, '')} × ${lengths.text(ink.bottom - ink.top)}` : '';
  /** The frame that is pulled to size what is chosen; letters in hand and locked parts have none. */
  const frame = $derived(
    inLetters || table.drawing || table.hand.on || !table.chosen.some(({ locked }) => !locked)
      ? undefined
      : chosenInks.reduce<Bounds | undefined>((sum, { ink }) => unite(sum, ink), undefined),
  );
  /** What is said beside the measures while it is pulled. */
  let measured = $state('');

  /** As its proof is: drawn when the hand rests. What is pulled or typed is seen in full color meanwhile, and is what the pointer meets. */
  const worn = $derived.by(() => {
    const dressing = table.worn ?? 'full';
    return dressing === 'full' || view.holding || table.caret ? undefined : table.desk.proofs[dressing];
  });
  const typedAt = $derived(ticks?.ink ? view.toScreen({ x: ticks.ink.left, y: ticks.ink.top }) : { x: 0, y: 0 });
  const pointed = $derived(table.pointedAt === undefined ? undefined : table.resolved(table.pointedAt));
  const ghosts = $derived(new Set(table.parts.flatMap((part) => (part.kind !== 'unknown' && part.ghost ? [part.id] : []))));

  /** Colors far from their neighbors in the stack: a golden turn of hue from one to the next. */
  const ownColor = (index: number) => `oklch(0.62 0.15 ${(index * 137.508) % 360})`;

  /** How far the ink's balance stands from the middle of its box. */
  const balance = $derived.by(() => {
    if (!ticks?.ink || !ticks.balance || hands.guides.length > 0 || table.caret || measured) return undefined;
    const middle = (ticks.ink.left + ticks.ink.right) / 2;
    const off = ticks.balance.x - middle;
    if (Math.abs(off) < 0.05) return undefined;
    const at = view.toScreen({ x: ticks.balance.x, y: ticks.ink.bottom });
    return { x: at.x, top: view.toScreen({ x: 0, y: ticks.ink.top }).y, bottom: at.y, off };
  });

  // svelte-ignore state_referenced_locally
  const hands = new StageHands(table, view);

  // svelte-ignore state_referenced_locally
  const fingers = new TwoFingers(view, hands.onStage);
  const press = new LongPress();
  $effect(() => {
    const { surface } = hands;
    const giveUp = () => table.open.cancel();
    const clicked = () => setTimeout(answer);
    surface?.addEventListener(GIVEN_UP, giveUp);
    surface?.addEventListener('click', clicked);
    return () => {
      surface?.removeEventListener(GIVEN_UP, giveUp);
      surface?.removeEventListener('click', clicked);
    };
  });
  let menu: PointerMenu | undefined = $state();
  /** What can be done with what lies under the pointer; it is chosen first, unless it is already. */
  function offer(event: MouseEvent): void {
    const id = hands.partAt(event)?.id;
    if (id !== undefined && !table.isChosen(id)) table.selectedId = id;
    void menu?.open(event.clientX, event.clientY, id === undefined ? [] : offered(table));
  }
  /** The click that some browsers send after a long press, and others do not, comes within this. */
  const CLICK_MS = 350;
  /** Where a finger rested. Lifting it closes what is open, and so does the click that may follow: the menu opens after both. */
  let askedAt: PointerEvent | undefined;
  function answer(): void {
    if (askedAt) offer(askedAt);
    askedAt = undefined;
  }
  function wheel(event: WheelEvent): void {
    event.preventDefault();
    if (event.ctrlKey || event.metaKey) view.zoom(Math.exp(-event.deltaY / 240), hands.onStage(event));
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
    hands.spaceHeld = true;
  }}
  onkeyup={(event) => event.key === ' ' && (hands.spaceHeld = false)}
  onblur={() => (hands.spaceHeld = false)}
/>
<div class="stage" bind:clientWidth={view.widthPx} bind:clientHeight={view.heightPx}>
  <div class="ground" class:clear-ground={ground.kind === 'clear'} style:background={ground.kind === 'color' ? ground.color : undefined}>
    {#if ground.kind === 'photo'}<img src={ground.photo.address} alt="" />{/if}
  </div>
  <!-- the stage takes the keys that move what is selected -->
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <svg
    bind:this={hands.surface}
    role="application"
    aria-label="Stage{spoken}"
    aria-busy={table.desk.stage?.rough}
    tabindex="0"
    onpointerdowncapture={(event) => {
      press.down(event);
      if (fingers.down(event)) event.stopPropagation();
    }}
    onpointermovecapture={(event) => {
      press.move(event);
      fingers.move(event);
    }}
    onpointerupcapture={(event) => {
      fingers.up(event);
      const rested = press.up(event);
      hands.rested = rested !== undefined;
      if (!rested) return;
      askedAt = rested;
      setTimeout(answer, CLICK_MS);
    }}
    onpointercancelcapture={(event) => {
      fingers.up(event);
      press.up(event);
    }}
    onpointerdown={(event) => hands.take(event)}
    oncontextmenu={(event) => {
      event.preventDefault();
      // What a finger asks for is offered when it is lifted.
      if (!('pointerType' in event) || event.pointerType !== 'touch') offer(event);
    }}
    class:panning={hands.spaceHeld}
    onpointermove={(event) => event.buttons === 0 && (table.pointedAt = hands.partAt(event)?.id)}
    onpointerleave={() => (table.pointedAt = undefined)}
    ondblclick={(event) => hands.intoLetters(event)}
    onwheel={wheel}
    ondragover={(event) => event.dataTransfer?.types.includes('Files') && event.preventDefault()}
    ondrop={(event) => {
      const files = [...(event.dataTransfer?.files ?? [])];
      if (files.length === 0) return;
      event.preventDefault();
      void table.bringIn(files);
    }}
  >
    <g transform="translate({view.origin.x} {view.origin.y}) scale({view.scale})" data-stage class:unseen={worn !== undefined}>
      {#each table.desk.stage?.groups ?? [] as group, index (group.id)}
        <g
          data-part={group.id === '*ground' ? undefined : group.id}
          class:ghost={ghosts.has(group.id)}
          class:told-apart={apart}
          style:--own={apart ? ownColor(index) : undefined}><SvgGroup {group} /></g
        >
      {/each}
    </g>
    {#if worn}<g class="worn" transform="translate({view.origin.x} {view.origin.y}) scale({view.scale})" data-dressed aria-hidden="true">
        {#each worn.groups as group (group.id)}<SvgGroup {group} />{/each}
      </g>{/if}
    {#if table.open.recipe.whole?.canvas}<CanvasEdge canvas={table.open.recipe.whole.canvas} {view} />{/if}
    {#each chosenInks as { id, ink } (id)}{#if chosenInks.length > 1 || !frame}<CropTicks
          box={view.boxToScreen(ink)}
          label={ticks && id === ticks.id && !frame ? size(ticks.ink) : ''}
        />{/if}{/each}
    {#if lettering && ticks && table.caret}<StageCaret part={lettering} resolved={ticks} {view} caret={table.caret} />{/if}
    {#if frame}<CropTicks
        box={view.boxToScreen(frame)}
        label="{size(frame)}{measured ? ` · ${measured}` : ''}"
        pull={(event, grip) => hands.surface && pull(event, grip, table, view, hands.surface, (words) => (measured = words))}
      />{/if}
    {#if balance}
      <g class="balance" aria-hidden="true">
        <line x1={balance.x} x2={balance.x} y1={balance.top - 30} y2={balance.bottom + 12} />
        <text x={balance.x + 6} y={balance.top - 22}>optical center {balance.off > 0 ? '+' : '−'}{lengths.text(Math.abs(balance.off))}</text
        >
      </g>
    {/if}
    {#if table.selected?.kind === 'curve' && !table.selected.locked && ticks}
      <CurveHandles part={table.selected} resolved={ticks} {view} surface={hands.surface} />
    {/if}
    <CrossingHandles {view} />
    {#if treated && ticks}
      <TreatmentHandles part={treated.part} treatment={treated.treatment} resolved={ticks} {view} surface={hands.surface} />
    {/if}
    {#if lettering && ticks}
      {#if inLetters}<LetterHandles
          part={lettering}
          resolved={ticks}
          {view}
          surface={hands.surface}
          pressed={(event) => hands.putCaret(event, event.shiftKey)}
        />{/if}
      {#if lettering.line.shape !== 'straight'}<LineHandles part={lettering} resolved={ticks} {view} surface={hands.surface} />{/if}
      {#if lettering.cuts.length + lettering.belts.length > 0}<CutHandles
          part={lettering}
          resolved={ticks}
          {view}
          surface={hands.surface}
        />{/if}
    {/if}
    {#if pointed?.ink && !table.isChosen(pointed.id) && !view.holding}
      {@const box = view.boxToScreen(pointed.ink)}
      <rect class="pointed" x={box.left - 2} y={box.top - 2} width={box.right - box.left + 4} height={box.bottom - box.top + 4} />
    {/if}
    {#if hands.frame}
      {@const { left, top, right, bottom } = hands.frame}
      <rect class="frame" x={left} y={top} width={right - left} height={bottom - top} />
    {/if}
    <Guides guides={hands.guides} {view} />
    {#if table.weak.at && !table.drawing && !table.hand.on}<WeakPlaces {view} />{/if}
    {#if table.drawing}<CurveDrawing {view} surface={hands.surface} />{/if}
    {#if table.hand.on}<StrokeDrawing {view} surface={hands.surface} />{/if}
  </svg>
  {#if lettering && table.caret}<StageText part={lettering} at={typedAt} leave={() => hands.surface?.focus({ preventScroll: true })} />{/if}
  <PointerMenu bind:this={menu} label="For what is here" />
  <Rulers {view} />
  <p class="off-screen" role="status">{table.weak.says}</p>
  {#if table.weak.at}<button class="hide" title="Takes the dots and rings away; Escape does too" onclick={() => table.weak.end()}
      >Hide them</button
    >{/if}
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
  .hide {
    position: absolute;
    right: 10px;
    bottom: 8px;
    min-height: 28px;
    padding: 2px 10px;
    border: 1px solid var(--color-quiet);
    background: var(--color-sheet);
    color: var(--color-plum);
    font-weight: 600;
    font-size: 12px;
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
  .unseen {
    opacity: 0;
  }
  .worn {
    pointer-events: none;
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
    stroke-width: 10px;
    stroke-linejoin: round;
  }
  p {
    position: absolute;
    right: 20px;
    bottom: 12px;
    left: 20px;
    color: var(--color-rust);
  }
</style>
