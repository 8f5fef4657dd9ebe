<script lang="ts">
  import { Button, Input, Label, Modal, Select } from 'flowbite-svelte';
  import {
    dressingsOf,
    FILE_FORMATS,
    FORMAT_NAMES,
    dress,
    LARGEST_PICTURE_PX,
    parseAmount,
    proposedFiles,
    swatchesOf,
    SMALLEST_PICTURE_PX,
    type Dressing,
    type FileFormat,
    type FormatName,
    type ProposedFile,
  } from '$core/index';
  import { giveBackFocus } from '$lib/ui/give-back-focus.svelte';
  import { useTable } from './table/table.svelte';

  let { open = $bindable(false) }: { open?: boolean } = $props();
  giveBackFocus(() => open);
  const table = useTable();

  type Offered = FileFormat & { readonly name: FormatName };
  const formats = FORMAT_NAMES.map((name): Offered => ({ name, ...FILE_FORMATS[name] }));
  let chosen: FormatName = $state('png');
  const format = $derived<Offered>({ name: chosen, ...FILE_FORMATS[chosen] });
  let width = $state('1200');
  let height = $state('');
  let widthMm = $state('');
  let dressing: Dressing = $state('full');
  let ground: string = $state('paper');
  let crop: 'box' | 'round' = $state('box');
  let room = $state('0');
  let fault = $state('');

  const proposed = proposedFiles(table.brief);
  const options = $derived(dressingsOf(table.palette).map((value) => ({ value, name: dress(table.palette, value).label })));
  const crops = [
    { value: 'box', name: 'as it is' },
    { value: 'round', name: 'for a round crop' },
  ];
  const grounds = $derived(swatchesOf(table.palette).map(({ key, name }) => ({ value: key, name })));
  const blends = $derived(table.parts.some((part) => part.kind !== 'unknown' && part.blend !== 'normal' && !part.hidden));

  function take(file: ProposedFile): void {
    [width, height, room, crop] = [String(file.widthPx), String(file.heightPx ?? ''), String(file.roomPercent), file.crop];
  }

  function query(as: Offered): URLSearchParams | undefined {
    fault = '';
    const read = (label: string, typed: string, min: number, max: number): number => {
      const amount = parseAmount(typed);
      if (!amount.ok) fault = amount.problems.map((problem) => problem.message).join(' ');
      else if (amount.value < min || amount.value > max)
        fault = `${label} goes from ${min.toLocaleString('en')} to ${max.toLocaleString('en')}.`;
      return amount.ok ? amount.value : 0;
    };
    const asked = new URLSearchParams({ download: '1', dressing, crop, room: String(read('Clear space', room, 0, 100)) });
    if (!as.pixels) return fault ? undefined : asked;
    const side = (label: string, typed: string) => String(Math.round(read(label, typed, SMALLEST_PICTURE_PX, LARGEST_PICTURE_PX)));
    if (!width.trim() && !height.trim()) fault = 'Give a width, a height, or both.';
    if (width.trim()) asked.set('width', side('Width', width));
    if (height.trim()) asked.set('height', side('Height', height));
    if (widthMm.trim()) asked.set('widthMm', String(read('Printed width', widthMm, 1, 100_000)));
    if (!as.clear) asked.set('ground', ground);
    return fault ? undefined : asked;
  }

  /** The files that are being made, and how each is stopped. */
  let making: readonly { readonly name: string; readonly stop: AbortController }[] = $state.raw([]);
  let seconds = $state(0);
  $effect(() => {
    if (making.length === 0) return;
    seconds = 0;
    const timer = setInterval(() => seconds++, 1000);
    return () => clearInterval(timer);
  });

  /** Files come from what is saved, so everything is saved first. */
  async function download(as: Offered): Promise<void> {
    const asked = query(as);
    if (!asked) return;
    if (!(await table.open.flush())) {
      fault = 'The newest changes are not saved yet, so the file would be old. It can be made as soon as the server answers again.';
      return;
    }
    const stop = new AbortController();
    making = [...making, { name: as.label.split(',')[0] ?? as.name, stop }];
    const made = <T,>(file: Promise<T>) => file.finally(() => (making = making.filter((each) => each.stop !== stop)));
    const address = `/api/brands/${table.brand.slug}/marks/${table.info.slug}/picture.${as.name}?${asked}`;
    const response = await made(fetch(address, { signal: stop.signal })).catch(() => undefined);
    if (stop.signal.aborted) return;
    if (!response?.ok) {
      const answer = (await response?.json().catch(() => undefined)) as { detail?: string } | undefined;
      fault = answer?.detail ?? 'The server cannot be reached. The file can be made as soon as it answers again.';
      return;
    }
    const link = document.createElement('a');
    link.href = URL.createObjectURL(await response.blob());
    link.download = decodeURIComponent(
      /filename\*=UTF-8''([^;]+)/.exec(response.headers.get('content-disposition') ?? '')?.[1] ?? `mark.${as.name}`,
    );
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
  }
</script>

<Modal bind:open title="Files of {table.info.name}" size="xs" autoclose={false}>
  <!-- Enter in any of its fields makes the file. -->
  <form
    onsubmit={(event) => {
      event.preventDefault();
      void download(format);
    }}
  >
    <div class="grid">
      <Label for="file-dressing">Colorway</Label>
      <Select title="In which colors the file is made" id="file-dressing" items={options} bind:value={dressing} placeholder="" />
      <Label for="file-crop">Frame</Label>
      <Select title="As it is, or with room enough for a round crop" id="file-crop" items={crops} bind:value={crop} placeholder="" />
      <Label for="file-room">Clear space (% of the longer side)</Label>
      <Input
        title="Empty room all around, in percent of the longer side"
        id="file-room"
        bind:value={room}
        inputmode="decimal"
        autocomplete="off"
      />
      <Label for="file-format">Format</Label>
      <Select
        title="What kind of file; a sentence below says what it is for"
        id="file-format"
        items={formats.map(({ name, label }) => ({ value: name, name: label }))}
        value={format.name}
        onchange={(event) => (chosen = event.currentTarget.value as FormatName)}
        placeholder=""
      />
      {#if !format.clear}
        <Label for="file-ground">Ground</Label>
        <Select
          title="What lies behind the mark where the format has no clear ground"
          id="file-ground"
          items={grounds}
          bind:value={ground}
          placeholder=""
        />
      {/if}
      {#if format.pixels}
        <Label for="file-width">Width (pixels)</Label>
        <Input
          title="How wide the picture is; empty follows the height"
          id="file-width"
          bind:value={width}
          inputmode="numeric"
          autocomplete="off"
        />
        <Label for="file-height">Height (pixels; empty follows the width)</Label>
        <Input
          title="How high the picture is; empty follows the width"
          id="file-height"
          bind:value={height}
          inputmode="numeric"
          autocomplete="off"
        />
        <Label for="file-mm">Printed width (mm, if it matters)</Label>
        <Input title="Says in the file how large it is printed" id="file-mm" bind:value={widthMm} inputmode="decimal" autocomplete="off" />
      {/if}
    </div>
    {#if proposed.length > 0 && format.pixels}
      <p class="mt-3 quiet">
        For where the marks will live: {#each proposed as file, index (index)}<button
            title="Takes the size that this place asks for"
            type="button"
            class="link mr-2"
            onclick={() => take(file)}>{file.label} {file.widthPx} px</button
          >{/each}
      </p>
    {/if}
    <p class="quiet mt-3">
      {format.about}
      {#if format.pixels}With both sides given, the mark is fitted and centered.{/if}
    </p>
    {#if blends && dressing === 'full'}<p class="mt-2" role="note">
        This mark blends its colors. Browsers draw that right in the SVG; some other programs show other colors. The pictures in pixels are
        right.
      </p>{/if}
    {#if fault}<p class="mt-2 text-rust" role="alert">{fault}</p>{/if}
    <div class="mt-4 flex justify-end gap-3">
      {#each making as { name, stop }, at (at)}
        <p class="making" role="status">
          {name} is being made{seconds > 0 ? `, ${seconds} s` : ''} …
          <button title="The file is not made any more" type="button" class="link" onclick={() => stop.abort()}>Stop</button>
        </p>
      {/each}
      {#each formats.filter(({ name }) => name === 'svg' && name !== format.name) as outlines (outlines.name)}
        <Button title="Outlines without any loss, for every size" type="button" color="alternative" onclick={() => download(outlines)}
          >Download {outlines.label.split(',')[0]}</Button
        >
      {/each}
      <Button title="Everything is saved first, then the file is made" type="submit">Download {format.label.split(',')[0]}</Button>
    </div>
  </form>
</Modal>

<style>
  .making {
    margin-right: auto;
    align-self: center;
    font-size: 12px;
  }
  .grid {
    display: grid;
    grid-template-columns: 1fr 150px;
    align-items: center;
    gap: 10px 16px;
  }
</style>
