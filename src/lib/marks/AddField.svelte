<script lang="ts">
  import FormPicture from './FormPicture.svelte';
  import { LONGEST_TEXT, startOf, withTexts } from '$core/index';
  import { addables, type Addable } from './table/addables';
  import { matching } from './table/matching';
  import { useTable } from './table/table.svelte';

  const table = useTable();
  const id = $props.id();
  let typed = $state('');
  let showing = $state(false);
  let current = $state(0);
  let field: HTMLInputElement | undefined = $state();

  /** What begins with the words that are typed after its name. */
  const begun = $derived.by((): readonly Addable[] => {
    const { asked, texts } = withTexts(typed);
    if (!showing || texts.length === 0) return [];
    return matching(addables(table), asked)
      .filter((addable) => addable.texts)
      .map((addable) => {
        const taken = texts.slice(0, addable.texts);
        return { ...addable, hint: `saying ${taken.map((text) => `“${text}”`).join(', ')}`, add: () => addable.add(taken) };
      });
  });
  const found = $derived(begun.length > 0 || !showing ? begun : matching(addables(table), typed));

  /** Words that ask for the library itself, not for something in it. */
  const NAMES_THE_LIBRARY = /^(the )?(art|artwork|icons?|symbols?|art ?(library|shelf)|library( of art)?)$/i;
  /** What can be done with the words themselves, whatever they ask for. */
  const words = $derived(typed.trim());
  const others = $derived(
    words === '' || begun.length > 0
      ? []
      : [
          NAMES_THE_LIBRARY.test(words)
            ? { id: 'art', before: 'Open the art library', act: searchArt }
            : { id: 'art', before: 'Look for', after: 'in the art library', act: searchArt },
          { id: 'write', before: 'Write', after: 'as lettering', act: write },
        ],
  );

  /** Brings the caret here; the `/` key does it from anywhere. */
  export function focus(): void {
    field?.focus();
  }
  function choose(addable: Addable | undefined): void {
    if (!addable) return;
    addable.add();
    typed = '';
    showing = false;
    field?.blur();
  }
  /** What was typed, looked for among the art that ships. */
  function searchArt(): void {
    table.art.text = NAMES_THE_LIBRARY.test(words) ? '' : words;
    table.art.show();
    typed = '';
    showing = false;
  }
  /** What was typed, as it was typed. */
  function write(): void {
    const lettering = addables(table).find(({ id: which }) => which === 'lettering');
    choose(lettering && { ...lettering, add: () => lettering.add([words]) });
  }
  function keys(event: KeyboardEvent): void {
    if (event.key === 'Escape') {
      showing = false;
      field?.blur();
    } else if (event.key === 'Enter') {
      if (current < found.length) choose(found[current]);
      else others[current - found.length]?.act();
    } else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      const all = found.length + others.length;
      current = (current + (event.key === 'ArrowDown' ? 1 : -1) + all) % Math.max(1, all);
    } else current = 0;
  }
</script>

<div class="add">
  <input
    bind:this={field}
    bind:value={typed}
    role="combobox"
    aria-label="Add anything"
    aria-expanded={showing}
    aria-controls="{id}-list"
    aria-activedescendant={showing ? `${id}-${current}` : undefined}
    placeholder="Add anything: “ring”, “text: Est. 1987”"
    maxlength={LONGEST_TEXT}
    autocomplete="off"
    onfocus={() => (showing = true)}
    onblur={() => (showing = false)}
    oninput={() => (showing = true)}
    onkeydown={keys}
  />
  <kbd aria-hidden="true">/</kbd>
  {#if showing}
    <ul id="{id}-list" role="listbox" aria-label="What can be added">
      {#each found as addable, index (addable.id)}
        <!-- the field above has the keys -->
        <!-- svelte-ignore a11y_click_events_have_key_events -->
        <li
          id="{id}-{index}"
          role="option"
          aria-selected={index === current}
          onpointerdown={(event) => event.preventDefault()}
          onclick={() => choose(addable)}
        >
          <span class="tiny" aria-hidden="true"
            >{#if addable.form}<FormPicture form={startOf(addable.form)} color={table.palette.lead} />{/if}</span
          >
          <span><strong>{addable.label}</strong> <span class="quiet">{addable.hint}</span></span>
        </li>
      {/each}
      {#each others as { id: what, act, before, ...more }, index (what)}
        <!-- svelte-ignore a11y_click_events_have_key_events -->
        <li
          id="{id}-{found.length + index}"
          role="option"
          aria-selected={current === found.length + index}
          onpointerdown={(event) => event.preventDefault()}
          onclick={act}
        >
          <span class="tiny"></span><span
            >{before}
            {#if 'after' in more}<strong>“{words}”</strong> {more.after}{/if}</span
          >
        </li>
      {/each}
    </ul>
  {/if}
</div>

<style>
  .add {
    position: relative;
  }
  input {
    width: 100%;
    padding: 6px 30px 6px 10px;
    border: 1px solid var(--color-ink);
    background: var(--color-paper);
    font-size: 12px;
  }
  kbd {
    position: absolute;
    top: 7px;
    right: 8px;
    padding: 0 6px;
    border: 1px solid var(--color-rule);
    background: var(--color-sheet);
    color: var(--color-quiet);
    font-size: 11px;
  }
  ul {
    position: absolute;
    z-index: 20;
    top: 100%;
    right: 0;
    left: 0;
    border: 1px solid var(--color-ink);
    overflow-y: auto;
    max-height: 70vh;
    border-top: 0;
    background: var(--color-sheet);
  }
  li {
    display: flex;
    align-items: center;
    gap: 10px;
    padding: 4px 10px;
    cursor: pointer;
  }
  .tiny {
    flex: none;
    width: 30px;
    height: 24px;
  }
  li[aria-selected='true'],
  li:hover {
    background: var(--color-primary-50);
  }
</style>
