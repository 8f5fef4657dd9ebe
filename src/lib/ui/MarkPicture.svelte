<script lang="ts">
  import { grow, type DrawnPicture } from '$core/index';
  import SvgGroup from './SvgGroup.svelte';

  interface Props {
    picture: DrawnPicture | undefined;
    /** What it shows, for those who cannot see it; '' where words beside it say so already. */
    label: string;
    /** Clear room around the ink, as a share of its longer side. */
    air?: number;
    /** Fills its place with the beginning of the picture instead of showing all of it. */
    beginning?: boolean;
  }
  const { picture, label, air = 0, beginning = false }: Props = $props();
  const box = $derived.by(() => {
    const ink = picture?.ink;
    return ink && grow(ink, air * Math.max(ink.right - ink.left, ink.bottom - ink.top));
  });
</script>

{#if picture && box}
  <svg
    viewBox="{box.left} {box.top} {box.right - box.left} {box.bottom - box.top}"
    role={label ? 'img' : undefined}
    aria-label={label || undefined}
    aria-hidden={label ? undefined : 'true'}
    preserveAspectRatio={beginning ? 'xMinYMid slice' : undefined}
  >
    {#each picture.groups as group (group.id)}
      <SvgGroup {group} />
    {/each}
  </svg>
{/if}

<style>
  svg {
    display: block;
    width: 100%;
    height: 100%;
  }
</style>
