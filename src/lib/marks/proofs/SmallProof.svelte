<script lang="ts">
  import { hasStrokes, PROOFS, survivalFinding, weakAtPx, weightsAgree, type ProofName, type DrawnPicture } from '$core/index';
  import { SMALL_SIZES_PX } from '$lib/client/drawing-desk.svelte';
  import FindingTick from '$lib/ui/FindingTick.svelte';
  import MarkPicture from '$lib/ui/MarkPicture.svelte';
  import { useTable } from '../table/table.svelte';

  const { name }: { name: ProofName } = $props();
  const table = useTable();
  const full = $derived(table.desk.proofs.full);
  const findingAt = (longerPx: number) => {
    const at = table.desk.small?.at.find((size) => size.longerPx === longerPx);
    return at && survivalFinding(at.survival, longerPx, at.capPx);
  };

  const heightAt = (picture: DrawnPicture, widthPx: number) =>
    picture.ink ? (widthPx * (picture.ink.bottom - picture.ink.top)) / (picture.ink.right - picture.ink.left) : 0;
  /** The mark at a width of whole pixels, never higher than wide. */
  const small = (picture: DrawnPicture, widthPx: number) => {
    const high = heightAt(picture, widthPx);
    return high > widthPx ? { width: (widthPx * widthPx) / high, height: widthPx } : { width: widthPx, height: high };
  };
  const agreement = $derived(
    weightsAgree(
      table.desk.weights.filter(({ id }) => hasStrokes(table.parts.find((part) => part.id === id))).map(({ medianPx }) => medianPx),
    ),
  );
</script>

<div class="sizes" role="group" aria-label={PROOFS[name].label} style:background={table.palette.paper}>
  {#each SMALL_SIZES_PX as widthPx (widthPx)}
    {@const finding = findingAt(widthPx)}
    <div>
      {#if full?.ink}
        {@const size = small(full, widthPx)}
        <span style:width="{size.width}px" style:height="{size.height}px"><MarkPicture picture={full} label="At {widthPx} pixels" /></span>
      {/if}
      {#if finding}
        {@const at = weakAtPx(widthPx)}
        <button
          class="size where"
          aria-pressed={table.weak.isAt(at)}
          title="Shows on the mark where strokes are too thin and gaps too tight at {widthPx} px"
          onclick={() => table.weak.toggle(at)}
        >
          <span class="quiet">{widthPx} px</span>
          <FindingTick {finding} />
        </button>
      {:else}<span class="size"><span class="quiet">{widthPx} px</span></span>{/if}
    </div>
  {/each}
</div>
{#if agreement}<p class="quiet caption">stroke weights <FindingTick finding={agreement} /></p>{/if}

<style>
  .sizes {
    padding: 8px;
    border: 1px solid var(--color-rule);
  }
  .sizes div {
    display: flex;
    align-items: center;
    justify-content: space-between;
    min-height: 34px;
  }
  .size {
    display: grid;
    font-size: 11px;
    line-height: 1.25;
    text-align: right;
  }
  .where {
    padding: 2px 4px;
    margin-right: -4px;
  }
  .where:hover {
    background: var(--color-paper);
  }
  .where[aria-pressed='true'] {
    background: var(--color-paper);
    box-shadow: inset 0 0 0 1px var(--color-plum);
  }
</style>
