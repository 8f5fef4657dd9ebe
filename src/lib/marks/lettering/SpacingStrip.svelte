<script lang="ts">
  import { withGap, type Lettering } from '$core/index';
  import type { GapPicture, SpacingPicture } from '$workers/draw';
  import AmountField from '$lib/ui/AmountField.svelte';
  import { useTable } from '../table/table.svelte';
  import { signed } from './names';

  const { part }: { part: Lettering } = $props();
  const table = useTable();

  let picture: SpacingPicture | undefined = $state.raw();
  // Asked again whenever the stage has come to rest, so that the strip never holds it up.
  $effect(() => {
    if (table.desk.rests === 0) return;
    const { id } = part;
    let wanted = true;
    table.desk
      .ask((draughtsman) => draughtsman.spacing(table.info.id, id))
      .then(
        (next) => wanted && (picture = next),
        () => undefined, // The stage says what is wrong.
      );
    return () => (wanted = false);
  });

  const gaps = $derived(picture?.gaps ?? []);
  const box = $derived(picture?.box);
  const selected = $derived(gaps.find(({ index }) => index === table.gap));
  /** So much width that no two numbers lie on one another. */
  const widthPx = $derived(Math.max(286, gaps.length * 27));
  const across = (gap: GapPicture) => (box ? ((gap.x - box.left) / (box.right - box.left)) * 100 : 0);
  const lines = $derived([...new Set(gaps.map(({ baseline }) => baseline))]);

  const set = (index: number, permille: number) => table.previewLettering(part, withGap(part, index, permille));
  function keys(event: KeyboardEvent, gap: GapPicture): void {
    const by = { ArrowUp: 1, ArrowDown: -1 }[event.key];
    const next = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (by) {
      event.preventDefault();
      event.stopPropagation();
      set(gap.index, gap.handPermille + by * (event.shiftKey ? 50 : 5));
    } else if (next) {
      event.preventDefault();
      event.stopPropagation();
      const at = gaps.indexOf(gap) + next;
      const other = (event.currentTarget as HTMLElement).parentElement?.children[at];
      if (other instanceof HTMLElement) other.focus();
    }
  }
</script>

{#if box && gaps.length > 0}
  <div class="strip" role="group" aria-label="Gaps between letters">
    <div class="inside" style:width="{widthPx}px">
      <svg viewBox="{box.left} {box.top} {box.right - box.left} {box.bottom - box.top}" aria-hidden="true">
        {#each gaps as gap (gap.index)}<path class="gap" class:current={gap.index === table.gap} d={gap.data} />{/each}
        <path d={picture?.data} />
      </svg>
      {#each lines as line (line)}
        <div class="numbers">
          {#each gaps.filter(({ baseline }) => baseline === line) as gap (gap.index)}
            <button
              style:left="{across(gap)}%"
              tabindex={gap === (selected ?? gaps[0]) ? 0 : -1}
              class:hand={gap.handPermille !== 0}
              aria-pressed={gap.index === table.gap}
              aria-label="Gap {gap.left} {gap.right}: {signed(gap.kernPermille + gap.handPermille)}"
              title="white {gap.size.toFixed(1)}, kerned {signed(gap.kernPermille)}, by hand {signed(gap.handPermille)}"
              onclick={() => (table.gap = gap.index === table.gap ? undefined : gap.index)}
              onfocus={() => (table.gap = gap.index)}
              onkeydown={(event) => keys(event, gap)}
              onkeyup={(event) => /^Arrow(Up|Down)$/.test(event.key) && table.commit('Gap')}
              >{signed(gap.kernPermille + gap.handPermille)}</button
            >
          {/each}
        </div>
      {/each}
    </div>
  </div>
  {#if selected}
    <AmountField
      label="Gap {selected.left}{selected.right}"
      hint="Space by hand between the two letters, on top of their kerning, in thousandths of the size"
      unit="‰"
      min={-2000}
      max={5000}
      step={5}
      value={selected.handPermille}
      preview={(permille) => set(selected.index, permille)}
      commit={() => table.commit('Gap')}
    />
  {/if}
{/if}

<style>
  .strip {
    overflow-x: auto;
    padding: 8px 0 2px;
    border-bottom: 1px solid var(--color-rule);
  }
  svg {
    display: block;
    width: 100%;
    max-height: 60px;
    overflow: visible;
    fill: var(--color-ink);
  }
  .gap {
    fill: #e8d9bd;
  }
  .gap.current {
    fill: var(--color-primary-300);
  }
  .numbers {
    position: relative;
    height: 22px;
  }
  .numbers button {
    position: absolute;
    min-width: 24px;
    padding: 2px;
    color: var(--color-quiet);
    font-size: 11px;
    font-variant-numeric: tabular-nums;
    translate: -50% 0;
  }
  .numbers button.hand {
    color: var(--color-amber);
    font-weight: 700;
  }
  .numbers button[aria-pressed='true'] {
    color: var(--color-plum);
    font-weight: 700;
  }
</style>
