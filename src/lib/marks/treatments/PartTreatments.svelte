<script lang="ts">
  import type { KnownPart } from '$core/index';
  import Fold from '$lib/ui/Fold.svelte';
  import { useTable } from '../table/table.svelte';
  import type { TreatmentDesk } from './treatment-desk';
  import ReadyLooks from './ReadyLooks.svelte';
  import TreatmentList from './TreatmentList.svelte';

  const { part }: { part: KnownPart } = $props();
  const table = useTable();
  const list = $derived(part.treatments ?? []);
  const desk: TreatmentDesk = {
    get list() {
      return list;
    },
    get heightPx() {
      return table.treating.heightOf(part.id);
    },
    preview: (edit) => table.treating.preview(part.id, edit),
    commit: (gesture) => table.commit(gesture),
  };
</script>

<Fold label="Treatments" summary={list.length === 0 ? '' : String(list.length)}>
  <TreatmentList {desk} of={table.nameOf(part)} />
  <ReadyLooks {part} />
</Fold>
