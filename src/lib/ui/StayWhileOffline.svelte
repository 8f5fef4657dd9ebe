<script lang="ts">
  import { beforeNavigate, goto } from '$app/navigation';
  import { navigating, page } from '$app/state';
  import { pageWaits } from '$lib/client/page-waits.svelte';

  /** Whether somebody wanted to go to another page while the browser was offline. */
  let stayed = $state(false);
  // A page that cannot be had would take the place of this one, with all that is at hand on it.
  beforeNavigate(({ cancel, willUnload }) => {
    if (navigator.onLine || willUnload) return;
    cancel();
    stayed = true;
  });

  /** A way to another page is called off by going where one is: nothing is asked of the server for that. */
  const stay = () => void goto(page.url, { replaceState: true, noScroll: true, keepFocus: true });
</script>

<svelte:window ononline={() => (stayed = false)} />
{#if stayed}
  <div role="alert">
    This browser is offline: other rooms open once it is connected again.
    <button title="Puts this sentence away" class="link" onclick={() => (stayed = false)}>Close</button>
  </div>
{:else if pageWaits.count > 0 && navigating.to}
  <div role="alert">
    The server cannot be reached. The page you asked for comes as soon as it answers; until then you stay here.
    <button title="Calls off the way to the other page" class="link" onclick={stay}>Stay here</button>
  </div>
{/if}

<style>
  div {
    position: fixed;
    z-index: 60;
    right: 0;
    bottom: 0;
    left: 0;
    padding: 8px 22px;
    border-top: 1px solid var(--color-rule);
    background: #fbf1dc;
    color: var(--color-ink);
  }
</style>
