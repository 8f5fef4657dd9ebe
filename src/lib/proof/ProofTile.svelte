<script lang="ts">
  import { goto } from '$app/navigation';
  import { weakAtPx } from '$core/index';
  import FindingTick from '$lib/ui/FindingTick.svelte';
  import MarkPicture from '$lib/ui/MarkPicture.svelte';
  import { useProofDesk, type Subject } from './proof-desk.svelte';
  import { GAIN, wordsOn, type WallTile } from './wall';

  const { tile, subject }: { tile: WallTile; subject: Subject } = $props();
  const desk = useProofDesk();
  const found = $derived(desk.findingOf(subject, tile));
  const both = $derived(desk.beside ? [subject, desk.beside] : [subject]);
  const background = $derived(typeof tile.ground === 'string' ? tile.ground : `url(${tile.ground.photo}) center / cover`);
  const filter = $derived(
    tile.filter === undefined || tile.filter === 'gain'
      ? undefined
      : tile.filter === 'far'
        ? 'blur(2.2px)'
        : tile.filter === 'gray'
          ? 'grayscale(1) contrast(1.4)'
          : `url(#sees-${tile.filter})`,
  );
  /** Of the longer side on screen, where the mark is shown at a size. */
  const sizeOf = (of: Subject): string | undefined => {
    if (tile.longerPx === undefined) return undefined;
    const ink = desk.pictureOf(of, tile.dressing)?.ink;
    if (!ink) return `width:${tile.longerPx}px;height:${tile.longerPx}px`;
    const [wide, high] = [ink.right - ink.left, ink.bottom - ink.top];
    const scale = tile.longerPx / Math.max(wide, high);
    return `width:${wide * scale}px;height:${high * scale}px`;
  };
  /** How far every edge spreads, in mark pixels. */
  const gain = (of: Subject): number => {
    const ink = desk.pictureOf(of, tile.dressing)?.ink;
    return ink ? (2 * GAIN.mm * Math.max(ink.right - ink.left, ink.bottom - ink.top)) / GAIN.longerMm : 0;
  };
  const address = $derived(desk.markAddress(subject, found?.part, tile.longerPx === undefined ? undefined : weakAtPx(tile.longerPx)));
</script>

{#snippet picture(of: Subject)}
  <span class="mark" style={sizeOf(of)} style:--gain="{gain(of)}px"
    ><MarkPicture picture={desk.pictureOf(of, tile.dressing)} label="" /></span
  >
{/snippet}

<button
  class="tile {tile.frame}"
  class:gain={tile.filter === 'gain'}
  class:twice={both.length > 1}
  style:--words={wordsOn(desk.palette, tile.ground)}
  title="{subject.name}, {tile.label}{found ? `: ${found.finding.says}` : ''}"
  onclick={() => {
    if (tile.scene && !subject.isTry) desk.large = { subject, scene: tile.scene };
    else void goto(address);
  }}
>
  <span
    class="ground"
    style:background={tile.frame === 'round' || tile.frame === 'rounded' || tile.frame === 'tab' ? undefined : background}
  >
    {#each tile.scene ? both.filter(({ isTry }) => !isTry) : both as of (of.id)}
      <span class="one" style:filter>
        {#if tile.scene}
          {@const small = desk.goodsAddress(of, tile.scene, 480)}
          {#if !desk.large || desk.seen.has(small)}<img src={small} alt="" loading="lazy" onload={() => desk.seen.add(small)} />{/if}
        {:else if tile.frame === 'round' || tile.frame === 'rounded'}
          <span class="crop" style:background>{@render picture(of)}</span>
        {:else if tile.frame === 'tab'}
          <span class="tabs"><span class="tab">{@render picture(of)}<span>{desk.brand.name}</span></span><span class="bar"></span></span>
        {:else if tile.frame === 'text'}
          <span class="page">{@render picture(of)}<span class="lines"><i></i><i></i><i></i><i></i><i></i></span></span>
        {:else}{@render picture(of)}{/if}
      </span>
    {/each}
  </span>
  <span class="off-screen">{subject.name}, </span>
  <span class="caption quiet"
    >{tile.label}{#if found}<FindingTick finding={found.finding} />{/if}</span
  >
</button>

<style>
  .tile {
    position: relative;
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    width: 168px;
    content-visibility: auto;
    contain-intrinsic-size: 168px 140px;
    text-align: left;
  }
  .tile.twice {
    width: 336px;
  }
  .ground {
    display: flex;
    height: 116px;
    border: 1px solid var(--color-rule);
  }
  .tile:hover .ground {
    border-color: var(--color-plum);
  }
  .one {
    display: grid;
    flex: 1;
    place-items: center;
    min-width: 0;
    padding: 18px 20px;
  }
  .mark {
    display: block;
    width: 100%;
    height: 100%;
    min-height: 0;
  }
  .caption {
    display: flex;
    justify-content: space-between;
    gap: 8px;
    padding-top: 3px;
    font-size: 12px;
  }
  /* At its own size, whatever room that takes. */
  .tile.size,
  .tile.size.twice {
    width: auto;
    min-width: 96px;
    content-visibility: visible;
  }
  .size .ground {
    height: auto;
    min-height: 60px;
  }
  .size .one {
    padding: 12px;
  }
  .tile.goods {
    width: 228px;
    contain-intrinsic-size: 228px 190px;
  }
  .goods .ground {
    height: 168px;
  }
  .goods .one {
    padding: 0;
  }
  .goods img {
    width: 100%;
    height: 166px;
    object-fit: cover;
  }
  .round .one,
  .rounded .one {
    padding: 0;
  }
  .crop {
    display: grid;
    place-items: center;
    width: 96px;
    height: 96px;
    overflow: hidden;
    border: 1px solid var(--color-rule);
  }
  .round .crop {
    padding: 14%;
    border-radius: 50%;
  }
  .rounded .crop {
    padding: 11%;
    border-radius: 22%;
  }
  .tab .one {
    padding: 0;
  }
  .tabs {
    align-self: end;
    width: 100%;
    padding: 0 10px;
  }
  .tab .tab {
    display: flex;
    align-items: center;
    gap: 7px;
    width: 120px;
    padding: 6px 9px;
    border: 1px solid var(--color-rule);
    border-bottom: 0;
    background: #fff;
    font-size: 11px;
  }
  .tab .tab > span:last-child {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .tab .mark {
    flex: 0 0 16px;
    height: 16px;
  }
  .bar {
    display: block;
    height: 30px;
    border: 1px solid var(--color-rule);
    background: #fff;
  }
  .tile.text {
    width: 340px;
  }
  .page {
    display: grid;
    grid-template-columns: 120px 1fr;
    align-items: start;
    gap: 16px;
    width: 100%;
  }
  .page .mark {
    height: 46px;
  }
  .lines {
    display: grid;
    gap: 7px;
    color: var(--words);
  }
  .lines i {
    height: 5px;
    background: currentcolor;
    opacity: 0.42;
  }
  .lines i:last-child {
    width: 60%;
  }
  .gain :global(path) {
    stroke: #000;
    stroke-width: var(--gain);
  }
</style>
