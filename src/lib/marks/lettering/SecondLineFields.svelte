<script lang="ts">
  import type { Lettering } from '$core/index';
  import Fold from '$lib/ui/Fold.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import NumberFields from '../fields/NumberFields.svelte';
  import { NUMBERS } from '../fields/numbers';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: Lettering } = $props();
  const table = useTable();

  const firsts = $derived(
    table.parts.filter(
      (other): other is Lettering => other.id !== part.id && other.kind === 'lettering' && other.companion?.part !== part.id,
    ),
  );
  const companion = $derived(part.companion);
  const first = $derived(firsts.find(({ id }) => id === companion?.part));

  /** Staying with a line begins where the two stand now. */
  function stayWith(id: string): void {
    const other = firsts.find((each) => each.id === id);
    if (!other) {
      const { transform } = table.resolved(part.id) ?? { transform: undefined };
      const place = transform ? { ...part.place, x: transform.e, y: transform.f } : part.place;
      table.change(part.id, 'Stand alone', { companion: null, place });
      return;
    }
    const [above, own] = [table.resolved(id), table.resolved(part.id)];
    const gapPx = above?.ink && own?.ink ? own.ink.top - above.ink.bottom : other.sizePx * 0.3;
    table.change(part.id, 'Stay with the first line', {
      companion: {
        part: id,
        sizePercent: Math.round((part.sizePx / (above?.lettering?.sizePx ?? other.sizePx)) * 1000) / 10,
        gapPermille: Math.max(-2000, Math.min(5000, Math.round((gapPx / other.sizePx) * 1000))),
      },
      place: { ...part.place, x: 0, y: 0 },
    });
  }
</script>

{#if firsts.length > 0}
  <Fold label="Stays with" summary={first ? table.nameOf(first) : ''}>
    <Pick
      label="First line"
      hint="The line that this one goes along with: its size and its place follow"
      value={companion?.part ?? ''}
      options={[{ value: '', label: 'none, it stands alone' }, ...firsts.map((each) => ({ value: each.id, label: table.nameOf(each) }))]}
      choose={stayWith}
    />
    {#if companion}
      <NumberFields {part} rows={NUMBERS.companion} />
    {/if}
  </Fold>
{/if}
