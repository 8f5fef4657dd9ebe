<script lang="ts">
  import { Button, Input, Label, Modal } from 'flowbite-svelte';
  import { goto } from '$app/navigation';
  import { EMPTY_RECIPE, nameLettering, standing, startingRows, STARTING_PALETTE, writeRecipe, type Palette } from '$core/index';
  import { request, sentences } from '$lib/client/request';
  import ColorFields from '$lib/ui/ColorFields.svelte';
  import { giveBackFocus } from '$lib/ui/give-back-focus.svelte';

  let { open = $bindable(false) }: { open?: boolean } = $props();
  giveBackFocus(() => open);

  let name = $state('');
  let about = $state('');
  let palette: Palette = $state.raw(STARTING_PALETTE);
  let colorsValid = $state(true);
  let fault = $state('');
  let working = $state(false);
  let key = crypto.randomUUID();

  async function create(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    if (working || !colorsValid) return;
    working = true;
    // A first mark with the name set, so that the table is never met empty; brand and mark come together, and once.
    // Black first, color last.
    const recipe = writeRecipe(standing({ ...EMPTY_RECIPE, parts: [nameLettering('name', startingRows(name))] }, true));
    const mark = { name: 'Primary', role: 'primary', gesture: 'Set the name', recipe };
    const made = await request<{ slug: string; mark: { slug: string } }>('POST', '/api/brands', { name, about, palette, key, mark });
    if (made.ok) return goto(`/brands/${made.value.slug}/marks/${made.value.mark.slug}`);
    fault = sentences(made.problems);
    // What was refused was not made: the next try is another request. One whose answer is missing may have been.
    if (made.status >= 400 && made.status < 500) key = crypto.randomUUID();
    working = false;
  }
</script>

<Modal bind:open title="New brand" size="sm" autoclose={false}>
  <form onsubmit={create}>
    <Label for="brand-name">Name</Label>
    <Input
      title="The name as it is written; any script"
      id="brand-name"
      bind:value={name}
      required
      maxlength={80}
      autocomplete="off"
      class="mb-3 mt-1"
    />
    <Label for="brand-about">What they do, in a sentence</Label>
    <Input
      title="One sentence for whoever opens it next year; it can wait"
      id="brand-about"
      bind:value={about}
      maxlength={400}
      autocomplete="off"
      class="mt-1 mb-4"
    />
    <p class="label mb-1">Colors by role</p>
    <ColorFields {palette} change={(next) => (palette = next)} bind:valid={colorsValid} />
    {#if fault}<p class="mt-3 text-rust" role="alert">{fault}</p>{/if}
    <div class="mt-5 flex justify-end gap-3">
      <Button title="Leaves without a new brand" type="button" color="alternative" onclick={() => (open = false)}>Cancel</Button>
      <Button
        title="Makes the brand and its first mark, with the name in it"
        type="submit"
        disabled={working || name.trim() === '' || !colorsValid}>Add brand</Button
      >
    </div>
  </form>
</Modal>
