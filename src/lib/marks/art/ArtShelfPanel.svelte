<script lang="ts">
  import { LICENSES, LICENSE_NAMES } from '$core/index';
  import { ACCEPTED } from '../table/bring-in';
  import { WEIGHTS, type ArtShelf, type Weight } from './art-shelf.svelte';
  import { useTable } from '../table/table.svelte';

  const { shelf }: { shelf: ArtShelf } = $props();
  const table = useTable();
  const color = $derived(encodeURIComponent(table.palette.lead));
  let field: HTMLInputElement | undefined = $state();
  $effect(() => field?.focus());
  let bringing = $state(false);
  let author = $state('');
  let license = $state('unknown');
  const setOf = (id: string) => shelf.sets.find((set) => id.startsWith(`${set.id}/`));
  const titleOf = (id: string) => (id.split('/')[1] ?? '').replace(/-fill$/, '').replaceAll('-', ' ');
  const LETTERS = ['A', 'B'] as const;
  const STYLES = { any: 'every style', filled: 'filled', line: 'line', few: 'two or three colors', colored: 'several colors' } as const;
</script>

<section aria-label="Art library">
  <div class="ask">
    <input
      title="A thing, an idea or a mood, in a word or two"
      bind:this={field}
      type="search"
      aria-label="Search art"
      placeholder="A thing, an idea, a mood: “heron”, “courage”"
      bind:value={shelf.text}
      oninput={() => void shelf.search()}
      onkeydown={(event) => event.key === 'Escape' && shelf.close()}
    />
    <select title="Filled, in lines, or in several colors" aria-label="Style" bind:value={shelf.style} onchange={() => void shelf.search()}>
      {#each Object.entries(STYLES) as [style, label] (style)}<option value={style}>{label}</option>{/each}
    </select>
    <select title="How heavy its strokes are" aria-label="Stroke" bind:value={shelf.weight} onchange={() => void shelf.search()}>
      {#each Object.keys(WEIGHTS) as Weight[] as weight (weight)}<option value={weight}>{weight === 'any' ? 'every stroke' : weight}</option
        >{/each}
    </select>
    <select title="Pieces of one hand go together" aria-label="Collection" bind:value={shelf.set} onchange={() => void shelf.search()}>
      <option value="any">every collection</option>
      {#each shelf.sets as set (set.id)}<option value={set.id}>{set.label.toLowerCase()}</option>{/each}
    </select>
    {#if shelf.waits}
      <span class="quiet" role="status">Looking through the art…</span>
      <button class="link" title="Waits no longer; what was found before stays" onclick={() => shelf.stop()}>Stop</button>
    {:else}
      <span class="quiet" role="status" title="Pieces that fit; the best of them are shown"
        >{shelf.found.length < shelf.total
          ? `${shelf.found.length} of ${shelf.total.toLocaleString('en')}`
          : shelf.total.toLocaleString('en')}</span
      >
    {/if}
    <button
      class="link"
      aria-expanded={bringing}
      title="Bring in a drawing (SVG) or picture (PNG, JPEG, WebP) made elsewhere"
      onclick={() => (bringing = !bringing)}>Bring in</button
    >
    <button title="Back to the proofs" aria-label="Close the art library" onclick={() => shelf.close()}>✕</button>
  </div>
  {#if table.brief.keywords.length > 0 || shelf.also.length > 0}
    <p class="words">
      {#each table.brief.keywords.slice(0, 8) as keyword (keyword)}
        <button
          title="Looks for this word of the brief"
          class="link"
          onclick={() => {
            shelf.text = keyword;
            void shelf.search();
          }}>{keyword}</button
        >
      {/each}
      {#if shelf.also.length > 0}<span class="quiet">also: {shelf.also.slice(0, 12).join(', ')}</span>{/if}
    </p>
  {/if}
  {#if shelf.fault}<p role="alert" class="fault">{shelf.fault}</p>{/if}
  {#if bringing}
    <div class="bring">
      <input title="Who drew it, for the list of rights" aria-label="Author of the drawing" placeholder="Author" bind:value={author} />
      <select title="What the drawing may be used for" aria-label="Rights of the drawing" bind:value={license}>
        {#each LICENSE_NAMES as name (name)}<option value={name}>{LICENSES[name].label}</option>{/each}
      </select>
      <input
        type="file"
        accept={ACCEPTED}
        aria-label="File to bring in"
        onchange={(event) => {
          const file = event.currentTarget.files?.[0];
          if (file) void shelf.bringIn(file, { author, license });
        }}
      />
      {#if shelf.left.length > 0}<p class="quiet" role="status">Left out: {shelf.left.join('; ')}.</p>{/if}
    </div>
  {/if}
  <div class="body">
    <ul>
      {#each shelf.found as entry (entry.id)}
        {@const set = setOf(entry.id)}
        <li>
          <button
            aria-label="Try {titleOf(entry.id)}, {set?.label ?? ''}"
            title="{titleOf(entry.id)} · {set?.label ?? ''} · {set?.terms.label ?? ''}"
            aria-pressed={shelf.candidates.some((candidate) => candidate?.id === entry.id)}
            onclick={() => void shelf.tryPiece(entry)}
          >
            <img src="/api/art/{entry.id}/picture.svg?color={color}" alt="" loading="lazy" width="34" height="34" />
          </button>
        </li>
      {:else}
        {#if shelf.answered !== undefined}
          <li class="none quiet">Nothing is called “{shelf.answered}”. Try another word, or an idea such as strength or the sea.</li>
        {/if}
      {/each}
    </ul>
    {#if shelf.candidates[0]}
      <div class="compare" role="group" aria-label="Candidates">
        {#each shelf.candidates as candidate, index (index)}
          {#if candidate}
            <button
              title="Shows this one of the two on the mark"
              aria-pressed={shelf.shown === index}
              onclick={() => void shelf.compare(index as 0 | 1)}
            >
              <strong>{LETTERS[index]}</strong>
              {titleOf(candidate.id)}
              <span class="quiet">stroke {candidate.weight / 10} %</span>
            </button>
          {/if}
        {/each}
        <button title="The piece goes into the mark" class="primary" onclick={() => void shelf.use()}
          >{shelf.swapId ? 'Swap for this one' : 'Use this one'}</button
        >
      </div>
    {/if}
  </div>
</section>

<style>
  section {
    display: flex;
    flex-direction: column;
    height: 250px;
    border-top: 1px solid var(--color-rule);
    background: var(--color-sheet);
  }
  .ask,
  .bring,
  .words {
    display: flex;
    align-items: center;
    gap: 10px;
    padding: 6px 14px;
    white-space: nowrap;
  }
  .words {
    overflow: hidden;
    padding-top: 0;
    font-size: 12px;
  }
  .ask input {
    flex: 1;
    min-width: 120px;
    padding: 4px 8px;
    border: 1px solid var(--color-ink);
    background: var(--color-paper);
    font-size: 13px;
  }
  select,
  .bring input {
    min-width: 0;
    padding: 3px 22px 3px 6px;
    border: 1px solid var(--color-rule);
    font-size: 12px;
  }
  .fault {
    padding: 0 14px;
    color: var(--color-rust);
  }
  .body {
    display: flex;
    flex: 1;
    min-height: 0;
  }
  ul {
    display: grid;
    flex: 1;
    grid-template-columns: repeat(auto-fill, minmax(52px, 1fr));
    align-content: start;
    overflow-y: auto;
    padding: 0 10px 10px;
  }
  li button {
    display: grid;
    place-items: center;
    width: 100%;
    height: 50px;
    border: 1px solid transparent;
  }
  li button:hover {
    border-color: var(--color-rule);
  }
  li button[aria-pressed='true'] {
    border-color: var(--color-plum);
  }
  img {
    width: 34px;
    height: 34px;
  }
  .none {
    grid-column: 1 / -1;
    padding: 10px 4px;
  }
  .compare {
    display: grid;
    align-content: start;
    gap: 8px;
    width: 170px;
    padding: 4px 14px;
    border-left: 1px solid var(--color-rule);
  }
  .compare button {
    padding: 5px 8px;
    border: 1px solid var(--color-rule);
    text-align: left;
  }
  .compare button[aria-pressed='true'] {
    border-color: var(--color-plum);
  }
  .compare .quiet {
    display: block;
    font-size: 12px;
  }
  .compare .primary {
    background: var(--color-plum);
    color: var(--color-sheet);
    font-weight: 600;
    text-align: center;
  }
</style>
