<script lang="ts">
  import { swatchesOf, type Hex, type Paint, type Palette } from '$core/index';

  interface Props {
    label: string;
    palette: Palette;
    /** What is painted with; nothing when a linked part follows its source, `'mixed'` when several differ. */
    value: Paint | null | undefined | 'mixed';
    choose: (paint: Paint) => void;
  }
  const { label, palette, value, choose }: Props = $props();
  const id = $props.id();
  const swatches = $derived(swatchesOf(palette));
  const paint = $derived(value === 'mixed' ? undefined : value);
  const chosen = $derived(paint && 'role' in paint ? swatches.find(({ key }) => key === paint.role) : undefined);
  const own = $derived(paint && 'hex' in paint ? paint.hex : undefined);
  const called = $derived(value === 'mixed' ? 'mixed' : !paint ? 'follows' : (own ?? chosen?.name ?? 'removed'));
</script>

<fieldset>
  <legend class="quiet">{label}</legend>
  <div class="swatches" class:many={swatches.length > 6}>
    {#each swatches as { key, name, hex } (key)}
      <label class:current={key === chosen?.key} title="{name} {hex}">
        <input class="over-label" type="radio" name={id} value={key} checked={key === chosen?.key} onchange={() => choose({ role: key })} />
        <span class="swatch" style:background={hex}></span>
        <span class="off-screen">{name}</span>
      </label>
    {/each}
    <label class:current={own !== undefined} class="own" title="A color of its own, outside the palette{own ? `: ${own}` : ''}">
      <input
        class="over-label"
        type="color"
        value={own ?? chosen?.hex ?? '#808080'}
        onchange={(event) => choose({ hex: event.currentTarget.value as Hex })}
      />
      <span class="swatch" style:background={own}>{own ? '' : '+'}</span>
      <span class="off-screen">{label}: a color outside the palette</span>
    </label>
  </div>
  <span class="name" class:own={own !== undefined} title={called}>{called}</span>
</fieldset>

<style>
  fieldset {
    display: flex;
    align-items: center;
    gap: 5px;
    padding: 4px 0;
    border-bottom: 1px solid var(--color-rule);
  }
  legend {
    float: left;
    flex: 1;
  }
  label {
    position: relative;
    padding: 2px;
    border: 1px solid transparent;
    cursor: pointer;
  }
  label.current {
    border-color: var(--color-plum);
  }
  label:has(:focus-visible) {
    outline: 2px solid var(--color-plum);
  }
  .swatch {
    display: block;
    width: 18px;
    height: 18px;
    border: 1px solid var(--color-rule);
  }
  .swatches {
    display: flex;
    flex-wrap: wrap;
    justify-content: flex-end;
    gap: 5px;
    max-width: 178px;
  }
  .many {
    gap: 1px;
  }
  .own .swatch {
    border-style: dashed;
    color: var(--color-quiet);
    line-height: 16px;
    text-align: center;
  }
  .name {
    overflow: hidden;
    width: 54px;
    text-overflow: ellipsis;
    white-space: nowrap;
    font-weight: 600;
    text-align: right;
  }
</style>
