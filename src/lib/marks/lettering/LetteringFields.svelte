<script lang="ts">
  import { AXIS_NAMES, axisHint } from '$lib/ui/axis-names';
  import {
    HYPHEN_LANGUAGES,
    lettersOf,
    restingValue,
    type FontChoice,
    type HyphenLanguage,
    type Lettering,
    type Problem,
  } from '$core/index';
  import type { FaceInfo } from '$workers/draw';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Choice from '$lib/ui/Choice.svelte';
  import Tick from '$lib/ui/Tick.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import PaintPicker from '$lib/ui/PaintPicker.svelte';
  import NumberFields from '../fields/NumberFields.svelte';
  import { NUMBERS } from '../fields/numbers';
  import { useTable } from '../table/table.svelte';
  import CutFields from './CutFields.svelte';
  import FeatureFields from './FeatureFields.svelte';
  import FitFields from './FitFields.svelte';
  import FontField from './FontField.svelte';
  import HandFields from './HandFields.svelte';
  import LetterFields from './LetterFields.svelte';
  import LineFields from './LineFields.svelte';
  import { typedText } from './typed-text';
  import SecondLineFields from './SecondLineFields.svelte';
  import SpacingStrip from './SpacingStrip.svelte';

  const { part, notices }: { part: Lettering; notices: readonly Problem[] } = $props();
  const table = useTable();
  const id = $props.id();

  let face: FaceInfo | undefined = $state.raw();
  const family = $derived(table.family(part.font.family));
  const choiceKey = $derived(`${part.font.family} ${part.font.style}`);
  $effect(() => {
    const [asked = '', style] = choiceKey.split(' ');
    const font: FontChoice = { family: asked, style: style as FontChoice['style'], axes: {} };
    face = undefined;
    table.desk
      .ask((draughtsman) => draughtsman.face(font))
      .then(
        (info) => (face = info),
        () => (face = undefined), // A font that is missing says so in the notices.
      );
  });

  const weights = $derived([...new Set(family?.faces.flatMap(({ weight }) => (weight ? [weight] : [])) ?? [])]);
  const axes = $derived(face?.axes ?? []);
  const setAxis = (tag: string, value: number): { font: FontChoice } => ({
    font: { ...part.font, axes: { ...part.font.axes, [tag]: value } },
  });
  /** A column as wide as the words are now, or a third less where they stand in one line. */
  const columnPx = (): number => {
    const ink = table.resolved(part.id)?.ink;
    const wide = ink ? (ink.right - ink.left) / (part.place.scale ?? 1) : 400;
    return Math.max(20, Math.round(lines > 1 ? wide : wide * 0.66));
  };
  const lines = $derived(part.text.split('\n').length);
  let settle: ReturnType<typeof setTimeout> | undefined;
  function type(text: string): void {
    table.retext(part, typedText(text));
    clearTimeout(settle);
    settle = setTimeout(() => table.commit('Type'), 700);
  }
</script>

<label class="off-screen" for="{id}-text">Text</label>
<textarea
  title="The words of this line; a new row with Enter"
  id="{id}-text"
  class="text"
  dir="auto"
  value={part.text}
  rows={Math.min(6, lines)}
  maxlength="2000"
  autocomplete="off"
  spellcheck="false"
  placeholder="Type the name"
  oninput={(event) => type(event.currentTarget.value)}
  onblur={() => table.commit('Type')}></textarea>
{#each notices as notice (notice.code + notice.message)}
  <p class="notice" role="status">
    {notice.message}
    {#if notice.path?.[0] === 'fallback'}
      <button
        title="Lends the missing letters from this face"
        class="link"
        onclick={() => table.change(part.id, notice.fix ?? 'Borrow letters', { fallback: String(notice.path?.[1]) })}>{notice.fix}</button
      >
    {:else if notice.path?.[0] === 'forget'}
      <button title="Lets go of what waited for letters that are gone" class="link" onclick={() => table.forgetWaiting(part)}
        >{notice.fix}</button
      >
    {:else if notice.fix}<span>{notice.fix}</span>{/if}
  </p>
{/each}
{#if part.fallback}
  <p class="notice">
    Missing letters come from {table.family(part.fallback)?.name ?? part.fallback}.
    <button
      title="Missing letters are said to be missing again"
      class="link"
      onclick={() => table.change(part.id, 'Stop borrowing', { fallback: null })}>Stop borrowing</button
    >
  </p>
{/if}
<FontField
  font={part.font}
  word={part.text}
  mixed={table.differ(part, 'font.family')}
  choose={(next) => table.change(part.id, 'Font', { font: { ...part.font, family: next.id, style: 'normal' } })}
/>
<div class="two">
  <NumberFields {part} rows={NUMBERS.size} />
  <NumberFields {part} rows={NUMBERS.tracking} />
  {#each axes as axis (axis.tag)}
    <AmountField
      label={AXIS_NAMES[axis.tag] ?? axis.tag}
      hint={axisHint(axis.tag)}
      min={axis.min}
      max={axis.max}
      step={axis.max - axis.min > 50 ? 10 : axis.max - axis.min > 5 ? 1 : 0.1}
      mixed={table.differ(part, `font.axes.${axis.tag}`)}
      value={part.font.axes[axis.tag] ?? restingValue(axis)}
      preview={(value) => table.preview(part.id, setAxis(axis.tag, value))}
      commit={() => table.commit(AXIS_NAMES[axis.tag] ?? axis.tag)}
    />
  {/each}
  {#if lines > 1 || part.wrap}
    <NumberFields {part} rows={NUMBERS.leading} />
  {/if}
  {#if part.wrap}<NumberFields {part} rows={NUMBERS.column} />{/if}
</div>
{#if part.line.shape === 'straight'}
  <Tick
    label="In a column"
    hint="Lines break where the column ends; a text that is too high for it becomes smaller, and says so"
    checked={part.wrap !== null}
    change={(on) =>
      table.change(part.id, 'Column', {
        wrap: on ? { widthPx: columnPx(), heightPx: null, leastPercent: 60, stands: 'top', even: false } : null,
      })}
  />
{/if}
{#if part.wrap}
  {@const wrap = part.wrap}
  <Pick
    label="Divide words"
    hint="At the ends of lines, by the rules of a language"
    value={wrap.hyphens ?? ''}
    options={[
      { value: '', label: 'never' },
      ...HYPHEN_LANGUAGES.map((value) => ({ value, label: `in ${value[0]?.toUpperCase()}${value.slice(1)}` })),
    ]}
    choose={(value) => {
      const { hyphens: _, ...rest } = wrap;
      table.change(part.id, 'Divide words', { wrap: value === '' ? rest : { ...rest, hyphens: value as HyphenLanguage } });
    }}
  />
{/if}
{#if axes.length === 0 && weights.length > 1}
  <Choice
    label="Weight"
    hint="Which of the font’s weights the letters are cut in"
    value={String(
      weights.reduce((best, weight) =>
        Math.abs(weight - (part.font.axes['wght'] ?? 400)) < Math.abs(best - (part.font.axes['wght'] ?? 400)) ? weight : best,
      ),
    )}
    options={weights.map((weight) => ({ value: String(weight), label: String(weight) }))}
    choose={(weight) => table.change(part.id, 'Weight', setAxis('wght', Number(weight)))}
  />
{/if}
{#if family?.faces.some(({ style }) => style === 'italic')}
  <Choice
    label="Style"
    hint="Upright or italic letters of the font"
    value={part.font.style}
    options={[
      { value: 'normal', label: 'upright' },
      { value: 'italic', label: 'italic' },
    ]}
    choose={(style) => table.change(part.id, 'Style', { font: { ...part.font, style } })}
  />
{/if}
<Pick
  label="Case"
  hint="How the typed letters are set: the text itself stays as typed"
  mixed={table.differ(part, 'case')}
  value={part.case}
  options={[
    { value: 'typed', label: 'as typed' },
    { value: 'upper', label: 'upper' },
    { value: 'lower', label: 'lower' },
    { value: 'title', label: 'title' },
    { value: 'small-caps', label: 'small capitals' },
  ]}
  choose={(letterCase) => table.change(part.id, 'Case', { case: letterCase })}
/>
<Choice
  label="Kerning"
  hint="Who decides the space of each pair: the font, measured white, or nobody"
  mixed={table.differ(part, 'kerning')}
  value={part.kerning}
  options={[
    { value: 'font', label: 'font' },
    { value: 'optical', label: 'optical' },
    { value: 'none', label: 'none' },
  ]}
  choose={(kerning) => table.change(part.id, 'Kerning', { kerning })}
/>
{#if part.kerning === 'optical'}
  <NumberFields {part} rows={NUMBERS.opticalKerning} />
{/if}
<SpacingStrip {part} />
<PaintPicker
  label="Color"
  palette={table.palette}
  value={table.differ(part, 'paint') ? 'mixed' : part.paint}
  choose={(paint) => table.change(part.id, 'Color', { paint })}
/>
<Choice
  label="Anchor"
  hint="From which point the line grows when its text changes"
  mixed={table.differ(part, 'align')}
  value={part.align}
  options={[
    { value: 'start', label: 'start' },
    { value: 'center', label: 'center' },
    { value: 'end', label: 'end' },
  ]}
  choose={(align) => table.change(part.id, 'Growth', { align })}
/>
{#if lettersOf(part.text).length > 0}<LetterFields {part} {axes} features={face?.features ?? []} />{/if}
<LineFields {part} />
<FitFields {part} {axes} />
<CutFields {part} />
<FeatureFields {part} features={face?.features ?? []} />
<HandFields {part} />
<SecondLineFields {part} />

<style>
  .text {
    display: block;
    width: 100%;
    margin-bottom: 4px;
    padding: 6px 8px;
    border: 1px solid var(--color-rule);
    background: var(--color-paper);
    font-size: 14px;
    line-height: 1.4;
    resize: none;
  }
  .notice {
    padding: 2px 0 6px;
    color: var(--color-amber);
    font-size: 12px;
  }
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    column-gap: 14px;
  }
</style>
