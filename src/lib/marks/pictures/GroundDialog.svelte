<script lang="ts">
  import { changePart, type Picture } from '$core/index';
  import { picturesAddress } from '$lib/addresses';
  import { MOST_STROKES, type Stroke } from '$core/pictures';
  import { request } from '$lib/client/request';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Choice from '$lib/ui/Choice.svelte';
  import Tick from '$lib/ui/Tick.svelte';
  import type { CutPreview } from '../../../workers/pictures';
  import { useTable } from '../table/table.svelte';
  import PictureDialog from './PictureDialog.svelte';
  import { PictureDoor } from './picture-hand';

  interface Props {
    open: boolean;
    part: Picture;
  }
  let { open = $bindable(false), part }: Props = $props();
  const table = useTable();
  const door = new PictureDoor();
  $effect(() => () => door.close());

  // svelte-ignore state_referenced_locally
  const whole = part.cut?.from ?? part.sha256;
  const address = $derived(`${picturesAddress(table.brand.slug)}${whole}`);
  // svelte-ignore state_referenced_locally
  let strokes: readonly Stroke[] = $state.raw(part.cut?.strokes ?? []);
  let drawing: [number, number][] | undefined = $state();
  let as: Stroke['as'] = $state('keep');
  let widthPercent = $state(3);
  let exact = $state(false);
  let ghost = $state(true);
  let ground: 'light' | 'dark' | 'bright' = $state('light');
  let shown: CutPreview | undefined = $state.raw();
  let busy = $state(false);
  let saving = $state(false);
  let fault = $state('');
  let canvas: HTMLCanvasElement | undefined = $state();
  /** Where the keyboard's brush is, as shares. */
  let cursor: [number, number] | undefined = $state();

  const GROUNDS = { light: '#ffffff', dark: '#20201c', bright: '#e0569a' } as const;

  $effect(() => {
    const [from, brushed] = [address, strokes];
    if (!open) return;
    busy = true;
    void door
      .ask((hand) => hand.cut(from, brushed as Stroke[]))
      .then((found) => {
        if (!found) return;
        [shown, busy, fault] = [found, false, ''];
      })
      .catch((error: unknown) => {
        busy = false;
        fault = error instanceof Error ? error.message : 'The picture could not be read.';
      });
  });
  $effect(() => {
    if (!canvas || !shown) return;
    canvas.width = shown.columns;
    canvas.height = shown.rows;
    canvas.getContext('2d')?.putImageData(new ImageData(shown.rgba, shown.columns, shown.rows), 0, 0);
  });

  const place = (event: PointerEvent): [number, number] => {
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
    const held = (value: number): number => Math.min(1.1, Math.max(-0.1, value));
    return [held((event.clientX - box.left) / box.width), held((event.clientY - box.top) / box.height)];
  };
  const MOST = 400;
  function start(event: PointerEvent): void {
    if (event.button !== 0 || strokes.length >= MOST_STROKES) return;
    event.preventDefault();
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    drawing = [place(event)];
  }
  function move(event: PointerEvent): void {
    if (!drawing) return;
    const [x, y] = place(event);
    const last = drawing[drawing.length - 1];
    if (last && Math.hypot(last[0] - x, last[1] - y) < 0.004) return;
    if (drawing.length < MOST) drawing.push([x, y]);
  }
  function end(): void {
    if (!drawing) return;
    add($state.snapshot(drawing));
    drawing = undefined;
  }
  function add(points: [number, number][]): void {
    const every = points.length > MOST ? 2 : 1;
    strokes = [...strokes, { as, points: points.filter((_, n) => n % every === 0), width: widthPercent / 100, exact }];
  }
  function keys(event: KeyboardEvent): void {
    const step = event.shiftKey ? 0.05 : 0.01;
    const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key];
    if (by) {
      event.preventDefault();
      const [x, y] = cursor ?? [0.5, 0.5];
      cursor = [Math.min(1, Math.max(0, x + (by[0] as number))), Math.min(1, Math.max(0, y + (by[1] as number)))];
    } else if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      cursor ??= [0.5, 0.5];
      if (strokes.length < MOST_STROKES) add([[...cursor]]);
    } else if (event.key.toLowerCase() === 'z' && (event.ctrlKey || event.metaKey)) {
      event.preventDefault();
      event.stopPropagation();
      undo();
    }
  }
  const undo = (): void => {
    strokes = strokes.slice(0, -1);
  };

  async function use(): Promise<void> {
    saving = true;
    fault = '';
    const answer = await request<{
      readonly sha256: string;
      readonly widthPx: number;
      readonly heightPx: number;
      readonly outline?: string;
    }>('POST', `${address}/cut`, { strokes });
    saving = false;
    if (!answer.ok) {
      fault = answer.problems.map(({ message, fix }) => `${message} ${fix ?? ''}`).join(' ');
      return;
    }
    const { sha256, widthPx, heightPx, outline } = answer.value;
    const before = part.cut ? part.cut.outline : part.outline;
    // Other pictures that are chosen along with it keep their own.
    const cut = { from: whole, ...(before ? { outline: before } : {}), strokes: [...strokes] };
    const change = { sha256, fileWidthPx: widthPx, fileHeightPx: heightPx, outline, cut };
    table.open.commit('Take the ground out', changePart(table.open.recipe, part.id, change));
    open = false;
  }
  const line = (points: readonly (readonly number[])[]): string => points.map(([x = 0, y = 0]) => `${x * 1000},${y * 1000}`).join(' ');
</script>

<PictureDialog
  bind:open
  title="Take the ground out"
  does="Take the ground out"
  waits={!shown || shown.nothing || busy || saving}
  use={() => void use()}
>
  {#snippet picture()}
    <div class="well" style:background={GROUNDS[ground]}>
      <div class="sheet" style:--ratio={part.fileWidthPx / part.fileHeightPx}>
        {#if ghost}<img src={address} alt="" />{/if}
        <canvas bind:this={canvas} aria-label="What is kept of the picture"></canvas>
        <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
        <div
          class="brush"
          role="application"
          tabindex="0"
          aria-label="Brush: drag over what to {as}; arrows move, Enter dabs, Ctrl+Z takes a stroke back"
          onpointerdown={start}
          onpointermove={move}
          onpointerup={end}
          onpointercancel={() => (drawing = undefined)}
          onkeydown={keys}
        >
          <svg viewBox="0 0 1000 1000" preserveAspectRatio="none" aria-hidden="true">
            {#if drawing}<polyline points={line(drawing)} class={as} style:stroke-width={widthPercent * 10} />{/if}
            {#if cursor}<circle cx={cursor[0] * 1000} cy={cursor[1] * 1000} r={widthPercent * 5} class="cursor" />{/if}
          </svg>
        </div>
      </div>
    </div>
  {/snippet}
  {#snippet fields()}
    <Choice
      label="Brush"
      hint="Drag over what belongs to the subject, or over what does not; what is like it goes along"
      options={[
        { value: 'keep', label: 'keep' },
        { value: 'drop', label: 'drop' },
      ]}
      value={as}
      choose={(next) => (as = next)}
    />
    <AmountField
      label="Its width"
      hint="As a share of the picture’s longer side"
      unit="%"
      min={0.3}
      max={20}
      step={0.5}
      digits={1}
      value={widthPercent}
      preview={(value) => (widthPercent = value)}
      commit={() => undefined}
    />
    <Tick label="Only what I brush" hint="Without what is like it around" checked={exact} change={(on) => (exact = on)} />
    <p class="lay">
      <button title="Takes back the last stroke of the brush" class="link" disabled={strokes.length === 0} onclick={undo}
        >Take the last stroke back</button
      >
      <button title="Takes back every stroke" class="link" disabled={strokes.length === 0} onclick={() => (strokes = [])}>Start over</button
      >
    </p>
    <Tick label="Picture beneath" hint="Shows faintly what was taken out" checked={ghost} change={(on) => (ghost = on)} />
    <Choice
      label="Seen on"
      hint="What the subject is shown on here; the file is clear"
      options={[
        { value: 'light', label: 'light' },
        { value: 'dark', label: 'dark' },
        { value: 'bright', label: 'bright' },
      ]}
      value={ground}
      choose={(next) => (ground = next)}
    />
    <p class="quiet" role="status">
      {#if fault}<span class="fault">{fault}</span>
      {:else if strokes.length >= MOST_STROKES}{MOST_STROKES} strokes are the most: take some back to draw others.
      {:else if saving}Cutting it at its full size …
      {:else if !shown}Looking at the picture …
      {:else if shown.nothing}Nothing stands out from its ground: brush over what to keep.
      {:else}{Math.round(shown.share * 100)} % of the picture is kept, after {strokes.length === 1
          ? 'one stroke'
          : `${strokes.length} strokes`}{busy ? ' · looking …' : ''}{/if}
    </p>
  {/snippet}
</PictureDialog>

<style>
  .well {
    display: grid;
    place-items: center;
    height: 60vh;
    min-height: 240px;
    border: 1px solid var(--color-rule);
    container-type: size;
  }
  .sheet {
    position: relative;
    width: min(100cqw, 100cqh * var(--ratio));
    aspect-ratio: var(--ratio);
  }
  .sheet > * {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
  }
  .sheet img {
    opacity: 0.16;
  }
  .brush {
    cursor: crosshair;
    touch-action: none;
  }
  .brush svg {
    width: 100%;
    height: 100%;
    overflow: visible;
  }
  polyline {
    fill: none;
    stroke-linecap: round;
    stroke-linejoin: round;
    opacity: 0.55;
  }
  .keep {
    stroke: var(--color-moss);
  }
  .drop {
    stroke: var(--color-rust);
  }
  .cursor {
    fill: none;
    stroke: var(--color-ink);
    stroke-width: 3;
  }
  .lay {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 16px;
    padding: 4px 0;
  }
  .fault {
    color: var(--color-amber);
  }
</style>
