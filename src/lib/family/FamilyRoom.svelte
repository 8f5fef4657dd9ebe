<script lang="ts">
  import { onMount } from 'svelte';
  import type { Palette, ShippedFamily } from '$core/index';
  import { PictureDesk } from '$lib/client/picture-desk.svelte';
  import { readAgainOnNews } from '$lib/client/read-again';
  import type { ShownMark } from '$lib/client/read-marks';
  import RoomFrame from '$lib/ui/RoomFrame.svelte';
  import { FamilyDesk, provideFamilyDesk } from './family-desk.svelte';
  import FamilyTree from './FamilyTree.svelte';
  import LayoutShelf from './LayoutShelf.svelte';
  import MarkList from '$lib/ui/MarkList.svelte';

  interface Props {
    brand: { readonly id: string; readonly name: string; readonly slug: string; readonly palette: Palette };
    marks: readonly ShownMark[];
    families: readonly ShippedFamily[];
  }
  const { brand, marks, families }: Props = $props();

  // The room is made anew for every brand and palette.
  // svelte-ignore state_referenced_locally
  const desk = provideFamilyDesk(new FamilyDesk(brand, brand.palette, new PictureDesk(families, brand.slug)));
  // svelte-ignore state_referenced_locally
  desk.marks = marks;
  $effect(() => {
    desk.marks = marks;
  });
  $effect(() => desk.drawing.want(desk.recipes, desk.wanted));
  const source = $derived(desk.source?.recipe);
  $effect(() => {
    if (source) void desk.lay();
  });

  onMount(() => {
    const stop = readAgainOnNews([`family:${brand.id}`, ...marks.map(({ id }) => `mark:${id}`)]);
    return () => {
      stop();
      desk.drawing.close();
    };
  });
</script>

<RoomFrame {brand} room="family" columns="minmax(0, 1fr) 590px" narrower="minmax(0, 1fr) 400px">
  {#snippet end()}<span role="status">{desk.said}</span>{/snippet}
  {#snippet notices()}
    {#if desk.drawing.problem}<p class="fault" role="alert">{desk.drawing.problem}</p>{/if}
  {/snippet}
  <div class="family">
    <h1>Family</h1>
    <p class="quiet">What stands to the right follows what stands to the left, part by part; a change there is a change here.</p>
    <FamilyTree />
    <h2>All marks</h2>
    <MarkList {brand} {marks} pictures={(id) => desk.drawing.pictures.get(id)} />
  </div>
  <aside><LayoutShelf /></aside>
</RoomFrame>

<style>
  .family {
    overflow-y: auto;
    padding: 18px 22px 30px;
  }
  .family p {
    margin: 2px 0 14px;
  }
  aside {
    overflow-y: auto;
    padding: 18px 22px 30px;
    border-left: 1px solid var(--color-rule);
    background: var(--color-sheet);
  }
</style>
