<script lang="ts">
  import SheetRoom from '$lib/sheet/SheetRoom.svelte';
  import { readMarks } from '$lib/client/read-marks';

  const { data } = $props();
</script>

<svelte:head><title>Sheet · {data.brand.name} · Lucky Thistle</title></svelte:head>
{#key `${data.brand.id} ${data.brand.paletteNumber}`}<SheetRoom {...data} marks={readMarks(data.marks)} />{/key}
