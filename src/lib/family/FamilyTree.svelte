<script lang="ts">
  import { linkHorizontal, type DefaultLinkObject } from 'd3';
  import MarkPicture from '$lib/ui/MarkPicture.svelte';
  import { useFamilyDesk } from './family-desk.svelte';

  const desk = useFamilyDesk();
  const CARD = { width: 132, height: 96 } as const;
  const GAP = { across: 58, down: 14 } as const;
  const TOP = 4;

  /** Where every mark stands: a column for every step away from those that follow nobody, near those it follows. */
  const layout = $derived.by(() => {
    const columns = new Map<number, string[]>();
    for (const { id, depth } of desk.graph) columns.set(depth, [...(columns.get(depth) ?? []), id]);
    const places = new Map<string, { readonly x: number; readonly y: number }>();
    for (const [depth, ids] of [...columns].sort(([one], [other]) => one - other)) {
      const levelOf = (id: string) => {
        const ys = (desk.graph.find((node) => node.id === id)?.follows ?? []).flatMap((other) => places.get(other)?.y ?? []);
        return ys.length === 0 ? 0 : ys.reduce((sum, y) => sum + y, 0) / ys.length;
      };
      [...ids]
        .sort((one, other) => levelOf(one) - levelOf(other))
        .forEach((id, at) => places.set(id, { x: depth * (CARD.width + GAP.across), y: TOP + at * (CARD.height + GAP.down) }));
    }
    return places;
  });
  const width = $derived(Math.max(...[...layout.values()].map(({ x }) => x), 0) + CARD.width);
  const height = $derived(Math.max(...[...layout.values()].map(({ y }) => y), 0) + CARD.height + 4);
  const curve = linkHorizontal<unknown, DefaultLinkObject>();
  const links = $derived(
    desk.graph.flatMap(({ id, follows }) =>
      follows.flatMap((other) => {
        const [from, to] = [layout.get(other), layout.get(id)];
        if (!from || !to) return [];
        const source: [number, number] = [from.x + CARD.width, from.y + CARD.height / 2];
        return [{ key: `${other} ${id}`, path: curve({ source, target: [to.x, to.y + CARD.height / 2] }) ?? '' }];
      }),
    ),
  );
  const nameOf = (id: string) => desk.kept.find((mark) => mark.id === id)?.name ?? '';
</script>

<section aria-label="What derives from what">
  <div class="tree" style:width="{width}px" style:height="{height}px">
    <svg {width} {height} aria-hidden="true">
      {#each links as { key, path } (key)}<path d={path} />{/each}
    </svg>
    {#each desk.graph as { id, follows, circular } (id)}
      {@const place = layout.get(id)}
      {@const mark = desk.kept.find((each) => each.id === id)}
      {#if place && mark}
        <a
          href="/brands/{desk.brand.slug}/marks/{mark.slug}"
          style:left="{place.x}px"
          style:top="{place.y}px"
          style:width="{CARD.width}px"
          style:height="{CARD.height}px"
          class:primary={mark.role === 'primary'}
          title={follows.length > 0 ? `${mark.name} follows ${follows.map(nameOf).join(', ')}` : `${mark.name} follows no other mark`}
        >
          <span class="picture" style:background={desk.palette.paper}><MarkPicture picture={desk.drawing.pictures.get(id)} label="" /></span
          >
          <span class="words"><strong>{mark.name}</strong> <span class="quiet">{circular ? 'follows itself' : mark.role}</span></span>
          {#if follows.length > 0}<span class="off-screen">follows {follows.map(nameOf).join(', ')}</span>{/if}
        </a>
      {/if}
    {/each}
  </div>
</section>

<style>
  section {
    overflow-x: auto;
    padding: 2px 0 12px;
  }
  .tree {
    position: relative;
  }
  svg {
    position: absolute;
    inset: 0;
  }
  path {
    fill: none;
    stroke: var(--color-quiet);
  }
  a {
    position: absolute;
    display: grid;
    grid-template-rows: minmax(0, 1fr) auto;
    grid-template-columns: minmax(0, 1fr);
    border: 1px solid var(--color-rule);
    background: var(--color-sheet);
  }
  a.primary {
    border-color: var(--color-ink);
  }
  a:hover {
    border-color: var(--color-plum);
  }
  .picture {
    min-height: 0;
    padding: 10px 12px;
  }
  .words {
    display: flex;
    gap: 6px;
    justify-content: space-between;
    padding: 3px 8px;
    border-top: 1px solid var(--color-rule);
    font-size: 12px;
    white-space: nowrap;
  }
  strong {
    overflow: hidden;
    text-overflow: ellipsis;
  }
</style>
