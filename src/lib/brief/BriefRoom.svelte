<script lang="ts">
  import type { Board, Brief, Hex, Palette, Role } from '$core/index';
  import { OpenDocument } from '$lib/client/open-document.svelte';
  import { request, sentences } from '$lib/client/request';
  import SaveNote from '$lib/ui/SaveNote.svelte';
  import TopBar from '$lib/ui/TopBar.svelte';
  import BriefWords from './BriefWords.svelte';
  import MoodBoard from './MoodBoard.svelte';

  interface Props {
    brand: { readonly name: string; readonly slug: string; readonly palette: Palette; readonly paletteNumber: number };
    brief: { readonly number: number; readonly content: Brief };
    board: { readonly number: number; readonly content: Board };
  }
  const { brand, brief, board }: Props = $props();

  // The room is made anew for every brand.
  // svelte-ignore state_referenced_locally
  const [openBrief, openBoard] = [
    new OpenDocument(brief, `/api/brands/${brand.slug}/documents/brief`),
    new OpenDocument(board, `/api/brands/${brand.slug}/documents/board`),
  ];
  // svelte-ignore state_referenced_locally
  let palette = $state.raw({ colors: brand.palette, number: brand.paletteNumber });
  let said = $state('');

  /** What was changed last is undone first. */
  const last = $derived(openBoard.past.length > 0 ? openBoard : openBrief);

  async function sendColor(role: Role, hex: Hex): Promise<void> {
    const answer = await request<{ palette: Palette; paletteNumber: number }>('PUT', `/api/brands/${brand.slug}/palette`, {
      base: palette.number,
      colors: { ...palette.colors, [role]: hex },
    });
    if (answer.ok) {
      palette = { colors: answer.value.palette, number: answer.value.paletteNumber };
      said = `${hex} is now the brand’s ${role}.`;
    } else said = sentences(answer.problems);
  }
</script>

<div class="room">
  <TopBar {brand} room="brief">
    <span role="status">{said}</span>
    <button onclick={() => last.undo()} disabled={last.past.length === 0}>Undo</button>
    <button
      onclick={() => (openBoard.future.length > 0 ? openBoard : openBrief).redo()}
      disabled={openBoard.future.length + openBrief.future.length === 0}>Redo</button
    >
    <SaveNote save={openBrief.save.kind === 'saved' ? openBoard.save : openBrief.save} />
  </TopBar>
  <main>
    <BriefWords brief={openBrief} />
    <MoodBoard board={openBoard} slug={brand.slug} {sendColor} />
  </main>
</div>

<style>
  .room {
    display: flex;
    flex-direction: column;
    height: 100%;
    min-width: 1000px;
  }
  main {
    display: grid;
    flex: 1;
    grid-template-columns: 470px minmax(0, 1fr);
    min-height: 0;
  }
  button:disabled {
    cursor: default;
    opacity: 0.45;
  }
</style>
