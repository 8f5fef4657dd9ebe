<script lang="ts">
  import { callMyself, LONGEST_NAME, ownName } from '$lib/client/own-name';

  /** Known in the browser alone: the server draws the field empty. */
  const known = (field: HTMLInputElement) => {
    field.value = ownName();
  };
</script>

<label title="Stands beside every version that is saved from this browser, so that others see whose it is">
  <span>Your name</span>
  <input
    title="Stands beside every version that you make"
    class="lone-field"
    maxlength={LONGEST_NAME}
    autocomplete="name"
    placeholder="not said"
    onchange={(event) => callMyself(event.currentTarget.value)}
    {@attach known}
  />
</label>

<style>
  label {
    display: flex;
    align-items: center;
    gap: 8px;
  }
  input {
    width: 130px;
  }
</style>
