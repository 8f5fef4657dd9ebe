<script lang="ts">
  import { VEIL_TONES, type Veil } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Choice from '$lib/ui/Choice.svelte';
  import { usePhotosDesk } from './photos-desk.svelte';

  const desk = usePhotosDesk();
  const veil = $derived(desk.content.veil);
  const opacity = $derived(desk.here?.veilOpacityPercent ?? veil.opacityPercent);
  const TONE_LABELS: Record<Veil['tone'], string> = { two: 'both', light: 'light', dark: 'dark' };
  let wanted = $state(80);
  let busy = $state(false);

  type Numbers = 'sizePercent' | 'acrossPercent' | 'downPercent' | 'angleDeg' | 'offsetPercent' | 'jitterPercent' | 'followPercent';
  const numbers: readonly {
    readonly key: Numbers;
    readonly label: string;
    readonly hint: string;
    readonly min: number;
    readonly max: number;
    readonly unit: string;
  }[] = [
    { key: 'sizePercent', label: 'Size', hint: 'Width of one repetition, of the photo’s shorter side', min: 6, max: 120, unit: '%' },
    { key: 'acrossPercent', label: 'Room across', hint: 'Between repetitions along a row, of their width', min: 0, max: 300, unit: '%' },
    { key: 'downPercent', label: 'Room down', hint: 'Between rows, of a repetition’s width', min: 0, max: 300, unit: '%' },
    { key: 'angleDeg', label: 'Angle', hint: 'Clockwise', min: -90, max: 90, unit: '°' },
    { key: 'offsetPercent', label: 'Row offset', hint: 'How far every other row is moved along', min: 0, max: 100, unit: '%' },
    {
      key: 'jitterPercent',
      label: 'Stray',
      hint: 'How far repetitions leave their places, within the room between them',
      min: 0,
      max: 50,
      unit: '%',
    },
    {
      key: 'followPercent',
      label: 'Follow the picture',
      hint: 'Stronger over calm places, weaker over busy ones',
      min: 0,
      max: 100,
      unit: '%',
    },
  ];
  function changeOpacity(opacityPercent: number): void {
    const photo = desk.current?.id;
    // A photo with an opacity of its own keeps one.
    if (photo && desk.here?.veilOpacityPercent !== undefined)
      desk.work.preview(desk.withException(photo, (own) => ({ ...own, veilOpacityPercent: opacityPercent })));
    else desk.work.preview(desk.withVeil({ opacityPercent }));
  }
  async function thin(): Promise<void> {
    busy = true;
    await desk.thinVeil(wanted / 100);
    busy = false;
  }
</script>

<div class="fields">
  <label class="line"
    ><span class="quiet">Line</span><input
      title="Words that are repeated over the whole photo"
      class="lone-field"
      maxlength="60"
      value={veil.text}
      placeholder="or choose a mark"
      oninput={(event) => desk.work.preview(desk.withVeil({ text: event.currentTarget.value.slice(0, 60) }))}
      onchange={() => desk.work.commit('Write the veil')}
    /></label
  >
  {#if veil.text.trim() === ''}
    <label class="line"
      ><span class="quiet">Mark</span><select
        title="A mark that is repeated over the whole photo"
        class="lone-field"
        value={veil.mark}
        onchange={(event) => desk.change('Choose the veil’s mark', desk.withVeil({ text: '', mark: event.currentTarget.value }))}
        ><option value="">none</option>{#each desk.offered as mark (mark.id)}<option value={mark.id}>{mark.name}</option>{/each}</select
      ></label
    >
  {/if}
  <AmountField
    label="Opacity"
    hint="Common practice: 10 to 20 %"
    value={opacity}
    unit="%"
    min={1}
    max={60}
    preview={changeOpacity}
    commit={() => desk.work.commit('Change the veil’s opacity')}
  />
  {#each numbers as { key, label, hint, min, max, unit } (key)}
    <AmountField
      {label}
      {hint}
      {min}
      {max}
      {unit}
      value={veil[key]}
      preview={(value) => desk.work.preview(desk.withVeil({ [key]: value }))}
      commit={() => desk.work.commit(`Change the veil: ${label.toLowerCase()}`)}
    />
  {/each}
  <Choice
    label="Tone"
    hint="Both stay visible over sky and shadow"
    options={VEIL_TONES.map((value) => ({ value, label: TONE_LABELS[value] }))}
    value={veil.tone}
    choose={(tone) => desk.change('Change the veil’s tone', desk.withVeil({ tone }))}
  />
  <label class="check"
    ><input
      title="Only whole marks, none that an edge cuts"
      type="checkbox"
      checked={veil.whole}
      onchange={(event) => desk.change('Change the veil’s edges', desk.withVeil({ whole: event.currentTarget.checked }))}
    /> leave out what the edge would cut</label
  >
  <p class="least">
    <button
      title="The faintest veil that still protects so much of the photo; it is measured"
      class="link"
      disabled={busy}
      onclick={() => void thin()}>{busy ? 'Measuring …' : 'Lowest opacity'}</button
    >
    <label
      >that protects <input
        title="How much of the photo must be hard to use without the veil"
        class="lone-field"
        type="number"
        min="5"
        max="100"
        step="5"
        bind:value={wanted}
        aria-label="Share to protect, in percent"
      /> %</label
    >
  </p>
</div>

<style>
  .fields {
    padding: 6px 0 8px 12px;
    border-left: 2px solid var(--color-plum);
  }
  .line {
    display: flex;
    align-items: center;
    gap: 10px;
    padding-bottom: 6px;
  }
  .line span {
    width: 40px;
  }
  .line .lone-field {
    flex: 1;
    min-width: 0;
  }
  .check {
    display: flex;
    align-items: center;
    gap: 8px;
    padding-top: 8px;
  }
  .least {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 4px 8px;
    padding-top: 8px;
  }
  .least input {
    width: 66px;
    height: 28px;
  }
</style>
