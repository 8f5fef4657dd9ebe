<script lang="ts">
  import { onMount } from 'svelte';
  import { dress, ONE_COLOR_WISHES, ONE_COLOR_WORDS, paintKey, swatchesOf, type ColorKey, type OneColorWish } from '$core/index';
  import type { ShownMark } from '$lib/client/read-marks';
  import MarkPicture from '$lib/ui/MarkPicture.svelte';
  import SaveBanner from '$lib/ui/SaveBanner.svelte';
  import { ColorwaysDesk } from './colorways-desk.svelte';
  import { useColorDesk } from './color-desk.svelte';

  interface Props {
    mark: ShownMark;
    /** Takes the mark into the room's undo; what it returns closes it. */
    changed: (work: ColorwaysDesk['open']) => () => void;
    /** Dresses every mark of the brand. */
    all: () => Promise<void>;
  }
  const { mark, changed, all }: Props = $props();
  const desk = useColorDesk();
  // Made anew for every mark.
  // svelte-ignore state_referenced_locally
  const ways = new ColorwaysDesk(desk, mark);
  onMount(() => {
    void ways.open.restore();
    return changed(ways.open);
  });
  const recipes = $derived(new Map(desk.recipes).set(mark.id, ways.recipe));
  $effect(() =>
    desk.drawing.want(
      recipes,
      ways.dressings.map((dressing) => ({ key: `way-${mark.id}-${dressing}`, markId: mark.id, dressing, palette: desk.palette })),
    ),
  );
  $effect(() => {
    void [ways.recipe, desk.palette];
    void ways.look();
  });
  const swatches = $derived(swatchesOf(desk.palette));
  const percent = (share: number) => (share > 0 && share < 0.01 ? 'under 1 %' : `${Math.round(share * 100)} %`);
</script>

<SaveBanner work={ways.open} name="This mark" />
<p class="state">
  {ways.inInk ? 'It stands in ink; its colors wait underneath.' : 'It stands in color.'}
  <button
    title="Ink first, color later: marks stand in one ink until color is turned on"
    class="link"
    onclick={() => ways.stand(!ways.inInk)}>{ways.inInk ? 'Turn color on' : 'Back to ink'}</button
  >
</p>
<ul class="ways">
  {#each ways.dressings as dressing (dressing)}
    {@const dressed = dress(desk.palette, dressing)}
    <li>
      <span class="picture" style:background={dressed.ground}
        ><MarkPicture picture={ways.pictureOf(dressing)} label="{mark.name}, {dressed.label}" air={0.04} /></span
      >
      <span class="quiet">{dressed.label}</span>
    </li>
  {/each}
</ul>
<p class="label">Its colors</p>
{#each ways.used as { paint, hex, share } (paintKey(paint))}
  <p class="row">
    <span class="chip" style:background={hex}></span>
    <span class="name">{'role' in paint ? (swatches.find(({ key }) => key === paint.role)?.name ?? 'removed') : hex}</span>
    <span class="quiet">{percent(share)}</span>
    <select
      title="Everything in this color takes another of the palette"
      aria-label="Paint {'role' in paint ? paint.role : hex} with"
      value={'role' in paint ? paint.role : ''}
      onchange={(event) => event.currentTarget.value && ways.repaint(paint, event.currentTarget.value as ColorKey)}
    >
      {#if !('role' in paint)}<option value="">a color outside the palette</option>{/if}
      {#each swatches as { key, name } (key)}<option value={key}>{name}</option>{/each}
    </select>
  </p>
{:else}<p class="quiet">…</p>{/each}
<p class="acts">
  <button class="link" title="The largest area chooses first, by lightness" onclick={() => void ways.deal()}>Dress in the palette</button>
  <button
    class="link"
    title="Every mark of the brand, each by the areas of its own colors; one undo takes all of it back"
    onclick={() => void all()}>Dress all marks</button
  >
  <button class="link" title="What the largest area has goes to the next one, and so on" onclick={() => ways.rotate()}
    >Turn the colors</button
  >
  {#if ways.loose.length > 0}<button
      title="Each of them becomes the nearest color of the palette"
      class="link"
      onclick={() => ways.ontoPalette()}>Bring {ways.loose.length} {ways.loose.length === 1 ? 'color' : 'colors'} onto the palette</button
    >{/if}
</p>
<p class="label">In one color, part by part</p>
{#each ways.decided as { part, label, states, told, wish } (part)}
  <p class="row">
    <span class="name" title={label}>{label}</span>
    <span class:low={told < 0.6} class="quiet" title="Share of its outline along which it is told apart">told apart {percent(told)}</span>
    <select
      title="How this part is shown where only one color is printed"
      aria-label="{label} in one color"
      value={wish ?? ''}
      onchange={(event) => ways.wish(part, (event.currentTarget.value || undefined) as OneColorWish | undefined)}
    >
      <option value="">as measured: {states[0] === 'ink' ? 'inked' : states[0] === 'clear' ? 'clear' : (states[0] ?? 'inked')}</option>
      {#each ONE_COLOR_WISHES as each (each)}<option value={each}>{ONE_COLOR_WORDS[each]}</option>{/each}
    </select>
  </p>
{:else}<p class="quiet">…</p>{/each}
{#if ways.adjusted > 0}<p class="acts">
    <button title="Everything goes back to what is measured" class="link" onclick={() => ways.dropAll()}
      >Drop what was decided by hand ({ways.adjusted})</button
    >
  </p>{/if}

<style>
  .state {
    margin: 8px 0;
  }
  .ways {
    display: grid;
    grid-template-columns: repeat(3, minmax(0, 1fr));
    gap: 8px;
    margin-bottom: 14px;
    font-size: 12px;
  }
  .picture {
    display: block;
    height: 84px;
    padding: 10px;
    border: 1px solid var(--color-rule);
  }
  .label {
    margin-top: 12px;
    padding-bottom: 3px;
    border-bottom: 1px solid var(--color-ink);
  }
  .row {
    display: flex;
    align-items: center;
    gap: 10px;
    border-bottom: 1px solid var(--color-rule);
  }
  .name {
    flex: 1;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .chip {
    width: 24px;
    height: 18px;
    border: 1px solid var(--color-rule);
  }
  .low {
    color: var(--color-amber);
    font-weight: 600;
  }
  select {
    width: 172px;
    height: 30px;
    padding: 0 24px 0 6px;
    border: 0;
    background-color: transparent;
    font-size: 12px;
  }
  .acts {
    display: flex;
    gap: 16px;
    padding: 7px 0;
  }
</style>
