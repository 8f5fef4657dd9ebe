<script lang="ts">
  import Layers from '@lucide/svelte/icons/layers';
  import Copy from '@lucide/svelte/icons/copy';
  import DropletOff from '@lucide/svelte/icons/droplet-off';
  import Trash from '@lucide/svelte/icons/trash';
  import { isKnown, SHOWN_UNITS } from '$core/index';
  import Menu from '$lib/ui/Menu.svelte';
  import Several from '$lib/ui/Several.svelte';
  import { menuItems } from '../table/part-actions';
  import { lengths } from '$lib/ui/shown-unit.svelte';
  import { dressingFor, grounds, type Ground } from './grounds';
  import type { StageView } from './stage-view.svelte';
  import { useTable } from '../table/table.svelte';

  interface Props {
    view: StageView;
    ground: Ground;
    changeGround: (ground: Ground) => void;
    apart: boolean;
    /** Whether the mark is dressed for its ground, and how that is changed. */
    dressed: boolean;
    dress: () => void;
    tellApart: () => void;
    showFiles: () => void;
    showColors: () => void;
  }
  const { view, ground, changeGround, dressed, dress, apart, tellApart, showFiles, showColors }: Props = $props();
  const table = useTable();

  const all = $derived(grounds(table.palette));
  const keyOf = (of: Ground) => (of.kind === 'clear' ? 'clear' : of.kind === 'color' ? (of.role ?? of.color) : of.photo.name);
  const selected = $derived(table.selected);
</script>

<div class="line">
  {#if selected && isKnown(selected)}
    <div role="toolbar" aria-label="For what is selected">
      <Menu label="Arrange" hint="Edges, centers, equal gaps and sizes of what is chosen" items={menuItems('Arrange', table)} />
      <Menu label="Combine" hint="Groups, shapes united and cut, symbol and name" items={menuItems('Combine', table)} />
      <Menu label="Repeat" hint="Mirrored and repeated copies that stay live" items={menuItems('Repeat', table)} />
      {#if 'members' in selected}<button
          title="Takes the group apart; its parts stay where they are"
          onclick={() => table.openTaker(selected)}>Open</button
        >{/if}
      <button onclick={() => table.step(selected, 1)} title="Forward (Alt ↑)" aria-label="Forward">↑</button>
      <button onclick={() => table.step(selected, -1)} title="Back (Alt ↓)" aria-label="Back">↓</button>
      <button onclick={() => table.duplicateChosen()} title="Duplicate (Ctrl D)" aria-label="Duplicate"><Copy size={15} /></button>
      <button onclick={() => table.removeChosen()} title="Remove (Delete)" aria-label="Remove"><Trash size={15} /></button>
    </div>
  {:else}
    <nav aria-label="Marks of this brand">
      {#each table.beside as mark (mark.id)}
        <a href="/brands/{table.brand.slug}/marks/{mark.slug}" aria-current={mark.id === table.info.id ? 'page' : undefined}>{mark.name}</a>
      {/each}
    </nav>
  {/if}
  <div class="right">
    <Several bind:on={table.several} />
    <button
      aria-pressed={apart}
      class:on={apart}
      title="Every part in a color of its own, on the table only"
      aria-label="Tell parts apart"
      onclick={tellApart}><Layers size={15} /></button
    >
    {#if dressed || dressingFor(ground) !== 'full'}<button
        aria-pressed={dressed}
        class:on={dressed}
        title="Dress the mark for this ground, as its proof is"
        onclick={dress}>Dressed</button
      >{/if}
    <button
      class:link={table.inInk}
      title={table.inInk
        ? 'The mark stands in ink, as it begins; its colors wait underneath'
        : 'Shows the mark in ink alone; its colors wait underneath'}
      aria-label={table.inInk ? undefined : 'Back to ink'}
      onclick={() => table.stand(!table.inInk)}
      >{#if table.inInk}Turn color on{:else}<DropletOff size={15} />{/if}</button
    >
    <button title="The colors of the brand" class="link" onclick={showColors}>Colors</button>
    <fieldset>
      <legend class="off-screen">Ground</legend>
      {#each all as { label, ground: each } (keyOf(each))}
        {@const current = keyOf(each) === keyOf(ground)}
        <label title="ground: {label}" class:current>
          <input
            title="The ground under the mark"
            class="over-label"
            type="radio"
            name="ground"
            value={keyOf(each)}
            checked={current}
            onchange={() => changeGround(each)}
          />
          <span
            class="swatch"
            class:clear-ground={each.kind === 'clear'}
            style:background={each.kind === 'color'
              ? each.color
              : each.kind === 'photo'
                ? `url(${each.photo.address}) center / cover`
                : undefined}
          ></span><span class="off-screen">{label}</span>
        </label>
      {/each}
    </fieldset>
    <button onclick={() => view.fit(table.shownInk)} title="Fit (0)" aria-label="Zoom {Math.round(view.scale * 100)} %, fit to the stage"
      >{Math.round(view.scale * 100)} %</button
    >
    <button
      onclick={() => lengths.next()}
      title="Lengths in {SHOWN_UNITS[lengths.unit].label}; another unit"
      aria-label="{lengths.unit}: lengths in {SHOWN_UNITS[lengths.unit].label}, show another unit">{lengths.unit}</button
    >
    <button title="Saves the mark as a file" class="link" onclick={showFiles}>Files</button>
  </div>
</div>

<style>
  .line {
    display: flex;
    align-items: center;
    flex-wrap: wrap;
    justify-content: space-between;
    gap: 0 14px;
    min-height: 40px;
    padding: 0 16px 0 18px;
    border-bottom: 1px solid var(--color-rule);
    white-space: nowrap;
  }
  nav,
  [role='toolbar'],
  .right {
    display: flex;
    align-items: center;
    gap: 16px;
  }
  /* Where both have no room in one line, each has one of its own. */
  .right,
  [role='toolbar'] {
    flex: none;
    height: 40px;
  }
  .right {
    flex: 1 1 380px;
    justify-content: flex-end;
    min-width: 0;
    gap: 10px;
  }
  [role='toolbar'] {
    gap: 9px;
  }
  [role='toolbar'] button {
    min-width: 24px;
    min-height: 24px;
  }
  nav {
    flex: 1 1 160px;
    min-width: 0;
    overflow-x: auto;
    height: 40px;
  }
  /* Marks and actions take turns in a line of their own: the stage keeps its size, whatever is chosen. */
  @media (max-width: 1250px) {
    nav,
    [role='toolbar'] {
      flex: 1 0 100%;
    }
  }
  nav a {
    color: var(--color-quiet);
  }
  nav a[aria-current] {
    color: var(--color-ink);
    font-weight: 600;
  }
  nav a[aria-current]::before {
    content: '◆ ' / '';
    color: var(--color-plum);
    font-size: 10px;
  }
  [role='toolbar'] button:hover {
    color: var(--color-plum);
  }
  .on {
    color: var(--color-plum);
  }
  /* A palette of many colors scrolls: what stands beside it stays in view. */
  fieldset {
    display: flex;
    gap: 1px;
    min-width: 90px;
    overflow-x: auto;
    scrollbar-width: thin;
  }
  fieldset label {
    position: relative;
    flex: none;
    padding: 2px;
    border: 1px solid transparent;
    cursor: pointer;
  }
  fieldset label.current {
    border-color: var(--color-plum);
  }
  fieldset label:has(:focus-visible) {
    outline: 2px solid var(--color-plum);
  }
  .swatch {
    display: block;
    width: 15px;
    height: 15px;
    border: 1px solid var(--color-quiet);
  }
</style>
