<script lang="ts">
  import { ROLES, type BoardItem, type Hex, type Role } from '$core/index';

  interface Props {
    item: BoardItem;
    /** Where pictures are fetched from. */
    pictures: string;
    preview: (item: BoardItem) => void;
    commit: (item?: BoardItem) => void;
    remove: () => void;
    sendColor: (role: Role, hex: Hex) => void;
  }
  const { item, pictures, preview, commit, remove, sendColor }: Props = $props();
  let sending: Hex | undefined = $state();

  function hold(event: PointerEvent, change: (dx: number, dy: number) => BoardItem): void {
    if (event.button !== 0) return;
    event.preventDefault();
    const handle = event.currentTarget as HTMLElement;
    handle.setPointerCapture(event.pointerId);
    const move = (at: PointerEvent) => preview(change(at.clientX - event.clientX, at.clientY - event.clientY));
    handle.addEventListener('pointermove', move);
    handle.addEventListener(
      'pointerup',
      () => {
        handle.removeEventListener('pointermove', move);
        commit();
      },
      { once: true },
    );
  }
  const drag = (event: PointerEvent) => {
    const { x, y } = item;
    hold(event, (dx, dy) => ({ ...item, x: Math.max(0, x + dx), y: Math.max(0, y + dy) }));
  };
  const resize = (event: PointerEvent) => {
    const { width } = item;
    hold(event, (dx) => ({ ...item, width: Math.min(1200, Math.max(80, width + dx)) }));
  };
  function keys(event: KeyboardEvent): void {
    const step = event.shiftKey ? 10 : 1;
    const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key];
    if (by) {
      event.preventDefault();
      commit({ ...item, x: Math.max(0, item.x + (by[0] ?? 0)), y: Math.max(0, item.y + (by[1] ?? 0)) });
    } else if (event.key === 'Delete' || event.key === 'Backspace') remove();
  }
</script>

<article class={item.kind} style:left="{item.x}px" style:top="{item.y}px" style:width="{item.width}px">
  {#if item.kind === 'picture'}
    <button
      title="Drag it to its place on the board; the arrow keys move it too"
      class="hold"
      aria-label="Move picture: {item.takes || 'nothing noted'}"
      onpointerdown={drag}
      onkeydown={keys}
    >
      <img src="{pictures}/{item.picture}" alt={item.takes} style:aspect-ratio={1 / item.ratio} loading="lazy" draggable="false" />
    </button>
    <div class="caption">
      <div>
        <input
          title="What this picture stands for in the brand: its color, its mood, a detail"
          aria-label="What we take from it"
          placeholder="What we take from it"
          value={item.takes}
          maxlength="500"
          oninput={(event) => preview({ ...item, takes: event.currentTarget.value })}
          onblur={() => commit()}
        />
        <input
          title="Where the picture comes from, so that nothing is used without its owner"
          class="source"
          aria-label="Source"
          placeholder="Source"
          value={item.source}
          maxlength="300"
          oninput={(event) => preview({ ...item, source: event.currentTarget.value })}
          onblur={() => commit()}
        />
      </div>
      <span class="colors">
        {#each item.colors.slice(0, 5) as color (color.hex)}
          <button
            aria-label="{color.hex}, {Math.round(color.share * 100)} % of the picture"
            title="{color.hex} · {Math.round(color.share * 100)} %"
            style:background={color.hex}
            aria-expanded={sending === color.hex}
            onclick={() => (sending = sending === color.hex ? undefined : (color.hex as Hex))}
          ></button>
        {/each}
      </span>
    </div>
    {#if sending}
      {@const hex = sending}
      <p class="send">
        {hex} as {#each ROLES as role (role)}<button
            title="This role of the palette takes the color"
            class="link"
            onclick={() => (sendColor(role, hex), (sending = undefined))}>{role}</button
          >{/each}
      </p>
    {/if}
  {:else}
    <button
      title="Drag it to its place on the board; the arrow keys move it too"
      class="hold grip"
      aria-label="Move note"
      onpointerdown={drag}
      onkeydown={keys}>⋮⋮</button
    >
    <textarea
      title="Anything worth keeping in mind for this brand"
      aria-label="Note"
      placeholder="A note"
      value={item.text}
      maxlength="2000"
      oninput={(event) => preview({ ...item, text: event.currentTarget.value })}
      onblur={() => commit()}></textarea>
  {/if}
  <button title="Goes from the board; undo brings it back" class="remove" aria-label="Remove from the board" onclick={remove}>×</button>
  <span class="size" aria-hidden="true" onpointerdown={resize}></span>
</article>

<style>
  article {
    position: absolute;
    border: 1px solid var(--color-rule);
    background: var(--color-sheet);
  }
  .note {
    border: 1px dashed var(--color-ink);
  }
  .hold {
    display: block;
    width: 100%;
    cursor: grab;
    touch-action: none;
  }
  .grip {
    height: 24px;
    color: var(--color-quiet);
    letter-spacing: -3px;
  }
  img {
    display: block;
    width: 100%;
    object-fit: cover;
  }
  .caption {
    display: grid;
    position: relative;
    padding: 5px 8px;
  }
  .caption input {
    width: 100%;
    height: 24px;
    padding: 0;
    border: 0;
    background: none;
    font-size: 12px;
  }
  .caption .source {
    color: var(--color-quiet);
    font-size: 11px;
  }
  /* On the picture that they come from, large enough to be met. */
  .colors {
    position: absolute;
    right: 0;
    bottom: 100%;
    display: flex;
  }
  .colors button {
    width: 24px;
    height: 24px;
    border: 1px solid var(--color-sheet);
  }
  .send {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    padding: 0 8px 6px;
    font-size: 12px;
  }
  textarea {
    width: 100%;
    height: 120px;
    padding: 0 14px 10px;
    border: 0;
    background: none;
    font: italic 18px/1.35 var(--font-serif);
    resize: none;
  }
  .remove {
    position: absolute;
    top: 2px;
    right: 4px;
    width: 20px;
    height: 20px;
    background: var(--color-sheet);
    opacity: 0;
  }
  article:hover .remove,
  .remove:focus-visible {
    opacity: 1;
  }
  .size {
    position: absolute;
    right: 0;
    bottom: 0;
    width: 12px;
    height: 12px;
    border-right: 2px solid var(--color-rule);
    border-bottom: 2px solid var(--color-rule);
    cursor: nwse-resize;
    touch-action: none;
  }
</style>
