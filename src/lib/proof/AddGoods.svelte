<script lang="ts">
  import { onMount } from 'svelte';
  import { MOST_OWN } from '$core/index';
  import { bringPhotos } from '$lib/client/bring-photos';
  import type { PhotoView } from '$lib/client/photo-view';
  import FileLink from '$lib/ui/FileLink.svelte';
  import { useProofDesk, type Subject } from './proof-desk.svelte';
  import MayChange from '$lib/ui/MayChange.svelte';

  const { subject, close }: { subject: Subject; close: () => void } = $props();
  const desk = useProofDesk();
  let dialog: HTMLDialogElement | undefined = $state();
  let saying = $state('');
  onMount(() => dialog?.showModal());
  const full = $derived(Object.keys(desk.goods.content.own).length >= MOST_OWN);

  function begin(photo: PhotoView): void {
    const name = desk.own.begin(photo);
    const scene = desk.scenes.find((each) => each.name === name);
    if (scene) desk.large = { subject, scene };
    close();
  }
  async function take(file: File): Promise<void> {
    saying = `${file.name} is on its way …`;
    const brought = await bringPhotos(desk.brand.slug, file);
    saying = brought.ok ? '' : brought.says;
    const [photo] = brought.ok ? brought.photos : [];
    if (photo) begin(photo);
  }
</script>

<dialog bind:this={dialog} onclose={close} aria-label="A photo of your own goods">
  <h3>A photo of your own goods</h3>
  <p class="quiet">Any photo will do: cloth, a wall, a bag, a window. You then say where the mark lies, by four corners.</p>
  {#if full}<p role="alert">A brand holds {MOST_OWN} of them; take one off first.</p>
  {:else}
    <MayChange
      ><p class="ways">
        <FileLink
          label="Bring one in"
          hint="A photo of a thing of your own; you say where a mark lies on it"
          accept="image/jpeg,image/png,image/webp,image/avif,image/tiff"
          take={([file]) => file && void take(file)}
        />
        {#if saying}<span role="status">{saying}</span>{/if}
      </p>
      {#if desk.own.photos.length > 0}
        <p class="label">Or one that the brand has</p>
        <div class="photos">
          {#each desk.own.photos as photo (photo.id)}
            <button onclick={() => begin(photo)} title={photo.name}
              ><img src="/api/brands/{desk.brand.slug}/photos/{photo.id}/preview.webp" alt={photo.name} loading="lazy" /></button
            >
          {/each}
        </div>
      {/if}</MayChange
    >
  {/if}
  <p><button title="Leaves without adding anything" class="link" onclick={() => dialog?.close()}>Close</button></p>
</dialog>

<style>
  dialog {
    width: min(720px, 92vw);
    max-height: 86vh;
    margin: auto;
    padding: 18px 20px;
    border: 1px solid var(--color-ink);
    background: var(--color-sheet);
  }
  .ways {
    display: flex;
    gap: 18px;
    padding: 10px 0;
  }
  .photos {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(120px, 1fr));
    gap: 10px;
    padding: 8px 0 14px;
  }
  img {
    width: 100%;
    height: 96px;
    object-fit: cover;
  }
</style>
