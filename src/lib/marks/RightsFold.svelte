<script lang="ts">
  import { rightsOf } from '$core/index';
  import Fold from '$lib/ui/Fold.svelte';
  import { useTable } from './table/table.svelte';

  const table = useTable();
  const rights = $derived(
    rightsOf(table.open.recipe, table.recipes, { family: table.family, drawnFrom: (id) => table.resolved(id)?.lettering?.families }),
  );
  const SELL = { yes: 'may be sold', 'with credit': 'sold with credit', ask: 'ask to sell' } as const;
  const REGISTER = { yes: 'may be registered', no: 'not to register', ask: 'ask to register' } as const;
</script>

<div class="rights">
  <Fold label="Rights" summary="{SELL[rights.sell]} · {REGISTER[rights.register]}">
    <dl>
      {#each rights.parts as { what, kind, author, license, terms } (`${kind} ${what}`)}
        <dt>{what} <span class="quiet">{kind}</span></dt>
        <dd class="quiet">{author ? `${author} · ` : ''}{license}. {terms.says}</dd>
      {/each}
    </dl>
    {#each rights.credits as credit (credit)}<p class="credit">To be named: {credit}</p>{/each}
  </Fold>
</div>

<style>
  .rights {
    padding: 4px 16px;
    border-top: 1px solid var(--color-rule);
  }
  dt {
    font-weight: 600;
  }
  dd {
    padding-bottom: 5px;
    font-size: 12px;
  }
  .credit {
    color: var(--color-amber);
    font-size: 12px;
  }
</style>
