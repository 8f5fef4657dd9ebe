<script lang="ts">
  import Copy from '@lucide/svelte/icons/copy';
  import Eye from '@lucide/svelte/icons/eye';
  import EyeOff from '@lucide/svelte/icons/eye-off';
  import X from '@lucide/svelte/icons/x';
  import { tick, type Snippet } from 'svelte';
  import { dragHandle, dragHandleZone } from 'svelte-dnd-action';
  import {
    adding,
    changing,
    describeTreatment,
    duplicating,
    isKnownTreatment,
    looksOf,
    MOST_TREATMENTS,
    moving,
    OWN_TREATMENTS,
    removing,
    treatmentKinds,
    treatmentLabel,
    type Treatment,
    type TreatmentKindName,
  } from '$core/index';
  import { useTable } from '../table/table.svelte';
  import type { TreatmentDesk } from './treatment-desk';
  import TreatmentFields from './TreatmentFields.svelte';

  interface Props {
    desk: TreatmentDesk;
    /** What is treated, for people who hear the page. */
    of: string;
    /** The treatment whose numbers are open. */
    opened?: string | undefined;
    /** Another list of treatments, for what unfolds into one. */
    nested?: Snippet<[desk: TreatmentDesk, of: string]>;
  }
  let { desk, of, opened = $bindable(), nested }: Props = $props();
  const id = $props.id();
  const table = useTable();

  let inTheAir: readonly { readonly id: string }[] | undefined = $state.raw();
  const rows = $derived(inTheAir ?? desk.list.map((treatment) => ({ id: treatment.id })));
  const items = $derived([...rows]);
  const treatmentOf = (wanted: string): Treatment | undefined => desk.list.find((treatment) => treatment.id === wanted);
  /** A look is called what the brand calls it. */
  const labelOf = (treatment: Treatment): string =>
    (treatment.kind === 'brand-look' && looksOf(table.palette).find(({ id: look }) => look === treatment.look)?.name) ||
    treatmentLabel(treatment);
  /** Names in this list; the second of a name is told apart. */
  const nameOf = (treatment: Treatment): string => {
    const label = labelOf(treatment);
    const alike = desk.list.filter((each) => labelOf(each) === label);
    const nth = alike.indexOf(treatment);
    return nth > 0 ? `${label} ${nth + 1}` : label;
  };

  function done(edit: Parameters<TreatmentDesk['preview']>[0], gesture: string): void {
    desk.preview(edit);
    desk.commit(gesture);
  }
  function add(kind: TreatmentKindName): void {
    const before = new Set(desk.list.map((treatment) => treatment.id));
    done(adding([[kind]], desk.heightPx), `Add ${treatmentKinds[kind].label.toLowerCase()}`);
    opened = desk.list.find((treatment) => !before.has(treatment.id))?.id;
  }
  function drop({ detail: { items: now, info } }: CustomEvent<{ items: { id: string }[]; info: { id: string } }>): void {
    inTheAir = undefined;
    const to = now.findIndex((row) => row.id === info.id);
    if (to >= 0) done(moving(desk.list, info.id, to), 'Order of treatments');
  }
  let list: HTMLElement | undefined = $state();
  // What was added from elsewhere, or pulled on the stage, comes into view with its numbers.
  $effect(() => {
    const row = opened === undefined ? undefined : list?.querySelector(`[data-treatment="${opened}"]`);
    // Once its numbers stand there: they are what is wanted.
    if (row) void tick().then(() => requestAnimationFrame(() => row.scrollIntoView({ block: 'nearest' })));
  });
  /** Arrow keys on a grip move its treatment; the grip keeps the focus. */
  async function keys(event: KeyboardEvent, treatment: Treatment): Promise<void> {
    const by = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    done(moving(desk.list, treatment.id, desk.list.indexOf(treatment) + by), 'Order of treatments');
    await tick();
    list?.querySelector<HTMLElement>(`[data-treatment="${treatment.id}"] .grip`)?.focus();
  }
  const full = $derived(desk.list.length >= MOST_TREATMENTS);
</script>

<div class="treatments" role="group" aria-label="Treatments of {of}" bind:this={list}>
  <div
    use:dragHandleZone={{ items, type: `treatments-${id}`, flipDurationMs: 0, dropTargetStyle: {}, autoAriaDisabled: true }}
    onconsider={({ detail }) => (inTheAir = detail.items)}
    onfinalize={drop}
  >
    {#each rows as row (row.id)}
      {@const treatment = treatmentOf(row.id)}
      <div>
        {#if treatment}
          {@const name = nameOf(treatment)}
          {@const open = opened === treatment.id}
          <div class="one" class:hidden={treatment.hidden} role="group" aria-label={name} data-treatment={treatment.id}>
            <div class="head">
              <span
                class="grip"
                role="button"
                tabindex="0"
                use:dragHandle
                aria-label="Move {name}"
                title="Drag, or the arrow keys: each treatment works on what the ones above it leave"
                onkeydown={(event) => void keys(event, treatment)}>⋮⋮</span
              >
              <button
                title="Opens its numbers"
                class="title"
                aria-expanded={open}
                onclick={() => (opened = open ? undefined : treatment.id)}
              >
                <span>{name}</span> <span class="quiet">{describeTreatment(treatment)}</span>
              </button>
              <button
                title="Hidden treatments are kept, but not drawn"
                class="icon"
                aria-label="{treatment.hidden ? 'Show' : 'Hide'} {name}"
                aria-pressed={treatment.hidden}
                onclick={() =>
                  done(
                    changing(desk.list, treatment.id, { hidden: !treatment.hidden }),
                    treatment.hidden ? 'Show treatment' : 'Hide treatment',
                  )}
              >
                {#if treatment.hidden}<EyeOff size={14} />{:else}<Eye size={14} />{/if}
              </button>
              <button
                title="The same treatment once more"
                class="icon"
                aria-label="Duplicate {name}"
                disabled={full}
                onclick={() => done(duplicating(desk.list, treatment.id), 'Duplicate treatment')}><Copy size={14} /></button
              >
              <button
                title="The treatment goes; undo brings it back"
                class="icon"
                aria-label="Remove {name}"
                onclick={() => done(removing(desk.list, treatment.id), `Remove ${name.toLowerCase()}`)}><X size={14} /></button
              >
            </div>
            {#if open}
              <div class="fields">
                {#if isKnownTreatment(treatment)}<TreatmentFields {treatment} {desk} {nested} />{:else}<p class="quiet">
                    Made by a newer version: it is kept as it is, and not shown.
                  </p>{/if}
              </div>
            {/if}
          </div>
        {/if}
      </div>
    {/each}
  </div>
  {#if full}<p class="quiet">{MOST_TREATMENTS} treatments are the most that one thing can have.</p>{:else}
    <select
      aria-label="Add a treatment to {of}"
      title="Bands, shadows, lines, gradients and more, each live and in its order"
      value=""
      onchange={(event) => {
        const kind = event.currentTarget.value as TreatmentKindName;
        event.currentTarget.value = '';
        if (kind) add(kind);
      }}
    >
      <option value="">+ Add a treatment</option>
      {#each OWN_TREATMENTS as kind (kind)}{@const { label, hint } = treatmentKinds[kind]}<option value={kind} title={hint}>{label}</option
        >{/each}
    </select>
  {/if}
</div>

<style>
  .one {
    border-bottom: 1px solid var(--color-rule);
  }
  .head {
    display: flex;
    align-items: center;
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
    overflow: hidden;
    flex: 1;
    align-items: center;
    gap: 8px;
    min-width: 0;
    min-height: 26px;
    text-align: left;
    white-space: nowrap;
  }
  .title .quiet {
    overflow: hidden;
    font-size: 12px;
    text-overflow: ellipsis;
  }
  .title[aria-expanded='true'] > span:first-child {
    font-weight: 600;
  }
  .hidden .title {
    text-decoration: line-through;
  }
  .icon {
    display: grid;
    place-items: center;
    width: 24px;
    height: 24px;
    color: var(--color-quiet);
  }
  .icon[aria-pressed='true'] {
    color: var(--color-plum);
  }
  .fields {
    padding: 0 0 8px 22px;
  }
  select {
    width: 100%;
    padding: 4px 26px 4px 4px;
    border: 0;
    background-color: transparent;
    color: var(--color-plum);
    font-weight: 600;
    font-size: 13px;
  }
</style>
