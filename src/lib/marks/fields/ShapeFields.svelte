<script lang="ts">
  import { FORM_NAMES, formKind, startOf, type Form, type FormName, type Shape } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import RolePicker from '$lib/ui/RolePicker.svelte';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: Shape } = $props();
  const table = useTable();

  const kind = $derived(formKind(part.form.form));
  const numbers = $derived(part.form as unknown as Readonly<Record<string, number>>);
  const withNumber = (field: string, value: number): Form => ({ ...part.form, [field]: value }) as Form;
  /** Another form keeps the numbers that it has too, and starts with its own others. */
  function inForm(form: FormName): Form {
    const start = startOf(form);
    const kept = Object.entries(part.form).filter(([field]) => field !== 'form' && field in start);
    return { ...start, ...Object.fromEntries(kept) } as Form;
  }
  const letterings = $derived(table.parts.filter(({ kind }) => kind === 'lettering'));
  const others = $derived(FORM_NAMES.filter((form) => formKind(form).group === kind.group));
</script>

<Pick
  label="Form"
  value={part.form.form}
  options={others.map((form) => ({ value: form, label: formKind(form).label.toLowerCase() }))}
  choose={(form) => table.change(part.id, 'Form', { form: inForm(form) })}
/>
<div class="two">
  {#each Object.entries(kind.fields) as [field, { label, unit, min, max, step }] (field)}
    <AmountField
      {label}
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
{#if 'weightPx' in part.form && letterings.length > 0}
  <Pick
    label="As heavy as"
    value={part.weightFrom ?? ''}
    options={[{ value: '', label: 'its own weight' }, ...letterings.map((other) => ({ value: other.id, label: table.nameOf(other) }))]}
    choose={(id) => table.change(part.id, 'Stroke weight', { weightFrom: id === '' ? undefined : id })}
  />
{/if}
<RolePicker
  label="Color"
  palette={table.palette}
  value={'role' in part.paint ? part.paint.role : undefined}
  choose={(role) => table.change(part.id, 'Color', { paint: { role } })}
/>

<style>
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    column-gap: 14px;
  }
</style>
