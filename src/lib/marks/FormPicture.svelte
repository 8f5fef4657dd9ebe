<script lang="ts" module>
  import { boundsOf, outlineOf, pathData, type Bounds, type Form } from '$core/index';

  /** Outlines drawn lately, by their numbers. */
  const drawn = new Map<string, { readonly data: string; readonly box: Bounds | undefined }>();
  const MOST_DRAWN = 300;
  function drawnForm(form: Form) {
    const key = JSON.stringify(form);
    const kept = drawn.get(key);
    if (kept) return kept;
    if (drawn.size >= MOST_DRAWN) drawn.clear();
    const path = outlineOf(form);
    const made = { data: pathData(path), box: boundsOf(path) };
    drawn.set(key, made);
    return made;
  }
</script>

<script lang="ts">
  /** A form in one color, for lists. */
  const { form, color }: { form: Form; color: string } = $props();
  const picture = $derived(drawnForm(form));
</script>

{#if picture.box}
  {@const { left, top, right, bottom } = picture.box}
  <svg viewBox="{left} {top} {right - left} {Math.max(bottom - top, 1)}" aria-hidden="true"><path d={picture.data} fill={color} /></svg>
{/if}

<style>
  svg {
    display: block;
    width: 100%;
    height: 100%;
  }
</style>
