<script lang="ts">
  import type { Snippet } from 'svelte';
  import { EMPTY_RECIPE, looksOf, wearing, wornBy, type KnownTreatment, type Treatments } from '$core/index';
  import { useTable } from '../table/table.svelte';
  import type { TreatmentDesk } from './treatment-desk';

  interface Props {
    treatment: Extract<KnownTreatment, { kind: 'brand-look' }>;
    desk: TreatmentDesk;
    choose: (look: string) => void;
    /** A list of treatments, as the one that this stands in. */
    nested: Snippet<[desk: TreatmentDesk, of: string]> | undefined;
  }
  const { treatment, desk, choose, nested }: Props = $props();
  const table = useTable();
  const id = $props.id();

  const looks = $derived(looksOf(table.palette));
  const look = $derived(looks.find((each) => each.id === treatment.look));
  let changing = $state(false);

  /** Where else it is worn: a change is seen there too. */
  const worn = $derived.by(() => {
    if (!look) return '';
    const here = wornBy(table.open.recipe, look.id);
    const others = table.atHand.filter((mark) => mark.id !== table.info.id && wornBy(mark.recipe, look.id) > 0).length;
    const marks = others === 0 ? '' : others === 1 ? ', and in one mark beside it' : `, and in ${others} marks beside it`;
    return `${here} ${here === 1 ? 'time' : 'times'} in this mark${marks}`;
  });
  const within: TreatmentDesk = {
    get list() {
      return look?.treatments ?? [];
    },
    get heightPx() {
      return look?.madeForPx ?? desk.heightPx;
    },
    preview: (edit) => look && table.treating.previewLook({ ...look, treatments: edit(look.treatments) }),
    commit: (gesture) => table.treating.commitLook(gesture),
  };
  /** Its treatments stand in its place, and follow the look no more. */
  function apart(): void {
    desk.preview((before): Treatments => {
      const at = before.findIndex((each) => each.id === treatment.id);
      const holder = { ...EMPTY_RECIPE, whole: { treatments: before.slice(at, at + 1) } };
      const own = wearing(holder, table.palette).whole?.treatments ?? [];
      return [...before.slice(0, at), ...own, ...before.slice(at + 1)];
    });
    desk.commit('Own treatments instead of the look');
  }
</script>

<label class="field" for="look-{id}">Look</label>
<select id="look-{id}" title="Which of the looks that the brand keeps" onchange={(event) => choose(event.currentTarget.value)}>
  {#if !look}<option value={treatment.look} selected>kept no more</option>{/if}
  {#each looks as each (each.id)}<option value={each.id} selected={each.id === treatment.look}>{each.name}</option>{/each}
</select>
{#if look}
  <div class="acts">
    <button
      title="Changed once, it changes wherever the look is worn"
      class="link"
      aria-expanded={changing}
      onclick={() => (changing = !changing)}
    >
      {changing ? 'Fold its treatments' : 'Change the look'}
    </button>
    <button class="link" title="Its treatments become this part’s own; a change of the look reaches it no more" onclick={apart}>
      Make them its own
    </button>
  </div>
  {#if changing}
    <p class="quiet">Changed here, it changes wherever it is worn: {worn}.</p>
    {@render nested?.(within, look.name)}
  {/if}
{/if}

<style>
  .field {
    display: block;
    font-size: 13px;
  }
  select {
    width: 100%;
    padding: 4px 26px 4px 4px;
    border: 0;
    border-bottom: 1px solid var(--color-rule);
    background-color: transparent;
    font-size: 13px;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 14px;
  }
  .link {
    min-height: 26px;
    color: var(--color-plum);
    font-weight: 600;
    font-size: 13px;
  }
  .quiet {
    color: var(--color-quiet);
    font-size: 12px;
  }
</style>
