<script lang="ts">
  import type { MenuItem } from './menu-item';

  interface Props {
    id: string;
    label: string;
    items: readonly MenuItem[];
    /** Where its corner stands in the window; asked for each time it opens. */
    corner: () => { readonly x: number; readonly y: number };
  }
  const { id, label, items, corner }: Props = $props();
  let list: HTMLDivElement | undefined = $state();

  export const open = () => list?.showPopover();

  /** Inside of the window, however near to its edge it was asked for; the keys go on from its first item. */
  function place(event: ToggleEvent): void {
    if (event.newState !== 'open' || !list) return;
    const { x, y } = corner();
    list.style.left = `${Math.max(4, Math.min(x, window.innerWidth - list.offsetWidth - 8))}px`;
    list.style.top = `${Math.max(4, Math.min(y, window.innerHeight - list.offsetHeight - 8))}px`;
    list.querySelector<HTMLButtonElement>('button:not(:disabled)')?.focus();
  }
  function keys(event: KeyboardEvent): void {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (!step || !list) return;
    event.preventDefault();
    event.stopPropagation();
    const all = [...list.querySelectorAll<HTMLButtonElement>('button:not(:disabled)')];
    all[(all.indexOf(document.activeElement as HTMLButtonElement) + step + all.length) % all.length]?.focus();
  }
  function choose(item: MenuItem): void {
    list?.hidePopover();
    item.act();
  }
</script>

<div bind:this={list} {id} popover="auto" role="menu" aria-label={label} tabindex="-1" ontoggle={place} onkeydown={keys}>
  {#each items as item, index (index)}
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
  button:disabled {
    color: var(--color-quiet);
    cursor: default;
    opacity: 0.6;
  }
  .apart {
    border-top: 1px solid var(--color-rule);
  }
</style>
