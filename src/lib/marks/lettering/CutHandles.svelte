<script lang="ts">
  import { apply, beltGrips, compose, cutGrips, type Belt, type Cut, type Lettering, type Point, type ResolvedPart } from '$core/index';
  import { pointedIn } from '../stage/handles';
  import { hold } from '../stage/hold';
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

  /** One place by which a cut or ring is pulled, on the screen. */
  interface Handle {
    readonly id: string;
    readonly key: string;
    readonly label: string;
    readonly at: Point;
    readonly begin: () => (clientX: number, clientY: number) => void;
  }

  const withCut = (from: Lettering, cut: Cut, change: Partial<Cut>) =>
    table.previewLettering(from, { ...from, cuts: from.cuts.map((each) => (each.id === cut.id ? { ...each, ...change } : each)) });
  const withBelt = (from: Lettering, belt: Belt, change: Partial<Belt>) =>
    table.previewLettering(from, { ...from, belts: from.belts.map((each) => (each.id === belt.id ? { ...each, ...change } : each)) });

  /** A cut in a letter shows its handles while that letter, or no letter, is in hand. */
  const shown = (thing: Cut | Belt) => table.letter === undefined || !thing.at || thing.at.index === table.letter;

  const handles = $derived(
    (resolved.lettering?.frames ?? []).flatMap(({ id, box, map }): readonly Handle[] => {
      const cut = part.cuts.find((each) => each.id === id);
      const belt = part.belts.find((each) => each.id === id);
      const thing = cut ?? belt;
      if (!thing || !shown(thing)) return [];
      const place = compose(resolved.transform, map);
      const handle = (key: string, label: string, at: Point, pull: (to: Point) => void): Handle => ({
        id,
        key,
        label,
        at: view.toScreen(apply(place, at)),
        begin: () => (clientX, clientY) => {
          const to = pointedIn(place, view, surface, { clientX, clientY });
          if (to) pull(to);
        },
      });
      const from = part;
      return cut
        ? cutGrips(cut, box).map((grip) => handle(grip.key, grip.label, grip.at, (to) => withCut(from, cut, grip.pull(to))))
        : belt
          ? beltGrips(belt, box).map((grip) => handle(grip.key, grip.label, grip.at, (to) => withBelt(from, belt, grip.pull(to))))
          : [];
    }),
  );
  const middles = $derived(new Map(handles.filter(({ key }) => key === 'place').map(({ id, at }) => [id, at])));

  function take(event: PointerEvent, { id, key, begin }: Handle): void {
    if (event.button !== 0 || event.altKey || !surface) return;
    event.stopPropagation();
    surface.focus({ preventScroll: true });
    const pull = begin();
    const gesture = part.belts.some((belt) => belt.id === id) ? 'Ring' : 'Cut';
    hold(
      event,
      surface,
      (held) => pull(held.clientX, held.clientY),
      (moved) => moved && table.commit(key === 'place' ? `Move ${gesture.toLowerCase()}` : gesture),
    );
  }
</script>

<!-- every handle has its number in the recipe column, which the keys reach -->
<g data-cuts>
  {#each handles as handle (`${handle.id} ${handle.key}`)}
    {@const middle = middles.get(handle.id)}
    {#if middle && handle.key !== 'place'}<line x1={middle.x} y1={middle.y} x2={handle.at.x} y2={handle.at.y} />{/if}
  {/each}
  {#each handles as handle (`${handle.id} ${handle.key}`)}
    {@const { x, y } = handle.at}
    <!-- svelte-ignore a11y_no_static_element_interactions -->
    <path
      class:place={handle.key === 'place'}
      d={handle.key === 'place'
        ? `M${x - 6} ${y}h12M${x} ${y - 6}v12M${x - 6} ${y - 6}h12v12h-12z`
        : `M${x} ${y - 5}L${x + 5} ${y}L${x} ${y + 5}L${x - 5} ${y}Z`}
      onpointerdown={(event) => take(event, handle)}
      data-handle="{handle.id}-{handle.key}"><title>{handle.label}</title></path
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
    stroke-width: 1.25;
  }
  path.place {
    cursor: move;
    fill: rgb(255 253 248 / 0.75);
  }
</style>
