<script lang="ts">
  import type { SaveState } from '$lib/client/open-mark.svelte';
  import { sentences } from '$lib/client/request';

  const { save }: { save: SaveState } = $props();
  const time = (at: Date) => at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
</script>

<span role="status" class={save.kind}>
  {#if save.kind === 'saved'}Saved {time(save.at)}
  {:else if save.kind === 'saving'}Saving …
  {:else if save.kind === 'waiting'}<span title={sentences(save.problems)}>Not saved yet · kept in this tab, trying again</span>
  {:else if save.kind === 'refused'}<span title={sentences(save.problems)}>Not saved: {save.problems[0]?.message}</span>
  {:else}Changed elsewhere{/if}
</span>

<style>
  .waiting,
  .conflict {
    color: var(--color-amber);
    font-weight: 600;
  }
  .refused {
    color: var(--color-rust);
    font-weight: 600;
  }
</style>
