<script lang="ts">
  import PiecesRoom from '$lib/pieces/PiecesRoom.svelte';
  import { readMarks } from '$lib/client/read-marks';

  const { data } = $props();
</script>

<svelte:head><title>Pieces · {data.brand.name} · Lucky Thistle</title></svelte:head>
{#key `${data.brand.id} ${data.brand.paletteNumber}`}<PiecesRoom {...data} marks={readMarks(data.marks)} />{/key}
