<script lang="ts">
  import {
    PDF_COLORS,
    type PdfColors,
    ANCHORS,
    canvasText,
    dress,
    dressingsOf,
    FORMAT_NAMES,
    formatOf,
    marksFor,
    packKind,
    plannedSize,
    readSize,
    swatchesOf,
    type Anchor,
    type ColorKey,
    type PackName,
    type PlannedPack,
    type PlannedSize,
  } from '$core/index';
  import { useHandoverDesk } from './handover-desk.svelte';

  const { kind }: { kind: PackName } = $props();
  const desk = useHandoverDesk();
  const row = $derived(packKind(kind));
  const pack = $derived(desk.content.packs.find((each) => each.kind === kind));
  const count = $derived(pack ? desk.filesOf(pack) : 0);
  let open = $state(false);
  let typed = $state('');
  let fault = $state('');

  const sizes = $derived.by((): readonly PlannedSize[] => {
    const own = pack?.sizes ?? [];
    const ours = row.sizes.map(plannedSize);
    return [...ours, ...own.filter(({ label }) => !ours.some((size) => size.label === label))];
  });
  const allGroups = $derived([
    {
      list: 'marks' as const,
      label: row.pieces ? 'Pieces' : 'Marks',
      of: marksFor(kind, desk.marks).map(({ id, name }) => ({ value: id, name })),
    },
    {
      list: 'dressings' as const,
      label: 'Colorways',
      of: dressingsOf(desk.brand.palette).map((value) => ({ value, name: dress(desk.brand.palette, value).label })),
    },
    {
      list: 'goods' as const,
      label: 'Goods',
      of: desk.goods.scenes.map(({ name, label }) => ({ value: name, name: label.toLowerCase() })),
    },
    {
      list: 'formats' as const,
      label: 'Formats',
      of: FORMAT_NAMES.filter((value) => !row.pieces || !formatOf(value).ownSizes).map((value) => ({
        value,
        name: formatOf(value).label.split(',')[0] ?? value,
      })),
    },
  ]);
  const lists = $derived<readonly List[]>(
    row.goods ? ['marks', 'goods'] : row.pieces ? ['marks', 'formats'] : ['marks', 'dressings', 'formats'],
  );
  const groups = $derived(allGroups.filter(({ list }) => lists.includes(list)));
  const has = (size: PlannedSize): boolean => pack?.sizes.some(({ label }) => label === size.label) ?? false;

  const chosenIn = (of: PlannedPack, list: List): readonly string[] => of[list] ?? [];
  type List = 'marks' | 'dressings' | 'formats' | 'goods';
  function toggle(of: PlannedPack, list: List, value: string, label: string): void {
    const from: readonly string[] = of[list] ?? [];
    const there = from.includes(value);
    desk.changePack(`${there ? 'Leave out' : 'Add'} ${label}`, {
      ...of,
      [list]: there ? from.filter((each) => each !== value) : [...from, value],
    });
  }
  function toggleSize(of: PlannedPack, size: PlannedSize): void {
    const there = has(size);
    desk.changePack(`${there ? 'Leave out' : 'Add'} ${size.label}`, {
      ...of,
      sizes: there ? of.sizes.filter(({ label }) => label !== size.label) : sizes.filter((each) => has(each) || each.label === size.label),
    });
  }
  const onPaper = ({ canvas }: PlannedSize): boolean => canvas.unit !== 'px';
  /** @param paperOnly only sizes on paper are changed */
  function changeSizes(of: PlannedPack, gesture: string, change: Partial<PlannedSize['canvas']>, paperOnly = false): void {
    const changed = (size: PlannedSize) => (paperOnly && !onPaper(size) ? size : { ...size, canvas: { ...size.canvas, ...change } });
    desk.changePack(gesture, { ...of, sizes: of.sizes.map(changed) });
  }
  /** A length that all sizes of a pack have in common; nothing where they differ. */
  function sameInAll({ sizes: all }: PlannedPack, length: Length): string {
    const [first = '', ...others] = new Set(all.map(({ canvas }) => String(canvas[length])));
    return others.length > 0 ? '' : first;
  }
  const AIR_HINT =
    'Kept clear on every side, of the file’s shorter side, or of the mark’s longer side where the file follows it; in all sizes of this pack';
  type Length = 'airPercent' | 'bleedMm';
  /** Lengths that are offered: how much room is usual, and what printers ask for (common practice: 3 to 5 mm). */
  const USUAL: Record<Length, readonly number[]> = { airPercent: [0, 2, 5, 8, 12, 20], bleedMm: [0, 2, 3, 5] };
  const offered = ({ sizes: all }: PlannedPack, of: Length): readonly number[] =>
    [...new Set([...USUAL[of], ...all.map(({ canvas }) => canvas[of])])].sort((one, other) => one - other);
  const PDF_COLOR_LABELS: Record<PdfColors, string> = {
    rgb: 'colors of screens',
    cmyk: 'process inks',
    spot: 'spot colors, else process inks',
  };
  function addSize(event: SubmitEvent): void {
    event.preventDefault();
    if (!pack) return;
    const read = readSize(typed, pack.sizes[0]?.canvas.airPercent ?? 0);
    if (!read.ok) {
      fault = read.problems.map(({ message, fix }) => `${message} ${fix ?? ''}`).join(' ');
      return;
    }
    fault = '';
    typed = '';
    if (!pack.sizes.some(({ label }) => label === read.value.label))
      desk.changePack(`Add ${read.value.label}`, { ...pack, sizes: [...pack.sizes, read.value] });
  }
</script>

{#snippet lengths(of: PlannedPack, length: Length, label: string, unit: string, hint: string)}
  {@const value = sameInAll({ ...of, sizes: length === 'bleedMm' ? of.sizes.filter(onPaper) : of.sizes }, length)}
  <label
    >{label}
    <select
      title={hint}
      class="lone-field"
      {value}
      onchange={(event) => changeSizes(of, `Change the ${label}`, { [length]: Number(event.currentTarget.value) }, length === 'bleedMm')}
    >
      {#if value === ''}<option value="" disabled>by size</option>{/if}
      {#each offered(of, length) as each (each)}<option value={String(each)}>{each === 0 ? 'none' : `${each} ${unit}`}</option>{/each}
    </select></label
  >
{/snippet}
{#snippet pdfColors(of: PlannedPack)}
  <label
    >PDF in
    <select
      title="In which colors PDFs are written; spot colors are those that swatches name in the Color room"
      class="lone-field"
      value={of.colors ?? row.colors ?? 'rgb'}
      onchange={(event) => desk.changePack('Choose the colors of PDFs', { ...of, colors: event.currentTarget.value as PdfColors })}
    >
      {#each PDF_COLORS as value (value)}<option {value}>{PDF_COLOR_LABELS[value]}</option>{/each}
    </select></label
  >
{/snippet}

<div class="pack" class:out={!pack}>
  <div class="head">
    <label
      ><input
        title="Whether the pack holds files for this"
        type="checkbox"
        checked={pack !== undefined}
        onchange={() => desk.toggle(kind)}
      />
      <span class="name">{row.label}</span></label
    >
    {#if pack}
      <span class="quiet count">{count} {count === 1 ? 'file' : 'files'}</span>
      <button
        title="Which marks, colors, formats and sizes"
        class="link"
        aria-expanded={open}
        aria-label="{open ? 'Close' : 'Choose'} what goes into {row.label}"
        onclick={() => (open = !open)}>{open ? 'close' : 'choose'}</button
      >
    {/if}
  </div>
  <p class="quiet says">{row.client}</p>
  {#if pack && open}
    {#each groups as group (group.list)}
      <fieldset>
        <legend class="label">{group.label}</legend>
        {#each group.of as { value, name } (value)}
          <label class="chip" class:on={chosenIn(pack, group.list).includes(value)}>
            <input
              title="Whether it goes into the pack"
              class="over-label"
              type="checkbox"
              checked={chosenIn(pack, group.list).includes(value)}
              onchange={() => toggle(pack, group.list, value, name)}
            />{name}</label
          >
        {/each}
      </fieldset>
    {/each}
    {#if !row.pieces}<fieldset>
        <legend class="label">Sizes</legend>
        {#each sizes as size (size.label)}
          <label class="chip" class:on={has(size)} title={canvasText(size.canvas)}>
            <input
              title="Whether every mark is made in this size"
              class="over-label"
              type="checkbox"
              checked={has(size)}
              onchange={() => toggleSize(pack, size)}
            />{size.label}
            <small>{canvasText(size.canvas)}</small></label
          >
        {/each}
        <form onsubmit={addSize}>
          <input
            title="Pixels, millimeters or inches: width × height, or a width alone"
            class="lone-field"
            aria-label="Another size for {row.label}"
            placeholder="another size: 1200 x 800, 60 mm"
            bind:value={typed}
          />
          <button title="Adds the size that was typed" class="link" disabled={typed.trim() === ''}>Add</button>
        </form>
        {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
      </fieldset>{/if}
    {#if row.goods}<fieldset class="more">
        <legend class="label">How</legend>
        <label
          ><input
            title="One more picture for each mark and size, with all chosen goods in it"
            type="checkbox"
            checked={pack.together === true}
            disabled={(pack.goods?.length ?? 0) < 2}
            onchange={(event) => {
              const { together: _, ...rest } = pack;
              desk.changePack('Set goods side by side', event.currentTarget.checked ? { ...rest, together: true } : rest);
            }}
          /> also side by side in one picture</label
        >
      </fieldset>{/if}
    {#if row.pieces && pack.formats.includes('pdf')}<fieldset class="more">
        <legend class="label">How</legend>
        {@render pdfColors(pack)}
      </fieldset>{/if}
    {#if !row.goods && !row.pieces}<fieldset class="more">
        <legend class="label">How</legend>
        <label
          >stands
          <select
            title="Where the mark stands in a file that is wider or higher than it"
            class="lone-field"
            value={pack.sizes[0]?.canvas.anchor ?? 'center'}
            onchange={(event) => changeSizes(pack, 'Place the marks', { anchor: event.currentTarget.value as Anchor })}
          >
            {#each ANCHORS as anchor (anchor)}<option value={anchor}>{anchor.replace('-', ' ')}</option>{/each}
          </select></label
        >
        {@render lengths(pack, 'airPercent', 'room around', '%', AIR_HINT)}
        {#if pack.sizes.some(onPaper)}
          {@render lengths(pack, 'bleedMm', 'bleed', 'mm', 'Printed beyond the edge and cut away; in all sizes on paper of this pack')}
        {/if}
        {#if pack.formats.includes('pdf')}{@render pdfColors(pack)}{/if}
        <label
          >JPEG and AVIF on
          <select
            title="What lies behind the marks where the format has no clear ground"
            class="lone-field"
            value={pack.ground ?? ''}
            onchange={(event) => {
              const { ground: _, ...rest } = pack;
              const chosen = event.currentTarget.value as ColorKey | '';
              desk.changePack('Choose the ground', chosen ? { ...rest, ground: chosen } : rest);
            }}
          >
            <option value="">what the colorway is for</option>
            {#each swatchesOf(desk.brand.palette) as { key, name } (key)}<option value={key}>{name}</option>{/each}
          </select></label
        >
        <label
          ><input
            title="Moved by less than a pixel, so that no edge is blurred"
            type="checkbox"
            checked={pack.sizes.length > 0 && pack.sizes.every(({ canvas }) => canvas.crisp)}
            onchange={(event) => changeSizes(pack, 'Set edges on pixels', { crisp: event.currentTarget.checked })}
          /> upright and level edges on whole pixels</label
        >
        {#if pack.formats.includes('pdf') && pack.marks.length > 1}
          <label
            ><input
              title="One file with a page for each mark, instead of one file each"
              type="checkbox"
              checked={pack.together === true}
              onchange={(event) => desk.changePack('Put PDFs together', { ...pack, together: event.currentTarget.checked })}
            /> all marks in one PDF, a page each</label
          >
        {/if}
        {#if pack.formats.includes('webp')}
          <label
            ><input
              title="Every pixel as it is; larger files"
              type="checkbox"
              checked={pack.exact === true}
              onchange={(event) => desk.changePack('Choose how exact', { ...pack, exact: event.currentTarget.checked })}
            /> WebP without any loss</label
          >
        {/if}
      </fieldset>{/if}
  {/if}
</div>

<style>
  .pack {
    padding: 9px 0;
    border-bottom: 1px solid var(--color-rule);
  }
  .head {
    display: flex;
    gap: 10px;
    align-items: baseline;
  }
  .head label {
    flex: 1;
    cursor: pointer;
  }
  .name {
    font-weight: 600;
  }
  .out .name {
    font-weight: 400;
  }
  .count {
    font-variant-numeric: tabular-nums;
  }
  .says {
    padding-left: 24px;
    font-size: 12px;
  }
  fieldset {
    padding: 8px 0 2px 24px;
  }
  legend {
    padding-top: 8px;
  }
  .chip {
    position: relative;
    display: inline-block;
    padding: 2px 9px;
    margin: 0 5px 5px 0;
    border: 1px solid var(--color-rule);
    background: var(--color-sheet);
    font-size: 12px;
  }
  .chip.on {
    border-color: var(--color-ink);
    box-shadow: inset 0 -2px var(--color-ink);
  }
  .chip:focus-within {
    outline: 2px solid var(--color-plum);
    outline-offset: 1px;
  }
  .chip small {
    color: var(--color-quiet);
  }
  .more label {
    display: block;
    padding: 2px 0;
  }
  form {
    display: flex;
    gap: 8px;
    padding-top: 2px;
  }
  form input {
    flex: 1;
    min-width: 0;
  }
  .fault {
    color: var(--color-rust);
  }
</style>
