<script lang="ts">
  import '../app.css';
  import { ThemeProvider } from 'flowbite-svelte';
  import { theme } from '$lib/ui/theme';

  const { children } = $props();
</script>

<ThemeProvider {theme}>{@render children()}</ThemeProvider>
