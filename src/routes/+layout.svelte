<script lang="ts">
  import '../app.css';
  import { onMount } from 'svelte';
  import { ThemeProvider } from 'flowbite-svelte';
  import FocusHint from '$lib/ui/FocusHint.svelte';
  import { theme } from '$lib/ui/theme';

  const { children } = $props();

  // Whoever drives the page from outside sees that its scripts answer now.
  onMount(() => (document.documentElement.dataset['ready'] = ''));
</script>

<ThemeProvider {theme}>{@render children()}<FocusHint /></ThemeProvider>
