<script lang="ts">
  import { takeFocus } from '$lib/ui/take-focus';
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import ChevronRight from '@lucide/svelte/icons/chevron-right';
  import Eye from '@lucide/svelte/icons/eye';
  import EyeOff from '@lucide/svelte/icons/eye-off';
  import Ghost from '@lucide/svelte/icons/square-dashed';
  import Lock from '@lucide/svelte/icons/lock';
  import LockOpen from '@lucide/svelte/icons/lock-open';
  import type { Snippet } from 'svelte';
  import { dragHandle } from 'svelte-dnd-action';
  import { describePart, labelOf, membersDeep, type Part } from '$core/index';
  import { picturesAddress } from '$lib/addresses';
  import MarkPicture from '$lib/ui/MarkPicture.svelte';
  import { fieldsOf } from './fields/fields-of';
  import Fold from '$lib/ui/Fold.svelte';
  import FormPicture from './FormPicture.svelte';
  import RowList from './RowList.svelte';
  import PlaceFields from './fields/PlaceFields.svelte';
  import PartTreatments from './treatments/PartTreatments.svelte';
  import { useTable } from './table/table.svelte';

  interface Props {
    part: Part;
    /** How a part that it draws is shown under it. */
    row: Snippet<[part: Part]>;
  }
  const { part, row }: Props = $props();
  const table = useTable();

  const name = $derived(table.nameOf(part));
  const open = $derived(table.selectedId === part.id);
  let here: HTMLElement | undefined = $state();
  // What is chosen on the stage is looked for here: its row comes into view.
  $effect(() => {
    if (open) here?.querySelector('.head')?.scrollIntoView({ block: 'nearest' });
  });
  /** What it draws in its place, front on top. */
  const members = $derived.by(() => {
    if (part.kind === 'unknown' || !('members' in part)) return [];
    const own: readonly string[] = part.members;
    return table.parts.filter(({ id }) => own.includes(id)).reverse();
  });
  /** Unfolded while it, or anything inside of it, is chosen. */
  const unfolded = $derived(
    members.length > 0 &&
      (open || table.unfolded.has(part.id) || [...membersDeep(table.open.recipe, part.id)].some((id) => table.isChosen(id))),
  );
  const resolved = $derived(table.resolved(part.id));
  const notices = $derived(resolved?.notices ?? []);
  const drawn = $derived(table.desk.stage);
  const tiny = $derived.by(() => {
    const group = drawn?.groups.find(({ id }) => id === part.id);
    const ink = drawn?.parts.find(({ id }) => id === part.id)?.ink;
    return group && ink ? { groups: [group], ink, parts: [] } : undefined;
  });
  /** With Shift or Ctrl a row joins what is chosen. */
  function choose(event: MouseEvent): void {
    if (event.shiftKey || event.ctrlKey || event.metaKey || table.several) table.toggle(part.id);
    else table.selectedId = open ? undefined : part.id;
  }
  const about = $derived(
    describePart(part, { family: table.family }) +
      (part.kind === 'unknown' ? '' : `${part.hidden ? ' · hidden' : ''}${part.ghost ? ' · ghost' : ''}`),
  );
</script>

<div
  class="part"
  class:open
  class:chosen={table.isChosen(part.id)}
  class:lit={table.pointedAt === part.id}
  role="group"
  aria-label={name}
  bind:this={here}
  onpointerenter={() => (table.pointedAt = part.id)}
  onpointerleave={() => (table.pointedAt = undefined)}
>
  <div class="head">
    <!-- No button: what has a value of its own is never dragged. -->
    <span
      class="grip"
      role="button"
      tabindex="0"
      use:dragHandle
      aria-label="Restack {name}"
      title="Drag to restack, into a group and out of one">⋮⋮</span
    >
    {#if table.renaming === part.id}
      <input
        class="name"
        aria-label="Name of {name}"
        value={labelOf(part)}
        maxlength="80"
        {@attach takeFocus}
        onblur={(event) => table.renaming === part.id && table.rename(part.id, event.currentTarget.value)}
        onkeydown={(event) => {
          // The key is not also for whatever has the focus next.
          if (event.key === 'Enter') {
            event.preventDefault();
            event.currentTarget.blur();
          } else if (event.key === 'Escape') {
            event.stopPropagation();
            table.renaming = undefined;
          }
        }}
      />
    {:else}
      <button
        class="title"
        aria-expanded={open}
        title={about}
        onclick={choose}
        ondblclick={() => part.kind !== 'unknown' && (table.renaming = part.id)}
      >
        <span class="tiny" class:silhouette={part.kind !== 'art' || part.slots.length === 1} aria-hidden="true"
          >{#if part.kind === 'picture'}<img src="{picturesAddress(table.brand.slug)}{part.sha256}" alt="" />{:else if tiny}<MarkPicture
              picture={tiny}
              label=""
              air={part.kind === 'lettering' ? 0.02 : 0.08}
              beginning={part.kind === 'lettering'}
            />{:else if part.kind === 'art'}<svg viewBox="-500 -500 1000 1000"
              >{#each part.pieces as { data, rule }, index (index)}<path d={data} fill-rule={rule} />{/each}</svg
            >{:else if part.kind === 'shape'}<FormPicture form={part.form} color="var(--color-ink)" />{/if}</span
        >
        <span class="words">
          <strong dir="auto">{name}</strong>
          <span class="quiet">{about}</span>
          {#if !open}{#each notices as notice (notice.code)}<span class="notice">{notice.message}</span>{/each}{/if}
        </span>
      </button>
    {/if}
    {#if members.length > 0}
      <button
        class="toggle"
        aria-label="{unfolded ? 'Fold' : 'Unfold'} {name}"
        title="Show what it draws"
        aria-expanded={unfolded}
        disabled={unfolded && !table.unfolded.has(part.id)}
        onclick={() => (table.unfolded.has(part.id) ? table.unfolded.delete(part.id) : table.unfolded.add(part.id))}
        >{#if unfolded}<ChevronDown size={15} />{:else}<ChevronRight size={15} />{/if}</button
      >
    {/if}
    {#if part.kind !== 'unknown'}
      <button
        title="Hidden parts are in no picture and no file"
        class="toggle"
        aria-label="{part.hidden ? 'Show' : 'Hide'} {name}"
        aria-pressed={part.hidden}
        onclick={() => table.change(part.id, part.hidden ? 'Show' : 'Hide', { hidden: !part.hidden })}
      >
        {#if part.hidden}<EyeOff size={15} />{:else}<Eye size={15} />{/if}
      </button>
      <button
        class="toggle"
        aria-label="{part.ghost ? 'Fill' : 'Ghost'} {name}"
        title="Ghost: on the table an outline only; files are not changed"
        aria-pressed={part.ghost}
        onclick={() => table.change(part.id, part.ghost ? 'Fill' : 'Ghost', { ghost: !part.ghost })}
      >
        <Ghost size={15} />
      </button>
      <button
        title="Locked parts can be seen, not changed"
        class="toggle"
        aria-label="{part.locked ? 'Unlock' : 'Lock'} {name}"
        aria-pressed={part.locked}
        onclick={() => table.change(part.id, part.locked ? 'Unlock' : 'Lock', { locked: !part.locked })}
      >
        {#if part.locked}<Lock size={15} />{:else}<LockOpen size={15} />{/if}
      </button>
    {/if}
  </div>
  {#if open}
    <div class="numbers">
      {#if part.kind === 'unknown'}
        {#each notices as notice (notice.code)}<p class="notice">{notice.message} {notice.fix}</p>{/each}
      {:else}
        {@const Fields = fieldsOf(part)}
        <Fields {part} {notices} />
        {@const shown = table.shownBy(part.id)}
        {#if shown}
          {@const ShownFields = fieldsOf(shown)}
          <Fold label="Everything else" summary="becomes its own"><ShownFields part={shown} notices={[]} /></Fold>
        {/if}
        <PartTreatments {part} />
        <PlaceFields {part} />
      {/if}
    </div>
  {/if}
  {#if unfolded}
    <div class="members"><RowList ids={members.map(({ id }) => id).join(' ')} taker={part.id} {row} /></div>
  {/if}
</div>

<style>
  .part {
    border-bottom: 1px solid var(--color-rule);
    border-left: 3px solid transparent;
    background: var(--color-sheet);
  }
  .part.open {
    border-left-color: var(--color-plum);
  }
  .part.lit > .head {
    background: var(--color-primary-50);
  }
  .name {
    flex: 1;
    min-width: 0;
    padding: 6px;
    border: 1px solid var(--color-plum);
    font-weight: 600;
  }
  .part.chosen {
    border-left-color: var(--color-plum);
  }
  .members {
    padding-left: 14px;
    border-top: 1px solid var(--color-rule);
    background: var(--color-paper);
  }
  .members :global(.part:last-child) {
    border-bottom: 0;
  }
  .head {
    display: flex;
    align-items: center;
    padding: 8px 10px 8px 6px;
  }
  .grip {
    min-width: 24px;
    min-height: 24px;
    color: var(--color-quiet);
    cursor: grab;
    font-size: 12px;
    letter-spacing: -3px;
  }
  .title {
    display: flex;
    flex: 1;
    align-items: center;
    gap: 10px;
    min-width: 0;
    text-align: left;
  }
  .tiny {
    flex: none;
    width: 34px;
    height: 34px;
    padding: 3px;
    border: 1px solid var(--color-rule);
    background: var(--color-paper);
  }
  .tiny img {
    width: 100%;
    height: 100%;
    object-fit: contain;
  }
  /* What is painted as light as paper is still seen here. */
  .silhouette :global(path) {
    fill: var(--color-ink);
  }
  .words {
    display: grid;
    min-width: 0;
    line-height: 1.3;
  }
  .words strong {
    overflow: hidden;
    font-weight: 600;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .words .quiet {
    font-size: 12px;
  }
  .notice {
    color: var(--color-amber);
    font-size: 12px;
  }
  .toggle {
    display: grid;
    place-items: center;
    width: 24px;
    height: 24px;
    color: var(--color-quiet);
  }
  .toggle[aria-pressed='true'] {
    color: var(--color-plum);
  }
  .numbers {
    padding: 2px 16px 12px 13px;
  }
</style>
