<script lang="ts">
  import type { MenuItem } from './menu-item';
  import MenuList from './MenuList.svelte';
  import { tick } from 'svelte';

  const { label }: { label: string } = $props();
  const id = $props.id();
  let items: readonly MenuItem[] = $state.raw([]);
  let list: MenuList | undefined = $state();
  let at = { x: 0, y: 0 };

  /** Opens at a place of the window; nothing opens where there is nothing to do. */
  export async function open(x: number, y: number, offered: readonly MenuItem[]): Promise<void> {
    [items, at] = [offered, { x, y }];
    await tick();
    if (items.length > 0) list?.open();
  }
</script>

<MenuList bind:this={list} {id} {label} {items} corner={() => at} />
