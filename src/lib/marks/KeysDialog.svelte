<script lang="ts">
  import { Modal } from 'flowbite-svelte';
  import { keyRows } from './keys';

  let { open = $bindable(false) }: { open?: boolean } = $props();
</script>

<Modal bind:open title="Keys of the table" size="xs">
  <dl>
    {#each keyRows as { keys, does } (keys)}
      <dt>{keys}</dt>
      <dd>{does}</dd>
    {/each}
  </dl>
  <p class="quiet mt-3">Drag a part on the stage; Shift keeps it on a line, Alt moves the view. Drag a number’s label to change it.</p>
</Modal>

<style>
  dl {
    display: grid;
    grid-template-columns: 150px 1fr;
    gap: 6px 12px;
  }
  dt {
    font-weight: 600;
  }
</style>
