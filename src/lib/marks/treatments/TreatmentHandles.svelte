<svelte:options namespace="svg" />

<script lang="ts">
  import {
    apply,
    changing,
    treatmentGrips,
    treatmentLabel,
    type KnownPart,
    type KnownTreatment,
    type ResolvedPart,
    type TreatmentGrip,
  } from '$core/index';
  import { pointedIn } from '../stage/handles';
  import { hold } from '../stage/hold';
  import type { StageView } from '../stage/stage-view.svelte';
  import { useTable } from '../table/table.svelte';

  interface Props {
    part: KnownPart;
    treatment: KnownTreatment;
    resolved: ResolvedPart;
    view: StageView;
    surface: SVGSVGElement | undefined;
  }
  const { part, treatment, resolved, view, surface }: Props = $props();
  const table = useTable();
  const grips = $derived(resolved.ownInk ? treatmentGrips(treatment, resolved.ownInk) : []);
  const onScreen = (point: { x: number; y: number }) => view.toScreen(apply(resolved.transform, point));

  function take(event: PointerEvent, grip: TreatmentGrip): void {
    if (event.button !== 0 || event.altKey || !surface) return;
    event.stopPropagation();
    surface.focus({ preventScroll: true });
    const from = part.treatments ?? [];
    const plane = resolved.transform;
    hold(
      event,
      surface,
      (held) => {
        const to = pointedIn(plane, view, surface, held);
        if (to) table.treating.preview(part.id, changing(from, treatment.id, grip.pull(to)));
      },
      (moved) => moved && table.commit(treatmentLabel(treatment)),
    );
  }
</script>

<!-- every grip has its numbers in the recipe column, which the keys reach -->
<g data-treatment-grips>
  {#each grips as grip (grip.key)}
    {@const [from, at] = [onScreen(grip.from), onScreen(grip.at)]}
    <line x1={from.x} y1={from.y} x2={at.x} y2={at.y} />
  {/each}
  {#each grips as grip (grip.key)}
    {@const { x, y } = onScreen(grip.at)}
    <!-- svelte-ignore a11y_no_static_element_interactions -->
    <path
      d="M{x - 6} {y + 4}L{x} {y - 7}L{x + 6} {y + 4}Z"
      onpointerdown={(event) => take(event, grip)}
      data-handle="{treatment.id}-{grip.key}"><title>{grip.label}</title></path
    >
  {/each}
</g>

<style>
  line {
    pointer-events: none;
    stroke: var(--color-amber);
    stroke-dasharray: 3 3;
    stroke-width: 1;
  }
  path {
    cursor: grab;
    fill: var(--color-sheet);
    stroke: var(--color-plum);
    stroke-width: 1.5;
  }
</style>
