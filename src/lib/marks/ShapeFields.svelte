<script lang="ts">
  import { forms, type Form, type FormName, type Shape } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Choice from '$lib/ui/Choice.svelte';
  import RolePicker from '$lib/ui/RolePicker.svelte';
  import { useTable } from './table.svelte';

  const { part }: { part: Shape } = $props();
  const table = useTable();

  const numbers = $derived(Object.entries(forms[part.form.form].fields) as [string, string][]);
  const valueOf = (field: string): number => (part.form as unknown as Record<string, number>)[field] ?? 0;
  const withNumber = (field: string, value: number): Form => ({ ...part.form, [field]: value }) as Form;
  /** Another form keeps the size and starts with its own other numbers. */
  const inForm = (form: FormName): Form => ({ ...forms[form].start, widthPx: part.form.widthPx, heightPx: part.form.heightPx }) as Form;
</script>

<Choice
  label="Form"
  value={part.form.form}
  options={(Object.keys(forms) as FormName[]).map((form) => ({ value: form, label: forms[form].label.toLowerCase() }))}
  choose={(form) => table.change(part.id, 'Form', { form: inForm(form) })}
/>
<div class="two">
  {#each numbers as [field, label] (field)}
    <AmountField
      {label}
      unit="px"
      lengths
      min={field === 'cornerPx' ? 0 : 0.1}
      max={field === 'cornerPx' ? 10000 : 20000}
      value={valueOf(field)}
      preview={(value) => table.preview(part.id, { form: withNumber(field, value) })}
      commit={() => table.commit(label)}
    />
  {/each}
</div>
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
