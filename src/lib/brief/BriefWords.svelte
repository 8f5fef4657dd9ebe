<script lang="ts">
  import { USE_NAMES, USES, type Brief, type Use } from '$core/index';
  import type { OpenDocument } from '$lib/client/work/open-document.svelte';
  import VoiceScales from './VoiceScales.svelte';

  const { brief }: { brief: OpenDocument<Brief> } = $props();
  const id = $props.id();

  const FIELDS = [
    { field: 'audience', label: 'Who they are', hint: 'What they do, and for whom' },
    { field: 'promise', label: 'Promise', hint: 'What people can count on' },
    { field: 'avoid', label: 'Not', hint: 'What it must never look like' },
  ] as const;
  let keyword = $state('');

  const toggle = (use: Use) =>
    brief.commit('Brief', {
      ...brief.content,
      uses: brief.content.uses.includes(use) ? brief.content.uses.filter((each) => each !== use) : [...brief.content.uses, use],
    });
  function addKeywords(): void {
    const fresh = keyword
      .split(',')
      .map((word) =>
        word
          .replace(/[\p{Cc}\p{Cs}]/gu, '')
          .trim()
          .slice(0, 60),
      )
      .filter((word) => word && !brief.content.keywords.includes(word));
    keyword = '';
    if (fresh.length > 0)
      brief.commit('Brief', { ...brief.content, keywords: [...brief.content.keywords, ...new Set(fresh)].slice(0, 60) });
  }
</script>

<div class="words">
  <h1>Brief</h1>
  <p class="quiet">What is decided here orders the type trials, the art search and the proofs. All of it is optional, and can change.</p>
  {#each FIELDS as { field, label, hint } (field)}
    <div class="field">
      <label class="label" for="{id}-{field}">{label}</label>
      <textarea
        title="What the client says of it, in a sentence or two"
        id="{id}-{field}"
        rows="1"
        maxlength="2000"
        placeholder={hint}
        value={brief.content[field]}
        oninput={(event) => brief.preview({ ...brief.content, [field]: event.currentTarget.value })}
        onblur={() => brief.commit('Brief')}></textarea>
    </div>
  {/each}
  <div class="field">
    <label class="label" for="{id}-keyword">Words</label>
    <div>
      {#each brief.content.keywords as word (word)}
        <span class="keyword"
          >{word}
          <button
            title="The word goes from the brief; undo brings it back"
            aria-label="Take away {word}"
            onclick={() => brief.commit('Brief', { ...brief.content, keywords: brief.content.keywords.filter((each) => each !== word) })}
            >×</button
          ></span
        >
      {/each}
      <input
        title="Words of the client’s world, apart by commas; Enter takes them"
        id="{id}-keyword"
        bind:value={keyword}
        placeholder="wind, thread, seam"
        autocomplete="off"
        onkeydown={(event) => event.key === 'Enter' && addKeywords()}
        onblur={addKeywords}
      />
    </div>
  </div>
  <VoiceScales {brief} />
  <section aria-label="Where the marks will live">
    <h2 class="label">Where the marks will live</h2>
    {#each USE_NAMES as use (use)}
      <button
        title="Where the marks will be seen: the proofs and the packs begin with it"
        class="use"
        aria-pressed={brief.content.uses.includes(use)}
        onclick={() => toggle(use)}>{USES[use].label}</button
      >
    {/each}
  </section>
</div>

<style>
  .words {
    overflow-y: auto;
    padding: 18px 26px 30px;
    border-right: 1px solid var(--color-rule);
  }
  .field {
    display: grid;
    grid-template-columns: 98px 1fr;
    gap: 8px;
    padding: 8px 0;
    border-bottom: 1px solid var(--color-rule);
  }
  .field:first-of-type {
    margin-top: 12px;
    border-top: 1px solid var(--color-rule);
  }
  .field > label {
    padding-top: 3px;
  }
  textarea {
    width: 100%;
    padding: 0 4px;
    border: 0;
    background: none;
    field-sizing: content;
    font: 16px/1.4 var(--font-serif);
    resize: none;
  }
  .words :global(section) {
    margin-top: 12px;
    padding-top: 10px;
    border-top: 1px solid var(--color-ink);
  }
  h2 {
    margin-bottom: 4px;
    font-family: var(--font-sans);
  }
  .keyword {
    margin-right: 10px;
    font: 16px/1.5 var(--font-serif);
  }
  .keyword button {
    color: var(--color-quiet);
  }
  .field input {
    width: 150px;
    padding: 0 4px;
    border: 0;
    background: none;
    font: 16px/1.5 var(--font-serif);
  }
  .use {
    margin: 0 14px 4px 0;
    color: var(--color-quiet);
  }
  .use[aria-pressed='true'] {
    color: var(--color-ink);
    font-weight: 600;
  }
  .use[aria-pressed='true']::before {
    content: '◆ ' / '';
    color: var(--color-plum);
    font-size: 10px;
  }
</style>
