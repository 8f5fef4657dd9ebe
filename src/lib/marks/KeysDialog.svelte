<script lang="ts">
  import { Modal } from 'flowbite-svelte';
  import { clipboardRows, keyRows, singleKeys } from './table/keys';

  let { open = $bindable(false) }: { open?: boolean } = $props();
  let single = $state(singleKeys.on);
</script>

<Modal bind:open title="Keys of the table" size="xs">
  <dl>
    {#each [...keyRows, ...clipboardRows] as { keys, does } (keys)}
      <dt>{keys}</dt>
      <dd>{does}</dd>
    {/each}
  </dl>
  <p class="mt-3">
    <label
      ><input type="checkbox" checked={single} onchange={(event) => (single = singleKeys.on = event.currentTarget.checked)} /> Keys of one letter
      or sign work (switch off where speech or another tool sends them)</label
    >
  </p>
  <p class="quiet mt-3">
    Drag a part on the stage; Shift keeps it on a line, Ctrl keeps it from snapping. Pull a frame from an empty place to choose what lies
    inside; click again for what lies behind. Space and drag moves the view. A double click types where it hits: drag a letter, drag a gap.
    Drag a number’s label to change it. Double click a name in the recipe to rename it.
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
