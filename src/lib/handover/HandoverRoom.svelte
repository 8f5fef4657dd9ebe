<script lang="ts">
  import { onMount } from 'svelte';
  import {
    holdsMany,
    NAME_WORDS,
    PACK_NAMES,
    startPlan,
    type GoodsAtHand,
    type Brief,
    type HandoverPlan,
    type NameWord,
    type Palette,
    type PlannedMark,
    type WantedFile,
    sizeName,
  } from '$core/index';
  import { onNews } from '$lib/client/work/news';
  import { openDocument } from '$lib/client/work/open-document.svelte';
  import { undoOrder } from '$lib/client/work/undo-order';
  import Room from '$lib/ui/Room.svelte';
  import SaveBanner from '$lib/ui/SaveBanner.svelte';
  import { HandoverDesk, provideHandoverDesk } from './handover-desk.svelte';
  import PackFiles from './PackFiles.svelte';
  import PackPlan from './PackPlan.svelte';
  import { sizeText, type PackView } from './views';
  import MayChange from '$lib/ui/MayChange.svelte';

  interface Props {
    brand: { readonly id: string; readonly name: string; readonly slug: string; readonly palette: Palette };
    marks: readonly PlannedMark[];
    brief: Brief;
    plan: { readonly number: number; readonly content: HandoverPlan };
    packs: readonly PackView[];
    goods: GoodsAtHand;
    /** Names in Latin letters, as files carry them. */
    latin: {
      readonly brand: string;
      readonly marks: Readonly<Record<string, string>>;
      readonly colorways: Readonly<Record<string, string>>;
    };
  }
  const { brand, marks, brief, plan, packs, latin, goods }: Props = $props();

  const words = (file: WantedFile): { readonly [W in NameWord]: string } => ({
    brand: latin.brand,
    mark: holdsMany(file) ? 'all-marks' : (latin.marks[file.mark] ?? 'mark'),
    role: marks.find(({ id }) => id === file.mark)?.role ?? 'mark',
    colorway: latin.colorways[file.dressing] ?? file.dressing,
    use: file.label,
    size: sizeName(file),
    width: String(file.canvas.width ?? ''),
    height: String(file.canvas.height ?? ''),
  });
  // The room is made anew for every brand and palette.
  // svelte-ignore state_referenced_locally
  const desk = provideHandoverDesk(
    new HandoverDesk(
      brand,
      marks,
      openDocument(brand, 'handover', plan),
      startPlan(brief, marks, brand.palette),
      words,
      packs,
      plan.number > 0,
      goods,
    ),
  );
  const works = [desk.plan];
  const order = undoOrder(() => works);

  onMount(() => {
    void desk.plan.restore();
    const refresh = () => desk.refresh();
    const subjects = [`handovers:${brand.id}`, `family:${brand.id}`, `palette:${brand.id}`, ...marks.map(({ id }) => `mark:${id}`)];
    const stops = subjects.map((subject) => onNews(subject, refresh));
    return () => {
      for (const stop of stops) stop();
      desk.plan.close();
      desk.close();
    };
  });
  $effect(() => {
    const stops = desk.packs.map(({ id }) => onNews(`handover:${id}`, () => desk.refresh(id)));
    return () => {
      for (const stop of stops) stop();
    };
  });
  let pattern = $derived(desk.content.pattern);
  const count = $derived(desk.files.length);
</script>

{#snippet notices()}
  <SaveBanner work={desk.plan} name="The plan" />
  {#if desk.problem}<p class="fault" role="alert">{desk.problem}</p>{/if}
{/snippet}

<Room {brand} room="handover" columns="400px minmax(0, 1fr)" {works} {order} {notices}>
  <section class="plan" aria-label="What goes in">
    <h1>Hand-over</h1>
    {#if !desk.chosen}
      <p class="quiet">
        {brief.uses.length > 0
          ? 'Chosen from where the marks will live, as the brief says.'
          : 'What most brands need; the brief says nothing of where the marks will live.'}
      </p>
    {/if}
    {#each PACK_NAMES as kind (kind)}<PackPlan {kind} />{/each}
    <label class="pattern"
      ><span class="label">Names of the files</span>
      <input
        title="How the files are called; words in braces are filled in for each"
        class="lone-field"
        value={pattern}
        oninput={(event) => {
          const typed = event.currentTarget.value.trim().slice(0, 120);
          if (typed) desk.plan.preview({ ...desk.content, pattern: typed });
        }}
        onchange={() => desk.plan.commit('Name the files')}
        spellcheck="false"
        autocomplete="off"
      /></label
    >
    <p class="quiet small">
      {#if desk.example}{desk.example}<br />{/if}May hold {NAME_WORDS.map((word) => `{${word}}`).join(' ')}
    </p>
    <label class="tick"
      ><input
        title="The brand sheet goes into the pack, as pages to print and to open"
        type="checkbox"
        checked={desk.content.sheet ?? false}
        onchange={(event) => {
          const { sheet: _, ...rest } = desk.content;
          desk.plan.commit('Brand sheet in the pack', event.currentTarget.checked ? { ...rest, sheet: true } : rest);
        }}
      /> The brand sheet goes along, as a folder for browsers</label
    >
    <p class="whole quiet small">
      The whole brand, with every revision, picture, font and pack, what clients said, up to 200 photos or 128 MB of them and the newest 96
      MB of packed files, for another installation or for keeping:
      <a class="link" href="/api/brands/{brand.slug}/brand-file" download>brand file</a>
    </p>
  </section>
  <section class="packs" aria-label="Packs">
    <form
      class="order"
      onsubmit={(event) => {
        event.preventDefault();
        void desk.order();
      }}
    >
      <p class="sum">
        <strong>{count} {count === 1 ? 'file' : 'files'}</strong>{#if count > 0}<span class="quiet">, about {sizeText(desk.bytes)}</span
          >{/if}
      </p>
      <MayChange
        ><input
          title="What the pack is called for you and the client"
          class="lone-field"
          aria-label="Name of the pack"
          placeholder="Hand-over {(desk.packs[0]?.number ?? 0) + 1}"
          maxlength="80"
          bind:value={desk.name}
        />
        <button
          title="Makes, checks and packs every file; you can go on working"
          class="make"
          disabled={count === 0 || desk.fault !== '' || desk.ordering}>Make {count} {count === 1 ? 'file' : 'files'}</button
        ></MayChange
      >
    </form>
    {#if desk.fault}<p class="fault" role="alert">{desk.fault}</p>{/if}
    {#if marks.length === 0}<p class="quiet">The brand has no mark yet; what is made on the table can be handed over here.</p>{/if}
    {#each desk.packs as pack (pack.id)}<PackFiles {pack} brandId={brand.id} />{:else}
      <p class="quiet empty">
        Nothing was handed over yet. Every file is made beside your work, opened again by another program and checked before it counts as
        done.
      </p>
    {/each}
  </section>
</Room>

<style>
  .plan {
    padding: 18px 20px 40px;
    overflow-y: auto;
    border-right: 1px solid var(--color-rule);
  }
  .packs {
    padding: 18px 28px 40px;
    overflow-y: auto;
  }
  .tick {
    display: flex;
    align-items: center;
    gap: 8px;
    min-height: 28px;
    margin-top: 8px;
  }
  .pattern {
    display: block;
    padding-top: 16px;
  }
  .pattern input {
    width: 100%;
    margin-top: 4px;
  }
  .small {
    padding-top: 4px;
    font-size: 12px;
    overflow-wrap: anywhere;
  }
  .whole {
    padding-top: 18px;
  }
  .order {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
    align-items: center;
    padding-bottom: 14px;
    border-bottom: 1px solid var(--color-ink);
  }
  .sum {
    flex: 1;
    font-size: 15px;
  }
  .make {
    padding: 7px 16px;
    background: var(--color-plum);
    color: var(--color-sheet);
    font-weight: 600;
  }
  .make:disabled {
    cursor: default;
    opacity: 0.45;
  }
  .empty {
    padding-top: 18px;
    max-width: 46em;
  }
  .fault {
    padding: 8px 0;
    color: var(--color-rust);
  }
</style>
