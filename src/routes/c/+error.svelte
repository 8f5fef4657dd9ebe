<script lang="ts">
  import { page } from '$app/state';
</script>

<svelte:head><title>Nothing here</title><meta name="robots" content="noindex, nofollow" /></svelte:head>
<main>
  <h1>{page.status === 429 ? 'A little slower' : 'Nothing stands here'}</h1>
  <p>{page.status === 404 ? 'This address is not open. Ask your designer for the one that is.' : page.error?.message}</p>
</main>

<style>
  main {
    padding: 40px 24px;
  }
  p {
    margin-top: 8px;
  }
</style>
