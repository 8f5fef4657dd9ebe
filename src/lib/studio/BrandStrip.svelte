<script lang="ts">
  import { swatchesOf, type Palette, type ScreenPicture } from '$core/index';
  import MarkPicture from '$lib/ui/MarkPicture.svelte';
  import Menu from '$lib/ui/Menu.svelte';
  import type { MenuItem } from '$lib/ui/menu-item';
  import { takeFocus } from '$lib/ui/take-focus';

  /** One picture of a brand's family on its ground. */
  export interface StripCell {
    readonly label: string;
    readonly ground: string;
    readonly address: string;
    readonly picture: ScreenPicture;
  }
  interface Props {
    name: string;
    slug: string;
    about: string;
    palette: Palette;
    cells: readonly StripCell[];
    note: string;
    /** What can be done to the brand. */
    items: readonly MenuItem[];
    renaming: boolean;
    rename: (name: string) => void;
    /** Whether another brand that is shown is called the same. */
    sameName: boolean;
  }
  const { name, slug, about, palette, cells, note, items, renaming, rename, sameName }: Props = $props();
</script>

<article aria-label={name}>
  <div class="pictures">
    {#each cells as cell, index (index)}
      <a class:first={index === 0} href={cell.address} style:background={cell.ground} aria-label="{name}, {cell.label}">
        <MarkPicture picture={cell.picture} label="" />
      </a>
    {/each}
  </div>
  <div class="words">
    <div class="name">
      {#if renaming}
        <input
          title="Enter keeps the name, Escape leaves it as it was"
          aria-label="Name of the brand"
          value={name}
          maxlength="80"
          {@attach takeFocus}
          onblur={(event) => rename(event.currentTarget.value)}
          onkeydown={(event) => {
            if (event.key !== 'Enter' && event.key !== 'Escape') return;
            // The key is not also for whatever has the focus next.
            event.preventDefault();
            if (event.key === 'Enter') event.currentTarget.blur();
            else rename(name);
          }}
        />
      {:else}
        <h2><a href="/brands/{slug}/marks">{name}</a></h2>
      {/if}
      <Menu label="For {name}" sign="⋯" {items} />
    </div>
    {#if sameName}<p class="quiet">Another brand has this name; its address is {slug}.</p>{/if}
    <p class="quiet">{about}</p>
    <div class="swatches">
      {#each swatchesOf(palette) as { key, name: called, hex } (key)}<span title="{called} {hex}" style:background={hex}></span>{/each}
    </div>
    <p class="note quiet">{note}</p>
  </div>
</article>

<style>
  article {
    display: grid;
    grid-template-columns: 862px minmax(0, 1fr);
    gap: 26px;
    padding: 12px 0;
    border-bottom: 1px solid var(--color-ink);
  }
  .pictures {
    display: grid;
    grid-template: 85px 85px / 330px 1fr 1fr;
    gap: 10px 9px;
  }
  .pictures a {
    display: grid;
    place-items: center;
    overflow: hidden;
    padding: 12px 18px;
    border: 1px solid var(--color-rule);
  }
  .pictures a.first {
    grid-row: span 2;
    padding: 24px 30px;
  }
  .pictures a :global(svg) {
    width: 100%;
    height: 100%;
    max-height: 126px;
    min-height: 0;
  }
  .pictures a:hover {
    border-color: var(--color-ink);
  }
  .words {
    display: flex;
    flex-direction: column;
    gap: 4px;
  }
  .name {
    display: flex;
    align-items: start;
    justify-content: space-between;
    gap: 12px;
  }
  .name input {
    min-width: 0;
    flex: 1;
    padding: 4px 8px;
    border: 1px solid var(--color-quiet);
    font: inherit;
  }
  .name :global(button[aria-haspopup]) {
    min-width: 28px;
    height: 28px;
    font-size: 18px;
    line-height: 1;
  }
  .swatches {
    display: flex;
    flex-wrap: wrap;
    margin-top: 6px;
  }
  .swatches span {
    width: 33px;
    height: 33px;
    margin-left: -1px;
    border: 1px solid var(--color-rule);
  }
  .note {
    margin-top: auto;
  }
  @media (max-width: 1180px) {
    article {
      grid-template-columns: 1fr;
    }
  }
</style>
