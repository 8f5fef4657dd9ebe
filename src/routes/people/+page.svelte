<script lang="ts">
  import PeopleRoom from '$lib/people/PeopleRoom.svelte';
  import TopBar from '$lib/ui/TopBar.svelte';

  const { data, form } = $props();
</script>

<svelte:head><title>People · Lucky Thistle</title></svelte:head>
<TopBar room="people" />
<PeopleRoom {...data} answer={form} />
