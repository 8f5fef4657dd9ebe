<script lang="ts">
  import { onMount } from 'svelte';
  import type { Palette, PhotoDesk, ShippedFamily } from '$core/index';
  import type { PhotoView } from '$lib/client/photo-view';
  import { readAgainOnNews } from '$lib/client/read-again';
  import { PictureDesk } from '$lib/client/picture-desk.svelte';
  import type { ShownMark } from '$lib/client/read-marks';
  import { onNews } from '$lib/client/work/news';
  import { openDocument } from '$lib/client/work/open-document.svelte';
  import { undoOrder } from '$lib/client/work/undo-order';
  import Room from '$lib/ui/Room.svelte';
  import SaveBanner from '$lib/ui/SaveBanner.svelte';
  import Marking from './Marking.svelte';
  import PhotoStage from './PhotoStage.svelte';
  import PhotoTray from './PhotoTray.svelte';
  import { PhotosDesk, providePhotosDesk } from './photos-desk.svelte';
  import type { PhotoRunView } from './views';

  interface Props {
    brand: { readonly id: string; readonly name: string; readonly slug: string; readonly palette: Palette };
    marks: readonly ShownMark[];
    families: readonly ShippedFamily[];
    desk: { readonly number: number; readonly content: PhotoDesk };
    photos: readonly PhotoView[];
    runs: readonly PhotoRunView[];
  }
  const { brand, marks, families, desk: saved, photos, runs }: Props = $props();

  // The room is made anew for every brand and palette.
  // svelte-ignore state_referenced_locally
  const desk = providePhotosDesk(
    new PhotosDesk(brand, openDocument(brand, 'photos', saved), new PictureDesk(families, brand.slug), marks, photos, runs),
  );
  $effect(() => {
    desk.marks = marks;
  });
  const works = [desk.work];
  const order = undoOrder(() => works);

  // Whatever is changed, by hand, undo or another tab, is laid again.
  $effect(() => {
    void [desk.watermark, desk.recipes, desk.current];
    void desk.lay(desk.work.content === desk.work.settled);
  });
  onMount(() => {
    void desk.work.restore();
    const reload = () => void desk.reload();
    const stops = [
      readAgainOnNews([`family:${brand.id}`, ...marks.map(({ id }) => `mark:${id}`)]),
      ...[`photos:${brand.id}`, `photo-runs:${brand.id}`].map((subject) => onNews(subject, reload)),
    ];
    return () => {
      for (const stop of stops) stop();
      desk.close();
    };
  });
  const open = $derived(desk.runs.map(({ id }) => id).join());
  $effect(() => {
    const stops = open ? open.split(',').map((id) => onNews(`photo-run:${id}`, () => desk.refresh(id))) : [];
    return () => {
      for (const stop of stops) stop();
    };
  });
</script>

{#snippet notices()}
  <SaveBanner work={desk.work} name="What is laid over the photos" />
  {#if desk.problem}<p class="fault" role="alert">{desk.problem}</p>{/if}
{/snippet}

<Room {brand} room="photos" columns="236px minmax(0, 1fr) 316px" {works} {order} {notices}>
  <PhotoTray />
  <PhotoStage />
  <Marking />
</Room>
