<script lang="ts">
  import { unite, type DrawnPicture } from '$core/index';
  import Choice from '$lib/ui/Choice.svelte';
  import MarkPicture from '$lib/ui/MarkPicture.svelte';
  import SvgGroup from '$lib/ui/SvgGroup.svelte';
  import { useTable } from './table/table.svelte';
  import type { Kept } from './table/tries.svelte';

  const { kept }: { kept: Kept } = $props();
  const table = useTable();

  let way: 'side' | 'over' = $state('side');
  const now = $derived(table.desk.stage);
  const other = $derived(table.desk.others.get(kept.id));
  const box = $derived(unite(now?.ink, other?.ink));
  const layers = $derived([
    { name: 'now', picture: now },
    { name: 'other', picture: other },
  ] satisfies readonly { name: string; picture: DrawnPicture | undefined }[]);

  function choose(): void {
    table.open.commit(`Choose ${kept.name}`.slice(0, 120), kept.recipe);
    table.selectedId = undefined;
    table.tries.comparedId = undefined;
  }
</script>

<div class="compare" role="region" aria-label="Compare with {kept.name}">
  <div class="line">
    <Choice
      label="Compare"
      hint="How the two versions are laid beside or over each other"
      value={way}
      options={[
        { value: 'side', label: 'side by side' },
        { value: 'over', label: 'laid over' },
      ]}
      choose={(next) => (way = next)}
    />
    <label class="name">
      <span class="off-screen">Name of the try</span>
      <input
        title="What this try is called"
        value={kept.name}
        maxlength="80"
        onchange={(event) => table.tries.rename(kept, event.currentTarget.value)}
      />
    </label>
    <div class="acts">
      <button title="This try becomes the mark; undo brings the mark back" class="primary" onclick={choose}>Make it the mark</button>
      <button title="The try goes; right after, it can be brought back" onclick={() => table.tries.remove(kept)}>Remove this try</button>
      <button title="Back to the mark alone" onclick={() => (table.tries.comparedId = undefined)}>Close</button>
    </div>
  </div>
  {#if way === 'side'}
    <div class="side">
      <figure style:background={table.palette.paper}>
        <MarkPicture picture={now} label="The mark now" air={0.06} />
        <figcaption class="quiet">now</figcaption>
      </figure>
      <figure style:background={table.palette.paper}>
        <MarkPicture picture={other} label={kept.name} air={0.06} />
        <figcaption class="quiet">{kept.name}</figcaption>
      </figure>
    </div>
  {:else if box}
    <figure class="over" style:background={table.palette.paper}>
      <svg
        viewBox="{box.left - 12} {box.top - 12} {box.right - box.left + 24} {box.bottom - box.top + 24}"
        role="img"
        aria-label="The mark now in ink, {kept.name} over it in plum"
      >
        {#each layers as { name, picture } (name)}
          <g class={name}
            >{#each picture?.groups ?? [] as group (group.id)}<SvgGroup {group} />{/each}</g
          >
        {/each}
      </svg>
    </figure>
  {/if}
</div>

<style>
  .compare {
    position: absolute;
    z-index: 5;
    inset: 0;
    display: grid;
    grid-template-rows: auto minmax(0, 1fr);
    gap: 12px;
    padding: 12px 18px 18px;
    background: var(--color-paper);
  }
  .line {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 18px;
    white-space: nowrap;
  }
  .name input {
    width: 130px;
    padding: 4px 8px;
    border: 1px solid var(--color-rule);
    background: var(--color-sheet);
    font-size: 13px;
  }
  .acts {
    display: flex;
    gap: 16px;
  }
  .primary {
    color: var(--color-plum);
    font-weight: 700;
  }
  .side {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 14px;
    min-height: 0;
  }
  figure {
    display: grid;
    grid-template-rows: minmax(0, 1fr) auto;
    min-height: 0;
    padding: 18px;
    border: 1px solid var(--color-rule);
  }
  figcaption {
    font-size: 12px;
    text-align: center;
  }
  .over svg {
    width: 100%;
    height: 100%;
  }
  .over :global(path) {
    fill: var(--color-ink);
    fill-opacity: 0.55;
  }
  .over .other :global(path) {
    fill: var(--color-plum);
    fill-opacity: 0.6;
  }
</style>
