<script lang="ts">
  import { Button, Modal } from 'flowbite-svelte';
  import { goto } from '$app/navigation';
  import {
    BUILDER_NAMES,
    builderRow,
    EMPTY_RECIPE,
    standing,
    standsInInk,
    writeRecipe,
    type BuilderName,
    type BuilderStart,
    type MarkRole,
    type Recipe,
    type ScreenPicture,
  } from '$core/index';
  import { request, sentences } from '$lib/client/request';
  import { giveBackFocus } from '$lib/ui/give-back-focus.svelte';
  import MarkPicture from '$lib/ui/MarkPicture.svelte';
  import { useTable } from '../table/table.svelte';

  interface Props {
    open: boolean;
    /** Asked for a beginning of another kind: a copy, something followed, nothing. */
    other: () => void;
  }
  let { open = $bindable(false), other }: Props = $props();
  giveBackFocus(() => open);
  const table = useTable();

  /** What a mark of each kind is in its family when nobody says otherwise. */
  const ROLES: { readonly [B in BuilderName]: MarkRole } = {
    wordmark: 'secondary',
    'symbol-and-name': 'secondary',
    monogram: 'submark',
    crest: 'secondary',
    badge: 'secondary',
    submark: 'submark',
  };

  let builder: BuilderName | undefined = $state();
  let starts: readonly BuilderStart[] = $state.raw([]);
  let pictures: Readonly<Record<string, ScreenPicture>> = $state.raw({});
  let taken: BuilderStart | undefined = $state.raw();
  let over: BuilderStart | undefined = $state.raw();
  let fault = $state('');
  let working = $state(false);
  let drawn = $state(0);

  /** What takes longest to begin is begun while the hand is on its way to a kind. */
  const SLOWEST: BuilderName = 'crest';
  $effect(() => {
    if (!open || builder !== undefined) return;
    const { heard } = table.building.heard();
    const families = table.secondFamily === undefined ? [] : [table.secondFamily];
    table.desk.ahead(table.palette, async (draughtsman) => {
      const last = (await draughtsman.starts(SLOWEST, heard, families)).at(-1);
      if (last) await draughtsman.buildTried(table.building.fresh(SLOWEST, last.numbers), 'ahead');
    });
  });

  $effect(() => {
    if (!open || builder === undefined) return;
    const kind = builder;
    let wanted = true;
    starts = [];
    pictures = {};
    drawn = 0;
    taken = over = undefined;
    const draw = async () => {
      const { heard } = table.building.heard();
      const families = table.secondFamily === undefined ? [] : [table.secondFamily];
      const found = await table.desk.ask((draughtsman) => draughtsman.starts(kind, heard, families));
      if (!wanted) return;
      starts = found;
      await table.desk.aboutEach(
        found,
        table.palette,
        (draughtsman, start) => draughtsman.buildTried(table.building.fresh(kind, start.numbers), `start-${start.id}`),
        (start, picture) => {
          if (picture) pictures = { ...pictures, [start.id]: picture };
          drawn++;
        },
        () => wanted,
      );
    };
    draw().catch(() => (fault = 'The compositions could not be drawn. Choose the kind again.'));
    return () => (wanted = false);
  });

  function choose(start: BuilderStart): void {
    if (taken === undefined) taken = start;
    else if (taken.id === start.id) taken = over = undefined;
    else over = over?.id === start.id ? undefined : start;
  }

  async function add(start: BuilderStart): Promise<void> {
    if (!builder || working) return;
    working = true;
    const { label } = builderRow(builder);
    const kind = builder;
    await table.open.flush();
    const parts = await table.desk.ask((draughtsman) =>
      draughtsman.buildNew($state.snapshot(EMPTY_RECIPE) as Recipe, 'built', table.building.fresh(kind, start.numbers)),
    );
    if (!parts) {
      working = false;
      fault = 'Nothing could be built from this name. Choose another composition.';
      return;
    }
    const mark = await request<{ slug: string }>('POST', `/api/brands/${table.brand.slug}/marks`, {
      name: label,
      role: ROLES[kind],
      gesture: `Begin with ${start.label.charAt(0).toLowerCase()}${start.label.slice(1)}`,
      recipe: writeRecipe(standing({ ...EMPTY_RECIPE, parts }, standsInInk(table.open.recipe))),
    });
    working = false;
    if (mark.ok) {
      open = false;
      return goto(`/brands/${table.brand.slug}/marks/${mark.value.slug}`, { invalidateAll: true });
    }
    fault = sentences(mark.problems);
  }
</script>

<Modal bind:open title="New mark" size="xl" class="max-w-[1160px]" autoclose={false}>
  <p id="what" class="ask">What is it to be?</p>
  <div class="kinds" role="group" aria-labelledby="what">
    {#each BUILDER_NAMES as name (name)}
      {@const row = builderRow(name)}
      <button aria-pressed={builder === name} title={row.hint} onclick={() => (builder = name)}>
        <strong>{row.label}</strong>
        <span class="quiet">{row.hint}</span>
      </button>
    {/each}
    <button
      title="What follows this mark, a copy of it, or nothing yet"
      onclick={() => {
        open = false;
        other();
      }}
    >
      <strong>Something else</strong>
      <span class="quiet">What follows this mark, a copy of it, or nothing yet</span>
    </button>
  </div>
  {#if builder}
    <div class="page">
      <div class="starts" role="group" aria-label="{builderRow(builder).label}: compositions">
        {#each starts as start (start.id)}
          {@const picture = pictures[start.id]}
          <button
            title="Shows it large; a second one is laid over it; a double click takes it"
            aria-pressed={taken?.id === start.id || over?.id === start.id}
            ondblclick={() => void add(start)}
            onclick={() => choose(start)}
          >
            <span class="picture" aria-hidden="true"
              >{#if picture}<MarkPicture {picture} label="" air={0.08} />{/if}</span
            >
            <span>{start.label}</span>
          </button>
        {/each}
      </div>
      <div class="large">
        {#if taken}
          <div class="sheet">
            <span class="picture"
              >{#if pictures[taken.id]}<MarkPicture
                  picture={pictures[taken.id] as ScreenPicture}
                  label={taken.label}
                  air={0.1}
                />{/if}</span
            >
            {#if over && pictures[over.id]}
              <span class="picture over"
                ><MarkPicture picture={pictures[over.id] as ScreenPicture} label="{over.label}, laid over it" air={0.1} /></span
              >
            {/if}
          </div>
          <p class="quiet">{over ? `${over.label}, laid over ${taken.label.toLowerCase()}` : taken.label}</p>
          <div class="take">
            <Button title="Makes a mark of it and opens it" disabled={working} onclick={() => taken && void add(taken)}
              >Add {taken.label.toLowerCase()}</Button
            >
            {#if over}<Button
                title="Makes a mark of it and opens it"
                color="alternative"
                disabled={working}
                onclick={() => over && void add(over)}>Add {over.label.toLowerCase()}</Button
              >{/if}
          </div>
        {:else}
          <p class="quiet" role="status">
            {starts.length === 0
              ? 'Composing …'
              : drawn < starts.length
                ? `${drawn} of ${starts.length} drawn`
                : 'One click takes one, a second lays another over it.'}
          </p>
        {/if}
      </div>
    </div>
  {/if}
  {#if fault}<p class="mt-3 text-rust" role="alert">{fault}</p>{/if}
</Modal>

<style>
  .ask {
    margin-bottom: 6px;
  }
  .kinds {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
    gap: 8px;
  }
  .kinds button,
  .starts button {
    display: grid;
    align-content: start;
    padding: 8px;
    border: 1px solid var(--color-rule);
    background: var(--color-sheet);
    text-align: left;
  }
  .kinds .quiet {
    font-size: 12px;
  }
  button[aria-pressed='true'] {
    outline: 2px solid var(--color-plum);
    outline-offset: -1px;
  }
  .page {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 300px;
    gap: 16px;
    margin-top: 14px;
  }
  .starts {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(120px, 1fr));
    gap: 8px;
    overflow-y: auto;
    max-height: 46vh;
  }
  .starts button {
    font-size: 12px;
  }
  .starts .picture {
    height: 96px;
  }
  .sheet {
    position: relative;
    height: 260px;
    border: 1px solid var(--color-rule);
    background: var(--color-paper);
  }
  .sheet .picture {
    position: absolute;
    inset: 0;
  }
  .sheet .over {
    opacity: 0.55;
  }
  .take {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
  }
  @media (max-width: 900px) {
    .page {
      grid-template-columns: 1fr;
    }
  }
</style>
