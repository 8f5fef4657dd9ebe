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

<fieldset title={hint}>
  <legend class="quiet"
    >{label}{#if mixed}<em>, mixed</em>{/if}</legend
  >
  {#each options as option (option.value)}
    <label class:current={!mixed && option.value === value}>
      <input
        class="over-label"
        type="radio"
        name={id}
        value={option.value}
        checked={!mixed && option.value === value}
        onchange={() => choose(option.value)}
      />
      {option.label}
    </label>
  {/each}
</fieldset>

<style>
  fieldset {
    display: flex;
    align-items: baseline;
    gap: 10px;
    border-bottom: 1px solid var(--color-rule);
  }
  legend {
    float: left;
    flex: 1;
  }
  label {
    position: relative;
    margin-bottom: -1px;
    padding: 4px 0;
    border-bottom: 2px solid transparent;
    cursor: pointer;
  }
  label.current {
    border-color: var(--color-plum);
    color: var(--color-plum);
    font-weight: 600;
  }
  label:has(:focus-visible) {
    outline: 2px solid var(--color-plum);
    outline-offset: 2px;
  }
</style>
