<script lang="ts">
  import type { KnownPart } from '$core/index';
  import BuiltFields from '../building/BuiltFields.svelte';

  const { part }: { part: Extract<KnownPart, { kind: 'group' }> } = $props();
</script>

{#if part.built}
  <BuiltFields {part} built={part.built} />
{:else}
  <p class="quiet">
    {part.members.length === 1 ? 'One part' : `${part.members.length} parts`}, moved, made translucent and blended as one.
  </p>
{/if}
