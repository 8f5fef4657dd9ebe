<script module lang="ts">
  /** When pieces were last handed over, and what changed since; by their ids. */
  export type Handed = Readonly<Record<string, { readonly pack: string; readonly at: string; readonly changed: readonly string[] }>>;
</script>

<script lang="ts">
  import { pieceSizeText } from '$core/index';
  import type { ShownMark } from '$lib/client/read-marks';
  import MarkPicture from '$lib/ui/MarkPicture.svelte';
  import { usePiecesDesk } from './pieces-desk.svelte';
  import MayChange from '$lib/ui/MayChange.svelte';

  const { handed }: { handed: Handed } = $props();
  const desk = usePiecesDesk();
  const home = $derived(`/brands/${desk.brand.slug}/marks`);
  const booklet = (piece: ShownMark) =>
    `/api/brands/${desk.brand.slug}/booklets/${piece.recipe.whole?.canvas?.booklet?.id ?? ''}/pages.pdf?download=1`;
  const file = (slug: string, format: string) => `/api${home}/${slug}/picture.${format}?download=1`;
</script>

{#if desk.pieces.length === 0}
  <p class="empty">
    Nothing is made yet. Choose a size and a layout on the right: it is poured with the brand’s own mark, words and faces.
  </p>
{/if}
<ul aria-label="Pieces">
  {#each desk.listed as piece (piece.id)}
    {@const canvas = piece.recipe.whole?.canvas}
    {@const last = handed[piece.id]}
    {@const pages = desk.pagesOf(piece)}
    {@const nth = pages.indexOf(piece) + 1}
    <li class:chosen={piece.id === desk.chosenId} aria-label={piece.name}>
      <a href="{home}/{piece.slug}" title="Opens it on its table" aria-label="Open {piece.name}">
        <MarkPicture picture={desk.pictureOf(piece.id)} label="" />
      </a>
      <strong>{piece.name}</strong>
      <span class="quiet"
        >{canvas ? pieceSizeText(canvas) : 'no canvas'}{canvas && canvas.bleed > 0 ? `, ${canvas.bleed} ${canvas.unit} bleed` : ''}</span
      >
      {#if pages.length > 1}
        <span class="pages">
          Page {nth} of {pages.length}
          <MayChange
            ><button
              title="One page earlier in its booklet"
              aria-label="{piece.name} one page earlier"
              disabled={nth === 1 || desk.working}
              onclick={() => void desk.movePage(piece, -1)}>↑</button
            >
            <button
              title="One page later in its booklet"
              aria-label="{piece.name} one page later"
              disabled={nth === pages.length || desk.working}
              onclick={() => void desk.movePage(piece, 1)}>↓</button
            >
            <button
              title="The page stays, as a piece by itself"
              aria-label="Take out {piece.name}"
              disabled={desk.working}
              onclick={() => void desk.takeOut(piece)}>Take out</button
            ></MayChange
          >
          {#if nth === 1}<a href={booklet(piece)} download>All pages as one PDF</a>{/if}
        </span>
      {/if}
      {#if last}
        <span class:since={last.changed.length > 0} class="quiet" title={last.changed.join('; ')}>
          {last.changed.length === 0 ? 'As' : 'Changed since'} handed over in “{last.pack}”{last.changed.length > 0
            ? `: ${last.changed.join('; ')}`
            : ''}
        </span>
      {/if}
      <span class="acts">
        <button
          title="Another layout for this piece, with its words"
          aria-pressed={piece.id === desk.chosenId}
          onclick={() => desk.choose(piece.id === desk.chosenId ? undefined : piece.id)}>Layout</button
        >
        <a href={file(piece.slug, 'png')} download aria-label="{piece.name} as PNG">PNG</a>
        <a href={file(piece.slug, 'pdf')} download aria-label="{piece.name} as PDF">PDF</a>
        <MayChange
          ><button
            title="Another page of the same size after it"
            aria-label="Add a page to {piece.name}"
            disabled={desk.working}
            onclick={() => void desk.addPage(piece)}>Add a page</button
          >
          <button
            title="Put away in the removed marks; it can be restored there"
            aria-label="Remove {piece.name}"
            onclick={() => void desk.shelve(piece)}>Remove</button
          ></MayChange
        >
      </span>
    </li>
  {/each}
</ul>

<style>
  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
    gap: 22px 18px;
    padding: 0;
    list-style: none;
  }
  li {
    display: grid;
    align-content: start;
    gap: 2px;
    padding: 8px;
    border: 1px solid transparent;
    font-size: 13px;
  }
  li.chosen {
    border-color: var(--color-plum);
  }
  li > a {
    display: grid;
    height: 170px;
    padding: 10px;
    background: #e9e4d6;
  }
  .since {
    color: var(--color-amber);
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 0 12px;
  }
  .acts > * {
    min-height: 24px;
    line-height: 24px;
    color: var(--color-plum);
    font-weight: 600;
  }
  .pages button,
  .pages a {
    display: inline-block;
    min-width: 24px;
    min-height: 24px;
    color: var(--color-plum);
    font-weight: 600;
  }
  .pages button:disabled {
    color: var(--color-rule);
  }
  .acts > [aria-pressed='true'] {
    text-decoration: underline;
  }
  .empty {
    max-width: 46ch;
    color: var(--color-quiet);
  }
</style>
