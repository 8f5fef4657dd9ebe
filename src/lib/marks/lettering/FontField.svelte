<script lang="ts">
  import { type FontChoice, type ShippedFamily } from '$core/index';
  import type { WordPicture } from '$workers/draw';
  import { useTable } from '../table/table.svelte';

  interface Props {
    font: FontChoice;
    /** The word the previews are set in. */
    word: string;
    /** Whether several lines are chosen that are set in other fonts: a new one reaches them all. */
    mixed?: boolean;
    choose: (family: ShippedFamily) => void;
  }
  const { font, word, mixed = false, choose }: Props = $props();
  const table = useTable();
  const id = $props.id();

  let showing = $state(false);
  let asked = $state('');
  let pictures: Record<string, WordPicture> = $state.raw({});
  let search: HTMLInputElement | undefined = $state();
  let opener: HTMLButtonElement | undefined = $state();

  const family = $derived(table.family(font.family));
  const found = $derived(
    table.families.filter(
      ({ name, class: group, removed }) => !removed && `${name} ${group}`.toLowerCase().includes(asked.trim().toLowerCase()),
    ),
  );
  const sample = $derived(word.trim() || table.brand.name);

  $effect(() => {
    if (showing) search?.focus();
    else asked = '';
  });
  $effect(() => {
    if (!showing) return;
    let wanted = true;
    const text = sample;
    void (async () => {
      for (const each of table.families) {
        if (!wanted) return;
        const picture = await table.desk.ask((draughtsman) => draughtsman.word(text, { family: each.id, style: 'normal', axes: {} }));
        if (wanted) pictures = { ...pictures, [each.id]: picture };
      }
    })();
    return () => {
      wanted = false;
      pictures = {};
    };
  });

  function take(next: ShippedFamily): void {
    choose(next);
    showing = false;
    opener?.focus();
  }
  function keys(event: KeyboardEvent): void {
    if (event.key === 'Escape') {
      showing = false;
      opener?.focus();
      event.stopPropagation();
    }
    // What stands first is what was meant.
    if (event.key === 'Enter' && event.target === search && found[0]) {
      event.preventDefault();
      take(found[0]);
    }
    if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') return;
    event.preventDefault();
    const stops = [...(event.currentTarget as HTMLElement).querySelectorAll<HTMLElement>('input, li button')];
    const next = stops.indexOf(document.activeElement as HTMLElement) + (event.key === 'ArrowDown' ? 1 : -1);
    stops[Math.min(Math.max(0, next), stops.length - 1)]?.focus();
  }
</script>

<div class="font">
  <span class="quiet" id="{id}-label">Font</span>
  <button
    title="Opens the list of faces, each set in these words"
    bind:this={opener}
    aria-labelledby="{id}-label {id}-name"
    aria-expanded={showing}
    onclick={() => (showing = !showing)}><span id="{id}-name">{mixed ? 'mixed' : (family?.name ?? font.family)}</span></button
  >
</div>
{#if showing}
  <!-- arrows walk through the field and the buttons inside -->
  <!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
  <div class="list" role="group" aria-label="Fonts" onkeydown={keys}>
    <input bind:this={search} bind:value={asked} aria-label="Find a font" placeholder="Name or kind: “script”, “slab”" autocomplete="off" />
    <ul>
      {#each found as each (each.id)}
        {@const picture = pictures[each.id]}
        <li>
          <button
            title="Sets the words in this face"
            aria-label="{each.name}, {each.class}"
            aria-current={!mixed && each.id === font.family}
            onclick={() => take(each)}
          >
            {#if picture?.box}
              <svg
                viewBox="{picture.box.left} -95 {Math.max(picture.box.right - picture.box.left, 360)} 135"
                aria-hidden="true"
                preserveAspectRatio="xMinYMid"
                class:lacking={picture.missing.length > 0}><path d={picture.data} /></svg
              >
            {:else}<span class="gap"></span>{/if}
            <span class="name"
              >{each.name}
              <span class="quiet"
                >{picture && picture.missing.length > 0 ? `has no ${picture.missing.slice(0, 4).join(' ')}` : each.class}</span
              ></span
            >
          </button>
        </li>
      {:else}<li class="quiet p-2">No font is called “{asked}”.</li>{/each}
    </ul>
  </div>
{/if}

<style>
  .font {
    display: flex;
    align-items: baseline;
    justify-content: space-between;
    border-bottom: 1px solid var(--color-rule);
  }
  .font button {
    padding: 4px 0;
    font-weight: 600;
  }
  .font button::after {
    content: ' ▾' / '';
    color: var(--color-quiet);
  }
  .list {
    margin: 6px 0;
    border: 1px solid var(--color-ink);
    background: var(--color-sheet);
  }
  .list input {
    width: 100%;
    padding: 5px 8px;
    border: 0;
    border-bottom: 1px solid var(--color-rule);
    background: none;
    font-size: 12px;
  }
  ul {
    max-height: 300px;
    overflow-y: auto;
  }
  li button {
    display: block;
    width: 100%;
    padding: 5px 8px 6px;
    border-bottom: 1px solid var(--color-rule);
    text-align: left;
  }
  li button:hover,
  li button[aria-current='true'] {
    background: var(--color-primary-50);
  }
  svg,
  .gap {
    display: block;
    width: 100%;
    height: 34px;
  }
  svg {
    fill: var(--color-ink);
  }
  svg.lacking {
    opacity: 0.35;
  }
  .name {
    font-size: 11px;
  }
</style>
