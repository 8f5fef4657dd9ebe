<script lang="ts">
  import ColorRoom from '$lib/color/ColorRoom.svelte';
  import { readMarks } from '$lib/client/read-marks';

  const { data } = $props();
</script>

<svelte:head><title>Color · {data.brand.name} · Lucky Thistle</title></svelte:head>
{#key data.brand.id}<ColorRoom {...data} marks={readMarks(data.marks)} />{/key}
