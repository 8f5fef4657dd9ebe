<script lang="ts">
  import { combinationLabel, COMBINATIONS, swatchesOf, type Combination, type Paint } from '$core/index';
  import Pick from '$lib/ui/Pick.svelte';
  import PaintPicker from '$lib/ui/PaintPicker.svelte';
  import Tick from '$lib/ui/Tick.svelte';
  import NumberFields from './NumberFields.svelte';
  import { NUMBERS } from './numbers';
  import WeaveFields from './WeaveFields.svelte';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: Combination } = $props();
  const table = useTable();

  /** As many pieces as the stage shows, left-out ones included. */
  const pieces = $derived.by(() => {
    if (part.how !== 'divide') return [];
    const shown = table.desk.stage?.groups.find(({ id }) => id === part.id)?.pieces.length ?? 0;
    return Array.from({ length: shown + part.pieces.filter(({ out }) => out).length }, (_, index) => index);
  });
  const own = (index: number) => part.pieces.find((piece) => piece.index === index);
  function setPiece(index: number, change: { paint?: Paint; out?: boolean }): void {
    const others = part.pieces.filter((piece) => piece.index !== index);
    table.change(part.id, 'Piece', { pieces: [...others, { ...own(index), index, ...change }].sort((a, b) => a.index - b.index) });
  }
  const keyOf = (paint: Paint | undefined) => (paint && 'role' in paint ? paint.role : undefined);
</script>

<Pick
  label="Parts are"
  hint="What becomes of the parts together"
  value={part.how}
  options={COMBINATIONS.map((how) => ({ value: how, label: combinationLabel(how).toLowerCase() }))}
  choose={(how) => table.change(part.id, 'Combine', { how })}
/>
{#if part.how === 'weave'}
  <NumberFields {part} rows={NUMBERS.weave} />
  <Tick
    label="The first passes over first"
    hint="Turns over and under about, at every crossing"
    checked={part.firstOver}
    change={(firstOver) => table.change(part.id, 'Over and under', { firstOver })}
  />
  <WeaveFields {part} />
{:else}
  <PaintPicker
    label="Color"
    palette={table.palette}
    value={table.differ(part, 'paint') ? 'mixed' : part.paint}
    choose={(paint) => table.change(part.id, 'Color', { paint })}
  />
{/if}
{#if part.how === 'divide'}
  <ol>
    {#each pieces as index (index)}
      <li>
        <span class="quiet">Piece {index + 1}</span>
        {#each swatchesOf(table.palette) as { key, name, hex } (key)}
          <button
            class="swatch"
            style:background={hex}
            aria-label="Piece {index + 1} in {name}"
            aria-pressed={keyOf(own(index)?.paint) === key}
            onclick={() => setPiece(index, { paint: { role: key } })}
          ></button>
        {/each}
        <button
          title="Whether this piece is part of the whole"
          class="link"
          onclick={() => setPiece(index, { out: own(index)?.out !== true })}>{own(index)?.out ? 'Bring back' : 'Leave out'}</button
        >
      </li>
    {/each}
  </ol>
{/if}

<style>
  li {
    display: flex;
    align-items: center;
    gap: 5px;
    padding: 2px 0;
  }
  li .quiet {
    flex: 1;
  }
  .swatch {
    width: 15px;
    height: 15px;
    border: 1px solid var(--color-rule);
  }
  .swatch[aria-pressed='true'] {
    outline: 1px solid var(--color-plum);
    outline-offset: 1px;
  }
</style>
