<script lang="ts">
  import LibraryRoom from '$lib/library/LibraryRoom.svelte';
  import TopBar from '$lib/ui/TopBar.svelte';

  const { data } = $props();
</script>

<svelte:head><title>Library · Lucky Thistle</title></svelte:head>
<TopBar room="library" />
<LibraryRoom {...data} />
