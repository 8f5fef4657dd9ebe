<script lang="ts">
  import { beforeNavigate } from '$app/navigation';

  /** Whether somebody wanted to go to another page while the browser was offline. */
  let stayed = $state(false);
  // A page that cannot be had would take the place of this one, with all that is at hand on it.
  beforeNavigate(({ cancel, willUnload }) => {
    if (navigator.onLine || willUnload) return;
    cancel();
    stayed = true;
  });
</script>

<svelte:window ononline={() => (stayed = false)} />
{#if stayed}
  <div role="alert">
    This browser is offline: other rooms open once it is connected again.
    <button title="Puts this sentence away" class="link" onclick={() => (stayed = false)}>Close</button>
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
