<script lang="ts">
  import { Button, Modal } from 'flowbite-svelte';
  import type { ColorKey } from '$core/index';
  import { answerUndoKeys, undoOrder } from '$lib/client/work/undo-order';
  import ColorFields from '$lib/ui/ColorFields.svelte';
  import { useTable } from './table/table.svelte';
  import { giveBackFocus } from '$lib/ui/give-back-focus.svelte';

  let { open = $bindable(false) }: { open?: boolean } = $props();
  giveBackFocus(() => open);
  const table = useTable();
  /** How many parts of all marks are painted with a swatch. */
  const uses = (key: ColorKey): number => {
    const painted = `"role":"${key}"`;
    return [...table.recipes.values()].reduce(
      (sum, { parts }) => sum + parts.filter((part) => JSON.stringify(part).includes(painted)).length,
      0,
    );
  };
  const order = undoOrder(() => [table.colors]);
  let valid = $state(true);
  /** Fields are written anew when colors come from elsewhere than from their own keys. */
  let anew = $state(0);

  function save(): void {
    table.colors.commit('Colors');
    open = false;
  }
  function back(): void {
    order.undo();
    anew++;
  }
</script>

<svelte:window onkeydown={(event) => open && answerUndoKeys(event, order) && anew++} />
<Modal bind:open title="Colors of {table.brand.name}" size="sm" autoclose={false} onclose={() => table.colors.cancel()}>
  <p class="quiet mb-2">
    Every mark, proof and file of the brand follows these at once. Harmonies, contrast, print values and palettes side by side are in the
    <a class="link" href="/brands/{table.brand.slug}/color">Color room</a>.
  </p>
  {#key anew}<ColorFields palette={table.palette} {uses} change={(next) => table.colors.preview(next)} bind:valid />{/key}
  <div class="mt-4 flex items-center justify-end gap-3">
    {#if order.next !== undefined}<button title="The colors as they were before the last save" class="link mr-auto" onclick={back}
        >Back to the colors before</button
      >{/if}
    <Button title="Leaves the colors as they are" color="alternative" onclick={() => (open = false)}>Cancel</Button>
    <Button title="Every mark of the brand takes them at once" disabled={!valid} onclick={save}>Save colors</Button>
  </div>
</Modal>
