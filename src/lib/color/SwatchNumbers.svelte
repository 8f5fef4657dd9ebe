<script lang="ts">
  import {
    channelsOf,
    hexOfHsl,
    hslOf,
    isPrintable,
    MOST_CHROMA,
    noted,
    oklchOf,
    parseHex,
    plainCmyk,
    shownColor,
    type Cmyk,
    type Hex,
  } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import { useColorDesk } from './color-desk.svelte';
  import OklchPlane from './OklchPlane.svelte';

  const desk = useColorDesk();
  const id = $props.id();
  const hex = $derived(desk.hex);
  const lch = $derived(oklchOf(hex));
  const hsl = $derived(hslOf(hex));
  const rgb = $derived(Object.values(channelsOf(hex)).map((channel: number) => Math.round(channel * 255)));
  const notes = $derived(desk.palette.notes?.[desk.chosen]);
  const cmyk = $derived(notes?.cmyk ?? plainCmyk(hex));
  const end = () => desk.end();
  let typed: string | undefined = $state();
  let fault = $state('');

  function typeHex(text: string): void {
    typed = text;
    const read = parseHex(text);
    fault = read.ok ? '' : read.problems.map(({ message, fix }) => `${message} ${fix ?? ''}`).join(' ');
    if (read.ok) desk.preview(read.value);
  }
  function leaveHex(): void {
    if (fault === '') typed = undefined;
    desk.end();
  }
  const channel = (at: number, value: number): Hex =>
    `#${rgb
      .map((old, n) =>
        Math.round(n === at ? value : old)
          .toString(16)
          .padStart(2, '0'),
      )
      .join('')}`;
  const ink = (name: keyof Cmyk, value: number) =>
    desk.colors.preview(noted(desk.palette, desk.chosen, { cmyk: { ...cmyk, [name]: Math.round(value) } }));
  const endInk = () => desk.colors.commit(`Print values of ${desk.swatch.name}`);
  const computed = () => desk.change('Computed print values', noted(desk.palette, desk.chosen, { cmyk: undefined }));
</script>

<div class="numbers">
  <OklchPlane />
  <div>
    <label class="hex" for="{id}-hex"
      ><span class="quiet">hex</span>
      <input
        title="Its code for screens: six digits after #, or any form that style sheets know"
        id="{id}-hex"
        aria-label="Color code"
        value={typed ?? hex}
        spellcheck="false"
        autocomplete="off"
        aria-invalid={fault !== ''}
        oninput={(event) => typeHex(event.currentTarget.value)}
        onblur={leaveHex}
        onkeydown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
      /></label
    >
    {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
    {#each ['red', 'green', 'blue'] as name, at (name)}
      <AmountField
        label={name}
        hint="Amount of {name} light, 0 to 255"
        value={rgb[at] ?? 0}
        min={0}
        max={255}
        digits={0}
        preview={(value) => desk.preview(channel(at, value))}
        commit={end}
      />
    {/each}
    <p class="label">OKLCH</p>
    <AmountField
      label="lightness"
      hint="As the eye sees it: equal steps look equal"
      value={lch.l * 100}
      unit="%"
      min={0}
      max={100}
      digits={1}
      preview={(l) => desk.preview(shownColor({ ...lch, l: l / 100 }).hex, true)}
      commit={end}
    />
    <AmountField
      label="chroma"
      hint="How colorful; what no screen shows is brought to the edge"
      value={lch.c}
      min={0}
      max={MOST_CHROMA}
      step={0.005}
      digits={3}
      preview={(c) => desk.preview(shownColor({ ...lch, c, h: desk.hue }).hex, true)}
      commit={end}
    />
    <AmountField
      label="hue"
      hint="Turn around the color wheel"
      value={desk.hue}
      unit="°"
      min={0}
      max={360}
      digits={1}
      preview={(h) => {
        desk.hue = h % 360;
        desk.preview(shownColor({ ...lch, h: desk.hue }).hex, true);
      }}
      commit={end}
    />
  </div>
  <div class="print">
    <p class="label">HSL</p>
    <div class="inks three">
      {#each [['hue', 'h', '°', 360], ['saturation', 's', '%', 100], ['lightness', 'l', '%', 100]] as const as [label, part, unit, max] (part)}
        <AmountField
          {label}
          hint="HSL {label}"
          value={hsl[part]}
          {unit}
          min={0}
          {max}
          digits={0}
          preview={(value) => desk.preview(hexOfHsl({ ...hsl, [part]: value }))}
          commit={end}
        />
      {/each}
    </div>
  </div>
  <div class="print">
    <p class="label">Print</p>
    <div class="inks">
      {#each [['cyan', 'c'], ['magenta', 'm'], ['yellow', 'y'], ['black', 'k']] as const as [label, name] (name)}
        <AmountField
          {label}
          hint="{label} ink in percent"
          value={cmyk[name]}
          unit="%"
          min={0}
          max={100}
          digits={0}
          preview={(value) => ink(name, value)}
          commit={endInk}
        />
      {/each}
    </div>
    <p class="quiet">
      {#if notes?.cmyk}As typed. <button title="Goes back to the ink that is computed from the screen color" class="link" onclick={computed}
          >Compute them instead</button
        >{:else}Computed from the screen color, without a paper or a press; type the printer’s own values over them.{/if}
      {#if !isPrintable(hex)}<strong class="beyond">Process inks do not reach this color: expect it duller, or name a spot color.</strong
        >{/if}
    </p>
    <label class="hex" for="{id}-spot"
      ><span class="quiet">spot color</span>
      <input
        title="The number of the ink that the printer mixes, printed beside the code"
        id="{id}-spot"
        aria-label="Spot color"
        placeholder="as the printer calls it"
        maxlength="80"
        value={notes?.spot ?? ''}
        onchange={(event) =>
          desk.change('Spot color', noted(desk.palette, desk.chosen, { spot: event.currentTarget.value.trim() || undefined }))}
      /></label
    >
  </div>
</div>

<style>
  .numbers {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 168px;
    gap: 6px 22px;
  }
  .label {
    padding: 5px 0 4px;
    border-bottom: 1px solid var(--color-rule);
  }
  .hex {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr);
    align-items: center;
    gap: 10px;
    border-bottom: 1px solid var(--color-rule);
  }
  .hex input {
    padding: 4px 0;
    border: 0;
    background: none;
    font-weight: 600;
    font-size: 13px;
    text-align: right;
  }
  .hex input::placeholder {
    font-weight: 400;
  }
  .hex input[aria-invalid='true'] {
    color: var(--color-rust);
  }
  .fault {
    color: var(--color-rust);
    font-size: 12px;
  }
  .print {
    grid-column: 1 / -1;
  }
  .inks {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(112px, 1fr));
    gap: 0 18px;
  }
  .inks.three {
    grid-template-columns: repeat(3, minmax(0, 1fr));
  }
  .print p.quiet {
    margin: 5px 0;
    font-size: 12px;
  }
  .beyond {
    color: var(--color-amber);
  }
</style>
