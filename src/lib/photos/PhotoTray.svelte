<script lang="ts">
  import { PHOTOS } from '$lib/ui/photos';
  import FileLink from '$lib/ui/FileLink.svelte';
  import Several from '$lib/ui/Several.svelte';
  import UndoNote from '$lib/ui/UndoNote.svelte';
  import { photoName, sizeText } from '$lib/client/photo-view';
  import { PHOTO_ORDERS, usePhotosDesk } from './photos-desk.svelte';
  import { countText } from './views';
  import MayChange from '$lib/ui/MayChange.svelte';

  const desk = usePhotosDesk();
  let over = $state(false);
  let several = $state(false);
  let grid: HTMLElement | undefined = $state();
  /** A frame that is pulled over the tray. */
  let frame: { x: number; y: number; toX: number; toY: number } | undefined = $state();

  const filesOf = (list: FileList | readonly File[] | null | undefined): readonly File[] =>
    // A folder brings everything that lies in it; what is plainly no picture is left where it is.
    [...(list ?? [])].filter(
      ({ name, type }) => !name.startsWith('.') && (type.startsWith('image/') || /\.(jpe?g|png|webp|tiff?|avif|pdf)$/i.test(name)),
    );

  const take = (files: readonly File[]) => void desk.bringIn(filesOf(files));
  async function samples(): Promise<void> {
    const files = [];
    for (const { name, address } of PHOTOS)
      files.push(new File([await (await fetch(address)).blob()], `${name}.jpg`, { type: 'image/jpeg' }));
    await desk.bringIn(files);
  }
  function keys(event: KeyboardEvent): void {
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'a') {
      event.preventDefault();
      desk.chosen = new Set(desk.shown.map(({ id }) => id));
    } else if ((event.key === 'Delete' || event.key === 'Backspace') && desk.chosen.size > 0) {
      event.preventDefault();
      void desk.remove([...desk.chosen], true);
    } else if (event.key.startsWith('Arrow')) {
      const at = desk.shown.findIndex(({ id }) => id === desk.currentId);
      const step = { ArrowRight: 1, ArrowDown: 2, ArrowLeft: -1, ArrowUp: -2 }[event.key] ?? 0;
      const next = desk.shown[Math.min(desk.shown.length - 1, Math.max(0, at + step))];
      if (!next) return;
      event.preventDefault();
      desk.choose(next.id, { range: event.shiftKey });
      grid?.querySelector<HTMLElement>(`[data-photo="${next.id}"]`)?.focus();
    }
  }
  function pull(event: PointerEvent): void {
    if (event.button !== 0 || (event.target as HTMLElement).closest('button')) return;
    frame = { x: event.clientX, y: event.clientY, toX: event.clientX, toY: event.clientY };
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
  }
  function pulling(event: PointerEvent): void {
    if (!frame || !grid) return;
    frame = { ...frame, toX: event.clientX, toY: event.clientY };
    const [left, right] = [Math.min(frame.x, frame.toX), Math.max(frame.x, frame.toX)];
    const [top, bottom] = [Math.min(frame.y, frame.toY), Math.max(frame.y, frame.toY)];
    if (right - left < 4 && bottom - top < 4) return;
    const met = [...grid.querySelectorAll<HTMLElement>('[data-photo]')].filter((tile) => {
      const box = tile.getBoundingClientRect();
      return box.left < right && box.right > left && box.top < bottom && box.bottom > top;
    });
    desk.chosen = new Set(met.map((tile) => tile.dataset['photo'] ?? ''));
  }
</script>

<section
  class="tray"
  class:over
  aria-label="Photos"
  ondragover={(event) => {
    event.preventDefault();
    over = true;
  }}
  ondragleave={() => (over = false)}
  ondrop={(event) => {
    event.preventDefault();
    over = false;
    void desk.bringIn(filesOf(event.dataTransfer?.files));
  }}
>
  <h1>Photos</h1>
  <div class="ways">
    <MayChange
      ><FileLink
        label="Bring in photos"
        hint="Photos and PDFs from your disk; of a PDF every page comes in. They stay with this studio"
        accept="image/*,application/pdf"
        multiple
        {take}
      />
      <FileLink label="a folder" hint="All photos and PDFs of a folder" folder {take} /></MayChange
    >
  </div>
  {#if desk.intake && desk.intake.done < desk.intake.all}
    <p role="status" class="quiet">{desk.intake.done} of {desk.intake.all} brought in</p>
    <progress max={desk.intake.all} value={desk.intake.done} aria-label="Photos brought in"></progress>
  {/if}
  {#each desk.intake?.refused ?? [] as refused, index (index)}<p class="fault" role="alert">{refused}</p>{/each}
  <UndoNote
    said={desk.removed.length > 0 ? `${desk.removed.length === 1 ? 'A photo was' : `${desk.removed.length} photos were`} taken away.` : ''}
    undo={() => void desk.remove(desk.removed, false)}
    close={() => (desk.removed = [])}
  />
  {#if desk.photos.length === 0}
    <p class="quiet empty">Drop photos or PDFs here: they stay as they are, and what is laid over them is made beside.</p>
    <MayChange
      ><button title="A few photos that came with the app, to see how marking works" class="link" onclick={() => void samples()}
        >Try it with our sample photos</button
      ></MayChange
    >
  {:else}
    <p class="sort">
      <span class="quiet">{countText(desk.countsOf(desk.photos))}{desk.chosen.size > 1 ? `, ${desk.chosen.size} chosen` : ''}</span>
      <Several bind:on={several} />
      <select title="What stands first" aria-label="Sorted" bind:value={desk.order}
        >{#each Object.entries(PHOTO_ORDERS) as [value, label] (value)}<option {value}>{label}</option>{/each}</select
      >
    </p>
    <!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
    <div
      class="grid"
      role="group"
      aria-label="Photos of this brand"
      bind:this={grid}
      onkeydown={keys}
      onpointerdown={pull}
      onpointermove={pulling}
      onpointerup={() => (frame = undefined)}
      onpointercancel={() => (frame = undefined)}
    >
      {#each desk.shown as photo (photo.id)}
        <button
          data-photo={photo.id}
          class:chosen={desk.chosen.has(photo.id)}
          aria-pressed={desk.chosen.has(photo.id)}
          aria-current={photo.id === desk.current?.id ? 'true' : undefined}
          title="{photoName(photo)}, {sizeText(photo)}"
          onclick={(event) => desk.choose(photo.id, { range: event.shiftKey, more: several || event.ctrlKey || event.metaKey })}
        >
          <img class:page={photo.page} src={desk.previewOf(photo)} alt="" loading="lazy" draggable="false" />
          <span class="name">{photo.page && photo.page.of > 1 ? `${photo.page.number} · ${photo.name}` : photo.name}</span>
          {#if desk.content.exceptions[photo.id]}<span class="own" title="Something is otherwise on this photo">own</span>{/if}
        </button>
      {/each}
      {#if frame}
        <span
          class="frame"
          style:left="{Math.min(frame.x, frame.toX)}px"
          style:top="{Math.min(frame.y, frame.toY)}px"
          style:width="{Math.abs(frame.toX - frame.x)}px"
          style:height="{Math.abs(frame.toY - frame.y)}px"
        ></span>
      {/if}
    </div>
    {#if desk.chosen.size > 0}<MayChange
        ><button
          title="Goes from the tray; right after, it can be brought back"
          class="link"
          onclick={() => void desk.remove([...desk.chosen], true)}
          >Take away {desk.chosen.size === 1 ? 'this photo' : `these ${desk.chosen.size}`}</button
        ></MayChange
      >{/if}
  {/if}
</section>

<style>
  .tray {
    padding: 18px 14px 30px 20px;
    overflow-y: auto;
    border-right: 1px solid var(--color-rule);
  }
  .tray.over {
    background: var(--color-primary-50);
    outline: 2px solid var(--color-plum);
    outline-offset: -2px;
  }
  .ways {
    display: flex;
    gap: 14px;
    padding: 6px 0 8px;
  }
  progress {
    width: 100%;
    height: 6px;
    accent-color: var(--color-plum);
  }
  .empty {
    padding: 10px 0;
  }
  .sort {
    display: flex;
    align-items: center;
    flex-wrap: wrap;
    justify-content: space-between;
    gap: 2px 6px;
  }
  .sort select {
    padding: 2px 24px 2px 4px;
    border: 0;
    background-color: transparent;
    font-size: 12px;
  }
  .grid {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 10px;
    padding: 8px 0 14px;
    touch-action: pan-y;
  }
  .grid button {
    position: relative;
    min-width: 0;
    text-align: left;
  }
  img {
    width: 100%;
    aspect-ratio: 4 / 3;
    border: 1px solid var(--color-rule);
    object-fit: cover;
  }
  img.page {
    background: var(--color-sheet);
    object-fit: contain;
  }
  .chosen img {
    outline: 2px solid var(--color-plum);
    outline-offset: 1px;
  }
  [aria-current] .name {
    color: var(--color-plum);
    font-weight: 600;
  }
  .name {
    display: block;
    overflow: hidden;
    font-size: 11px;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .own {
    position: absolute;
    top: 4px;
    left: 4px;
    padding: 0 5px;
    background: var(--color-sheet);
    color: var(--color-amber);
    font-weight: 600;
    font-size: 11px;
  }
  .frame {
    position: fixed;
    border: 1px solid var(--color-amber);
    background: rgb(138 90 16 / 0.1);
    pointer-events: none;
  }
  .fault {
    padding: 4px 0;
    color: var(--color-rust);
    font-size: 12px;
  }
</style>
