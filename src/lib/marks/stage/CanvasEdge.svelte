<script lang="ts">
  import { bleedBox, canvasBox, pieceSizeText, safeBox, type PieceCanvas } from '$core/index';
  import type { StageView } from './stage-view.svelte';

  const { canvas, view }: { canvas: PieceCanvas; view: StageView } = $props();
  const cut = $derived(view.boxToScreen(canvasBox(canvas)));
  const boxes = $derived(
    [
      { is: 'bleed', box: view.boxToScreen(bleedBox(canvas)), there: canvas.bleed > 0 },
      { is: 'cut', box: cut, there: true },
      { is: 'margin', box: view.boxToScreen(safeBox(canvas)), there: canvas.marginPercent > 0 },
    ].filter(({ there }) => there),
  );
</script>

<!-- Where it is cut, how far it is printed beyond that, and what words and marks keep within. -->
<g aria-hidden="true">
  {#each boxes as { is, box } (is)}
    <rect class={is} x={box.left} y={box.top} width={Math.max(0, box.right - box.left)} height={Math.max(0, box.bottom - box.top)} />
  {/each}
  <text x={cut.left} y={cut.top - 8}>{pieceSizeText(canvas)}{canvas.bleed > 0 ? `, ${canvas.bleed} ${canvas.unit} bleed` : ''}</text>
</g>

<style>
  g {
    pointer-events: none;
  }
  rect {
    fill: none;
    stroke-width: 1;
  }
  .cut {
    stroke: var(--color-ink);
  }
  .bleed {
    stroke: var(--color-rust);
    stroke-dasharray: 6 3;
  }
  .margin {
    stroke: var(--color-amber);
    stroke-dasharray: 2 4;
  }
  text {
    fill: var(--color-ink);
    font-size: 12px;
    paint-order: stroke;
    stroke: var(--color-sheet);
    stroke-width: 4px;
  }
</style>
