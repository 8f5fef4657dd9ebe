<script lang="ts">
  import { photoName, sizeText } from '$lib/client/photo-view';
  import SvgGroup from '$lib/ui/SvgGroup.svelte';
  import Heat from './Heat.svelte';
  import { usePhotosDesk } from './photos-desk.svelte';
  import { percentText } from './views';

  const desk = usePhotosDesk();
  const photo = $derived(desk.current);
  const laid = $derived(desk.laid?.photo === photo?.id ? desk.laid : undefined);
  let svg: SVGSVGElement | undefined = $state();
  /** What is dragged: a stamp by its id, or the area that the veil spares. */
  let drag: { readonly id: string; readonly dx: number; readonly dy: number } | undefined;
  let sparing: { x: number; y: number; toX: number; toY: number } | undefined = $state();
  let choosingArea = $state(false);

  function spot(event: PointerEvent): { readonly x: number; readonly y: number } {
    const box = svg?.getBoundingClientRect();
    if (!box || !photo) return { x: 0, y: 0 };
    return { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height };
  }
  function down(event: PointerEvent): void {
    if (!photo || event.button !== 0) return;
    const at = spot(event);
    if (choosingArea) {
      sparing = { ...at, toX: at.x, toY: at.y };
      svg?.setPointerCapture(event.pointerId);
      return;
    }
    const id = (event.target as Element).closest<SVGElement>('[data-stamp]')?.dataset['stamp'];
    const place = laid?.stamps.find((stamp) => stamp.id === id);
    if (!id || !place) return;
    desk.stampId = id;
    drag = { id, dx: place.centerX / photo.widthPx - at.x, dy: place.centerY / photo.heightPx - at.y };
    svg?.setPointerCapture(event.pointerId);
  }
  const share = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value));
  function move(event: PointerEvent): void {
    const at = spot(event);
    if (sparing) sparing = { ...sparing, toX: at.x, toY: at.y };
    else if (drag)
      desk.work.preview(
        desk.withPlace(drag.id, { anchor: 'free', x: share(at.x + drag.dx, -0.2, 1.2), y: share(at.y + drag.dy, -0.2, 1.2) }),
      );
  }
  function up(): void {
    if (drag) desk.work.commit('Move the stamp');
    drag = undefined;
    if (!sparing || !photo) return;
    const area = {
      left: share(Math.min(sparing.x, sparing.toX), 0, 1),
      right: share(Math.max(sparing.x, sparing.toX), 0, 1),
      top: share(Math.min(sparing.y, sparing.toY), 0, 1),
      bottom: share(Math.max(sparing.y, sparing.toY), 0, 1),
    };
    sparing = undefined;
    choosingArea = false;
    if (area.right - area.left < 0.01 || area.bottom - area.top < 0.01) return;
    desk.change(
      'Spare a place',
      desk.withException(photo.id, (own) => ({ ...own, spare: area })),
    );
  }
  function cancel(): void {
    if (drag) desk.work.preview(desk.work.settled);
    drag = undefined;
    sparing = undefined;
    choosingArea = false;
  }
  function nudge(event: KeyboardEvent, id: string): void {
    const place = laid?.stamps.find((stamp) => stamp.id === id);
    if (!place || !photo) return;
    const step = (event.shiftKey ? 0.05 : 0.005) * Math.min(photo.widthPx, photo.heightPx);
    const [dx = 0, dy = 0] = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key] ?? [];
    if (dx === 0 && dy === 0) {
      if (event.key === 'Delete' || event.key === 'Backspace') {
        event.preventDefault();
        desk.removeStamp(id);
      }
      return;
    }
    event.preventDefault();
    desk.change(
      'Move the stamp',
      desk.withPlace(id, {
        anchor: 'free',
        x: share((place.centerX + dx) / photo.widthPx, -0.2, 1.2),
        y: share((place.centerY + dy) / photo.heightPx, -0.2, 1.2),
      }),
    );
  }
  const spare = $derived(desk.here?.spare);
  const markName = (id: string) =>
    desk.marks.find((mark) => mark.id === desk.content.stamps.find((stamp) => stamp.id === id)?.mark)?.name ?? 'Stamp';
</script>

<svelte:window onkeydown={(event) => event.key === 'Escape' && cancel()} />
<section class="stage" aria-label="The photo">
  {#if photo}
    <header>
      <h2>{photoName(photo)}</h2>
      <p class="quiet">
        {sizeText(photo)}, {photo.format.toUpperCase()}{photo.bits === 16 ? ', 16 bits' : ''}{photo.profile ? `, ${photo.profile}` : ''}
      </p>
    </header>
    {#each photo.notes as note (note)}<p class="quiet small">{note}</p>{/each}
    <div class="room">
      <div class="fit" style:--ratio={photo.widthPx / photo.heightPx}>
        <img src={desk.previewOf(photo)} alt={photoName(photo)} draggable="false" />
        <!-- svelte-ignore a11y_no_static_element_interactions -->
        <svg
          bind:this={svg}
          viewBox="0 0 {photo.widthPx} {photo.heightPx}"
          class:choosing={choosingArea}
          onpointerdown={down}
          onpointermove={move}
          onpointerup={up}
          onpointercancel={cancel}
        >
          {#if laid}
            <g class="laid" aria-hidden="true">
              {#each laid.groups as group (group.id)}<SvgGroup {group} />{/each}
            </g>
            {#if desk.heat && laid.protection}<Heat protection={laid.protection} widthPx={photo.widthPx} heightPx={photo.heightPx} />{/if}
            {#each laid.stamps as place (place.id)}
              {@const unit = Math.max(photo.widthPx, photo.heightPx) / 700}
              {@const [w, h] = [place.widthPx / 2 + 6 * unit, place.heightPx / 2 + 6 * unit]}
              {@const tick = 14 * unit}
              <g
                data-stamp={place.id}
                transform="translate({place.centerX} {place.centerY}) rotate({place.turnDeg})"
                role="button"
                tabindex="0"
                aria-label="{markName(place.id)}: arrows move it"
                onfocus={() => (desk.stampId = place.id)}
                onkeydown={(event) => nudge(event, place.id)}
              >
                <rect class="hold" x={-w} y={-h} width={2 * w} height={2 * h} />
                {#if place.id === desk.stamp?.id}
                  <!-- Crop ticks, light under dark: seen on any picture. -->
                  {#each ['under', 'over'] as kind (kind)}
                    <path
                      class={kind}
                      stroke-width={(kind === 'under' ? 4 : 1.6) * unit}
                      d="M{-w} {-h - tick}V{-h}H{-w - tick}M{w} {-h - tick}V{-h}H{w + tick}M{-w} {h + tick}V{h}H{-w - tick}M{w} {h +
                        tick}V{h}H{w + tick}"
                    />
                  {/each}
                {/if}
              </g>
            {/each}
          {/if}
          {#if sparing || spare}
            {@const area = sparing
              ? {
                  left: Math.min(sparing.x, sparing.toX),
                  right: Math.max(sparing.x, sparing.toX),
                  top: Math.min(sparing.y, sparing.toY),
                  bottom: Math.max(sparing.y, sparing.toY),
                }
              : spare}
            {#if area}
              <rect
                class="spare"
                x={area.left * photo.widthPx}
                y={area.top * photo.heightPx}
                width={(area.right - area.left) * photo.widthPx}
                height={(area.bottom - area.top) * photo.heightPx}
              />
            {/if}
          {/if}
        </svg>
      </div>
    </div>
    <footer>
      {#if laid?.protection && (desk.content.stamps.length > 0 || desk.content.veil.on)}
        {@const { share: protectedShare, free, disturbs } = laid.protection}
        <p role="status">
          <strong>{percentText(protectedShare)}</strong> of it protected;
          {#if free.share > 0.004}
            the largest piece without visible ink is {percentText(free.right - free.left)} × {percentText(free.bottom - free.top)} of it;
          {:else}no piece can be cut out without visible ink;{/if}
          lightness moved by {disturbs.toFixed(1)} of 100.
          {#each laid.stamps as stamp (stamp.id)}{#if stamp.choice}
              {markName(stamp.id)}: {stamp.choice.tone === 'split' ? 'light and dark by turns' : stamp.choice.tone}, {stamp.choice.contrast.toFixed(
                1,
              )} : 1 under it.{/if}{/each}
        </p>
      {:else}<p class="quiet">Nothing is laid over it yet.</p>{/if}
      <span class="ways">
        <button
          title="Shows how strongly the mark is seen at every place of the photo"
          class="link"
          aria-pressed={desk.heat}
          onclick={() => (desk.heat = !desk.heat)}>{desk.heat ? 'Hide' : 'Show'} where ink is seen</button
        >
        {#if desk.content.veil.on}
          <button
            title="No stamp is placed where you pull a frame"
            class="link"
            aria-pressed={choosingArea}
            onclick={() => (choosingArea = !choosingArea)}>{choosingArea ? 'Pull a frame over the place' : 'Spare a place'}</button
          >
        {/if}
        {#if desk.here}<button
            title="What was changed for this photo alone is let go of"
            class="link"
            onclick={() => photo && desk.dropException(photo.id)}>Treat it like the others</button
          >{/if}
      </span>
    </footer>
  {:else}
    <p class="quiet empty">The photo that is chosen stands here with everything that is laid over it, as it will be in the file.</p>
  {/if}
</section>

<style>
  .stage {
    display: flex;
    flex-direction: column;
    gap: 8px;
    min-width: 0;
    min-height: 0;
    padding: 18px 22px 14px;
  }
  header {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 4px 14px;
  }
  h2 {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .small {
    font-size: 12px;
  }
  .room {
    display: grid;
    flex: 1;
    place-items: center;
    min-height: 200px;
    container-type: size;
  }
  .fit {
    position: relative;
    width: min(100cqw, calc(100cqh * var(--ratio)));
    aspect-ratio: var(--ratio);
  }
  img,
  svg {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
  }
  svg {
    overflow: hidden;
    touch-action: none;
  }
  svg.choosing {
    cursor: crosshair;
  }
  .laid {
    pointer-events: none;
  }
  .hold {
    fill: transparent;
    cursor: move;
  }
  [data-stamp]:focus-visible {
    outline: none;
  }
  [data-stamp]:focus-visible .hold {
    stroke: var(--color-plum);
    stroke-width: 2px;
    vector-effect: non-scaling-stroke;
  }
  .under {
    fill: none;
    stroke: var(--color-sheet);
  }
  .over {
    fill: none;
    stroke: var(--color-plum);
  }
  .spare {
    fill: rgb(138 90 16 / 0.12);
    stroke: var(--color-amber);
    stroke-width: 1.5px;
    stroke-dasharray: 5 4;
    vector-effect: non-scaling-stroke;
    pointer-events: none;
  }
  footer {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    gap: 4px 20px;
  }
  .ways {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 16px;
  }
  .empty {
    padding: 40px;
    text-align: center;
  }
</style>
