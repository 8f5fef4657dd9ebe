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
                    title="{one.name} on {ground.name}: {value.toFixed(2)} to 1, {LEGIBILITY[use].label}"
                    onclick={() => (pair = { on: one.key, under: ground.key })}
                    ><span class="sample" style:background={ground.hex}><span style:background={one.hex}></span></span><span
                      class="off-screen"
                      >{one.name} on {ground.name}:
                    </span><span class="figure">{value.toFixed(1)}</span> <span class="for">{SHORT[use]}</span></button
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
    <svg class="pair" viewBox="0 0 396 76" role="img" aria-label="{on.name} on {under.name}">
      <rect width="396" height="76" fill={under.hex} />
      <g fill={on.hex}>
        <text x="16" y="36" class="big">{on.name} on {under.name}</text>
        <text x="16" y="58" class="small">The same in a small size, as it stands in a caption</text>
      </g>
    </svg>
    <p>
      <strong>{ratio.toFixed(2)} : 1</strong>, enough for {LEGIBILITY[legibility(ratio)].label === LEGIBILITY.none.label
        ? 'nothing that is read'
        : LEGIBILITY[legibility(ratio)].label}.
    </p>
    {#each suggestions as { hex, ratio: reached, keepsChroma, label, least } (least)}
      <p class="suggestion">
        <span class="chip" style:background={hex}></span>
        <button title="The nearest color that passes; undo brings the old one back" class="link" onclick={() => use(hex)}
          >Make {on.name} {hex}</button
        >
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
    grid-template-columns: 1fr 1fr;
    align-content: start;
    gap: 0 4px;
    width: 58px;
    height: 46px;
    line-height: 1.3;
    outline: 1px solid var(--color-rule);
    font-size: 12px;
  }
  td button.open {
    outline: 2px solid var(--color-plum);
  }
  td button:focus-visible {
    outline: 3px solid var(--color-plum);
  }
  .sample {
    display: grid;
    grid-column: 1 / -1;
    place-items: center;
    height: 24px;
  }
  .sample span {
    width: 22px;
    height: 10px;
  }
  .figure {
    padding-left: 4px;
    font-weight: 600;
  }
  td button.none .figure {
    font-weight: 400;
  }
  .for {
    font-size: 10px;
  }
  .pair {
    width: 100%;
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
