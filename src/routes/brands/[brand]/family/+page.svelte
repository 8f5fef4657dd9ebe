<script lang="ts">
  import FamilyRoom from '$lib/family/FamilyRoom.svelte';
  import { readMarks } from '$lib/client/read-marks';

  const { data } = $props();
</script>

<svelte:head><title>Family · {data.brand.name} · Lucky Thistle</title></svelte:head>
{#key `${data.brand.id} ${data.brand.paletteNumber}`}<FamilyRoom {...data} marks={readMarks(data.marks)} />{/key}
