<script lang="ts">
  import {
    contrastOnGround,
    dress,
    formKind,
    legibleOn,
    pinDecisions,
    proofsThatMatter,
    roundFrame,
    strokeAtSize,
    weightsAgree,
    type ScreenPicture,
  } from '$core/index';
  import FindingTick from '$lib/ui/FindingTick.svelte';
  import MarkPicture from '$lib/ui/MarkPicture.svelte';
  import PhotoProof from './PhotoProof.svelte';
  import { useTable } from '../table/table.svelte';
  import SvgGroup from '$lib/ui/SvgGroup.svelte';

  const table = useTable();
  const proofs = $derived(table.desk.proofs);
  const SIZES_PX = [16, 32, 64] as const;

  const heightAt = (picture: ScreenPicture, widthPx: number) =>
    picture.ink ? (widthPx * (picture.ink.bottom - picture.ink.top)) / (picture.ink.right - picture.ink.left) : 0;
  /** The mark at a width of whole pixels, never higher than wide. */
  const small = (picture: ScreenPicture, widthPx: number) => {
    const high = heightAt(picture, widthPx);
    return high > widthPx ? { width: (widthPx * widthPx) / high, height: widthPx } : { width: widthPx, height: high };
  };
  let showAll = $state(false);
  const matter = $derived(proofsThatMatter(table.brief));
  const shows = (proof: string) => showAll || matter.has(proof);
  const ALL = ['small', 'round', 'one-color', 'reversed', 'on-lead', 'photo'];
  /** Grounds are masses, not strokes: a shield is not too heavy for its letters. */
  function hasStrokes(id: string): boolean {
    const part = table.parts.find((each) => each.id === id);
    if (part?.kind === 'shape') return /^(line|ornament)$/.test(formKind(part.form.form).group);
    return part?.kind === 'lettering' || part?.kind === 'art' || part?.kind === 'curve';
  }
  const agreement = $derived(weightsAgree(table.desk.weights.filter(({ id }) => hasStrokes(id)).map(({ medianPx }) => medianPx)));
  const thinnest = $derived(table.desk.weights[0]);
  const round = $derived(proofs.full?.ink && roundFrame(proofs.full.ink));
  const pinned = $derived(pinDecisions(table.open.recipe, proofs['one-color']?.decided ?? []));
  const dressed = $derived([
    { id: 'one-color', caption: 'one color', finding: contrastOnGround(table.palette.ink, table.palette.paper) },
    { id: 'reversed', caption: 'reversed', finding: contrastOnGround(table.palette.paper, table.palette.ink) },
    { id: 'on-lead', caption: 'on lead', finding: contrastOnGround(legibleOn(table.palette, table.palette.lead), table.palette.lead) },
  ] as const);
</script>

<aside aria-label="Proofs">
  <h2 class="label">Proofs</h2>
  {#if shows('small')}
    <div class="sizes" style:background={table.palette.paper}>
      {#each SIZES_PX as widthPx (widthPx)}
        <div>
          {#if proofs.full?.ink}
            {@const size = small(proofs.full, widthPx)}
            <span style:width="{size.width}px" style:height="{size.height}px"
              ><MarkPicture picture={proofs.full} label="At {widthPx} pixels" /></span
            >
          {/if}
          <span class="size">
            <span class="quiet">{widthPx} px</span>
            {#if thinnest && proofs.full?.ink}
              {@const wide = proofs.full.ink.right - proofs.full.ink.left}
              <FindingTick finding={strokeAtSize(thinnest.thinnestPx, small(proofs.full, widthPx).width / wide)} />
            {/if}
          </span>
        </div>
      {/each}
    </div>
  {/if}
  {#if agreement}<p class="quiet caption">stroke weights <FindingTick finding={agreement} /></p>{/if}
  {#if shows('round')}
    <div class="round" style:background={table.palette.paper}>
      {#if proofs.full && round}
        <svg
          viewBox="{round.left} {round.top} {round.right - round.left} {round.bottom - round.top}"
          role="img"
          aria-label="In a round crop"
        >
          {#each proofs.full.groups as group (group.id)}
            <SvgGroup {group} />
          {/each}
        </svg>
      {/if}
    </div>
    <p class="quiet caption">round crop</p>
  {/if}
  {#each dressed.filter(({ id }) => shows(id)) as { id, caption, finding } (id)}
    <div class="proof" style:background={dress(table.palette, id).ground}><MarkPicture picture={proofs[id]} label={caption} /></div>
    <p class="quiet caption">{caption} · <FindingTick {finding} /></p>
    {#if id === 'one-color'}{#each proofs[id]?.notices ?? [] as notice, index (index)}<p class="notice" role="status">
          {notice.message}
          {notice.fix}
        </p>{/each}
      {#if pinned !== table.open.recipe}<button
          class="link pin"
          title="Writes what was decided for each part into it, so that nothing changes sides when something near it moves"
          onclick={() => table.open.commit('Pin one color', pinned)}>Pin what was decided</button
        >{/if}
    {/if}
  {/each}
  {#if shows('photo')}<PhotoProof dark={proofs['one-color']} light={proofs.reversed} palette={table.palette} />{/if}
  {#if showAll || ALL.some((proof) => !matter.has(proof))}
    <button class="link" onclick={() => (showAll = !showAll)}>{showAll ? 'Only what the brief asks for' : 'Show every proof'}</button>
  {/if}
</aside>

<style>
  aside {
    overflow-y: auto;
    padding: 12px 14px;
    border-left: 1px solid var(--color-rule);
    background: var(--color-sheet);
  }
  h2 {
    margin-bottom: 8px;
    font-family: var(--font-sans);
  }
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
  .round {
    width: 112px;
    height: 112px;
    margin: 10px auto 0;
    overflow: hidden;
    border: 1px solid var(--color-quiet);
    border-radius: 50%;
  }
  .round svg {
    width: 100%;
    height: 100%;
  }
  .proof {
    height: 92px;
    margin-top: 8px;
    padding: 12px;
    border: 1px solid var(--color-rule);
  }
  .caption {
    margin-top: 3px;
    font-size: 12px;
  }
  .round + .caption {
    text-align: center;
  }
  .size {
    display: grid;
    font-size: 11px;
    line-height: 1.25;
    text-align: right;
  }
</style>
