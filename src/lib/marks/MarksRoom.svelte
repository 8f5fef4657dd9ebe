<script lang="ts">
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { SHOWN_UNITS, weakAtFrom, type ShownUnit } from '$core/index';
  import type { Brief, Lettering, Palette, Part, Recipe, ShippedFamily } from '$core/index';
  import { DrawingDesk } from '$lib/client/drawing-desk.svelte';
  import { openPalette } from '$lib/client/work/open-document.svelte';
  import { OpenMark } from '$lib/client/work/open-mark.svelte';
  import type { Step } from '$lib/client/work/work-form';
  import { readAgainOnNews } from '$lib/client/read-again';
  import { undoOrder } from '$lib/client/work/undo-order';
  import { rooms } from '$lib/ui/rooms';
  import SaveBanner from '$lib/ui/SaveBanner.svelte';
  import SaveNote from '$lib/ui/SaveNote.svelte';
  import TopBar from '$lib/ui/TopBar.svelte';
  import ActionFinder from './ActionFinder.svelte';
  import ArtShelfPanel from './art/ArtShelfPanel.svelte';
  import ColorsDialog from './ColorsDialog.svelte';
  import FamilyStrip from './FamilyStrip.svelte';
  import FilesDialog from './FilesDialog.svelte';
  import KeysDialog from './KeysDialog.svelte';
  import { copied } from './table/clipboard';
  import { findables, type Findable } from './table/findable';
  import { keepView, keptView } from './table/kept-view';
  import { lengths } from '$lib/ui/shown-unit.svelte';
  import CompareTry from './CompareTry.svelte';
  import { answerKey, isTyping, type TableActions } from './table/keys';
  import { adjustGap, flipLetter, nextLetter, nudgeLetter, removeLetter, turnLetter } from './lettering/letter-keys';
  import { CLEAR, dressingFor, groundNow, grounds, type Ground } from './stage/grounds';
  import WordsDialog from './pictures/WordsDialog.svelte';
  import ProofRail from './proofs/ProofRail.svelte';
  import RecipeColumn from './RecipeColumn.svelte';
  import Stage from './stage/Stage.svelte';
  import { StageView } from './stage/stage-view.svelte';
  import StageLine from './stage/StageLine.svelte';
  import { Tries, type Kept } from './table/tries.svelte';
  import { provideTable, Table, type BrandInfo, type MarkInfo } from './table/table.svelte';

  interface Props {
    brand: BrandInfo & { readonly palette: Palette; readonly paletteNumber: number };
    mark: MarkInfo & { readonly savedAt: string };
    marks: readonly MarkInfo[];
    families: readonly ShippedFamily[];
    brief: Brief;
    secondFamily: string | undefined;
    tries: readonly Kept[];
    steps: { readonly past: readonly Step<Recipe>[]; readonly future: readonly Step<Recipe>[] };
  }
  const { brand, brief, secondFamily, mark, marks, families, tries, steps }: Props = $props();

  // the room is made anew for every mark
  // svelte-ignore state_referenced_locally
  const keptBeside = new Tries(tries, `/api/brands/${brand.slug}/marks/${mark.slug}/tries`);
  // svelte-ignore state_referenced_locally
  const table = provideTable(
    new Table(
      brand,
      mark,
      marks,
      families,
      new OpenMark({
        ...steps,
        subject: `mark:${mark.id}`,
        address: `/api/brands/${brand.slug}/marks/${mark.slug}/revisions`,
        content: mark.recipe,
        number: mark.revision,
        savedAt: mark.savedAt,
        keepBeside: (recipe, name) => keptBeside.keep(recipe, name),
      }),
      new DrawingDesk(families, brand.slug),
      brief,
      secondFamily,
      openPalette(brand),
      keptBeside,
    ),
  );
  const view = new StageView();
  let column: RecipeColumn | undefined = $state();
  let chosenGround: Ground = $state.raw(CLEAR);
  const ground = $derived(groundNow(chosenGround, table.palette));
  let apart = $state(false);
  let dressed = $state(false);
  let filesOpen = $state(false);
  let colorsOpen = $state(false);
  let keysOpen = $state(false);
  let finding = $state(false);

  onMount(() => {
    for (const work of works) void work.restore();
    lookAgain();
    const stopNews = readAgainOnNews([`family:${brand.id}`]);
    return () => {
      stopNews();
      works.forEach((work) => work.close());
      table.desk.close();
    };
  });
  // Names, order and what is at hand may change while the room is open; each mark's own work is its own.
  $effect(() => {
    table.marks = marks;
  });
  const works = [table.open, table.colors];
  const order = undoOrder(() => works);
  // A change on the table is drawn before the page follows it; everything else that is drawn is followed here.
  table.open.onshown = (recipe) => table.desk.order({ ...table.order(), recipes: new Map([...table.recipes, [table.info.id, recipe]]) });
  table.desk.onstage = () => table.open.follow();
  $effect(() => {
    table.worn = dressed ? dressingFor(ground) : table.inInk ? 'one-color' : undefined;
  });
  $effect(() => table.desk.order(table.order()));

  const withSelected = (act: (part: Part) => void) => table.selected && act(table.selected);
  const actions: TableActions = {
    // A gesture under way ends first: it is the one to be undone.
    undo: () => (table.commit('Change'), order.undo()),
    redo: order.redo,
    duplicate: () => table.duplicateChosen(),
    remove: () => withSelected((part) => (inLetter(part) ? removeLetter(table, part) : table.removeChosen())),
    group: () => table.gather('Group', 'group', (id, members) => ({ kind: 'group', id, members })),
    chooseAll: () => table.chooseAll(),
    nudge: (x, y) => withSelected((part) => (inLetter(part) ? nudgeLetter(table, part, x, y) : table.arranging.nudge(x, y))),
    step: (by) => withSelected((part) => table.step(part, by)),
    rename: () => withSelected((part) => part.kind !== 'unknown' && (table.renaming = part.id)),
    regather: (way) => table.regather(way),
    toEnd: (end) => withSelected((part) => table.restack(part, end === 'front' ? table.parts.length : 0)),
    selectNext: (by) => {
      const at = table.parts.findIndex(({ id }) => id === table.selectedId);
      table.selectedId = table.parts[(Math.max(at, by > 0 ? at : 0) + by + table.parts.length) % table.parts.length]?.id;
    },
    deselect: () => {
      if (table.letter !== undefined || table.gap !== undefined) table.letter = table.gap = undefined;
      else if (table.weak.at) table.weak.end();
      else if (table.tries.comparedId) table.tries.comparedId = undefined;
      else table.selectedId = undefined;
    },
    letters: () => withSelected((part) => part.kind === 'lettering' && nextLetter(table, part, 0)),
    nextLetter: (by) => withSelected((part) => part.kind === 'lettering' && nextLetter(table, part, by)),
    gap: (by) => withSelected((part) => part.kind === 'lettering' && adjustGap(table, part, by)),
    turnLetter: (byDeg) => withSelected((part) => inLetter(part) && turnLetter(table, part, byDeg)),
    flipLetter: () => withSelected((part) => inLetter(part) && flipLetter(table, part)),
    keepTry: () => table.keepTry(),
    add: () => column?.focusAddField(),
    fit: () => view.fit(table.shownInk),
    zoom: (factor) => view.zoom(factor),
    help: () => (keysOpen = true),
    find: () => (finding = true),
  };
  /** Views, dialogs, other marks and rooms, as they are found by name. */
  const places = (): readonly Findable[] => [
    {
      label: 'Files',
      where: 'Stage',
      words: ['export', 'download', 'png', 'svg', 'jpeg', 'webp', 'save as'],
      act: () => (filesOpen = true),
    },
    {
      ...{ label: table.inInk ? 'Turn color on' : 'Back to ink', where: 'Stage', words: ['black first', 'one color', 'full color'] },
      act: () => table.stand(!table.inInk),
    },
    { label: 'Colors', where: 'Stage', words: ['palette', 'swatches', 'brand colors'], act: () => (colorsOpen = true) },
    {
      ...{ label: 'Dress for the ground', where: 'Stage', words: ['reversed', 'on lead', 'one color'] },
      act: () => (dressed = !dressed),
    },
    { label: 'Tell parts apart', where: 'Stage', words: ['every part in a color of its own'], act: () => (apart = !apart) },
    ...grounds(table.palette).map(({ label, ground: to }) => ({
      ...{ label: `Ground: ${label}`, where: 'Stage', words: ['background'], act: () => (chosenGround = to) },
    })),
    ...Object.entries(SHOWN_UNITS).map(([unit, { label }]) => ({
      ...{ label: `Lengths in ${label}`, where: 'Stage', words: [unit, 'units'], act: () => lengths.show(unit as ShownUnit) },
    })),
    ...table.beside.map(({ name, slug }) => ({
      ...{ label: `Open ${name}`, where: 'Marks', act: () => void goto(`/brands/${brand.slug}/marks/${slug}`) },
    })),
    ...rooms.map(({ label, address }) => ({ label, where: 'Rooms', act: () => void goto(address(brand.slug)) })),
    { label: 'Studio', where: 'Rooms', words: ['all brands', 'home'], act: () => void goto('/') },
  ];
  /** A list that was chosen from by pointer gives the keys back; by keys one may want to go on choosing. */
  let byPointer = false;
  function chosen(event: Event): void {
    if (byPointer && event.target instanceof HTMLSelectElement) event.target.blur();
  }
  // Where the designer looked, on what, and with what chosen, is there again when the page is.
  let lookedBefore = false;
  $effect(() => {
    if (lookedBefore)
      keepView(
        table.info.id,
        view,
        table.chosen.map(({ id }) => id),
        ground,
      );
  });
  function lookAgain(): void {
    const kept = keptView(table.info.id, table.palette);
    if (kept) {
      if (!kept.place.fitted) view.lookAt(kept.place);
      table.choose(kept.chosen.filter((id) => table.parts.some((part) => part.id === id)));
      chosenGround = kept.ground;
    }
    // Whoever was led to a part finds it chosen.
    const led = page.url.searchParams.get('part');
    if (led && table.parts.some(({ id }) => id === led)) table.choose([led]);
    table.weak.at = weakAtFrom(page.url.searchParams.get('weak'));
    lookedBefore = true;
  }
  /** A nudge is one gesture from the first arrow pressed to the last let go. */
  const released = (event: KeyboardEvent) => {
    if (isTyping(event.target)) return;
    if (event.key.startsWith('Arrow')) table.commit(event.altKey ? 'Gap' : table.letter === undefined ? 'Move' : 'Move letter');
  };
  const inLetter = (part: Part): part is Lettering => part.kind === 'lettering' && table.letter !== undefined;

  function copy(event: ClipboardEvent, cut: boolean): void {
    const part = table.selected;
    if (isTyping(event.target) || !part || part.kind === 'unknown' || !event.clipboardData || String(getSelection() ?? '') !== '') return;
    event.preventDefault();
    event.clipboardData.setData(
      'text/plain',
      copied(
        table.open.recipe,
        table.chosen.map(({ id }) => id),
        { brand: brand.slug, mark: table.info.id, palette: table.palette, sources: table.recipes },
      ),
    );
    if (cut) table.removeChosen();
  }
  /** Files that are dropped anywhere on the table come in; the browser never leaves the page for one. */
  function drop(event: DragEvent): void {
    const files = [...(event.dataTransfer?.files ?? [])];
    if (files.length === 0 || event.defaultPrevented) return;
    event.preventDefault();
    void table.bringIn(files);
  }
  function paste(event: ClipboardEvent): void {
    if (isTyping(event.target) || !event.clipboardData) return;
    const files = [...event.clipboardData.files];
    if (files.length > 0) {
      event.preventDefault();
      void table.bringIn(files);
    } else void table.paste(event.clipboardData.getData('text/plain'));
  }
</script>

<svelte:window
  onkeydowncapture={() => {
    byPointer = false;
    table.open.follow();
  }}
  onpointerdowncapture={() => {
    byPointer = true;
    table.open.follow();
  }}
  onchange={chosen}
  ondragover={(event) => event.dataTransfer?.types.includes('Files') && event.preventDefault()}
  ondrop={drop}
  onkeydown={(event) => answerKey(event, actions)}
  onkeyup={released}
/>
<svelte:document oncopy={(event) => copy(event, false)} oncut={(event) => copy(event, true)} onpaste={paste} />
<div class="room">
  <TopBar {brand} room="marks">
    <button onclick={actions.undo} disabled={order.next === undefined} title="Undo {order.next ?? ''} (Ctrl Z)">Undo</button>
    <button onclick={actions.redo} disabled={order.again === undefined} title="Redo {order.again ?? ''} (Ctrl Shift Z)">Redo</button>
    <SaveNote {works} />
    <button onclick={actions.find} title="Find an action by its name (Ctrl K)">Find</button>
    <button class="help" aria-label="Keys" title="All keys (?)" onclick={actions.help}>?</button>
  </TopBar>
  {#if table.said}<div class="conflict" role="alert">
      {table.said} <button title="Puts this sentence away" class="link" onclick={() => (table.said = '')}>Close</button>
    </div>{/if}
  <SaveBanner work={table.open} name="This mark" beside />
  <SaveBanner work={table.colors} name="The palette" />
  <main>
    <h1 class="off-screen">{table.info.name} of {brand.name}</h1>
    <RecipeColumn bind:this={column} />
    <div class="middle">
      <StageLine
        {view}
        {ground}
        {apart}
        {dressed}
        dress={() => (dressed = !dressed)}
        tellApart={() => (apart = !apart)}
        changeGround={(next) => (chosenGround = next)}
        showFiles={() => (filesOpen = true)}
        showColors={() => (colorsOpen = true)}
      />
      <div class="on-stage">
        <Stage {view} {ground} {apart} />
        {#if table.tries.compared}{#key table.tries.compared.id}<CompareTry kept={table.tries.compared} />{/key}{/if}
      </div>
      {#if table.art.open}<ArtShelfPanel shelf={table.art} />{:else}<FamilyStrip keep={actions.keepTry} />{/if}
    </div>
    <ProofRail />
  </main>
</div>
<FilesDialog bind:open={filesOpen} />
<ColorsDialog bind:open={colorsOpen} />
{#if table.wording}<WordsDialog />{/if}
<KeysDialog bind:open={keysOpen} />
<ActionFinder bind:open={finding} all={() => findables(table, actions, places())} />

<style>
  .room {
    display: flex;
    flex-direction: column;
    height: 100%;
  }
  main {
    display: grid;
    flex: 1;
    grid-template-columns: 322px minmax(0, 1fr) 178px;
    min-height: 0;
  }
  .middle {
    display: grid;
    grid-template-rows: auto minmax(0, 1fr) auto;
    grid-template-columns: minmax(0, 1fr);
    min-height: 0;
  }
  /* The column, the stage with its strips, and the rail are painted each by itself: a change of one leaves the others as they are. */
  main > :global(*) {
    contain: layout paint;
    will-change: transform;
  }
  .middle > :global(*) {
    will-change: transform;
  }
  .on-stage {
    position: relative;
    display: grid;
    min-height: 0;
  }
  .conflict {
    padding: 8px 22px;
    border-bottom: 1px solid var(--color-rule);
    background: #fbf1dc;
    color: var(--color-ink);
  }
  .conflict button {
    margin-left: 14px;
  }
  .help {
    width: 20px;
    height: 20px;
    border: 1px solid var(--color-quiet);
    background: var(--color-sheet);
    font-weight: 600;
  }
  button:disabled {
    cursor: default;
    opacity: 0.45;
  }
  /* Narrow, or zoomed to 200 %: the stage first, then the recipe, then the proofs, and the page scrolls. */
  @media (max-width: 959px) {
    .room {
      height: auto;
    }
    main {
      display: flex;
      flex-direction: column;
    }
    .middle {
      order: -1;
      height: max(360px, 82vh);
    }
  }
</style>
