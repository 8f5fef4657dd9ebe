<script lang="ts">
  import { PROOF_NAMES, proofsThatMatter, type ProofName } from '$core/index';
  import { useTable } from '../table/table.svelte';
  import { PROOF_VIEWS } from './proof-views';

  const table = useTable();
  let showAll = $state(false);
  const matter = $derived(proofsThatMatter(table.brief));
  /** A piece stands on its own ground in its own colors: it is looked at small, and in a round place. */
  const OF_PIECES: readonly ProofName[] = ['small', 'round'];
  const names = $derived(table.open.recipe.whole?.canvas ? OF_PIECES : PROOF_NAMES);
</script>

<aside aria-label="Proofs">
  <h2 class="label">Proofs</h2>
  {#each names.filter((name) => showAll || names === OF_PIECES || matter.has(name)) as name (name)}
    {@const Proof = PROOF_VIEWS[name]}
    <Proof {name} />
  {/each}
  {#if names !== OF_PIECES && (showAll || PROOF_NAMES.some((name) => !matter.has(name)))}
    <button title="The brief says where the marks will live; the proofs follow it" class="link" onclick={() => (showAll = !showAll)}
      >{showAll ? 'Only what the brief asks for' : 'Show every proof'}</button
    >
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
