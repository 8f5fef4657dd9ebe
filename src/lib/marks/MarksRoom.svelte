<script lang="ts">
  import { onMount } from 'svelte';
  import type { Brief, Palette, Part, ShippedFamily } from '$core/index';
  import { DrawingDesk } from '$lib/client/drawing-desk.svelte';
  import { OpenMark, type Step } from '$lib/client/open-mark.svelte';
  import SaveNote from '$lib/ui/SaveNote.svelte';
  import TopBar from '$lib/ui/TopBar.svelte';
  import ColorsDialog from './ColorsDialog.svelte';
  import FamilyStrip from './FamilyStrip.svelte';
  import FilesDialog from './FilesDialog.svelte';
  import KeysDialog from './KeysDialog.svelte';
  import { answerKey, type TableActions } from './keys';
  import ProofRail from './ProofRail.svelte';
  import RecipeColumn from './RecipeColumn.svelte';
  import Stage from './Stage.svelte';
  import { StageView } from './stage-view.svelte';
  import StageLine from './StageLine.svelte';
  import { provideTable, Table, type BrandInfo, type MarkInfo } from './table.svelte';

  interface Props {
    brand: BrandInfo & { readonly palette: Palette; readonly paletteNumber: number };
    mark: MarkInfo & { readonly revision: number; readonly savedAt: string };
    marks: readonly MarkInfo[];
    families: readonly ShippedFamily[];
    brief: Brief;
    secondFamily: string | undefined;
    steps: { readonly past: readonly Step[]; readonly future: readonly Step[] };
  }
  const { brand, brief, secondFamily, mark, marks, families, steps }: Props = $props();

  // the room is made anew for every mark
  // svelte-ignore state_referenced_locally
  const table = provideTable(
    new Table(
      brand,
      mark,
      marks,
      families,
      new OpenMark({ ...mark, ...steps, address: `/api/brands/${brand.slug}/marks/${mark.slug}/revisions` }),
      new DrawingDesk(families),
      brief,
      secondFamily,
      brand.palette,
    ),
  );
  const view = new StageView();
  let column: RecipeColumn | undefined = $state();
  let ground = $state('clear');
  let filesOpen = $state(false);
  let colorsOpen = $state(false);
  let keysOpen = $state(false);

  onMount(() => {
    table.open.restore();
    return () => table.desk.close();
  });
  $effect(() => table.desk.order({ markId: table.info.id, palette: table.palette, recipes: table.recipes }));

  const withSelected = (act: (part: Part) => void) => table.selected && act(table.selected);
  const actions: TableActions = {
    undo: () => table.open.undo(),
    redo: () => table.open.redo(),
    duplicate: () => withSelected((part) => table.duplicate(part)),
    remove: () => withSelected((part) => table.remove(part)),
    nudge: (x, y) => withSelected((part) => table.nudge(part, x, y)),
    step: (by) => withSelected((part) => table.step(part, by)),
    selectNext: (by) => {
      const at = table.parts.findIndex(({ id }) => id === table.selectedId);
      table.selectedId = table.parts[(Math.max(at, by > 0 ? at : 0) + by + table.parts.length) % table.parts.length]?.id;
    },
    deselect: () => (table.selectedId = undefined),
    add: () => column?.focusAddField(),
    fit: () => view.fit(table.desk.stage?.ink),
    zoom: (factor) => view.zoom(factor),
    help: () => (keysOpen = true),
  };
  /** A nudge is one gesture from the first arrow pressed to the last let go. */
  const released = (event: KeyboardEvent) => event.key.startsWith('Arrow') && table.commit('Move');
</script>

<svelte:window onkeydown={(event) => answerKey(event, actions)} onkeyup={released} />
<div class="room">
  <TopBar {brand} room="marks">
    <button onclick={actions.undo} disabled={table.open.past.length === 0} title="Undo {table.open.past.at(-1)?.gesture ?? ''} (Ctrl Z)"
      >Undo</button
    >
    <button
      onclick={actions.redo}
      disabled={table.open.future.length === 0}
      title="Redo {table.open.future.at(-1)?.gesture ?? ''} (Ctrl Shift Z)">Redo</button
    >
    <SaveNote save={table.open.save} />
    <button class="help" aria-label="Keys" onclick={actions.help}>?</button>
  </TopBar>
  {#if table.open.save.kind === 'conflict'}
    <div class="conflict" role="alert">
      This mark was changed elsewhere while you worked on it. Nothing was overwritten.
      <button class="link" onclick={() => table.open.keepMine()}>Go on with mine</button>
      <button class="link" onclick={() => table.open.takeTheirs()}>Go on with the newer one</button>
    </div>
  {:else if table.open.save.kind === 'waiting'}
    <div class="conflict" role="alert">{table.open.save.problems[0]?.message} Your work is kept in this tab and saved when it returns.</div>
  {/if}
  <main>
    <RecipeColumn bind:this={column} />
    <div class="middle">
      <StageLine
        {view}
        {ground}
        changeGround={(next) => (ground = next)}
        showFiles={() => (filesOpen = true)}
        showColors={() => (colorsOpen = true)}
      />
      <Stage {view} {ground} />
      <FamilyStrip />
    </div>
    <ProofRail />
  </main>
</div>
<FilesDialog bind:open={filesOpen} />
<ColorsDialog bind:open={colorsOpen} saved={brand.palette} number={brand.paletteNumber} />
<KeysDialog bind:open={keysOpen} />

<style>
  .room {
    display: flex;
    flex-direction: column;
    height: 100%;
    min-width: 960px;
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
</style>
