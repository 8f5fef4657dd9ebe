<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import BrandStrip from '$lib/studio/BrandStrip.svelte';
  import NewBrand from '$lib/studio/NewBrand.svelte';
  import TopBar from '$lib/ui/TopBar.svelte';

  const { data } = $props();
  let adding = $state(false);

  const COUNTED = [
    'No brands',
    'One brand',
    'Two brands',
    'Three brands',
    'Four brands',
    'Five brands',
    'Six brands',
    'Seven brands',
    'Eight brands',
    'Nine brands',
  ];
  const day = (at: string | undefined) =>
    at ? ` · changed ${new Date(at).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })}` : '';
</script>

<svelte:head><title>Studio · Lucky Thistle</title></svelte:head>
<TopBar room="studio" />
<main>
  <div class="head">
    <h1>{COUNTED[data.brands.length] ?? `${data.brands.length} brands`} on the table</h1>
    <Button onclick={() => (adding = true)}>New brand</Button>
  </div>
  {#each data.brands as brand (brand.id)}
    <BrandStrip {...brand} note={brand.markNames.join(', ') + day(brand.savedAt)} />
  {:else}
    <p class="empty quiet">
      Every client’s family of marks will stand here, each on its own ground. Add the first brand with its name and five colors.
    </p>
  {/each}
</main>
<NewBrand bind:open={adding} />

<style>
  main {
    max-width: 1400px;
    margin: 0 auto;
    padding: 16px 26px 60px;
  }
  .head {
    display: flex;
    align-items: center;
    justify-content: space-between;
    padding: 6px 0 14px;
    border-bottom: 1px solid var(--color-ink);
  }
  .empty {
    max-width: 420px;
    padding: 60px 0;
  }
</style>
