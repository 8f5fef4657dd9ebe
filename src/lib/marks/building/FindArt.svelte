<script lang="ts">
  import { membersDeep, type ArtEntry, type KnownPart } from '$core/index';
  import { request, sentences } from '$lib/client/request';
  import Pick from '$lib/ui/Pick.svelte';
  import { useTable } from '../table/table.svelte';

  interface Props {
    label: string;
    hint: string;
    placeholder: string;
    /** The group that is built: its own parts are not offered. */
    groupId: string;
    /** Kinds of parts of this mark that can be taken as well, and what taking one does. */
    kinds: readonly KnownPart['kind'][];
    kindsHint: string;
    /** A word that is looked for by itself. */
    wants?: string | undefined;
    /** What is wrong with words that are looked for; nothing where they are good. */
    refuses?: (words: string) => string;
    /** The question over what was found, and what a piece of it is called aloud. */
    question: (words: string) => string;
    called: (title: string, words: string) => string;
    /** Take a piece that was found, or a part; they say what kept them from it, or nothing. */
    takeArt: (entry: ArtEntry, words: string) => Promise<string>;
    takePart: (part: KnownPart, words: string) => Promise<string>;
  }
  const { label, hint, placeholder, groupId, kinds, kindsHint, wants, refuses, question, called, takeArt, takePart }: Props = $props();
  const table = useTable();
  const id = $props.id();

  /** So many are shown: two rows, the best first. */
  const SHOWN = 12;
  let text = $state('');
  let asked = $state('');
  let found: readonly ArtEntry[] = $state.raw([]);
  let fault = $state('');
  let searching = $state(false);
  let taken = $state(0);
  const wanted = $derived(text.trim().toLowerCase());
  const titleOf = (entry: string) => (entry.split('/')[1] ?? '').replaceAll('-', ' ');
  const color = $derived(encodeURIComponent(table.palette.lead));

  // What is lacking is looked for at once.
  $effect(() => {
    if (wants !== undefined) void search((text = wants));
  });

  async function search(words: string): Promise<void> {
    const name = words.trim().toLowerCase();
    found = [];
    searching = false;
    asked = name;
    fault = name === '' ? '' : (refuses?.(name) ?? '');
    if (name === '' || fault !== '') return;
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

  /** What stands in this mark beside what is built. */
  const besides = $derived.by(() => {
    const within = membersDeep(table.open.recipe, groupId);
    return table.parts.filter(({ kind, id: part }) => kinds.some((each) => each === kind) && part !== groupId && !within.has(part));
  });
  async function choosePart(which: string): Promise<void> {
    const part = besides.find((each) => each.id === which);
    if (!part || part.kind === 'unknown') return;
    fault = await takePart(part, wanted);
    taken++;
  }
  async function chooseArt(entry: ArtEntry): Promise<void> {
    fault = await takeArt(entry, asked);
    if (fault === '') [text, asked, found] = ['', '', []];
  }
</script>

<label class="quiet" for={id}>{label}</label>
<input
  {id}
  type="search"
  maxlength="40"
  title={hint}
  {placeholder}
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
  {#if found.length > 0}<p class="quiet">{question(asked)}</p>{/if}
</div>
{#if found.length > 0}
  <ul>
    {#each found as entry (entry.id)}
      <li>
        <button aria-label={called(titleOf(entry.id), asked)} title={called(titleOf(entry.id), asked)} onclick={() => void chooseArt(entry)}
          ><img src="/api/art/{entry.id}/picture.svg?color={color}" alt="" loading="lazy" width="34" height="34" /></button
        >
      </li>
    {/each}
  </ul>
{/if}
{#if besides.length > 0}
  {#key taken}<Pick
      label="Or of this mark"
      hint={kindsHint}
      value=""
      options={[{ value: '', label: 'choose' }, ...besides.map((part) => ({ value: part.id, label: table.nameOf(part) }))]}
      choose={(value) => value !== '' && void choosePart(value)}
    />{/key}
{/if}

<style>
  p {
    margin: 2px 0;
    font-size: 13px;
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
