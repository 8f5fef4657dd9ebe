<script lang="ts">
  import { onMount } from 'svelte';
  import { navigating } from '$app/state';
  import { invalidateAll } from '$app/navigation';
  import { VISION_MATRIX, VISION_NAMES, type MakingLimits, type Palette, type Recipe, type ShippedFamily } from '$core/index';
  import { PictureDesk } from '$lib/client/picture-desk.svelte';
  import type { ShownMark } from '$lib/client/read-marks';
  import { onNews } from '$lib/client/work/news';
  import { openDocument } from '$lib/client/work/open-document.svelte';
  import { answerUndoKeys, undoOrder } from '$lib/client/work/undo-order';
  import { tellLooks } from '$lib/ui/kept-looks.svelte';
  import SaveBanner from '$lib/ui/SaveBanner.svelte';
  import SaveNote from '$lib/ui/SaveNote.svelte';
  import TopBar from '$lib/ui/TopBar.svelte';
  import UndoButtons from '$lib/ui/UndoButtons.svelte';
  import CheckList from './CheckList.svelte';
  import { ProofDesk, provideProofDesk, subjectsOf } from './proof-desk.svelte';
  import ProofTile from './ProofTile.svelte';

  interface Props {
    brand: { readonly id: string; readonly name: string; readonly slug: string; readonly palette: Palette };
    marks: readonly ShownMark[];
    families: readonly ShippedFamily[];
    tries: readonly { readonly id: string; readonly name: string; readonly mark: string; readonly recipe: Recipe }[];
    makers: { readonly number: number; readonly content: MakingLimits };
  }
  const { brand, marks, families, tries, makers }: Props = $props();

  // The room is made anew for every brand and palette.
  // svelte-ignore state_referenced_locally
  const desk = provideProofDesk(
    new ProofDesk(brand, brand.palette, openDocument(brand, 'makers', makers), new PictureDesk(families, brand.slug), families),
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
  const works = [desk.limits];
  const order = undoOrder(() => works);

  onMount(() => {
    void desk.limits.restore();
    void desk.lookAround();
    const again = () => navigating.to === null && void invalidateAll();
    const stops = [`family:${brand.id}`, ...marks.map(({ id }) => `mark:${id}`)].map((subject) => onNews(subject, again));
    return () => {
      for (const stop of stops) stop();
      desk.limits.close();
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

<svelte:window onkeydown={(event) => void answerUndoKeys(event, order)} />
<svg width="0" height="0" aria-hidden="true" class="filters">
  {#each VISION_NAMES as vision (vision)}
    {@const m = VISION_MATRIX[vision]}
    <filter id="sees-{vision}" color-interpolation-filters="linearRGB"
      ><feColorMatrix type="matrix" values="{m[0]} {m[1]} {m[2]} 0 0 {m[3]} {m[4]} {m[5]} 0 0 {m[6]} {m[7]} {m[8]} 0 0 0 0 0 1 0" /></filter
    >
  {/each}
</svg>
<div class="room">
  <TopBar {brand} room="proof">
    <UndoButtons {order} />
    <SaveNote {works} />
  </TopBar>
  <SaveBanner work={desk.limits} name="The list of limits" />
  {#if desk.problem || desk.drawing.problem}<p class="fault" role="alert">{desk.problem || desk.drawing.problem}</p>{/if}
  <main>
    <CheckList />
    <div class="wall">
      {#each desk.wall as section (section.id)}
        {@const rows = desk.shown
          .map((subject) => ({ subject, tiles: needsLook(section, subject) }))
          .filter(({ tiles }) => tiles.length > 0)}
        {#if rows.length > 0}
          <section aria-label={section.label}>
            <h2>{section.label} <small class="quiet">{section.hint}</small></h2>
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
  </main>
</div>

<style>
  .filters {
    position: absolute;
  }
  .room {
    display: flex;
    flex-direction: column;
    height: 100%;
  }
  main {
    display: grid;
    flex: 1;
    grid-template-columns: 290px minmax(0, 1fr);
    min-height: 0;
  }
  .wall {
    overflow-y: auto;
    padding: 16px 24px 40px;
  }
  .wall section {
    margin-bottom: 26px;
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
  .fault {
    padding: 8px 22px;
    color: var(--color-rust);
  }
  @media (max-width: 900px) {
    .room {
      height: auto;
    }
    main {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
