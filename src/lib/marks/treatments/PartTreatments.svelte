<script lang="ts">
  import type { KnownPart } from '$core/index';
  import Fold from '$lib/ui/Fold.svelte';
  import { useTable } from '../table/table.svelte';
  import type { TreatmentDesk } from './treatment-desk';
  import BrandLooks from './BrandLooks.svelte';
  import ReadyLooks from './ReadyLooks.svelte';
  import ListWithLooks from './ListWithLooks.svelte';

  const { part }: { part: KnownPart } = $props();
  const table = useTable();
  const list = $derived(part.treatments ?? []);
  let open = $state(false);
  // A treatment that was added from elsewhere shows its numbers.
  $effect(() => {
    if (table.treatment !== undefined) open = true;
  });
  const desk: TreatmentDesk = {
    get list() {
      return list;
    },
    get heightPx() {
      return table.treating.heightOf(part.id);
    },
    preview: (edit) => table.treating.preview(part.id, edit),
    commit: (gesture) => table.commit(gesture),
    plane: () => table.resolved(part.id)?.transform,
    box: () => table.resolved(part.id)?.ownInk,
  };
</script>

<Fold label="Treatments" summary={list.length === 0 ? '' : String(list.length)} bind:open>
  <ListWithLooks {desk} of={table.nameOf(part)} bind:opened={table.treatment} />
  <BrandLooks {part} />
  <ReadyLooks {part} />
</Fold>
