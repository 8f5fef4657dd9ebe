<script lang="ts">
  import { isBuilder, type BuilderStart, type GroupPart, type ScreenPicture } from '$core/index';
  import DrawnChoices from '../fields/DrawnChoices.svelte';
  import { useTable } from '../table/table.svelte';

  const { part, built }: { part: GroupPart; built: NonNullable<GroupPart['built']> } = $props();
  const table = useTable();
  let shown = $state(false);
  let starts: readonly BuilderStart[] = $state.raw([]);
  let pictures: Readonly<Record<string, ScreenPicture>> = $state.raw({});

  // Drawn one after the other in the brand's own words and colors, so that the stage never waits for them.
  $effect(() => {
    if (!shown || !isBuilder(built.builder)) return;
    const { builder, heard } = built;
    const kept = $state.snapshot(built) as typeof built;
    let wanted = true;
    const draw = async () => {
      const found = await table.desk.ask((draughtsman) => draughtsman.starts(builder, kept.heard, []));
      if (!wanted) return;
      starts = found;
      for (const start of found) {
        if (!wanted) return;
        const numbers = { ...kept.numbers, ...start.numbers };
        const picture = await table.desk.ask((draughtsman) => draughtsman.buildTried({ ...kept, numbers }, `${part.id}-${start.id}`));
        if (wanted && picture) pictures = { ...pictures, [start.id]: picture };
      }
    };
    draw().catch(() => undefined);
    return () => {
      wanted = false;
      void heard;
    };
  });
</script>

<DrawnChoices
  label="Other compositions"
  hint="The same name in other compositions of this kind"
  fold="Fold the compositions"
  choices={starts.map(({ id, label }) => ({ id, label, picture: pictures[id] }))}
  take={(id) => {
    const start = starts.find((each) => each.id === id);
    if (start) void table.building.change(part.id, start.label, start.numbers);
  }}
  pictureHighPx={64}
  bind:shown
/>
