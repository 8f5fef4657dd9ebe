<script lang="ts">
  import { onMount, tick, type Snippet } from 'svelte';
  import { keepOpen, wasOpen } from './kept-folds';

  interface Props {
    label: string;
    /** What is set inside, in a few words; empty when nothing is. */
    summary?: string;
    open?: boolean;
    /** Whether it begins as it was left last; not where something else opens and closes it. */
    remember?: boolean;
    children: Snippet;
  }
  let { label, summary = '', open = $bindable(false), remember = true, children }: Props = $props();

  onMount(() => {
    if (remember && wasOpen(label)) open = true;
  });

  let details: HTMLDetailsElement;
  /** Who opens it wants to see what is in it, though it stands at the lower end of a column. */
  async function shown(): Promise<void> {
    await tick();
    if (open) details.scrollIntoView({ block: 'nearest' });
  }
</script>

<details bind:this={details} bind:open ontoggle={() => remember && keepOpen(label, open)}>
  <summary onclick={() => requestAnimationFrame(shown)}
    ><span class="label">{label}</span>
    {#if summary}<span class="summary">{summary}</span>{/if}</summary
  >
  {#if open}<div class="inside">{@render children()}</div>{/if}
</details>

<style>
  details {
    border-bottom: 1px solid var(--color-rule);
  }
  summary {
    display: flex;
    align-items: baseline;
    justify-content: space-between;
    gap: 10px;
    padding: 4px 0;
    cursor: pointer;
    list-style: none;
  }
  summary::-webkit-details-marker {
    display: none;
  }
  summary .label::before {
    display: inline-block;
    width: 12px;
    color: var(--color-quiet);
    content: '+' / '';
  }
  details[open] > summary .label::before {
    content: '−' / '';
  }
  .label {
    font-size: 14px;
  }
  .summary {
    overflow: hidden;
    color: var(--color-plum);
    font-weight: 600;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .inside {
    padding: 0 0 10px 12px;
  }
</style>
