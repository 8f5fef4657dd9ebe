<svelte:options namespace="svg" />

<script lang="ts">
  /** Markup from core/output, which escapes everything that people typed; the only place where markup enters a page. */
  const { markup }: { markup: string } = $props();
</script>

{@html markup}
