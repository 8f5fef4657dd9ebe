<script lang="ts">
  import { membersDeep, topLevel, type Part } from '$core/index';
  import AddField from './AddField.svelte';
  import PartRow from './PartRow.svelte';
  import RightsFold from './RightsFold.svelte';
  import RowList from './RowList.svelte';
  import CanvasFold from './CanvasFold.svelte';
  import WholeFold from './treatments/WholeFold.svelte';
  import { useTable } from './table/table.svelte';

  const table = useTable();
  let addField: AddField | undefined = $state();

  // Known by their ids only, so that the list stands still while a part changes.
  const ids = $derived(
    topLevel(table.open.recipe)
      .map(({ id }) => id)
      .reverse()
      .join(' '),
  );
  const partOf = (id: string): Part | undefined => table.parts.find((part) => part.id === id);

  /** Long recipes are looked through by name; what does not answer is hidden here, nowhere else. */
  const FILTERED_FROM = 8;
  let wanted = $state('');
  const filters = $derived(ids.split(' ').length >= FILTERED_FROM);
  const answers = (id: string): boolean => {
    const part = partOf(id);
    const asked = filters ? wanted.trim().toLowerCase() : '';
    if (asked === '' || !part) return true;
    const within = [part, ...[...membersDeep(table.open.recipe, id)].flatMap((member) => partOf(member) ?? [])];
    return within.some((each) => `${table.nameOf(each)} ${each.kind}`.toLowerCase().includes(asked));
  };
  export const focusAddField = () => addField?.focus();
</script>

{#snippet partRow(part: Part)}<PartRow {part} row={partRow} />{/snippet}

<section aria-label="Recipe">
  <div class="top">
    <p><span class="label">Recipe</span> <span class="quiet">front to back</span></p>
    <AddField bind:this={addField} />
    {#if filters}<input
        title="Only parts whose names hold this"
        class="lone-field"
        type="search"
        aria-label="Filter the parts"
        placeholder="Filter the parts"
        bind:value={wanted}
      />{/if}
  </div>
  <div class="rows"><RowList {ids} taker={undefined} row={partRow} hides={(id) => !answers(id)} /></div>
  {#if ids === ''}<p class="empty quiet">
      The parts of this mark will stand here, front on top. Type “lettering” above to set a name.
    </p>{/if}
  {#if ids !== ''}{#if table.open.recipe.whole?.canvas}<CanvasFold canvas={table.open.recipe.whole.canvas} />{/if}
    <WholeFold /><RightsFold />{/if}
</section>

<style>
  section {
    display: flex;
    flex-direction: column;
    min-height: 0;
    border-right: 1px solid var(--color-rule);
    background: var(--color-sheet);
  }
  .top {
    padding: 10px 16px;
    border-bottom: 1px solid var(--color-rule);
  }
  .top p {
    margin-bottom: 6px;
  }
  .top .lone-field {
    width: 100%;
    height: 28px;
    margin-top: 6px;
  }
  .rows {
    overflow-y: auto;
    flex: 0 1 auto;
    min-height: 0;
  }
  .empty {
    padding: 24px 16px;
  }
</style>
