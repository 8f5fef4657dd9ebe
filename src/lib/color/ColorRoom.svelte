<script lang="ts">
  import { onMount } from 'svelte';
  import {
    noted,
    paletteFaults,
    exchanged,
    isRole,
    ROLES,
    type Board,
    type KeptPalettes,
    type Palette,
    type Recipe,
    type Role,
    type ShippedFamily,
  } from '$core/index';
  import { picturesAddress } from '$lib/addresses';
  import { PictureDesk } from '$lib/client/picture-desk.svelte';
  import { readAgainOnNews } from '$lib/client/read-again';
  import type { ShownMark } from '$lib/client/read-marks';
  import type { OpenWork } from '$lib/client/work/open-work.svelte';
  import type { OpenMark } from '$lib/client/work/open-mark.svelte';
  import { openDocument, openPalette } from '$lib/client/work/open-document.svelte';
  import { answerUndoKeys, undoOrder } from '$lib/client/work/undo-order';
  import Choice from '$lib/ui/Choice.svelte';
  import { tellLooks } from '$lib/ui/kept-looks.svelte';
  import SaveBanner from '$lib/ui/SaveBanner.svelte';
  import SaveNote from '$lib/ui/SaveNote.svelte';
  import TopBar from '$lib/ui/TopBar.svelte';
  import UndoButtons from '$lib/ui/UndoButtons.svelte';
  import BringColors from './BringColors.svelte';
  import { ColorDesk, provideColorDesk } from './color-desk.svelte';
  import Colorways from './Colorways.svelte';
  import { MarksTogether } from './marks-together.svelte';
  import ContrastGrid from './ContrastGrid.svelte';
  import OfferedColors from './OfferedColors.svelte';
  import OnMarks from './OnMarks.svelte';
  import SwatchList from './SwatchList.svelte';
  import SwatchNumbers from './SwatchNumbers.svelte';

  interface Props {
    brand: { readonly id: string; readonly name: string; readonly slug: string; readonly palette: Palette; readonly paletteNumber: number };
    marks: readonly ShownMark[];
    families: readonly ShippedFamily[];
    board: Board;
    kept: { readonly number: number; readonly content: KeptPalettes };
  }
  const { brand, marks, families, board, kept }: Props = $props();

  // The room is made anew for every brand.
  // svelte-ignore state_referenced_locally
  const desk = provideColorDesk(
    new ColorDesk(brand.slug, openPalette(brand), openDocument(brand, 'palettes', kept), board, new PictureDesk(families, brand.slug)),
  );
  desk.choose('lead');
  $effect(() => {
    desk.marks = marks;
  });
  let ways: OpenMark | undefined = $state.raw();
  // svelte-ignore state_referenced_locally
  const together = new MarksTogether(brand.slug);
  const works: readonly OpenWork<unknown>[] = $derived([
    desk.colors,
    desk.keptBeside,
    ...(ways && !together.keeps(ways) ? [ways] : []),
    ...together.opened,
  ]);
  // What was done to all marks comes first: each of them has it among its own steps.
  const order = undoOrder(() => [together, desk.colors, desk.keptBeside, ...(ways ? [ways] : [])]);
  $effect(() => tellLooks(brand.slug, 'color', paletteFaults(desk.palette).length));
  let bringing = $state(false);
  let view: 'marks' | 'ways' | 'contrast' = $state('marks');
  let wayId: string | undefined = $state();
  const wayMark = $derived(desk.atHand.find(({ id }) => id === wayId) ?? desk.atHand[0]);
  /** What is done to a mark here is undone with all else that is done here. */
  function joined(work: OpenMark): () => void {
    ways = work;
    return () => {
      if (ways === work) ways = undefined;
      if (!together.keeps(work)) work.close();
    };
  }

  onMount(() => {
    for (const work of [desk.colors, desk.keptBeside]) void work.restore();
    const stop = readAgainOnNews([`family:${brand.id}`, ...marks.map(({ id }) => `mark:${id}`)]);
    return () => {
      stop();
      for (const work of [desk.colors, desk.keptBeside]) work.close();
      together.close();
      desk.drawing.close();
    };
  });
  /** Dresses every mark at hand in the palette, in one gesture. */
  async function dressAll(): Promise<void> {
    const open = new Map(ways && wayMark ? [[wayMark.id, ways]] : []);
    const all = desk.atHand.map((mark) => ({ mark, recipe: open.get(mark.id)?.recipe ?? together.recipeOf(mark.id) ?? mark.recipe }));
    const recipes = new Map([...desk.recipes, ...all.map(({ mark, recipe }) => [mark.id, recipe] as const)]);
    const changes: { mark: ShownMark; recipe: Recipe }[] = [];
    for (const [at, { mark }] of all.entries()) {
      desk.said = `${at} of ${all.length} marks looked at`;
      const found = await desk.drawing.about(recipes, desk.palette, (draughtsman) => draughtsman.dressedInPalette(mark.id));
      if (found.changed) changes.push({ mark, recipe: found.recipe });
    }
    if (changes.length > 0) together.commit(changes, open);
    const rest = all.length - changes.length;
    desk.said =
      changes.length === 0
        ? 'Every mark is dressed in the palette already.'
        : `${changes.length} ${changes.length === 1 ? 'mark' : 'marks'} dressed${rest > 0 ? `; ${rest} ${rest === 1 ? 'was' : 'were'} already` : ''}.`;
  }
  $effect(() => {
    if (together.said) desk.said = together.said;
  });
  const base = $derived(picturesAddress(brand.slug));

  function rename(name: string): void {
    const words = name.trim();
    const key = desk.chosen;
    if (words === '' && !isRole(key)) return;
    desk.change('Name a color', noted(desk.palette, key, { name: words === '' || words === key ? undefined : words }));
  }
</script>

<svelte:window onkeydown={(event) => void answerUndoKeys(event, order)} />
<div class="room">
  <TopBar {brand} room="color">
    <UndoButtons {order} />
    <SaveNote {works} />
  </TopBar>
  <SaveBanner work={desk.colors} name="The palette" />
  <SaveBanner work={desk.keptBeside} name="The list of kept palettes" />
  {#if desk.drawing.problem}<p class="fault" role="alert">{desk.drawing.problem}</p>{/if}
  <main>
    <SwatchList />
    <section class="swatch-room" aria-label="Color {desk.swatch.name}">
      <div class="top">
        <span class="big" style:background={desk.hex}></span>
        <div class="called">
          <input
            title="What this color is called on the sheet and in files"
            class="name"
            aria-label="Name"
            value={desk.swatch.name}
            maxlength="40"
            onchange={(event) => rename(event.currentTarget.value)}
          />
          <input
            title="Where this color belongs: on the sheet it stands beside its code"
            class="use"
            aria-label="What it is for"
            placeholder="what it is for"
            maxlength="80"
            value={desk.palette.notes?.[desk.chosen]?.use ?? ''}
            onchange={(event) =>
              desk.change('Use of a color', noted(desk.palette, desk.chosen, { use: event.currentTarget.value.trim() || undefined }))}
          />
        </div>
        <label class="exchange quiet"
          >exchange with
          <select
            title="The two colors change places: every mark follows"
            aria-label="Exchange with a role"
            value=""
            onchange={(event) => {
              const role = event.currentTarget.value as Role;
              event.currentTarget.value = '';
              desk.change(`Exchange with ${role}`, exchanged(desk.palette, desk.chosen, role));
            }}
          >
            <option value="">…</option>
            {#each ROLES.filter((role) => role !== desk.chosen) as role (role)}<option>{role}</option>{/each}
          </select></label
        >
        <button
          title="Brings colors in from any text or file, and saves the palette for other programs"
          class="link"
          onclick={() => (bringing = true)}>Colors in and out</button
        >
      </div>
      {#key desk.chosen}<SwatchNumbers />{/key}
      <OfferedColors pictureBase={base} />
    </section>
    <aside>
      <div class="views">
        <Choice
          label="Palette"
          hint="What the palette is looked at on"
          options={[
            { value: 'marks', label: 'on the marks' },
            { value: 'ways', label: 'colorways' },
            { value: 'contrast', label: 'contrast' },
          ]}
          value={view}
          choose={(next) => (view = next)}
        />
      </div>
      {#if view === 'marks'}<OnMarks />
      {:else if view === 'contrast'}<ContrastGrid />
      {:else if wayMark}
        <select
          title="The mark that is shown in its colorways"
          class="lone-field"
          aria-label="Mark"
          value={wayMark.id}
          onchange={(event) => (wayId = event.currentTarget.value)}
        >
          {#each desk.atHand as { id, name } (id)}<option value={id}>{name}</option>{/each}
        </select>
        {#key wayMark.id}<Colorways mark={wayMark} changed={joined} all={dressAll} />{/key}
      {:else}<p class="quiet">The brand’s marks will stand here in every colorway.</p>{/if}
    </aside>
  </main>
</div>
<BringColors bind:open={bringing} brandName={brand.name} />

<style>
  .room {
    display: flex;
    flex-direction: column;
    height: 100%;
  }
  main {
    display: grid;
    flex: 1;
    grid-template-columns: 300px minmax(0, 1fr) 440px;
    min-height: 0;
  }
  .swatch-room {
    overflow-y: auto;
    padding: 18px 24px 30px;
  }
  .top {
    display: grid;
    grid-template-columns: 72px minmax(0, 1fr) auto auto;
    align-items: center;
    gap: 16px;
    margin-bottom: 14px;
  }
  .big {
    height: 56px;
    border: 1px solid var(--color-rule);
  }
  .called {
    display: grid;
  }
  .called input {
    min-height: 24px;
    padding: 0;
    border: 0;
    border-bottom: 1px solid transparent;
    background: none;
  }
  .called input:hover,
  .called input:focus {
    border-bottom-color: var(--color-rule);
  }
  .name {
    font: 500 25px/1.25 var(--font-serif);
  }
  .use {
    color: var(--color-quiet);
    font-size: 13px;
  }
  .exchange select {
    width: 74px;
    height: 26px;
    padding: 0 22px 0 6px;
    border: 1px solid var(--color-rule);
    background-color: transparent;
    font-size: 12px;
  }
  aside {
    overflow-y: auto;
    padding: 18px 22px 24px;
    border-left: 1px solid var(--color-rule);
    background: var(--color-sheet);
  }
  .views {
    margin-bottom: 12px;
  }
  .fault {
    padding: 8px 22px;
    color: var(--color-rust);
  }
  @media (max-width: 1180px) {
    main {
      grid-template-columns: 250px minmax(0, 1fr) 340px;
    }
    .top {
      grid-template-columns: 72px minmax(0, 1fr) auto;
      row-gap: 6px;
    }
    .exchange {
      grid-row: 2;
      grid-column: 1 / -1;
    }
  }
  @media (max-width: 960px) {
    .room {
      height: auto;
    }
    main {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
