<script lang="ts">
  import { Modal } from 'flowbite-svelte';
  import MarkList from '$lib/ui/MarkList.svelte';
  import { giveBackFocus } from '$lib/ui/give-back-focus.svelte';
  import { useTable } from './table/table.svelte';

  let { open = $bindable(false) }: { open?: boolean } = $props();
  giveBackFocus(() => open);
  const table = useTable();
</script>

<Modal bind:open title="Marks of {table.brand.name}" size="lg">
  <MarkList
    brand={table.brand}
    marks={table.marks}
    pictures={(id) => (id === table.info.id ? (table.desk.proofs.full ?? table.desk.stage) : table.desk.others.get(id))}
    newest={(mark) => table.recipes.get(mark.id) ?? mark.recipe}
    leave={() => (open = false)}
  />
</Modal>
