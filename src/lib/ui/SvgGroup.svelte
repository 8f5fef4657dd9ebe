<svelte:options namespace="svg" />

<script lang="ts">
  import type { GroupPieces } from '$core/index';
  import SvgMarkup from './SvgMarkup.svelte';

  /** A part of a drawing, piece by piece: only pieces that changed are replaced. */
  const { group }: { group: GroupPieces } = $props();
</script>

<g {...group.attributes}
  >{#each group.pieces as piece, index (index)}<SvgMarkup markup={piece} />{/each}</g
>
