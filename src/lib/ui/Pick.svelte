<script lang="ts" generics="T extends string">
  interface Props {
    label: string;
    /** One sentence on what it does. */
    hint: string;
    /** Whether several things are chosen that differ in it. */
    mixed?: boolean;
    options: readonly { readonly value: T; readonly label: string }[];
    value: T;
    choose: (value: T) => void;
  }
  const { label, hint, mixed = false, options, value, choose }: Props = $props();
  const id = $props.id();
</script>

<div class="row" title={hint}>
  <label class="quiet" for={id}>{label}</label>
  <select {id} value={mixed ? '' : value} onchange={(event) => choose(event.currentTarget.value as T)}>
    {#if mixed}<option value="" disabled>mixed</option>{/if}
    {#each options as option (option.value)}<option value={option.value}>{option.label}</option>{/each}
  </select>
</div>

<style>
  .row {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 10px;
    border-bottom: 1px solid var(--color-rule);
  }
  select {
    overflow: hidden;
    max-width: 190px;
    padding: 3px 26px 3px 4px;
    border: 0;
    background-color: transparent;
    font-weight: 600;
    font-size: 13px;
    text-align: right;
    text-overflow: ellipsis;
  }
</style>
