<script lang="ts">
  import { pinDecisions, type ProofName } from '$core/index';
  import { useTable } from '../table/table.svelte';
  import DressedProof from './DressedProof.svelte';

  const { name }: { name: ProofName } = $props();
  const table = useTable();
  const picture = $derived(table.desk.proofs['one-color']);
  const pinned = $derived(pinDecisions(table.open.recipe, picture?.decided ?? []));
</script>

<DressedProof {name} />
{#each picture?.notices ?? [] as notice, index (index)}<p class="notice" role="status">{notice.message} {notice.fix}</p>{/each}
{#if pinned !== table.open.recipe}<button
    class="link pin"
    title="Writes what was decided for each part into it, so that nothing changes sides when something near it moves"
    onclick={() => table.open.commit('Pin one color', pinned)}>Pin what was decided</button
  >{/if}

<style>
  .notice {
    color: var(--color-amber);
    font-size: 12px;
  }
</style>
