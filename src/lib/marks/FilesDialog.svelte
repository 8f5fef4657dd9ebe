<script lang="ts">
  import { Button, Input, Label, Modal, Select } from 'flowbite-svelte';
  import {
    DRESSINGS,
    dress,
    LARGEST_PICTURE_PX,
    parseAmount,
    proposedFiles,
    ROLES,
    SMALLEST_PICTURE_PX,
    type Dressing,
    type ProposedFile,
  } from '$core/index';
  import { useTable } from './table/table.svelte';

  let { open = $bindable(false) }: { open?: boolean } = $props();
  const table = useTable();

  const FORMATS = [
    { value: 'png', name: 'PNG, transparent' },
    { value: 'webp', name: 'WebP, transparent' },
    { value: 'jpg', name: 'JPEG, on a ground' },
  ] as const;
  type Format = (typeof FORMATS)[number]['value'] | 'svg';
  let format: Format = $state('png');
  let width = $state('1200');
  let height = $state('');
  let widthMm = $state('');
  let dressing: Dressing = $state('full');
  let ground: string = $state('paper');
  let crop: 'box' | 'round' = $state('box');
  let room = $state('0');
  let fault = $state('');

  const proposed = proposedFiles(table.brief);
  const options = DRESSINGS.map((value) => ({ value, name: dress(table.palette, value).label }));
  const crops = [
    { value: 'box', name: 'as it is' },
    { value: 'round', name: 'for a round crop' },
  ];
  const grounds = ROLES.map((role) => ({ value: role, name: role }));
  const blends = $derived(table.parts.some((part) => part.kind !== 'unknown' && part.blend !== 'normal' && !part.hidden));

  function take(file: ProposedFile): void {
    [width, height, room, crop] = [String(file.widthPx), String(file.heightPx ?? ''), String(file.roomPercent), file.crop];
  }

  function query(as: Format): URLSearchParams | undefined {
    fault = '';
    const read = (label: string, typed: string, min: number, max: number): number => {
      const amount = parseAmount(typed);
      if (!amount.ok) fault = amount.problems.map((problem) => problem.message).join(' ');
      else if (amount.value < min || amount.value > max)
        fault = `${label} goes from ${min.toLocaleString('en')} to ${max.toLocaleString('en')}.`;
      return amount.ok ? amount.value : 0;
    };
    const asked = new URLSearchParams({ download: '1', dressing, crop, room: String(read('Clear space', room, 0, 100)) });
    if (as === 'svg') return fault ? undefined : asked;
    const side = (label: string, typed: string) => String(Math.round(read(label, typed, SMALLEST_PICTURE_PX, LARGEST_PICTURE_PX)));
    if (!width.trim() && !height.trim()) fault = 'Give a width, a height, or both.';
    if (width.trim()) asked.set('width', side('Width', width));
    if (height.trim()) asked.set('height', side('Height', height));
    if (widthMm.trim()) asked.set('widthMm', String(read('Printed width', widthMm, 1, 100_000)));
    if (as === 'jpg') asked.set('ground', ground);
    return fault ? undefined : asked;
  }

  /** Files come from what is saved, so everything is saved first. */
  async function download(as: Format): Promise<void> {
    const asked = query(as);
    if (!asked) return;
    if (!(await table.open.flush())) {
      fault = 'The newest changes are not saved yet, so the file would be old. It can be made as soon as the server answers again.';
      return;
    }
    const address = `/api/brands/${table.brand.slug}/marks/${table.info.slug}/picture.${as}?${asked}`;
    const response = await fetch(address).catch(() => undefined);
    if (!response?.ok) {
      const answer = (await response?.json().catch(() => undefined)) as { detail?: string } | undefined;
      fault = answer?.detail ?? 'The server cannot be reached. The file can be made as soon as it answers again.';
      return;
    }
    const link = document.createElement('a');
    link.href = URL.createObjectURL(await response.blob());
    link.download = decodeURIComponent(
      /filename\*=UTF-8''([^;]+)/.exec(response.headers.get('content-disposition') ?? '')?.[1] ?? `mark.${as}`,
    );
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
  }
</script>

<Modal bind:open title="Files of {table.info.name}" size="xs" autoclose={false}>
  <div class="grid">
    <Label for="file-dressing">Colorway</Label>
    <Select id="file-dressing" items={options} bind:value={dressing} placeholder="" />
    <Label for="file-crop">Frame</Label>
    <Select id="file-crop" items={crops} bind:value={crop} placeholder="" />
    <Label for="file-room">Clear space (% of the longer side)</Label>
    <Input id="file-room" bind:value={room} inputmode="decimal" autocomplete="off" />
    <Label for="file-format">Format</Label>
    <Select id="file-format" items={[...FORMATS]} bind:value={format} placeholder="" />
    {#if format === 'jpg'}
      <Label for="file-ground">Ground</Label>
      <Select id="file-ground" items={grounds} bind:value={ground} placeholder="" />
    {/if}
    <Label for="file-width">Width (pixels)</Label>
    <Input id="file-width" bind:value={width} inputmode="numeric" autocomplete="off" />
    <Label for="file-height">Height (pixels; empty follows the width)</Label>
    <Input id="file-height" bind:value={height} inputmode="numeric" autocomplete="off" />
    <Label for="file-mm">Printed width (mm, if it matters)</Label>
    <Input id="file-mm" bind:value={widthMm} inputmode="decimal" autocomplete="off" />
  </div>
  {#if proposed.length > 0}
    <p class="mt-3 quiet">
      For where the marks will live: {#each proposed as file, index (index)}<button class="link mr-2" onclick={() => take(file)}
          >{file.label} {file.widthPx} px</button
        >{/each}
    </p>
  {/if}
  <p class="quiet mt-3">
    {format === 'jpg' ? 'A JPEG cannot be transparent: its ground is painted.' : 'The ground is left out, not painted.'} With both sides given,
    the mark is fitted and centered. SVG holds outlines only, so no font is needed to open it.
  </p>
  {#if blends && dressing === 'full'}<p class="mt-2" role="note">
      This mark blends its colors. Browsers draw that right in the SVG; some other programs show other colors. The pictures in pixels are
      right.
    </p>{/if}
  {#if fault}<p class="mt-2 text-rust" role="alert">{fault}</p>{/if}
  <div class="mt-4 flex justify-end gap-3">
    <Button color="alternative" onclick={() => download('svg')}>Download SVG</Button>
    <Button onclick={() => download(format)}>Download {FORMATS.find(({ value }) => value === format)?.name.split(',')[0]}</Button>
  </div>
</Modal>

<style>
  .grid {
    display: grid;
    grid-template-columns: 1fr 150px;
    align-items: center;
    gap: 10px 16px;
  }
</style>
