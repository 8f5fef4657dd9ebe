<script lang="ts">
  import type { MenuItem } from './menu-item';
  import MenuList from './MenuList.svelte';

  interface Props {
    label: string;
    /** Shown in place of the label, which is then only read aloud and shown on hover. */
    sign?: string;
    /** What stands in it, in a sentence. */
    hint?: string;
    items: readonly MenuItem[];
  }
  const { label, sign, hint, items }: Props = $props();
  const id = $props.id();
  let button: HTMLButtonElement | undefined = $state();

  /** The list stands under its button, wherever that is. */
  function under(): { readonly x: number; readonly y: number } {
    const { left = 0, bottom = 0 } = button?.getBoundingClientRect() ?? {};
    return { x: left, y: bottom + 6 };
  }
</script>

<button bind:this={button} popovertarget="{id}-list" aria-haspopup="menu" aria-label={sign && label} title={hint ?? (sign && label)}
  >{sign ?? label}{#if !sign}<span aria-hidden="true"> ▾</span>{/if}</button
>
<MenuList id="{id}-list" {label} {items} corner={under} />

<style>
  span {
    font-size: 10px;
  }
</style>
