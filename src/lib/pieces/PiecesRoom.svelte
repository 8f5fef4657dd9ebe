<script lang="ts">
  import { onMount } from 'svelte';
  import type { Brief, ShippedFamily, TypeDesk } from '$core/index';
  import { PictureDesk } from '$lib/client/picture-desk.svelte';
  import type { ShownMark } from '$lib/client/read-marks';
  import { readAgainOnNews } from '$lib/client/read-again';
  import type { OfferedPicture } from '$lib/client/bring-picture';
  import RoomFrame from '$lib/ui/RoomFrame.svelte';
  import LayoutGrid from './LayoutGrid.svelte';
  import PieceList, { type Handed } from './PieceList.svelte';
  import { PiecesDesk, providePiecesDesk, type PiecesBrand } from './pieces-desk.svelte';

  interface Props {
    brand: PiecesBrand;
    marks: readonly ShownMark[];
    families: readonly ShippedFamily[];
    brief: Brief;
    type: TypeDesk;
    /** When each was last handed over, and what changed since. */
    handed: Handed;
    pictures: readonly OfferedPicture[];
  }
  const { brand, marks, families, brief, type, handed, pictures }: Props = $props();

  // The room is made anew for every brand and palette.
  // svelte-ignore state_referenced_locally
  const desk = providePiecesDesk(new PiecesDesk(brand, new PictureDesk(families, brand.slug), brief, type));
  // svelte-ignore state_referenced_locally
  [desk.all, desk.pictures] = [marks, pictures];
  $effect(() => {
    [desk.all, desk.pictures] = [marks, pictures];
  });
  $effect(() => desk.drawing.want(desk.recipes, desk.wanted));
  onMount(() => {
    const stop = readAgainOnNews([`family:${brand.id}`, `handovers:${brand.id}`, ...marks.map(({ id }) => `mark:${id}`)]);
    return () => {
      stop();
      desk.drawing.close();
    };
  });
</script>

<RoomFrame {brand} room="pieces" columns="minmax(0, 1fr) 590px" narrower="minmax(0, 1fr) 400px">
  {#snippet end()}<span role="status">{desk.said}</span>{/snippet}
  {#snippet notices()}
    {#if desk.drawing.problem}<p class="fault" role="alert">{desk.drawing.problem}</p>{/if}
  {/snippet}
  <div class="pieces">
    <h1>Pieces</h1>
    <p class="quiet">Posts, labels, shirts and cards of the brand’s own live marks: what changes there has changed here.</p>
    <PieceList {handed} />
  </div>
  <aside><LayoutGrid /></aside>
</RoomFrame>

<style>
  .pieces,
  aside {
    overflow-y: auto;
    padding: 18px 22px 30px;
  }
  .pieces p {
    margin: 2px 0 14px;
  }
  aside {
    border-left: 1px solid var(--color-rule);
    background: var(--color-sheet);
  }
</style>
