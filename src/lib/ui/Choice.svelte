<script lang="ts" generics="T extends string">
  interface Props {
    label: string;
    options: readonly { readonly value: T; readonly label: string }[];
    value: T;
    choose: (value: T) => void;
  }
  const { label, options, value, choose }: Props = $props();
  const id = $props.id();
</script>

<fieldset>
  <legend class="quiet">{label}</legend>
  {#each options as option (option.value)}
    <label class:current={option.value === value}>
      <input
        class="over-label"
        type="radio"
        name={id}
        value={option.value}
        checked={option.value === value}
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
