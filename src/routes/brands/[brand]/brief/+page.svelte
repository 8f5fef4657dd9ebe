<script lang="ts">
  import BriefRoom from '$lib/brief/BriefRoom.svelte';

  const { data } = $props();
</script>

<svelte:head><title>Brief · {data.brand.name} · Lucky Thistle</title></svelte:head>
{#key data.brand.id}<BriefRoom {...data} />{/key}
