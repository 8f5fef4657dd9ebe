<script lang="ts">
  import MarkPicture from '$lib/ui/MarkPicture.svelte';
  import { useTable } from './table/table.svelte';

  const { keep }: { keep: () => void } = $props();
  const table = useTable();
  const tries = table.tries;
</script>

<section aria-label="Tries">
  <span class="label side" aria-hidden="true">Tries</span>
  <button class="keep link" onclick={keep} title="Keep the mark as it stands (T)">Keep a try</button>
  {#each tries.kept as kept (kept.id)}
    <button
      title="Lays this try beside the mark"
      aria-label="Compare with {kept.name}"
      aria-pressed={kept.id === tries.comparedId}
      onclick={() => (tries.comparedId = kept.id === tries.comparedId ? undefined : kept.id)}
    >
      <span class="picture"><MarkPicture picture={table.desk.others.get(kept.id)} label="" /></span>
      <span class="quiet">{kept.name}</span>
    </button>
  {/each}
  {#if tries.removed}
    <p>
      “{tries.removed.name}” was removed.
      <button title="The try that was removed comes back" class="link" onclick={() => tries.bringBack()}>Bring it back</button>
    </p>
  {/if}
  {#if tries.fault}<p class="fault" role="alert">{tries.fault}</p>{/if}
</section>

<style>
  section {
    display: flex;
    gap: 10px;
    padding-left: 14px;
    border-left: 1px solid var(--color-rule);
  }
  .side {
    align-self: end;
    writing-mode: vertical-rl;
    rotate: 180deg;
  }
  section > button {
    display: grid;
    flex: 0 0 114px;
    grid-template-rows: 1fr auto;
    place-items: center;
    height: 78px;
    padding: 8px 10px 5px;
    border: 1px solid var(--color-rule);
    background: var(--color-sheet);
    font-size: 11px;
  }
  section > button[aria-pressed='true'] {
    border-color: var(--color-plum);
    box-shadow: inset 0 -3px var(--color-plum);
  }
  section > .keep {
    display: block;
    border-style: dashed;
    background: none;
    font-size: 13px;
  }
  .picture {
    width: 92px;
    height: 42px;
  }
  button .quiet {
    overflow: hidden;
    max-width: 100%;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  p {
    align-self: center;
    max-width: 180px;
    font-size: 12px;
  }
  .fault {
    color: var(--color-rust);
  }
</style>
