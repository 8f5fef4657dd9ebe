<script lang="ts">
  import { expect, recoverRecipe } from '$core/index';
  import { readMarks } from '$lib/client/read-marks';
  import ProofRoom from '$lib/proof/ProofRoom.svelte';

  const { data } = $props();
  const tries = $derived(data.tries.map((kept) => ({ ...kept, recipe: expect(recoverRecipe(kept.recipe)) })));
</script>

<svelte:head><title>Proof · {data.brand.name} · Lucky Thistle</title></svelte:head>
{#key `${data.brand.id} ${data.brand.paletteNumber}`}<ProofRoom {...data} marks={readMarks(data.marks)} {tries} />{/key}
