<script lang="ts">
  import { contrastRatio, LEGIBILITY, legibility, legibleNear, swatchesOf, type ColorKey } from '$core/index';
  import { useColorDesk } from './color-desk.svelte';

  const desk = useColorDesk();
  const swatches = $derived(swatchesOf(desk.palette));
  let pair: { readonly on: ColorKey; readonly under: ColorKey } = $state.raw({ on: 'lead', under: 'paper' });
  const find = (key: ColorKey) => swatches.find((swatch) => swatch.key === key) ?? swatches[0];
  const on = $derived(find(pair.on));
  const under = $derived(find(pair.under));
  const ratio = $derived(on && under ? contrastRatio(on.hex, under.hex) : 1);
  const suggestions = $derived(
    on && under
      ? ([LEGIBILITY.large, LEGIBILITY.text] as const).flatMap(({ least, label }) => {
          const found = ratio < least ? legibleNear(on.hex, under.hex, least) : undefined;
          return found ? [{ ...found, least, label }] : [];
        })
      : [],
  );
  const SHORT = { text: 'text', large: 'marks', none: '' } as const;

  function use(hex: `#${string}`): void {
    desk.choose(pair.on);
    desk.paint(hex);
  }
</script>

<section aria-label="Contrast">
  <p class="quiet">
    Each color on each ground, by the published formula. “Text” may be set in any size from {LEGIBILITY.text.least} : 1; “marks”, and text from
    24 px, from {LEGIBILITY.large.least} : 1.
  </p>
  <div class="scroll">
    <table>
      <thead>
        <tr
          ><th scope="col"><span class="off-screen">Color</span></th>
          {#each swatches as { key, name, hex } (key)}<th scope="col" title="on {name}"
              ><span class="chip" style:background={hex}></span><span class="off-screen">on {name}</span></th
            >{/each}</tr
        >
      </thead>
      <tbody>
        {#each swatches as one (one.key)}
          <tr>
            <th scope="row">{one.name}</th>
            {#each swatches as ground (ground.key)}
              {@const value = contrastRatio(one.hex, ground.hex)}
              {@const use = legibility(value)}
              <td>
                {#if one.key !== ground.key}
                  <button
                    class={use}
                    class:open={pair.on === one.key && pair.under === ground.key}
                    style:background={ground.hex}
                    style:color={one.hex}
                    title="{one.name} on {ground.name}: {value.toFixed(2)} to 1, {LEGIBILITY[use].label}"
                    aria-label="{one.name} on {ground.name}: {value.toFixed(1)} to 1, {LEGIBILITY[use].label}"
                    onclick={() => (pair = { on: one.key, under: ground.key })}
                    ><span class="figure">{value.toFixed(1)}</span><span class="for">{SHORT[use]}</span></button
                  >
                {/if}
              </td>
            {/each}
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
  {#if on && under && on.key !== under.key}
    <div class="pair" style:background={under.hex} style:color={on.hex}>
      <span class="big">{on.name} on {under.name}</span>
      <span class="small">The same in a small size, as it stands in a caption</span>
    </div>
    <p>
      <strong>{ratio.toFixed(2)} : 1</strong>, enough for {LEGIBILITY[legibility(ratio)].label === LEGIBILITY.none.label
        ? 'nothing that is read'
        : LEGIBILITY[legibility(ratio)].label}.
    </p>
    {#each suggestions as { hex, ratio: reached, keepsChroma, label, least } (least)}
      <p class="suggestion">
        <span class="chip" style:background={hex}></span>
        <button class="link" onclick={() => use(hex)}>Make {on.name} {hex}</button>
        <span class="quiet"
          >{reached.toFixed(2)} : 1, enough for {label}; hue {keepsChroma
            ? 'and chroma kept'
            : 'kept, chroma lowered to what a screen has'}</span
        >
      </p>
    {/each}
    {#if ratio < LEGIBILITY.text.least && suggestions.length === 0}<p class="quiet">
        No lightness of {on.name} stands out enough from {under.name}.
      </p>{/if}
  {/if}
</section>

<style>
  .scroll {
    overflow-x: auto;
    margin: 10px 0;
  }
  table {
    border-collapse: separate;
    border-spacing: 2px;
  }
  th[scope='row'] {
    max-width: 84px;
    overflow: hidden;
    padding-right: 8px;
    font-weight: 400;
    font-size: 12px;
    text-align: left;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .chip {
    display: inline-block;
    width: 24px;
    height: 14px;
    border: 1px solid var(--color-rule);
  }
  td button {
    display: grid;
    place-content: center;
    width: 56px;
    height: 40px;
    line-height: 1.15;
    outline: 1px solid var(--color-rule);
  }
  td button.open {
    outline: 2px solid var(--color-plum);
  }
  td button:focus-visible {
    outline: 3px solid var(--color-plum);
  }
  .figure {
    font-weight: 600;
  }
  .for {
    font-size: 10px;
  }
  .pair {
    display: grid;
    gap: 2px;
    padding: 14px 16px;
    border: 1px solid var(--color-rule);
  }
  .big {
    font: 500 24px/1.2 var(--font-serif);
  }
  .small {
    font-size: 12px;
  }
  .suggestion {
    display: flex;
    align-items: baseline;
    gap: 8px;
    padding-top: 6px;
  }
  section p {
    margin-top: 6px;
  }
</style>
