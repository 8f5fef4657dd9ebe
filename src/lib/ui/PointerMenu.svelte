<script lang="ts">
  import type { MenuItem } from './menu-item';

  const { label }: { label: string } = $props();
  let items: readonly MenuItem[] = $state.raw([]);
  let list: HTMLDivElement | undefined = $state();

  /** Opens at a place of the window; nothing opens where there is nothing to do. */
  export function open(x: number, y: number, offered: readonly MenuItem[]): void {
    items = offered;
    if (items.length === 0 || !list) return;
    list.showPopover();
    requestAnimationFrame(() => {
      if (!list) return;
      list.style.left = `${Math.max(4, Math.min(x, window.innerWidth - list.offsetWidth - 8))}px`;
      list.style.top = `${Math.max(4, Math.min(y, window.innerHeight - list.offsetHeight - 8))}px`;
      list.querySelector<HTMLButtonElement>('button:not(:disabled)')?.focus();
    });
  }
  function keys(event: KeyboardEvent): void {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (!step || !list) return;
    event.preventDefault();
    event.stopPropagation();
    const all = [...list.querySelectorAll<HTMLButtonElement>('button:not(:disabled)')];
    all[(all.indexOf(document.activeElement as HTMLButtonElement) + step + all.length) % all.length]?.focus();
  }
</script>

<div bind:this={list} popover="auto" role="menu" aria-label={label} tabindex="-1" onkeydown={keys}>
  {#each items as item, index (index)}
    <button
      role="menuitem"
      class:apart={item.apart}
      disabled={item.disabled}
      onclick={() => {
        list?.hidePopover();
        item.act();
      }}>{item.label}</button
    >
  {/each}
</div>

<style>
  div {
    position: fixed;
    overflow-y: auto;
    max-height: 70vh;
    margin: 0;
    padding: 4px 0;
    border: 1px solid var(--color-ink);
    background: var(--color-sheet);
    color: var(--color-ink);
  }
  button {
    display: block;
    width: 100%;
    padding: 4px 16px 4px 12px;
    text-align: left;
  }
  button:hover:enabled,
  button:focus-visible {
    background: var(--color-primary-50);
    outline: none;
  }
  .apart {
    border-top: 1px solid var(--color-rule);
  }
</style>
