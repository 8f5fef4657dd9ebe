<script lang="ts">
  import { AXIS_NAMES } from '$lib/ui/axis-names';
  import { type Axis, type Fit, type FitMeans, type Lettering } from '$core/index';
  import Fold from '$lib/ui/Fold.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import Tick from '$lib/ui/Tick.svelte';
  import NumberFields from '../fields/NumberFields.svelte';
  import { fitLimitRows, NUMBERS } from '../fields/numbers';
  import { useTable } from '../table/table.svelte';

  const { part, axes }: { part: Lettering; axes: readonly Axis[] } = $props();
  const table = useTable();

  const others = $derived(table.parts.filter((other) => other.id !== part.id && other.kind !== 'unknown'));
  /** Texts on a circle, whose angle this one can take. */
  const rings = $derived(others.filter((other) => table.resolved(other.id)?.lettering?.circle !== undefined));
  const fit = $derived(part.fit);
  const KINDS = {
    none: 'nothing',
    width: 'a width',
    part: 'a part’s width',
    panel: 'the inside of a part',
    angle: 'an angle',
    'same-angle': 'the angle of another',
  } as const;
  const summary = $derived(fit ? KINDS[fit.to.kind] : '');

  const set = (next: Fit | null) => table.previewLettering(part, { ...part, fit: next });
  function change(gesture: string, next: Fit | null): void {
    set(next);
    table.commit(gesture);
  }
  const SIZE: FitMeans = { means: 'size', axis: 'wdth', min: 4, max: 2000 };
  const TRACKING: FitMeans = { means: 'tracking', axis: 'wdth', min: -30, max: 400 };

  function choose(kind: keyof typeof KINDS): void {
    const by = fit?.by ?? [kind === 'angle' || kind === 'same-angle' ? TRACKING : SIZE];
    const ink = table.resolved(part.id)?.ink;
    const first = others[0]?.id;
    if (kind === 'none') change('No fit', null);
    else if (kind === 'width') change('Fit to a width', { to: { kind, widthPx: ink ? Math.round(ink.right - ink.left) : 400 }, by });
    else if (kind === 'angle') change('Fit to an angle', { to: { kind, sweepDeg: 150 }, by });
    else if (kind === 'same-angle') {
      const ring = rings[0]?.id;
      if (ring) change('Same angle as', { to: { kind, part: ring }, by });
    } else if (first) change('Fit to a part', { to: kind === 'part' ? { kind, part: first } : { kind, part: first, airPx: 16 }, by });
  }
  const widening = $derived(axes.find(({ tag }) => tag === 'wdth'));
  const names = $derived({ size: 'Size', tracking: 'Tracking', axis: AXIS_NAMES['wdth'] ?? 'Width' });
  const units = { size: 'px', tracking: '‰', axis: undefined } as const;

  function toggle(means: FitMeans['means'], on: boolean): void {
    if (!fit) return;
    const added =
      means === 'size' ? SIZE : means === 'tracking' ? TRACKING : { ...SIZE, means, min: widening?.min ?? 50, max: widening?.max ?? 150 };
    const by = on ? [...fit.by, added] : fit.by.filter((each) => each.means !== means);
    if (by.length > 0) change('Means of fitting', { ...fit, by });
  }
  const earlier = (means: FitMeans) => {
    if (!fit) return;
    const at = fit.by.indexOf(means);
    change('Order of fitting', { ...fit, by: [...fit.by.slice(0, at - 1), means, ...fit.by.slice(at - 1, at), ...fit.by.slice(at + 1)] });
  };
</script>

<Fold label="Fit" {summary}>
  <Pick
    label="Fitted to"
    hint="What the line is brought to the width of"
    value={fit?.to.kind ?? 'none'}
    options={(Object.keys(KINDS) as (keyof typeof KINDS)[])
      .filter(
        (kind) =>
          (kind !== 'angle' || part.line.shape === 'arc') &&
          (kind !== 'same-angle' || (part.line.shape === 'arc' && rings.length > 0)) &&
          ((kind !== 'part' && kind !== 'panel') || others.length > 0),
      )
      .map((value) => ({ value, label: KINDS[value] }))}
    {choose}
  />
  {#if fit}
    {@const to = fit.to}
    {#if to.kind === 'width'}
      <NumberFields {part} rows={NUMBERS.fitWidth} />
    {:else if to.kind === 'angle'}
      <NumberFields {part} rows={NUMBERS.fitAngle} />
    {:else}
      <Pick
        label={to.kind === 'same-angle' ? 'Same angle as' : 'Part'}
        hint={to.kind === 'same-angle'
          ? 'The text on a circle that takes as much of it'
          : 'The part whose width, or inside, the line is fitted to'}
        value={to.part}
        options={(to.kind === 'same-angle' ? rings : others).map((other) => ({ value: other.id, label: table.nameOf(other) }))}
        choose={(id) => change(to.kind === 'same-angle' ? 'Same angle as' : 'Fit to a part', { ...fit, to: { ...to, part: id } })}
      />
      {#if to.kind === 'panel'}
        <NumberFields {part} rows={NUMBERS.fitAir} />
      {/if}
    {/if}
    <p class="quiet">By, in this order:</p>
    {#each fit.by as means, at (means.means)}
      <div class="means">
        <span>{at + 1}. {names[means.means]}</span>
        {#if at > 0}<button title="Is tried before the one above it" class="link" onclick={() => earlier(means)}>earlier</button>{/if}
      </div>
      <NumberFields {part} rows={fitLimitRows(at, units[means.means])} />
    {/each}
    <div class="ticks">
      <Tick
        label="Size"
        hint="The letters may become larger or smaller"
        checked={fit.by.some(({ means }) => means === 'size')}
        change={(on) => toggle('size', on)}
      />
      <Tick
        label="Tracking"
        hint="The space between the letters may become wider or narrower"
        checked={fit.by.some(({ means }) => means === 'tracking')}
        change={(on) => toggle('tracking', on)}
      />
      {#if widening}<Tick
          label="Width axis"
          hint="The letters themselves may become wider or narrower, where the font can"
          checked={fit.by.some(({ means }) => means === 'axis')}
          change={(on) => toggle('axis', on)}
        />{/if}
    </div>
    {#if part.text.includes('\n')}
      <Tick
        label="Each line by itself"
        hint="Every line is brought to the full width, not only the longest"
        checked={part.eachLine}
        change={(eachLine) => table.change(part.id, 'Each line', { eachLine })}
      />
    {/if}
  {/if}
</Fold>

<style>
  .means {
    display: flex;
    justify-content: space-between;
    font-weight: 600;
  }
  .ticks {
    display: flex;
    flex-wrap: wrap;
    gap: 0 14px;
  }
  p {
    padding-top: 4px;
    font-size: 12px;
  }
</style>
