<script lang="ts">
  import { asTracedArt, exchangePart, type Art, type Picture } from '$core/index';
  import { picturesAddress } from '$lib/addresses';
  import { pathData } from '$core/index';
  import { START_TRACING, TRACING_WAYS, WAY_NAMES, type TracedOutcome, type Tracing } from '$core/pictures';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Choice from '$lib/ui/Choice.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import Tick from '$lib/ui/Tick.svelte';
  import { useTable } from '../table/table.svelte';
  import PictureDialog from './PictureDialog.svelte';
  import { PictureDoor } from './picture-hand';

  interface Props {
    open: boolean;
    part: Picture | Art;
  }
  let { open = $bindable(false), part }: Props = $props();
  const table = useTable();
  const door = new PictureDoor();
  $effect(() => () => door.close());

  const file = $derived(part.kind === 'picture' ? part : part.traced);
  const address = $derived(file ? `${picturesAddress(table.brand.slug)}${file.sha256}` : '');
  // svelte-ignore state_referenced_locally
  let tracing: Tracing = $state(part.kind === 'art' && part.traced ? part.traced.tracing : START_TRACING);
  let traced: TracedOutcome | undefined = $state.raw();
  let busy = $state(false);
  let fault = $state('');
  let under = $state(false);
  const way = $derived(TRACING_WAYS[tracing.way]);
  /** Lines closer than a hundredth of the picture would run together. */
  const inLines = $derived(tracing.way === 'engraved');
  const uses = (field: keyof Tracing): boolean => way.uses.includes(field);
  const nodes = $derived(
    (traced?.areas ?? []).reduce((sum, { path }) => sum + [...path.verbs].filter((verb) => verb !== 'M' && verb !== 'Z').length, 0),
  );
  const colors = $derived(new Set((traced?.areas ?? []).map(({ color }) => color)).size);

  $effect(() => {
    const [from, how] = [address, $state.snapshot(tracing) as Tracing];
    if (!open || from === '') return;
    busy = true;
    void door
      .ask((hand) => hand.trace(from, how))
      .then((found) => {
        if (!found) return;
        [traced, busy, fault] = [found, false, ''];
      })
      .catch((error: unknown) => {
        busy = false;
        fault = error instanceof Error ? error.message : 'The picture could not be traced.';
      });
  });

  /** Light and shade, balanced before the picture is looked at. */
  const LIGHT = [
    { field: 'even', label: 'Even out light', hint: 'Takes slow changes of light across the picture away', least: 0 },
    { field: 'shadows', label: 'Shadows', hint: 'Opens dark places, or closes them; what is fine in them stays', least: -100 },
    { field: 'lights', label: 'Lights', hint: 'Brightens light places, or calms them; what is fine in them stays', least: -100 },
  ] as const;
  /** Most tones, or colors. */
  const mostOf = (name: Tracing['way']): number => (name === 'tones' ? 6 : 8);
  const change = (next: Partial<Tracing>): void => {
    tracing = { ...tracing, ...next };
  };
  /** Another way, or number of tones, has thresholds of its own. */
  const anew = (next: Partial<Tracing>): void => change({ ...next, thresholds: null });
  function threshold(index: number, percent: number): void {
    const cuts = [...(tracing.thresholds ?? traced?.thresholds ?? [])];
    cuts[index] = percent / 100;
    // Held between its neighbors.
    const [low, high] = [cuts[index - 1] ?? -0.01, cuts[index + 1] ?? 1.01];
    cuts[index] = Math.min(high - 0.01, Math.max(low + 0.01, cuts[index] as number));
    change({ thresholds: cuts });
  }

  function use(): void {
    if (!traced) return;
    const made = asTracedArt(part, traced, $state.snapshot(tracing) as Tracing, table.palette);
    if (!made) {
      fault = 'Nothing was found to draw, or far too much: change the way or the numbers.';
      return;
    }
    table.open.commit(part.kind === 'art' ? 'Trace anew' : 'Turn into outlines', exchangePart(table.open.recipe, part.id, made));
    open = false;
  }
</script>

<PictureDialog
  bind:open
  title="Turn the picture into outlines"
  does="Use these outlines"
  waits={!traced || traced.areas.length === 0 || busy}
  {use}
>
  {#snippet picture()}
    <figure aria-label="As it will be">
      {#if under}<img src={address} alt="" />{/if}
      {#if traced}
        <svg viewBox="0 0 {traced.columns} {traced.rows}" role="img" aria-label="The outlines so far" class:over={under}>
          {#each traced.areas as area, n (n)}<path d={pathData(area.path)} fill={area.color} fill-rule={area.rule} />{/each}
        </svg>
      {/if}
    </figure>
  {/snippet}
  {#snippet fields()}
    <Pick
      label="Way"
      hint={way.says}
      options={WAY_NAMES.map((value) => ({ value, label: TRACING_WAYS[value].label }))}
      value={tracing.way}
      choose={(next) => anew({ way: next, count: Math.min(tracing.count, mostOf(next)) })}
    />
    <p class="quiet says">{way.says}</p>
    {#if uses('count')}
      <AmountField
        label={tracing.way === 'tones' ? 'Tones' : 'Colors'}
        hint="How many the picture is brought to"
        min={2}
        max={mostOf(tracing.way)}
        digits={0}
        value={tracing.count}
        preview={(count) => anew({ count: Math.round(count) })}
        commit={() => undefined}
      />
    {/if}
    {#if uses('ink')}
      <Choice
        label="Ink"
        hint="What of the picture becomes ink"
        options={[
          { value: 'dark', label: 'the dark' },
          { value: 'light', label: 'the light' },
        ]}
        value={tracing.ink}
        choose={(ink) => change({ ink })}
      />
    {/if}
    {#if uses('thresholds')}
      {@const cuts = tracing.thresholds ?? traced?.thresholds ?? []}
      {#each cuts as cut, index (index)}
        <AmountField
          label={cuts.length > 1 ? `Threshold ${index + 1}` : 'Threshold'}
          hint="How light a place must be to count as the next tone"
          unit="%"
          min={0}
          max={100}
          step={1}
          digits={0}
          value={cut * 100}
          preview={(percent) => threshold(index, percent)}
          commit={() => undefined}
        />
      {/each}
      {#if tracing.thresholds}
        <button title="Measures where dark ends and light begins" class="link" onclick={() => change({ thresholds: null })}
          >Find it from the picture</button
        >
      {/if}
    {/if}
    {#if uses('local')}
      <AmountField
        label="Uneven light"
        hint="How far the surroundings of a place decide about it, instead of the whole picture"
        unit="%"
        min={0}
        max={100}
        digits={0}
        value={tracing.local * 100}
        preview={(percent) => change({ local: percent / 100 })}
        commit={() => undefined}
      />
    {/if}
    {#each LIGHT as { field, label, hint, least } (field)}
      <AmountField
        {label}
        {hint}
        unit="%"
        min={least}
        max={100}
        digits={0}
        value={tracing[field] * 100}
        preview={(percent) => anew({ [field]: percent / 100 })}
        commit={() => undefined}
      />
    {/each}
    {#if uses('smooth')}
      <AmountField
        label="Smooth first"
        hint="Small differences go, edges stay"
        unit="%"
        min={0}
        max={100}
        digits={0}
        value={tracing.smooth * 100}
        preview={(percent) => change({ smooth: percent / 100 })}
        commit={() => undefined}
      />
    {/if}
    {#if uses('specksPermille')}
      <AmountField
        label="Leave out specks"
        hint="Patches smaller than this share of the picture join what is around them"
        unit="‰"
        min={0}
        max={20}
        step={0.1}
        digits={2}
        value={tracing.specksPermille}
        preview={(specksPermille) => change({ specksPermille })}
        commit={() => undefined}
      />
    {/if}
    {#if uses('closenessPx')}
      <AmountField
        label="Closeness"
        hint="How far outlines may be from the picture: more is calmer, with fewer points"
        unit="px"
        min={0.3}
        max={4}
        step={0.1}
        digits={1}
        value={tracing.closenessPx}
        preview={(closenessPx) => change({ closenessPx })}
        commit={() => undefined}
      />
    {/if}
    {#if uses('pitchPermille')}
      <AmountField
        label={inLines ? 'Line to line' : 'From dot to dot'}
        hint="As a share of the picture’s longer side"
        unit="‰"
        min={inLines ? 10 : 4}
        max={80}
        digits={0}
        value={Math.max(tracing.pitchPermille, inLines ? 10 : 4)}
        preview={(pitchPermille) => change({ pitchPermille })}
        commit={() => undefined}
      />
    {/if}
    {#if uses('turnDeg')}
      <AmountField
        label={inLines ? 'Turn of the lines' : 'Turn of the rows'}
        hint="45° is seen least"
        unit="°"
        min={-90}
        max={90}
        digits={0}
        value={tracing.turnDeg}
        preview={(turnDeg) => change({ turnDeg })}
        commit={() => undefined}
      />
    {/if}
    {#if uses('paper')}
      <Tick
        label="The lightest stays clear"
        hint="The lightest tone or color is left out, so that the ground shows"
        checked={tracing.paper === 'clear'}
        change={(clear) => change({ paper: clear ? 'clear' : 'kept' })}
      />
    {/if}
    <Tick label="Picture beneath" hint="Shows the picture under the outlines" checked={under} change={(on) => (under = on)} />
    <p class="quiet" role="status">
      {#if fault}<span class="fault">{fault}</span>
      {:else if busy && !traced}Looking at the picture …
      {:else if traced && traced.areas.length === 0}Nothing to draw: everything is on one side of the threshold.
      {:else if traced}{colors === 1 ? 'One color' : `${colors} colors`}, {nodes.toLocaleString('en')} points{busy
          ? ' · tracing …'
          : ''}{/if}
    </p>
  {/snippet}
</PictureDialog>

<style>
  figure {
    position: relative;
    display: grid;
    place-items: center;
    min-height: 240px;
    max-height: 62vh;
    background: var(--color-paper);
    border: 1px solid var(--color-rule);
    overflow: hidden;
  }
  figure img,
  figure svg {
    grid-area: 1 / 1;
    width: 100%;
    height: 100%;
    max-height: 62vh;
    object-fit: contain;
  }
  figure img {
    opacity: 0.5;
  }
  .over {
    opacity: 0.85;
  }
  .says {
    padding: 2px 0 6px;
    font-size: 12px;
  }
  .fault {
    color: var(--color-amber);
  }
</style>
