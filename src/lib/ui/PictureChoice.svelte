<script lang="ts">
  import type { OfferedPicture } from '$lib/client/bring-picture';
  import FileLink from './FileLink.svelte';

  interface Props {
    legend: string;
    brand: string;
    pictures: readonly OfferedPicture[];
    /** Digests of those that are chosen. */
    chosen: readonly string[];
    working: boolean;
    choose: (sha256: string, on: boolean) => void;
    bring: (file: File) => void;
  }
  const { legend, brand, pictures, chosen, working, choose, bring }: Props = $props();
</script>

<fieldset>
  <legend>{legend}</legend>
  {#each pictures as picture (picture.sha256)}
    <label class="shown" title="{picture.name}, {picture.widthPx} × {picture.heightPx} px">
      <input
        title="Whether this picture is shown"
        class="over-label"
        type="checkbox"
        aria-label={picture.name}
        checked={chosen.includes(picture.sha256)}
        onchange={(event) => choose(picture.sha256, event.currentTarget.checked)}
      />
      <img src="/api/brands/{brand}/pictures/{picture.sha256}" alt="" loading="lazy" />
    </label>
  {/each}
  <FileLink
    label="Bring one in"
    hint="A picture from your disk; it stays with this brand"
    accept="image/png,image/jpeg,image/webp,image/avif,image/tiff"
    disabled={working}
    take={([file]) => file && bring(file)}
  />
</fieldset>

<style>
  fieldset {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 6px;
  }
  legend {
    padding-top: 6px;
    font-size: 13px;
  }
  label {
    position: relative;
    font-size: 13px;
  }
  .shown {
    width: 54px;
    height: 54px;
    border: 2px solid transparent;
  }
  .shown:has(:checked) {
    border-color: var(--color-plum);
  }
  label:focus-within {
    outline: 2px solid var(--color-plum);
    outline-offset: 1px;
  }
  img {
    width: 100%;
    height: 100%;
    object-fit: cover;
  }
</style>
