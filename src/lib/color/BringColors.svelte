<script lang="ts">
  import { Button, Modal } from 'flowbite-svelte';
  import { MOST_COLOR_TEXT, paletteFormats, readColors, type PaletteFormatName, type ReadColor } from '$core/index';
  import { giveBackFocus } from '$lib/ui/give-back-focus.svelte';
  import { useColorDesk } from './color-desk.svelte';

  let { open = $bindable(false), brandName }: { open?: boolean; brandName: string } = $props();
  giveBackFocus(() => open);
  const desk = useColorDesk();
  let text = $state('');
  let left: ReadonlySet<string> = $state.raw(new Set());
  let fault = $state('');
  let chooser: HTMLInputElement | undefined = $state();
  const found = $derived(readColors(text));
  const taken = $derived(found.colors.filter(({ hex }) => !left.has(hex)));
  const FORMATS = Object.keys(paletteFormats) as readonly PaletteFormatName[];

  async function takeFile(files: FileList | null): Promise<void> {
    const [file] = files ?? [];
    if (!file) return;
    fault = '';
    if (file.size > MOST_COLOR_TEXT) return void (fault = `${file.name} is longer than ${MOST_COLOR_TEXT / 1000} kB; palettes are short.`);
    text = await file.text();
  }
  function toggle({ hex }: ReadColor): void {
    const next = new Set(left);
    if (!next.delete(hex)) next.add(hex);
    left = next;
  }
  function add(): void {
    desk.add(taken, 'Bring in colors');
    text = '';
    open = false;
  }
  function save(name: PaletteFormatName): void {
    const { write, type, extension } = paletteFormats[name];
    const address = URL.createObjectURL(new Blob([write(desk.palette, brandName)], { type }));
    const link = document.createElement('a');
    [link.href, link.download] = [address, `${brandName.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase() || 'palette'}-colors.${extension}`];
    link.click();
    setTimeout(() => URL.revokeObjectURL(address), 10_000);
  }
</script>

<Modal bind:open title="Colors in and out" size="md">
  <label class="label" for="bring-colors">Bring in</label>
  <p class="quiet">
    Paste any text that holds color codes, or choose a file: design tokens, CSS custom properties, an SVG with swatches, a plain list.
  </p>
  <textarea
    title="Names and codes in any form, a line each: what is a color is found"
    id="bring-colors"
    rows="5"
    spellcheck="false"
    placeholder="Deep sea #123a5a&#10;rgb(217 199 160)"
    bind:value={text}></textarea>
  <p>
    <button title="A palette, a style sheet or a drawing; its colors are found" class="link" onclick={() => chooser?.click()}
      >Choose a file</button
    >
    <input
      title="A palette, a style sheet or a drawing; its colors are found"
      bind:this={chooser}
      class="off-screen"
      type="file"
      accept=".json,.css,.svg,.txt,.tokens,text/*"
      aria-label="File with colors"
      onchange={(event) => void takeFile(event.currentTarget.files)}
    />
  </p>
  {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
  {#if text.trim() !== ''}
    <p role="status">
      {found.colors.length === 0
        ? 'No color was found in it.'
        : `${found.colors.length} ${found.colors.length === 1 ? 'color' : 'colors'} found.`}
      {#if found.skipped.length > 0}<span class="quiet" title={found.skipped.slice(0, 40).join(', ')}
          >{found.skipped.length}
          {found.skipped.length === 1 ? 'entry is no opaque color and is' : 'entries are no opaque colors and are'} passed over.</span
        >{/if}
    </p>
    <ul>
      {#each found.colors as color, at (at)}
        <li>
          <label
            ><input title="Only ticked colors are added" type="checkbox" checked={!left.has(color.hex)} onchange={() => toggle(color)} />
            <span class="chip" style:background={color.hex}></span>
            {color.name || color.hex}
            <span class="quiet">{color.hex}{color.broughtIn ? ', brought to what a screen shows' : ''}</span></label
          >
        </li>
      {/each}
    </ul>
    {#if found.colors.length > 0}<Button title="Adds what is ticked; roles stay as they are" disabled={taken.length === 0} onclick={add}
        >Add {taken.length} to the palette</Button
      >{/if}
  {/if}
  <p class="label out">Take out</p>
  <p class="formats">
    {#each FORMATS as name (name)}<button title="Saves the palette in this form, for other programs" class="link" onclick={() => save(name)}
        >{paletteFormats[name].label}</button
      >{/each}
  </p>
</Modal>

<style>
  textarea {
    width: 100%;
    border: 1px solid var(--color-quiet);
    background: var(--color-sheet);
    font-size: 13px;
  }
  ul {
    max-height: 180px;
    overflow-y: auto;
  }
  li label {
    display: flex;
    align-items: center;
    gap: 8px;
    padding: 3px 0;
  }
  .chip {
    width: 28px;
    height: 18px;
    border: 1px solid var(--color-rule);
  }
  .fault {
    color: var(--color-rust);
  }
  .out {
    padding-top: 10px;
    border-top: 1px solid var(--color-rule);
  }
  .formats {
    display: flex;
    gap: 18px;
  }
</style>
