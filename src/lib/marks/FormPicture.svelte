<script lang="ts" module>
  import { boundsOf, outlineOf, pathData, startOf, type Bounds, type FormName } from '$core/index';

  /** Outlines as they start, drawn once. */
  const drawn = new Map<FormName, { readonly data: string; readonly box: Bounds | undefined }>();
  function drawnForm(form: FormName) {
    const kept = drawn.get(form);
    if (kept) return kept;
    const path = outlineOf(startOf(form));
    const made = { data: pathData(path), box: boundsOf(path) };
    drawn.set(form, made);
    return made;
  }
</script>

<script lang="ts">
  /** A form in one of the brand's colors, for lists. */
  const { form, color }: { form: FormName; color: string } = $props();
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
