<script lang="ts">
  let { on = $bindable() }: { on: boolean } = $props();
</script>

<!-- For who has no keys to hold: only where there are fingers. -->
<button
  aria-pressed={on}
  class:on
  title="A tap adds to what is chosen or takes out of it, as a click with Shift does"
  onclick={() => (on = !on)}>Several</button
>

<style>
  button {
    display: none;
  }
  .on {
    color: var(--color-plum);
  }
  @media (any-pointer: coarse) {
    button {
      display: revert;
    }
  }
</style>
