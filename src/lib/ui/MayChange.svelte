<script lang="ts">
  import type { Snippet } from 'svelte';
  import { page } from '$app/state';
  import { looksOnly } from '$lib/people/roles';

  interface Props {
    /** What changes something that everybody in the studio has. */
    children: Snippet;
  }
  const { children }: Props = $props();
</script>

<!-- Whoever may only look sees what others can do here, and is not led into a refusal. Not for within a paragraph, which a fieldset ends. -->
{#if looksOnly(page.data)}
  <fieldset disabled aria-label="For those who may change things" title="Your role in this studio is to look">
    {@render children()}
  </fieldset>
{:else}{@render children()}{/if}

<style>
  fieldset {
    display: contents;
  }
  /* Fields that lie unseen over their words stay so. */
  fieldset :global(:disabled:not(.over-label, .off-screen)),
  fieldset :global(label:has(:disabled)) {
    opacity: 0.45;
    cursor: not-allowed;
  }
</style>
