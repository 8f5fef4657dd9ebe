<script lang="ts">
  import type { OpenWork } from '$lib/client/work/open-work.svelte';
  import { sentences } from '$lib/client/request';

  interface Props {
    work: OpenWork<unknown>;
    /** What it is called in a sentence: “This mark”. */
    name: string;
    /** Whether a version can be kept beside it. */
    beside?: boolean;
  }
  const { work, name, beside = false }: Props = $props();

  /** A page that alone holds unsaved work is not left without a question. */
  function leave(event: BeforeUnloadEvent): void {
    if (work.unsaved && !work.kept) event.preventDefault();
  }
</script>

<svelte:window onbeforeunload={leave} />
{#if work.save.kind === 'conflict'}
  <div class="banner" role="alert">
    {name} was changed elsewhere{work.save.by} while you worked on it. Nothing was overwritten.
    <button class="link" title="The newer version stays one undo away" onclick={() => work.keepMine()}>Go on with mine</button>
    <button
      class="link"
      title={beside ? 'Your version is kept as a try' : 'Your version stays one undo away'}
      onclick={() => void work.takeTheirs()}>Go on with the newer one</button
    >
  </div>
{:else if work.save.kind === 'waiting'}
  <div class="banner" role="alert">
    {work.save.problems[0]?.message}
    {#if work.save.problems[0]?.code === 'sign-in'}<a class="link" href="/sign-in" target="_blank" rel="noopener">Sign in again</a> in a tab of
      its own.{/if}
    {#if work.kept}Your work is kept in this browser and saved when it can be.{:else}This browser cannot keep your work: leave this tab open
      until it is saved.{/if}
  </div>
{/if}
{#if work.refused}
  <div class="banner refused" role="alert">
    Not saved: {sentences(work.refused.problems)}
    {#if work.kept}It is kept in this browser;{:else}Leave this tab open;{/if} what you do next is saved, undo included.
  </div>
{/if}
{#if work.news}
  <div class="banner" role="status">
    {work.news} <button title="Puts this sentence away" class="link" onclick={() => (work.news = '')}>Close</button>
  </div>
{/if}

<style>
  .banner {
    padding: 8px 22px;
    border-bottom: 1px solid var(--color-rule);
    background: #fbf1dc;
    color: var(--color-ink);
  }
  .refused {
    color: var(--color-rust);
  }
  button {
    margin-left: 14px;
  }
</style>
