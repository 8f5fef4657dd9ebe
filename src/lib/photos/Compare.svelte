<script lang="ts">
  import { onMount } from 'svelte';

  interface Props {
    /** What there is to look at: one photo, or the pages of a PDF. */
    views: readonly { readonly label: string; readonly before: string; readonly after: string }[];
    /** Where the marked file is had. */
    file: string;
    name: string;
    /** Whether browsers show the format. */
    shown: boolean;
    close: () => void;
  }
  const { views, file, name, shown, close }: Props = $props();
  let at = $state(0);
  const view = $derived(views[at] ?? views[0]);
  let dialog: HTMLDialogElement | undefined = $state();
  let zoom = $state(1);
  let [x, y] = $state([0.5, 0.5]);
  onMount(() => dialog?.showModal());
  /** Both pictures are moved and scaled as one. */
  const looking = $derived(`transform: scale(${zoom}); transform-origin: ${x * 100}% ${y * 100}%`);
  function look(event: PointerEvent): void {
    if (event.buttons === 0 && event.type === 'pointermove') return;
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
    x = Math.min(1, Math.max(0, (event.clientX - box.left) / box.width));
    y = Math.min(1, Math.max(0, (event.clientY - box.top) / box.height));
  }
</script>

<dialog bind:this={dialog} onclose={close} aria-label="{name} beside its original">
  <header>
    <h3>{name}</h3>
    <label
      >zoom <input title="How much larger both pictures are shown" type="range" min="1" max="8" step="0.25" bind:value={zoom} />
      {zoom} ×</label
    >
    {#if views.length > 1}<select title="Which page is looked at" aria-label="Page" bind:value={at}
        >{#each views as { label }, index (label)}<option value={index}>{label}</option>{/each}</select
      >{/if}
    <a class="link" href="{file}?download=1" download>Download</a>
    <button title="Back to the list of runs" class="link" onclick={() => dialog?.close()}>Close</button>
  </header>
  <div class="both">
    {#each [{ src: view?.before, label: 'as it came' }, { src: view?.after, label: 'marked' }] as { src, label } (label)}
      <figure>
        <!-- svelte-ignore a11y_no_static_element_interactions -->
        <div onpointerdown={look} onpointermove={look}>
          {#if label === 'as it came' || shown}<img {src} alt={label} style={looking} draggable="false" />{:else}<p class="quiet">
              Browsers do not show TIFF; download it to look at it.
            </p>{/if}
        </div>
        <figcaption class="quiet">{label}</figcaption>
      </figure>
    {/each}
  </div>
</dialog>

<style>
  dialog {
    width: min(1180px, 94vw);
    margin: auto;
    padding: 18px 22px;
    border: 1px solid var(--color-ink);
    background: var(--color-sheet);
  }
  header {
    display: flex;
    align-items: center;
    gap: 20px;
    padding-bottom: 12px;
  }
  h3 {
    flex: 1;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  label {
    display: flex;
    align-items: center;
    gap: 8px;
  }
  .both {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 12px;
  }
  figure div {
    overflow: hidden;
    touch-action: none;
    cursor: move;
  }
  /* The whole of it, tall pages too. */
  img {
    width: 100%;
    max-height: calc(94vh - 130px);
    object-fit: contain;
  }
  select {
    padding: 2px 26px 2px 8px;
    font-size: 13px;
  }
</style>
