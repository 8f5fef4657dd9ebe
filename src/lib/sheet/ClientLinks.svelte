<script lang="ts">
  import { onMount } from 'svelte';
  import type { ShownMark } from '$lib/client/read-marks';
  import { request, sentences } from '$lib/client/request';
  import { onNews } from '$lib/client/work/news';
  import Fold from '$lib/ui/Fold.svelte';
  import MayChange from '$lib/ui/MayChange.svelte';

  interface Note {
    readonly id: string;
    readonly link: string;
    readonly mark: string;
    readonly revision: number;
    readonly kind: 'note' | 'yes';
    readonly at: { readonly x: number; readonly y: number } | null;
    readonly try: { readonly id: string; readonly name: string } | null;
    readonly part: string | null;
    readonly name: string;
    readonly text: string;
    readonly answer: string | null;
    readonly closed: boolean;
  }
  interface View {
    readonly links: readonly {
      readonly id: string;
      readonly name: string;
      readonly endsAt: string | null;
      readonly state: 'open' | 'over' | 'ended';
      readonly hasWord: boolean;
      readonly marks: readonly string[];
    }[];
    readonly notes: readonly Note[];
    readonly offers: {
      readonly tries: readonly { readonly id: string; readonly name: string; readonly mark: string }[];
      readonly packs: readonly { readonly id: string; readonly name: string }[];
    };
    readonly address?: string;
  }
  interface Props {
    brand: { readonly id: string; readonly slug: string };
    marks: readonly ShownMark[];
  }
  const { brand, marks }: Props = $props();
  const kept = $derived(marks.filter(({ shelf, recipe }) => shelf === 'kept' && recipe.parts.length > 0));
  const markOf = (id: string) => marks.find((mark) => mark.id === id);

  let view: View | undefined = $state.raw();
  let address = $state('');
  let said = $state('');
  let name = $state('For the client');
  let word = $state('');
  let day = $state('');
  let left: ReadonlySet<string> = $state.raw(new Set());
  /** Tries and packs that are shown as well. */
  let taken: ReadonlySet<string> = $state.raw(new Set());
  const tries = $derived(view?.offers.tries.filter(({ mark }) => !left.has(mark) && kept.some(({ id }) => id === mark)) ?? []);
  const packs = $derived(view?.offers.packs ?? []);
  const home = $derived(`/api/brands/${brand.slug}`);
  const take = (answer: Awaited<ReturnType<typeof request<View>>>): boolean => {
    if (answer.ok) [view, said] = [answer.value, ''];
    else said = sentences(answer.problems);
    return answer.ok;
  };
  const look = async () => void take(await request<View>('GET', `${home}/links`));
  onMount(() => {
    void look();
    return onNews(`client:${brand.id}`, () => void look());
  });

  async function make(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    const shown = kept.filter(({ id }) => !left.has(id)).map(({ id }) => id);
    const endsAt = day === '' ? null : new Date(`${day}T23:59:59`).toISOString();
    const answer = await request<View>('POST', `${home}/links`, {
      ...{ name: name.trim(), marks: shown, word, endsAt },
      ...{
        tries: tries.filter(({ id }) => taken.has(id)).map(({ id }) => id),
        packs: packs.filter(({ id }) => taken.has(id)).map(({ id }) => id),
      },
    });
    if (take(answer) && answer.ok) [address, word] = [answer.value.address ?? '', ''];
  }
  const end = async (id: string) => take(await request<View>('PATCH', `${home}/links/${id}`, { do: 'end' }));
  const change = async (id: string, body: object) => take(await request<View>('PATCH', `${home}/notes/${id}`, body));
  function toggled(set: ReadonlySet<string>, id: string): ReadonlySet<string> {
    const next = new Set(set);
    if (!next.delete(id)) next.add(id);
    return next;
  }
  /** What a part is called, as far as words tell it. */
  function partName(mark: ShownMark | undefined, id: string): string {
    const part = mark?.recipe.parts.find((each) => each.id === id);
    return part && 'text' in part && typeof part.text === 'string' ? `“${part.text}”` : (part?.kind ?? 'a part that is gone');
  }
  const open = $derived(view?.notes.filter(({ closed }) => !closed) ?? []);
  const STATES = { open: 'open', over: 'its day has passed', ended: 'ended' } as const;
</script>

<Fold label="Client’s link" summary={open.length === 0 ? '' : `${open.length} to answer`}>
  {#if said}<p class="fault" role="alert">{said}</p>{/if}
  {#if address}
    <p class="quiet">Its address, said once: copy it now.</p>
    <input
      title="Copy it and give it to the client: whoever has it may look"
      readonly
      aria-label="Address of the link"
      value={address}
      onfocus={(event) => event.currentTarget.select()}
    />
  {/if}
  <ul aria-label="Notes of the client">
    {#each view?.notes ?? [] as note (note.id)}
      {@const mark = markOf(note.mark)}
      <li class:closed={note.closed}>
        <p>
          <strong>{note.name}</strong>
          {note.kind === 'yes'
            ? `said yes to ${note.try ? `“${note.try.name}”` : `version ${note.revision}`} of`
            : note.try
              ? `on “${note.try.name}” of`
              : 'on'}
          <a href="/brands/{brand.slug}/marks/{mark?.slug ?? ''}{note.part ? `?part=${encodeURIComponent(note.part)}` : ''}"
            >{mark?.name ?? 'a mark that is gone'}{note.part ? `, ${partName(mark, note.part)}` : ''}</a
          >
          {#if note.at}<span class="quiet">at {Math.round(note.at.x * 100)} %, {Math.round(note.at.y * 100)} %</span>{/if}
        </p>
        {#if note.text}<p class="text">{note.text}</p>{/if}
        <MayChange
          ><textarea
            title="The client reads it beside the note"
            aria-label="Answer to {note.name}"
            rows="1"
            maxlength="4000"
            placeholder="answer"
            value={note.answer ?? ''}
            onchange={(event) => void change(note.id, { answer: event.currentTarget.value })}></textarea>
          <button title="Closed notes stay, but ask for nothing more" onclick={() => void change(note.id, { closed: !note.closed })}
            >{note.closed ? 'Open again' : 'Close'}</button
          ></MayChange
        >
      </li>
    {/each}
  </ul>
  <ul aria-label="Links">
    {#each view?.links ?? [] as link (link.id)}
      <li>
        <strong>{link.name}</strong>
        <span class="quiet"
          >{STATES[link.state]}{link.endsAt && link.state === 'open' ? ` until ${link.endsAt.slice(0, 10)}` : ''}{link.hasWord
            ? ', with a word'
            : ''}, {link.marks.length} shown</span
        >
        {#if link.state === 'open'}<MayChange
            ><button title="The address opens nothing any more" aria-label="End it: {link.name}" onclick={() => void end(link.id)}
              >End it</button
            ></MayChange
          >{/if}
      </li>
    {/each}
  </ul>
  <form onsubmit={make} aria-label="A new link">
    <MayChange>
      <label for="link-name">What it is called</label>
      <input title="For you: who it is for" id="link-name" maxlength="80" required bind:value={name} />
      <label for="link-word">A word to enter, if you like</label>
      <input
        title="The client enters it once; leave it empty where the address is enough"
        id="link-word"
        maxlength="200"
        autocomplete="off"
        bind:value={word}
      />
      <label for="link-day">Last day, if it has one</label>
      <input title="After this day the address opens nothing any more" id="link-day" type="date" bind:value={day} />
      <fieldset>
        <legend>Shows</legend>
        {#each kept as mark (mark.id)}
          <label class="tick"
            ><input
              title="Whether the client sees this mark"
              type="checkbox"
              checked={!left.has(mark.id)}
              onchange={() => (left = toggled(left, mark.id))}
            />
            {mark.name}</label
          >
        {/each}
      </fieldset>
      {#if tries.length > 0}
        <fieldset>
          <legend>Tries to compare</legend>
          {#each tries as { id, name: called, mark } (id)}
            <label class="tick"
              ><input
                title="Shown beside the mark, so that the client can compare"
                type="checkbox"
                checked={taken.has(id)}
                onchange={() => (taken = toggled(taken, id))}
              />
              {markOf(mark)?.name}: {called}</label
            >
          {/each}
        </fieldset>
      {/if}
      {#if packs.length > 0}
        <fieldset>
          <legend>Packs to fetch</legend>
          {#each packs as { id, name: called } (id)}
            <label class="tick"
              ><input
                title="The client may fetch the files of this pack"
                type="checkbox"
                checked={taken.has(id)}
                onchange={() => (taken = toggled(taken, id))}
              />
              {called}</label
            >
          {/each}
        </fieldset>
      {/if}
      <button
        title="An address that nobody can guess; what it shows can be ended at any time"
        disabled={kept.every(({ id }) => left.has(id))}>Make a link</button
      ></MayChange
    >
  </form>
</Fold>

<style>
  ul {
    padding: 0;
    list-style: none;
  }
  li {
    padding: 6px 0;
    border-bottom: 1px solid var(--color-rule);
    font-size: 13px;
  }
  .closed {
    background: var(--color-paper);
  }
  .text {
    overflow-wrap: anywhere;
    white-space: pre-wrap;
  }
  .quiet {
    font-size: 12px;
  }
  form,
  fieldset {
    display: grid;
    gap: 4px;
    padding-top: 8px;
    font-size: 13px;
  }
  input:not([type='checkbox']),
  textarea {
    width: 100%;
    padding: 5px 8px;
    border: 1px solid var(--color-rule);
    background: var(--color-sheet);
    font-size: 13px;
  }
  .tick {
    display: flex;
    gap: 8px;
    align-items: center;
    min-height: 24px;
  }
  button {
    min-height: 26px;
    color: var(--color-plum);
    font-weight: 600;
    text-align: left;
  }
  .fault {
    color: var(--color-rust);
    font-size: 13px;
  }
</style>
