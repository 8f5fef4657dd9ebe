<script lang="ts">
  import { tick } from 'svelte';
  import type { ScreenPicture } from '$core/index';
  import MarkPicture from '$lib/ui/MarkPicture.svelte';

  /** Something to take, and how it looks. */
  interface DrawnChoice {
    readonly id: string;
    readonly label: string;
    /** What it is, in a sentence, where its label does not say enough. */
    readonly hint?: string;
    /** Missing while it is drawn. */
    readonly picture: ScreenPicture | undefined;
  }
  interface Props {
    /** What it is called, on the button that opens it and for screen readers. */
    label: string;
    hint: string;
    /** What the button says that closes it again. */
    fold: string;
    choices: readonly DrawnChoice[];
    take: (id: string) => void;
    pictureHighPx: number;
    shown: boolean;
  }
  let { label, hint, fold, choices, take, pictureHighPx, shown = $bindable() }: Props = $props();
  let button: HTMLButtonElement | undefined = $state();

  /** What opens lies below, often out of sight: it comes up. */
  function turn(): void {
    shown = !shown;
    if (shown) void tick().then(() => button?.scrollIntoView({ block: 'start' }));
  }
</script>

<button bind:this={button} title={hint} class="link" aria-expanded={shown} onclick={turn}>{shown ? fold : label}</button>
{#if shown}
  <div class="choices" role="group" aria-label={label}>
    {#each choices as choice (choice.id)}
      <button
        title={choice.hint ?? choice.label}
        aria-label={choice.hint ? `${choice.label}: ${choice.hint}` : choice.label}
        onclick={() => take(choice.id)}
      >
        <span class="picture" style:height="{pictureHighPx}px" aria-hidden="true"
          >{#if choice.picture}<MarkPicture picture={choice.picture} label="" air={0.06} />{/if}</span
        >
        <span>{choice.label}</span>
      </button>
    {/each}
  </div>
{/if}

<style>
  .link {
    min-height: 26px;
    padding: 0 4px;
    color: var(--color-plum);
    font-weight: 600;
    font-size: 13px;
    /* The head of the part stays above. */
    scroll-margin-top: 56px;
  }
  .choices {
    display: grid;
    grid-template-columns: 1fr 1fr 1fr;
    gap: 6px;
  }
  .choices button {
    display: grid;
    align-content: start;
    padding: 4px;
    border: 1px solid var(--color-rule);
    font-size: 11px;
    text-align: left;
  }
  .choices button:hover {
    border-color: var(--color-plum);
  }
</style>
