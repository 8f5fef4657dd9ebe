<script lang="ts">
  import type { NumberLimits, Paint } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Choice from '$lib/ui/Choice.svelte';
  import PaintPicker from '$lib/ui/PaintPicker.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import Tick from '$lib/ui/Tick.svelte';
  import { useTable } from '../table/table.svelte';
  import type { PlainControl } from './controls';

  interface Props {
    control: PlainControl;
    value: unknown;
    /** Of a number. */
    limits: NumberLimits | undefined;
    /** Options of a choice that its own do not name. */
    more?: readonly { readonly value: string; readonly label: string }[];
    /** More options than these do not stand beside one another. */
    mostBeside: number;
    /** Shows a number while it is pulled or typed. */
    preview: (value: number) => void;
    commit: () => void;
    change: (value: unknown) => void;
  }
  const { control, value, limits, more = [], mostBeside, preview, commit, change }: Props = $props();
  const table = useTable();
</script>

{#if control.type === 'number'}
  <AmountField
    label={control.label}
    hint={control.hint}
    unit={control.unit ?? ''}
    lengths={control.unit === 'px'}
    step={control.step ?? 1}
    digits={limits?.whole ? 0 : 2}
    min={limits?.min ?? 0}
    max={limits?.max ?? 0}
    value={Number(value)}
    preview={(next) => preview(limits?.whole ? Math.round(next) : next)}
    {commit}
  />
{:else if control.type === 'choice'}
  {@const Field = control.options.length > mostBeside ? Pick : Choice}
  <Field label={control.label} hint={control.hint} value={String(value)} options={[...control.options, ...more]} choose={change} />
{:else if control.type === 'tick'}
  <Tick label={control.label} hint={control.hint} checked={value === true} {change} />
{:else}
  <PaintPicker label={control.label} palette={table.palette} value={value as Paint} choose={change} />
{/if}
