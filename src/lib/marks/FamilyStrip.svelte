<script lang="ts">
  import MarkPicture from '$lib/ui/MarkPicture.svelte';
  import FamilyDialog from './FamilyDialog.svelte';
  import StartsPage from './building/StartsPage.svelte';
  import NewMark from './NewMark.svelte';
  import { useTable } from './table/table.svelte';
  import TriesStrip from './TriesStrip.svelte';

  const { keep }: { keep: () => void } = $props();
  const table = useTable();
  const isPiece = $derived(table.info.role === 'piece');
  let adding = $state(false);
  let beginning = $state(false);
  let arranging = $state(false);
</script>

<div class="strip">
  <section aria-label={isPiece ? 'Pieces' : 'Family'}>
    <span class="label side" aria-hidden="true">{isPiece ? 'Pieces' : 'Family'}</span>
    {#each table.beside as mark (mark.id)}
      <a href="/brands/{table.brand.slug}/marks/{mark.slug}" aria-current={mark.id === table.info.id ? 'page' : undefined}>
        <span class="picture"
          ><MarkPicture
            picture={mark.id === table.info.id ? (table.desk.proofs.full ?? table.desk.stage) : table.desk.others.get(mark.id)}
            label=""
          /></span
        >
        <span class="quiet" title={mark.name}>{mark.name.toLowerCase()}</span>
      </a>
    {/each}
    <div>
      {#if isPiece}
        <a class="link" href="/brands/{table.brand.slug}/pieces">All pieces</a>
      {:else}
        <button
          title="A crest, a badge, a submark and more, built from this name; or nothing yet"
          class="link"
          onclick={() => (adding = true)}>Add a mark</button
        >
      {/if}
      <button title="Names, order, archive and what was removed" class="link" onclick={() => (arranging = true)}>All marks</button>
    </div>
  </section>
  <TriesStrip {keep} />
</div>
<StartsPage bind:open={adding} other={() => (beginning = true)} />
<NewMark bind:open={beginning} />
<FamilyDialog bind:open={arranging} />

<style>
  .strip {
    display: flex;
    gap: 14px;
    overflow-x: auto;
    padding: 12px 14px;
    border-top: 1px solid var(--color-rule);
  }
  section {
    display: flex;
    gap: 10px;
  }
  .side {
    align-self: end;
    writing-mode: vertical-rl;
    rotate: 180deg;
  }
  section > a,
  section > div {
    display: grid;
    flex: 0 0 114px;
    grid-template-rows: 1fr auto;
    place-items: center;
    height: 78px;
    padding: 8px 10px 5px;
    border: 1px solid var(--color-rule);
    border-bottom-width: 3px;
    background: var(--color-sheet);
    font-size: 11px;
  }
  section > a[aria-current] {
    border-color: var(--color-ink);
    border-bottom-color: var(--color-plum);
  }
  section > div {
    align-content: center;
    gap: 4px;
    position: sticky;
    right: 0;
    z-index: 1;
    border-style: dashed;
    border-bottom-width: 1px;
    background: var(--color-paper);
    font-size: 13px;
  }
  section > a > .quiet {
    max-width: 100%;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .picture {
    width: 92px;
    height: 42px;
  }
</style>
