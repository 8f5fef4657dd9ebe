<script lang="ts">
  import { onMount } from 'svelte';
  import type { Board, Brief, Hex, Palette, Role } from '$core/index';
  import { openDocument, openPalette } from '$lib/client/work/open-document.svelte';
  import { answerUndoKeys, undoOrder } from '$lib/client/work/undo-order';
  import SaveBanner from '$lib/ui/SaveBanner.svelte';
  import SaveNote from '$lib/ui/SaveNote.svelte';
  import TopBar from '$lib/ui/TopBar.svelte';
  import UndoButtons from '$lib/ui/UndoButtons.svelte';
  import BriefWords from './BriefWords.svelte';
  import MoodBoard from './MoodBoard.svelte';

  interface Props {
    brand: { readonly id: string; readonly name: string; readonly slug: string; readonly palette: Palette; readonly paletteNumber: number };
    brief: { readonly number: number; readonly content: Brief };
    board: { readonly number: number; readonly content: Board };
  }
  const { brand, brief, board }: Props = $props();

  // The room is made anew for every brand.
  // svelte-ignore state_referenced_locally
  const [openBrief, openBoard, colors] = [openDocument(brand, 'brief', brief), openDocument(brand, 'board', board), openPalette(brand)];
  const works = [openBrief, openBoard, colors];
  const order = undoOrder(() => works);
  let said = $state('');

  onMount(() => {
    for (const work of works) void work.restore();
    return () => works.forEach((work) => work.close());
  });

  function sendColor(role: Role, hex: Hex): void {
    colors.commit(`New ${role}`, { ...colors.content, [role]: hex });
    said = `${hex} is now the brand’s ${role}.`;
  }
</script>

<svelte:window onkeydown={(event) => void answerUndoKeys(event, order)} />
<div class="room">
  <TopBar {brand} room="brief">
    <UndoButtons {order} />
    <SaveNote {works} />
  </TopBar>
  <SaveBanner work={openBrief} name="This brief" />
  <SaveBanner work={openBoard} name="This board" />
  <SaveBanner work={colors} name="The palette" />
  <main>
    <BriefWords brief={openBrief} />
    <MoodBoard board={openBoard} slug={brand.slug} {sendColor} {said} />
  </main>
</div>

<style>
  .room {
    display: flex;
    flex-direction: column;
    height: 100%;
  }
  main {
    display: grid;
    flex: 1;
    grid-template-columns: 470px minmax(0, 1fr);
    min-height: 0;
  }
  /* Narrow, or zoomed: the brief first, then the board, and the page scrolls. */
  @media (max-width: 999px) {
    .room {
      height: auto;
    }
    main {
      grid-template-columns: minmax(0, 1fr);
      grid-template-rows: auto minmax(420px, 80vh);
    }
  }
</style>
