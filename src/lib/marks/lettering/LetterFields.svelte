<script lang="ts">
  import { AXIS_NAMES, axisHint } from '$lib/ui/axis-names';
  import {
    restingValue,
    type Axis,
    FLIPS,
    featureName,
    lettersOf,
    withEveryLook,
    withLook,
    type LookChange,
    type Lettering,
  } from '$core/index';
  import type { FormPicture } from '$workers/draw';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Choice from '$lib/ui/Choice.svelte';
  import Fold from '$lib/ui/Fold.svelte';
  import PaintPicker from '$lib/ui/PaintPicker.svelte';
  import Tick from '$lib/ui/Tick.svelte';
  import { useTable } from '../table/table.svelte';
  import FontField from './FontField.svelte';
  import ListWithLooks from '../treatments/ListWithLooks.svelte';
  import type { TreatmentDesk } from '../treatments/treatment-desk';

  interface Props {
    part: Lettering;
    features: readonly string[];
    /** The axes of the line's own font. */
    axes: readonly Axis[];
  }
  const { part, features, axes }: Props = $props();
  const table = useTable();

  const letters = $derived(lettersOf(part.text));
  const index = $derived(table.letter !== undefined && (letters[table.letter] ?? '').trim() !== '' ? table.letter : undefined);
  const letter = $derived(index === undefined ? undefined : letters[index]);
  let every = $state(false);
  const own = $derived(
    part.letters.find(({ at }) =>
      every ? 'every' in at && at.every === letter : 'index' in at && at.index === index && at.letter === letter,
    ),
  );
  const changed = $derived(new Set(part.letters.flatMap(({ at }) => ('index' in at ? [at.index] : []))));
  const everyChanged = $derived(new Set(part.letters.flatMap(({ at }) => ('every' in at ? [at.every] : []))));

  const fontOfLetter = $derived(own?.font ?? part.font);
  const WEIGHT: Axis = { tag: 'wght', min: 1, default: 400, max: 1000 };
  /** In the line's own family all of its axes; elsewhere the weight, which every family answers with the nearest it has. */
  const axesOfLetter = $derived(fontOfLetter.family === part.font.family && axes.length > 0 ? axes : [WEIGHT]);

  function preview(change: LookChange): void {
    if (index === undefined || letter === undefined) return;
    if (every) table.previewRecipe(withEveryLook(table.open.recipe, letter, change));
    else table.previewLettering(part, withLook(part, { index }, change));
  }
  function change(gesture: string, look: LookChange): void {
    preview(look);
    table.commit(gesture);
  }
  const treatments: TreatmentDesk = {
    get list() {
      return own?.treatments ?? [];
    },
    get heightPx() {
      return part.sizePx * 0.7;
    },
    preview: (edit) => {
      const list = [...edit(own?.treatments ?? [])];
      preview({ treatments: list.length === 0 ? undefined : list });
    },
    commit: (gesture) => table.commit(gesture),
  };
  const FLIP_WORDS = { none: 'no', across: 'across', down: 'down', both: 'both' } as const;

  let forms: readonly FormPicture[] = $state.raw([]);
  const formsKey = $derived(`${part.text}|${part.case}|${JSON.stringify(part.font)}|${JSON.stringify(own?.font)}|${index}`);
  let folded = $state(false);
  $effect(() => {
    if (!formsKey || index === undefined || !folded || table.desk.rests === 0) return;
    const at = index;
    let wanted = true;
    table.desk
      .ask((draughtsman) => draughtsman.forms(table.info.id, part.id, at))
      .then(
        (next) => wanted && (forms = next),
        () => (forms = []),
      );
    return () => (wanted = false);
  });
  const shows = (form: FormPicture) =>
    form.tag === undefined ? Object.keys(own?.features ?? {}).length === 0 : own?.features?.[form.tag] === form.value;
  const summary = $derived(letter ? `${every ? 'every ' : ''}${letter}` : part.letters.length > 0 ? `${part.letters.length} changed` : '');
  // Taking hold of a letter on the stage unfolds its numbers.
  $effect(() => {
    if (table.letter !== undefined) folded = true;
  });
</script>

<Fold label="Letters" {summary} remember={false} bind:open={folded}>
  <div class="letters" role="group" aria-label="Letters">
    {#each letters as each, at (at)}
      {#if each.trim() !== ''}
        <button
          title="Takes this letter in hand"
          aria-pressed={at === index}
          aria-label="Letter {at + 1}: {each}"
          class:changed={changed.has(at) || everyChanged.has(each)}
          onclick={() => (table.letter = at === index ? undefined : at)}>{each}</button
        >
      {:else}<span class="space"></span>{/if}
    {/each}
  </div>
  {#if letter !== undefined && index !== undefined}
    <Choice
      label="Applies to"
      hint="Whether a change is of this letter only or of all like it"
      value={every ? 'every' : 'one'}
      options={[
        { value: 'one', label: 'this one' },
        { value: 'every', label: `every ${letter} of the mark` },
      ]}
      choose={(scope) => (every = scope === 'every')}
    />
    {#if forms.length > 1}
      <div class="forms" role="group" aria-label="Forms of {letter}">
        {#each forms as form (`${form.tag}${form.value}`)}
          <button
            aria-pressed={shows(form)}
            title={form.tag ? featureName(form.tag) + (form.value > 1 ? ` ${form.value}` : '') : 'plain'}
            aria-label={form.tag ? featureName(form.tag) + (form.value > 1 ? ` ${form.value}` : '') : 'plain'}
            onclick={() => change('Form', { features: form.tag ? { [form.tag]: form.value } : undefined })}
          >
            {#if form.box}<svg
                viewBox="{form.box.left} {form.box.top} {form.box.right - form.box.left} {form.box.bottom - form.box.top}"
                aria-hidden="true"><path d={form.data} /></svg
              >{/if}
          </button>
        {/each}
      </div>
    {:else if features.length > 0}<p class="quiet none">The font has one form of this letter.</p>{/if}
    <FontField
      font={own?.font ?? part.font}
      word={letter}
      choose={(next) => change('Letter font', { font: { family: next.id, style: 'normal', axes: part.font.axes } })}
    />
    {#if own?.font}<button
        title="The letter takes the face of its line again"
        class="link"
        onclick={() => change('Letter font', { font: undefined })}>Follow the line’s font</button
      >{/if}
    <div class="two">
      {#each axesOfLetter as axis (axis.tag)}
        <AmountField
          label={AXIS_NAMES[axis.tag] ?? axis.tag}
          hint={axisHint(axis.tag)}
          min={axis.min}
          max={axis.max}
          step={axis.max - axis.min > 50 ? 10 : 1}
          value={fontOfLetter.axes[axis.tag] ?? restingValue(axis)}
          preview={(value) => preview({ font: { ...fontOfLetter, axes: { ...fontOfLetter.axes, [axis.tag]: value } } })}
          commit={() => table.commit(`Letter ${(AXIS_NAMES[axis.tag] ?? axis.tag).toLowerCase()}`)}
        />
      {/each}
      <AmountField
        label="Size"
        hint="In percent of the line’s size"
        unit="%"
        min={5}
        max={1000}
        value={own?.sizePercent ?? 100}
        preview={(sizePercent) => preview({ sizePercent: sizePercent === 100 ? undefined : sizePercent })}
        commit={() => table.commit('Letter size')}
      />
      <AmountField
        label="Turn"
        hint="Clockwise about the middle of the letter"
        unit="°"
        min={-3600}
        max={3600}
        value={own?.turnDeg ?? 0}
        preview={(turnDeg) => preview({ turnDeg: turnDeg || undefined })}
        commit={() => table.commit('Turn letter')}
      />
      <AmountField
        label="Rise"
        hint="How far it stands above the baseline, in thousandths of the size"
        unit="‰"
        min={-10000}
        max={10000}
        step={5}
        value={own?.risePermille ?? 0}
        preview={(risePermille) => preview({ risePermille: risePermille || undefined })}
        commit={() => table.commit('Raise letter')}
      />
      <AmountField
        label="Shift"
        hint="How far it stands to the right of its place, in thousandths of the size"
        unit="‰"
        min={-10000}
        max={10000}
        step={5}
        value={own?.shiftPermille ?? 0}
        preview={(shiftPermille) => preview({ shiftPermille: shiftPermille || undefined })}
        commit={() => table.commit('Shift letter')}
      />
      <AmountField
        label="Opacity"
        hint="100 % lets nothing through, 0 % is not seen"
        unit="%"
        min={0}
        max={100}
        value={(own?.opacity ?? 1) * 100}
        preview={(percent) => preview({ opacity: percent === 100 ? undefined : percent / 100 })}
        commit={() => table.commit('Letter strength')}
      />
      <AmountField
        label="Outline"
        hint="Draws the letter as a line of this thickness, in thousandths of the size; 0 is filled"
        unit="‰"
        min={0}
        max={500}
        value={own?.outlinePermille ?? 0}
        preview={(outlinePermille) => preview({ outlinePermille: outlinePermille < 1 ? undefined : outlinePermille })}
        commit={() => table.commit('Outline letter')}
      />
    </div>
    <Choice
      label="Flip"
      hint="Mirrors the letter about its own middle"
      value={own?.flip ?? 'none'}
      options={FLIPS.map((flip) => ({ value: flip, label: FLIP_WORDS[flip] }))}
      choose={(flip) => change('Flip letter', { flip: flip === 'none' ? undefined : flip })}
    />
    <PaintPicker label="Color" palette={table.palette} value={own?.paint} choose={(paint) => change('Letter color', { paint })} />
    <div class="two">
      <Tick
        label="Hidden"
        hint="The letter keeps its room but is not drawn"
        checked={own?.hidden ?? false}
        change={(hidden) => change('Hide letter', { hidden: hidden || undefined })}
      />
      <Tick
        label="Underlined"
        hint="Draws a line below, cut where letters reach through it"
        checked={own?.underlined ?? false}
        change={(underlined) => change('Underline', { underlined: underlined || undefined })}
      />
    </div>
    <ListWithLooks desk={treatments} of="letter {letter}" />
    {#if own}
      <button
        title="Everything that was done to this letter is let go of"
        class="link"
        onclick={() =>
          change('Letter as the line', {
            font: undefined,
            sizePercent: undefined,
            turnDeg: undefined,
            risePermille: undefined,
            shiftPermille: undefined,
            opacity: undefined,
            outlinePermille: undefined,
            flip: undefined,
            paint: undefined,
            hidden: undefined,
            underlined: undefined,
            features: undefined,
            treatments: undefined,
          })}>{every ? `Every ${letter}` : 'This letter'} as the line</button
      >
    {/if}
  {:else}<p class="quiet none">Choose a letter here, or press Enter on the stage.</p>{/if}
</Fold>

<style>
  .letters,
  .forms {
    display: flex;
    flex-wrap: wrap;
    gap: 3px;
    padding: 4px 0;
  }
  .letters button {
    min-width: 24px;
    padding: 1px 5px;
    border: 1px solid var(--color-rule);
    background: var(--color-paper);
    font-size: 14px;
  }
  .letters button.changed {
    border-bottom: 2px solid var(--color-amber);
  }
  .letters button[aria-pressed='true'],
  .forms button[aria-pressed='true'] {
    border-color: var(--color-plum);
    color: var(--color-plum);
    font-weight: 700;
  }
  .space {
    width: 10px;
  }
  .forms button {
    width: 36px;
    height: 36px;
    padding: 5px;
    border: 1px solid var(--color-rule);
    background: var(--color-sheet);
  }
  .forms svg {
    width: 100%;
    height: 100%;
    fill: var(--color-ink);
  }
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    column-gap: 14px;
  }
  .none {
    padding: 3px 0;
    font-size: 12px;
  }
</style>
