<script lang="ts">
  import { Button, Input, Label, Modal, Select } from 'flowbite-svelte';
  import { DRESSINGS, dress, LARGEST_PICTURE_PX, parseAmount, proposedWidthsPx, SMALLEST_PICTURE_PX, type Dressing } from '$core/index';
  import { useTable } from './table/table.svelte';

  let { open = $bindable(false) }: { open?: boolean } = $props();
  const table = useTable();

  let width = $state('1200');
  let widthMm = $state('');
  let dressing: Dressing = $state('full');
  let padding = $state('0');
  let fault = $state('');

  const proposed = proposedWidthsPx(table.brief);
  const options = DRESSINGS.map((value) => ({ value, name: dress(table.palette, value).label }));

  function query(format: 'png' | 'svg'): URLSearchParams | undefined {
    fault = '';
    const read = (label: string, typed: string, min: number, max: number): number => {
      const amount = parseAmount(typed);
      if (!amount.ok) fault = amount.problems.map((problem) => problem.message).join(' ');
      else if (amount.value < min || amount.value > max)
        fault = `${label} goes from ${min.toLocaleString('en')} to ${max.toLocaleString('en')}.`;
      return amount.ok ? amount.value : 0;
    };
    const asked = new URLSearchParams({ download: '1', dressing, padding: String(read('Room around', padding, 0, 10_000)) });
    if (format === 'png') {
      asked.set('width', String(Math.round(read('Width', width, SMALLEST_PICTURE_PX, LARGEST_PICTURE_PX))));
      if (widthMm.trim()) asked.set('widthMm', String(read('Printed width', widthMm, 1, 100_000)));
    }
    return fault ? undefined : asked;
  }

  /** Files come from what is saved, so everything is saved first. */
  async function download(format: 'png' | 'svg'): Promise<void> {
    const asked = query(format);
    if (!asked) return;
    if (!(await table.open.flush())) {
      fault = 'The newest changes are not saved yet, so the file would be old. It can be made as soon as the server answers again.';
      return;
    }
    const address = `/api/brands/${table.brand.slug}/marks/${table.info.slug}/picture.${format}?${asked}`;
    const response = await fetch(address);
    if (!response.ok) {
      fault = ((await response.json()) as { detail: string }).detail;
      return;
    }
    const link = document.createElement('a');
    link.href = URL.createObjectURL(await response.blob());
    link.download = decodeURIComponent(
      /filename\*=UTF-8''([^;]+)/.exec(response.headers.get('content-disposition') ?? '')?.[1] ?? `mark.${format}`,
    );
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
  }
</script>

<Modal bind:open title="Files of {table.info.name}" size="xs" autoclose={false}>
  <div class="grid">
    <Label for="file-dressing">Dressing</Label>
    <Select id="file-dressing" items={options} bind:value={dressing} placeholder="" />
    <Label for="file-padding">Room around (px of the mark)</Label>
    <Input id="file-padding" bind:value={padding} inputmode="decimal" autocomplete="off" />
    <Label for="file-width">PNG width (pixels)</Label>
    <Input id="file-width" bind:value={width} inputmode="numeric" autocomplete="off" />
    <Label for="file-mm">Printed width (mm, if it matters)</Label>
    <Input id="file-mm" bind:value={widthMm} inputmode="decimal" autocomplete="off" />
  </div>
  {#if proposed.length > 0}
    <p class="mt-3 quiet">
      For where the marks will live: {#each proposed as widthPx (widthPx)}<button
          class="link mr-2"
          onclick={() => (width = String(widthPx))}>{widthPx} px</button
        >{/each}
    </p>
  {/if}
  <p class="quiet mt-3">The ground is left out, not painted. SVG holds outlines only, so no font is needed to open it.</p>
  {#if fault}<p class="mt-2 text-rust" role="alert">{fault}</p>{/if}
  <div class="mt-4 flex justify-end gap-3">
    <Button color="alternative" onclick={() => download('svg')}>Download SVG</Button>
    <Button onclick={() => download('png')}>Download PNG</Button>
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
