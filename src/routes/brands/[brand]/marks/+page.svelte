<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { goto } from '$app/navigation';
  import { EMPTY_RECIPE, writeRecipe } from '$core/index';
  import { request, sentences } from '$lib/client/request';
  import TopBar from '$lib/ui/TopBar.svelte';
  import MayChange from '$lib/ui/MayChange.svelte';

  const { data } = $props();
  let fault = $state('');
  async function add(): Promise<void> {
    const brand = data.brand.slug;
    const mark = await request<{ slug: string }>('POST', `/api/brands/${brand}/marks`, {
      name: 'Primary',
      role: 'primary',
      gesture: 'Begin',
      recipe: writeRecipe(EMPTY_RECIPE),
    });
    if (mark.ok) await goto(`/brands/${brand}/marks/${mark.value.slug}`);
    else fault = sentences(mark.problems);
  }
</script>

<svelte:head><title>Marks · {data.brand.name} · Lucky Thistle</title></svelte:head>
<TopBar brand={data.brand} room="marks" />
<main class="p-7">
  <h1>No mark yet</h1>
  <p class="quiet my-3">The brand’s marks will stand here: the primary first, then all that derives from it.</p>
  <MayChange><Button onclick={add}>Begin the primary mark</Button></MayChange>
  {#if fault}<p class="mt-3 text-rust" role="alert">{fault}</p>{/if}
</main>
