<script lang="ts">
  import { Button, Input, Label, Modal, Select } from 'flowbite-svelte';
  import { goto } from '$app/navigation';
  import {
    EMPTY_RECIPE,
    standing,
    standsInInk,
    followingRecipe,
    initialRecipe,
    FAMILY_ROLES,
    nameLettering,
    startingRows,
    writeRecipe,
    type MarkRole,
    type Recipe,
  } from '$core/index';
  import { request, sentences } from '$lib/client/request';
  import { useTable } from './table/table.svelte';
  import { giveBackFocus } from '$lib/ui/give-back-focus.svelte';
  import MayChange from '$lib/ui/MayChange.svelte';

  let { open = $bindable(false) }: { open?: boolean } = $props();
  giveBackFocus(() => open);
  const table = useTable();

  /** How a mark can begin; one row each. */
  interface Beginning {
    readonly id: string;
    readonly label: string;
    readonly name: string;
    readonly role: MarkRole;
    readonly gesture: string;
    readonly recipe: () => Recipe;
  }
  const lettering = $derived(table.parts.find((part) => part.kind === 'lettering'));
  const beginnings = $derived.by((): readonly Beginning[] => {
    const here = table.info.name;
    const first = lettering?.kind === 'lettering' ? lettering : undefined;
    return [
      ...(first
        ? [
            {
              id: 'initial',
              label: `the first letter of ${here}, followed`,
              name: 'Initial',
              role: 'submark' as const,
              gesture: 'Follow the first letter',
              recipe: () => initialRecipe(table.info.id, first),
            },
          ]
        : []),
      {
        id: 'all',
        label: `all of ${here}, followed`,
        name: 'Secondary',
        role: 'secondary',
        gesture: 'Follow all of it',
        recipe: () => followingRecipe(table.info.id, here),
      },
      { id: 'copy', label: `a copy of ${here}`, name: `${here} copy`, role: 'secondary', gesture: 'Copy', recipe: () => table.open.recipe },
      {
        id: 'name',
        label: 'the name, set anew',
        name: 'Secondary',
        role: 'secondary',
        gesture: 'Set the name',
        recipe: () => ({ ...EMPTY_RECIPE, parts: [nameLettering('name', startingRows(table.brand.name))] }),
      },
      { id: 'nothing', label: 'nothing', name: 'Submark', role: 'submark', gesture: 'Begin', recipe: () => EMPTY_RECIPE },
    ];
  });
  let chosen = $state('');
  const beginning = $derived(beginnings.find(({ id }) => id === chosen) ?? beginnings[0]);
  let name = $state('');
  let role: MarkRole | '' = $state('');
  let fault = $state('');
  let working = $state(false);

  async function create(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    if (!beginning || working) return;
    working = true;
    await table.open.flush();
    const mark = await request<{ slug: string }>('POST', `/api/brands/${table.brand.slug}/marks`, {
      name: name.trim() || beginning.name,
      role: role || beginning.role,
      gesture: beginning.gesture,
      recipe: writeRecipe(standing(beginning.recipe(), standsInInk(table.open.recipe))),
    });
    working = false;
    if (mark.ok) return goto(`/brands/${table.brand.slug}/marks/${mark.value.slug}`, { invalidateAll: true });
    fault = sentences(mark.problems);
  }
</script>

<Modal bind:open title="New mark" size="xs" autoclose={false}>
  <form onsubmit={create}>
    <Label for="mark-begins">It begins with</Label>
    <Select
      title="What the new mark begins with"
      id="mark-begins"
      items={beginnings.map(({ id, label }) => ({ value: id, name: label }))}
      value={beginning?.id}
      onchange={(event) => (chosen = (event.currentTarget as HTMLSelectElement).value)}
      placeholder=""
      class="mb-3 mt-1"
    />
    <Label for="mark-name">Name</Label>
    <Input
      title="What the mark is called in the family"
      id="mark-name"
      bind:value={name}
      maxlength={80}
      autocomplete="off"
      placeholder={beginning?.name ?? ''}
      class="mb-3 mt-1"
    />
    <Label for="mark-role">Role in the family</Label>
    <Select
      title="What it is within the family"
      id="mark-role"
      items={FAMILY_ROLES.map((value) => ({ value, name: value }))}
      value={role || beginning?.role}
      onchange={(event) => (role = (event.currentTarget as HTMLSelectElement).value as MarkRole)}
      placeholder=""
      class="mt-1"
    />
    {#if fault}<p class="mt-3 text-rust" role="alert">{fault}</p>{/if}
    <div class="mt-5 flex justify-end gap-3">
      <Button title="Leaves without a new mark" type="button" color="alternative" onclick={() => (open = false)}>Cancel</Button>
      <MayChange><Button title="Makes the mark and opens it" type="submit" disabled={working}>Add mark</Button></MayChange>
    </div>
  </form>
</Modal>
