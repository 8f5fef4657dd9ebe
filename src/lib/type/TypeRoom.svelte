<script lang="ts">
  import { page } from '$app/state';
  import { looksOnly } from '$lib/people/roles';
  import { onMount, untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import {
    changePart,
    lenderOf,
    nameLettering,
    startingRows,
    giveRole,
    strongestWishes,
    toggleDropped,
    toggleKept,
    writeRecipe,
    type Brief,
    type CatalogueEntry,
    type Palette,
    type Recipe,
    type ShippedFamily,
    type TypeDesk,
  } from '$core/index';
  import { DrawingDesk } from '$lib/client/drawing-desk.svelte';
  import { openDocument } from '$lib/client/work/open-document.svelte';
  import { answerUndoKeys, undoOrder } from '$lib/client/work/undo-order';
  import { request, sentences } from '$lib/client/request';
  import SaveBanner from '$lib/ui/SaveBanner.svelte';
  import SaveNote from '$lib/ui/SaveNote.svelte';
  import TopBar from '$lib/ui/TopBar.svelte';
  import HeadToHead from './HeadToHead.svelte';
  import KeptStrip from './KeptStrip.svelte';
  import MeasureChart from './MeasureChart.svelte';
  import OwnFont from './OwnFont.svelte';
  import PairingList from './PairingList.svelte';
  import RoleList from './RoleList.svelte';
  import TrialCell from './TrialCell.svelte';
  import TrialControls from './TrialControls.svelte';
  import { provideTrials, Trials, type Trial } from './trials.svelte';

  interface Props {
    brand: { readonly id: string; readonly name: string; readonly slug: string; readonly palette: Palette };
    brief: Brief;
    desk: { readonly number: number; readonly content: TypeDesk };
    families: readonly ShippedFamily[];
    catalogue: Readonly<Record<string, CatalogueEntry>>;
    marks: readonly {
      readonly id: string;
      readonly slug: string;
      readonly name: string;
      readonly revision: number;
      readonly recipe: Recipe;
    }[];
  }
  const { brand, brief, desk, families, catalogue, marks }: Props = $props();

  // The room is made anew for every brand.
  // svelte-ignore state_referenced_locally
  const trials = provideTrials(
    new Trials(brand, brief, openDocument(brand, 'type', desk), families, catalogue, new DrawingDesk(families, brand.slug)),
  );
  let comparing = $state(false);
  let fault = $state('');
  let said = $state('');
  let grid: HTMLElement | undefined = $state();

  const works = [trials.desk];
  const order = undoOrder(() => works);
  onMount(() => {
    void trials.desk.restore();
    return () => {
      trials.desk.close();
      trials.drawing.close();
    };
  });
  /** How many faces are set for the first time at once. */
  const AT_ONCE = 12;
  /** How many faces are set so far, and whether somebody has stopped it. */
  let settled = $state(0);
  let stopped = $state(false);
  /** The words and faces that are being set. */
  let begun = '';
  $effect(() => {
    const text = trials.text;
    const fonts = trials.all.map(({ id }) => trials.fontOf(id));
    const words = JSON.stringify([text, fonts]);
    // Other words are set from the beginning, whatever was stopped: nothing goes on saying the old ones.
    if (words !== begun) {
      begun = words;
      if (untrack(() => settled) < fonts.length) settled = 0;
      stopped = false;
    }
    if (stopped) return;
    let newest = true;
    const setBefore = untrack(() => settled);
    // For the first time every font has to come: they are shown as they do. Later all are at hand, and change at once.
    const portion = setBefore < fonts.length ? AT_ONCE : fonts.length;
    const begin = setBefore < fonts.length ? setBefore : 0;
    const setFaces = async () => {
      for (let from = begin; newest && from < fonts.length; from += portion) {
        const next = fonts.slice(from, from + portion);
        const pictures = await trials.drawing.ask((draughtsman) => draughtsman.words(text, next));
        if (!newest) return;
        const others = new Map(trials.pictures);
        for (const { family } of next) others.delete(family);
        const drawn = pictures.flatMap((picture, index) => (picture ? [[next[index]?.family ?? '', picture] as const] : []));
        trials.pictures = new Map([...others, ...drawn]);
        settled = Math.max(settled, from + next.length);
      }
    };
    setFaces().catch((error: unknown) => (fault = `The faces could not be set: ${String(error)}`));
    return () => (newest = false);
  });

  const keep = (trial: Trial) => trials.desk.commit('Type desk', toggleKept(trials.desk.content, trial.id));
  const drop = (trial: Trial) => trials.desk.commit('Type desk', toggleDropped(trials.desk.content, trial.id));
  const wishes = $derived(strongestWishes(brief.voice));
  const primary = $derived(marks[0]);
  const nameIn = (recipe: Recipe | undefined) => recipe?.parts.findLast((part) => part.kind === 'lettering');
  const second = $derived(primary?.recipe.parts.find((part) => part.kind === 'lettering' && part.id !== nameIn(primary.recipe)?.id));

  const NO_LETTERING = 'The primary mark has no lettering yet. Add it in the Marks room.';
  /** The primary with its name in a face; a primary in which nothing is begins with it. */
  function inFace(trial: Trial): Recipe | undefined {
    const name = nameIn(primary?.recipe);
    const font = trials.fontOf(trial.id);
    if (primary && name?.kind === 'lettering') return changePart(primary.recipe, name.id, { font });
    return primary?.recipe.parts.length === 0
      ? {
          ...primary.recipe,
          parts: [{ ...nameLettering('name', startingRows(brand.name)), font, fallback: lenderOf(font.family, brand.name) }],
        }
      : undefined;
  }

  /** Sets the primary's name in a face, as a gesture of that mark; undo there takes it back. */
  async function choose(trial: Trial): Promise<void> {
    const recipe = inFace(trial);
    if (!primary || !recipe) return void (fault = NO_LETTERING);
    trials.desk.commit('Type desk', giveRole(trials.desk.content, 'name', trial.id));
    const gesture = { id: crypto.randomUUID(), kind: 'edit', gesture: `Set the name in ${trial.name}`, recipe: writeRecipe(recipe) };
    const saved = await request('POST', `/api/brands/${brand.slug}/marks/${primary.slug}/revisions`, {
      base: primary.revision,
      gestures: [gesture],
    });
    if (saved.ok) await goto(`/brands/${brand.slug}/marks/${primary.slug}`, { invalidateAll: true });
    else fault = sentences(saved.problems);
  }

  /** A copy of the primary mark set in a face, kept beside it; any number of them. */
  async function keepTry(trial: Trial): Promise<void> {
    const recipe = inFace(trial);
    if (!primary || !recipe) return void (fault = NO_LETTERING);
    const made = await request<{ name: string }>('POST', `/api/brands/${brand.slug}/marks`, {
      name: `Try in ${trial.name}`,
      role: 'secondary',
      gesture: `Try ${trial.name}`,
      recipe: writeRecipe(recipe),
    });
    if (made.ok) said = `${made.value.name} stands beside ${primary.name} in the Marks room.`;
    else fault = sentences(made.problems);
  }

  /** Arrows walk over the trials; three stand in a row. */
  function walk(event: KeyboardEvent): void {
    const by = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: 3, ArrowUp: -3 }[event.key];
    const stops = [...(grid?.querySelectorAll<HTMLElement>('button.word') ?? [])];
    const at = stops.indexOf(document.activeElement as HTMLElement);
    if (!by || at < 0) return;
    event.preventDefault();
    stops[Math.min(Math.max(0, at + by), stops.length - 1)]?.focus();
  }
</script>

<svelte:window onkeydown={(event) => void answerUndoKeys(event, order)} />
<div class="room">
  <TopBar {brand} room="type">
    <button onclick={order.undo} disabled={order.next === undefined} title="Undo (Ctrl Z)">Undo</button>
    <button onclick={order.redo} disabled={order.again === undefined} title="Redo (Ctrl Shift Z)">Redo</button>
    <SaveNote {works} />
  </TopBar>
  <SaveBanner work={trials.desk} name="The type desk" />
  <main>
    <div class="trials">
      <h1>Type trials</h1>
      <p class="quiet">
        {trials.shown.length} of {trials.all.length} faces in this brand’s name{#if wishes.length > 0}, nearest to the brief first:
          {#each wishes as wish, index (index)}{index > 0 ? ' · ' : ' '}<strong>{wish.words}</strong>
            {wish.amount.toFixed(2)}{/each}{:else}. The <a class="link" href="/brands/{brand.slug}/brief">brief</a> has no voice yet, so no face
          is nearer than another{/if}.
        {#if trials.having !== undefined}
          <strong>{trials.having}</strong>
          {trials.having === 1 ? 'has' : 'have'} its letters and {trials.having === 1 ? 'stands' : 'stand'} first{#if !looksOnly(page.data)};
            for more,
            <a class="link" href="#own-font">bring a font of the client’s own</a>{/if}.
        {/if}
      </p>
      {#if settled < trials.all.length}
        <p class="quiet" role="status">
          {settled} of {trials.all.length} faces are set{stopped ? '.' : ' …'}
          <button
            class="link"
            title={stopped ? 'Sets the faces that are left' : 'Faces that are not set yet stay names; it can go on later'}
            onclick={() => (stopped = !stopped)}>{stopped ? 'Go on' : 'Stop'}</button
          >
        </p>
      {/if}
      {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
      <TrialControls />
      {#if trials.kept.length > 0}
        <KeptStrip {choose} {keepTry} />
        {#if said}<p class="compare" role="status">{said}</p>{/if}
        {#if trials.kept.length > 1}
          <p class="compare">
            <button
              title="Kept faces side by side, over one another, small, reversed and inside the mark"
              class="link"
              aria-expanded={comparing}
              onclick={() => (comparing = !comparing)}
              >{comparing ? 'Put the comparison away' : `Head to head: ${Math.min(4, trials.kept.length)} kept faces`}</button
            >
          </p>
          {#if comparing}<HeadToHead palette={brand.palette} {marks} />{/if}
        {/if}
      {/if}
      <!-- Arrows move between the buttons inside. -->
      <!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
      <div class="grid" bind:this={grid} role="group" aria-label="Trials" onkeydown={walk}>
        {#each trials.shown as trial (trial.id)}<TrialCell {trial} keep={() => keep(trial)} drop={() => drop(trial)} />{:else}<p
            class="quiet none"
          >
            No face is all of this. Take a word or a measure away.
          </p>{/each}
      </div>
    </div>
    <aside>
      <MeasureChart />
      <RoleList />
      <PairingList second={second?.kind === 'lettering' ? second.text : 'Second line'} />
      <OwnFont />
    </aside>
  </main>
</div>

<style>
  .room {
    display: flex;
    flex-direction: column;
    height: 100%;
  }
  main {
    display: grid;
    flex: 1;
    grid-template-columns: minmax(0, 1fr) 324px;
    min-height: 0;
  }
  .trials {
    overflow-y: auto;
    padding: 18px 28px 40px 26px;
  }
  aside {
    overflow-y: auto;
    margin: 22px 0;
    padding: 0 26px 20px 24px;
    border-left: 1px solid var(--color-rule);
  }
  h1 + p {
    padding-bottom: 8px;
  }
  .grid {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    border-top: 1px solid var(--color-ink);
  }
  .compare {
    padding: 6px 14px;
    border-bottom: 1px solid var(--color-rule);
    background: var(--color-sheet);
  }
  .none {
    padding: 30px 0;
  }
  .fault {
    color: var(--color-rust);
  }
  button:disabled {
    cursor: default;
    opacity: 0.45;
  }
  /* Narrow, or zoomed: trials first, then what was kept, and the page scrolls. */
  @media (max-width: 1119px) {
    .room {
      height: auto;
    }
    main {
      grid-template-columns: minmax(0, 1fr);
    }
    .grid {
      grid-template-columns: repeat(auto-fill, minmax(min(290px, 100%), 1fr));
    }
    aside {
      border-top: 1px solid var(--color-rule);
      border-left: 0;
    }
  }
</style>
