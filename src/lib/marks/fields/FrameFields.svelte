<script lang="ts">
  import { ANCHORS, type Anchor, type Frame } from '$core/index';
  import Choice from '$lib/ui/Choice.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import NumberFields from './NumberFields.svelte';
  import { NUMBERS } from './numbers';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: Frame } = $props();
  const table = useTable();
</script>

<NumberFields {part} rows={NUMBERS.frame} />
<Choice
  label="What is in it"
  hint="Stands wholly inside of the frame, fills it and is cut off at its edge, or stays as it is and is cut off"
  value={part.fit}
  options={[
    { value: 'inside', label: 'fits' },
    { value: 'cover', label: 'fills' },
    { value: 'crop', label: 'is cut off' },
  ]}
  choose={(fit) => table.change(part.id, 'Fit', { fit: fit as Frame['fit'] })}
/>
<Pick
  label="Stands"
  hint="Where it stands in the room that is left, or which part of it is seen"
  value={part.anchor}
  options={ANCHORS.map((value) => ({ value, label: value.replace('-', ' ') }))}
  choose={(anchor) => table.change(part.id, 'Place in the frame', { anchor: anchor as Anchor })}
/>
