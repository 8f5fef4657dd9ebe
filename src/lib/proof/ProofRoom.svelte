<script lang="ts">
  import { onMount } from 'svelte';
  import {
    VISION_MATRIX,
    VISION_NAMES,
    type GoodsDesk,
    type MakingLimits,
    type Palette,
    type Recipe,
    type SceneFacts,
    type ShippedFamily,
  } from '$core/index';
  import { PictureDesk } from '$lib/client/picture-desk.svelte';
  import { readAgainOnNews } from '$lib/client/read-again';
  import type { PhotoView } from '$lib/client/photo-view';
  import type { ShownMark } from '$lib/client/read-marks';
  import { openDocument } from '$lib/client/work/open-document.svelte';
  import { undoOrder } from '$lib/client/work/undo-order';
  import { tellLooks } from '$lib/ui/kept-looks.svelte';
  import SaveBanner from '$lib/ui/SaveBanner.svelte';
  import Room from '$lib/ui/Room.svelte';
  import AddGoods from './AddGoods.svelte';
  import CheckList from './CheckList.svelte';
  import GoodsView from './GoodsView.svelte';
  import { ProofDesk, provideProofDesk, subjectsOf } from './proof-desk.svelte';
  import ProofTile from './ProofTile.svelte';

  interface Props {
    brand: { readonly id: string; readonly name: string; readonly slug: string; readonly palette: Palette; readonly paletteNumber: number };
    marks: readonly ShownMark[];
    families: readonly ShippedFamily[];
    tries: readonly { readonly id: string; readonly name: string; readonly mark: string; readonly recipe: Recipe }[];
    makers: { readonly number: number; readonly content: MakingLimits };
    scenes: readonly SceneFacts[];
    goods: { readonly number: number; readonly content: GoodsDesk };
    photos: readonly PhotoView[];
  }
  const { brand, marks, families, tries, makers, scenes, goods, photos }: Props = $props();

  // The room is made anew for every brand and palette.
  // svelte-ignore state_referenced_locally
  const desk = provideProofDesk(
    new ProofDesk(
      brand,
      brand.palette,
      openDocument(brand, 'makers', makers),
      new PictureDesk(families, brand.slug),
      families,
      scenes,
      openDocument(brand, 'goods', goods),
      photos,
    ),
  );
  // svelte-ignore state_referenced_locally
  desk.subjects = subjectsOf(marks, tries);
  $effect(() => {
    desk.subjects = subjectsOf(marks, tries);
  });
  $effect(() => desk.drawing.want(desk.recipes, desk.wanted));
  const settled = $derived(desk.limits.settled);
  $effect(() => {
    void [settled, desk.recipes, desk.shown];
    void desk.measure();
  });
  $effect(() => {
    if (desk.measured === desk.family.length) tellLooks(brand.slug, 'proof', desk.looks);
  });
  let adding = $state(false);
  /** The mark that own goods are first seen with. */
  const adds = $derived(desk.shown[0]);
  const works = [desk.limits, desk.goods];
  const order = undoOrder(() => works);

  onMount(() => {
    void desk.limits.restore();
    void desk.goods.restore();
    void desk.lookAround();
    const stop = readAgainOnNews([`family:${brand.id}`, ...marks.map(({ id }) => `mark:${id}`)]);
    return () => {
      stop();
      desk.limits.close();
      desk.goods.close();
      desk.drawing.close();
    };
  });
  const needsLook = (section: (typeof desk.wall)[number], subject: (typeof desk.shown)[number]) =>
    section.tiles.filter(
      // Of a whole family the largest size is left out: it says nothing that the next one does not.
      (tile) =>
        (desk.shown.length === 1 || (tile.longerPx ?? 0) < 512) &&
        (!desk.onlyLooks || !['passes', undefined].includes(desk.findingOf(subject, tile)?.finding.verdict)),
    );
</script>

<svg width="0" height="0" aria-hidden="true" class="filters">
  {#each VISION_NAMES as vision (vision)}
    {@const m = VISION_MATRIX[vision]}
    <filter id="sees-{vision}" color-interpolation-filters="linearRGB"
      ><feColorMatrix type="matrix" values="{m[0]} {m[1]} {m[2]} 0 0 {m[3]} {m[4]} {m[5]} 0 0 {m[6]} {m[7]} {m[8]} 0 0 0 0 0 1 0" /></filter
    >
  {/each}
</svg>
{#snippet notices()}
  <SaveBanner work={desk.limits} name="The list of limits" />
  <SaveBanner work={desk.goods} name="How goods are shown" />
  {#if desk.problem || desk.drawing.problem}<p class="fault" role="alert">{desk.problem || desk.drawing.problem}</p>{/if}
{/snippet}
<Room {brand} room="proof" columns="290px minmax(0, 1fr)" {works} {order} {notices}>
  <CheckList />
  <div class="wall">
    {#each desk.wall as section (section.id)}
      {@const rows = desk.shown.map((subject) => ({ subject, tiles: needsLook(section, subject) })).filter(({ tiles }) => tiles.length > 0)}
      {#if rows.length > 0}
        <section aria-label={section.label}>
          <h2>
            {section.label} <small class="quiet">{section.hint}</small>
            {#if section.id === 'goods' && adds}<button
                title="A photo of your own goods, with a place for a mark"
                class="link add"
                onclick={() => (adding = true)}>Add a photo of your own</button
              >{/if}
          </h2>
          {#each rows as { subject, tiles } (subject.id)}
            {#if desk.shown.length > 1}<p class="label">{subject.name}</p>{/if}
            <div class="tiles" class:sizes={section.id === 'sizes'}>
              {#each tiles as tile (tile.id)}<ProofTile {tile} {subject} />{/each}
            </div>
          {/each}
        </section>
      {/if}
    {/each}
    {#if desk.family.length === 0}<p class="quiet">The brand’s marks will be proofed here, in every place where they will be met.</p>
    {:else if desk.onlyLooks && desk.measured === desk.family.length && desk.looks === 0}<p class="quiet">Nothing needs a look.</p>{/if}
  </div>
</Room>
{#if adding && adds}<AddGoods subject={adds} close={() => (adding = false)} />{/if}
{#if desk.large}<GoodsView {...desk.large} />{/if}

<style>
  .filters {
    position: absolute;
  }
  .wall {
    overflow-y: auto;
    padding: 16px 24px 40px;
  }
  .wall section {
    margin-bottom: 26px;
  }
  .add {
    margin-left: 10px;
    font: 600 13px var(--font-sans);
  }
  h2 {
    padding-bottom: 4px;
    margin-bottom: 10px;
    border-bottom: 1px solid var(--color-ink);
  }
  h2 small {
    margin-left: 8px;
    font: 400 13px var(--font-sans);
  }
  .tiles {
    display: flex;
    flex-wrap: wrap;
    gap: 14px;
    margin: 4px 0 12px;
  }
  .tiles.sizes {
    align-items: end;
  }
</style>
