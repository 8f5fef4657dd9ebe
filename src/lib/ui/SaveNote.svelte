<script lang="ts">
  import { page } from '$app/state';
  import type { OpenWork } from '$lib/client/work/open-work.svelte';
  import { sentences } from '$lib/client/request';
  import { looksOnly } from '$lib/people/roles';

  /** The works of a room: the one that needs a look speaks. */
  const { works }: { works: readonly OpenWork<unknown>[] } = $props();
  const RANK = { conflict: 0, waiting: 1, saving: 2, saved: 3 } as const;
  const work = $derived([...works].sort((a, b) => RANK[a.save.kind] - RANK[b.save.kind])[0]);
  const refused = $derived(works.find((each) => each.refused)?.refused);
  const save = $derived(work?.save);
  const latest = $derived(
    works
      .flatMap((each) => (each.save.kind === 'saved' && each.save.at ? [each.save.at] : []))
      .sort((a, b) => b.getTime() - a.getTime())[0],
  );
  /** Whoever may only look keeps nothing: the top line says so already. */
  const keepsNothing = $derived(looksOnly(page.data));
  const time = (at: Date) => at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
</script>

<span role="status" class={refused ? 'refused' : save?.kind} class:keeps={!keepsNothing}>
  {#if refused}<span title={sentences(refused.problems)}>Not all is saved</span>
  {:else if save?.kind === 'saved'}{keepsNothing ? '' : latest ? `Saved ${time(latest)}` : 'Nothing to save yet'}
  {:else if save?.kind === 'saving'}Saving …
  {:else if save?.kind === 'waiting'}<span title={sentences(save.problems)}
      >Not saved yet · {work?.kept ? 'kept in this browser' : 'only in this tab'}, trying again</span
    >
  {:else}Changed elsewhere{/if}
</span>

<style>
  /* As wide while it saves as when it has: what stands beside it, Undo among it, stays under the hand. */
  .keeps {
    min-width: 76px;
  }
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
