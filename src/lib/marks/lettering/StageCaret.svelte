<svelte:options namespace="svg" />

<script lang="ts">
  import { apply, type Lettering, type Point, type ResolvedPart } from '$core/index';
  import type { StageView } from '../stage/stage-view.svelte';
  import { boundariesOf } from './caret';

  interface Props {
    part: Lettering;
    resolved: ResolvedPart;
    view: StageView;
    caret: { readonly anchor: number; readonly focus: number };
  }
  const { part, resolved, view, caret }: Props = $props();

  const toScreen = (point: Point): Point => view.toScreen(apply(resolved.transform, point));
  const places = $derived(
    boundariesOf(part.text, resolved.lettering?.letters ?? [], resolved.lettering?.sizePx ?? part.sizePx).map(({ foot, top }) => ({
      foot: toScreen(foot),
      top: toScreen(top),
    })),
  );
  const at = $derived(places[Math.min(caret.focus, places.length - 1)]);
  const [from, to] = $derived([Math.min(caret.anchor, caret.focus), Math.max(caret.anchor, caret.focus)]);
  /** One area from letter to letter, so that it follows every line. */
  const chosen = $derived(
    places.slice(from, to).flatMap((place, n) => {
      const next = places[from + n + 1];
      if (
        !next ||
        Math.hypot(next.foot.x - place.foot.x, next.foot.y - place.foot.y) >
          4 * Math.hypot(place.top.x - place.foot.x, place.top.y - place.foot.y)
      )
        return [];
      return [[place.foot, next.foot, next.top, place.top].map(({ x, y }) => `${x},${y}`).join(' ')];
    }),
  );
</script>

<g aria-hidden="true">
  {#each chosen as points, index (index)}<polygon {points} />{/each}
  {#if at}<line class="under" x1={at.foot.x} y1={at.foot.y} x2={at.top.x} y2={at.top.y} /><line
      class="caret"
      x1={at.foot.x}
      y1={at.foot.y}
      x2={at.top.x}
      y2={at.top.y}
    />{/if}
</g>

<style>
  g {
    pointer-events: none;
  }
  polygon {
    fill: var(--color-plum);
    fill-opacity: 0.22;
  }
  .under {
    stroke: var(--color-sheet);
    stroke-width: 4;
  }
  .caret {
    animation: blink 1.1s steps(1) infinite;
    stroke: var(--color-plum);
    stroke-width: 2;
  }
  @keyframes blink {
    55% {
      opacity: 0;
    }
  }
  @media (prefers-reduced-motion: reduce) {
    .caret {
      animation: none;
    }
  }
</style>
