<script lang="ts">
  import type { Snippet } from 'svelte';
  import {
    changing,
    treatmentLimits,
    treatmentRow,
    type KnownTreatment,
    type OwnTexture,
    type Paint,
    type TreatmentControl,
  } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Choice from '$lib/ui/Choice.svelte';
  import PaintPicker from '$lib/ui/PaintPicker.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import Tick from '$lib/ui/Tick.svelte';
  import { useTable } from '../table/table.svelte';
  import GradientStops from './GradientStops.svelte';
  import HandStrokes from './HandStrokes.svelte';
  import LookField from './LookField.svelte';
  import OwnTextureField from './OwnTextureField.svelte';
  import type { TreatmentDesk } from './treatment-desk';

  interface Props {
    treatment: KnownTreatment;
    desk: TreatmentDesk;
    nested: Snippet<[desk: TreatmentDesk, of: string]> | undefined;
  }
  const { treatment, desk, nested }: Props = $props();
  const table = useTable();
  const values = $derived(treatment as unknown as Readonly<Record<string, unknown>>);
  const row = $derived(treatmentRow(treatment.kind));
  const shown = $derived(row.controls.filter(({ when }) => !when || when(values)));
  /** Numbers that follow one another stand two in a line. */
  const blocks = $derived(
    shown.reduce<TreatmentControl[][]>((all, control) => {
      const last = all.at(-1);
      if (last?.[0]?.type === 'number' && control.type === 'number') last.push(control);
      else all.push([control]);
      return all;
    }, []),
  );
  /** More options than these do not stand beside one another. */
  const MOST_BESIDE = 5;
  const gesture = (label: string) => `${row.label}: ${label.toLowerCase()}`;

  function preview(field: string, value: unknown): void {
    desk.preview(changing(desk.list, treatment.id, { [field]: value }));
  }
  function change(field: string, label: string, value: unknown): void {
    preview(field, value);
    desk.commit(gesture(label));
  }
</script>

{#each blocks as block (block[0]?.field)}
  <div class:two={block.length > 1}>
    {#each block as control (control.field)}
      {#if control.type === 'number'}
        {@const limits = treatmentLimits(treatment.kind, control.field)}
        <AmountField
          label={control.label}
          hint={control.hint}
          unit={control.unit ?? ''}
          lengths={control.unit === 'px'}
          step={control.step ?? 1}
          digits={limits?.whole ? 0 : 2}
          min={limits?.min ?? 0}
          max={limits?.max ?? 0}
          value={Number(values[control.field])}
          preview={(value) => preview(control.field, limits?.whole ? Math.round(value) : value)}
          commit={() => desk.commit(gesture(control.label))}
        />
      {:else if control.type === 'choice'}
        {@const Field = control.options.length > MOST_BESIDE ? Pick : Choice}
        <Field
          label={control.label}
          hint={control.hint}
          value={String(values[control.field])}
          options={control.options}
          choose={(value) => change(control.field, control.label, value)}
        />
      {:else if control.type === 'tick'}
        <Tick
          label={control.label}
          hint={control.hint}
          checked={values[control.field] === true}
          change={(value) => change(control.field, control.label, value)}
        />
      {:else if control.type === 'paint'}
        <PaintPicker
          label={control.label}
          palette={table.palette}
          value={values[control.field] as Paint}
          choose={(value) => change(control.field, control.label, value)}
        />
      {:else if control.type === 'texture'}
        <OwnTextureField
          value={values[control.field] as OwnTexture | undefined}
          hint={control.hint}
          choose={(value) => change(control.field, control.label, value)}
        />
      {:else if treatment.kind === 'by-hand'}
        <HandStrokes {treatment} {desk} />
      {:else if treatment.kind === 'brand-look'}
        <LookField {treatment} {desk} {nested} choose={(look) => change('look', control.label, look)} />
      {:else if treatment.kind === 'gradient'}
        <GradientStops
          stops={treatment.stops}
          preview={(stops) => preview('stops', stops)}
          commit={() => desk.commit(gesture(control.label))}
        />
      {/if}
    {/each}
  </div>
{/each}

<style>
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    column-gap: 14px;
  }
</style>
