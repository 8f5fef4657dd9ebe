<script lang="ts">
  import YourPage from '$lib/people/YourPage.svelte';
  import TopBar from '$lib/ui/TopBar.svelte';

  const { data, form } = $props();
</script>

<svelte:head><title>You · Lucky Thistle</title></svelte:head>
<TopBar />
<YourPage {...data} answer={form} />
