<script lang="ts">
  import { startVeil } from '$core/index';
  import Fold from '$lib/ui/Fold.svelte';
  import OutputFields from './OutputFields.svelte';
  import { usePhotosDesk } from './photos-desk.svelte';
  import Runs from './Runs.svelte';
  import StampFields from './StampFields.svelte';
  import VeilFields from './VeilFields.svelte';
  import { countText } from './views';
  import MayChange from '$lib/ui/MayChange.svelte';

  const desk = usePhotosDesk();
  const nameOf = (mark: string) => desk.marks.find(({ id }) => id === mark)?.name ?? 'a mark that is gone';
  let adding = $state('');
</script>

<section class="marking" aria-label="What is laid over the photos">
  <p class="label">Stamps</p>
  {#each desk.content.stamps as stamp (stamp.id)}
    <button
      title="Shows where this stamp stands and lets it be changed"
      class="row"
      class:current={stamp.id === desk.stamp?.id}
      aria-pressed={stamp.id === desk.stamp?.id}
      onclick={() => (desk.stampId = stamp.id)}>{nameOf(stamp.mark)} <span class="quiet">{stamp.opacityPercent} %</span></button
    >
    {#if stamp.id === desk.stamp?.id}<StampFields {stamp} />{/if}
  {:else}<p class="quiet">A stamp is a mark placed once: in a corner, or across what the picture is of.</p>{/each}
  {#if desk.offered.length > 0 && desk.content.stamps.length < 6}
    <label class="add"
      ><span class="off-screen">Add a stamp</span><select
        title="Another mark on every photo"
        class="lone-field"
        bind:value={adding}
        onchange={() => {
          if (adding) desk.addStamp(adding);
          adding = '';
        }}
        ><option value="">Add a stamp …</option>{#each desk.offered as mark (mark.id)}<option value={mark.id}>{mark.name}</option
          >{/each}</select
      ></label
    >
  {:else if desk.offered.length === 0}<p class="quiet">The brand has no mark yet.</p>{/if}

  <p class="label second">
    <label
      ><input
        title="A faint pattern over the whole photo, hard to take out"
        type="checkbox"
        checked={desk.content.veil.on}
        onchange={(event) => {
          const on = event.currentTarget.checked;
          const line = desk.content.veil.text || desk.content.veil.mark ? {} : startVeil(desk.brand.name, desk.content.veil);
          desk.change(on ? 'Lay a veil' : 'Take the veil off', desk.withVeil({ on, ...line }));
        }}
      /> Veil</label
    >
  </p>
  {#if desk.content.veil.on}<VeilFields />{:else}<p class="quiet">
      A veil repeats a line or a mark over the whole picture, in even rows.
    </p>{/if}

  <div class="gap"></div>
  <Fold
    label="Files"
    summary={`${desk.content.output.format.toUpperCase()}${desk.content.output.longestPx ? `, ${desk.content.output.longestPx} px` : ''}`}
    ><OutputFields /></Fold
  >
  <form
    onsubmit={(event) => {
      event.preventDefault();
      void desk.run();
    }}
  >
    <MayChange
      ><button
        title="Copies of the photos are marked; the photos themselves stay as they are"
        class="make"
        disabled={desk.wanted.length === 0 || desk.fault !== '' || desk.ordering}>Mark {countText(desk.countsOf(desk.wanted))}</button
      ></MayChange
    >
  </form>
  {#if desk.fault}<p class="quiet">{desk.fault}</p>{/if}
  <Runs />
</section>

<style>
  .marking {
    padding: 18px 20px 40px;
    overflow-y: auto;
    border-left: 1px solid var(--color-rule);
  }
  .row {
    display: flex;
    justify-content: space-between;
    width: 100%;
    padding: 6px 0;
    border-bottom: 1px solid var(--color-rule);
    text-align: left;
  }
  .row.current {
    color: var(--color-plum);
    font-weight: 600;
  }
  .add select {
    width: 100%;
    margin-top: 8px;
  }
  .second {
    padding-top: 20px;
  }
  .second label {
    display: flex;
    gap: 8px;
    align-items: center;
  }
  .gap {
    height: 16px;
  }
  .make {
    width: 100%;
    margin-top: 14px;
    padding: 8px 16px;
    background: var(--color-plum);
    color: var(--color-sheet);
    font-weight: 600;
  }
  .make:disabled {
    cursor: default;
    opacity: 0.45;
  }
</style>
