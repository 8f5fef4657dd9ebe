<script lang="ts">
  import type { WordPicture } from '$workers/draw';

  interface Props {
    picture: WordPicture | undefined;
    /** Height of the cell in CSS pixels; the word stands on a baseline at two thirds of it. */
    heightPx: number;
    /** Widest it may be, in CSS pixels. */
    widthPx: number;
    /** The size it is set at if it fits. */
    sizePx: number;
    color?: string;
  }
  const { picture, heightPx, widthPx, sizePx, color = 'var(--color-ink)' }: Props = $props();
  const box = $derived(picture?.box);
  /** Words are drawn at 100 px; shrunk when they would not fit. */
  const scale = $derived(box ? Math.min(sizePx / 100, widthPx / (box.right - box.left), (heightPx * 0.95) / (box.bottom - box.top)) : 1);
</script>

<svg style:width="{widthPx}px" style:height="{heightPx}px" class:lacking={picture && picture.missing.length > 0} aria-hidden="true">
  {#if picture && box}
    {@const middle = heightPx * 0.66}
    {@const top = box.top * scale + middle}
    {@const bottom = box.bottom * scale + middle}
    <path
      fill={color}
      d={picture.data}
      transform="translate({-box.left * scale} {middle - Math.min(0, top) - Math.max(0, bottom - heightPx)}) scale({scale})"
    />
  {/if}
</svg>

<style>
  svg {
    display: block;
    max-width: 100%;
    overflow: visible;
  }
  .lacking {
    opacity: 0.3;
  }
</style>
