<script lang="ts">
  import {
    contrastRatio,
    MOST_SWATCHES,
    parseHex,
    ROLE_USE,
    swatchesOf,
    isRole,
    type ColorKey,
    type Hex,
    type Palette,
    type Swatch,
    type SwatchKey,
  } from '$core/index';
  import { takeFocus } from './take-focus';

  interface Props {
    palette: Palette;
    /** Called with every valid change. */
    change: (palette: Palette) => void;
    /** Whether every field holds a color. */
    valid?: boolean;
    /** How many parts are painted with a swatch; told before it goes. */
    uses?: (key: ColorKey) => number;
  }
  let { palette, change, valid = $bindable(true), uses }: Props = $props();

  const id = $props.id();
  let typed: Partial<Record<ColorKey, string>> = $state({});
  let faults: Partial<Record<ColorKey, string>> = $state({});
  /** The swatch that was added last takes the caret. */
  let fresh: SwatchKey | undefined = $state();
  const swatches = $derived(swatchesOf(palette));
  const more = $derived(palette.more ?? []);

  const put = (key: ColorKey, hex: Hex): Palette =>
    isRole(key) ? { ...palette, [key]: hex } : { ...palette, more: more.map((each) => (each.key === key ? { ...each, hex } : each)) };

  function check(): void {
    valid = swatches.every(({ key }) => !faults[key]);
  }
  function type(key: ColorKey, text: string): void {
    typed[key] = text;
    const hex = parseHex(text);
    faults[key] = hex.ok ? undefined : hex.problems.map((problem) => `${problem.message} ${problem.fix ?? ''}`).join(' ');
    check();
    if (hex.ok) change(put(key, hex.value));
  }
  function rename(key: ColorKey, name: string): void {
    const words = name.trim().slice(0, 40);
    if (words !== '') change({ ...palette, more: more.map((each) => (each.key === key ? { ...each, name: words } : each)) });
  }
  function add(): void {
    const key: SwatchKey = `s-${crypto.randomUUID().replaceAll('-', '').slice(0, 8)}`;
    const swatch: Swatch = { key, name: `Color ${swatches.length + 1}`, hex: palette.lead };
    fresh = key;
    change({ ...palette, more: [...more, swatch] });
  }
  function remove(key: ColorKey): void {
    faults[key] = undefined;
    change({ ...palette, more: more.filter((each) => each.key !== key) });
    check();
  }
</script>

<div class="fields">
  {#each swatches as { key, name, hex } (key)}
    <div class="row">
      <input
        title="Picks the color by eye"
        type="color"
        aria-label="{name}, picked"
        value={hex}
        oninput={(event) => type(key, event.currentTarget.value)}
      />
      {#if isRole(key)}
        <label for="{id}-{key}"><strong>{name}</strong> <span class="quiet">{ROLE_USE[key]}</span></label>
      {:else}
        <input
          title="What this color is called on the sheet and in files"
          class="code called"
          aria-label="Name of {name}"
          value={name}
          maxlength="40"
          autocomplete="off"
          onchange={(event) => rename(key, event.currentTarget.value)}
          {@attach key === fresh ? takeFocus : undefined}
        />
      {/if}
      <input
        title="Its code: six digits after #, or any form that style sheets know"
        class="code"
        id="{id}-{key}"
        aria-label={isRole(key) ? undefined : `${name}, color code`}
        value={typed[key] ?? hex}
        spellcheck="false"
        autocomplete="off"
        aria-invalid={faults[key] !== undefined}
        aria-describedby={faults[key] ? `${id}-${key}-fault` : undefined}
        oninput={(event) => type(key, event.currentTarget.value)}
        onblur={() => (faults[key] ? undefined : (typed[key] = undefined))}
      />
      <span class="quiet contrast" title="contrast with paper"
        >{key === 'paper' ? '' : `${contrastRatio(hex, palette.paper).toFixed(1)} : 1`}</span
      >
      {#if !isRole(key)}
        {@const painted = uses?.(key) ?? 0}
        <button
          class="link"
          title={painted === 0
            ? 'No part of the brand is painted with it'
            : `${painted} ${painted === 1 ? 'part is' : 'parts are'} painted with it and will show as ink`}
          aria-label="Remove {name}{painted === 0 ? '' : `, painted on ${painted} ${painted === 1 ? 'part' : 'parts'}`}"
          onclick={() => remove(key)}>Remove{painted === 0 ? '' : ` (${painted})`}</button
        >
      {/if}
      {#if faults[key]}<p id="{id}-{key}-fault" role="alert">{faults[key]}</p>{/if}
    </div>
  {/each}
</div>
<p class="more">
  {#if swatches.length < MOST_SWATCHES}
    <button title="Another color beside the five roles" class="link" onclick={add}>Add a color</button>
    <span class="quiet">beyond the five that every mark needs; {swatches.length} of {MOST_SWATCHES}</span>
  {:else}
    <span class="quiet">A palette holds {MOST_SWATCHES} colors.</span>
  {/if}
</p>

<style>
  .row {
    display: grid;
    grid-template-columns: 30px minmax(0, 1fr) 96px 56px 76px;
    align-items: center;
    gap: 12px;
    padding: 5px 0;
    border-bottom: 1px solid var(--color-rule);
  }
  input[type='color'] {
    width: 30px;
    height: 26px;
    padding: 0;
    border: 1px solid var(--color-rule);
    background: none;
  }
  input[type='color']::-webkit-color-swatch-wrapper {
    padding: 0;
  }
  input[type='color']::-webkit-color-swatch {
    border: 0;
  }
  .code {
    padding: 4px 6px;
    border: 1px solid var(--color-rule);
    background: var(--color-sheet);
    font-size: 13px;
  }
  .code[aria-invalid='true'] {
    border-color: var(--color-rust);
  }
  .called {
    min-width: 0;
    font-weight: 600;
  }
  .more {
    display: flex;
    align-items: baseline;
    gap: 10px;
    padding: 8px 0;
  }
  .contrast {
    font-size: 12px;
    text-align: right;
  }
  .row p {
    grid-column: 2 / -1;
    color: var(--color-rust);
    font-size: 12px;
  }
</style>
