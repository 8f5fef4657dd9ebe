<script lang="ts">
  import {
    apply,
    curveBaseline,
    ENVELOPE_FROM,
    envelopeAmount,
    envelopeGrip,
    type Lettering,
    type Point,
    type ResolvedPart,
  } from '$core/index';
  import { diamond, pointedIn, pulledPoint, tenth, type PulledOf } from '../stage/handles';
  import { hold } from '../stage/hold';
  import PointHandles from '../stage/PointHandles.svelte';
  import type { StageView } from '../stage/stage-view.svelte';
  import { useTable } from '../table/table.svelte';

  interface Props {
    part: Lettering;
    resolved: ResolvedPart;
    view: StageView;
    surface: SVGSVGElement | undefined;
  }
  const { part, resolved, view, surface }: Props = $props();
  const table = useTable();

  const toScreen = (point: Point): Point => view.toScreen(apply(resolved.transform, point));
  const toPart = (pointer: Pick<PointerEvent, 'clientX' | 'clientY'>): Point | undefined =>
    pointedIn(resolved.transform, view, surface, pointer);
  const setLine = (line: Lettering['line']) => table.previewLettering(part, { ...part, line });

  const circle = $derived(resolved.lettering?.circle);
  /** Clockwise from the top, on the screen. */
  const onCircle = (angleDeg: number): Point => {
    if (!circle) return { x: 0, y: 0 };
    const turn = (angleDeg * Math.PI) / 180;
    return toScreen({ x: circle.center.x + circle.radiusPx * Math.sin(turn), y: circle.center.y - circle.radiusPx * Math.cos(turn) });
  };
  const screenRadius = $derived(circle ? circle.radiusPx * view.scale : 0);
  const center = $derived(circle ? toScreen(circle.center) : { x: 0, y: 0 });

  function turnStart(event: PointerEvent): void {
    const { line } = part;
    if (line.shape !== 'arc' || !circle || !surface || event.button !== 0) return;
    event.stopPropagation();
    const middle = circle.center;
    hold(
      event,
      surface,
      (held) => {
        const at = toPart(held);
        if (!at) return;
        const fromTop = (Math.atan2(at.x - middle.x, -(at.y - middle.y)) * 180) / Math.PI;
        const raw = line.side === 'over' ? fromTop : ((fromTop - 180 + 540) % 360) - 180;
        setLine({ ...line, startDeg: held.shift ? Math.round(raw / 15) * 15 : tenth(raw) });
      },
      (moved) => moved && table.commit('Start'),
    );
  }
  function pullRadius(event: PointerEvent): void {
    const { line } = part;
    if (line.shape !== 'arc' || !circle || !surface || event.button !== 0) return;
    event.stopPropagation();
    const ring = line.form === 'ring';
    const began = toPart(event);
    if (!began) return;
    const start = line.radiusPx;
    const middle = circle.center;
    hold(
      event,
      surface,
      (held) => {
        const at = toPart(held);
        if (!at) return;
        // The crown of an arch stays where it is, so that its radius follows the way of the pointer rather than a moving center.
        const radiusPx = ring ? Math.hypot(at.x - middle.x, at.y - middle.y) : start + Math.abs(at.x) - Math.abs(began.x);
        setLine({ ...line, radiusPx: Math.max(1, tenth(radiusPx)) });
      },
      (moved) => moved && table.commit('Radius'),
    );
  }

  const frame = $derived(part.line.shape === 'envelope' ? resolved.lettering?.envelope : undefined);
  const swelling = $derived(
    frame && part.line.shape === 'envelope'
      ? toScreen(envelopeGrip(part.line.form, part.line.amountPercent / 100, ENVELOPE_FROM[part.line.from], frame))
      : undefined,
  );
  function pullEnvelope(event: PointerEvent): void {
    const { line } = part;
    if (line.shape !== 'envelope' || !frame || !surface || event.button !== 0) return;
    event.stopPropagation();
    const began = frame;
    hold(
      event,
      surface,
      (held) => {
        const at = toPart(held);
        if (!at) return;
        const amount = envelopeAmount(line.form, ENVELOPE_FROM[line.from], began, at.y) * 100;
        const amountPercent = Math.min(300, Math.max(-300, held.shift ? Math.round(amount / 5) * 5 : tenth(amount)));
        setLine({ ...line, amountPercent });
      },
      (moved) => moved && table.commit('Amount'),
    );
  }

  /** The points that the text stands on: its own, or those of the curve that it follows. */
  const points = $derived(part.line.shape === 'curve' ? (resolved.lettering?.curve ?? part.line.points) : []);
  const ownPoints = $derived(part.line.shape === 'curve' && !part.line.along);
  const curveData = $derived.by(() => {
    let data = '';
    points.forEach((point, at) => {
      const here = toScreen(point);
      const before = points[at - 1];
      if (!before) return (data += `M${here.x} ${here.y}`);
      const c1 = toScreen({ x: before.x + before.outX, y: before.y + before.outY });
      const c2 = toScreen({ x: point.x + point.inX, y: point.y + point.inY });
      return (data += `C${c1.x} ${c1.y} ${c2.x} ${c2.y} ${here.x} ${here.y}`);
    });
    return data;
  });
  /** Places along the curve, where the text can be anchored. */
  const along = $derived.by(() => {
    const baseline = points.length > 1 ? curveBaseline(points) : undefined;
    if (!baseline?.ok) return [];
    const { length, at } = baseline.value;
    return Array.from({ length: 201 }, (_, n) => ({ percent: n / 2, ...at((length * n) / 200) }));
  });
  const anchor = $derived(part.line.shape === 'curve' ? along[Math.round(part.line.startPercent * 2)] : undefined);
  function slideStart(event: PointerEvent): void {
    const { line } = part;
    if (line.shape !== 'curve' || !surface || event.button !== 0) return;
    event.stopPropagation();
    hold(
      event,
      surface,
      (held) => {
        const at = toPart(held);
        if (!at) return;
        const near = along.reduce((best, each) =>
          Math.hypot(each.x - at.x, each.y - at.y) < Math.hypot(best.x - at.x, best.y - at.y) ? each : best,
        );
        setLine({ ...line, startPercent: near.percent });
      },
      (moved) => moved && table.commit('Start'),
    );
  }

  function pull(event: PointerEvent, at: number, what: PulledOf): void {
    const { line } = part;
    if (line.shape !== 'curve' || !surface || event.button !== 0) return;
    event.stopPropagation();
    hold(
      event,
      surface,
      (held) => {
        const to = toPart(held);
        if (to) setLine({ ...line, points: line.points.map((point, n) => (n === at ? pulledPoint(point, what, to, held.shift) : point)) });
      },
      (moved) => moved && table.commit('Curve'),
    );
  }
</script>

<!-- every handle has its number in the recipe column, which the keys reach -->
<g>
  {#if circle && part.line.shape === 'arc'}
    {@const start = onCircle(part.line.side === 'over' ? part.line.startDeg : part.line.startDeg + 180)}
    {@const side = onCircle(90)}
    <circle class="line" cx={center.x} cy={center.y} r={screenRadius} />
    <!-- svelte-ignore a11y_no_static_element_interactions -->
    <path class="handle" d={diamond(start)} onpointerdown={turnStart} data-handle="start"
      ><title>Turn the text along its circle</title></path
    >
    {#if !part.line.around}
      <!-- svelte-ignore a11y_no_static_element_interactions -->
      <rect class="handle" x={side.x - 5} y={side.y - 5} width="10" height="10" onpointerdown={pullRadius} data-handle="radius"
        ><title>Radius</title></rect
      >
    {/if}
  {:else if swelling}
    <!-- svelte-ignore a11y_no_static_element_interactions -->
    <path class="handle" d={diamond(swelling)} onpointerdown={pullEnvelope} data-handle="envelope"
      ><title>How far the line rises or swells</title></path
    >
  {:else if points.length > 0}
    <path class="line" d={curveData} />
    {#if anchor}
      {@const here = toScreen(anchor)}
      <!-- svelte-ignore a11y_no_static_element_interactions -->
      <circle class="handle start" cx={here.x} cy={here.y} r="6" onpointerdown={slideStart} data-handle="start"
        ><title>Slide the text along its curve</title></circle
      >
    {/if}
    {#if ownPoints}<PointHandles {points} {toScreen} {pull} />{/if}
  {/if}
</g>

<style>
  .line {
    fill: none;
    pointer-events: none;
    stroke: var(--color-amber);
    stroke-dasharray: 4 4;
    stroke-width: 1;
  }
  .handle {
    cursor: grab;
    fill: var(--color-sheet);
    stroke: var(--color-plum);
    stroke-width: 1.5;
  }
  .handle.start {
    fill: var(--color-primary-100);
  }
</style>
