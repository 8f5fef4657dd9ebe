<script lang="ts">
  import { hasStrokes, PROOFS, survivalFinding, weightsAgree, type ProofName, type DrawnPicture } from '$core/index';
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
      <span class="size">
        <span class="quiet">{widthPx} px</span>
        {#if finding}<FindingTick {finding} />{/if}
      </span>
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
</style>
