<script lang="ts">
  import { readMarks } from '$lib/client/read-marks';
  import PhotosRoom from '$lib/photos/PhotosRoom.svelte';

  const { data } = $props();
</script>

<svelte:head><title>Photos · {data.brand.name} · Lucky Thistle</title></svelte:head>
{#key `${data.brand.id} ${data.brand.paletteNumber}`}<PhotosRoom {...data} marks={readMarks(data.marks)} />{/key}
