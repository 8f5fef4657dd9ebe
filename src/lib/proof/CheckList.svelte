<script lang="ts">
  import { MAKING_NAMES, MAKINGS, limitsOf, type Making } from '$core/index';
  import AmountField from '$lib/ui/AmountField.svelte';
  import FindingTick from '$lib/ui/FindingTick.svelte';
  import Fold from '$lib/ui/Fold.svelte';
  import { useProofDesk } from './proof-desk.svelte';

  const desk = useProofDesk();
  const limits = $derived(desk.limits.content);
  const LIMITS = ['stroke', 'gap'] as const;

  function limit(making: Making, which: 'stroke' | 'gap', value: number): void {
    desk.limits.preview({ makers: { ...limits.makers, [making]: { ...limitsOf(making, limits), [which]: value } } });
  }
</script>

<section aria-label="Checks">
  <h1>Proof</h1>
  <label class="pick"
    ><span class="quiet">shows</span>
    <select
      title="The mark that is checked, or all of them"
      class="lone-field"
      aria-label="Shows"
      value={desk.shownId ?? ''}
      onchange={(event) => (desk.shownId = event.currentTarget.value || undefined)}
    >
      <option value="">the whole family</option>
      {#each desk.family as { id, name } (id)}<option value={id}>{name}</option>{/each}
    </select></label
  >
  <label class="pick"
    ><span class="quiet">beside it</span>
    <select
      class="lone-field"
      aria-label="Beside it"
      disabled={desk.shown.length !== 1}
      title={desk.shown.length === 1 ? 'Every proof shows both' : 'Show one mark first'}
      value={desk.besideId ?? ''}
      onchange={(event) => (desk.besideId = event.currentTarget.value || undefined)}
    >
      <option value="">nothing</option>
      {#each desk.subjects.filter(({ id }) => id !== desk.shown[0]?.id) as { id, name } (id)}<option value={id}>{name}</option>{/each}
    </select></label
  >
  <label class="only"
    ><input title="Leaves out what is as it should be" type="checkbox" bind:checked={desk.onlyLooks} /> only what needs a look</label
  >
  <p class="quiet" role="status">
    {desk.measured < desk.family.length
      ? `measuring ${desk.measured} of ${desk.family.length}`
      : desk.looks === 0
        ? 'Nothing needs a look.'
        : `${desk.looks} ${desk.looks === 1 ? 'check needs' : 'checks need'} a look.`}
  </p>
  {#each desk.shown as subject (subject.id)}
    {@const checks = desk.checksOf(subject)}
    <div class="mark">
      <p class="label">{subject.name}</p>
      {#each desk.listOf(subject) as check (check.id)}
        <p class="check" title={check.finding.says}>
          {#if check.part !== undefined || check.weakAt}
            <a
              class="link"
              title={check.weakAt ? 'Shows on the mark where it is' : 'Leads to the part'}
              href={desk.markAddress(subject, check.part, check.weakAt)}>{check.label}</a
            >
          {:else}<span class="quiet">{check.label}</span>{/if}
          <FindingTick finding={check.finding} />
        </p>
        {#if check.finding.verdict !== 'passes'}<p class="says quiet">{check.finding.says} {check.fix ?? ''}</p>{/if}
      {:else}
        <p class="quiet">{checks ? 'Nothing needs a look.' : '…'}</p>
      {/each}
    </div>
  {/each}
  <Fold label="Ways of making" summary={Object.keys(limits.makers).length > 0 ? 'own limits' : ''}>
    <p class="quiet">The thinnest stroke and the tightest gap that hold, as is usual; ask your maker, and type theirs.</p>
    {#each MAKING_NAMES as making (making)}
      <p class="making">{MAKINGS[making].label}</p>
      {#each LIMITS as which (which)}
        <AmountField
          label={which}
          hint="{MAKINGS[making].label}: the {which === 'stroke' ? 'thinnest stroke' : 'tightest gap'} that holds, in millimeters"
          value={limitsOf(making, limits)[which]}
          unit="mm"
          min={0.01}
          max={20}
          step={0.05}
          preview={(value) => limit(making, which, value)}
          commit={() => desk.limits.commit(`Limits of ${MAKINGS[making].label}`)}
        />
      {/each}
    {/each}
  </Fold>
</section>

<style>
  section {
    overflow-y: auto;
    padding: 18px 18px 28px 22px;
    border-right: 1px solid var(--color-rule);
  }
  .pick {
    display: grid;
    grid-template-columns: 64px minmax(0, 1fr);
    align-items: center;
    margin-top: 8px;
  }
  .only {
    display: flex;
    align-items: center;
    gap: 8px;
    margin: 10px 0 4px;
  }
  .mark {
    margin-top: 14px;
  }
  .label {
    padding-bottom: 3px;
    border-bottom: 1px solid var(--color-ink);
  }
  .check {
    display: flex;
    justify-content: space-between;
    gap: 10px;
    padding: 3px 0;
    border-bottom: 1px solid var(--color-rule);
  }
  .says {
    padding: 3px 0 5px;
    border-bottom: 1px solid var(--color-rule);
    font-size: 12px;
  }
  .making {
    margin-top: 8px;
    font-weight: 600;
  }
</style>
