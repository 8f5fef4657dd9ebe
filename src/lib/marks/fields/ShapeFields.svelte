<script lang="ts">
  import {
    FORM_NAMES,
    followedBy,
    formKind,
    isKnown,
    formNumbers,
    startersFor,
    startOf,
    type Form,
    type FormName,
    type Shape,
  } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import PaintPicker from '$lib/ui/PaintPicker.svelte';
  import Tick from '$lib/ui/Tick.svelte';
  import { addStarted, starterContext } from '../table/addables';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: Shape } = $props();
  const table = useTable();

  const kind = $derived(formKind(part.form.form));
  const numbers = $derived(formNumbers(part.form));
  /** Panels, banners and lines are pulled to a width or a height of their own; everything else is drawn in a proportion. */
  // a row is made anew for every part
  // svelte-ignore state_referenced_locally
  let inProportion = $state(
    !/^(panel|chamfered|ticket|arch)$/.test(part.form.form) && !/^(banner|line)$/.test(formKind(part.form.form).group),
  );
  const SIDES = { widthPx: 'heightPx', heightPx: 'widthPx' } as const;
  const hasSides = $derived('widthPx' in kind.fields && 'heightPx' in kind.fields);
  /** The form with another number; in proportion, the other side goes along. */
  function withNumber(field: string, value: number): Form {
    const other = SIDES[field as keyof typeof SIDES];
    const limits = other && kind.fields[other];
    const before = began();
    const [was, mate] = [before[field] ?? 0, before[other ?? ''] ?? 0];
    if (!inProportion || !hasSides || !limits || was <= 0) return { ...part.form, [field]: value } as Form;
    const along = Math.min(limits.max, Math.max(limits.min, Math.round((mate * value * 100) / was) / 100));
    return { ...part.form, [field]: value, [other]: along } as Form;
  }
  /** As it was before the pull that is under way: proportions come from there, not from one step to the next. */
  function began(): Readonly<Record<string, number>> {
    const settled = table.open.settled.parts.find(({ id }) => id === part.id);
    return formNumbers(settled?.kind === 'shape' ? settled.form : part.form);
  }
  /** Another form keeps the numbers that it has too, and starts with its own others. */
  function inForm(form: FormName): Form {
    const start = startOf(form);
    const kept = Object.entries(part.form).filter(([field]) => field !== 'form' && field in start);
    return { ...start, ...Object.fromEntries(kept) } as Form;
  }
  /** Any part whose stroke it can take: all but itself and those that look at it. */
  const heavy = $derived(table.parts.filter((other) => isKnown(other) && other.id !== part.id && !followedBy(other).includes(part.id)));
  const words = $derived(startersFor({ ...starterContext(table), chosen: part.id }).find(({ id }) => id === `words-${part.id}`));
  const others = $derived(FORM_NAMES.filter((form) => formKind(form).group === kind.group));
</script>

<Pick
  label="Form"
  hint="Another form of the same family; numbers that both have are kept"
  value={part.form.form}
  options={others.map((form) => ({ value: form, label: formKind(form).label.toLowerCase() }))}
  choose={(form) => table.change(part.id, 'Form', { form: inForm(form) })}
/>
<div class="two">
  {#each Object.entries(kind.fields) as [field, { label, unit, min, max, step }] (field)}
    <AmountField
      {label}
      hint="{label} of the {kind.label.toLowerCase()}"
      {unit}
      lengths={unit === 'px'}
      {min}
      {max}
      {step}
      value={numbers[field] ?? 0}
      preview={(value) => table.preview(part.id, { form: withNumber(field, value) })}
      commit={() => table.commit(label)}
    />
  {/each}
</div>
{#if hasSides}<Tick
    label="Keep the proportion"
    hint="Another width brings another height along, and the other way round"
    checked={inProportion}
    change={(checked) => (inProportion = checked)}
  />{/if}
{#if words}<button
    title="A line of words that stays on this shape"
    class="link"
    onclick={() => addStarted(table, words.label, words.make())}>Add words, fitted to it</button
  >{/if}
{#if 'weightPx' in part.form && heavy.length > 0}
  <Pick
    label="As heavy as"
    hint="Takes the typical stroke of another part, and follows it"
    value={part.weightFrom ?? ''}
    options={[{ value: '', label: 'its own weight' }, ...heavy.map((other) => ({ value: other.id, label: table.nameOf(other) }))]}
    choose={(id) => table.change(part.id, 'Stroke weight', { weightFrom: id === '' ? undefined : id })}
  />
{/if}
<PaintPicker
  label="Color"
  palette={table.palette}
  value={table.differ(part, 'paint') ? 'mixed' : part.paint}
  choose={(paint) => table.change(part.id, 'Color', { paint })}
/>

<style>
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    column-gap: 14px;
  }
</style>
