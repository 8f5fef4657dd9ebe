<script lang="ts">
  import type { TreatmentDesk } from './treatment-desk';
  import TreatmentList from './TreatmentList.svelte';

  interface Props {
    desk: TreatmentDesk;
    of: string;
    opened?: string | undefined;
  }
  let { desk, of, opened = $bindable() }: Props = $props();
</script>

<!-- A look that is worn unfolds into a list of its own; a look wears no look. -->
{#snippet nested(inner: TreatmentDesk, name: string)}<TreatmentList desk={inner} of={name} />{/snippet}
<TreatmentList {desk} {of} {nested} bind:opened />
