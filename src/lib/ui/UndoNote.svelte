<script lang="ts">
  interface Props {
    /** What was done; nothing while there is nothing to say. */
    said: string;
    undo?: (() => void) | undefined;
    /** What else could be done about it now. */
    offer?: { readonly label: string; readonly act: () => void } | undefined;
    close: () => void;
  }
  const { said, undo, offer, close }: Props = $props();
</script>

<div role="status" class:shown={said !== ''}>
  {#if said}
    {said}
    {#if undo}<button title="Takes back what was just done" class="link" onclick={undo}>Undo</button>{/if}
    {#if offer}<button class="link" onclick={offer.act}>{offer.label}</button>{/if}
    <button title="Puts this sentence away" class="link" onclick={close}>Close</button>
  {/if}
</div>

<style>
  .shown {
    padding: 8px 12px;
    border-bottom: 1px solid var(--color-rule);
    background: var(--color-primary-50);
  }
  button {
    margin-left: 12px;
  }
</style>
