<script lang="ts">
  import type { MenuItem } from './menu-item';

  interface Props {
    label: string;
    /** Shown in place of the label, which is then only read aloud and shown on hover. */
    sign?: string;
    items: readonly MenuItem[];
  }
  const { label, sign, items }: Props = $props();
  const id = $props.id();
  let list: HTMLDivElement | undefined = $state();
  let button: HTMLButtonElement | undefined = $state();

  /** The list stands under its button, wherever that is. */
  function place(event: ToggleEvent): void {
    if (event.newState !== 'open' || !list || !button) return;
    const frame = button.getBoundingClientRect();
    list.style.left = `${Math.min(frame.left, window.innerWidth - list.offsetWidth - 8)}px`;
    list.style.top = `${frame.bottom + 6}px`;
    list.querySelector<HTMLButtonElement>('button:not(:disabled)')?.focus();
  }
  function keys(event: KeyboardEvent): void {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (!step || !list) return;
    event.preventDefault();
    event.stopPropagation();
    const open = [...list.querySelectorAll<HTMLButtonElement>('button:not(:disabled)')];
    const at = open.indexOf(document.activeElement as HTMLButtonElement);
    open[(at + step + open.length) % open.length]?.focus();
  }
  function choose(item: MenuItem): void {
    list?.hidePopover();
    item.act();
  }
</script>

<button bind:this={button} popovertarget="{id}-list" aria-haspopup="menu" aria-label={sign && label} title={sign && label}
  >{sign ?? label}{#if !sign}<span aria-hidden="true"> ▾</span>{/if}</button
>
<div bind:this={list} id="{id}-list" popover="auto" role="menu" aria-label={label} tabindex="-1" ontoggle={place} onkeydown={keys}>
  {#each items as item (item.label)}
    <button role="menuitem" class:apart={item.apart} disabled={item.disabled} onclick={() => choose(item)}>{item.label}</button>
  {/each}
</div>

<style>
  div {
    position: fixed;
    overflow-y: auto;
    max-height: 80vh;
    margin: 0;
    padding: 4px 0;
    border: 1px solid var(--color-ink);
    background: var(--color-sheet);
    color: var(--color-ink);
  }
  div button {
    display: block;
    width: 100%;
    padding: 4px 16px 4px 12px;
    text-align: left;
  }
  div button:hover:enabled,
  div button:focus-visible {
    background: var(--color-primary-50);
    outline: none;
  }
  div button:disabled {
    color: var(--color-quiet);
    cursor: default;
    opacity: 0.6;
  }
  .apart {
    border-top: 1px solid var(--color-rule);
  }
  span {
    font-size: 10px;
  }
</style>
