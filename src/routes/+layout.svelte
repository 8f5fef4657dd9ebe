<script lang="ts">
  import '../app.css';
  import { onMount } from 'svelte';
  import { browser } from '$app/environment';
  import { workAs } from '$lib/client/work/who-works';
  import { ThemeProvider } from 'flowbite-svelte';
  import FocusHint from '$lib/ui/FocusHint.svelte';
  import StayWhileOffline from '$lib/ui/StayWhileOffline.svelte';
  import { looksOnly } from '$lib/people/roles';
  import { theme } from '$lib/ui/theme';

  const { data, children } = $props();

  // Before any room is made; and again when somebody else signs in. The server renders for many at once and keeps nothing.
  const here = () => workAs({ person: data.signedIn?.id, looksOnly: looksOnly(data) });
  if (browser) here();
  $effect(here);

  // Whoever drives the page from outside sees that its scripts answer now.
  onMount(() => (document.documentElement.dataset['ready'] = ''));
</script>

<ThemeProvider {theme}>{@render children()}<FocusHint /><StayWhileOffline /></ThemeProvider>
