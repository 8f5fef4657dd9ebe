<script lang="ts">
  import { onCanvas, PIECE_UNITS, pieceCanvasSchema, pieceSizeText, type PieceCanvas, type PieceCheck, type PieceUnit } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Choice from '$lib/ui/Choice.svelte';
  import Fold from '$lib/ui/Fold.svelte';
  import PaintPicker from '$lib/ui/PaintPicker.svelte';
  import Tick from '$lib/ui/Tick.svelte';
  import GroundFields from './GroundFields.svelte';
  import { useTable } from './table/table.svelte';

  const { canvas }: { canvas: PieceCanvas } = $props();
  const table = useTable();

  function preview(change: Partial<PieceCanvas>): void {
    const read = pieceCanvasSchema.safeParse({ ...canvas, ...change });
    const { recipe } = table.open;
    if (read.success) table.previewRecipe(onCanvas(recipe, read.data, table.palette));
  }
  function change(gesture: string, next: Partial<PieceCanvas>): void {
    preview(next);
    table.commit(gesture);
  }

  /** Measured once the hand rests. */
  let checks: readonly PieceCheck[] = $state.raw([]);
  $effect(() => {
    if (table.desk.rests === 0) return;
    let wanted = true;
    table.desk
      .ask((draughtsman) => draughtsman.pieceChecks(table.info.id))
      .then((found) => wanted && (checks = found))
      .catch(() => undefined);
    return () => (wanted = false);
  });
  const faults = $derived(checks.filter(({ finding }) => finding.verdict !== 'passes'));
</script>

<div class="canvas">
  <Fold label="Canvas" summary={faults.length === 0 ? pieceSizeText(canvas) : `${faults.length} to look at`}>
    {#if checks.length > 0}
      {#if faults.length === 0}
        <p class="passes">All {checks.length} checks of this piece pass.</p>
      {:else}
        <ul aria-label="What needs a look">
          {#each faults as { id, part, finding } (`${id} ${part}`)}
            <li class={finding.verdict}>
              <button title="Chooses the part" onclick={() => table.choose([part])}>{finding.says}</button>
            </li>
          {/each}
        </ul>
      {/if}
    {/if}
    <div class="two">
      {#each ['width', 'height'] as const as side (side)}
        <AmountField
          label={side === 'width' ? 'Width' : 'Height'}
          hint="Of the canvas as it is cut; what stands on it stays where it is"
          unit={canvas.unit}
          min={0.1}
          max={20_000}
          step={canvas.unit === 'px' ? 10 : 1}
          value={canvas[side]}
          preview={(value) => preview({ [side]: value })}
          commit={() => table.commit('Canvas')}
        />
      {/each}
      <AmountField
        label="Bleed"
        hint="Printed beyond the edge on every side, and cut away"
        unit={canvas.unit}
        min={0}
        max={1000}
        value={canvas.bleed}
        preview={(bleed) => preview({ bleed })}
        commit={() => table.commit('Bleed')}
      />
      <AmountField
        label="Margin"
        hint="Kept clear along the edge, in percent of the shorter side"
        unit="%"
        min={0}
        max={40}
        value={canvas.marginPercent}
        preview={(marginPercent) => preview({ marginPercent })}
        commit={() => table.commit('Margin')}
      />
    </div>
    <Choice
      label="Unit"
      hint="What its sides are counted in"
      value={canvas.unit}
      options={PIECE_UNITS.map((value) => ({ value, label: value }))}
      choose={(unit) => change('Unit', { unit: unit as PieceUnit })}
    />
    {#if canvas.ground}
      <PaintPicker label="Ground" palette={table.palette} value={canvas.ground} choose={(ground) => change('Ground', { ground })} />
    {/if}
    <Tick
      label="Transparent"
      hint="No ground at all, as prints on cloth want it"
      checked={canvas.ground === null}
      change={(on) => change('Ground', { ground: on ? null : { role: 'paper' } })}
    />
    <GroundFields />
  </Fold>
</div>

<style>
  .canvas {
    overflow-y: auto;
    flex: none;
    max-height: 50%;
    padding: 4px 16px 0;
    border-top: 1px solid var(--color-rule);
  }
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    column-gap: 14px;
  }
  ul {
    padding: 0 0 6px;
    list-style: none;
  }
  li button {
    padding: 3px 0 3px 8px;
    border-left: 2px solid currentColor;
    font-size: 12px;
    text-align: left;
  }
  .look {
    color: var(--color-amber);
  }
  .fails {
    color: var(--color-rust);
  }
  .passes {
    color: var(--color-moss);
    font-size: 12px;
  }
</style>
