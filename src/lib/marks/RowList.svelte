<script lang="ts">
  import type { Snippet } from 'svelte';
  import { dragHandleZone } from 'svelte-dnd-action';
  import { takerOf, type Part } from '$core/index';
  import { useTable } from './table/table.svelte';

  interface Row {
    readonly id: string;
  }
  interface Props {
    /** Ids of the parts, front first, as one text: the list stands still while a part changes. */
    ids: string;
    /** The part that draws them; none where they stand by themselves. */
    taker: string | undefined;
    /** How a part is shown. */
    row: Snippet<[part: Part]>;
    hides?: (id: string) => boolean;
  }
  const { ids, taker, row, hides = () => false }: Props = $props();
  const table = useTable();

  /** While a row is dragged, the order in the air; front on top. */
  let inTheAir: readonly Row[] | undefined = $state.raw();
  const rows = $derived(
    inTheAir ??
      ids
        .split(' ')
        .filter((id) => id !== '')
        .map((id) => ({ id })),
  );
  /** The list that is dragged in wants an array of its own. */
  const items = $derived([...rows]);
  const partOf = (id: string): Part | undefined => table.parts.find((part) => part.id === id);

  function drop({ detail: { items: now, info } }: CustomEvent<{ items: Row[]; info: { id: string; trigger: string } }>): void {
    inTheAir = undefined;
    // Into another list: that one says where.
    if (info.trigger === 'droppedIntoAnother') return;
    const part = partOf(info.id);
    const fromTop = now.findIndex(({ id }) => id === info.id);
    if (!part || fromTop < 0) return;
    const position = now.length - 1 - fromTop;
    if (takerOf(table.open.recipe, part.id)?.id === taker) table.restack(part, position);
    else table.bringInto(part.id, taker, position);
  }
</script>

<div
  class="rows"
  use:dragHandleZone={{ items, type: 'parts', flipDurationMs: 0, dropTargetStyle: {}, autoAriaDisabled: true }}
  onconsider={({ detail }) => (inTheAir = detail.items)}
  onfinalize={drop}
>
  {#each rows as { id } (id)}
    {@const part = partOf(id)}
    <div hidden={hides(id)}>
      {#if part}{@render row(part)}{/if}
    </div>
  {/each}
</div>

<style>
  .rows {
    min-height: 6px;
  }
</style>
