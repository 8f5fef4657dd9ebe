<script lang="ts">
  import type { KnownPart } from '$core/index';

  const { part }: { part: Extract<KnownPart, { kind: 'group' }> } = $props();
</script>

<p class="quiet">
  {part.members.length === 1 ? 'One part' : `${part.members.length} parts`}, moved, made translucent and blended as one.
</p>
