<script lang="ts">
  import { LIGHT_SIDES, placeRatio, swatchesOf, type LightSide, type OwnGoods, type SceneFacts } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import { useProofDesk } from './proof-desk.svelte';

  interface Props {
    scene: SceneFacts;
    goods: OwnGoods;
    bending: boolean;
    coloring: boolean;
  }
  let { scene, goods, bending = $bindable(), coloring = $bindable() }: Props = $props();
  const desk = useProofDesk();
  const own = $derived(desk.own);
  const START_INK = 0.8;
  const SIDES: Record<LightSide, string> = { left: 'the left', right: 'the right', above: 'above', below: 'below' };
  const swatches = $derived([
    ...swatchesOf(desk.palette).map(({ key, name }) => ({ value: key as string, label: name })),
    { value: '#f4f2ec', label: 'off-white' },
    { value: '#1d1d1f', label: 'black' },
  ]);
  const commit = (gesture: string) => () => desk.goods.commit(gesture);
</script>

<label class="name">
  <span class="quiet">Called</span>
  <input
    title="What this thing is called on the wall and in packs"
    value={goods.label}
    maxlength="60"
    onchange={({ currentTarget }) => {
      const label = currentTarget.value.trim();
      if (label) own.change(scene, 'Name the goods', { label });
      else currentTarget.value = goods.label;
    }}
  />
</label>
<p class="toggle">
  <label
    ><input title="For round and folded things: the place follows the bend" type="checkbox" bind:checked={bending} /> Bend the place: twelve more
    handles</label
  >
</p>
{#if goods.mesh.some(({ x, y }) => x !== 0 || y !== 0)}
  <button title="The place is flat again" class="link" onclick={() => own.change(scene, 'Straighten the place', { mesh: [] })}
    >Straighten it</button
  >
{/if}
<AmountField
  label="Height"
  hint="Of the place by its width, where it lies flat: a mark that looks squeezed wants another"
  unit="%"
  min={5}
  max={2000}
  digits={0}
  value={Math.round(placeRatio(goods, { widthPx: scene.widthPx, heightPx: scene.heightPx }) * 100)}
  preview={(value) => own.preview(scene, { ratio: value / 100 })}
  commit={commit('Say how high the place is')}
/>
{#if goods.ratio !== undefined}
  <button
    title="Reads the height of the place from its four corners"
    class="link"
    onclick={() => own.forget(scene, 'Read the height from the corners', 'ratio')}>Height from the corners</button
  >
{/if}
<AmountField
  label="Folds"
  hint="How far folds shift the mark, in thousandths of the photo’s width"
  unit="‰"
  min={0}
  max={20}
  value={goods.folds}
  preview={(folds) => own.preview(scene, { folds })}
  commit={commit('Follow the folds')}
/>
<Pick
  label="Light from"
  hint="Folds look alike from either side: this tells those that rise from those that fall"
  options={LIGHT_SIDES.map((value) => ({ value, label: SIDES[value] }))}
  value={goods.light}
  choose={(light) => own.change(scene, 'Choose the side of the light', { light })}
/>
<AmountField
  label="Shade"
  hint="How much of the photo’s light and shade falls on the mark"
  unit="%"
  min={0}
  max={100}
  value={Math.round(goods.shade * 100)}
  preview={(value) => own.preview(scene, { shade: value / 100 })}
  commit={commit('Shade the mark')}
/>
{#if goods.ink === undefined}
  <button
    class="link"
    title="White ink is as light as the lightest places of the photo until you say"
    onclick={() => own.change(scene, 'Say how light white ink is', { ink: START_INK })}>Say how light white ink is</button
  >
{:else}
  <AmountField
    label="White ink"
    hint="How light it is, as a share of the screen’s white"
    unit="%"
    min={10}
    max={100}
    value={Math.round(goods.ink * 100)}
    preview={(value) => own.preview(scene, { ink: value / 100 })}
    commit={commit('Say how light white ink is')}
  />
  <button
    title="White ink is as light as the photo lets it be"
    class="link"
    onclick={() => own.forget(scene, 'White ink as the photo has it', 'ink')}>As light as the photo is</button
  >
{/if}
<p class="toggle">
  <label
    ><input title="A click on the cloth takes all that is like it" type="checkbox" bind:checked={coloring} />
    {goods.cloth ? 'Add to the cloth with a click' : 'Color the cloth: click on it'}</label
  >
</p>
{#if goods.cloth}
  {@const { cloth } = goods}
  <Pick
    label="Cloth"
    hint="The color that the chosen cloth takes; its folds stay"
    options={swatches.some(({ value }) => value === cloth.color) ? swatches : [...swatches, { value: cloth.color, label: cloth.color }]}
    value={cloth.color as string}
    choose={(color) => own.change(scene, 'Color the cloth', { cloth: { ...cloth, color: color as typeof cloth.color } })}
  />
  <AmountField
    label="Spread"
    hint="How far the color spreads to what is alike"
    unit="%"
    min={10}
    max={300}
    value={Math.round(cloth.spread * 100)}
    preview={(value) => own.preview(scene, { cloth: { ...cloth, spread: value / 100 } })}
    commit={commit('Spread the color')}
  />
  <p class="ways">
    {#if cloth.at.length > 1}
      <button class="link" onclick={() => own.change(scene, 'Take back a place', { cloth: { ...cloth, at: cloth.at.slice(0, -1) } })}
        >Take back the last of {cloth.at.length} places</button
      >
    {/if}
    <button
      title="The cloth keeps the color that the photo has"
      class="link"
      onclick={() => own.forget(scene, 'Leave the cloth as it is', 'cloth')}>Leave it as it is</button
    >
  </p>
{/if}

<style>
  .name {
    display: grid;
    grid-template-columns: 70px minmax(0, 1fr);
    align-items: center;
  }
  .toggle {
    padding: 5px 0;
  }
  .ways {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
  }
</style>
