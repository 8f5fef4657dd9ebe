<script lang="ts">
  import { contrastOnPicture, PROOFS, type Hex, type ProofName } from '$core/index';
  import MarkPicture from '$lib/ui/MarkPicture.svelte';
  import FindingTick from '$lib/ui/FindingTick.svelte';
  import { PHOTOS, type Photo } from '$lib/ui/photos';
  import { useTable } from '../table/table.svelte';

  const { name }: { name: ProofName } = $props();
  const table = useTable();
  const palette = $derived(table.palette);
  /** The mark all in ink, and all in paper. */
  const dark = $derived(table.desk.proofs['one-color']);
  const light = $derived(table.desk.proofs.reversed);
  let photo: Photo = $state.raw(PHOTOS[0]);

  /** Samples across the middle of the photo, where the mark lies. */
  const ACROSS = 24;
  const DOWN = 14;
  let grounds: readonly Hex[] = $state.raw([]);
  function sample(event: Event): void {
    const image = event.currentTarget as HTMLImageElement;
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [ACROSS, DOWN];
    const context = canvas.getContext('2d', { willReadFrequently: true });
    if (!context) return;
    const [wide, high] = [image.naturalWidth, image.naturalHeight];
    context.drawImage(image, wide * 0.15, high * 0.25, wide * 0.7, high * 0.5, 0, 0, ACROSS, DOWN);
    const { data } = context.getImageData(0, 0, ACROSS, DOWN);
    grounds = Array.from({ length: ACROSS * DOWN }, (_, n) => {
      const hex = [0, 1, 2].map((channel) => (data[4 * n + channel] ?? 0).toString(16).padStart(2, '0'));
      return `#${hex.join('')}` as Hex;
    });
  }
  // Dark on a light picture, light on a dark one: whichever stands out more where it stands out least.
  const inDark = $derived(contrastOnPicture(palette.ink, grounds));
  const inLight = $derived(contrastOnPicture(palette.paper, grounds));
  const ratio = (figure: string | undefined) => Number.parseFloat(figure ?? '0');
  const usesDark = $derived(ratio(inDark?.figure) >= ratio(inLight?.figure));
  const finding = $derived(usesDark ? inDark : inLight);
</script>

<div class="proof">
  <img src={photo.address} alt="" onload={sample} />
  <div class="mark"><MarkPicture picture={usesDark ? dark : light} label={PROOFS[name].label} /></div>
</div>
<p class="quiet caption">
  <select
    title="The photo that the mark lies on"
    aria-label="Photo"
    value={photo.name}
    onchange={(event) => (photo = PHOTOS.find(({ name }) => name === event.currentTarget.value) ?? photo)}
  >
    {#each PHOTOS as each (each.name)}<option value={each.name}>on {each.label}</option>{/each}
  </select>
  {#if finding}<FindingTick {finding} />{/if}
</p>

<style>
  .proof {
    position: relative;
    height: 98px;
    margin-top: 8px;
    border: 1px solid var(--color-rule);
  }
  img {
    width: 100%;
    height: 100%;
    object-fit: cover;
  }
  .mark {
    position: absolute;
    inset: 22% 15%;
  }
  .caption {
    display: flex;
    align-items: baseline;
    justify-content: space-between;
    margin-top: 3px;
    font-size: 12px;
  }
  select {
    overflow: hidden;
    max-width: 96px;
    padding: 0 14px 0 0;
    border: 0;
    background-color: transparent;
    background-position: right center;
    background-size: 8px;
    font-size: 12px;
    text-overflow: ellipsis;
  }
</style>
