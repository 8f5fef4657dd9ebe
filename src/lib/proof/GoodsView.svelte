<script lang="ts">
  import { onMount } from 'svelte';
  import {
    dress,
    dressingOnGoods,
    dressingsOf,
    PRINT_WAYS,
    swatchesOf,
    type Corner,
    type Dressing,
    type OwnGoods,
    type PrintWay,
    type SceneFacts,
    type ShownOnGoods,
  } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import OwnFields from './OwnFields.svelte';
  import OwnPlace from './OwnPlace.svelte';
  import { useProofDesk, type Subject } from './proof-desk.svelte';

  const { subject, scene: given }: { subject: Subject; scene: SceneFacts } = $props();
  const desk = useProofDesk();
  // One's own goods change while they are looked at.
  const scene = $derived(desk.scenes.find(({ name }) => name === given.name) ?? given);
  const own = $derived(desk.own.of(scene));
  /** The photo itself stands until the mark on it is drawn. */
  const photo = $derived(own && desk.own.photoOf(own));
  let bending = $state(false);
  let coloring = $state(false);
  const chosen = $derived(desk.shownOn(subject, scene));
  const LARGEST_GOODS_PX = 4000;
  const MOST_PLACES = 24;
  let dialog: HTMLDialogElement | undefined = $state();
  let loading = $state(true);
  onMount(() => dialog?.showModal());

  const WAYS: Record<PrintWay, string> = {
    paper: 'printed on it',
    cloth: 'ink in cloth',
    paint: 'painted or cut from vinyl',
    foil: 'hot foil',
    engraved: 'engraved',
    pressed: 'pressed in blind',
  };
  // The address follows what is settled: while a number is stepped, the last picture stands.
  let address = $state('');
  const next = $derived(desk.goodsAddress(subject, scene, 1400));
  $effect(() => {
    const wanted = next;
    const timer = setTimeout(() => {
      loading = address !== wanted;
      address = wanted;
    }, 160);
    return () => clearTimeout(timer);
  });
  const change = (gesture: string, of: ShownOnGoods) => desk.goods.commit(gesture, desk.withShown(subject, scene, of));
  const preview = (of: ShownOnGoods) => desk.goods.preview(desk.withShown(subject, scene, of));
  const largestPx = $derived(Math.min(LARGEST_GOODS_PX, scene.widthPx));
  function takeOff(): void {
    desk.own.remove(scene);
    dialog?.close();
  }
  /** The cloth takes the brand's lead until another color is chosen. */
  function colorAt(goods: OwnGoods, at: Corner): void {
    const cloth = goods.cloth ?? { at: [], spread: 1, color: 'lead' as const };
    desk.own.change(scene, 'Color the cloth', { cloth: { ...cloth, at: [...cloth.at, at].slice(-MOST_PLACES) } });
  }
  const swatches = $derived([
    { value: scene.start.color as string, label: 'as it comes' },
    ...swatchesOf(desk.palette).map(({ key, name }) => ({ value: key as string, label: name })),
    { value: '#ffffff', label: 'white' },
    { value: '#1d1d1f', label: 'black' },
  ]);
  const tint = $derived((chosen.tint as string | undefined) ?? scene.start.color);
  const rows: readonly {
    readonly key: 'size' | 'x' | 'y';
    readonly label: string;
    readonly hint: string;
    readonly start: number;
    readonly min: number;
    readonly max: number;
  }[] = [
    { key: 'size', label: 'Size', hint: 'Of the largest that fits the print area', start: 62, min: 2, max: 300 },
    { key: 'x', label: 'Across', hint: 'Where its middle lies in the print area', start: 50, min: -50, max: 150 },
    { key: 'y', label: 'Down', hint: 'Where its middle lies in the print area', start: 50, min: -50, max: 150 },
  ];
</script>

<dialog bind:this={dialog} onclose={() => (desk.large = undefined)} aria-label="{subject.name} on {scene.label.toLowerCase()}">
  <div class="both">
    <div class="picture" class:loading>
      <div class="shown" style:--wide={scene.widthPx} style:--high={scene.heightPx}>
        {#if photo}<img class="bare" src="/api/brands/{desk.brand.slug}/photos/{photo.id}/preview.webp" alt="" />{/if}
        {#if address}<img src={address} alt="{subject.name} on {scene.label.toLowerCase()}" onload={() => (loading = false)} />{/if}
        {#if own}<OwnPlace {scene} goods={own} {bending} {coloring} color={(at) => colorAt(own, at)} />{/if}
      </div>
    </div>
    <div class="fields">
      <h3>{scene.label}</h3>
      <p class="quiet">{subject.name}</p>
      {#if own}<OwnFields {scene} goods={own} bind:bending bind:coloring />{:else}
        <Pick
          label="Its color"
          hint={scene.flat ? 'What lies behind the mark' : 'What the goods themselves are made in'}
          options={swatches}
          value={tint}
          choose={(value) => change('Color the goods', { tint: value as NonNullable<ShownOnGoods['tint']> })}
        />{/if}
      <Pick
        label="Colorway"
        hint="How the mark is dressed"
        options={dressingsOf(desk.palette).map((value) => ({ value: value as string, label: dress(desk.palette, value).label }))}
        value={(chosen.dressing ?? dressingOnGoods(desk.palette, scene)) as string}
        choose={(value) => change('Choose the colorway', { dressing: value as Dressing })}
      />
      {#if !scene.flat}
        <Pick
          label="Put on"
          hint="How the mark comes onto the goods"
          options={PRINT_WAYS.map((value) => ({ value, label: WAYS[value] }))}
          value={chosen.way ?? scene.start.way}
          choose={(way) => change('Choose how it is put on', { way })}
        />
      {/if}
      {#if scene.areas.length > 1}
        <Pick
          label="Where"
          hint="Which part is printed"
          options={[{ value: '0', label: 'everywhere' }, ...scene.areas.map(({ name }, at) => ({ value: String(at + 1), label: name }))]}
          value={String(chosen.area ?? 0)}
          choose={(area) => change('Choose where', { area: Number(area) })}
        />
      {/if}
      {#each rows as { key, label, hint, start, min, max } (key)}
        <AmountField
          {label}
          {hint}
          unit="%"
          {min}
          {max}
          value={Math.round((chosen[key] ?? start / 100) * 1000) / 10}
          preview={(value) => preview({ [key]: value / 100 })}
          commit={() => desk.goods.commit(`Change ${label.toLowerCase()}`)}
        />
      {/each}
      <AmountField
        label="Turn"
        hint="Clockwise"
        unit="°"
        min={-360}
        max={360}
        value={chosen.turn ?? 0}
        preview={(turn) => preview({ turn })}
        commit={() => desk.goods.commit('Turn the mark')}
      />
      <p class="ways">
        <a class="link" href="{desk.goodsAddress(subject, scene, largestPx)}&download=1" download>Download, {largestPx} px</a>
        {#if own}<button title="Takes the mark off this thing; undo puts it back" class="link" onclick={takeOff}>Take it off</button>{/if}
        <button title="Back to the proofs; all that was done is kept" class="link" onclick={() => dialog?.close()}>Close</button>
      </p>
    </div>
  </div>
</dialog>

<style>
  dialog {
    width: min(1200px, 95vw);
    max-height: 94vh;
    margin: auto;
    padding: 18px 20px;
    border: 1px solid var(--color-ink);
    background: var(--color-sheet);
  }
  .both {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 270px;
    gap: 22px;
  }
  .picture {
    display: grid;
    place-items: center;
    min-height: 320px;
  }
  .shown {
    position: relative;
    aspect-ratio: var(--wide) / var(--high);
    width: min(100%, calc(82vh * var(--wide) / var(--high)));
  }
  img {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
  }
  .loading img:not(.bare) {
    opacity: 0.75;
  }
  .ways {
    display: flex;
    gap: 18px;
    padding-top: 14px;
  }
  @media (max-width: 760px) {
    .both {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
