<script lang="ts">
  import { Button, Modal } from 'flowbite-svelte';
  import type { Snippet } from 'svelte';
  import { giveBackFocus } from '$lib/ui/give-back-focus.svelte';

  interface Props {
    open: boolean;
    title: string;
    /** What the button that ends it does. */
    does: string;
    /** Whether there is nothing yet to end it with. */
    waits: boolean;
    use: () => void;
    /** What is looked at, large. */
    picture: Snippet;
    fields: Snippet;
  }
  let { open = $bindable(false), title, does, waits, use, picture, fields }: Props = $props();
  giveBackFocus(() => open);
</script>

<Modal bind:open {title} size="xl" autoclose={false}>
  <div class="sides">
    {@render picture()}
    <div class="fields">{@render fields()}</div>
  </div>
  <div class="end">
    <Button title="Leaves the picture as it is" color="alternative" onclick={() => (open = false)}>Cancel</Button>
    <Button title="Takes what is shown; undo brings the picture back" onclick={use} disabled={waits}>{does}</Button>
  </div>
</Modal>

<style>
  .sides {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 250px;
    gap: 20px;
  }
  .fields {
    display: flex;
    flex-direction: column;
    gap: 3px;
    max-height: 60vh;
    overflow-y: auto;
  }
  .end {
    display: flex;
    justify-content: flex-end;
    gap: 12px;
    padding-top: 14px;
  }
  @media (max-width: 760px) {
    .sides {
      grid-template-columns: 1fr;
    }
  }
</style>
