<script lang="ts">
  import { page } from '$app/state';
  import TopBar from '$lib/ui/TopBar.svelte';
</script>

<svelte:head><title>Not here · Lucky Thistle</title></svelte:head>
<TopBar />
<main class="p-7">
  <h1>{page.status === 404 ? 'Nothing stands here' : 'This page cannot be shown'}</h1>
  <p class="quiet mt-2">{page.error?.message}</p>
  <p class="mt-4"><a class="link" href="/">Back to the studio</a></p>
</main>
