<script lang="ts">
  import { PLACE_PX } from './place';

  interface Note {
    readonly id: string;
    readonly kind: 'note' | 'yes';
    readonly at: { readonly x: number; readonly y: number } | null;
    readonly name: string;
    readonly text: string;
    readonly createdAt: string;
    readonly answer: string | null;
    readonly closed: boolean;
    readonly revision: number;
    /** The name of the try it is about, where it is not the mark itself. */
    readonly try: string | null;
  }
  interface Props {
    mark: {
      readonly id: string;
      readonly slug: string;
      readonly name: string;
      readonly role: string;
      readonly revision: number;
      readonly isPiece: boolean;
      /** Other ways that are compared with it. */
      readonly tries: readonly { readonly id: string; readonly name: string }[];
      readonly dressings: readonly { readonly dressing: string; readonly label: string; readonly ground: string }[];
    };
    token: string;
    /** What all pictures are drawn from: an address that says it shows the same for good. */
    from: string;
    notes: readonly Note[];
    /** Where the client has just pointed, as shares. */
    placed: { readonly x: number | null; readonly y: number | null } | null;
  }
  const { mark, token, from, notes, placed }: Props = $props();
  const file = (format: string, query = '') => `/c/${token}/files/${mark.slug}.${format}${query}`;
  const shown = $derived((slug: string, dressing = 'full') => `/c/${token}/files/${slug}.svg?dressing=${dressing}&from=${from}`);
  const here = $derived(placed?.x != null && placed.y != null ? { x: placed.x, y: placed.y } : null);
  const dots = $derived([...notes.flatMap(({ id, at, closed }, index) => (at && !closed ? [{ id, at, n: index + 1 }] : []))]);
  const yes = $derived(notes.findLast(({ kind }) => kind === 'yes'));
</script>

<section id="mark-{mark.slug}" aria-label={mark.name}>
  <h2>{mark.name} <small>{mark.isPiece ? 'piece' : mark.role}, version {mark.revision}</small></h2>
  {#if yes}
    <p class="yes">
      {yes.name} said yes to {yes.try === null
        ? `version ${yes.revision}${yes.revision === mark.revision ? '' : `; this is version ${mark.revision}`}`
        : `“${yes.try}”`}.
    </p>
  {/if}
  {#if mark.tries.length > 0}
    <ul class="ways" aria-label="Ways to compare">
      <li>
        <div><img src={shown(mark.slug)} alt="{mark.name}, version {mark.revision}" /></div>
        <small>Version {mark.revision}</small>
      </li>
      {#each mark.tries as { id, name } (id)}
        <li>
          <div><img src={shown(id)} alt="{mark.name}, {name}" /></div>
          <small>{name}</small>
        </li>
      {/each}
    </ul>
  {/if}
  <div class="sides">
    <div class="ground">
      <div class="place" style:width="{PLACE_PX}px" style:height="{PLACE_PX}px">
        <!-- a click sends where it was: this works without scripts -->
        <form method="GET" action="/c/{token}#mark-{mark.slug}">
          <input type="hidden" name="mark" value={mark.id} />
          <input
            type="image"
            name="place"
            src={shown(mark.slug)}
            alt="{mark.name}: click where your note belongs"
            width={PLACE_PX}
            height={PLACE_PX}
          />
        </form>
        {#each dots as { id, at, n } (id)}<span class="dot" style:left="{at.x * 100}%" style:top="{at.y * 100}%">{n}</span>{/each}
        {#if here}<span class="dot now" style:left="{here.x * 100}%" style:top="{here.y * 100}%">+</span>{/if}
      </div>
    </div>
    <div class="said">
      <ol>
        {#each notes as note (note.id)}
          <li class:closed={note.closed}>
            <p>
              <strong>{note.name}</strong>
              {note.kind === 'yes'
                ? `said yes to ${note.try === null ? `version ${note.revision}` : `“${note.try}”`}`
                : note.try === null
                  ? ''
                  : `on “${note.try}”`}
              <small>{note.createdAt.slice(0, 10)}</small>
            </p>
            {#if note.text}<p class="text">{note.text}</p>{/if}
            {#if note.answer}<p class="answer">{note.answer}</p>{/if}
          </li>
        {/each}
      </ol>
      <form method="POST" action="?/say" class="note">
        <input type="hidden" name="mark" value={mark.id} />
        {#if here}
          <input type="hidden" name="x" value={here.x} /><input type="hidden" name="y" value={here.y} />
          <p class="quiet">Your note goes to the place with the plus.</p>
        {:else}<p class="quiet">Click on the picture for a note at a place, or write one about all of it.</p>{/if}
        <label for="name-{mark.slug}">Your name</label>
        <input title="Stands beside your note" id="name-{mark.slug}" name="name" maxlength="80" required autocomplete="name" />
        <label for="text-{mark.slug}">Note</label>
        <textarea title="What you would like to say" id="text-{mark.slug}" name="text" rows="3" maxlength="4000"></textarea>
        {#if mark.tries.length > 0}
          <label for="try-{mark.slug}">About</label>
          <select title="Which of them you mean" id="try-{mark.slug}" name="try">
            <option value="">Version {mark.revision}</option>
            {#each mark.tries as { id, name } (id)}<option value={id}>{name}</option>{/each}
          </select>
        {/if}
        <div class="acts">
          <button title="The studio sees it at once" name="kind" value="note">Leave the note</button>
          <button title="Kept with your name, the day and the version" name="kind" value="yes" class="yes-button"
            >{mark.tries.length > 0 ? 'Yes to this one' : `Yes to version ${mark.revision}`}</button
          >
        </div>
      </form>
    </div>
  </div>
  {#if mark.dressings.length > 0}
    <ul class="grounds" aria-label="On its grounds">
      {#each mark.dressings as { dressing, label, ground } (dressing)}
        <li>
          <div style:background={ground}><img src={shown(mark.slug, dressing)} alt="{mark.name}, {label}" loading="lazy" /></div>
          <small
            >{label} · <a href={file('png', `?dressing=${dressing}&download=1`)}>PNG</a> ·
            <a href={file('svg', `?dressing=${dressing}&download=1`)}>SVG</a></small
          >
        </li>
      {/each}
    </ul>
  {/if}
  <form method="GET" action={file('png')} class="sized">
    <input type="hidden" name="download" value="1" />
    <label for="width-{mark.slug}">PNG, so many pixels wide</label>
    <input title="How wide the picture is" id="width-{mark.slug}" name="width" type="number" min="16" max="6000" value="1200" />
    <button title="Makes the picture and saves it">Fetch</button>
    <a href={file('pdf', '?download=1')}>PDF for print</a>
    <a href={file('jpg', '?download=1')}>JPEG</a>
  </form>
</section>

<style>
  section {
    padding: 26px 0;
    border-top: 1px solid var(--color-rule);
  }
  small,
  .quiet {
    color: var(--color-quiet);
    font-weight: 400;
    font-size: 14px;
  }
  .yes {
    color: var(--color-moss);
  }
  .sides {
    display: flex;
    flex-wrap: wrap;
    gap: 20px;
    padding: 12px 0;
  }
  .ground {
    align-self: start;
    padding: 7px;
    border: 1px solid var(--color-rule);
    background: #fff;
  }
  .place {
    position: relative;
    max-width: 100%;
  }
  .place input[type='image'] {
    display: block;
    padding: 0;
    border: 0;
    object-fit: contain;
    cursor: crosshair;
  }
  .dot {
    position: absolute;
    display: grid;
    place-items: center;
    width: 24px;
    height: 24px;
    border-radius: 12px;
    background: var(--color-plum);
    color: #fff;
    font-size: 12px;
    pointer-events: none;
    translate: -50% -50%;
  }
  .now {
    background: var(--color-amber);
  }
  .said {
    flex: 1;
    min-width: 260px;
  }
  ol {
    padding-left: 20px;
  }
  li p {
    overflow-wrap: anywhere;
  }
  .text {
    white-space: pre-wrap;
  }
  .answer {
    padding-left: 10px;
    border-left: 3px solid var(--color-moss);
  }
  .closed {
    background: var(--color-paper);
  }
  .note {
    display: grid;
    gap: 6px;
    margin-top: 10px;
  }
  .ways {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
    gap: 12px;
    padding: 12px 0 0;
    list-style: none;
  }
  .ways div {
    display: grid;
    place-items: center;
    height: 190px;
    padding: 14px;
    border: 1px solid var(--color-rule);
    background: #fff;
  }
  .ways img {
    max-width: 100%;
    max-height: 160px;
  }
  select,
  input,
  textarea {
    min-height: 44px;
    padding: 8px 10px;
    border: 1px solid var(--color-quiet);
    background: var(--color-sheet);
    font-size: 16px;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
  }
  button {
    min-height: 44px;
    padding: 8px 16px;
    background: var(--color-plum);
    color: #fff;
    font-weight: 600;
  }
  .yes-button {
    background: var(--color-moss);
  }
  .grounds {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
    gap: 12px;
    padding: 0;
    list-style: none;
  }
  .grounds div {
    display: grid;
    place-items: center;
    height: 110px;
    padding: 14px;
    border: 1px solid var(--color-rule);
  }
  .grounds img {
    max-width: 100%;
    max-height: 82px;
  }
  a {
    color: var(--color-plum);
    font-weight: 600;
  }
  .sized {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 10px;
    padding-top: 14px;
  }
  .sized input[type='number'] {
    width: 110px;
  }
</style>
