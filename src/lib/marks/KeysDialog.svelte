<script lang="ts">
  import { Modal } from 'flowbite-svelte';
  import { clipboardRows, keyRows } from './table/keys';

  let { open = $bindable(false) }: { open?: boolean } = $props();
</script>

<Modal bind:open title="Keys of the table" size="xs">
  <dl>
    {#each [...keyRows, ...clipboardRows] as { keys, does } (keys)}
      <dt>{keys}</dt>
      <dd>{does}</dd>
    {/each}
  </dl>
  <p class="quiet mt-3">
    Drag a part on the stage; Shift keeps it on a line, Ctrl keeps it from snapping, Alt moves the view. A double click goes into the
    letters: drag a letter, drag a gap. Drag a number’s label to change it.
  </p>
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
