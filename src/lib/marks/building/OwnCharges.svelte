<script lang="ts">
  import { LICENSES, membersDeep, MOST_OWN_CHARGES, OWN_WORD, ownPieceSchema, type Art, type ArtEntry, type OwnPiece } from '$core/index';
  import { request, sentences } from '$lib/client/request';
  import Pick from '$lib/ui/Pick.svelte';
  import { useTable } from '../table/table.svelte';

  interface Props {
    own: readonly OwnPiece[];
    /** Names that the blazon uses and nobody has drawn. */
    missing: readonly string[];
    /** The group that is built: its own parts are not borne on it. */
    groupId: string;
    /** Takes a piece under a name, or does something to those that are there. */
    take: (piece: OwnPiece) => void;
    change: (gesture: string, own: readonly OwnPiece[]) => void;
  }
  const { own, missing, groupId, take, change }: Props = $props();
  const table = useTable();
  const id = $props.id();

  /** So many are shown: two rows, the best first. */
  const SHOWN = 12;
  let text = $state('');
  let asked = $state('');
  let found: readonly ArtEntry[] = $state.raw([]);
  let fault = $state('');
  let searching = $state(false);
  const wanted = $derived(text.trim().toLowerCase());
  const titleOf = (entry: string) => (entry.split('/')[1] ?? '').replaceAll('-', ' ');
  const color = $derived(encodeURIComponent(table.palette.lead));

  // What the blazon lacks is looked for at once.
  $effect(() => {
    const [first] = missing;
    if (first !== undefined) void search((text = first));
  });

  async function search(words: string): Promise<void> {
    const name = words.trim().toLowerCase();
    found = [];
    fault = '';
    searching = false;
    asked = name;
    if (!OWN_WORD.test(name)) {
      if (name !== '') fault = 'A charge is called by letters alone, such as “lion rampant”.';
      return;
    }
    searching = true;
    // “Lion rampant” is looked for as such, then as a lion.
    for (const query of new Set([name, ...name.split(' ')])) {
      const one = new URLSearchParams({ text: query, limit: String(SHOWN), colorsTo: '1' });
      const answer = await request<{ entries: readonly ArtEntry[] }>('GET', `/api/art?${one}`);
      if (asked !== name) return;
      fault = answer.ok ? '' : sentences(answer.problems);
      if (!answer.ok) break;
      found = answer.value.entries;
      if (found.length > 0) break;
    }
    searching = false;
    if (found.length === 0 && fault === '') fault = `The art has nothing for “${name}”.`;
  }

  /** What stands in this mark beside the crest: a drawn curve, a shape, a piece of art. */
  const besides = $derived.by(() => {
    const within = membersDeep(table.open.recipe, groupId);
    return table.parts.filter((part) => ['shape', 'curve', 'art'].includes(part.kind) && part.id !== groupId && !within.has(part.id));
  });
  async function bearPart(id: string): Promise<void> {
    const part = besides.find((each) => each.id === id);
    if (!part) return;
    const called = OWN_WORD.test(wanted) ? wanted : nameAsWord(table.nameOf(part));
    const mark = table.info.id;
    const outline = await table.desk.ask((draughtsman) => draughtsman.outline(mark, part.id)).catch(() => undefined);
    if (!outline) {
      fault = 'This part has no ink to bear.';
      return;
    }
    const source = part.kind === 'art' ? part.source : { title: table.nameOf(part), author: '', license: 'ours' };
    bearAs({ word: called, source, pieces: [outline] });
  }
  /** Takes a piece where a crest can keep it; its numbers have an end. */
  function bearAs(input: unknown): boolean {
    const piece = ownPieceSchema.safeParse(input);
    if (piece.success) take(piece.data);
    else fault = 'This drawing is too intricate to be borne. Choose or draw a plainer one.';
    return piece.success;
  }
  /** A part’s name as a word of a blazon: letters alone, in lower case. */
  const nameAsWord = (name: string): string => {
    const word = name
      .toLowerCase()
      .replace(/[^\p{L}'’-]+/gu, ' ')
      .trim()
      .slice(0, 40);
    return OWN_WORD.test(word) ? word : 'own piece';
  };

  async function bear(entry: ArtEntry): Promise<void> {
    const answer = await request<Art>('GET', `/api/art/${entry.id}?brand=${table.brand.slug}`);
    if (!answer.ok) {
      fault = sentences(answer.problems);
      return;
    }
    const { source, pieces } = answer.value;
    if (bearAs({ word: asked, source, pieces: pieces.map(({ data, rule }) => ({ data, rule })) })) [text, asked, found] = ['', '', []];
  }
</script>

<div class="own">
  {#each own as piece (piece.word)}
    <p>
      <span title="“{piece.source.title}”, {LICENSES[piece.source.license as keyof typeof LICENSES]?.label ?? piece.source.license}"
        >{piece.word}</span
      >
      <button
        class="link"
        title="Looks the other way"
        aria-pressed={piece.turned}
        aria-label="Turn {piece.word} round"
        onclick={() =>
          change(
            'turn a charge',
            own.map((each) => (each === piece ? { ...each, turned: !each.turned } : each)),
          )}>Turn round</button
      >
      <button
        class="link"
        title="Lets go of its picture; where the blazon names it, nothing stands until there is another"
        aria-label="Let go of {piece.word}"
        onclick={() =>
          change(
            'let a charge go',
            own.filter((each) => each !== piece),
          )}>Let go</button
      >
    </p>
  {/each}
  {#if own.length < MOST_OWN_CHARGES}
    <label class="quiet" for={id}>Pictures to bear</label>
    <input
      {id}
      type="search"
      maxlength="40"
      title="A beast, a plant, a thing: what is chosen can be named in the blazon, and stand above and beside the shield"
      placeholder="“lion rampant”, “heron”"
      bind:value={text}
      onkeydown={(event) => {
        if (event.key !== 'Enter') return;
        event.preventDefault();
        void search(wanted);
      }}
      onchange={() => wanted !== asked && void search(wanted)}
    />
    <div aria-live="polite">
      {#if searching}<p class="quiet">Looking for “{asked}” …</p>{/if}
      {#if fault}<p class="odd">{fault}</p>{/if}
      {#if found.length > 0}<p class="quiet">Which is the {asked}? It is borne in one tincture.</p>{/if}
    </div>
    {#if found.length > 0}
      <ul>
        {#each found as entry (entry.id)}
          <li>
            <button
              aria-label="Bear {titleOf(entry.id)} as {asked}"
              title="{titleOf(entry.id)}: borne as {asked}"
              onclick={() => void bear(entry)}
              ><img src="/api/art/{entry.id}/picture.svg?color={color}" alt="" loading="lazy" width="34" height="34" /></button
            >
          </li>
        {/each}
      </ul>
    {/if}
    {#if besides.length > 0}
      {#key own}<Pick
          label="Or of this mark"
          hint="A drawn curve, a shape or a piece of art that stands in this mark: its outline can be borne, or be the shield"
          value=""
          options={[{ value: '', label: 'choose' }, ...besides.map((part) => ({ value: part.id, label: table.nameOf(part) }))]}
          choose={(value) => value !== '' && void bearPart(value)}
        />{/key}
    {/if}
  {:else}<p class="quiet">{MOST_OWN_CHARGES} pictures are as many as a crest keeps. Let one go to bear another.</p>{/if}
</div>

<style>
  .own {
    padding: 4px 0;
    border-bottom: 1px solid var(--color-rule);
    font-size: 13px;
  }
  p {
    display: flex;
    gap: 10px;
    margin: 2px 0;
  }
  p span:first-child:not(:only-child) {
    flex: 1;
    font-weight: 600;
  }
  input {
    width: 100%;
    padding: 4px 6px;
    border: 1px solid var(--color-rule);
    background: var(--color-paper);
    font-size: 13px;
  }
  ul {
    display: grid;
    grid-template-columns: repeat(6, 1fr);
    gap: 4px;
  }
  li button {
    display: grid;
    place-items: center;
    width: 100%;
    padding: 4px;
    border: 1px solid var(--color-rule);
    background: var(--color-sheet);
  }
  li button:hover {
    border-color: var(--color-plum);
  }
  .odd {
    color: var(--color-rust);
    font-size: 12px;
  }
</style>
