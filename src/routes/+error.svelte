<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import { answers } from '$lib/client/read-again';
  import TopBar from '$lib/ui/TopBar.svelte';

  /** How often a server that cannot be reached is asked again, in milliseconds. */
  const ASKED_MS = 2000;
  onMount(() => {
    if (!page.error?.unreachable) return;
    const timer = setInterval(async () => (await answers()) && location.reload(), ASKED_MS);
    return () => clearInterval(timer);
  });
</script>

<svelte:head><title>Not here · Lucky Thistle</title></svelte:head>
<TopBar />
<main class="p-7">
  <h1>{page.status === 404 ? 'Nothing stands here' : 'This page cannot be shown'}</h1>
  <p class="quiet mt-2">{page.error?.message}</p>
  <p class="mt-4"><a class="link" href="/">Back to the studio</a></p>
</main>
