<svelte:options namespace="svg" />

<script lang="ts">
  import type { WeakPlace } from '$core/index';
  import { useTable } from '../table/table.svelte';
  import StageHint from './StageHint.svelte';
  import type { StageView } from './stage-view.svelte';

  const { view }: { view: StageView } = $props();
  const table = useTable();
  const { weak } = table;

  $effect(() => {
    const { at } = weak;
    if (!at || table.desk.rests === 0) return;
    let isNewest = true;
    table.desk
      .aside((draughtsman) => draughtsman.weakPlaces(table.info.id, at))
      .then(
        (found) => isNewest && found && (weak.places = found),
        (error: unknown) =>
          isNewest && (table.said = `It could not be measured: ${error instanceof Error ? error.message : String(error)}`),
      );
    return () => (isNewest = false);
  });

  /** Marks are as large as what they stand for, within these radii on the screen: they point, and hide as little as they can. */
  const [LEAST_PX, MOST_PX] = [2.2, 4];
  const APART_PX = 5;

  // Moving the view moves them together: they are counted anew when it is zoomed.
  const scale = $derived(view.scale);
  /** Disks over the places of a kind: the thinnest ones where many lie together. */
  function marks(kind: WeakPlace['kind']): string {
    const taken = new Set<string>();
    return (weak.places ?? [])
      .flatMap((place) => {
        if (place.kind !== kind) return [];
        const [x, y] = [place.at.x * scale, place.at.y * scale];
        const cell = `${Math.round(x / APART_PX)} ${Math.round(y / APART_PX)}`;
        if (taken.has(cell)) return [];
        taken.add(cell);
        const radius = Math.min(MOST_PX, Math.max(LEAST_PX, (place.widthPx * scale) / 2));
        return [
          `M${(x - radius).toFixed(1)} ${y.toFixed(1)}a${radius} ${radius} 0 1 0 ${2 * radius} 0a${radius} ${radius} 0 1 0 ${-2 * radius} 0z`,
        ];
      })
      .join('');
  }
</script>

<!-- said beside the stage, and ended there by touch -->
<g aria-hidden="true" data-weak transform="translate({view.origin.x} {view.origin.y})">
  <path class="gap" d={marks('gap')} />
  <path class="stroke" d={marks('stroke')} />
</g>
<StageHint {view}>{weak.says}</StageHint>

<style>
  path {
    pointer-events: none;
  }
  .stroke {
    fill: var(--color-rust);
    stroke: var(--color-sheet);
    stroke-width: 0.6;
  }
  .gap {
    fill: var(--color-sheet);
    stroke: var(--color-rust);
    stroke-width: 1.2;
  }
</style>
