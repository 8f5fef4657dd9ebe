<script lang="ts">
  import {
    builderLimits,
    builderRow,
    isBuilder,
    numbersOf,
    type Arms,
    type Backdrop,
    type BuilderControl,
    type GroupPart,
    type OwnPiece,
    type Problem,
  } from '$core/index';
  import ControlField from '../fields/ControlField.svelte';
  import { inLines, isPlain } from '../fields/controls';
  import WeaveFields from '../fields/WeaveFields.svelte';
  import { useTable } from '../table/table.svelte';
  import { wovenIn } from '../table/woven';
  import BackdropField from './BackdropField.svelte';
  import BlazonField from './BlazonField.svelte';
  import BuiltStarts from './BuiltStarts.svelte';
  import FacePick from './FacePick.svelte';
  import WordsField from './WordsField.svelte';

  const { part, built }: { part: GroupPart; built: NonNullable<GroupPart['built']> } = $props();
  const table = useTable();
  const { building } = table;

  const row = $derived(isBuilder(built.builder) ? builderRow(built.builder) : undefined);
  const values = $derived.by(() => {
    const read = isBuilder(built.builder) ? numbersOf(built.builder, built.numbers) : undefined;
    return read?.ok ? read.value : undefined;
  });
  const shown = $derived(values && row ? row.controls.filter(({ when }) => !when || when(values)) : []);
  const blocks = $derived(inLines<BuilderControl>(shown));
  const woven = $derived(wovenIn(part, table.open.recipe));
  const gesture = (label: string) => `${row?.label ?? ''}: ${label.toLowerCase()}`;
  const change = (field: string, label: string, value: unknown) => void building.change(part.id, gesture(label), { [field]: value });

  let notices: readonly Problem[] = $state.raw([]);
  // What had to be changed while it was built: asked for once the stage rests.
  $effect(() => {
    if (table.desk.rests === 0) return;
    const asked = $state.snapshot(built) as typeof built;
    let wanted = true;
    table.desk
      .ask((draughtsman) => draughtsman.buildNotices(asked))
      .then((found) => wanted && (notices = found))
      .catch(() => undefined);
    return () => (wanted = false);
  });
</script>

{#if !row || !values}
  <p class="quiet">This was built by a newer version. Its parts can be changed one by one; its own numbers are kept as they are.</p>
{:else}
  <BuiltStarts {part} {built} />
  {#each blocks as block (block[0]?.field)}
    <div class:two={block.length > 1}>
      {#each block as control (control.field)}
        {#if isPlain(control)}
          <ControlField
            {control}
            value={values[control.field]}
            limits={isBuilder(built.builder) ? builderLimits(built.builder, control.field) : undefined}
            more={control.type === 'choice' && 'more' in control ? control.more?.(values) : []}
            mostBeside={4}
            preview={(value) => building.preview(part.id, { [control.field]: value })}
            commit={() => void building.commit(gesture(control.label))}
            change={(value) => change(control.field, control.label, value)}
          />
        {:else if control.type === 'words'}
          <WordsField
            label={control.label}
            hint={control.hint}
            placeholder={control.placeholder}
            value={String(values[control.field] ?? '')}
            change={(value) => change(control.field, control.label, value)}
          />
        {:else if control.type === 'face'}
          <FacePick
            label={control.label}
            hint={control.hint}
            families={table.families}
            value={String(values[control.field] ?? '')}
            change={(value) => change(control.field, control.label, value)}
          />
        {:else if control.type === 'picture'}
          <BackdropField
            label={control.label}
            hint={control.hint}
            value={values[control.field] as Backdrop | null}
            groupId={part.id}
            change={(value) => change(control.field, control.label, value)}
          />
        {:else if control.type === 'blazon'}
          <BlazonField
            label={control.label}
            hint={control.hint}
            arms={values[control.field] as Arms}
            groupId={part.id}
            own={values['own'] as readonly OwnPiece[]}
            change={(what, changed) => void building.change(part.id, gesture(what), changed)}
          />
        {/if}
      {/each}
    </div>
  {/each}
  {#if woven}<WeaveFields part={woven} />{/if}
  {#each notices as { message, fix } (message)}
    <p class="note"><strong>{message}</strong> {fix ?? ''}</p>
  {/each}
  {#if building.isBehind(built)}
    <p class="note">
      <strong>The name has changed.</strong> The stage and all files show the new one; the rows below were built with the one before.
      <button
        title="Builds the rows from the name as it is now; what was changed by hand stays"
        class="link"
        onclick={() => void building.change(part.id, 'Follow the name', {})}>Bring the rows up to date</button
      >
    </p>
  {/if}
  <p class="quiet">
    {built.follows
      ? 'It follows the name as it is set, its words and its face.'
      : 'It follows no lettering: it keeps the words it was built with.'}
    Its parts can be opened and changed one by one; what you change stays.
  </p>
{/if}

<style>
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    column-gap: 14px;
  }
  .note {
    margin: 4px 0;
    padding-left: 8px;
    border-left: 2px solid var(--color-amber);
    font-size: 12px;
  }
</style>
