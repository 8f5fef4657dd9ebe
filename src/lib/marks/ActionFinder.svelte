<script lang="ts">
  import { Modal } from 'flowbite-svelte';
  import { takeFocus } from '$lib/ui/take-focus';
  import type { Findable } from './table/findable';
  import { matching } from './table/matching';

  interface Props {
    open: boolean;
    /** Everything there is, asked for when the list is opened. */
    all: () => readonly Findable[];
  }
  let { open = $bindable(false), all }: Props = $props();
  const id = $props.id();
  let typed = $state('');
  let current = $state(0);
  let list: HTMLUListElement | undefined = $state();
  const MOST = 60;

  const found = $derived(open ? matching(all(), typed).slice(0, MOST) : []);
  $effect(() => {
    if (open) typed = '';
  });
  $effect(() => {
    list?.children[current]?.scrollIntoView({ block: 'nearest' });
  });

  function choose(findable: Findable | undefined): void {
    if (!findable || findable.wants) return;
    open = false;
    // What it opens or focuses comes after the dialog has given the focus back.
    setTimeout(findable.act);
  }
  function keys(event: KeyboardEvent): void {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step) current = (current + step + found.length) % Math.max(1, found.length);
    else if (event.key === 'Enter') choose(found[current]);
    else return;
    event.preventDefault();
  }
</script>

<Modal bind:open title="Find an action" size="sm">
  <input
    {@attach takeFocus}
    bind:value={typed}
    role="combobox"
    aria-label="What do you want to do?"
    aria-expanded="true"
    aria-controls="{id}-list"
    aria-activedescendant="{id}-{current}"
    placeholder="“equal gaps”, “ground accent”, “files”"
    autocomplete="off"
    oninput={() => (current = 0)}
    onkeydown={keys}
  />
  <ul bind:this={list} id="{id}-list" role="listbox" aria-label="Actions">
    {#each found as findable, index (`${findable.where} ${findable.label} ${index}`)}
      <!-- the field above has the keys -->
      <!-- svelte-ignore a11y_click_events_have_key_events -->
      <li
        id="{id}-{index}"
        role="option"
        aria-selected={index === current}
        aria-disabled={findable.wants !== undefined}
        onclick={() => choose(findable)}
      >
        <span>{findable.label} <span class="quiet">{findable.where}</span></span>
        <span class="quiet">{findable.wants ?? findable.keys ?? ''}</span>
      </li>
    {/each}
  </ul>
  {#if found.length === 0}<p class="quiet" role="status">Nothing here is called so.</p>{/if}
</Modal>

<style>
  input {
    width: 100%;
    height: 34px;
    padding: 0 10px;
    border: 1px solid var(--color-ink);
  }
  ul {
    overflow-y: auto;
    height: min(50vh, 420px);
    margin-top: 8px;
  }
  li {
    display: flex;
    justify-content: space-between;
    gap: 16px;
    padding: 5px 10px;
    cursor: pointer;
  }
  li[aria-selected='true'],
  li:hover {
    background: var(--color-primary-50);
  }
  li[aria-disabled='true'] {
    color: var(--color-quiet);
    cursor: default;
  }
</style>
