<script lang="ts">
  interface Props {
    label: string;
    /** One sentence on what it does. */
    hint: string;
    placeholder: string;
    value: string;
    change: (value: string) => void;
  }
  const { label, hint, placeholder, value, change }: Props = $props();
  const id = $props.id();
</script>

<div class="row" title={hint}>
  <label class="quiet" for={id}>{label}</label>
  <input
    title="Enter builds it with these words"
    {id}
    {value}
    {placeholder}
    maxlength="200"
    autocomplete="off"
    onchange={(event) => change(event.currentTarget.value)}
    onkeydown={(event) => {
      if (event.key === 'Enter') event.currentTarget.blur();
    }}
  />
</div>

<style>
  .row {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 10px;
    border-bottom: 1px solid var(--color-rule);
  }
  input {
    width: 100%;
    max-width: 180px;
    min-height: 26px;
    padding: 2px 4px;
    border: 0;
    background: transparent;
    font-weight: 600;
    font-size: 13px;
    text-align: right;
  }
</style>
