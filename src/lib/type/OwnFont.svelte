<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import { request, sentences } from '$lib/client/request';
  import FileLink from '$lib/ui/FileLink.svelte';
  import { useTrials } from './trials.svelte';
  import MayChange from '$lib/ui/MayChange.svelte';

  const trials = useTrials();
  const id = $props.id();
  const RIGHTS = ['Licensed for logos', 'Licensed, logos not mentioned', 'Made for the client', 'Rights not known'];
  let rights = $state('Rights not known');
  let said = $state('');
  let fault = $state('');
  let working = $state(false);

  interface TakenIn {
    readonly name?: string;
    readonly glyphCount?: number;
    readonly embedding?: { readonly name: string; readonly means: string };
    readonly notes?: readonly string[];
    readonly detail?: string;
    /** Of a collection: the faces to choose from. */
    readonly faces?: readonly string[];
    readonly problems?: readonly { readonly fix?: string }[];
  }

  const own = $derived(trials.families.filter(({ id: family }) => family.startsWith('own-')));
  /** Marks that use a removed font keep their pictures. */
  async function remove(family: string, removed: boolean): Promise<void> {
    const answer = await request('PATCH', `/api/brands/${trials.brand.slug}/fonts/${family}`, { removed });
    [said, fault] = ['', answer.ok ? '' : sentences(answer.problems)];
    if (answer.ok) await invalidateAll();
  }

  /** A collection whose face is still to be chosen. */
  let collection: { readonly file: File; readonly faces: readonly string[] } | undefined = $state.raw();

  async function take(file: File | undefined, face?: number): Promise<void> {
    if (!file) return;
    working = true;
    [said, fault, collection] = ['', '', undefined];
    const query = new URLSearchParams({ rights, ...(face === undefined ? {} : { face: String(face) }) });
    const answer = await fetch(`/api/brands/${trials.brand.slug}/fonts?${query}`, {
      method: 'POST',
      headers: { 'content-type': 'application/octet-stream' },
      body: file,
    }).catch(() => undefined);
    const body = (await answer?.json().catch(() => undefined)) as TakenIn | undefined;
    working = false;
    if (body?.faces) {
      collection = { file, faces: body.faces };
      return;
    }
    if (!answer?.ok || !body) {
      fault = `${file.name}: ${body?.detail ?? 'the server cannot be reached.'} ${body?.problems?.[0]?.fix ?? ''}`;
      return;
    }
    said = `${body.name}: ${body.glyphCount?.toLocaleString('en')} glyphs, ${body.embedding?.name}. ${body.embedding?.means} ${body.notes?.join(' ') ?? ''}`;
    await invalidateAll();
  }
</script>

<section id="own-font" aria-label="The client’s own font">
  <h2 class="label">The client’s own font</h2>
  <MayChange
    ><label for="{id}-rights" class="quiet">Under which terms</label>
    <select title="What the client’s license lets this font be used for" id="{id}-rights" bind:value={rights}
      >{#each RIGHTS as right (right)}<option value={right}>{right}</option>{/each}</select
    >
    <FileLink
      label={working ? 'Checking every table …' : 'Bring a font'}
      hint="A font file of the client’s; it stays with this studio"
      accept=".otf,.ttf,.woff,.woff2,.ttc,.otc"
      disabled={working}
      take={([file]) => void take(file)}
    />
    {#if collection}
      <p role="status">{collection.file.name} holds {collection.faces.length} faces. Which one?</p>
      <ul>
        {#each collection.faces as face, index (index)}
          <li>
            <button title="Takes this face out of the collection" class="link" onclick={() => collection && take(collection.file, index)}
              >{face}</button
            >
          </li>
        {/each}
      </ul>
    {/if}
    {#if own.length > 0}
      <ul>
        {#each own as family (family.id)}
          <li>
            <span class:gone={family.removed}>{family.name}</span>
            <button
              title="Removed fonts are offered no more; marks that are set in them keep them"
              class="link"
              onclick={() => remove(family.id, !family.removed)}
              >{family.removed ? `Bring ${family.name} back` : `Remove ${family.name}`}</button
            >
          </li>
        {/each}
      </ul>
    {/if}
  </MayChange>
  {#if said}<p class="quiet" role="status">{said}</p>{/if}
  {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
</section>

<style>
  section {
    margin-top: 14px;
    padding-top: 8px;
    border-top: 1px solid var(--color-ink);
    font-size: 12px;
  }
  h2 {
    font-family: var(--font-sans);
  }
  select {
    width: 100%;
    margin: 2px 0 6px;
    padding: 3px 24px 3px 6px;
    border: 1px solid var(--color-rule);
    background-color: var(--color-sheet);
    font-size: 12px;
  }
  li {
    display: flex;
    justify-content: space-between;
    gap: 10px;
  }
  .gone {
    color: var(--color-quiet);
    text-decoration: line-through;
  }
  .fault {
    color: var(--color-rust);
  }
</style>
