<script lang="ts">
  import { expect, recoverRecipe } from '$core/index';
  import TypeRoom from '$lib/type/TypeRoom.svelte';

  const { data } = $props();
  const marks = $derived(data.marks.map((mark) => ({ ...mark, recipe: expect(recoverRecipe(mark.recipe)) })));
</script>

<svelte:head><title>Type · {data.brand.name} · Lucky Thistle</title></svelte:head>
{#key `${data.brand.id} ${data.families.length}`}<TypeRoom {...data} {marks} />{/key}
