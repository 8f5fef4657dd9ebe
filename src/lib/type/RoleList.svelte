<script lang="ts">
  import { giveRole, type TypeRole } from '$core/index';
  import { useTrials } from './trials.svelte';

  const trials = useTrials();
  const ROLES: readonly { readonly role: TypeRole; readonly label: string }[] = [
    { role: 'name', label: 'name' },
    { role: 'second', label: 'second line' },
    { role: 'body', label: 'body' },
  ];
  const desk = $derived(trials.desk.content);
  const chosen = $derived(trials.current ? trials.trial(trials.current) : undefined);
  const nameOf = (id: string) => trials.trial(id)?.name ?? id;
  const without = (role: TypeRole, id: string) => ({
    ...desk,
    roles: { ...desk.roles, [role]: desk.roles[role].filter((each) => each !== id) },
  });
</script>

<section aria-label="Type of the brand">
  <h2 class="label">Type of the brand</h2>
  {#each ROLES as { role, label } (role)}
    <p>
      <span class="quiet role">{label}</span>
      {#each desk.roles[role] as id, index (id)}
        <span class:alternative={index > 0}
          >{nameOf(id)}
          <button
            title="The role is free again; marks keep their faces"
            class="quiet"
            aria-label="Take {nameOf(id)} from {label}"
            onclick={() => trials.desk.commit('Type desk', without(role, id))}>×</button
          ></span
        >
      {:else}<span class="quiet">not chosen</span>{/each}
      {#if chosen && desk.roles[role][0] !== chosen.id}
        <button
          title="New marks and sheets use this face for it"
          class="link"
          onclick={() => trials.desk.commit('Type desk', giveRole(desk, role, chosen.id))}>{chosen.name} for {label}</button
        >
      {/if}
    </p>
  {/each}
</section>

<style>
  section {
    margin: 8px 0;
    padding-top: 6px;
    border-top: 1px solid var(--color-ink);
    font-size: 12px;
  }
  h2 {
    font-family: var(--font-sans);
  }
  .role {
    display: inline-block;
    width: 74px;
  }
  .alternative {
    color: var(--color-quiet);
  }
</style>
