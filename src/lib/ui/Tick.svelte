<script lang="ts">
  interface Props {
    label: string;
    /** One sentence on what it does. */
    hint: string;
    checked: boolean;
    change: (checked: boolean) => void;
  }
  const { label, hint, checked, change }: Props = $props();
</script>

<label class:checked title={hint}>
  <input type="checkbox" {checked} onchange={(event) => change(event.currentTarget.checked)} />
  {label}
</label>

<style>
  label {
    display: flex;
    align-items: center;
    gap: 8px;
    padding: 3px 0;
    cursor: pointer;
  }
  label.checked {
    font-weight: 600;
  }
  input {
    width: 14px;
    height: 14px;
    border: 1px solid var(--color-quiet);
    color: var(--color-plum);
    accent-color: var(--color-plum);
  }
</style>
