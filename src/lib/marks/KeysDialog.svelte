<script lang="ts">
  import { Modal } from 'flowbite-svelte';
  import { clipboardRows, keyRows, SIGNS, singleKeys } from './table/keys';
  import { giveKey, ownKeys } from './table/own-keys';
  import { giveBackFocus } from '$lib/ui/give-back-focus.svelte';

  let { open = $bindable(false) }: { open?: boolean } = $props();
  giveBackFocus(() => open);
  let single = $state(singleKeys.on);
  let own = $state.raw(ownKeys());
  let fault = $state('');

  /** The key that is pressed in the field is the key from now on; Delete gives back the table's own. */
  function press(event: KeyboardEvent, sign: string): void {
    if (event.key === 'Tab' || event.key === 'Escape' || event.key === 'Shift' || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    event.stopPropagation();
    const key = event.key === 'Delete' || event.key === 'Backspace' ? sign : event.key;
    if (key.length !== 1) return;
    fault = giveKey(sign, key, SIGNS) ?? '';
    own = ownKeys();
  }
</script>

<Modal bind:open title="Keys of the table" size="xs">
  <dl>
    {#each keyRows as { keys, does, signs } (keys)}
      <dt>
        {#if signs}
          {#each signs as sign (sign)}<input
              aria-label="Key for: {does}{signs.length > 1 ? ` (${sign})` : ''}"
              title="Press another key to use that instead; Delete gives back {sign.toUpperCase()}"
              class:own={own[sign] !== undefined}
              value={(own[sign] ?? sign).toUpperCase()}
              readonly
              onkeydown={(event) => press(event, sign)}
            />{/each}
        {:else}{keys}{/if}
      </dt>
      <dd>{does}</dd>
    {/each}
    {#each clipboardRows as { keys, does } (keys)}
      <dt>{keys}</dt>
      <dd>{does}</dd>
    {/each}
  </dl>
  {#if fault}<p class="mt-2 text-rust" role="alert">{fault}</p>{/if}
  <p class="quiet mt-3">A letter or sign in a frame can be changed: go to it and press another.</p>
  <p class="mt-3">
    <label
      ><input
        title="Off, single letters do nothing; chords go on working"
        type="checkbox"
        checked={single}
        onchange={(event) => (single = singleKeys.on = event.currentTarget.checked)}
      /> Keys of one letter or sign work (switch off where speech or another tool sends them)</label
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
  dt input {
    width: 28px;
    margin-right: 4px;
    padding: 1px 2px;
    border: 1px solid var(--color-quiet);
    background: var(--color-paper);
    font-weight: 600;
    font-size: 13px;
    text-align: center;
  }
  dt input.own {
    border-color: var(--color-plum);
    color: var(--color-plum);
  }
  dt {
    font-weight: 600;
  }
</style>
