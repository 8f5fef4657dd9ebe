<script lang="ts">
  import { tick } from 'svelte';
  import { TREATMENT_STACKS, type KnownPart, type ScreenPicture, type TreatmentStack } from '$core/index';
  import MarkPicture from '$lib/ui/MarkPicture.svelte';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: KnownPart } = $props();
  const table = useTable();
  const [TRIES, AGAIN_MS] = [4, 600];
  let shown = $state(false);
  let button: HTMLButtonElement | undefined = $state.raw();
  let pictures: Readonly<Record<string, ScreenPicture>> = $state.raw({});

  // Drawn on the part itself, one after the other, so that the stage never waits for them.
  $effect(() => {
    if (!shown || table.desk.rests === 0) return;
    const { id, treatments = [] } = part;
    let wanted = true;
    /** @returns whether it could be asked for */
    const draw = async (stack: TreatmentStack): Promise<boolean> => {
      try {
        const tried = table.treating.adding(id, stack.treatments)(treatments);
        const picture = await table.desk.ask((draughtsman) => draughtsman.tried(table.info.id, id, tried, stack.id));
        if (wanted && picture) pictures = { ...pictures, [stack.id]: picture };
        return true;
      } catch {
        return false;
      }
    };
    const drawAll = async () => {
      let left: readonly TreatmentStack[] = TREATMENT_STACKS;
      for (let tries = 0; tries < TRIES && left.length > 0; tries++) {
        if (tries > 0) await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
        // What one look runs into keeps no other from being shown.
        const failed: TreatmentStack[] = [];
        for (const stack of left) {
          if (!wanted) return;
          if (!(await draw(stack))) failed.push(stack);
        }
        left = failed;
      }
    };
    void drawAll();
    return () => (wanted = false);
  });
  /** What opens lies below, often out of sight: it comes up. */
  function turn(): void {
    shown = !shown;
    if (shown) void tick().then(() => button?.scrollIntoView({ block: 'start' }));
  }
  function take({ label, treatments }: TreatmentStack): void {
    table.treating.add(label, treatments);
  }
</script>

<button
  bind:this={button}
  title="A few treatments that belong together, shown on this part"
  class="link"
  aria-expanded={shown}
  onclick={turn}>{shown ? 'Fold the looks' : 'Looks to start from'}</button
>
{#if shown}
  <div class="looks" role="group" aria-label="Looks to start from">
    {#each TREATMENT_STACKS as stack (stack.id)}
      {@const picture = pictures[stack.id]}
      <button title={stack.hint} aria-label="{stack.label}: {stack.hint}" onclick={() => take(stack)}>
        <span class="picture" aria-hidden="true"
          >{#if picture}<MarkPicture {picture} label="" air={0.06} />{/if}</span
        >
        <span>{stack.label}</span>
      </button>
    {/each}
  </div>
{/if}

<style>
  .link {
    min-height: 26px;
    padding: 0 4px;
    color: var(--color-plum);
    font-weight: 600;
    font-size: 13px;
    /* The head of the part stays above. */
    scroll-margin-top: 56px;
  }
  .looks {
    display: grid;
    grid-template-columns: 1fr 1fr 1fr;
    gap: 6px;
  }
  .looks button {
    display: grid;
    padding: 4px;
    border: 1px solid var(--color-rule);
    font-size: 11px;
    text-align: left;
  }
  .looks button:hover {
    border-color: var(--color-plum);
  }
  .picture {
    height: 44px;
  }
</style>
