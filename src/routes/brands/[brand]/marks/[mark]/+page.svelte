<script lang="ts">
  import { expect, recoverRecipe } from '$core/index';
  import MarksRoom from '$lib/marks/MarksRoom.svelte';

  const { data } = $props();
  const read = <T extends { recipe: unknown }>(rows: readonly T[]) =>
    rows.map((row) => ({ ...row, recipe: expect(recoverRecipe(row.recipe)) }));
  const steps = (rows: readonly { gesture: string; at: string; content: unknown }[]) =>
    rows.map(({ gesture, at, content }) => ({ gesture, at: Date.parse(at), content: expect(recoverRecipe(content)) }));
  const marks = $derived(read(data.marks));
  const mark = $derived(marks.find(({ id }) => id === data.markId));
</script>

<svelte:head><title>{mark?.name} · {data.brand.name} · Lucky Thistle</title></svelte:head>
{#if mark}
  {#key mark.id}
    <MarksRoom
      brand={data.brand}
      {mark}
      {marks}
      families={data.families}
      brief={data.brief}
      secondFamily={data.secondFamily}
      tries={read(data.tries)}
      steps={{ past: steps(data.past), future: steps(data.future) }}
    />
  {/key}
{/if}
