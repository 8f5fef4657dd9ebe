<script lang="ts">
  import type { Snippet } from 'svelte';
  import { changing, treatmentLimits, treatmentRow, type KnownTreatment, type OwnTexture, type TreatmentControl } from '$core/index';
  import ControlField from '../fields/ControlField.svelte';
  import { inLines, isPlain } from '../fields/controls';
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
  const values = $derived(treatment as unknown as Readonly<Record<string, unknown>>);
  const row = $derived(treatmentRow(treatment.kind));
  const shown = $derived(row.controls.filter(({ when }) => !when || when(values)));
  const blocks = $derived(inLines<TreatmentControl>(shown));
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
      {#if isPlain(control)}
        <ControlField
          {control}
          value={values[control.field]}
          limits={treatmentLimits(treatment.kind, control.field)}
          mostBeside={MOST_BESIDE}
          preview={(value) => preview(control.field, value)}
          commit={() => desk.commit(gesture(control.label))}
          change={(value) => change(control.field, control.label, value)}
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
