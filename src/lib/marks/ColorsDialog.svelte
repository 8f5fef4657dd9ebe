<script lang="ts">
  import { Button, Modal } from 'flowbite-svelte';
  import type { Palette } from '$core/index';
  import { request, sentences } from '$lib/client/request';
  import ColorFields from '$lib/ui/ColorFields.svelte';
  import { useTable } from './table/table.svelte';

  interface Props {
    open?: boolean;
    /** The palette as saved, and its number. */
    saved: Palette;
    number: number;
  }
  let { open = $bindable(false), saved, number }: Props = $props();
  const table = useTable();

  // the dialog keeps its own account from here on
  // svelte-ignore state_referenced_locally
  let base: { readonly number: number; readonly colors: Palette } = $state.raw({ number, colors: saved });
  let before: Palette | undefined = $state.raw();
  let valid = $state(true);
  let fault = $state('');

  async function save(colors: Palette, leave: boolean): Promise<void> {
    const answer = await request<{ paletteNumber: number; palette: Palette }>('PUT', `/api/brands/${table.brand.slug}/palette`, {
      base: base.number,
      colors,
    });
    if (answer.ok) {
      before = base.colors;
      base = { number: answer.value.paletteNumber, colors: answer.value.palette };
      table.palette = base.colors;
      fault = '';
      if (leave) open = false;
      return;
    }
    fault = sentences(answer.problems);
    const { current } = answer.body as { current?: { number: number; colors: Palette } };
    if (current) base = current;
  }
  function closed(): void {
    table.palette = base.colors; // What was tried and not saved goes back.
  }
</script>

<Modal bind:open title="Colors of {table.brand.name}" size="xs" autoclose={false} onclose={closed}>
  <p class="quiet mb-2">Every mark, proof and file of the brand follows these at once.</p>
  {#key base.number}<ColorFields palette={table.palette} change={(next) => (table.palette = next)} bind:valid />{/key}
  {#if fault}<p class="mt-2 text-rust" role="alert">{fault}</p>{/if}
  <div class="mt-4 flex items-center justify-end gap-3">
    {#if before}<button class="link mr-auto" onclick={() => before && save(before, false)}>Back to the colors before</button>{/if}
    <Button color="alternative" onclick={() => (open = false)}>Cancel</Button>
    <Button disabled={!valid} onclick={() => save(table.palette, true)}>Save colors</Button>
  </div>
</Modal>
