<script lang="ts">
  import {
    contrastRatio,
    isRole,
    MOST_SWATCHES,
    movedSwatch,
    paletteFaults,
    ROLE_USE,
    swatchesOf,
    type ColorKey,
    type SwatchKey,
  } from '$core/index';
  import { useColorDesk } from './color-desk.svelte';

  const desk = useColorDesk();
  const swatches = $derived(swatchesOf(desk.palette));
  const faults = $derived(paletteFaults(desk.palette));
  const used = (key: ColorKey) =>
    isRole(key) ? (desk.palette.notes?.[key]?.use ?? ROLE_USE[key]) : (desk.palette.notes?.[key]?.use ?? '');
  const more = $derived(desk.palette.more ?? []);
  const placeOf = (key: ColorKey) => more.findIndex((swatch) => swatch.key === key);

  function move(key: SwatchKey, by: -1 | 1): void {
    desk.change('Move a color', movedSwatch(desk.palette, key, by));
  }
  /** Up and down walk through the list, as through any list of choices. */
  function keys(event: KeyboardEvent): void {
    const by = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    if (!by) return;
    event.preventDefault();
    const next = swatches[swatches.findIndex(({ key }) => key === desk.chosen) + by];
    if (!next) return;
    desk.choose(next.key);
    document.getElementById(`swatch-${next.key}`)?.focus();
  }
</script>

<section aria-label="Palette">
  <div class="head">
    <h1>Palette</h1>
    <span class="quiet">{swatches.length} of {MOST_SWATCHES}</span>
  </div>
  <ul>
    {#each swatches as { key, name, hex } (key)}
      <li class:open={key === desk.chosen}>
        <button
          title="Shows its numbers; the up and down keys walk through the list"
          class="take"
          id="swatch-{key}"
          aria-pressed={key === desk.chosen}
          onclick={() => desk.choose(key)}
          onkeydown={keys}
        >
          <span class="chip" style:background={hex}></span>
          <span class="words"
            ><strong>{name}</strong><span class="quiet">{isRole(key) && name !== key ? `${key} · ` : ''}{used(key)}</span></span
          >
          <span class="code"
            >{hex}<span class="quiet">{key === 'paper' ? '' : `${contrastRatio(hex, desk.palette.paper).toFixed(1)} : 1`}</span></span
          >
        </button>
        {#if !isRole(key) && key === desk.chosen}
          <span class="acts">
            <button
              title="One place further up in the palette"
              class="link"
              disabled={placeOf(key) === 0}
              aria-label="Move {name} up"
              onclick={() => move(key, -1)}>Up</button
            >
            <button
              title="One place further down in the palette"
              class="link"
              disabled={placeOf(key) === more.length - 1}
              aria-label="Move {name} down"
              onclick={() => move(key, 1)}>Down</button
            >
            <button
              class="link"
              aria-label="Remove {name}"
              title={desk.uses(key) > 0 ? `${desk.uses(key)} parts are painted with it and will show as ink` : 'No part is painted with it'}
              onclick={() => desk.remove(key)}
              >Remove{desk.uses(key) > 0 ? ` (on ${desk.uses(key)} ${desk.uses(key) === 1 ? 'part' : 'parts'})` : ''}</button
            >
          </span>
        {/if}
      </li>
    {/each}
  </ul>
  <button
    title="Another color beside the five roles"
    class="link add"
    disabled={swatches.length >= MOST_SWATCHES}
    onclick={() => desk.addOne()}>Add a color</button
  >
  {#if faults.length > 0}
    <div class="faults">
      <p class="label">Worth a look <span class="quiet">{faults.length}</span></p>
      {#each faults as fault, at (at)}
        <p>
          <button title="Goes to the color that this is about" class="link" onclick={() => desk.choose(fault.keys.at(-1) ?? 'lead')}
            >{fault.message}</button
          >
          <span class="quiet">{fault.fix}</span>
        </p>
      {/each}
    </div>
  {/if}
  <p class="said" role="status">{desk.said}</p>
</section>

<style>
  /* At the foot of the column, where nothing moves under the hand. */
  .said:not(:empty) {
    position: sticky;
    bottom: -24px;
    margin-top: 18px;
    padding: 8px 0 24px;
    background: var(--color-paper);
    font-weight: 600;
  }
  section {
    overflow-y: auto;
    padding: 18px 18px 24px 22px;
    border-right: 1px solid var(--color-rule);
  }
  .head {
    display: flex;
    align-items: baseline;
    justify-content: space-between;
    margin-bottom: 8px;
  }
  li {
    border-bottom: 1px solid var(--color-rule);
  }
  .take {
    display: grid;
    grid-template-columns: 34px minmax(0, 1fr) auto;
    align-items: center;
    gap: 12px;
    width: 100%;
    padding: 6px 0;
    text-align: left;
  }
  li.open .take {
    box-shadow: inset 3px 0 0 var(--color-plum);
    padding-left: 9px;
  }
  .chip {
    height: 34px;
    border: 1px solid var(--color-rule);
  }
  .words,
  .code {
    display: grid;
    line-height: 1.3;
  }
  .words > * {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .words .quiet,
  .code .quiet {
    font-size: 12px;
  }
  .code {
    font-variant-numeric: tabular-nums;
    text-align: right;
  }
  .acts {
    display: flex;
    gap: 14px;
    padding: 0 0 6px 55px;
  }
  button:disabled {
    cursor: default;
    opacity: 0.4;
  }
  .add {
    padding: 10px 0;
  }
  .faults {
    margin-top: 10px;
    padding-top: 10px;
    border-top: 1px solid var(--color-ink);
  }
  .faults p {
    margin-bottom: 8px;
  }
  .faults .link {
    color: var(--color-amber);
    text-align: left;
  }
</style>
