<script lang="ts">
  import { LICENSES, type LicenseTerms, type ScreenPicture } from '$core/index';
  import MarkPicture from '$lib/ui/MarkPicture.svelte';

  interface Face {
    readonly id: string;
    readonly name: string;
    readonly class: string;
    readonly license: string;
    readonly terms: LicenseTerms;
    readonly picture: ScreenPicture;
  }
  interface Collection {
    readonly id: string;
    readonly label: string;
    readonly author: string;
    readonly terms: LicenseTerms;
    readonly pieces: number;
    readonly styles: Readonly<Record<string, number>>;
    readonly samples: readonly string[];
  }
  interface Props {
    faces: readonly Face[];
    collections: readonly Collection[];
  }
  const { faces, collections }: Props = $props();

  let sought = $state('');
  /** The faces by class, classes in alphabetical order, narrowed by name or class. */
  const classes = $derived.by(() => {
    const words = sought.trim().toLowerCase();
    const found = faces.filter((face) => `${face.name} ${face.class}`.toLowerCase().includes(words));
    const names = [...new Set(found.map((face) => face.class))].sort();
    return names.map((name) => ({ name, faces: found.filter((face) => face.class === name) }));
  });
  const SELL = { yes: 'may be sold with', 'with credit': 'may be sold with, naming the author', ask: 'ask before selling' } as const;
  const REGISTER = { yes: 'may be registered', no: 'not to be registered', ask: 'ask before registering' } as const;
  const count = (number: number) => number.toLocaleString('en');
  /** How large names stand on the page, against the size they are drawn at. */
  const AS_DRAWN = 0.72;
</script>

<main>
  <div class="head">
    <h1>Library</h1>
    <p class="quiet">
      {count(faces.length)} font families and {count(collections.reduce((sum, { pieces }) => sum + pieces, 0))} pieces of art ship with the table,
      each with what its license allows.
    </p>
  </div>

  <section aria-label="Art">
    <h2>Art</h2>
    {#each collections as { id, label, author, terms, pieces, styles, samples } (id)}
      <article>
        <div class="samples" aria-hidden="true">
          {#each samples as sample (sample)}<img src="/api/art/{sample}/picture.svg" alt="" width="34" height="34" loading="lazy" />{/each}
        </div>
        <div>
          <h3>{label} <span class="quiet">{count(pieces)} pieces</span></h3>
          <p class="quiet">
            {Object.entries(styles)
              .map(([style, number]) => `${count(number)} ${style === 'colored' ? 'in several colors' : style}`)
              .join(' · ')}
          </p>
        </div>
        <div>
          <p><strong>{terms.label}</strong> <span class="quiet">by {author}</span></p>
          <p class="quiet">{SELL[terms.sell]} · {REGISTER[terms.register]}</p>
        </div>
      </article>
    {/each}
  </section>

  <section aria-label="Fonts">
    <div class="with-field">
      <h2>Fonts</h2>
      <input
        title="A name, or a kind of face"
        type="search"
        aria-label="Search fonts"
        placeholder="A name or a kind: “script”"
        bind:value={sought}
      />
    </div>
    {#each classes as { name, faces: members } (name)}
      <h3 class="class">{name} <span class="quiet">{members.length}</span></h3>
      <ul>
        {#each members as face (face.id)}
          {@const ink = face.picture.ink}
          <li>
            <div
              class="name"
              style:width="{ink ? (ink.right - ink.left) * AS_DRAWN : 0}px"
              style:aspect-ratio={ink ? (ink.right - ink.left) / (ink.bottom - ink.top) : 1}
            >
              <MarkPicture picture={face.picture} label={face.name} />
            </div>
            <p class="quiet">{face.name} · <a class="link" href="/fonts/{face.id}/LICENSE.txt">{face.terms.label}</a></p>
          </li>
        {/each}
      </ul>
    {:else}<p class="quiet">No face is called “{sought}”. Try a kind, such as serif or script.</p>{/each}
  </section>

  <section aria-label="Licenses">
    <h2>What each license means</h2>
    <dl>
      {#each Object.entries(LICENSES) as [name, terms] (name)}
        <dt>{terms.label}</dt>
        <dd class="quiet">{terms.says}</dd>
      {/each}
    </dl>
    <p class="quiet">Guidance, not legal advice; the license’s own text decides.</p>
  </section>
</main>

<style>
  main {
    max-width: 1400px;
    margin: 0 auto;
    padding: 16px 26px 60px;
  }
  .head {
    display: flex;
    align-items: baseline;
    justify-content: space-between;
    padding: 6px 0 14px;
    border-bottom: 1px solid var(--color-ink);
  }
  section {
    padding-top: 22px;
  }
  h2 {
    padding-bottom: 8px;
    font: 500 20px var(--font-serif);
  }
  h3 {
    font-weight: 600;
  }
  h3 .quiet {
    padding-left: 8px;
    font-weight: 400;
    font-size: 12px;
  }
  article {
    display: grid;
    grid-template-columns: 330px 1fr 1fr;
    align-items: center;
    gap: 22px;
    padding: 10px 0;
    border-bottom: 1px solid var(--color-rule);
  }
  article p {
    font-size: 13px;
  }
  .samples {
    display: flex;
    gap: 12px;
  }
  .with-field {
    display: flex;
    align-items: center;
    justify-content: space-between;
  }
  input {
    width: 240px;
    padding: 5px 10px;
    border: 1px solid var(--color-rule);
    background: var(--color-sheet);
    font-size: 13px;
  }
  .class {
    padding: 14px 0 4px;
    border-bottom: 1px solid var(--color-rule);
  }
  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
    gap: 18px 26px;
    padding: 14px 0;
  }
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    align-content: end;
    gap: 6px;
    overflow: hidden;
  }
  .name {
    max-width: 100%;
  }
  li p {
    font-size: 12px;
  }
  dl {
    display: grid;
    grid-template-columns: 260px 1fr;
    row-gap: 8px;
    padding-bottom: 10px;
  }
  dt {
    font-weight: 600;
  }
</style>
