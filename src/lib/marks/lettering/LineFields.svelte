<script lang="ts">
  import { curveBaseline, type CurvePoint, ENVELOPES, formKind, type Lettering, type Line } from '$core/index';
  import Choice from '$lib/ui/Choice.svelte';
  import Fold from '$lib/ui/Fold.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import NumberFields from '../fields/NumberFields.svelte';
  import { NUMBERS, pointRows } from '../fields/numbers';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: Lettering } = $props();
  const table = useTable();

  const LINES = {
    straight: 'straight',
    'arch over': 'arch over',
    'arch under': 'arch under',
    'ring over': 'ring, upper',
    'ring under': 'ring, lower',
    curve: 'along a curve',
    rise: 'rising',
    swell: 'swelling',
    pinch: 'pinched',
  } as const;
  type LineName = keyof typeof LINES;
  const nameOf = (line: Line): LineName =>
    line.shape === 'arc' ? `${line.form} ${line.side}` : line.shape === 'envelope' ? line.form : line.shape;
  const name = $derived(nameOf(part.line));

  /** Another line starts where the letters are: as long as the text, as wide as it stands. */
  function lineNamed(next: LineName): Line {
    const facts = table.resolved(part.id)?.lettering;
    const advance = facts?.advancePx ?? part.sizePx * 4;
    if (next === 'straight') return { shape: 'straight' };
    if (next === 'curve') {
      const half = advance * 0.55;
      return {
        shape: 'curve',
        points: [
          { x: -half, y: 0, inX: 0, inY: 0, outX: half * 0.5, outY: -half * 0.4 },
          { x: half, y: 0, inX: -half * 0.5, inY: half * 0.4, outX: 0, outY: 0 },
        ],
        along: null,
        startPercent: part.align === 'start' ? 0 : part.align === 'end' ? 100 : 50,
        letters: 'turned',
        spacingAtPercent: 0,
      };
    }
    if (next === 'rise' || next === 'swell' || next === 'pinch')
      return { shape: 'envelope', form: next, amountPercent: next === 'rise' ? 60 : 50, from: 'middle' };
    const [form, side] = next.split(' ') as ['arch' | 'ring', 'over' | 'under'];
    const before = part.line.shape === 'arc' ? part.line : undefined;
    // A gentle arch is a third of a circle; a ring leaves room for its counterpart.
    const radiusPx = before?.radiusPx ?? Math.round((advance / ((form === 'arch' ? 100 : 150) * (Math.PI / 180))) * 10) / 10;
    return {
      shape: 'arc',
      form,
      side,
      radiusPx,
      startDeg: before?.startDeg ?? 0,
      letters: before?.letters ?? 'turned',
      spacingAtPercent: before?.spacingAtPercent ?? 0,
      around: before?.around ?? null,
    };
  }
  /** The same curve, run from its other end: the text stands on its other side. */
  const reversed = (points: readonly CurvePoint[]): CurvePoint[] =>
    points.map(({ x, y, inX, inY, outX, outY }) => ({ x, y, inX: outX, inY: outY, outX: inX, outY: inY })).reverse();
  const setLine = (line: Line) => table.previewLettering(part, { ...part, line });
  /** How much of the text's length its curve has room for. */
  const room = $derived.by(() => {
    const facts = table.resolved(part.id)?.lettering;
    const curve = facts?.curve && curveBaseline(facts.curve);
    return facts && curve?.ok && facts.advancePx > 0 ? curve.value.length / facts.advancePx : undefined;
  });
  /** Free curves, and shapes that hold words. */
  const curves = $derived(
    table.parts.filter((other) => other.kind === 'curve' || (other.kind === 'shape' && formKind(other.form.form).textLine !== undefined)),
  );
  const round = $derived(
    table.parts.filter(
      (other) => other.id !== part.id && (other.kind === 'shape' || (other.kind === 'lettering' && other.line.shape === 'arc')),
    ),
  );
</script>

<Fold label="Line" summary={name === 'straight' ? '' : LINES[name]}>
  <Pick
    label="Letters stand"
    hint="What the baseline runs along"
    value={name}
    options={(Object.keys(LINES) as LineName[]).map((value) => ({ value, label: LINES[value] }))}
    choose={(next) => {
      setLine(lineNamed(next));
      table.commit('Line');
    }}
  />
  {#if part.line.shape === 'arc'}
    {@const line = part.line}
    {@const facts = table.resolved(part.id)?.lettering?.circle}
    <Pick
      label="Around"
      hint="The part whose circle the text goes round; a circle of its own follows nobody"
      value={line.around?.part ?? ''}
      options={[{ value: '', label: 'a circle of its own' }, ...round.map((other) => ({ value: other.id, label: table.nameOf(other) }))]}
      choose={(id) => {
        table.previewLettering(part, {
          ...part,
          line: { ...line, around: id ? { part: id, insetPx: line.around?.insetPx ?? Math.round(part.sizePx * 0.8) } : null },
          place: id ? { ...part.place, x: 0, y: 0 } : part.place,
        });
        table.commit('Around');
      }}
    />
    <div class="two">
      {#if line.around}
        <NumberFields {part} rows={NUMBERS.ringInset} />
      {:else}
        <NumberFields {part} rows={NUMBERS.ringRadius} />
      {/if}
      <NumberFields {part} rows={NUMBERS.ringStart} />
    </div>
    {#if facts}<p class="quiet">runs over {facts.sweepDeg.toFixed(1)}° of its circle</p>{/if}
  {:else if part.line.shape === 'curve'}
    {@const line = part.line}
    <NumberFields {part} rows={NUMBERS.curveStart} />
    <Pick
      label="On"
      hint="The curve or shape that the text stands on"
      value={line.along?.part ?? ''}
      options={[{ value: '', label: 'a curve of its own' }, ...curves.map((other) => ({ value: other.id, label: table.nameOf(other) }))]}
      choose={(id) => {
        table.previewLettering(part, {
          ...part,
          line: {
            ...line,
            along: id
              ? { part: id, offPx: line.along?.offPx ?? 0, centered: curves.find((each) => each.id === id)?.kind === 'shape' }
              : null,
          },
          place: id ? { ...part.place, x: 0, y: 0 } : part.place,
        });
        table.commit('On a curve');
      }}
    />
    {#if line.along}
      <NumberFields {part} rows={NUMBERS.curveOff} />
    {/if}
    {#if room !== undefined && room < 1}
      <button
        class="link"
        onclick={() => {
          // A hair less than all of it: the last letter stands with its middle on the line.
          table.previewLettering(part, { ...part, sizePx: Math.max(1, Math.floor(part.sizePx * room * 98) / 100) });
          table.commit('Size to the curve');
        }}>Size it to the curve</button
      >
    {/if}
    {#each line.along ? [] : line.points.keys() as at (at)}
      <NumberFields {part} rows={pointRows('line.points', at, 'Point', 'px', 'Curve point')} />
    {/each}
    {#if !line.along}<button
        class="link"
        onclick={() => {
          setLine({ ...line, startPercent: 100 - line.startPercent, points: reversed(line.points) });
          table.commit('Reverse');
        }}>Reverse</button
      >
      <button title="Another point of the curve, at its end" class="link" onclick={() => table.addCurvePoint(part)}>Add a point</button>
    {/if}
    {#if !line.along && line.points.length > 2}<button
        class="link"
        onclick={() => {
          setLine({ ...line, points: line.points.slice(0, -1) });
          table.commit('Remove point');
        }}>Remove the last</button
      >{/if}
  {:else if part.line.shape === 'envelope'}
    {@const line = part.line}
    <NumberFields {part} rows={NUMBERS.envelope} />
    {#if line.form !== ENVELOPES[0]}
      <Choice
        label="Keeps its"
        hint="Which line of the letters stays where it is while the rest is bent"
        value={line.from}
        options={[
          { value: 'baseline', label: 'baseline' },
          { value: 'middle', label: 'middle' },
          { value: 'top', label: 'top' },
        ]}
        choose={(from) => {
          setLine({ ...line, from });
          table.commit('Keeps');
        }}
      />
    {/if}
  {/if}
  {#if part.line.shape === 'arc' || part.line.shape === 'curve'}
    {@const line = part.line}
    <Choice
      label="Letters"
      hint="Turned letters keep their shape; bent ones follow the curve themselves"
      value={line.letters}
      options={[
        { value: 'turned', label: 'turned' },
        { value: 'bent', label: 'bent' },
      ]}
      choose={(letters) => {
        setLine({ ...line, letters, spacingAtPercent: letters === 'bent' && line.spacingAtPercent === 0 ? 50 : line.spacingAtPercent });
        table.commit('Letters on the line');
      }}
    />
    <NumberFields {part} rows={NUMBERS.spacingHeight} />
  {/if}
</Fold>

<style>
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    column-gap: 14px;
  }
  p {
    padding: 3px 0;
    font-size: 12px;
  }
  .link {
    margin-right: 12px;
  }
</style>
