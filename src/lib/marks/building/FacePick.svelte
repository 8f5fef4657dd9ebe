<script lang="ts">
  import type { ShippedFamily } from '$core/index';
  import Pick from '$lib/ui/Pick.svelte';

  interface Props {
    label: string;
    hint: string;
    families: readonly ShippedFamily[];
    /** A family; none is the face that is followed. */
    value: string;
    change: (value: string) => void;
  }
  const { label, hint, families, value, change }: Props = $props();
  const options = $derived([
    { value: '', label: 'as the name is set' },
    ...families.filter(({ removed, id }) => !removed || id === value).map(({ id, name }) => ({ value: id, label: name })),
  ]);
</script>

<Pick {label} {hint} {value} {options} choose={change} />
