<script lang="ts">
  import PictureChoice from '$lib/ui/PictureChoice.svelte';
  import { PIECE_UNITS, pieceSizeText, WORDS_WHAT, type PieceCanvas, type WordsWhat } from '$core/index';
  import MarkPicture from '$lib/ui/MarkPicture.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import Tick from '$lib/ui/Tick.svelte';
  import { usePiecesDesk } from './pieces-desk.svelte';
  import MayChange from '$lib/ui/MayChange.svelte';

  const desk = usePiecesDesk();
  const id = $props.id();
  const LABELS: Readonly<Record<WordsWhat, string>> = { heading: 'Heading', text: 'Text', small: 'Small text' };
  const SETS = { screen: 'on screens', print: 'in print', goods: 'on goods' } as const;
  const sizes = $derived([
    ...(desk.chosen?.recipe.whole?.canvas
      ? [{ value: 'as-it-is', label: `as it is, ${pieceSizeText(desk.chosen.recipe.whole.canvas)}` }]
      : []),
    ...desk.sizes.map(({ id: value, label, canvas }) => ({ value, label: `${label}, ${pieceSizeText(canvas)}` })),
    { value: 'own', label: 'a size of your own' },
  ]);
  const set = $derived(desk.sizes.find(({ id: each }) => each === desk.sizeId)?.set);
  const marks = $derived(desk.marks.map(({ id: value, name }) => ({ value, label: name })));
  function own(field: 'width' | 'height', typed: string): void {
    const value = Number(typed);
    if (Number.isFinite(value) && value > 0) desk.own = { ...desk.own, [field]: value };
  }
</script>

<h2>{desk.chosen ? `Layouts for ${desk.chosen.name}` : 'A new piece'}</h2>
{#if desk.chosen}
  <p class="quiet">
    Its words, its mark and all that you have added stay. <button
      title="Layouts begin new pieces again"
      class="link"
      onclick={() => desk.choose(undefined)}>Make a new one instead</button
    >
  </p>
{/if}
<div class="fields">
  <Pick label="Size" hint="How large the canvas is" value={desk.sizeId} options={sizes} choose={(value) => (desk.sizeId = value)} />
  {#if desk.sizeId === 'own'}
    <div class="own" role="group" aria-label="Size of your own">
      <input
        title="How wide a size of your own is"
        type="number"
        aria-label="Width"
        min="1"
        value={desk.own.width}
        onchange={(event) => own('width', event.currentTarget.value)}
      />
      ×
      <input
        title="How high a size of your own is"
        type="number"
        aria-label="Height"
        min="1"
        value={desk.own.height}
        onchange={(event) => own('height', event.currentTarget.value)}
      />
      <select
        title="Pixels for screens, millimeters or inches for print"
        aria-label="Unit"
        onchange={(event) => (desk.own = { ...desk.own, unit: event.currentTarget.value as PieceCanvas['unit'] })}
      >
        {#each PIECE_UNITS as unit (unit)}<option selected={unit === desk.own.unit}>{unit}</option>{/each}
      </select>
    </div>
    {#if !desk.size}<p class="fault" role="alert">Sides go from 8 to 20,000 px; 20,000 px are 5.3 m at 96 px an inch.</p>{/if}
  {/if}
  {#if !desk.chosen}
    {#if set}<Tick
        label="In all sizes {SETS[set]}"
        hint="Pours the layout into every size of the set, each a piece of its own"
        checked={desk.wholeSet}
        change={(on) => (desk.wholeSet = on)}
      />{/if}
    {#if desk.mark}<Pick
        label="Mark"
        hint="The mark that stands large"
        value={desk.mark.id}
        options={marks}
        choose={(value) => (desk.markId = value)}
      />{/if}
    {#if desk.submark}<Pick
        label="Small mark"
        hint="The mark that stands small"
        value={desk.submark.id}
        options={marks}
        choose={(value) => (desk.submarkId = value)}
      />{/if}
    {#each WORDS_WHAT as what (what)}
      <label for="{id}-{what}">{LABELS[what]}</label>
      <textarea
        title="What stands in every layout; it can be changed on each piece"
        id="{id}-{what}"
        rows={what === 'text' ? 3 : 1}
        maxlength="2000"
        value={desk.words[what]}
        onchange={(event) => (desk.words = { ...desk.words, [what]: event.currentTarget.value })}></textarea>
    {/each}
    <PictureChoice
      legend="Picture, for layouts that show one"
      brand={desk.brand.slug}
      pictures={desk.pictures}
      chosen={desk.pictureSha ? [desk.pictureSha] : []}
      working={desk.working}
      choose={(sha256, on) => (desk.pictureSha = on ? sha256 : undefined)}
      bring={(file) => void desk.bring(file)}
    />
  {/if}
</div>
{#if !desk.mark}
  <p class="quiet">A piece is made of the brand’s marks: build one in Marks first.</p>
{:else}
  <ul aria-label="Layouts">
    {#each desk.offered as { layout } (layout.id)}
      <li>
        <MayChange
          ><button disabled={desk.working} title={layout.label} aria-label={layout.label} onclick={() => void desk.pour(layout)}>
            <span class="picture"><MarkPicture picture={desk.pictureOf(`layout ${layout.id}`)} label="" /></span>
            <span>{layout.label}</span>
          </button></MayChange
        >
      </li>
    {/each}
  </ul>
{/if}

<style>
  .fields {
    display: grid;
    gap: 4px;
    padding-bottom: 14px;
  }
  label {
    padding-top: 6px;
    font-size: 13px;
  }
  textarea,
  input,
  select {
    padding: 5px 8px;
    border: 1px solid var(--color-rule);
    background: var(--color-sheet);
    font-size: 13px;
    resize: vertical;
  }
  .own {
    display: flex;
    align-items: center;
    gap: 8px;
  }
  .own input {
    width: 90px;
  }
  .own select {
    padding-right: 28px;
  }
  .fault {
    color: var(--color-rust);
    font-size: 13px;
  }
  .link {
    color: var(--color-plum);
    font-weight: 600;
  }
  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(120px, 1fr));
    gap: 12px;
    padding: 0;
    list-style: none;
  }
  li button {
    display: grid;
    gap: 4px;
    width: 100%;
    padding: 6px;
    border: 1px solid var(--color-rule);
    font-size: 12px;
    line-height: 1.25;
    text-align: left;
  }
  li button:hover {
    border-color: var(--color-plum);
  }
  .picture {
    display: grid;
    height: 108px;
    padding: 4px;
    background: #e9e4d6;
  }
</style>
