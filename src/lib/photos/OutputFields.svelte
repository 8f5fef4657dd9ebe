<script lang="ts">
  import { PHOTO_FORMATS, type PhotoOutput } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import { usePhotosDesk } from './photos-desk.svelte';

  const desk = usePhotosDesk();
  const output = $derived(desk.content.output);
  const withOutput = (change: Partial<PhotoOutput>) => ({ ...desk.content, output: { ...output, ...change } });
  const LABELS: Record<PhotoOutput['format'], string> = { jpeg: 'JPEG', png: 'PNG', webp: 'WebP', tiff: 'TIFF', avif: 'AVIF' };
  const lossy = $derived(output.format !== 'png' && output.format !== 'tiff');
  function longest(typed: string): void {
    const { longestPx: _, ...rest } = output;
    const px = Math.round(Number(typed));
    desk.change('Change the size', { ...desk.content, output: px >= 64 && px <= 20_000 ? { ...rest, longestPx: px } : rest });
  }
  const texts: readonly { readonly key: 'pattern' | 'creator' | 'copyright'; readonly label: string; readonly hint: string }[] = [
    { key: 'pattern', label: 'Names', hint: 'May hold {name} {brand} {number} {width} {height}' },
    { key: 'creator', label: 'Creator', hint: 'Written into every file' },
    { key: 'copyright', label: 'Copyright', hint: 'Written into every file, with the rights of the marks' },
  ];
</script>

<Pick
  label="Format"
  hint="What is written"
  options={PHOTO_FORMATS.map((value) => ({ value, label: LABELS[value] }))}
  value={output.format}
  choose={(format) => desk.change('Change the format', withOutput({ format }))}
/>
{#if lossy}
  <AmountField
    label="Quality"
    hint="Higher keeps more, and takes more room"
    value={output.quality}
    min={30}
    max={100}
    digits={0}
    preview={(quality) => desk.work.preview(withOutput({ quality: Math.round(quality) }))}
    commit={() => desk.work.commit('Change the quality')}
  />
{/if}
<label class="text" title="Smaller photos keep their size"
  ><span class="quiet">Longest side</span><input
    title="The longer side of each marked photo; empty keeps its size"
    class="lone-field"
    type="number"
    min="64"
    max="20000"
    placeholder="as it is"
    value={output.longestPx ?? ''}
    onchange={(event) => longest(event.currentTarget.value)}
  /></label
>
{#each texts as { key, label, hint } (key)}
  <label class="text" title={hint}
    ><span class="quiet">{label}</span><input
      class="lone-field"
      maxlength="120"
      value={output[key]}
      onchange={(event) => {
        const typed = event.currentTarget.value.trim();
        if (typed || key !== 'pattern') desk.change(`Change ${label.toLowerCase()}`, withOutput({ [key]: typed }));
        else event.currentTarget.value = output.pattern;
      }}
    /></label
  >
{/each}
<label class="check"
  ><input
    title="Colors look the same where profiles are understood; else all become sRGB"
    type="checkbox"
    checked={output.keepProfile}
    onchange={(event) => desk.change('Change the profile', withOutput({ keepProfile: event.currentTarget.checked }))}
  /> keep a photo’s own color profile</label
>
<label class="check"
  ><input
    title="Keeps the finer steps of tone that some photos have"
    type="checkbox"
    checked={output.deep}
    onchange={(event) => desk.change('Change the depth', withOutput({ deep: event.currentTarget.checked }))}
  /> keep 16 bits (PNG, TIFF)</label
>
{#if desk.photos.some(({ page }) => page)}<p class="quiet small">
    PDFs stay PDFs at their own size: the marks are written into their pages as outlines, and other pages stay as they are.
  </p>{/if}
<p class="quiet small">Where and with what a photo was taken is left out of every file.</p>

<style>
  .text {
    display: flex;
    align-items: center;
    gap: 10px;
    padding-top: 6px;
  }
  .text span {
    width: 84px;
  }
  .text input {
    flex: 1;
    min-width: 0;
    height: 30px;
  }
  .check {
    display: flex;
    align-items: center;
    gap: 8px;
    padding-top: 8px;
  }
  .small {
    padding: 8px 0;
    font-size: 12px;
  }
</style>
