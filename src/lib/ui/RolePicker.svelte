<script lang="ts">
  import { ROLES, type Palette, type Role } from '$core/index';

  interface Props {
    label: string;
    palette: Palette;
    /** `undefined` when a linked part follows its source. */
    value: Role | undefined;
    choose: (role: Role) => void;
  }
  const { label, palette, value, choose }: Props = $props();
  const id = $props.id();
</script>

<fieldset>
  <legend class="quiet">{label}</legend>
  {#each ROLES as role (role)}
    <label class:current={role === value} title="{role} {palette[role]}">
      <input class="over-label" type="radio" name={id} value={role} checked={role === value} onchange={() => choose(role)} />
      <span class="swatch" style:background={palette[role]}></span>
      <span class="off-screen">{role}</span>
    </label>
  {/each}
  <span class="name">{value ?? 'follows'}</span>
</fieldset>

<style>
  fieldset {
    display: flex;
    align-items: center;
    gap: 5px;
    padding: 4px 0;
    border-bottom: 1px solid var(--color-rule);
  }
  legend {
    float: left;
    flex: 1;
  }
  label {
    position: relative;
    padding: 2px;
    border: 1px solid transparent;
    cursor: pointer;
  }
  label.current {
    border-color: var(--color-plum);
  }
  label:has(:focus-visible) {
    outline: 2px solid var(--color-plum);
  }
  .swatch {
    display: block;
    width: 18px;
    height: 18px;
    border: 1px solid var(--color-rule);
  }
  .name {
    width: 50px;
    font-weight: 600;
    text-align: right;
  }
</style>
