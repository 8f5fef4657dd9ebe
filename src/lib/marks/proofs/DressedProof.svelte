<script lang="ts">
  import { contrastOnGround, dress, paintOf, PROOFS, type Dressing, type ProofName } from '$core/index';
  import FindingTick from '$lib/ui/FindingTick.svelte';
  import MarkPicture from '$lib/ui/MarkPicture.svelte';
  import { useTable } from '../table/table.svelte';

  const { name }: { name: ProofName } = $props();
  const table = useTable();
  const proof: { readonly label: string; readonly dressing?: Dressing } = $derived(PROOFS[name]);
  const dressing = $derived(proof.dressing ?? 'full');
  const ground = $derived(dress(table.palette, dressing).ground);
  const finding = $derived(contrastOnGround(paintOf(table.palette, dressing) ?? table.palette.ink, ground));
</script>

<div class="proof" style:background={ground}><MarkPicture picture={table.desk.proofs[dressing]} label={proof.label} /></div>
<p class="quiet caption">{proof.label} · <FindingTick {finding} /></p>

<style>
  .proof {
    height: 92px;
    margin-top: 8px;
    padding: 12px;
    border: 1px solid var(--color-rule);
  }
</style>
