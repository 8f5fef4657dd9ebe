<script lang="ts">
  import { dress, dressingOn, MOST_KEPT_PALETTES, swatchesOf, type ColorKey, type Dressing, type Palette } from '$core/index';
  import MarkPicture from '$lib/ui/MarkPicture.svelte';
  import { useColorDesk } from './color-desk.svelte';
  import type { WantedPicture } from '$lib/client/picture-desk.svelte';

  const desk = useColorDesk();
  let ground: ColorKey = $state('paper');

  /** The palette in use, then those beside it. */
  const shown = $derived([
    { id: 'now', name: 'in use', palette: desk.palette, kept: undefined },
    ...desk.kept.map((kept) => ({ id: kept.id, name: kept.name, palette: kept.palette, kept })),
  ]);
  const few = $derived(desk.atHand.slice(0, shown.length > 1 ? 4 : 12));
  const dressingFor = (palette: Palette): Dressing => (swatchesOf(palette).some(({ key }) => key === ground) ? dressingOn(ground) : 'full');
  const wanted: readonly WantedPicture[] = $derived(
    shown.flatMap(({ id, palette }) =>
      few.map((mark) => ({ key: `${id}-${mark.id}`, markId: mark.id, dressing: dressingFor(palette), palette })),
    ),
  );
  $effect(() => desk.drawing.want(desk.recipes, wanted));
</script>

<section aria-label="On the marks">
  <div class="grounds">
    <span class="quiet">on</span>
    {#each swatchesOf(desk.palette) as { key, name, hex } (key)}
      <button
        class:current={key === ground}
        aria-pressed={key === ground}
        title="on {name}"
        aria-label="on {name}"
        onclick={() => (ground = key)}><span style:background={hex}></span></button
      >
    {/each}
  </div>
  {#each shown as { id, name, palette, kept } (id)}
    {@const under = dress(palette, dressingFor(palette)).ground}
    <div class="palette">
      <div class="head">
        {#if kept}<input
            title="What this palette is called"
            aria-label="Name of {name}"
            value={name}
            maxlength="60"
            onchange={(event) => desk.renameKept(kept, event.currentTarget.value)}
          />
        {:else}<strong>In use</strong>{/if}
        <span class="strip"
          >{#each swatchesOf(palette) as swatch (swatch.key)}<span style:background={swatch.hex} title="{swatch.name} {swatch.hex}"
            ></span>{/each}</span
        >
        {#if kept}
          <button
            title="Every mark takes these colors; undo brings the old ones back"
            class="link"
            aria-label="Use {name}"
            onclick={() => desk.take(kept)}>Use</button
          >
          <button
            title="The palette goes from here; the marks stay as they are"
            class="link"
            aria-label="Remove {name}"
            onclick={() => desk.drop(kept)}>Remove</button
          >
        {:else}
          <button
            title="Keeps the palette that is in use, to come back to it"
            class="link"
            disabled={desk.kept.length >= MOST_KEPT_PALETTES}
            onclick={() => desk.keep()}>Keep beside</button
          >
        {/if}
      </div>
      <div class="marks" class:several={shown.length > 1}>
        {#each few as mark (mark.id)}
          <a href="/brands/{desk.slug}/marks/{mark.slug}" style:background={under} title={mark.name}>
            <MarkPicture
              picture={desk.drawing.pictures.get(`${id}-${mark.id}`)}
              label="{mark.name}, {kept ? name : 'palette in use'}"
              air={0.04}
            />
          </a>
        {:else}
          <p class="quiet">The brand’s marks will stand here in these colors.</p>
        {/each}
      </div>
    </div>
  {/each}
  {#if desk.kept.length === 0}
    <p class="quiet">“Keep beside” sets a palette aside; go on with the colors, and both stand here on the marks, one under the other.</p>
  {/if}
</section>

<style>
  .grounds {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 4px;
    margin-bottom: 10px;
  }
  .grounds button {
    padding: 2px;
    border-bottom: 2px solid transparent;
  }
  .grounds button.current {
    border-color: var(--color-plum);
  }
  .grounds button span {
    display: block;
    width: 24px;
    height: 24px;
    border: 1px solid var(--color-rule);
  }
  .palette {
    margin-bottom: 16px;
  }
  .head {
    display: flex;
    align-items: center;
    gap: 12px;
    padding-bottom: 6px;
  }
  .head input {
    width: 104px;
    padding: 2px 4px;
    border: 1px solid transparent;
    background: none;
    font-weight: 600;
    font-size: 13px;
  }
  .head input:hover,
  .head input:focus {
    border-color: var(--color-rule);
  }
  .strip {
    display: flex;
    flex: 1;
    height: 14px;
  }
  .strip span {
    flex: 1;
  }
  .marks {
    display: grid;
    grid-template-columns: repeat(2, minmax(0, 1fr));
    gap: 8px;
  }
  .marks.several {
    grid-template-columns: repeat(4, minmax(0, 1fr));
  }
  a {
    display: block;
    height: 128px;
    padding: 14px;
    border: 1px solid var(--color-rule);
  }
  .several a {
    height: 84px;
    padding: 8px;
  }
  button:disabled {
    cursor: default;
    opacity: 0.4;
  }
</style>
