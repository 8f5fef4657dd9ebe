<script lang="ts">
  import {
    ANCHORS,
    dress,
    dressingsOf,
    hasDressing,
    STAMP_BLENDS,
    STAMP_EDGES,
    swatchesOf,
    TONES,
    type Dressing,
    type Stamp,
    type ToneWish,
  } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import { usePhotosDesk } from './photos-desk.svelte';

  const { stamp }: { stamp: Stamp } = $props();
  const desk = usePhotosDesk();
  /** As it lies on the photo that is looked at. */
  const placed = $derived(desk.placedStamp ?? stamp);
  const TONE_LABELS: Record<(typeof TONES)[number], string> = {
    auto: 'chosen from the picture',
    light: 'light',
    dark: 'dark',
    full: 'a colorway of the mark',
  };
  const BLEND_LABELS: Record<Stamp['blend'], string> = {
    normal: 'as it is',
    multiply: 'multiply',
    screen: 'screen',
    overlay: 'overlay',
    'soft-light': 'soft light',
  };
  const EDGE_LABELS: Record<Stamp['edge'], string> = { none: 'none', line: 'a thin line', halo: 'a soft rim' };
  const tones = $derived([
    ...TONES.map((value) => ({ value: value as string, label: TONE_LABELS[value] })),
    ...swatchesOf(desk.brand.palette).map(({ key, name }) => ({ value: key as string, label: name })),
  ]);
  const place = (gesture: string, change: Parameters<typeof desk.withPlace>[1]) => desk.change(gesture, desk.withPlace(stamp.id, change));
</script>

<div class="fields">
  <fieldset class="anchors">
    <legend class="quiet">Place</legend>
    <span class="nine">
      {#each ANCHORS as anchor (anchor)}
        <label class:current={placed.anchor === anchor} title={anchor.replace('-', ' ')}>
          <input
            title="Where on the photo the stamp stands"
            class="over-label"
            type="radio"
            name="anchor-{stamp.id}"
            aria-label={anchor.replace('-', ' ')}
            checked={placed.anchor === anchor}
            onchange={() => place('Place the stamp', { anchor })}
          />
        </label>
      {/each}
    </span>
    <span class="ways">
      <button class="link" title="A calm area away from what matters, on each chosen photo" onclick={() => desk.placeEach('quiet')}
        >Where it is calm</button
      >
      <button
        class="link"
        title="Where most happens: it cannot be cut off or painted over, on each chosen photo"
        onclick={() => desk.placeEach('unremovable')}>Across the subject</button
      >
      <label class="only"
        ><input title="What you change is for this photo alone" type="checkbox" bind:checked={desk.onlyHere} /> only this photo</label
      >
    </span>
  </fieldset>
  <AmountField
    label="Size"
    hint="Longer side of its ink, of the photo’s shorter side"
    value={placed.sizePercent}
    unit="%"
    min={1}
    max={300}
    preview={(sizePercent) => desk.work.preview(desk.withPlace(stamp.id, { sizePercent }))}
    commit={() => desk.work.commit('Size the stamp')}
  />
  <AmountField
    label="Margin"
    hint="Clear room to the edges, of the photo’s shorter side"
    value={placed.marginPercent}
    unit="%"
    min={0}
    max={40}
    preview={(marginPercent) => desk.work.preview(desk.withPlace(stamp.id, { marginPercent }))}
    commit={() => desk.work.commit('Change the margin')}
  />
  <AmountField
    label="Turn"
    hint="Clockwise"
    value={placed.turnDeg}
    unit="°"
    min={-360}
    max={360}
    preview={(turnDeg) => desk.work.preview(desk.withPlace(stamp.id, { turnDeg }))}
    commit={() => desk.work.commit('Turn the stamp')}
  />
  <AmountField
    label="Opacity"
    hint="How much of it is seen; parts keep their own in proportion"
    value={stamp.opacityPercent}
    unit="%"
    min={1}
    max={100}
    step={5}
    preview={(opacityPercent) => desk.work.preview(desk.withStamp(stamp.id, { opacityPercent }))}
    commit={() => desk.work.commit('Change the opacity')}
  />
  <Pick
    label="Tone"
    hint="What it is painted in; chosen from the picture, it takes the one that stands out more"
    options={tones}
    value={stamp.tone as string}
    choose={(tone) => desk.change('Change the tone', desk.withStamp(stamp.id, { tone: tone as ToneWish }))}
  />
  {#if stamp.tone === 'full'}
    <Pick
      label="Colorway"
      hint="Which of the mark’s colorways lies on the photos"
      options={dressingsOf(desk.brand.palette).map((value) => ({ value: value as string, label: dress(desk.brand.palette, value).label }))}
      value={(hasDressing(desk.brand.palette, stamp.dressing) ? stamp.dressing : 'full') as string}
      choose={(dressing) => desk.change('Choose the colorway', desk.withStamp(stamp.id, { dressing: dressing as Dressing }))}
    />
  {/if}
  <Pick
    label="Laid over"
    hint="How its colors meet those of the photo"
    options={STAMP_BLENDS.map((value) => ({ value, label: BLEND_LABELS[value] }))}
    value={stamp.blend}
    choose={(blend) => desk.change('Change how it is laid', desk.withStamp(stamp.id, { blend }))}
  />
  <Pick
    label="Edge"
    hint="Sets it off where the photo has its tone"
    options={STAMP_EDGES.map((value) => ({ value, label: EDGE_LABELS[value] }))}
    value={stamp.edge}
    choose={(edge) => desk.change('Change the edge', desk.withStamp(stamp.id, { edge }))}
  />
  <button title="Goes from every photo; undo brings it back" class="link" onclick={() => desk.removeStamp(stamp.id)}
    >Remove this stamp</button
  >
</div>

<style>
  .fields {
    padding: 6px 0 12px 12px;
    border-left: 2px solid var(--color-plum);
  }
  .anchors {
    display: flex;
    gap: 16px;
    padding: 4px 0 8px;
  }
  .anchors legend {
    float: left;
    width: 44px;
  }
  .nine {
    display: grid;
    grid-template-columns: repeat(3, 24px);
    gap: 2px;
  }
  .nine label {
    position: relative;
    width: 24px;
    height: 24px;
    border: 1px solid var(--color-rule);
    background: var(--color-sheet);
  }
  .nine label.current {
    border-color: var(--color-plum);
    background: var(--color-plum);
  }
  .nine label:has(:focus-visible) {
    outline: 2px solid var(--color-plum);
    outline-offset: 2px;
  }
  .ways {
    display: grid;
    justify-items: start;
    align-content: start;
    gap: 3px;
  }
  .ways button {
    text-align: left;
  }
  .only {
    display: flex;
    align-items: center;
    gap: 6px;
  }
  .fields > .link {
    padding-top: 8px;
  }
</style>
