<script lang="ts">
  import { HARMONIES, HARMONY_NAMES, harmonyOf, tintsOf, type Hex } from '$core/index';
  import { useColorDesk } from './color-desk.svelte';

  const desk = useColorDesk();
  interface Row {
    readonly label: string;
    readonly colors: readonly { readonly hex: Hex; readonly note?: string }[];
    /** What the colors are called when they are added. */
    readonly called: string;
    readonly source?: string;
  }
  const rows: readonly Row[] = $derived([
    { label: 'tints and shades', called: desk.swatch.name, colors: tintsOf(desk.hex).map((hex) => ({ hex })) },
    ...HARMONY_NAMES.map((name) => ({
      label: HARMONIES[name].label,
      called: HARMONIES[name].label,
      colors: harmonyOf(desk.palette.lead, name).map((hex) => ({ hex })),
    })),
  ]);
  const pictures: readonly (Row & { readonly source: string })[] = $derived(
    desk.board.items.flatMap((item) =>
      item.kind === 'picture' && item.colors.length > 0
        ? [
            {
              label: item.takes || item.source || 'picture',
              called: item.takes || 'picture',
              source: item.picture,
              colors: item.colors.map(({ hex, share }) => ({ hex, note: `${Math.round(share * 100)} %` })),
            },
          ]
        : [],
    ),
  );
  const { pictureBase }: { pictureBase: string } = $props();
  /** A click paints the open swatch; with Shift, or by the row's own button, colors are added to the palette. */
  function use(event: MouseEvent, hex: Hex, called: string): void {
    if (event.shiftKey) desk.add([{ name: called, hex }]);
    else desk.paint(hex);
  }
</script>

{#snippet row({ label, colors, called }: Row, source?: string)}
  <div class="row">
    {#if source}<img src="{pictureBase}{source}" alt="" loading="lazy" />{/if}
    <span class="quiet name">{label}</span>
    <span class="chips">
      {#each colors as { hex, note }, at (at)}
        <button
          style:background={hex}
          title="{hex}{note ? `, ${note} of the picture` : ''}: paint {desk.swatch.name} with it; with Shift, add it to the palette"
          aria-label="{hex}, {label}{note ? `, ${note}` : ''}"
          onclick={(event) => use(event, hex, called)}
          >{#if note}<span>{note}</span>{/if}</button
        >
      {/each}
    </span>
    <button
      class="link"
      aria-label="Add all of {label}"
      title="Add all of them to the palette"
      onclick={() =>
        desk.add(
          colors.map(({ hex }, at) => ({ name: `${called} ${at + 1}`, hex })),
          `Add ${label}`,
        )}>Add all</button
    >
  </div>
{/snippet}

<section aria-label="Offered colors">
  <p class="label">From {desk.swatch.name}</p>
  {@render row(rows[0] as Row)}
  <p class="label">Harmonies of the lead</p>
  {#each rows.slice(1) as each (each.label)}{@render row(each)}{/each}
  <p class="label">From the mood board</p>
  {#each pictures as each (each.source)}{@render row(each, each.source)}{:else}
    <p class="quiet">Pictures of the mood board in the Brief room offer their colors here, with their shares.</p>
  {/each}
</section>

<style>
  .label {
    margin-top: 14px;
    padding-bottom: 3px;
    border-bottom: 1px solid var(--color-rule);
  }
  .row {
    display: flex;
    align-items: center;
    gap: 10px;
    padding: 4px 0;
  }
  .name {
    flex: 0 0 128px;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .link {
    white-space: nowrap;
  }
  .chips {
    display: flex;
    flex: 1;
  }
  .chips button {
    flex: 1;
    min-width: 24px;
    height: 26px;
  }
  .chips button:hover {
    outline: 2px solid var(--color-ink);
    outline-offset: -2px;
  }
  .chips span {
    padding: 0 3px;
    background: var(--color-sheet);
    font-size: 10px;
  }
  img {
    width: 40px;
    height: 26px;
    object-fit: cover;
  }
</style>
