<script lang="ts">
  import { tick } from 'svelte';
  import { isBuilder, type BuilderStart, type GroupPart, type ScreenPicture } from '$core/index';
  import MarkPicture from '$lib/ui/MarkPicture.svelte';
  import { useTable } from '../table/table.svelte';

  const { part, built }: { part: GroupPart; built: NonNullable<GroupPart['built']> } = $props();
  const table = useTable();
  let shown = $state(false);
  let button: HTMLButtonElement | undefined = $state.raw();
  let starts: readonly BuilderStart[] = $state.raw([]);
  let pictures: Readonly<Record<string, ScreenPicture>> = $state.raw({});

  // Drawn one after the other in the brand's own words and colors, so that the stage never waits for them.
  $effect(() => {
    if (!shown || !isBuilder(built.builder)) return;
    const { builder, heard } = built;
    const kept = $state.snapshot(built) as typeof built;
    let wanted = true;
    const draw = async () => {
      const found = await table.desk.ask((draughtsman) => draughtsman.starts(builder, kept.heard, []));
      if (!wanted) return;
      starts = found;
      for (const start of found) {
        if (!wanted) return;
        const numbers = { ...kept.numbers, ...start.numbers };
        const picture = await table.desk.ask((draughtsman) => draughtsman.buildTried({ ...kept, numbers }, `${part.id}-${start.id}`));
        if (wanted && picture) pictures = { ...pictures, [start.id]: picture };
      }
    };
    draw().catch(() => undefined);
    return () => {
      wanted = false;
      void heard;
    };
  });

  /** What opens lies below, often out of sight: it comes up. */
  function turn(): void {
    shown = !shown;
    if (shown) void tick().then(() => button?.scrollIntoView({ block: 'start' }));
  }
</script>

<button bind:this={button} title="The same name in other compositions of this kind" class="link" aria-expanded={shown} onclick={turn}
  >{shown ? 'Fold the compositions' : 'Other compositions'}</button
>
{#if shown}
  <div class="starts" role="group" aria-label="Other compositions">
    {#each starts as start (start.id)}
      {@const picture = pictures[start.id]}
      <button title={start.label} aria-label={start.label} onclick={() => void table.building.change(part.id, start.label, start.numbers)}>
        <span class="picture" aria-hidden="true"
          >{#if picture}<MarkPicture {picture} label="" air={0.06} />{/if}</span
        >
        <span>{start.label}</span>
      </button>
    {/each}
  </div>
{/if}

<style>
  .link {
    min-height: 26px;
    padding: 0 4px;
    color: var(--color-plum);
    font-weight: 600;
    font-size: 13px;
    /* The head of the part stays above. */
    scroll-margin-top: 56px;
  }
  .starts {
    display: grid;
    grid-template-columns: 1fr 1fr 1fr;
    gap: 6px;
  }
  .starts button {
    display: grid;
    align-content: start;
    padding: 4px;
    border: 1px solid var(--color-rule);
    font-size: 11px;
    text-align: left;
  }
  .starts button:hover {
    border-color: var(--color-plum);
  }
  .picture {
    height: 64px;
  }
</style>
