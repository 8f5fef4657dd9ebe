<script lang="ts">
  import { line, scaleLinear } from 'd3';
  import { channelsOf, mostChroma, oklchOf, shownColor } from '$core/index';
  import { useColorDesk } from './color-desk.svelte';

  const desk = useColorDesk();
  const [WIDTH, HEIGHT] = [324, 210];
  /** One painted cell, in pixels of the plane. */
  const CELL = 3;
  const WIDEST = 0.33;
  const x = scaleLinear([0, WIDEST], [0, WIDTH]).clamp(true);
  const y = scaleLinear([1, 0], [0, HEIGHT]).clamp(true);
  const color = $derived(oklchOf(desk.hex));

  let canvas: HTMLCanvasElement | undefined = $state();
  const hue = $derived(Math.round(desk.hue));
  $effect(() => {
    const context = canvas?.getContext('2d');
    if (!context) return;
    const [columns, rows] = [WIDTH / CELL, HEIGHT / CELL];
    const image = context.createImageData(columns, rows);
    for (let row = 0; row < rows; row++) {
      const l = y.invert((row + 0.5) * CELL);
      const edge = mostChroma(l, hue);
      for (let column = 0; column < columns; column++) {
        const c = x.invert((column + 0.5) * CELL);
        if (c > edge) break;
        const { red, green, blue } = channelsOf(shownColor({ space: 'oklch', l, c, h: hue }).hex);
        image.data.set([red * 255, green * 255, blue * 255, 255], 4 * (row * columns + column));
      }
    }
    context.putImageData(image, 0, 0);
  });
  /** Where sRGB ends at this hue. */
  const limit = $derived(
    line<number>(
      (l) => x(mostChroma(l, hue)),
      (l) => y(l),
    )(Array.from({ length: 101 }, (_, n) => n / 100)),
  );
  const HUES = Array.from({ length: 73 }, (_, n) => n * 5);

  function at(event: PointerEvent): void {
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
    const l = y.invert(((event.clientY - box.top) / box.height) * HEIGHT);
    const c = Math.min(mostChroma(l, desk.hue), x.invert(((event.clientX - box.left) / box.width) * WIDTH));
    desk.preview(shownColor({ space: 'oklch', l, c, h: desk.hue }).hex, true);
  }
  function hueAt(event: PointerEvent): void {
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
    turnTo(Math.min(360, Math.max(0, (360 * (event.clientX - box.left)) / box.width)));
  }
  function turnTo(h: number): void {
    desk.hue = h % 360;
    desk.preview(shownColor({ ...color, h: desk.hue }).hex, true);
  }
  /** One drag is one gesture. */
  const dragged = (move: (event: PointerEvent) => void) => (event: PointerEvent) => {
    const surface = event.currentTarget as HTMLElement;
    surface.setPointerCapture(event.pointerId);
    const stop = () => {
      surface.removeEventListener('pointermove', move);
      desk.end();
    };
    surface.addEventListener('pointermove', move);
    surface.addEventListener('pointerup', stop, { once: true });
    surface.addEventListener('pointercancel', stop, { once: true });
    move(event);
  };
  function planeKeys(event: KeyboardEvent): void {
    const big = event.shiftKey ? 10 : 1;
    const steps: Readonly<Record<string, readonly [number, number]>> = {
      ArrowLeft: [-0.004, 0],
      ArrowRight: [0.004, 0],
      ArrowUp: [0, 0.01],
      ArrowDown: [0, -0.01],
    };
    const step = steps[event.key];
    if (!step) return;
    const [dc, dl] = step;
    event.preventDefault();
    const l = Math.min(1, Math.max(0, color.l + dl * big));
    desk.preview(shownColor({ space: 'oklch', l, c: Math.max(0, color.c + dc * big), h: desk.hue }).hex, true);
  }
  function hueKeys(event: KeyboardEvent): void {
    const by = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: 1, ArrowDown: -1 }[event.key];
    if (!by) return;
    event.preventDefault();
    turnTo((desk.hue + by * (event.shiftKey ? 10 : 1) + 360) % 360);
  }
  const ended = (event: KeyboardEvent) => event.key.startsWith('Arrow') && desk.end();
</script>

<div class="plane">
  <div
    class="surface"
    role="slider"
    tabindex="0"
    aria-label="Lightness and chroma"
    aria-valuemin="0"
    aria-valuemax="100"
    aria-valuenow={Math.round(color.l * 100)}
    aria-valuetext="lightness {Math.round(color.l * 100)} percent, chroma {color.c.toFixed(3)}"
    onpointerdown={dragged(at)}
    onkeydown={planeKeys}
    onkeyup={ended}
  >
    <canvas bind:this={canvas} width={WIDTH / CELL} height={HEIGHT / CELL}></canvas>
    <svg viewBox="0 0 {WIDTH} {HEIGHT}" preserveAspectRatio="none" aria-hidden="true">
      <path class="limit" d={limit} />
      <g class="here" transform="translate({x(color.c)} {y(color.l)})">
        <path d="M-11 0H-4M4 0H11M0 -11V-4M0 4V11" class="under" />
        <path d="M-11 0H-4M4 0H11M0 -11V-4M0 4V11" />
      </g>
    </svg>
    <span class="says" aria-hidden="true">no screen color beyond the line</span>
    <span class="says low" aria-hidden="true">chroma →</span>
  </div>
  <div
    class="hues"
    role="slider"
    tabindex="0"
    aria-label="Hue"
    aria-valuemin="0"
    aria-valuemax="360"
    aria-valuenow={Math.round(desk.hue)}
    aria-valuetext="{Math.round(desk.hue)} degrees"
    style:background="linear-gradient(to right in oklab, {HUES.map((h) => shownColor({ space: 'oklch', l: 0.72, c: 0.12, h }).hex).join(
      ', ',
    )})"
    onpointerdown={dragged(hueAt)}
    onkeydown={hueKeys}
    onkeyup={ended}
  >
    <span style:left="{(desk.hue / 360) * 100}%"></span>
  </div>
</div>

<style>
  .surface {
    position: relative;
    height: 196px;
    border: 1px solid var(--color-ink);
    border-width: 0 0 1px 1px;
    cursor: crosshair;
    touch-action: none;
  }
  canvas,
  svg {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
  }
  .limit {
    fill: none;
    stroke: var(--color-ink);
    stroke-width: 1;
  }
  .says {
    position: absolute;
    top: 3px;
    right: 4px;
    color: var(--color-quiet);
    font-size: 11px;
  }
  .says.low {
    top: auto;
    bottom: 3px;
  }
  .here path {
    fill: none;
    stroke: var(--color-plum);
    stroke-width: 1.6;
  }
  .here .under {
    stroke: var(--color-sheet);
    stroke-width: 4;
  }
  .hues {
    position: relative;
    height: 18px;
    margin-top: 8px;
    cursor: ew-resize;
    touch-action: none;
  }
  .hues span {
    position: absolute;
    top: -3px;
    bottom: -3px;
    width: 0;
    border-left: 2px solid var(--color-ink);
    outline: 1px solid var(--color-sheet);
  }
</style>
