<script lang="ts">
  import { PROOF_NAMES, proofsThatMatter } from '$core/index';
  import { useTable } from '../table/table.svelte';
  import { PROOF_VIEWS } from './proof-views';

  const table = useTable();
  let showAll = $state(false);
  const matter = $derived(proofsThatMatter(table.brief));
</script>

<aside aria-label="Proofs">
  <h2 class="label">Proofs</h2>
  {#each PROOF_NAMES.filter((name) => showAll || matter.has(name)) as name (name)}
    {@const Proof = PROOF_VIEWS[name]}
    <Proof {name} />
  {/each}
  {#if showAll || PROOF_NAMES.some((name) => !matter.has(name))}
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
  aside :global(.caption) {
    margin-top: 3px;
    font-size: 12px;
  }
</style>
