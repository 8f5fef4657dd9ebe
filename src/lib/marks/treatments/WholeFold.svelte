<script lang="ts">
  import { DAYLIGHT, heightOf, IDENTITY, type Light } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Fold from '$lib/ui/Fold.svelte';
  import { useTable } from '../table/table.svelte';
  import type { TreatmentDesk } from './treatment-desk';
  import ListWithLooks from './ListWithLooks.svelte';

  const table = useTable();
  const list = $derived(table.treating.whole);
  const light = $derived(table.open.recipe.whole?.light ?? DAYLIGHT);
  const desk: TreatmentDesk = {
    get list() {
      return list;
    },
    get heightPx() {
      const ink = table.desk.stage?.ink;
      return ink ? heightOf(ink) : 90;
    },
    preview: (edit) => table.treating.previewWhole(edit),
    commit: (gesture) => table.commit(gesture),
    plane: () => IDENTITY,
    box: () => table.desk.stage?.ink,
  };
  let open = $state(false);
  // A treatment that was added from elsewhere shows its numbers.
  $effect(() => {
    if (table.wholeTreatment !== undefined) open = true;
  });
  function lit(change: Partial<Light>): void {
    table.previewRecipe({
      ...table.open.recipe,
      whole: { ...table.open.recipe.whole, treatments: [...list], light: { ...light, ...change } },
    });
  }
  const notices = $derived(table.desk.stage?.wholeNotices ?? []);
</script>

<div class="whole">
  <Fold label="Whole mark" summary={list.length === 0 ? '' : `${list.length} ${list.length === 1 ? 'treatment' : 'treatments'}`} bind:open>
    {#each notices as notice (notice.code)}<p class="notice">{notice.message} {notice.fix}</p>{/each}
    <ListWithLooks {desk} of="the whole mark" bind:opened={table.wholeTreatment} />
    <div class="two">
      <AmountField
        label="Light from"
        hint="Where the light of all etched parts comes from: −135 is the upper left"
        unit="°"
        min={-360}
        max={360}
        step={5}
        value={light.fromDeg}
        preview={(fromDeg) => lit({ fromDeg })}
        commit={() => table.commit('Light')}
      />
      <AmountField
        label="Light height"
        hint="How high the light stands: 90 falls straight on the sheet"
        unit="°"
        min={5}
        max={90}
        step={5}
        value={light.heightDeg}
        preview={(heightDeg) => lit({ heightDeg })}
        commit={() => table.commit('Light')}
      />
    </div>
  </Fold>
</div>

<style>
  .whole {
    overflow-y: auto;
    flex: none;
    max-height: 50%;
    padding: 4px 16px 0;
    border-top: 1px solid var(--color-rule);
  }
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    column-gap: 14px;
  }
  .notice {
    color: var(--color-amber);
    font-size: 12px;
  }
</style>
