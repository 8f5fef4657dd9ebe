<script lang="ts">
  import { PROOFS, roundFrame, type ProofName } from '$core/index';
  import SvgGroup from '$lib/ui/SvgGroup.svelte';
  import { useTable } from '../table/table.svelte';

  const { name }: { name: ProofName } = $props();
  const table = useTable();
  const full = $derived(table.desk.proofs.full);
  const round = $derived(full?.ink && roundFrame(full.ink));
</script>

<div class="round" style:background={table.palette.paper}>
  {#if full && round}
    <svg viewBox="{round.left} {round.top} {round.right - round.left} {round.bottom - round.top}" role="img" aria-label="In a round crop">
      {#each full.groups as group (group.id)}
        <SvgGroup {group} />
      {/each}
    </svg>
  {/if}
</div>
<p class="quiet caption">{PROOFS[name].label}</p>

<style>
  .round {
    width: 112px;
    height: 112px;
    margin: 10px auto 0;
    overflow: hidden;
    border: 1px solid var(--color-quiet);
    border-radius: 50%;
  }
  svg {
    width: 100%;
    height: 100%;
  }
  .caption {
    text-align: center;
  }
</style>
