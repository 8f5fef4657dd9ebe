<script lang="ts">
  import HandoverRoom from '$lib/handover/HandoverRoom.svelte';

  const { data } = $props();
</script>

<svelte:head><title>Hand-over · {data.brand.name} · Lucky Thistle</title></svelte:head>
{#key `${data.brand.id} ${data.brand.paletteNumber}`}<HandoverRoom {...data} />{/key}
